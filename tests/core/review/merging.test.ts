/** What several ratings come to, and how far those who gave them agree: tables worked out by hand, and a second way to alpha. */
import { expect } from 'chai'
import fc from 'fast-check'
import { MERGES, RATING_VALUES } from '../../../src/core/beside/review-records'
import { agreementOf, pairsOn, type SeatRatings, stancesOf } from '../../../src/core/review/agreement'
import { asNumber, ordinalAlpha } from '../../../src/core/review/alpha'
import { isGraded, type Merge, mergedOf, type Rated, rankOf } from '../../../src/core/review/values'

const WORDS = {
  i: 'in place',
  p: 'partly',
  n: 'not in place',
  a: 'not applicable',
  A: 'not applicable',
  c: 'cannot be judged yet',
} as const
/** `a` has a reason, `A` has none. */
const rated = (letters: string): Rated[] =>
  [...letters].map((l) => ({ value: WORDS[l as keyof typeof WORDS], reason: l === 'a' ? 'we have no labs' : null }))

const anyRated = fc.record({ value: fc.constantFrom(...RATING_VALUES), reason: fc.constantFrom(null, '', 'because') })

describe('what ratings come to', () => {
  const TABLE: readonly (readonly [letters: string, strictest: unknown, majority: unknown, agreed: unknown])[] = [
    ['', null, null, null],
    ['c', null, null, null],
    ['A', null, null, null],
    ['i', 'in place', 'in place', 'in place'],
    ['ip', 'partly', 'disagree', 'disagree'],
    ['iip', 'partly', 'in place', 'disagree'],
    ['ipn', 'not in place', 'disagree', 'disagree'],
    ['iipp', 'partly', 'disagree', 'disagree'],
    // Not applicable only counts with a reason, and decides with more than half of all that was judged.
    ['a', 'not applicable', 'not applicable', 'not applicable'],
    ['ai', 'in place', 'in place', 'disagree'],
    ['aai', 'not applicable', 'not applicable', 'disagree'],
    ['Aai', 'in place', 'in place', 'disagree'],
    ['aapn', 'not in place', 'disagree', 'disagree'],
    ['aa', 'not applicable', 'not applicable', 'not applicable'],
    // What cannot be judged yet takes no part.
    ['cci', 'in place', 'in place', 'in place'],
  ]
  for (const [letters, ...wanted] of TABLE)
    it(`of “${letters}” is ${wanted.join(', ')}`, () => {
      expect(MERGES.map((m) => mergedOf(rated(letters), m))).to.deep.equal(wanted)
    })

  it('does not depend on who rates first', () => {
    fc.assert(
      fc.property(fc.array(anyRated), fc.constantFrom(...MERGES), (ratings, merge: Merge) => {
        expect(mergedOf(ratings.toReversed(), merge)).to.equal(mergedOf(ratings, merge))
      }),
    )
  })

  it('is never raised by one more of the three values where the strictest counts', () => {
    fc.assert(
      fc.property(fc.array(anyRated), fc.constantFrom('in place', 'partly', 'not in place'), (ratings, value) => {
        const [before, after] = [mergedOf(ratings, 'strictest'), mergedOf([...ratings, { value, reason: null }], 'strictest')]
        if (isGraded(before) && isGraded(after)) expect(rankOf(after)).to.be.at.most(rankOf(before))
      }),
    )
  })
})

/** The same by Krippendorff's table of coincidences, in floating point. */
function alphaByCoincidences(units: readonly (readonly number[])[]): number | null {
  const pairable = units.filter((u) => u.length > 1)
  const size = 3
  const table = Array.from({ length: size }, () => new Array<number>(size).fill(0))
  for (const unit of pairable)
    unit.forEach((a, i) => {
      unit.forEach((b, j) => {
        if (i !== j) (table[a] as number[])[b] = ((table[a] as number[])[b] as number) + 1 / (unit.length - 1)
      })
    })
  const sums = table.map((row) => row.reduce((s, v) => s + v, 0))
  const n = sums.reduce((s, v) => s + v, 0)
  const distance = (a: number, b: number) => {
    const [low, high] = [Math.min(a, b), Math.max(a, b)]
    return (sums.slice(low, high + 1).reduce((s, v) => s + v, 0) - ((sums[low] ?? 0) + (sums[high] ?? 0)) / 2) ** 2
  }
  let [observed, expected] = [0, 0]
  for (let a = 0; a < size; a++)
    for (let b = 0; b < size; b++) {
      observed += ((table[a] as number[])[b] as number) * distance(a, b)
      expected += ((sums[a] as number) * (sums[b] as number) * distance(a, b)) / (n - 1)
    }
  return expected === 0 || pairable.length === 0 ? null : 1 - observed / expected
}

describe('agreement', () => {
  const seats = (...columns: readonly string[]): SeatRatings[] =>
    columns.map((letters, s) => {
      const given = [...letters].flatMap((l, i) => (l === '.' ? [] : [[`P-${i + 1}`, rated(l)[0] as Rated] as const]))
      return { id: `s${s + 1}`, ratings: new Map(given) }
    })
  const CODES = ['P-1', 'P-2', 'P-3', 'P-4']

  it('counts pairs of seats that judged the same point, over four values', () => {
    const three = seats('iina', 'ipna', 'i.pA')
    expect(CODES.map((c) => pairsOn(three, c))).to.deep.equal([
      { agreeing: 3, pairs: 3 },
      { agreeing: 0, pairs: 1 },
      { agreeing: 1, pairs: 3 },
      { agreeing: 1, pairs: 1 },
    ])
    const all = agreementOf(three, CODES)
    expect(all).to.deep.include({ agreeing: 5, pairs: 8, exact: 5 / 8 })
    expect(all.pairsOf).to.deep.equal([
      { seats: ['s1', 's2'], points: 4, exact: 3 / 4 },
      { seats: ['s1', 's3'], points: 2, exact: 1 / 2 },
      { seats: ['s2', 's3'], points: 2, exact: 1 / 2 },
    ])
  })

  it('tells who tends to rate lower', () => {
    const three = seats('iin', 'ipn', 'i.p')
    expect([...stancesOf(three, CODES).values()]).to.deep.equal([
      { lower: 1, same: 3, higher: 1 },
      { lower: 2, same: 3, higher: 0 },
      { lower: 0, same: 2, higher: 2 },
    ])
  })

  it('has alpha by hand: 1 where all agree, 0.76 for six points of two seats, and says why there is none', () => {
    expect(agreementOf(seats('ipn', 'ipn'), CODES)).to.deep.include({ alpha: 1, why: null })
    // Six units: (0,0) (1,1) (2,2) (2,2) (0,1) (2,1). Values: three 0, four 1, five 2; n = 12.
    // Doubled distances: 0-1: 3+4 = 7, 1-2: 4+5 = 9, 0-2: 3+8+5 = 16. Observed: 49 + 81 = 130.
    // Expected: 3*4*49 + 4*5*81 + 3*5*256 = 588 + 1620 + 3840 = 6048. Alpha: 1 - 11 * 130 / 6048.
    const alpha = ordinalAlpha([
      [0, 0],
      [1, 1],
      [2, 2],
      [2, 2],
      [0, 1],
      [2, 1],
    ])
    expect(alpha && asNumber(alpha)).to.be.closeTo(1 - (11 * 130) / 6048, 1e-12)
    expect(agreementOf(seats('ip'), CODES)).to.deep.include({ alpha: null, why: 'fewer than two seats' })
    expect(agreementOf(seats('i.', '.p'), CODES)).to.deep.include({ alpha: null, why: 'no point with two ratings', exact: null })
    expect(agreementOf(seats('ii', 'ii'), CODES)).to.deep.include({ alpha: null, why: 'all ratings are the same', exact: 1 })
  })

  it('has the alpha of the table of coincidences, for any ratings', () => {
    const units = fc.array(fc.array(fc.nat(2), { maxLength: 5 }), { maxLength: 12 })
    fc.assert(
      fc.property(units, (made) => {
        const [one, other] = [ordinalAlpha(made), alphaByCoincidences(made)]
        if (one === null || other === null) expect(one).to.equal(other)
        else expect(asNumber(one)).to.be.closeTo(other, 1e-9)
      }),
    )
  })
})
