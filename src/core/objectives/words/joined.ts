/** Further performances in one statement: a verb in the form of the first behind "and", "then", a semicolon and the like. */

import { verbEntry } from '../lexicon'
import {
  ADVERBS,
  AUXILIARIES,
  DETERMINERS,
  JOINING,
  NUMBERS,
  PARTICLES,
  POSSESSIVES,
  PREPOSITIONS,
  PRONOUNS,
  QUESTION_WORDS,
} from './closed'
import type { Form, Forms } from './forms'
import { phrasesAt } from './subject'
import { scoreVerb, type Token } from './verb-score'

const set = (words: string): ReadonlySet<string> => new Set(words.split(' '))

/** What speaks for a second performance behind a joining word (above zero) or against one, and why (tried on labelled lines). */
export const JOINED_WEIGHTS = {
  'right behind the first': [1.2, '"plan and run": verbs side by side share their object'],
  'beside the first, a verb of objectives': [0.8, 'the lexicon has it: it is commoner as a verb here'],
  'behind an object, without an article': [-0.6, 'a noun may go on the object: "cells and tissues"'],
  'a noun on both sides': [-3, '"check brake and clutch cables": two nouns before a third'],
  'third person with an article': [0.3, '"shapes the loaf and bakes it"'],
  'third person without one': [-0.5, 'a plural goes on the object as often'],
  'behind a comma': [0.4, 'a comma opens a new clause'],
  'a comma alone, no article': [-2.5, 'words between commas are a list'],
  'a comma alone': [-0.8, 'words between commas are a list'],
  'behind "then"': [1.5, '"then" goes on to the next thing done'],
  'last in the line': [-0.5, 'a performance has an object as a rule'],
  'a noun, last in the line': [-2.5, '"safety and care"'],
  'in a clause, behind a comma': [-1.2, 'it may go on the clause'],
  'in a clause of its form': [-4, 'it goes on the clause: "how it flows and settles"'],
  'in a clause': [-1.6, 'it may go on the clause'],
  'behind "to" and a verb': [-7, '"to melt and cast": it goes on the aim'],
} as const satisfies Record<string, readonly [by: number, why: string]>
type WeightName = keyof typeof JOINED_WEIGHTS
/** From here on it is a further performance (Cairn default; tried on labelled lines). */
const LEAST = 0.35

/** Verbs that may only close the first performance. */
const CLOSERS = set(
  'pick decide judge record report conclude state say justify defend locate find choose recommend select determine set support note log document give explain name tell check verify',
)
const CHOOSING = set(
  'choose select pick recommend decide judge propose predict rank rate evaluate assess compare prioritise critique estimate argue suggest',
)
const REFERS_BACK = /^(?:it|them|one|each|itself|themselves|both|so|accordingly)$/
const OWN_RESULT = /^(?:choice|decision|results?|answers?|outcome|findings|selection|reasons?|conclusion|approach|solution)$/

export type Joined = { readonly at: number; readonly form: Form; readonly isPassive: boolean }

const opensObject = (token: Token | undefined): boolean =>
  token !== undefined &&
  (DETERMINERS.has(token.lower) ||
    POSSESSIVES.has(token.lower) ||
    PRONOUNS.has(token.lower) ||
    QUESTION_WORDS.has(token.lower) ||
    NUMBERS.has(token.lower) ||
    /^\d/.test(token.lower))
const isBe = (token: Token | undefined): boolean => /^(?:is|are|be|being|been)$/.test(token?.lower ?? '')
const isAdverb = (token: Token | undefined): boolean =>
  token !== undefined && (ADVERBS.has(token.lower) || (/ly$/.test(token.lower) && token.lower.length > 4))
const SUBORDINATE = /^(?:that|because|if|when|while|as|so|until|although|since|unless)$/
const BEFORE_ING = /^(?:by|using|with|without|from|of|in|for|before|after|when|while|at)$/

type Clause = { readonly at: number; form: Form | 'any' | null }

/** The next performance behind the verb whose words end at `from`; null where there is none. */
export function joinedVerb(tokens: readonly Token[], from: number, lemma: string, form: Form, forms: Forms): Joined | null {
  let clause: Clause | null = null
  for (let q = from; q < tokens.length; q++) {
    const t = tokens[q] as Token
    clause = clauseAt(tokens, q, clause, forms)
    const join = joiningAt(tokens, q)
    if (join === 0) continue
    const hasComma = tokens[q - 1]?.text === ','
    let at = q + join
    if (tokens[at]?.lower === 'then') at++
    const isThen = tokens[at - 1]?.lower === 'then' || t.lower === 'then' || join > 1
    if (tokens[at]?.lower === 'to') at++
    while (isAdverb(tokens[at]) && !forms.verbsOf(tokens[at]?.lower ?? '').length) at++
    const word = tokens[at]
    if (!word || word.isSign) continue
    if ((hasComma || t.text === ';') && !clause) {
      const passive = passiveAt(tokens, at, forms)
      if (passive !== null) return { at: passive, form: 'past', isPassive: true }
    }
    // "defend or reject": one of the two is done.
    if (t.lower === 'or' && (q === from || (q === from + 1 && hasComma))) continue
    const own = join > 1 ? 'ing' : form
    const score = scoreVerb(tokens.slice(at), forms, 'joined', [own])
    if (!score) continue
    const next = tokens[at + 1]
    const isPure = forms.nounOf(word.lower) === null && (forms.words.get(word.lower)?.adjective ?? 0) === 0
    const isDirect = q === from || (q === from + 1 && hasComma)
    const opens = opensObject(next)
    const before = forms.nounOf(tokens[q - 1]?.lower ?? '')
    const reasons: WeightName[] = []
    if (t.text === ',' && !isThen) reasons.push(!opens && !isDirect ? 'a comma alone, no article' : 'a comma alone')
    if (isThen) reasons.push('behind "then"')
    if (isDirect) reasons.push('right behind the first')
    if (isDirect && verbEntry(score.lemma)) reasons.push('beside the first, a verb of objectives')
    const isUncounted = score.reasons.includes('before food or a substance')
    if (!isDirect && !opens && !isPure && !isUncounted) reasons.push('behind an object, without an article')
    if (!isDirect && !opens && !isPure && q - from === 1 && before && !before.plural && next && forms.nounOf(next.lower))
      reasons.push('a noun on both sides')
    if (form === 's') reasons.push(opens ? 'third person with an article' : 'third person without one')
    if (hasComma) reasons.push('behind a comma')
    if (!next || next.isSign) reasons.push(isPure ? 'last in the line' : 'a noun, last in the line')
    if (clause) reasons.push(inClause(clause, form, hasComma || t.text === ';' || isThen))
    const sum = reasons.reduce((n, name) => n + JOINED_WEIGHTS[name][0], score.sum)
    if (sum <= LEAST) continue
    return isClosing(tokens, at, score.lemma, lemma) ? joinedVerb(tokens, at + 1, lemma, form, forms) : { at, form, isPassive: false }
  }
  return null
}

function inClause(clause: Clause, form: Form, isApart: boolean): WeightName {
  if (isApart) return 'in a clause, behind a comma'
  if (clause.form === form) return form === 'base' ? 'behind "to" and a verb' : 'in a clause of its form'
  return 'in a clause'
}

/** How many tokens join what follows to what stands before; 0 where none do. */
function joiningAt(tokens: readonly Token[], at: number): number {
  const [t, next, third] = tokens.slice(at, at + 3)
  if (!t) return 0
  if (JOINING.has(t.lower) || t.text === ';') return 1
  if (t.lower === 'then' && tokens[at - 1]?.text === ',') return 1
  if (t.text === ',' && !JOINING.has(next?.lower ?? '') && next?.lower !== 'then') return 1
  if (/^(?:while|whilst)$/.test(t.lower) && next?.lower === 'also') return 2
  return t.lower === 'as' && next?.lower === 'well' && third?.lower === 'as' ? 3 : 0
}

/** The clause that is open once a token has been read: what stands in it goes on the first performance. */
function clauseAt(tokens: readonly Token[], at: number, open: Clause | null, forms: Forms): Clause | null {
  const t = tokens[at] as Token
  const next = tokens[at + 1]
  const has = (token: Token | undefined, form: Form) => forms.verbsOf(token?.lower ?? '').some((f) => f.form === form)
  let clause = open
  if (!clause && (QUESTION_WORDS.has(t.lower) || (SUBORDINATE.test(t.lower) && next?.lower !== 'well' && next?.lower !== 'also')))
    clause = { at, form: null }
  if (!clause && ((BEFORE_ING.test(t.lower) && has(next, 'ing')) || t.lower === 'using')) clause = { at, form: 'ing' }
  if (t.lower === 'to' && next && has(next, 'base') && forms.nounOf(next.lower)?.plural !== true) {
    const score = scoreVerb(tokens.slice(at + 1), forms, 'joined', ['base'])
    if (QUESTION_WORDS.has(tokens[at - 1]?.lower ?? '') || (score && score.sum > -0.5)) {
      clause ??= { at, form: 'base' }
      clause.form ??= 'base'
    }
  }
  if (clause && clause.form === null && at > clause.at) {
    if (AUXILIARIES.has(t.lower)) clause.form = 'any'
    else if (has(t, 's') && (scoreVerb(tokens.slice(at), forms, 'subject', ['s'])?.sum ?? 0) > 0) clause.form = 's'
    else if (has(t, 'base') && (scoreVerb(tokens.slice(at), forms, 'subject', ['base'])?.sum ?? 0) > 0) {
      const subject = tokens[at - 1]
      if (forms.nounOf(subject?.lower ?? '')?.plural || PRONOUNS.has(subject?.lower ?? '')) clause.form = 'base'
    }
  }
  return clause
}

/** ", and the part is replaced": where the participle stands; null where nothing of the kind does. */
function passiveAt(tokens: readonly Token[], at: number, forms: Forms): number | null {
  for (const phrase of phrasesAt(tokens, at, forms)) {
    const be = /^(?:can|may|must|should|will)$/.test(tokens[phrase.end]?.lower ?? '') ? phrase.end + 1 : phrase.end
    if (!isBe(tokens[be])) continue
    let participle = be + 1
    while (isAdverb(tokens[participle])) participle++
    if (forms.verbsOf(tokens[participle]?.lower ?? '').some((f) => f.form === 'past')) return participle
  }
  return null
}

/** Whether a verb only closes the performance before it: what follows refers back ("and justify it", "and decide whether it passes"). */
export function isClosing(tokens: readonly Token[], at: number, lemma: string, first: string): boolean {
  const [next, second] = [tokens[at + 1], tokens[at + 2]]
  if (!next || next.isSign) return true
  if (!CLOSERS.has(lemma)) return false
  const [x, y] = [next.lower, second?.lower ?? '']
  const isLast = !second || second.isSign
  if (/^(?:explain|say|state|tell)$/.test(lemma) && !CHOOSING.has(first) && /^(?:why|how|what|which)$/.test(x) && /^(?:it|they)$/.test(y))
    return false
  if (/^(?:check|verify)$/.test(lemma)) return (/^(?:it|them)$/.test(x) && isLast) || /^(?:results?|answers?|work)$/.test(y)
  if (lemma === 'set' && !/^(?:one|two|three)$/.test(x)) return false
  if (REFERS_BACK.test(x)) return true
  if (/^(?:whether|if|how|why|what|which|when|where)$/.test(x))
    return isLast || /^(?:it|they|to|he|she|is|are|you|happens?|has|one)$/.test(y)
  if (/^(?:justify|defend|support)$/.test(lemma) && CHOOSING.has(first) && /^(?:the|that|this|your|their|its)$/.test(x)) return true
  if (POSSESSIVES.has(x)) return !/^(?:record|report|note|log|document|set|determine|conclude)$/.test(lemma)
  if (x === 'the') return OWN_RESULT.test(y)
  if (/^(?:reasons?|grounds?)$/.test(x) || (x === 'evidence' && lemma !== 'give')) return true
  return x === 'on' || (NUMBERS.has(x) && /^(?:goals?|reasons?)$/.test(y))
}

/** Where the words of a verb end: behind its particle, as in "work out" and "take issue with". */
export function verbEnd(tokens: readonly Token[], at: number, lemma: string, forms: Forms): number {
  const [next, second] = [tokens[at + 1]?.lower ?? '', tokens[at + 2]?.lower ?? '']
  const fixed = FIXED.find((words) => words[0] === lemma && words[1] === next && (words[2] === undefined || words[2] === second))
  if (fixed) return at + fixed.length
  if (!PARTICLES.has(next) || PREPOSITIONS_ONLY.has(next)) return at + 1
  const isVerb = forms.words.phrasal(lemma, next)?.mental === false
  // "Carry out an audit"; but "walk out the door" has the door behind the way.
  return isVerb && (tokens[at + 2] !== undefined || !PREPOSITIONS.has(next)) ? at + 2 : at + 1
}
const PREPOSITIONS_ONLY = set('in on by around along over')
const FIXED = [
  'take issue with',
  'account for',
  'put together',
  'get to know',
  'carry on',
  'log in',
  'log on',
  'sign in',
  'fill in',
  'check in',
].map((words) => words.split(' '))
