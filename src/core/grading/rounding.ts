/**
 * Splits `total` (a whole number of smallest units) in proportion to `weights` by largest remainder: the parts are whole and
 * sum to `total` exactly. Ties go to the earlier part. All weights zero: all parts zero.
 */
export function largestRemainder(total: number, weights: readonly number[]): number[] {
  const sum = weights.reduce((a, b) => a + b, 0)
  if (sum <= 0) return weights.map(() => 0)
  const exact = weights.map((w) => (total * w) / sum)
  const parts = exact.map(Math.floor)
  const missing = total - parts.reduce((a, b) => a + b, 0)
  exact
    .map((value, i) => ({ i, rest: value - Math.floor(value) }))
    .sort((a, b) => b.rest - a.rest || a.i - b.i)
    .slice(0, missing)
    .forEach(({ i }) => {
      parts[i] = (parts[i] as number) + 1
    })
  return parts
}
