/**
 * Parts of speech by a maintained tagger, for the words that lexicon and position leave undecided. The library errs on
 * imperatives at the very beginning of a line, so it sees the line behind a subject as well, and both must be weighed.
 */
import nlp from 'compromise/two'
import { verbEntry } from './lexicon'
import type { Tagger } from './statement'

type Term = { readonly text: string; readonly tags: readonly string[] }

const termsOf = (text: string): readonly Term[] => {
  const sentences = nlp(text).json() as readonly { readonly terms: readonly Term[] }[]
  return sentences.flatMap((s) => s.terms)
}
const has = (term: Term | undefined, ...tags: string[]): boolean => tags.some((t) => term?.tags.includes(t))

/**
 * Whether a word where the performance should stand is a verb there. It is when the tagger says so of the bare line, or says
 * so behind a subject and does not take the bare line for a chain of nouns.
 */
export const tagVerb: Tagger = (text, word) => {
  const line = text.slice(word.start, word.start + 300)
  const bare = termsOf(line.charAt(0).toLowerCase() + line.slice(1))
  if (has(bare[0], 'Verb')) return true
  const after = termsOf(`They ${line.charAt(0).toLowerCase()}${line.slice(1)}`)
  if (!has(after[1], 'Verb') || (has(bare[0], 'Noun') && !verbEntry(bare[0]?.text ?? ''))) return false
  // "model answers": a noun before a noun. A verb wants an article, a plural or an adjective behind it.
  const nouns = has(bare[0], 'Noun') && has(bare[1], 'Noun') && bare.length <= 3
  return !nouns || has(bare[1], 'Plural', 'Determiner', 'Adjective')
}
