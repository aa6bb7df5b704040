/**
 * Splits `total` (a whole number of smallest units) in proportion to `weights` by largest remainder: the parts are whole and
 * sum to `total` exactly. Ties go to the earlier part. All weights zero: all parts zero. `now`: what the parts are; of those that may
 * be rounded up, one that stays as it is so comes first, and one that stays as it is otherwise last.
 */
export function largestRemainder(total: number, weights: readonly number[], now: readonly (number | null)[] = []): number[] {
  const sum = weights.reduce((a, b) => a + b, 0)
  if (sum <= 0) return weights.map(() => 0)
  const exact = weights.map((w) => (total * w) / sum)
  const parts = exact.map(Math.floor)
  const missing = total - parts.reduce((a, b) => a + b, 0)
  const rank = (i: number) => (now[i] === Math.ceil(exact[i] as number) ? 0 : now[i] === Math.floor(exact[i] as number) ? 2 : 1)
  exact
    .map((value, i) => ({ i, rest: value - Math.floor(value), rank: value % 1 === 0 ? 3 : rank(i) }))
    .sort((a, b) => a.rank - b.rank || b.rest - a.rest || a.i - b.i)
    .slice(0, missing)
    .forEach(({ i }) => {
      parts[i] = (parts[i] as number) + 1
    })
  return parts
}
