/** Two versions of one record that were written apart. */
import { sameValue } from '../blueprint/values'

type Values = Readonly<Record<string, unknown>>

/**
 * What `mine` and `theirs` make of what both began from: what one of them changed stands. Where both changed it: of fields in `both`
 * both texts stand, theirs first; lists hold what either has; of other values mine, the later one.
 */
export function mergeFields<V extends Values>(seen: Values | null, mine: V, theirs: Values, both: readonly string[]): V {
  const merged = Object.entries(mine).map(([field, own]): [string, unknown] => {
    const [before, other] = [seen?.[field] ?? null, theirs[field]]
    if (sameValue(own, other) || sameValue(other, before)) return [field, own]
    if (sameValue(own, before)) return [field, other]
    if (Array.isArray(own) && Array.isArray(other)) return [field, [...other, ...own.filter((o) => !other.some((x) => sameValue(x, o)))]]
    return [field, typeof own === 'string' && typeof other === 'string' && both.includes(field) ? `${other}\n\n${own}` : own]
  })
  return Object.fromEntries(merged) as V
}
