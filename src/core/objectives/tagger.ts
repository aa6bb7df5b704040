/** What the table of words says where lexicon and position leave a statement open: which words are verbs, and who does it. */

import { adjunctsAfter, isHowWellInFront } from './adjuncts/adjuncts'
import type { Span } from './clauses'
import { verbEntry } from './lexicon'
import type { Tagger } from './tagging'
import { POSSESSIVES, PREPOSITIONS, QUESTION_WORDS } from './words/closed'
import { Forms } from './words/forms'
import { frontedVerb } from './words/fronted'
import { joinedVerb, verbEnd } from './words/joined'
import { mindAt } from './words/mind'
import { isPerson, phrasesAt, subjectOf } from './words/subject'
import { PHRASAL, WORDS } from './words/table'
import { doneFor, taskAt } from './words/task'
import { teachingAt } from './words/teaching'
import { scoreVerb, THINGS, type Token, tokensOf, WEIGHTS } from './words/verb-score'
import { Words } from './words/words'

/** Letters of a line that are looked at (Cairn default): what decides stands near the beginning. */
const LOOKED_AT = 300

export const FORMS = new Forms(new Words(WORDS, PHRASAL))

/** The tokens of one text from several places on: what reads it asks for the same ones again and again. */
let lastText = ''
const lastTokens = new Map<number, readonly Token[]>()
function tokensFrom(text: string, from: number, to = from + LOOKED_AT): readonly Token[] {
  if (text !== lastText) {
    lastText = text
    lastTokens.clear()
  }
  const key = from * 100_000 + Math.min(to, text.length)
  const known = lastTokens.get(key)
  if (known) return known
  const tokens = tokensOf(text.slice(from, to))
  lastTokens.set(key, tokens)
  return tokens
}

/** Whether a text in small letters is a word, in any of its forms. */
export const isWord = (text: string): boolean =>
  FORMS.words.get(text) !== undefined || FORMS.nounOf(text) !== null || FORMS.verbsOf(text).length > 0

const isRatherAdjective = (word: string): boolean => {
  const known = FORMS.words.get(word)
  return known !== undefined && known.adjective > known.noun
}
const isNounBefore = (tokens: readonly Token[], at: number): boolean => {
  const word = FORMS.words.get(tokens[at - 1]?.lower ?? '')
  return word !== undefined && word.noun > word.adjective
}

export const TAGGER: Tagger = {
  score: (text, { start }) => {
    const score = scoreVerb(tokensFrom(text, start), FORMS, 'first')
    if (!score) return null
    const named = score.reasons.map((what) => ({ what, by: WEIGHTS[what][0] as number }))
    const rest = score.sum - named.reduce((n, w) => n + w.by, 0)
    return { sum: score.sum, why: [{ what: 'oftener a verb than a noun', by: Math.round(rest * 100) / 100 }, ...named] }
  },
  verb: (word) => {
    const [found] = FORMS.verbsOf(word.toLowerCase()).toSorted((a, b) => b.weight - a.weight)
    return found ? { lemma: found.lemma, isDoing: FORMS.words.get(found.lemma)?.doing === true } : null
  },
  isThing: (text, from) => {
    const tokens = tokensFrom(text, from)
    const object = phrasesAt(tokens, 0, FORMS).at(-1)
    return THINGS.has(FORMS.nounOf(tokens[object?.head ?? -1]?.lower ?? '')?.word.files[0] ?? 0)
  },
  objectKind: (text, from) => {
    const tokens = tokensFrom(text, from)
    const first = tokens[0]
    if (!first || first.isSign || PREPOSITIONS.has(first.lower)) return null
    const none = { isMany: false, isCertain: false, isPerson: false, isTrailed: false, head: '', file: 0, behind: '' }
    if (QUESTION_WORDS.has(first.lower)) return { ...none, clause: first.lower === 'whether' ? 'whether' : 'how' }
    const phrase = phrasesAt(tokens, 0, FORMS).at(-1)
    if (!phrase) return null
    const noun = FORMS.nounOf(tokens[phrase.head]?.lower ?? '')
    const behind = tokens[phrase.end]?.lower ?? ''
    return {
      clause: null,
      isMany: noun?.plural === true || behind === 'and' || behind === 'or',
      isCertain: first.lower === 'the' || POSSESSIVES.has(first.lower),
      isPerson: isPerson(tokens[phrase.head]?.lower ?? '', FORMS),
      isTrailed: phrase.end > 2 && isRatherAdjective(tokens[phrase.end - 1]?.lower ?? '') && isNounBefore(tokens, phrase.end - 1),
      head: noun?.lemma ?? tokens[phrase.head]?.lower ?? '',
      file: noun?.word.files[0] ?? 0,
      behind,
    }
  },
  isParticiple: (word) => {
    const lower = word.toLowerCase()
    // A trade has verbs that no table has.
    return FORMS.verbsOf(lower).some((f) => f.form === 'past') || (/[a-z]{3}ed$/.test(lower) && FORMS.words.get(lower) === undefined)
  },
  mindEnd: (text, from) => {
    const tokens = tokensFrom(text, from)
    const last = tokens[mindAt(tokens, FORMS, (lemma) => verbEntry(lemma) !== undefined) - 1]
    return last ? from + last.start + last.text.length : null
  },
  taskEnd: (text, from, third) => {
    const tokens = tokensFrom(text, from)
    const last = tokens[taskAt(tokens, FORMS, third) - 1]
    return last ? from + last.start + last.text.length : null
  },
  ownTaskEnd: (text, from, titles) => {
    const start = doneFor(tokensFrom(text, from), FORMS)
    const token = start === null ? undefined : tokensFrom(text, from)[start]
    if (!token) return null
    const rest = text.slice(from + token.start).toLowerCase()
    const named = [...titles].filter((t) => rest.startsWith(t) && !/^[\p{L}\p{N}]/u.test(rest.slice(t.length)))
    const longest = Math.max(0, ...named.map((t) => t.length))
    return longest === 0 ? null : from + token.start + longest
  },
  joined: (text, from, lemma, third) => {
    const tokens = tokensFrom(text, 0, from + LOOKED_AT)
    const behind = tokens.findIndex((t) => t.start >= from)
    const found = behind < 0 ? null : joinedVerb(tokens, behind, lemma, third ? 's' : 'base', FORMS)
    const token = found && tokens[found.at]
    return token ? { start: token.start, end: token.start + token.text.length } : null
  },
  verbEnd: (text, word, lemma) => {
    const tokens = tokensFrom(text, word.start)
    const last = tokens[verbEnd(tokens, 0, lemma, FORMS) - 1]
    return last ? Math.max(word.end, word.start + last.start + last.text.length) : word.end
  },
  adjuncts: (text, from, lemma, others) => {
    const stop = text.trimEnd().replace(/[.;,:]+$/, '').length
    const tokens = tokensFrom(text, 0, Math.min(stop, from + LOOKED_AT))
    const behind = tokens.findIndex((t) => t.start >= from)
    if (behind < 0) return { conditions: [], criteria: [], aim: null, objectEnd: from }
    const stops = new Set(tokens.flatMap((t, i) => (others.includes(t.start) ? [i] : [])))
    return adjunctsAfter(text, tokens, behind, lemma, stops, FORMS)
  },
  isHowWell: isHowWellInFront,
  fronted: (text, from) => {
    const tokens = tokensFrom(text, from)
    const found = frontedVerb(tokens, FORMS)
    const token = found && tokens[found.at]
    const end = found && tokens[found.end]
    return token && end ? { start: from + token.start, third: found.third, conditionEnd: from + end.start } : null
  },
  teaching: (text, from) => {
    const tokens = tokensFrom(text, from)
    const found = teachingAt(tokens, FORMS)
    const last = found && tokens[found.end - 1]
    if (!last) return null
    const span = (t: Token): Span => ({ start: from + t.start, end: from + t.start + t.text.length })
    const verb = found.verb === null ? undefined : tokens[found.verb]
    return { start: from + (tokens[0]?.start ?? 0), end: span(last).end, verb: verb ? span(verb) : null }
  },
  opening: (text, from) => {
    const tokens = tokensFrom(text, from)
    const subject = subjectOf(tokens, FORMS)
    if (subject) {
      const { verb } = subject
      const start = from + (verb?.start ?? 0)
      return {
        ...subject,
        isLed: subject.isLed === true,
        subject: subject.subject ? { start: from + subject.subject.start, end: from + subject.subject.end } : null,
        end: from + subject.end,
        verb: verb ? { start, end: start + verb.text.length } : null,
      }
    }
    const [first] = tokens
    const score = first && scoreVerb(tokens, FORMS, 'first', ['s'])
    return score && score.sum > 0
      ? { end: from + first.start, third: true, isTeacher: false, verb: null, isLed: false, subject: null }
      : null
  },
}
