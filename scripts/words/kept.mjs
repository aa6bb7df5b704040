/** Which words of WordNet the tables have. */

/** Particles and prepositions that make a verb of their own with one before them. */
const PARTICLES = new Set(
  'up down in out off on over away back through apart together aside by around along forward for with into to from at about of after'.split(
    ' ',
  ),
)
/** WordNet's file of people. */
const PERSON = 18

/** Synsets of which a word was met in tagged texts. */
const metOf = (words) =>
  new Set(
    [...words.values()].flatMap((entry) =>
      Object.entries(entry).flatMap(([part, senses]) => senses.filter((s) => s.count > 0).map((s) => `${part}${s.offset}`)),
    ),
  )
/** Longer words that were never met are rare (Cairn default). */
const LONGEST_UNMET = 11
/**
 * Every verb and every word that was met in tagged texts; of the others short ones that mean what one that was met means, name people, or
 * have several senses.
 */
function isKept(lemma, words, met) {
  const entry = words.get(lemma)
  const all = Object.entries(entry).flatMap(([part, senses]) => senses.map((s) => ({ ...s, part })))
  if (entry.v || all.some((s) => s.count > 0)) return true
  if (lemma.length > LONGEST_UNMET) return false
  return (
    all.length >= 3 ||
    all.some((s) => met.has(`${s.part}${s.offset}`)) ||
    (entry.n?.some((s) => s.file === PERSON && s.rank === 0) ?? false)
  )
}

/** The words of both tables, in their order: single ones, and verbs of two words as `point_out`. */
export function keptWords({ words }) {
  const met = metOf(words)
  const all = [...words.keys()]
  return {
    single: all.filter((w) => /^[a-z][a-z'-]*$/.test(w) && isKept(w, words, met)).sort(),
    phrasal: all.filter((w) => words.get(w).v && /^[a-z]+_[a-z]+$/.test(w) && PARTICLES.has(w.split('_')[1])).sort(),
  }
}
