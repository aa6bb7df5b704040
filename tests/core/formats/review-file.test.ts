/** A review as files: JSON that is read again as it was, CSV that another reader reads. */
import { Readable } from 'node:stream'
import { expect } from 'chai'
import { Workbook } from 'exceljs'
import fc from 'fast-check'
import { ACTION_STATES, ANSWERS, MARKS, MERGES, RATING_VALUES, ROUND_KINDS, ROUND_STATES } from '../../../src/core/beside/review-records'
import { readNative, writeNative } from '../../../src/core/formats/native'
import { readReview } from '../../../src/core/formats/review-file'
import { reviewCsv, reviewJson } from '../../../src/core/formats/write-review'
import type { Citation, Review } from '../../../src/core/review/review'
import type { ReviewSet } from '../../../src/core/review/review-set'
import { aBlueprint, aModule } from '../../support/course'

const SET: ReviewSet = {
  ...{ key: 'ours', title: 'Ours', version: '1', language: null, note: null },
  rule: { mustNeeds: null, shouldNeeds: 'nothing', scoreFrom: 60 },
  areas: [
    {
      title: 'Aims',
      points: ['A-1', 'A-2'].map((code) => ({
        ...{ code, statement: `Say ${code}`, priority: 'must' as const, why: null, where: null, basis: null, weight: 1.5 },
        ...{ tags: ['action' as const], findings: [], looksAt: ['module'], asLearner: null },
      })),
    },
  ],
}
/** A plan as a file gives it: places in lists have become keys. */
const read = readNative(writeNative(aBlueprint({ module: [aModule('m1')] })))
if (!read.ok) throw new Error('the plan of the test is no file')
const PLAN = read.value
const words = fc.option(fc.constantFrom('Seen, “twice”', '=SUM(A1)', 'two\nlines', 'Füße; 3 < 4'), { nil: null })
const citation: fc.Arbitrary<Citation> = fc.oneof(
  fc.record({
    type: fc.constant('record' as const),
    ref: fc.constant({ kind: 'module' as const, id: 'm1' }),
    quote: words,
    digest: fc.option(fc.constant('ab'.repeat(32)), { nil: null }),
  }),
  fc.record({
    type: fc.constant('address' as const),
    address: fc.constant('https://x.example/a'),
    quote: words,
    digest: fc.constant(null),
  }),
  fc.record({ type: fc.constant('file' as const), file: fc.constant('f1'), quote: words, digest: fc.constant(null) }),
)
const anyRating = (point: string) =>
  fc.record({
    point: fc.constant(point),
    value: fc.constantFrom(...RATING_VALUES),
    first: fc.option(fc.constantFrom(...RATING_VALUES), { nil: null }),
    reason: words,
    seen: words,
    where: words,
    change: words,
    mark: fc.option(fc.constantFrom(...MARKS), { nil: null }),
    evidence: fc.array(citation, { maxLength: 2 }),
    findings: fc.option(fc.constantFrom([], ['no-verb o1']), { nil: null }),
  })
const anySeat = (id: string) =>
  fc.record({
    id: fc.constant(id),
    name: fc.constantFrom('Marek', '+Tove'),
    handedIn: fc.option(fc.constant('2027-01-02'), { nil: null }),
    points: fc.option(fc.constant(['A-1']), { nil: null }),
    remark: words,
    ratings: fc.tuple(anyRating('A-1'), anyRating('A-2')).map((r) => [...r]),
  })
const anyRound = (id: string, follows: string | null) =>
  fc.record({
    id: fc.constant(id),
    title: fc.constant(`Round ${id}`),
    kind: fc.constantFrom(...ROUND_KINDS),
    merge: fc.constantFrom(...MERGES),
    follows: fc.constant(follows),
    state: fc.constantFrom(...ROUND_STATES),
    points: fc.option(fc.constant(['A-2']), { nil: null }),
    set: fc.constant(SET),
    snapshot: fc.option(fc.constant(PLAN), { nil: null }),
    seats: fc.tuple(anySeat('s1'), anySeat('s2')).map((s) => [...s]),
    decisions: fc.array(
      fc.record({
        point: fc.constant('A-1'),
        value: fc.option(fc.constantFrom(...RATING_VALUES), { nil: null }),
        reason: words,
        by: fc.constant('Ines'),
        answer: fc.option(fc.constantFrom(...ANSWERS), { nil: null }),
        answerText: words,
      }),
      { maxLength: 1 },
    ),
    actions: fc.array(
      fc.record({
        id: fc.constant('a1'),
        source: fc.constant('rating' as const),
        point: fc.option(fc.constant('A-1'), { nil: null }),
        what: fc.constant('Say it'),
        who: words,
        by: fc.option(fc.constant('2027-03-01'), { nil: null }),
        state: fc.constantFrom(...ACTION_STATES),
        records: fc.constant([{ kind: 'module' as const, id: 'm1' }]),
        outcome: fc.option(fc.constantFrom('keep' as const, 'change' as const), { nil: null }),
        why: words,
      }),
      { maxLength: 1 },
    ),
  })
const anyReview: fc.Arbitrary<Review> = fc.record({
  set: fc.constant(SET),
  rounds: fc.tuple(anyRound('r1', null), anyRound('r2', 'r1')).map((r) => [...r]),
})

describe('a review as a file', () => {
  it('comes back from JSON as it went out', () => {
    fc.assert(
      fc.property(anyReview, (review) => {
        const read = readReview(reviewJson(review), () => true)
        expect(read.ok && read.value.review).to.deep.equal(review)
        expect(read.ok && read.value.problems).to.deep.equal([])
      }),
      { numRuns: 60, seed: 11 },
    )
  })

  it('has a row for each point and seat that is asked for it, in cells that no spreadsheet runs', async () => {
    const [review] = fc.sample(anyReview, { numRuns: 1, seed: 5 }) as [Review]
    const { worksheets } = {
      worksheets: [await new Workbook().csv.read(Readable.from([reviewCsv(review).replace('\uFEFF', '')]), { map: (v) => v })],
    }
    const rows = (worksheets[0]?.getSheetValues() ?? []).slice(1) as unknown[][]
    const asked = review.rounds.flatMap((r) =>
      ['A-1', 'A-2'].flatMap((code) =>
        r.seats.filter((s) => [r.points, s.points].every((l) => l === null || l.includes(code))).map((s) => [r.title, code, s.name]),
      ),
    )
    expect(rows.slice(1).map((row) => [row[1], row[2], String(row[7]).replace(/^'/, '')])).to.deep.equal(asked)
    for (const cell of rows.flat()) expect(String(cell ?? '')).to.not.match(/^[=+@-]/)
  })
})
