/** Agreement beyond chance, for values in an order. */

/** A quotient of whole numbers. */
export type Fraction = { readonly over: bigint; readonly under: bigint }

const gcd = (a: bigint, b: bigint): bigint => (b === 0n ? a : gcd(b, a % b))
/** The nearest number. */
export function asNumber({ over, under }: Fraction): number {
  const common = gcd(over < 0n ? -over : over, under)
  return Number(over / common) / Number(under / common)
}

/**
 * Krippendorff's alpha with the ordinal metric (Krippendorff, Computing Krippendorff's Alpha-Reliability, 2011), as a fraction.
 * `units`: for each thing that was rated, its ratings as places in the order, from 0. Those with one rating say nothing about
 * agreement and are left out. Null where no unit has two ratings, or all ratings are the same.
 */
export function ordinalAlpha(units: readonly (readonly number[])[]): Fraction | null {
  const pairable = units.filter((u) => u.length >= 2)
  const all = pairable.flat()
  const counts = Array.from({ length: Math.max(0, ...all) + 1 }, (_, value) => all.filter((v) => v === value).length)
  /** Twice the distance of two values, squared: what stands between them, with half of each end. */
  const distance = (low: number, high: number): bigint => {
    const between = counts.slice(low, high + 1).reduce((sum, n) => sum + n, 0)
    return BigInt(2 * between - (counts[low] ?? 0) - (counts[high] ?? 0)) ** 2n
  }
  const differing = (of: readonly number[]): bigint => {
    let sum = 0n
    for (let low = 0; low < of.length; low++)
      for (let high = low + 1; high < of.length; high++)
        if (of[low] && of[high]) sum += BigInt((of[low] as number) * (of[high] as number)) * distance(low, high)
    return sum
  }
  const expected = differing(counts)
  if (expected === 0n) return null
  let observed: Fraction = { over: 0n, under: 1n }
  for (const unit of pairable) {
    const own = counts.map((_, value) => unit.filter((v) => v === value).length)
    const others = BigInt(unit.length - 1)
    observed = { over: observed.over * others + differing(own) * observed.under, under: observed.under * others }
  }
  // 1 - (n - 1) * observed / expected
  const under = expected * observed.under
  return { over: under - BigInt(all.length - 1) * observed.over, under }
}
