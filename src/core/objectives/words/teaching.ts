/** Lines about what a course or its teachers do, by who does what to whom. */
import { DETERMINERS, NUMBERS, POSSESSIVES, PREPOSITIONS } from './closed'
import type { Forms } from './forms'
import { isPerson, phrasesAt } from './subject'
import { scoreVerb, type Token } from './verb-score'

const set = (words: string): ReadonlySet<string> => new Set(words.split(' '))
const LEARNERS = set(
  'learner student pupil participant trainee candidate apprentice attendee mentee novice newcomer beginner recruit cadet delegate you them us everyone',
)
/** What is done for learners where somebody else does it (Cairn's list). */
const HELPING = set(
  'help give offer let allow enable provide assist support encourage show teach guide equip prepare introduce expose train make get invite remind challenge inspire motivate immerse familiarise acquaint empower engage instruct walk take',
)
/** What is brought about in people (Cairn's list). */
const ROUSING = set('instil instill foster raise stimulate awaken kindle arouse spark nurture promote encourage build cultivate')
/** What people are only given (Cairn's list). */
const GIVEN = set(
  'overview insight introduction experience taste feedback chance opportunity glimpse understanding training instruction help support guidance advice tour certificate grounding foundation idea impression view picture',
)
const RECEIVING = set('receive get gain obtain experience')
const FINDING = set('discover hear encounter meet')
const AIMS = set('aim goal purpose objective intention idea plan intent')
const STRESS = set('emphasis focus attention stress priority weight')
const MODALS = /^(?:will|shall|would|may|might|are|is)$/

/** The words that tell it: from the first token to `end`, with the verb at `verb`; null for any other line. */
export type Teaching = { readonly end: number; readonly verb: number | null }

export function teachingAt(tokens: readonly Token[], forms: Forms): Teaching | null {
  const first = tokens[0]?.lower === 'to' ? 1 : 0
  const t = tokens[first]
  if (!t) return null
  const at = (i: number) => tokens[i]?.lower ?? ''
  if (t.lower === 'there' && (/^(?:is|are)$/.test(at(first + 1)) || (at(first + 1) === 'will' && at(first + 2) === 'be')))
    return { end: first + 2, verb: null }
  if (t.lower === 'here' && /^(?:you|we|students|learners)$/.test(at(first + 1))) return { end: first + 3, verb: null }
  // "In week 3 we look at clay"
  const us = PREPOSITIONS.has(t.lower) ? tokens.findIndex((x, i) => i > first && i <= first + 6 && x.lower === 'we') : -1
  if (us > 0 && !/^(?:can|could|should|must)$/.test(at(us + 1))) return byUs(tokens, us + 1, forms)
  if (/^(?:we|i)$/.test(t.lower) && !/^(?:can|could|should|must)$/.test(at(first + 1))) return byUs(tokens, first + 1, forms)
  return byAim(tokens, first, forms) ?? byHelper(tokens, first, forms) ?? ordered(tokens, first, forms) ?? receiving(tokens, first, forms)
}

const verbFrom = (tokens: readonly Token[], from: number, forms: Forms, least: number): number | null => {
  let at = from
  const isLed = MODALS.test(tokens[at]?.lower ?? '')
  if (isLed) at++
  while (/ly$/.test(tokens[at]?.lower ?? '') || /^(?:also|then)$/.test(tokens[at]?.lower ?? '')) at++
  const score = scoreVerb(tokens.slice(at), forms, isLed ? 'lead' : 'subject', isLed ? ['base'] : ['base', 's'])
  return score && score.sum > least ? at : null
}

/** "We will take a close look at": whoever says we is not the learner. */
function byUs(tokens: readonly Token[], from: number, forms: Forms): Teaching | null {
  const verb = verbFrom(tokens, from, forms, 0)
  return verb === null ? null : { end: verb + 1, verb }
}

/** "The aim of the lesson is to", "Emphasis is placed on". */
function byAim(tokens: readonly Token[], from: number, forms: Forms): Teaching | null {
  for (const { head, end } of phrasesAt(tokens, from, forms)) {
    const lemma = forms.nounOf(tokens[head]?.lower ?? '')?.lemma ?? ''
    const be = tokens.findIndex((t, i) => i >= end && i <= end + 6 && /^(?:is|are|will|be)$/.test(t.lower))
    if (be < 0) continue
    if (AIMS.has(lemma) && tokens[be + 1]?.lower === 'to' && (be === end || tokens[end]?.lower === 'of')) return { end: be + 2, verb: null }
    const put = tokens[be]?.lower === 'will' ? be + 2 : be + 1
    if (STRESS.has(lemma) && be === end && /^(?:placed|put|given|laid|paid|on)$/.test(tokens[put]?.lower ?? ''))
      return { end: put + 1, verb: null }
  }
  return null
}

const lemmaOf = (token: Token | undefined, forms: Forms): string => forms.nounOf(token?.lower ?? '')?.lemma ?? token?.lower ?? ''
const isLearner = (token: Token | undefined, forms: Forms): boolean => token !== undefined && LEARNERS.has(lemmaOf(token, forms))

/** Where the people are that stand as the object at a token; null where none do. */
function peopleAt(tokens: readonly Token[], from: number, forms: Forms, only: 'learners' | 'people'): number | null {
  if (isLearner(tokens[from], forms)) return from
  let at = from
  while (DETERMINERS.has(tokens[at]?.lower ?? '') || POSSESSIVES.has(tokens[at]?.lower ?? '') || NUMBERS.has(tokens[at]?.lower ?? '')) at++
  for (let i = at; i < at + 3; i++) {
    const token = tokens[i]
    if (!token || token.isSign || PREPOSITIONS.has(token.lower)) return null
    if (isLearner(token, forms) || (only === 'people' && forms.nounOf(token.lower)?.plural !== false && isPerson(token.lower, forms)))
      return i
  }
  return null
}

/** "The studio offers learners a chance", "Our experts walk you through it": a thing, or somebody of ours, does something for people. */
function byHelper(tokens: readonly Token[], from: number, forms: Forms): Teaching | null {
  const isOurs = tokens[from]?.lower === 'our'
  for (const { head, end } of phrasesAt(tokens, from, forms)) {
    const subject = tokens[head] as Token
    const own = lemmaOf(subject, forms)
    const isOther = isPerson(subject.lower, forms) && !isOurs
    if (isLearner(subject, forms)) continue
    const verb = verbFrom(tokens, end, forms, 0)
    const lemma = verb === null ? undefined : forms.verbsOf(tokens[verb]?.lower ?? '')[0]?.lemma
    if (verb === null || lemma === undefined || own === '') continue
    // A bare plural that looks like a verb begins no sentence about a thing: "Prepare learners".
    if (head === from && forms.verbsOf(subject.lower).some((f) => f.form === 'base') && !MODALS.test(tokens[end]?.lower ?? '')) continue
    const isForPeople = HELPING.has(lemma) && peopleAt(tokens, verb + 1, forms, isOther ? 'learners' : 'people') !== null
    if (isOurs || isForPeople) return { end: verb + 1, verb }
  }
  return null
}

/** "Assist participants in", "Foster curiosity in young visitors": learners are what it is done to. */
function ordered(tokens: readonly Token[], from: number, forms: Forms): Teaching | null {
  const lemma = forms.verbsOf(tokens[from]?.lower ?? '').find((f) => f.form === 'base' || f.form === 's')?.lemma
  if (lemma === undefined) return null
  const people = HELPING.has(lemma) ? peopleAt(tokens, from + 1, forms, 'learners') : null
  if (people !== null) return { end: people + 1, verb: from }
  if (!ROUSING.has(lemma)) return null
  const into = tokens.findIndex((t, i) => i > from + 1 && /^(?:in|among|amongst)$/.test(t.lower))
  return into > 0 && peopleAt(tokens, into + 1, forms, 'people') !== null ? { end: into, verb: from } : null
}

/** "Staff receive an overview", "You will find out how": what they do is only to be given something. */
function receiving(tokens: readonly Token[], from: number, forms: Forms): Teaching | null {
  const phrases = tokens[from]?.lower === 'you' ? [{ head: from, end: from + 1 }] : phrasesAt(tokens, from, forms)
  for (const { head, end } of phrases) {
    const subject = tokens[head] as Token
    if (!isLearner(subject, forms) && !isPerson(subject.lower, forms)) continue
    const verb = verbFrom(tokens, end, forms, 0)
    const lemma = verb === null ? undefined : forms.verbsOf(tokens[verb]?.lower ?? '')[0]?.lemma
    if (verb === null || lemma === undefined) continue
    const isFound = lemma === 'find' && tokens[verb + 1]?.lower === 'out'
    if (isFound || (FINDING.has(lemma) && /^(?:how|why|what|about|from)$/.test(tokens[verb + 1]?.lower ?? '')))
      return { end: verb + (isFound ? 2 : 1), verb }
    const given = phrasesAt(tokens, verb + 1, forms).at(-1)
    if (RECEIVING.has(lemma) && given && GIVEN.has(lemmaOf(tokens[given.head], forms))) return { end: given.end, verb }
  }
  return null
}
