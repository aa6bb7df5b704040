/** What words mean, by the tables of words and senses: their base forms, how near they are, what they share. */
import { FORMS } from '../tagger'
import { isPerson } from '../words/subject'
import { type Nearness, type Part, Senses } from './senses'
import { DERIVED, KINDS, OPPOSITE, SENSES as TABLE } from './senses-table'

const SENSES = new Senses(FORMS.words, { SENSES: TABLE, KINDS, DERIVED, OPPOSITE })
const lemmas = new Map<string, string>()

function lemmaOf(word: string): string {
  const known = lemmas.get(word)
  if (known !== undefined) return known
  const bare = word.replace(/'s?$/, '')
  const found = FORMS.nounOf(bare)?.lemma ?? FORMS.verbsOf(bare)[0]?.lemma ?? bare
  lemmas.set(word, found)
  return found
}

export const meanings = {
  /** The base form of a word in small letters. */
  lemma: lemmaOf,
  /** The verb that a word is the base form or the third person of; null where it is none. */
  verb: (word: string): string | null => FORMS.verbsOf(word).find((f) => f.form === 's' || f.form === 'base')?.lemma ?? null,
  isPerson: (lemma: string): boolean => isPerson(lemma, FORMS),
  has: (lemma: string, part: Part): boolean => SENSES.has(lemma, part),
  nearness: (first: string, second: string, part: Part | null): Nearness => SENSES.nearness(first, second, part),
  /** Words that come from a word. */
  derived: (lemma: string): readonly string[] => SENSES.derived(lemma),
  /** What words that stand for one another share one of. */
  keys: (lemma: string): readonly (string | number)[] => SENSES.keys(lemma),
}
