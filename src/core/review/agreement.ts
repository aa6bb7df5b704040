/** How far those who rated a course agree: in pairs, beyond chance, and who tends to rate lower. */
import { asNumber, ordinalAlpha } from './alpha'
import { isGraded, isJudged, type Rated, rankOf } from './values'

/** The ratings of one seat by point code. */
export type SeatRatings = { readonly id: string; readonly ratings: ReadonlyMap<string, Rated> }

export type Pairs = { readonly agreeing: number; readonly pairs: number }
export type Agreement = Pairs & {
  /** The share of pairs that are alike; null without any. */
  readonly exact: number | null
  /** Krippendorff's alpha; null with the reason in `why`. */
  readonly alpha: number | null
  readonly why: string | null
  readonly pairsOf: readonly { readonly seats: readonly [string, string]; readonly points: number; readonly exact: number | null }[]
}
export type Stance = { readonly lower: number; readonly same: number; readonly higher: number }

const shareOf = ({ agreeing, pairs }: Pairs): number | null => (pairs === 0 ? null : agreeing / pairs)
const judgedBy = (seat: SeatRatings, code: string) => {
  const rating = seat.ratings.get(code)
  return rating && isJudged(rating) ? rating.value : null
}
const couples = <T>(list: readonly T[]): (readonly [T, T])[] => list.flatMap((a, i) => list.slice(i + 1).map((b) => [a, b] as const))

/** Of one point: pairs of seats that both judged it, and how many of them gave the same. */
export function pairsOn(seats: readonly SeatRatings[], code: string): Pairs {
  const both = couples(seats.flatMap((s) => judgedBy(s, code) ?? []))
  return { agreeing: both.filter(([a, b]) => a === b).length, pairs: both.length }
}

/** Of a round, over the points `codes`. */
export function agreementOf(seats: readonly SeatRatings[], codes: readonly string[]): Agreement {
  const points = codes.map((code) => pairsOn(seats, code))
  const sum = { agreeing: points.reduce((n, p) => n + p.agreeing, 0), pairs: points.reduce((n, p) => n + p.pairs, 0) }
  const units = codes.map((code) =>
    seats.flatMap((s) => {
      const value = judgedBy(s, code)
      return isGraded(value) ? [rankOf(value)] : []
    }),
  )
  const alpha = seats.length < 2 ? null : ordinalAlpha(units)
  const why =
    alpha !== null
      ? null
      : seats.length < 2
        ? 'fewer than two seats'
        : units.every((u) => u.length < 2)
          ? 'no point with two ratings'
          : 'all ratings are the same'
  const pairsOf = couples(seats).map(([a, b]) => {
    const on = codes.map((code) => pairsOn([a, b], code))
    const two = { agreeing: on.reduce((n, p) => n + p.agreeing, 0), pairs: on.reduce((n, p) => n + p.pairs, 0) }
    return { seats: [a.id, b.id] as const, points: two.pairs, exact: shareOf(two) }
  })
  return { ...sum, exact: shareOf(sum), alpha: alpha && asNumber(alpha), why, pairsOf }
}

/** In how many comparisons with another seat on one point a seat was lower, the same, higher. */
export function stanceOf(seat: SeatRatings, seats: readonly SeatRatings[], codes: readonly string[]): Stance {
  const found = { lower: 0, same: 0, higher: 0 }
  for (const code of codes) {
    const own = judgedBy(seat, code)
    if (!isGraded(own)) continue
    for (const other of seats) {
      const theirs = other.id === seat.id ? null : judgedBy(other, code)
      if (!isGraded(theirs)) continue
      const by = Math.sign(rankOf(own) - rankOf(theirs))
      found[by < 0 ? 'lower' : by > 0 ? 'higher' : 'same']++
    }
  }
  return found
}
