/** The life of a course at the server: copies, snapshots, put away, removed, brought back, gone for good. */
import { expect } from 'chai'
import { and, eq, sql } from 'drizzle-orm'
import { snapshot } from '../../src/core/beside/snapshot'
import { courseOf, recordsOf } from '../../src/core/blueprint/blueprint'
import type { Change } from '../../src/core/blueprint/change'
import { idSource } from '../../src/core/blueprint/ids'
import { differencesOf } from '../../src/core/history/differences'
import { listBeside, putBeside, removeBeside } from '../../src/server/beside'
import { applyCourseChange } from '../../src/server/changes'
import { bringInto, copiedCourse } from '../../src/server/copies'
import { createCourse, listCourses, loadBlueprint } from '../../src/server/courses'
import { openDatabase } from '../../src/server/db/client'
import { changeLog, courseHead, membership, snapshotContent, user } from '../../src/server/db/schema'
import { besideTable, tableOf } from '../../src/server/db/tables'
import { Refusal } from '../../src/server/problem'
import { publish, publishedAt } from '../../src/server/publication'
import { makeSnapshot, snapshotPlan } from '../../src/server/snapshots'
import { roleIn } from '../../src/server/space-state'
import { purgeRemoved, setSpaceState } from '../../src/server/spaces'
import { demoCourse } from '../support/demo'
import { rng } from '../support/rng'
import { cloneDatabase, type TestDatabase } from '../support/server'

describe('a course at the server', () => {
  let database: TestDatabase
  let opened: ReturnType<typeof openDatabase>
  const newId = idSource(rng(11))
  const ines = { id: 'ines', role: 'designer' } as const
  const marek = { id: 'marek', role: 'reviewer' } as const
  before(async () => {
    database = await cloneDatabase()
    opened = openDatabase(database.url)
    await opened.db
      .insert(user)
      .values(['ines', 'tove', 'marek', 'stranger'].map((id) => ({ id, name: id, email: `${id}@larkfield.example` })))
  })
  after(async () => {
    await opened.pool.end()
    await database.drop()
  })
  const made = async (): Promise<string> => {
    const id = await createCourse(opened.db, {
      blueprint: demoCourse('measuring-small-streams'),
      ownerId: 'ines',
      code: 'import-course',
      newId,
    })
    await opened.db.insert(membership).values([
      { courseId: id, userId: 'tove', role: 'expert' },
      { courseId: id, userId: 'marek', role: 'reviewer' },
    ])
    return id
  }
  const refusal = (work: Promise<unknown>) =>
    work.then(
      () => 'none',
      (e: unknown) => (e instanceof Refusal ? `${e.status} ${e.code}` : String(e)),
    )
  const title = async (course: string, to: string) => {
    const from = courseOf((await loadBlueprint(opened.db, course))?.blueprint ?? demoCourse('measuring-small-streams')).title
    const operations: Change['operations'] = [{ op: 'update', kind: 'course', id: 'course', from: { title: from }, to: { title: to } }]
    return applyCourseChange(opened.db, course, 'ines', { id: newId(), code: 'set-field', params: {}, onConflict: 'refuse', operations })
  }
  const state = (course: string, to: 'live' | 'archived' | 'removed', byId = 'ines', confirm = '') =>
    setSpaceState(opened.db, { courseId: course, byId, to, confirm })
  const TITLE = 'Measuring Small Streams'

  it('that is put away is read and not changed, until it is taken back', async () => {
    const course = await made()
    expect(await refusal(state(course, 'archived', 'tove'))).to.equal('403 role-may-not')
    expect(await refusal(state(course, 'archived', 'stranger'))).to.equal('403 role-may-not')
    await state(course, 'archived')
    expect(await roleIn(opened.db, course, 'marek')).to.deep.equal({ role: 'reviewer', state: 'archived' })
    expect(await refusal(title(course, 'Other'))).to.equal('403 course-archived')
    expect(await refusal(roleIn(opened.db, course, 'ines', ['live']))).to.equal('403 course-archived')
    const { revision } = (await loadBlueprint(opened.db, course)) ?? { revision: -1 }
    expect(revision).to.equal(1)
    await state(course, 'live')
    expect((await title(course, 'Other')).ok).to.equal(true)
  })

  it('is removed by who types its title, is told of to its members alone, and can be brought back with all it had', async () => {
    const course = await made()
    const page = (await publish(opened.db, course)).slug
    const before = await loadBlueprint(opened.db, course)
    expect(await refusal(state(course, 'removed'))).to.equal('422 not-confirmed')
    expect(await refusal(state(course, 'removed', 'ines', 'measuring small stream'))).to.equal('422 not-confirmed')
    await state(course, 'removed', 'ines', '  measuring SMALL streams ')
    expect(await refusal(roleIn(opened.db, course, 'marek'))).to.equal('410 course-removed')
    expect(await refusal(roleIn(opened.db, course, 'stranger'))).to.equal('404 no-such-course')
    expect(await refusal(title(course, 'Other'))).to.equal('410 course-removed')
    expect(await publishedAt(opened.db, page)).to.equal('withdrawn')
    expect((await listCourses(opened.db, 'ines')).find((c) => c.id === course)).to.include({ state: 'removed' })
    await state(course, 'live')
    expect(await publishedAt(opened.db, page)).to.be.an('object')
    expect(await loadBlueprint(opened.db, course)).to.deep.equal(before)
  })

  it('goes for good 30 days after it was removed, not before, and leaves nothing', async () => {
    const course = await made()
    const twin = await made()
    await makeSnapshot(opened.db, course, ines, { name: 'Before' })
    await putBeside(
      opened.db,
      'comment',
      course,
      marek,
      'c1',
      { aboutKind: 'course', aboutId: 'course', aboutName: null, field: null, quote: null, resolvedBy: null, replyTo: null, words: 'Hm' },
      null,
    )
    await state(course, 'removed', 'ines', TITLE)
    const day = (n: number) => new Date(Date.now() + n * 86_400_000)
    expect(await purgeRemoved(opened.db, day(29.9))).to.equal(0)
    expect(await refusal(roleIn(opened.db, course, 'ines'))).to.equal('410 course-removed')
    expect(await purgeRemoved(opened.db, day(30.1))).to.equal(1)
    expect(await refusal(roleIn(opened.db, course, 'ines'))).to.equal('404 no-such-course')
    const left = await opened.db.execute<{ n: number }>(sql`
      select (select count(*) from ${tableOf('activity')} where course_id = ${course})::int
        + (select count(*) from ${changeLog} where course_id = ${course})::int
        + (select count(*) from ${courseHead} where id = ${course})::int
        + (select count(*) from ${besideTable(snapshot as never)} where course_id = ${course})::int as n`)
    expect(left.rows[0]?.n).to.equal(0)
    // What no snapshot holds any more goes too; the other course is as it was.
    expect((await opened.db.select().from(snapshotContent)).length).to.equal(0)
    expect((await loadBlueprint(opened.db, twin))?.blueprint.activity.size).to.equal(75)
  })

  it('is frozen under a name, once by content; what differs since is told, and what it was comes back', async () => {
    const course = await made()
    const first = await makeSnapshot(opened.db, course, ines, { name: '  Before the review ', note: 'For Marek' })
    const again = await makeSnapshot(opened.db, course, ines, { name: 'Once more' })
    expect([first.name, first.note, first.planRevision]).to.deep.equal(['Before the review', 'For Marek', 1])
    expect(again.content).to.equal(first.content)
    expect((await opened.db.select().from(snapshotContent)).length).to.equal(1)
    await title(course, 'Other')
    const { plan: then } = await snapshotPlan(opened.db, course, marek, first.id)
    const now = (await loadBlueprint(opened.db, course))?.blueprint
    if (!now) throw new Error('no course')
    expect(courseOf(then).title).to.equal(TITLE)
    expect(differencesOf(then, now).changed.map((c) => [c.kind, c.fields.map((f) => f.field)])).to.deep.equal([['course', ['title']]])
    expect(await refusal(makeSnapshot(opened.db, course, ines, { name: '   ' }))).to.equal('422 invalid-value')
    expect(await refusal(snapshotPlan(opened.db, course, marek, 'none'))).to.equal('404 no-such-record')
  })

  it('has its snapshots renamed and removed by who made them; what they hold is nobody’s to write', async () => {
    const course = await made()
    const tove = { id: 'tove', role: 'expert' } as const
    const mine = await makeSnapshot(opened.db, course, tove, { name: 'Mine' })
    const { revision, ...facts } = mine
    const { authorId: _, at: __, id, ...values } = facts
    const write = (by: typeof tove | typeof marek | typeof ines, to: object, base: number | null = revision, at = id) =>
      putBeside(opened.db, 'snapshot', course, by, at, { ...values, ...to }, base)
    expect(await refusal(write(marek, { name: 'His' }))).to.equal('403 may-not')
    expect(await refusal(write(tove, { content: 'f'.repeat(64) }))).to.equal('403 may-not')
    expect(await refusal(write(ines, {}, null, 'made-up'))).to.equal('403 may-not')
    expect((await write(tove, { name: 'Ours' }))['name']).to.equal('Ours')
    expect(await refusal(removeBeside(opened.db, 'snapshot', course, marek, id))).to.equal('403 may-not')
    await removeBeside(opened.db, 'snapshot', course, ines, id)
    expect((await listBeside(opened.db, 'snapshot', course, ines)).records).to.deep.equal([])
  })

  it('of an older format is lifted when its snapshot is read: a pace of version 3 has its word of today', async () => {
    const course = await made()
    const { id, content } = await makeSnapshot(opened.db, course, ines, { name: 'Old' })
    const table = besideTable(snapshot as never)
    // As version 3 kept it: what is learned was `study`, a hard text `dense`; fields that came later are missing.
    const { plan } = await snapshotPlan(opened.db, course, ines, id)
    const activity = { ...recordsOf(plan, 'activity')[0], pace: 'study', difficulty: 'dense' }
    delete (activity as { pageSet?: unknown }).pageSet
    const { gzipSync } = await import('node:zlib')
    const body = gzipSync(JSON.stringify({ course: recordsOf(plan, 'course'), activity: [activity] }))
    await opened.db.insert(snapshotContent).values({ hash: 'old', body, size: 1 })
    await opened.db
      .update(table as never)
      .set({ content: 'old', formatVersion: 3 } as never)
      .where(and(eq(table.courseId, course), eq(table.id, id)))
    const { plan: lifted } = await snapshotPlan(opened.db, course, ines, id)
    expect(recordsOf(lifted, 'activity')[0]).to.include({ pace: 'learn', difficulty: 'hard', pageSet: null })
    expect(content).to.have.length(64)
  })

  it('that changes while it is copied is copied as it is at one moment', async () => {
    const course = await made()
    // Each change writes the same number into two fields: a copy in between would have two.
    const write = async (n: number) => {
      const now = courseOf((await loadBlueprint(opened.db, course))?.blueprint ?? demoCourse('measuring-small-streams'))
      const from = { subtitle: now.subtitle, institution: now.institution }
      const operations: Change['operations'] = [
        { op: 'update', kind: 'course', id: 'course', from, to: { subtitle: `n${n}`, institution: `n${n}` } },
      ]
      await applyCourseChange(opened.db, course, 'ines', { id: newId(), code: 'set-field', params: {}, onConflict: 'refuse', operations })
    }
    await write(0)
    let going = true
    const writing = (async () => {
      for (let n = 1; going; n++) await write(n)
    })()
    for (let k = 0; k < 5; k++) {
      const { id } = await copiedCourse(opened.db, course, 'ines', { title: `Copy ${k}` })
      const copy = courseOf((await loadBlueprint(opened.db, id))?.blueprint ?? demoCourse('measuring-small-streams'))
      expect(copy.subtitle)
        .to.match(/^n\d+$/)
        .and.to.equal(copy.institution)
    }
    going = false
    await writing
  })

  it('keeps the page that was published of an offering when that is removed', async () => {
    const course = await made()
    const offering = recordsOf(demoCourse('measuring-small-streams'), 'offering')[0]
    const spring = { ...offering, id: 'spring', term: 'Spring 2030', firstDay: '2030-01-07', order: `${offering?.order}V` }
    const send = (operations: Change['operations']) =>
      applyCourseChange(opened.db, course, 'ines', { id: newId(), code: 'set-field', params: {}, onConflict: 'refuse', operations })
    await send([{ op: 'create', kind: 'offering', record: spring }])
    const { slug, offeringId } = await publish(opened.db, course, 'spring')
    expect(offeringId).to.equal('spring')
    expect((await send([{ op: 'remove', kind: 'offering', record: spring }])).ok).to.equal(true)
    const page = await publishedAt(opened.db, slug)
    expect(page !== null && typeof page === 'object' && page.syllabus.facts.find((f) => f.label === 'Term')?.value).to.match(/^Spring 2030/)
  })

  it('is copied as one change that says where from; parts of it, and into another what that lacks', async () => {
    const course = await made()
    const copy = await copiedCourse(opened.db, course, 'tove', { title: 'Again', firstDay: '2028-09-04' })
    expect(copy.leftBehind).to.equal(0)
    const log = await opened.db.select().from(changeLog).where(eq(changeLog.courseId, copy.id))
    expect(log.map((l) => [l.code, l.params])).to.deep.equal([['copy-course', { what: `HYD 214 ${TITLE}` }]])
    expect((await roleIn(opened.db, copy.id, 'tove')).role).to.equal('designer')
    const outline = await copiedCourse(opened.db, course, 'tove', { title: 'Outline', parts: ['outcomes', 'modules'] })
    const plan = demoCourse('measuring-small-streams')
    const grown = await bringInto(opened.db, outline.id, plan)
    const now = (await loadBlueprint(opened.db, outline.id))?.blueprint
    expect(grown.ok && now && [now.activity.size, now.assessment.size, now.module.size, now.objective.size]).to.deep.equal([
      plan.activity.size,
      plan.assessment.size,
      plan.module.size,
      plan.objective.size,
    ])
    expect(await bringInto(opened.db, outline.id, plan)).to.deep.equal({ ok: false, error: 'this course has all of it' })
    expect(await bringInto(opened.db, 'none', plan)).to.deep.equal({ ok: false, error: 'there is no course none' })
  })
})
