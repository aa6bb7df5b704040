/** What the table of words says where lexicon and position leave a statement open: which words are verbs, and who does it. */

import { verbEntry } from './lexicon'
import type { Tagger } from './statement'
import { Forms } from './words/forms'
import { mindAt } from './words/mind'
import { subjectOf } from './words/subject'
import { PHRASAL, WORDS } from './words/table'
import { taskAt } from './words/task'
import { scoreVerb, tokensOf } from './words/verb-score'
import { Words } from './words/words'

/** Letters of a line that are looked at (Cairn default): what decides stands near the beginning. */
const LOOKED_AT = 300

const FORMS = new Forms(new Words(WORDS, PHRASAL))

/** Whether a text in small letters is a word, in any of its forms. */
export const isWord = (text: string): boolean =>
  FORMS.words.get(text) !== undefined || FORMS.nounOf(text) !== null || FORMS.verbsOf(text).length > 0

export const TAGGER: Tagger = {
  isVerb: (text, { start }, place) => (scoreVerb(tokensOf(text.slice(start, start + LOOKED_AT)), FORMS, place)?.sum ?? -1) > 0,
  isParticiple: (word) => FORMS.verbsOf(word.toLowerCase()).some((f) => f.form === 'past'),
  mindEnd: (text, from) => {
    const tokens = tokensOf(text.slice(from, from + LOOKED_AT))
    const last = tokens[mindAt(tokens, FORMS, (lemma) => verbEntry(lemma) !== undefined) - 1]
    return last ? from + last.start + last.text.length : null
  },
  taskEnd: (text, from, third) => {
    const tokens = tokensOf(text.slice(from, from + LOOKED_AT))
    const last = tokens[taskAt(tokens, FORMS, third) - 1]
    return last ? from + last.start + last.text.length : null
  },
  opening: (text, from) => {
    const tokens = tokensOf(text.slice(from, from + LOOKED_AT))
    const subject = subjectOf(tokens, FORMS)
    if (subject) return { ...subject, end: from + subject.end }
    const [first] = tokens
    const score = first && scoreVerb(tokens, FORMS, 'first', ['s'])
    return score && score.sum > 0 ? { end: from + first.start, third: true, isTeacher: false } : null
  },
}
