/** Which of several statements another wording means. */

const wordsOf = (text: string): ReadonlySet<string> =>
  new Set((text.toLowerCase().match(/\p{L}{4,}/gu) ?? []).map((w) => w.replace(/(?:ing|ies|es|ed|s|e)$/u, '')))

/** How many words two texts share, of all that they have (Dice 1945): 0 to 1. Short words and endings aside. */
export function likeness(a: string, b: string): number {
  const [x, y] = [wordsOf(a), wordsOf(b)]
  if (x.size + y.size === 0) return 0
  return (2 * [...x].filter((w) => y.has(w)).length) / (x.size + y.size)
}

/** From here on two wordings may mean the same (Cairn default). */
const LEAST = 0.55

export type Likest<T> = { readonly found: T; readonly others: readonly T[] }
/** The likest of a list, and others nearly as like, the likest first; null where none is like enough. */
export function likest<T>(text: string, list: readonly T[], textOf: (item: T) => string): Likest<T> | null {
  const ranked = list
    .map((item) => ({ item, like: likeness(text, textOf(item)) }))
    .filter(({ like }) => like >= LEAST)
    .toSorted((a, b) => b.like - a.like)
  const [best, ...rest] = ranked
  return best ? { found: best.item, others: rest.slice(0, 2).map((r) => r.item) } : null
}
