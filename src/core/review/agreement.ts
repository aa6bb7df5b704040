/** How far those who rated a course agree: in pairs, beyond chance, and who tends to rate lower. */
import { asNumber, ordinalAlpha } from './alpha'
import { type Graded, isGraded, isJudged, type Rated, rankOf } from './values'

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

const pairsAmong = (n: number): number => (n < 2 ? 0 : (n * (n - 1)) / 2)

/** Of one point: pairs of seats that both judged it, and how many of them gave the same. */
export function pairsOn(seats: readonly SeatRatings[], code: string): Pairs {
  const given = new Map<string, number>()
  for (const seat of seats) {
    const value = judgedBy(seat, code)
    if (value !== null) given.set(value, (given.get(value) ?? 0) + 1)
  }
  const counts = [...given.values()]
  return {
    agreeing: counts.reduce((sum, n) => sum + pairsAmong(n), 0),
    pairs: pairsAmong(counts.reduce((sum, n) => sum + n, 0)),
  }
}

/** What each seat judged of each point, by place; null where it did not. */
const judgedTable = (seats: readonly SeatRatings[], codes: readonly string[]) => seats.map((s) => codes.map((code) => judgedBy(s, code)))

/** Of a round, over the points `codes`. */
export function agreementOf(seats: readonly SeatRatings[], codes: readonly string[]): Agreement {
  const table = judgedTable(seats, codes)
  const pairsOf = couples(seats.map((seat, place) => ({ seat, values: table[place] ?? [] }))).map(([a, b]) => {
    let [agreeing, pairs] = [0, 0]
    for (const [i, value] of a.values.entries()) {
      const other = b.values[i] ?? null
      if (value === null || other === null) continue
      pairs++
      if (value === other) agreeing++
    }
    return { seats: [a.seat.id, b.seat.id] as const, agreeing, pairs }
  })
  const sum = { agreeing: pairsOf.reduce((n, p) => n + p.agreeing, 0), pairs: pairsOf.reduce((n, p) => n + p.pairs, 0) }
  const units = codes.map((_, i) => table.flatMap((values) => (isGraded(values[i] ?? null) ? [rankOf(values[i] as Graded)] : [])))
  const alpha = seats.length < 2 ? null : ordinalAlpha(units)
  const why =
    alpha !== null
      ? null
      : seats.length < 2
        ? 'fewer than two seats'
        : units.every((u) => u.length < 2)
          ? 'no point with two ratings'
          : 'all ratings are the same'
  return {
    ...sum,
    exact: shareOf(sum),
    alpha: alpha && asNumber(alpha),
    why,
    pairsOf: pairsOf.map((p) => ({ seats: p.seats, points: p.pairs, exact: shareOf(p) })),
  }
}

/** In how many comparisons with another seat on one point each seat was lower, the same, higher; by its id. */
export function stancesOf(seats: readonly SeatRatings[], codes: readonly string[]): ReadonlyMap<string, Stance> {
  const stances = new Map(seats.map((s) => [s.id, { lower: 0, same: 0, higher: 0 }]))
  const table = judgedTable(seats, codes)
  for (const [i] of codes.entries()) {
    const ranks = seats.flatMap((seat, place) => {
      const value = table[place]?.[i] ?? null
      return isGraded(value) ? [{ stance: stances.get(seat.id), rank: rankOf(value) }] : []
    })
    for (const own of ranks)
      for (const other of ranks)
        if (own !== other && own.stance) own.stance[own.rank < other.rank ? 'lower' : own.rank > other.rank ? 'higher' : 'same']++
  }
  return stances
}
