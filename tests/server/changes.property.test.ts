import { expect } from 'chai'
import { applyChange, applyEffective } from '../../src/core/blueprint/apply'
import type { Blueprint } from '../../src/core/blueprint/blueprint'
import { blueprintOf, type Records, refKey } from '../../src/core/blueprint/blueprint'
import type { Change, Operation } from '../../src/core/blueprint/change'
import { editPlan, type PlanEdit } from '../../src/core/blueprint/edit'
import { idSource } from '../../src/core/blueprint/ids'
import { KIND_NAMES } from '../../src/core/blueprint/kinds'
import { changesAfter, loggedChanges } from '../../src/server/change-log'
import { applyCourseChange } from '../../src/server/changes'
import { createCourse } from '../../src/server/courses'
import { openDatabase } from '../../src/server/db/client'
import { membership, user } from '../../src/server/db/schema'
import { loadCourse } from '../../src/server/repository'
import { anItem } from '../support/course'
import { judge, rowsOf } from '../support/naive-judge'
import { randomOperations, start } from '../support/random-edits'
import { rng } from '../support/rng'
import { cloneDatabase, type TestDatabase } from '../support/server'

const AUTHORS = ['ines', 'tove', 'marek']
const plain = (blueprint: Blueprint) =>
  Object.fromEntries(KIND_NAMES.map((k) => [k, [...blueprint[k].values()].sort((a, b) => (a.id < b.id ? -1 : 1))]))

describe('the change service and applyChange', () => {
  let database: TestDatabase
  let opened: ReturnType<typeof openDatabase>
  before(async () => {
    database = await cloneDatabase()
    opened = openDatabase(database.url)
    for (const id of AUTHORS) await opened.db.insert(user).values({ id, name: id, email: `${id}@example.org` })
  })
  after(async () => {
    await opened.pool.end()
    await database.drop()
  })
  const newCourse = async (id: string) => {
    const courseId = await createCourse(opened.db, {
      blueprint: start,
      ownerId: 'ines',
      code: 'create-course',
      newId: idSource(rng(99)),
      id,
    })
    await opened.db.insert(membership).values(AUTHORS.slice(1).map((userId) => ({ courseId, userId, role: 'designer' })))
    return courseId
  }
  const stored = async (courseId: string): Promise<Blueprint> => {
    const loaded = await loadCourse(opened.db, courseId)
    if (!loaded) throw new Error('no course')
    return blueprintOf(loaded.records as unknown as Records)
  }

  /** Changes of all seeds that met another: what one seed brings about changes with every field that a kind gets. */
  let met = 0
  for (const seed of [1, 2, 3, 4, 5, 6])
    it(`say the same of changes by several authors who have not seen each other's (seed ${seed})`, async () => {
      const random = rng(seed)
      const newId = idSource(rng(seed * 1000))
      const courseId = await newCourse(`property-${seed}`)
      let truth = start
      const seen = new Map(AUTHORS.map((a) => [a, start]))
      const sent: { author: string; change: Change }[] = []
      const undoable: { author: string; operations: readonly Operation[] }[] = []
      const kinds = new Set<string>()
      const tally = { accepted: 0, refused: 0, skipped: 0, again: 0 }
      for (let i = 0; i < 110; i++) {
        const author = AUTHORS[Math.floor(random() * 3)] as string
        const dice = random()
        if (dice < 0.1 && sent.length > 0) {
          // The same change once more: the stored answer, and nothing written.
          const { author: who, change } = sent[Math.floor(random() * sent.length)] as (typeof sent)[number]
          const before = await loadCourse(opened.db, courseId)
          const answer = await applyCourseChange(opened.db, courseId, who, change)
          expect(answer.ok).to.equal(true)
          expect((await loadCourse(opened.db, courseId))?.revision).to.equal(before?.revision)
          tally.again++
          continue
        }
        const undo = dice < 0.25 ? undoable.pop() : undefined
        const base = seen.get(author) as Blueprint
        const operations = undo ? undo.operations : randomOperations(base, random, newId)
        if (operations.length === 0) {
          seen.set(author, truth)
          continue
        }
        const change: Change = { id: newId(), code: 'test', params: {}, onConflict: undo || random() < 0.2 ? 'skip' : 'refuse', operations }
        const expected = applyChange(truth, change)
        const verdict = judge(rowsOf(truth), change)
        expect(expected.ok, `judged otherwise: ${JSON.stringify(change)}`).to.equal(verdict.accepted)
        if (expected.ok) expect(Object.fromEntries(rowsOf(expected.blueprint))).to.deep.equal(Object.fromEntries(verdict.rows))
        const conflicts = expected.ok ? expected.skipped : expected.conflicts
        expect([...new Set(conflicts.map(refKey))].sort()).to.deep.equal([...verdict.against].sort())
        for (const o of operations) kinds.add(o.kind)
        const answer = await applyCourseChange(opened.db, courseId, author, change)
        expect(answer.ok, JSON.stringify(change)).to.equal(expected.ok)
        if (expected.ok && answer.ok) {
          expect(answer.operations).to.deep.equal(expected.effective)
          expect(answer.skipped).to.deep.equal(expected.skipped)
          truth = expected.blueprint
          sent.push({ author, change })
          undoable.push({ author, operations: expected.inverse })
          tally.accepted++
          if (expected.skipped.length > 0) tally.skipped++
        } else if (!expected.ok && !answer.ok) {
          expect(answer.conflicts).to.deep.equal(expected.conflicts)
          tally.refused++
        }
        if (random() < 0.4) seen.set(author, truth)
      }
      expect(plain(await stored(courseId))).to.deep.equal(plain(truth))
      const log = await loggedChanges(opened.db, courseId, changesAfter(1))
      expect(plain(log.reduce((b, c) => applyEffective(b, c.operations), start))).to.deep.equal(plain(truth))
      expect(log.map((c) => c.revision)).to.deep.equal(log.map((_, i) => i + 2))
      expect(tally.accepted, 'accepted').to.be.greaterThan(10)
      met += tally.refused + tally.skipped
      expect(kinds.size, 'kinds that were edited').to.be.greaterThan(KIND_NAMES.length / 2)
    })

  it('met other changes often enough to say so', () => expect(met).to.be.greaterThan(6))

  it('finds what would stand within itself however far up', async () => {
    const courseId = await newCourse('deep')
    const deep = (n: number) => anItem(`d${n}`, 'f1', { parentId: n === 1 ? null : `d${n - 1}` })
    const send = (id: string, operations: readonly Operation[]) =>
      applyCourseChange(opened.db, courseId, 'ines', { id, code: 'test', params: {}, onConflict: 'refuse', operations })
    const made = [1, 2, 3, 4, 5, 6].map((n): Operation => ({ op: 'create', kind: 'frameworkItem', record: deep(n) }))
    expect((await send('make', made)).ok).to.equal(true)
    const under = (id: string, parentId: string): Operation => ({
      op: 'update',
      kind: 'frameworkItem',
      id,
      from: { parentId: null },
      to: { parentId },
    })
    const answer = await send('ring', [under('d1', 'd6')])
    expect(!answer.ok && answer.conflicts.map((c) => [c.id, c.reason])).to.deep.equal([['d1', 'in-itself']])
    expect((await stored(courseId)).frameworkItem.get('d1')?.parentId).to.equal(null)
  })
  it('finds what would stand too deep by one question each for what is above and what is within, however many are moved', async () => {
    const courseId = await newCourse('levels')
    const send = (id: string, operations: readonly Operation[]) =>
      applyCourseChange(opened.db, courseId, 'ines', { id, code: 'test', params: {}, onConflict: 'refuse', operations })
    const item = (id: string, parentId: string | null) => anItem(id, 'f1', { parentId })
    const made = (record: ReturnType<typeof item>): Operation => ({ op: 'create', kind: 'frameworkItem', record })
    const chain = (n: number, prefix: string) =>
      Array.from({ length: n }, (_, i) => item(`${prefix}${i}`, i === 0 ? null : `${prefix}${i - 1}`))
    expect((await send('make', [...chain(40, 'u'), ...chain(11, 'v')].map(made))).ok).to.equal(true)
    const under = (id: string, parentId: string): Operation => ({
      op: 'update',
      kind: 'frameworkItem',
      id,
      from: { parentId: null, order: 'a0' },
      to: { parentId, order: 'a9' },
    })
    const answers = []
    for (const [i, to] of ['u39', 'u38'].entries()) {
      const answer = await send(`move${i}`, [under('v0', to)])
      answers.push(answer.ok ? 'written' : answer.conflicts.map((c) => `${c.id} ${c.reason}`).join())
    }
    expect(answers).to.deep.equal(['v0 too-deep', 'written'])
    // As many as a change may hold, each within the one before: all but the first fifty are refused, in one pass.
    const many = await send('many', chain(5000, 'w').map(made))
    expect(many.ok ? [] : many.conflicts.map((c) => `${c.id} ${c.reason}`)).to.deep.equal(
      Array.from({ length: 4950 }, (_, i) => `w${i + 50} too-deep`),
    )
  })
  it('put changes sent at the same moment in one order, which the log tells', async () => {
    const courseId = await newCourse('together')
    const newId = idSource(rng(5))
    const random = rng(14)
    for (let round = 0; round < 8; round++) {
      const base = await stored(courseId)
      if (base.activity.size === 0 || base.objective.size === 0) break
      await Promise.all(
        AUTHORS.flatMap((author) =>
          [1, 2].map(() => {
            const operations = randomOperations(base, random, newId)
            return operations.length > 0
              ? applyCourseChange(opened.db, courseId, author, { id: newId(), code: 'test', params: {}, onConflict: 'refuse', operations })
              : null
          }),
        ),
      )
    }
    const log = await loggedChanges(opened.db, courseId, changesAfter(1))
    let truth = start
    for (const { operations } of log) {
      // Each was right in the state it met: judged again in that order, it is accepted and does the same.
      const again = applyChange(truth, { id: 'x', code: 'test', params: {}, onConflict: 'refuse', operations })
      expect(again.ok && again.effective).to.deep.equal(operations)
      truth = applyEffective(truth, operations)
    }
    expect(plain(await stored(courseId))).to.deep.equal(plain(truth))
    expect(log.length).to.be.greaterThan(10)
  })

  it('refuses a change id used before for something else, and lets roles write what the table says', async () => {
    const courseId = await newCourse('roles')
    await opened.db.insert(user).values([
      { id: 'expert', name: 'E', email: 'e@example.org' },
      { id: 'reader', name: 'R', email: 'r@example.org' },
      { id: 'stranger', name: 'S', email: 's@example.org' },
    ])
    await opened.db.insert(membership).values([
      { courseId, userId: 'expert', role: 'expert' },
      { courseId, userId: 'reader', role: 'reviewer' },
    ])
    const change = (id: string, work: (e: PlanEdit) => void): Change => ({
      id,
      code: 'test',
      params: {},
      onConflict: 'refuse',
      operations: editPlan(start, work),
    })
    const status = (who: string, c: Change) =>
      applyCourseChange(opened.db, courseId, who, c).then(
        () => 200,
        (e: { status?: number }) => e.status,
      )
    const title = (t: string) => (e: PlanEdit) => e.set('activity', 'a1', { title: t })
    expect(await status('ines', change('once', title('A')))).to.equal(200)
    expect(await status('ines', change('once', title('B')))).to.equal(409)
    expect(
      await status(
        'expert',
        change('x1', (e) => e.set('activity', 'a2', { minutes: 3 })),
      ),
    ).to.equal(200)
    expect(
      await status(
        'expert',
        change('x2', (e) => e.set('gradeCategory', 'g1', { share: 1 })),
      ),
    ).to.equal(403)
    expect(
      await status(
        'reader',
        change('x3', (e) => e.set('activity', 'a2', { minutes: 4 })),
      ),
    ).to.equal(403)
    expect(await status('stranger', change('x4', title('C')))).to.equal(404)
    expect((await loadCourse(opened.db, courseId))?.revision).to.equal(3)
  })

  it('judges a change that waited behind a removal of its author by the role after the wait', async () => {
    const courseId = await newCourse('waiting')
    const waits = async () =>
      (await opened.pool.query("select 1 from pg_stat_activity where datname = current_database() and wait_event_type = 'Lock'"))
        .rowCount ?? 0
    for (const [after, expected] of [
      ["update membership set role = 'reviewer'", 403],
      ['delete from membership', 404],
    ] as const) {
      const holder = await opened.pool.connect()
      try {
        await holder.query('begin')
        await holder.query('select 1 from course_head where id = $1 for update', [courseId])
        await holder.query(`${after} where course_id = $1 and user_id = 'tove'`, [courseId])
        const operations = editPlan(start, (e) => e.set('activity', 'a1', { title: `After ${expected}` }))
        const answer = applyCourseChange(opened.db, courseId, 'tove', {
          ...{ id: `waits-${expected}`, code: 'test', params: {}, onConflict: 'refuse' as const },
          operations,
        }).then(
          () => 200,
          (e: { status?: number }) => e.status,
        )
        while ((await waits()) === 0) await new Promise(setImmediate)
        await holder.query('commit')
        expect(await answer).to.equal(expected)
      } finally {
        holder.release()
      }
    }
    expect((await stored(courseId)).activity.get('a1')?.title).to.equal(start.activity.get('a1')?.title)
  })

  it('is backed by the database: references, values and order hold without the code above', async () => {
    const courseId = await newCourse('constraints')
    const violates = (statement: string) =>
      opened.pool.query(statement).then(
        () => null,
        (e: { code: string }) => e.code,
      )
    expect(await violates(`update activity set module_id = 'nowhere' where course_id = '${courseId}'`)).to.equal('23503')
    expect(await violates(`update activity set minutes = -1 where course_id = '${courseId}'`)).to.equal('23514')
    expect(await violates(`update objective set level = 'guess' where course_id = '${courseId}'`)).to.equal('23514')
    const { rows } = await opened.pool.query(`select x from (values ('a'), ('B')) v(x) order by x collate "C"`)
    expect(rows.map((r) => r.x)).to.deep.equal(['B', 'a'])
    const { rows: sorted } = await opened.pool.query(
      `select column_name, collation_name from information_schema.columns where table_name = 'activity' and column_name = 'order'`,
    )
    expect(sorted[0]?.collation_name).to.equal('C')
  })
})
