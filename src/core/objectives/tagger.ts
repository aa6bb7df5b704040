/** Whether a word where the performance should stand is a verb there, by the table of words: for what lexicon and position leave open. */
import type { Tagger } from './statement'
import { Forms } from './words/forms'
import { PHRASAL, WORDS } from './words/table'
import { scoreFirst, tokensOf } from './words/verb-score'
import { Words } from './words/words'

/** Letters of a line that are looked at (Cairn default): what decides stands near the beginning. */
const LOOKED_AT = 300

const FORMS = new Forms(new Words(WORDS, PHRASAL))

/** Whether a text in small letters is a word, in any of its forms. */
export const isWord = (text: string): boolean =>
  FORMS.words.get(text) !== undefined || FORMS.nounOf(text) !== null || FORMS.verbsOf(text).length > 0

export const tagVerb: Tagger = (text, word) => (scoreFirst(tokensOf(text.slice(word.start, word.start + LOOKED_AT)), FORMS)?.sum ?? -1) > 0
