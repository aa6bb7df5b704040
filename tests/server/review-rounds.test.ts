/** Rounds of review at the server: who sees whose ratings when, what is refused, what goes along, and what windows are told anew. */
import { expect } from 'chai'
import { applyEffective } from '../../src/core/blueprint/apply'
import { editPlan } from '../../src/core/blueprint/edit'
import { idSource } from '../../src/core/blueprint/ids'
import { readReview } from '../../src/core/formats/review-file'
import { reviewCsv, reviewJson } from '../../src/core/formats/write-review'
import { seatsToBring } from '../../src/core/review/bring-review'
import { planSet } from '../../src/core/review/plan-sets'
import type { Review } from '../../src/core/review/review'
import { addSet, BLANK_SET } from '../../src/core/review/set-edits'
import { listBeside, putBeside, removeBeside } from '../../src/server/beside'
import { bringSeats } from '../../src/server/bring-seats'
import { createCourse } from '../../src/server/courses'
import { openDatabase } from '../../src/server/db/client'
import { membership, user } from '../../src/server/db/schema'
import { Refusal } from '../../src/server/problem'
import { reviewOfCourse } from '../../src/server/review-of-course'
import { makeSnapshot } from '../../src/server/snapshots'
import { aBlueprint } from '../support/course'
import { rng } from '../support/rng'
import { cloneDatabase, type TestDatabase } from '../support/server'

const COURSE = 'small-streams'
const NOW = '2027-02-01T10:00:00.000Z'
const ines = { id: 'ines', role: 'designer' } as const
const marek = { id: 'marek', role: 'reviewer' } as const
const tove = { id: 'tove', role: 'expert' } as const
const nadia = { id: 'nadia', role: 'commenter' } as const
type Viewer = { readonly id: string; readonly role: 'designer' | 'expert' | 'reviewer' | 'commenter'; readonly seatId?: string }
/** Whoever came by the link of a seat: an id of nobody. */
const byLink: Viewer = { id: '', role: 'reviewer', seatId: 'link' }

const ROUND = {
  title: 'Peer round',
  setId: 's1',
  kind: 'peer',
  object: 'plan',
  address: null,
  follows: null,
  points: [],
  due: null,
  merge: 'strictest',
  state: 'open',
  showsNotes: false,
}
const SEAT = {
  roundId: 'r1',
  personId: null,
  linkHash: null,
  points: [],
  remark: null,
  handedInAt: null,
  openings: 0,
  openedAt: null,
  withdrawn: false,
}
const RATING = {
  value: 'partly',
  handedInValue: null,
  reason: null,
  seen: 'Seen it',
  where: null,
  change: null,
  mark: null,
  evidence: [],
  base: null,
}
const DECISION = { roundId: 'r1', value: 'partly', reason: 'As both say', by: 'Ines', answer: null, answerText: null }

/** A course with a set `s1` of two points. */
const ids = ['s1', 'area', 'p1', 'p2'].values()
const aPoint = (code: string) => ({
  ...{ code, statement: `Point ${code}`, priority: 'must' as const, why: null, where: null, basis: null, weight: null },
  ...{ tags: [], findings: [], looksAt: [], asLearner: null },
})
const PLAN = applyEffective(
  aBlueprint({}),
  editPlan(
    aBlueprint({}),
    (edit) =>
      void addSet(edit, { ...BLANK_SET, areas: [{ title: 'A', points: [aPoint('A-1'), aPoint('A-2')] }] }, () => ids.next().value ?? ''),
  ),
)

describe('a round of review', () => {
  let database: TestDatabase
  let opened: ReturnType<typeof openDatabase>
  let round: typeof ROUND & { readonly snapshotId: string }
  before(async () => {
    database = await cloneDatabase()
    opened = openDatabase(database.url)
    await opened.db
      .insert(user)
      .values(['ines', 'marek', 'tove', 'nadia'].map((id) => ({ id, name: id, email: `${id}@larkfield.example` })))
    await createCourse(opened.db, {
      blueprint: PLAN,
      ownerId: 'ines',
      code: 'create-course',
      newId: idSource(rng(5)),
      id: COURSE,
    })
    await opened.db.insert(membership).values([marek, tove, nadia].map(({ id, role }) => ({ courseId: COURSE, userId: id, role })))
    round = { ...ROUND, snapshotId: (await makeSnapshot(opened.db, COURSE, ines, { name: 'For the round' })).id }
  })
  after(async () => {
    await opened.pool.end()
    await database.drop()
  })

  const list = (kind: string, by: Viewer, since?: number) => listBeside(opened.db, kind, COURSE, by, since)
  /** Writes over what is stored, as whoever runs the round sees it. */
  const put = async (kind: string, by: Viewer, id: string, values: object) => {
    const before = (await list(kind, by)).records.find((r) => r.id === id)
    const { id: _, authorId: _a, at: _t, revision: _r, ...rest } = (before ?? {}) as Record<string, unknown>
    return putBeside(opened.db, kind, COURSE, by, id, { ...rest, ...values }, before?.revision ?? null)
  }
  const refusal = (work: Promise<unknown>) =>
    work.then(
      () => 'none',
      (e: unknown) => (e instanceof Refusal ? e.message : String(e)),
    )
  const rate = (by: Viewer, seatId: string, pointId: string, more: object = {}) =>
    put('reviewRating', by, `${seatId}--${pointId}`, { ...RATING, seatId, pointId, ...more })
  /** What somebody sees of the ratings: seat, point, value. */
  const seen = async (by: Viewer) =>
    (await list('reviewRating', by)).records.map((r) => `${r['seatId']} ${r['pointId']} ${r['value']} ${r['seen']}`).sort()

  const file = async (by: Viewer) => reviewCsv((await reviewOfCourse(opened.db, COURSE, by, PLAN, 'Peer round')) as Review)

  it('is opened by a designer alone, and what it rates stays', async () => {
    expect(await refusal(put('reviewRound', tove, 'r0', round))).to.match(/^You may not make/)
    expect(await refusal(put('reviewRound', ines, 'r0', { ...round, state: 'closed' }))).to.equal('A round begins open.')
    await put('reviewRound', ines, 'r1', round)
    expect(await refusal(put('reviewRound', ines, 'r1', { setId: 's2' }))).to.match(/stays as it was opened/)
    expect(await refusal(removeBeside(opened.db, 'snapshot', COURSE, ines, round.snapshotId))).to.match(/rates this snapshot/)
  })

  it('has seats, one for each person, none for a designer but in a self-check', async () => {
    for (const { id } of [marek, tove]) await put('reviewSeat', ines, id, { ...SEAT, name: id, personId: id })
    await put('reviewSeat', ines, 'link', { ...SEAT, name: 'Reviewer 3', points: ['p1'] })
    expect(await refusal(put('reviewSeat', ines, 'again', { ...SEAT, name: 'again', personId: 'marek' }))).to.match(/has a seat/)
    expect(await refusal(put('reviewSeat', ines, 'own', { ...SEAT, name: 'Ines', personId: 'ines' }))).to.match(/self-checks only/)
    expect(await refusal(put('reviewSeat', tove, 'mine', { ...SEAT, name: 'x' }))).to.match(/^You may not/)
    expect(await refusal(put('reviewSeat', ines, 'marek', { handedInAt: NOW }))).to.match(/^You may not/)
    for (const by of [ines, marek, byLink])
      for (const { linkHash } of (await list('reviewSeat', by)).records) expect(linkHash).to.equal(null)
    expect((await list('reviewSeat', byLink)).records.map((r) => r.id)).to.deep.equal(['link'])
    expect((await list('reviewRound', { ...byLink, seatId: 'none' })).records).to.deep.equal([])
  })

  it('hides ratings until one’s own are handed in, from who runs it too, who sees how many', async () => {
    await rate(marek, 'marek', 'p1')
    await rate(marek, 'marek', 'p2', { value: 'in place' })
    await rate(tove, 'tove', 'p1', { value: 'not in place' })
    await rate(byLink, 'link', 'p1', { value: 'in place' })
    expect(await refusal(rate(byLink, 'link', 'p2'))).to.match(/not asked of this seat/)
    // What is refused, and what is removed, tells nobody whether there is a rating.
    for (const by of [nadia, marek, byLink]) {
      const answers = await Promise.all(['p1', 'p2'].map((point) => refusal(rate(by, 'tove', point))))
      expect(answers).to.deep.equal(['You may not make this rating.', 'You may not make this rating.'])
      await removeBeside(opened.db, 'reviewRating', COURSE, by, 'tove--p1')
    }
    expect(await refusal(rate(ines, 'tove', 'p1'))).to.equal('You may not change this rating.')
    expect(await seen(marek)).to.deep.equal(['marek p1 partly Seen it', 'marek p2 in place Seen it'])
    expect(await seen(byLink)).to.deep.equal(['link p1 in place Seen it'])
    expect(await seen(nadia)).to.deep.equal([])
    expect(await seen(ines)).to.deep.equal(['link p1 null null', 'marek p1 null null', 'marek p2 null null', 'tove p1 null null'])
    const { revision } = await list('reviewRating', marek)
    await put('reviewSeat', tove, 'tove', { handedInAt: NOW, remark: 'Well made' })
    expect(await refusal(rate(tove, 'tove', 'p1', { value: 'partly' }))).to.match(/handed in/)
    expect(await seen(marek)).to.have.length(2)
    expect((await list('reviewSeat', marek)).records.find((r) => r.id === 'tove')?.['remark']).to.equal(null)
    await put('reviewSeat', marek, 'marek', { handedInAt: NOW })
    // Everything is asked for anew, since more of it may be seen.
    const after = await list('reviewRating', marek, revision)
    expect([after.removed, after.records.length]).to.deep.equal([undefined, 3])
    expect(await seen(marek)).to.include('tove p1 not in place Seen it')
    expect((await list('reviewSeat', marek)).records.find((r) => r.id === 'tove')?.['remark']).to.equal('Well made')
    // Taken back, what others say is hidden again.
    await put('reviewSeat', marek, 'marek', { handedInAt: null })
    expect(await seen(marek)).to.have.length(2)
    await put('reviewSeat', marek, 'marek', { handedInAt: NOW })
    expect(await seen(byLink)).to.have.length(1)
    expect((await seen(ines)).every((s) => s.endsWith('null null'))).to.equal(true)
    // A file tells no more than the window does.
    expect(await file(ines))
      .to.match(/A-1/)
      .and.not.match(/in place|partly|Seen it|Well made/)
    expect(await file(marek)).to.match(/partly,,Seen it/)
    expect(await reviewOfCourse(opened.db, COURSE, ines, PLAN, 'none')).to.equal(null)
  })

  it('is compared: what was handed in is seen and kept, others stay unseen, points are settled by hand', async () => {
    const decide = (by: Viewer, more: object = {}) => put('reviewDecision', by, 'r1--p1', { ...DECISION, pointId: 'p1', ...more })
    expect(await refusal(decide(ines))).to.match(/when comparison is open/)
    await put('reviewRound', ines, 'r1', { state: 'comparing' })
    expect(await refusal(put('reviewRound', ines, 'r1', { state: 'open' }))).to.match(/comparison stays open/)
    expect(await seen(ines)).to.deep.equal([
      'link p1 null null',
      'marek p1 partly Seen it',
      'marek p2 in place Seen it',
      'tove p1 not in place Seen it',
    ])
    expect(await seen(nadia)).to.have.length(3)
    expect(await refusal(put('reviewSeat', marek, 'marek', { handedInAt: null }))).to.match(/stays/)
    expect(await refusal(rate(marek, 'marek', 'p1', { value: 'in place' }))).to.match(/^You may not/)
    await rate(marek, 'marek', 'p1', { value: 'in place', handedInValue: 'partly' })
    await rate(marek, 'marek', 'p1', { value: 'not in place', handedInValue: 'partly' })
    expect(await refusal(rate(marek, 'marek', 'p1', { value: 'not in place', handedInValue: 'not in place' }))).to.match(/^You may not/)
    expect(await refusal(decide(marek))).to.match(/^You may not/)
    expect(await refusal(decide(ines, { reason: null }))).to.match(/needs a reason/)
    await decide(ines)
    expect(await file(ines)).to.match(/A-1,A,must,Point A-1,partly,tove,2027-02-01,not in place/)
    expect((await list('reviewDecision', byLink)).records).to.deep.equal([])
    expect((await list('reviewDecision', marek)).records).to.have.length(1)
  })

  it('takes what was rated elsewhere as seats that handed in, all of it or none', async () => {
    const saved = reviewJson((await reviewOfCourse(opened.db, COURSE, marek, PLAN, 'Peer round')) as Review)
    const read = readReview(saved, () => true)
    if (!read.ok) throw new Error(read.error.message)
    const set = planSet(PLAN, 's1')
    const brought = seatsToBring(read.value.review.rounds[0] as never, set as never, PLAN)
    expect(brought.problems).to.deep.equal([])
    await put('reviewRound', ines, 'r2', { ...round, title: 'Elsewhere' })
    const before = await seen(marek)
    const handedIn = brought.seats.filter((s) => s.ratings.length > 0)
    expect(await refusal(bringSeats(opened.db, COURSE, ines, 'none', handedIn as never))).to.match(/no such record/)
    const broken = [...handedIn, { ...handedIn[0], name: 'x'.repeat(121) }]
    expect(await refusal(bringSeats(opened.db, COURSE, ines, 'r2', broken as never))).to.match(/120/)
    expect((await list('reviewSeat', ines)).records.filter((s) => s['roundId'] === 'r2')).to.deep.equal([])
    await bringSeats(opened.db, COURSE, ines, 'r2', handedIn as never)
    // Nobody rates there yet: they are unseen until comparison opens.
    expect(await seen(marek)).to.deep.equal(before)
    await put('reviewRound', ines, 'r2', { state: 'comparing' })
    const seats = (await list('reviewSeat', ines)).records.filter((s) => s['roundId'] === 'r2')
    expect(seats.map((s) => [s['name'], s['remark']])).to.deep.equal([
      ['marek', null],
      ['tove', 'Well made'],
    ])
    const values = (await list('reviewRating', ines)).records.filter((r) => seats.some((s) => s.id === r['seatId']))
    expect(values.map((r) => `${r['pointId']} ${r['value']}`).sort()).to.deep.equal(['p1 not in place', 'p1 not in place', 'p2 in place'])
    await put('reviewRound', ines, 'r2', { state: 'closed' })
    expect(await refusal(bringSeats(opened.db, COURSE, ines, 'r2', handedIn as never))).to.match(/closed/)
    await removeBeside(opened.db, 'reviewRound', COURSE, ines, 'r2')
  })

  it('is closed: ratings can be said to hold still, and no more; a seat that handed in is withdrawn, not removed', async () => {
    await put('reviewRound', ines, 'r1', { state: 'closed' })
    expect(await refusal(rate(marek, 'marek', 'p2', { value: 'partly' }))).to.match(/closed/)
    await put('reviewRating', marek, 'marek--p2', { base: 'no-verb o1' })
    expect(
      await refusal(
        put('reviewRating', marek, 'marek--p2', {
          evidence: [{ kind: null, id: null, address: 'https://x.example', file: null, quote: null, digest: null }],
        }),
      ),
    ).to.match(/^You may not|closed/)
    expect(await refusal(removeBeside(opened.db, 'reviewSeat', COURSE, ines, 'marek'))).to.match(/withdraw it/)
    await put('reviewSeat', ines, 'marek', { withdrawn: true, name: 'Reviewer 1' })
    expect(await refusal(put('reviewRating', marek, 'marek--p2', { base: 'no-verb o2' }))).to.match(/withdrawn/)
    await removeBeside(opened.db, 'reviewSeat', COURSE, ines, 'link')
    expect((await seen(ines)).map((s) => s.split(' ')[0])).to.deep.equal(['marek', 'marek', 'tove'])
  })

  it('takes all that is part of it along when it is removed; actions stay', async () => {
    await put('reviewAction', tove, 'a1', {
      source: 'rating',
      roundId: 'r1',
      pointId: 'p1',
      commentId: null,
      what: 'Say it shorter',
      personId: 'nadia',
      name: null,
      by: '2027-03-01',
      state: 'open',
      records: [{ kind: 'activity', id: 'a1' }],
      outcome: null,
      why: null,
    })
    expect(await refusal(put('reviewAction', nadia, 'a1', { what: 'Nothing' }))).to.match(/^You may not/)
    await put('reviewAction', nadia, 'a1', { state: 'done', outcome: 'change', why: 'Shorter now' })
    await removeBeside(opened.db, 'reviewRound', COURSE, ines, 'r1')
    for (const kind of ['reviewSeat', 'reviewRating', 'reviewDecision']) expect((await list(kind, ines)).records, kind).to.deep.equal([])
    expect((await list('reviewAction', ines)).records).to.have.length(1)
    await removeBeside(opened.db, 'snapshot', COURSE, ines, round.snapshotId)
  })
})
