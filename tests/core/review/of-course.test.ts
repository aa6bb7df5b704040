/** A review made of records beside a plan; the order of comparison; two versions of one record that were written apart. */
import { expect } from 'chai'
import { mergeFields } from '../../../src/core/beside/merge-fields'
import type { ReviewAction, ReviewRating, ReviewRound, ReviewSeat } from '../../../src/core/beside/review-records'
import { applyEffective } from '../../../src/core/blueprint/apply'
import type { Blueprint } from '../../../src/core/blueprint/blueprint'
import { editPlan, type PlanEdit } from '../../../src/core/blueprint/edit'
import type { RoundWanted } from '../../../src/core/forms/review-round'
import { pointsToAsk } from '../../../src/core/review/asked'
import { besideFactsOf } from '../../../src/core/review/beside-facts'
import { comparisonOrder } from '../../../src/core/review/comparison'
import { baseText, chainOf, reviewOf } from '../../../src/core/review/of-course'
import { planSet } from '../../../src/core/review/plan-sets'
import { reviewFigures } from '../../../src/core/review/review-figures'
import { addPoint, addSet, BLANK_SET, writeCode } from '../../../src/core/review/set-edits'
import { aBlueprint, counter } from '../../support/course'

const edited = (plan: Blueprint, work: (e: PlanEdit) => void): Blueprint => applyEffective(plan, editPlan(plan, work))
const point = (code: string) => ({
  ...{ code, statement: `Point ${code}`, priority: 'must' as const, why: null, where: null, basis: null, weight: null },
  ...{ tags: [], findings: [], looksAt: [], asLearner: null },
})
/** A set `s1` with an area `s2` and points `s3`, `s4`. */
const plan = edited(
  aBlueprint({}),
  (e) => void addSet(e, { ...BLANK_SET, areas: [{ title: 'A', points: [point('A-1'), point('A-2')] }] }, counter('s')),
)
const facts = { authorId: 'x', at: '2027-01-01T00:00:00.000Z', revision: 1 }
const round = (id: string, more: Partial<ReviewRound> = {}): ReviewRound => ({
  ...{ id, title: id, snapshotId: 'snap', setId: 's1', kind: 'peer', object: 'plan', address: null, follows: null, points: [], due: null },
  ...{ merge: 'strictest', state: 'comparing', showsNotes: false, ...facts, ...more },
})
const seat = (id: string, roundId: string, more: Partial<ReviewSeat> = {}): ReviewSeat => ({
  ...{ id, roundId, personId: id, linkHash: null, name: id, points: [], remark: null, handedInAt: '2027-01-02T10:00:00.000Z' },
  ...{ openings: 0, openedAt: null, withdrawn: false, ...facts, ...more },
})
const rating = (seatId: string, pointId: string, value: ReviewRating['value'], more: Partial<ReviewRating> = {}): ReviewRating => ({
  ...{
    id: `${seatId}--${pointId}`,
    seatId,
    pointId,
    value,
    handedInValue: null,
    reason: null,
    seen: null,
    where: null,
    change: null,
    mark: null,
  },
  ...{ evidence: [], base: null, ...facts, ...more },
})
const NONE = { rounds: [], seats: [], ratings: [], decisions: [], actions: [] }
const plans = (now: Blueprint) => ({ now, snapshot: (id: string) => (id === 'snap' ? plan : null) })

describe('a review of a course', () => {
  it('holds a round with those it follows, the earliest first; one that follows itself ends', () => {
    const rounds = [round('c', { follows: 'b' }), round('a'), round('b', { follows: 'a' }), round('x', { follows: 'x' })]
    expect(chainOf(rounds, 'c').map((r) => r.id)).to.deep.equal(['a', 'b', 'c'])
    expect(chainOf(rounds, 'x').map((r) => r.id)).to.deep.equal(['x'])
    expect(chainOf(rounds, 'none')).to.deep.equal([])
  })

  it('knows a point by its id where its code was changed, so that it is the same in both rounds and in the set', () => {
    const now = edited(plan, (e) => void writeCode(e, 's3', 'A-9'))
    const records = {
      ...NONE,
      rounds: [round('a', { state: 'closed' }), round('b', { follows: 'a', points: ['s4'] })],
      seats: [seat('m', 'a'), seat('t', 'b')],
      ratings: [rating('m', 's3', 'in place'), rating('m', 's4', 'partly'), rating('t', 's4', 'in place')],
    }
    const review = reviewOf(records, 'b', plans(now))
    expect(review.set.areas[0]?.points.map((p) => p.code)).to.deep.equal(['A-9', 'A-2'])
    const { figures } = reviewFigures(review, { plan: null, on: '2027-01-03' })
    expect(figures.rounds[1]?.points.map((p) => [p.code, p.merged, p.by])).to.deep.equal([
      ['A-9', 'in place', 'carried'],
      ['A-2', 'in place', 'rule'],
    ])
    expect(figures.rounds[1]?.compared.map((c) => [c.code, c.change])).to.deep.equal([
      ['A-9', 'carried'],
      ['A-2', 'mended'],
    ])
  })

  it('counts agreement by what was handed in, and what is merged by what is said now; what is not seen is left out', () => {
    const records = {
      ...NONE,
      rounds: [round('a')],
      seats: [seat('m', 'a'), seat('t', 'a'), seat('n', 'a', { handedInAt: null })],
      ratings: [
        rating('m', 's3', 'in place', { handedInValue: 'partly' }),
        rating('t', 's3', 'in place'),
        rating('n', 's3', 'not in place'),
        rating('t', 's4', null),
      ],
    }
    const [figures] = reviewFigures(reviewOf(records, 'a', plans(plan)), { plan: null, on: '2027-01-03' }).figures.rounds
    expect(figures?.points.map((p) => [p.code, p.merged, p.agreeing, p.pairs])).to.deep.equal([
      ['A-1', 'in place', 0, 1],
      ['A-2', null, 0, 0],
    ])
    expect(figures?.seats.map((s) => [s.id, s.rated, s.handedIn])).to.deep.equal([
      ['m', 1, '2027-01-02'],
      ['t', 1, '2027-01-02'],
      ['n', 1, null],
    ])
  })

  it('tells no findings at all from those of the snapshot', () => {
    const read = (base: string | null) =>
      reviewOf(
        { ...NONE, rounds: [round('a')], seats: [seat('m', 'a')], ratings: [rating('m', 's3', 'partly', { base })] },
        'a',
        plans(plan),
      ).rounds[0]?.seats[0]?.ratings[0]?.findings
    expect(read(null)).to.equal(null)
    expect(read(baseText([]))).to.deep.equal([])
    expect(read(baseText(['no-verb o1', 'no-verb o2']))).to.deep.equal(['no-verb o1', 'no-verb o2'])
  })

  it('is compared by least agreement, then priority, then as it stands; without pairs last', () => {
    const at = (code: string, priority: 'must' | 'should' | 'could', agreeing: number, pairs: number) => ({
      code,
      priority,
      agreeing,
      pairs,
    })
    const order = comparisonOrder([
      at('none', 'must', 0, 0),
      at('half-should', 'should', 3, 6),
      at('all', 'must', 3, 3),
      at('third', 'could', 1, 3),
      at('half-must', 'must', 1, 2),
      at('half-too', 'should', 1, 2),
    ])
    expect(order.map((p) => p.code)).to.deep.equal(['third', 'half-must', 'half-should', 'half-too', 'all', 'none'])
  })
})

describe('what a new round asks', () => {
  const [none, nothing] = [new Set<string>(), { leftAreas: new Set<string>(), comingBack: [] }]
  const set = planSet(plan, 's1')
  const ask = (points: RoundWanted['points'], choice: object = {}, kind: RoundWanted['kind'] = 'peer') =>
    pointsToAsk(set, { kind, points }, { ...nothing, ...choice })
  it('is all, what every course needs, some areas or what should come back; never nothing', () => {
    expect(ask('all')).to.deep.equal([])
    expect(ask('must')).to.deep.equal(['s3', 's4'])
    expect(ask('areas', { leftAreas: none })).to.deep.equal(['s3', 's4'])
    expect(ask('areas', { leftAreas: new Set(['s2']) })).to.equal(null)
    expect(ask('next', { comingBack: ['s4', 'gone'] })).to.deep.equal(['s4'])
    expect(ask('next')).to.equal(null)
    expect(ask('all', {}, 'learners'), 'no point has a wording for learners').to.equal(null)
    expect(pointsToAsk(undefined, { kind: 'peer', points: 'all' }, nothing)).to.equal(null)
  })
})

describe('a record written twice apart', () => {
  const seen = { value: 'partly', seen: 'Seen', list: ['a'] }
  const merge = (mine: object, theirs: object, from: object | null = seen) =>
    mergeFields(from as never, { ...seen, ...mine }, { ...seen, ...theirs }, ['seen'])
  it('holds what either changed, both texts, and what either listed; of a value mine', () => {
    expect(merge({ value: 'in place' }, { seen: 'Seen by them' })).to.deep.equal({ value: 'in place', seen: 'Seen by them', list: ['a'] })
    expect(merge({ seen: 'Mine' }, { seen: 'Theirs' }).seen).to.equal('Theirs\n\nMine')
    expect(merge({ seen: 'Same' }, { seen: 'Same' }).seen).to.equal('Same')
    expect(merge({ value: 'in place' }, { value: 'not in place' }).value).to.equal('in place')
    expect(merge({ list: ['a', 'b'] }, { list: ['c'] }).list).to.deep.equal(['c', 'a', 'b'])
    expect(merge({ seen: 'Mine' }, { seen: 'Theirs' }, null).seen).to.equal('Theirs\n\nMine')
  })
})

describe('what findings know of a review', () => {
  const action = (id: string, more: Partial<ReviewAction> = {}): ReviewAction => ({
    ...{ id, source: 'rating', roundId: 'r', pointId: 's3', commentId: null, what: id, personId: null, name: null, by: '2027-02-01' },
    ...{ state: 'open', records: [], outcome: null, why: null, ...facts, ...more },
  })
  const look = (own: readonly string[], runs = false) => ({ ...plans(plan), plan, own, runs, stale: null })
  const records = {
    ...NONE,
    rounds: [round('r', { state: 'open' }), round('old', { state: 'comparing' })],
    seats: [seat('a', 'r', { handedInAt: null }), seat('b', 'r', { handedInAt: null, points: ['s4'] }), seat('c', 'r')],
    ratings: [rating('a', 's3', 'partly'), rating('b', 's4', null), rating('c', 's4', 'in place')],
  }
  it('is what one has to rate yet, in the points of one’s own seat, until it is handed in', () => {
    expect(besideFactsOf(records, look(['a'])).unrated).to.deep.equal(['s4'])
    expect(besideFactsOf(records, look(['b'])).unrated).to.deep.equal(['s4'])
    expect(besideFactsOf(records, look(['c'])).unrated).to.deep.equal([])
    expect(besideFactsOf(records, look([])).unrated).to.deep.equal([])
  })
  it('is for who runs the round what nobody has rated, whatever its value', () => {
    expect(besideFactsOf(records, look([], true)).unrated).to.deep.equal([])
    expect(besideFactsOf({ ...records, ratings: records.ratings.slice(0, 1) }, look([], true)).unrated).to.deep.equal(['s4'])
    expect(besideFactsOf({ ...records, ratings: [] }, look([], true)).unrated).to.deep.equal(['s3', 's4'])
  })
  it('is asked of the set as it was when the round was opened: a point added since is not waited for', () => {
    const later = edited(plan, (e) => void addPoint(e, 's2', 'Added since', () => 'late'))
    const now = { ...look(['a']), plan: later }
    expect(besideFactsOf(records, now).unrated).to.deep.equal(['s4'])
    // Where the snapshot is not here yet, the plan is all there is to go by.
    expect(besideFactsOf(records, { ...now, snapshot: () => null }).unrated).to.deep.equal(['s4', 'late'])
  })
  it('is of a round of learners what has a wording of theirs', () => {
    const worded = edited(plan, (e) => e.set('reviewPoint', 's4', { asLearner: 'I could find my way.' }))
    const learners = { ...records, rounds: [round('r', { state: 'open', kind: 'learners' })], ratings: [] }
    expect(besideFactsOf(learners, { ...look(['a']), ...plans(worded), snapshot: () => worded, plan: worded }).unrated).to.deep.equal([
      's4',
    ])
    const { rounds } = reviewOf(learners, 'r', { now: worded, snapshot: () => worded })
    expect(rounds[0]?.points).to.deep.equal(['A-2'])
  })
  it('is what has a day and is neither done nor dropped, and points by the code that they have now', () => {
    const actions = [action('x'), action('y', { by: null }), action('z', { state: 'done' }), action('v', { state: 'doing' })]
    const told = besideFactsOf({ ...NONE, actions }, { ...look([]), stale: { setId: 's1', codes: ['A-2', 'gone'] } })
    expect(told.actions.map((a) => a.what)).to.deep.equal(['x', 'v'])
    expect(told.stale).to.deep.equal(['s4'])
  })
})
