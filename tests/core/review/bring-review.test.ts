/** A round that was done elsewhere, brought into one here: what differs is told, and what is unknown is left out. */
import { expect } from 'chai'
import { applyEffective } from '../../../src/core/blueprint/apply'
import { editPlan } from '../../../src/core/blueprint/edit'
import { seatsToBring } from '../../../src/core/review/bring-review'
import { type PlanSet, plainSet, planSets } from '../../../src/core/review/plan-sets'
import type { Rating, Round } from '../../../src/core/review/review'
import { addSet, BLANK_SET } from '../../../src/core/review/set-edits'
import { aBlueprint, aCourse, anOutcome, counter } from '../../support/course'

const point = (code: string) => ({
  ...{ code, statement: `Point ${code}`, priority: 'must' as const, why: null, where: null, basis: null, weight: null },
  ...{ tags: [], findings: [], looksAt: [], asLearner: null },
})
const bare = aBlueprint({ course: [aCourse({ title: 'Streams', code: 'HYD 1' })], outcome: [anOutcome('o1')] } as never)
const plan = applyEffective(
  bare,
  editPlan(
    bare,
    (e) => void addSet(e, { ...BLANK_SET, title: 'Own', areas: [{ title: 'A', points: [point('A-1'), point('A-2')] }] }, counter('s')),
  ),
)
const set = planSets(plan)[0] as PlanSet
const rating = (code: string, more: Partial<Rating> = {}): Rating => ({
  ...{
    point: code,
    value: 'partly',
    first: null,
    reason: null,
    seen: null,
    where: null,
    change: null,
    mark: null,
    evidence: [],
    findings: null,
  },
  ...more,
})
const round = (more: Partial<Round> = {}): Round => ({
  ...{
    id: 'r',
    title: 'R',
    kind: 'peer',
    merge: 'strictest',
    follows: null,
    state: 'closed',
    points: null,
    set: plainSet(set),
    snapshot: plan,
  },
  ...{ seats: [], decisions: [], actions: [], ...more },
})
const seat = (ratings: readonly Rating[]) => ({ id: 'x', name: 'Marek', handedIn: '2027-01-02', points: null, remark: 'Good', ratings })
const codes = (r: Round) => seatsToBring(r, set, plan).problems.map((p) => `${p.at} ${p.code}`)

describe('a round done elsewhere', () => {
  it('comes in as its seats, by the codes of points, with what was cited and rested on', () => {
    const cited = { type: 'record', ref: { kind: 'outcome', id: 'o1' }, quote: 'Measure', digest: 'abc' } as const
    const brought = seatsToBring(round({ seats: [seat([rating('A-2', { evidence: [cited], findings: [] })])] }), set, plan)
    expect(brought.problems).to.deep.equal([])
    expect(brought.seats).to.deep.equal([
      {
        ...{ name: 'Marek', handedIn: '2027-01-02', remark: 'Good' },
        ratings: [
          {
            ...{ pointId: 's4', value: 'partly', reason: null, seen: null, where: null, change: null, mark: null, base: '-' },
            evidence: [{ kind: 'outcome', id: 'o1', address: null, file: null, quote: 'Measure', digest: 'abc' }],
          },
        ],
      },
    ])
  })
  it('tells of another course, another set, other words, unknown points and cited records that are not here', () => {
    const gone = { type: 'record', ref: { kind: 'outcome', id: 'o9' }, quote: null, digest: 'abc' } as const
    const other = aBlueprint({ course: [aCourse({ title: 'Labels', code: null })] } as never)
    expect(codes(round({ snapshot: other }))).to.deep.equal([' other-course'])
    expect(codes(round({ snapshot: null }))).to.deep.equal([])
    expect(codes(round({ set: { ...plainSet(set), title: 'Another' } }))).to.deep.equal([' other-set'])
    const reworded = {
      ...plainSet(set),
      areas: [
        {
          title: 'A',
          points: [
            { ...point('A-1'), statement: 'Something else' },
            { ...point('A-2'), statement: ' point  a-2' },
          ],
        },
      ],
    }
    expect(codes(round({ set: reworded }))).to.deep.equal(['A-1 reworded'])
    const odd = round({ seats: [seat([rating('Z-1'), rating('Z-1'), rating('A-1', { evidence: [gone] })])] })
    expect(codes(odd)).to.deep.equal(['Marek cited-gone', 'Z-1 point-unknown'])
    const [brought] = seatsToBring(odd, set, plan).seats
    expect(brought?.ratings.map((r) => [r.pointId, r.evidence[0]?.digest])).to.deep.equal([['s3', null]])
  })
})
