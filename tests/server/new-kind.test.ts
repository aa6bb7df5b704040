/** Kinds that Cairn does not have, over a real database: their tables, the change service, data beside the plan. */
import { expect } from 'chai'
import { eq } from 'drizzle-orm'
import pg from 'pg'
import { declareBeside } from '../../src/core/beside/registry'
import { applyChange } from '../../src/core/blueprint/apply'
import { type Blueprint, blueprintOf, type Records, recordMap } from '../../src/core/blueprint/blueprint'
import type { Change } from '../../src/core/blueprint/change'
import { idSource } from '../../src/core/blueprint/ids'
import { declareKind, type KindName } from '../../src/core/blueprint/kinds'
import { getBeside, listBeside, putBeside, removeBeside } from '../../src/server/beside'
import { applyCourseChange } from '../../src/server/changes'
import { createCourse } from '../../src/server/courses'
import { openDatabase } from '../../src/server/db/client'
import { courseHead, user } from '../../src/server/db/schema'
import { besideTable, tableOf } from '../../src/server/db/tables'
import { BESIDE_CHANNEL } from '../../src/server/live'
import { Refusal } from '../../src/server/problem'
import { loadCourse } from '../../src/server/repository'
import { counter } from '../support/course'
import { rowsOf } from '../support/naive-judge'
import { filled, randomOperations } from '../support/random-edits'
import { rng } from '../support/rng'
import { cloneDatabase, type TestDatabase } from '../support/server'
import { remark, visit, visitActivity } from '../support/toy-kinds'
import { addTables } from '../support/toy-tables'

const VISIT = 'fieldVisit' as KindName

describe('kinds that are declared, in the database', () => {
  let database: TestDatabase
  let opened: ReturnType<typeof openDatabase>
  const undeclare: (() => void)[] = []
  before(async () => {
    database = await cloneDatabase()
    const statements = await addTables(database.url, () => {
      undeclare.push(declareKind(visit), declareKind(visitActivity), declareBeside(remark))
    })
    // Nothing else changes in the schema.
    expect(statements.filter((s) => !/"(field_visit|visit_activity|remark)/.test(s))).to.deep.equal([])
    opened = openDatabase(database.url)
    await opened.db.insert(user).values(['ines', 'tove'].map((id) => ({ id, name: id, email: `${id}@example.org` })))
  })
  after(async () => {
    for (const undo of undeclare.reverse()) undo()
    await opened.pool.end()
    await database.drop()
  })
  const newCourse = async (id: string, blueprint: Blueprint) => {
    await createCourse(opened.db, { blueprint, ownerId: 'ines', code: 'create-course', newId: idSource(rng(99)), id })
    return id
  }
  const stored = async (courseId: string) =>
    blueprintOf(((await loadCourse(opened.db, courseId)) ?? expect.fail('no course')).records as unknown as Records)

  it('are written, read and judged by the change service like the others', async () => {
    let truth = filled(rng(7), counter('v'))
    const courseId = await newCourse('toy', truth)
    expect(Object.fromEntries(rowsOf(await stored(courseId)))).to.deep.equal(Object.fromEntries(rowsOf(truth)))
    const random = rng(21)
    const newId = counter('n')
    let touched = 0
    for (let i = 0; i < 750; i++) {
      const operations = randomOperations(truth, random, newId)
      if (operations.length === 0) continue
      const change: Change = { id: newId(), code: 'test', params: {}, onConflict: 'refuse', operations }
      const expected = applyChange(truth, change)
      const answer = await applyCourseChange(opened.db, courseId, 'ines', change)
      expect(answer.ok, JSON.stringify(change)).to.equal(expected.ok)
      if (!expected.ok) continue
      truth = expected.blueprint
      if (operations.some((o) => o.kind === VISIT)) touched++
    }
    expect(touched).to.be.greaterThan(5)
    expect(Object.fromEntries(rowsOf(await stored(courseId)))).to.deep.equal(Object.fromEntries(rowsOf(truth)))
  })
  it('are held by the database itself: references and values', async () => {
    const plan = filled(rng(7), counter('v'))
    const courseId = await newCourse('toy-checks', plan)
    const record = [...recordMap(plan, VISIT).values()][0]
    const insert = (values: object) =>
      opened.db.insert(tableOf(VISIT) as never).values({ courseId, ...record, id: 'other', ...values } as never)
    const refused = async (values: object) => {
      try {
        await insert(values)
      } catch (error) {
        return (error as { cause?: { code?: string } }).cause?.code
      }
      return undefined
    }
    expect(await refused({ moduleId: 'nowhere' })).to.equal('23503')
    expect(await refused({ seats: 401 })).to.equal('23514')
    expect(await refused({ weather: 'snow' })).to.equal('23514')
    expect(await refused({ place: null })).to.equal('23502')
    expect(await refused({})).to.equal(undefined)
  })

  describe('data beside the plan', () => {
    const designer = { id: 'ines', role: 'designer' } as const
    const expert = { id: 'tove', role: 'expert' } as const
    const values = (text: string, verdict: string | null = null) => ({ about: 'module m1', text, verdict })
    const problem = async (work: Promise<unknown>): Promise<Refusal> => {
      try {
        await work
      } catch (error) {
        if (error instanceof Refusal) return error
        throw error
      }
      throw new Error('was not refused')
    }
    let courseId = ''
    const put = (viewer: { id: string; role: 'designer' | 'expert' }, id: string, v: object, base: number | null) =>
      putBeside(opened.db, 'remark', courseId, viewer, id, v, base)
    beforeEach(async () => {
      courseId = await newCourse(`beside-${Math.floor(Math.random() * 1e9)}`, filled(rng(7), counter('v')))
    })

    it('is seen by those whom its policy lets, without what it hides', async () => {
      await put(designer, 'r1', values('Too long', 'accepted'), null)
      await put(expert, 'r2', values('Too short'), null)
      await put(designer, 'r2', values('Too short', 'seen'), 2)
      const all = await listBeside(opened.db, 'remark', courseId, designer)
      expect(all.records.map((r) => [r.id, r.authorId, r['verdict']])).to.deep.equal([
        ['r1', 'ines', 'accepted'],
        ['r2', 'tove', 'seen'],
      ])
      const own = await listBeside(opened.db, 'remark', courseId, expert)
      expect(own.records.map((r) => [r.id, r['verdict']])).to.deep.equal([['r2', null]])
      expect((await problem(getBeside(opened.db, 'remark', courseId, expert, 'r1'))).status).to.equal(404)
      expect((await problem(put(expert, 'r1', values('Mine now'), 1))).status).to.equal(404)
    })
    it('keeps what a writer does not see', async () => {
      await put(expert, 'r1', values('Too short'), null)
      await put(designer, 'r1', values('Too short', 'seen'), 1)
      const answer = await put(expert, 'r1', values('Much too short'), 2)
      expect(answer['verdict']).to.equal(null)
      // Whatever is sent for it: it is not theirs to judge.
      await put(expert, 'r1', { ...values('Far too short'), verdict: 42 }, 3)
      expect((await getBeside(opened.db, 'remark', courseId, designer, 'r1'))['verdict']).to.equal('seen')
    })
    it('is refused where the policy says no, or fails', async () => {
      await put(designer, 'r1', values('Too long'), null)
      expect((await problem(put(expert, 'r9', values('fail'), null))).status).to.equal(403)
      expect((await problem(put(designer, 'r1', values('fail'), 1))).code).to.equal('may-not')
      // What one does not see is not removed, and whether it is there is not told.
      await removeBeside(opened.db, 'remark', courseId, expert, 'r1')
      expect((await getBeside(opened.db, 'remark', courseId, designer, 'r1')).id).to.equal('r1')
      expect((await listBeside(opened.db, 'remark', courseId, designer)).revision).to.equal(1)
    })
    it('says what cannot be stored, and where', async () => {
      const wrong = await problem(put(designer, 'r1', values('x'.repeat(2001)), null))
      expect([wrong.status, (wrong.details['problems'] as { at: string }[])[0]?.at]).to.deep.equal([422, 'text'])
      expect((await problem(put(designer, 'r1', values('a\u0000b'), null))).status).to.equal(422)
      expect((await problem(put(designer, 'not an id', values('x'), null))).status).to.equal(422)
      expect((await problem(listBeside(opened.db, 'nothing', courseId, designer))).status).to.equal(404)
    })
    it('of two who write one record, the later hears of the other', async () => {
      await put(expert, 'r1', values('One'), null)
      await put(expert, 'r1', values('Two'), 1)
      const late = await problem(put(expert, 'r1', values('Three'), 1))
      expect([late.status, (late.details['stored'] as { text: string }).text]).to.deep.equal([409, 'Two'])
      expect((await problem(put(expert, 'r1', values('New'), null))).status).to.equal(409)
      const both = await Promise.allSettled([put(designer, 'r2', values('A'), null), put(designer, 'r2', values('B'), null)])
      expect(both.map((b) => b.status).sort()).to.deep.equal(['fulfilled', 'rejected'])
    })
    it('is announced, moves no revision of the plan, and goes with its course', async () => {
      const client = new pg.Client({ connectionString: database.url })
      await client.connect()
      const heard: string[] = []
      client.on('notification', (n) => heard.push(n.payload ?? ''))
      await client.query(`listen ${BESIDE_CHANNEL}`)
      const before = (await loadCourse(opened.db, courseId))?.revision
      await put(designer, 'r1', values('One'), null)
      await removeBeside(opened.db, 'remark', courseId, designer, 'r1')
      await removeBeside(opened.db, 'remark', courseId, designer, 'r1')
      await client.query('select 1')
      await client.end()
      expect(heard).to.deep.equal([`${courseId} remark 1`, `${courseId} remark 2`])
      expect((await loadCourse(opened.db, courseId))?.revision).to.equal(before)
      await put(designer, 'r1', values('One'), null)
      await opened.db.delete(courseHead).where(eq(courseHead.id, courseId))
      expect(
        await opened.db
          .select()
          .from(besideTable(remark as never) as never)
          .where(eq(besideTable(remark as never).courseId, courseId)),
      ).to.deep.equal([])
    })
  })
})
