/** Which of several statements another wording means, and how alike two words are spelled. */

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

/**
 * The pairs of letters that follow each other in a word, without accents and without what related languages spell each their own
 * way: doubled letters, `j` for `i`, `ct` for `t`, `k` for `c`.
 */
export function letterPairs(word: string): readonly string[] {
  const bare = word
    .toLowerCase()
    .normalize('NFD')
    .replace(/\P{L}+/gu, '')
    .replace(/[jy]/g, 'i')
    .replace(/k/g, 'c')
    .replace(/ct/g, 't')
    .replace(/(.)\1/g, '$1')
  return Array.from({ length: Math.max(0, bare.length - 1) }, (_, i) => bare.slice(i, i + 2))
}
