/** Who does it: the subject that a line begins with, and where its verb stands. */
import { ADVERBS, AUXILIARIES, DETERMINERS, JOINING, NUMBERS, POSSESSIVES, PREPOSITIONS, PRONOUNS, QUESTION_WORDS } from './closed'
import type { Forms } from './forms'
import { scoreVerb, type Token } from './verb-score'

const set = (words: string): ReadonlySet<string> => new Set(words.split(' '))
const LEARNERS = set(
  'learner student pupil participant trainee candidate apprentice attendee mentee novice newcomer beginner recruit cadet graduate holder starter',
)
const ANYBODY = set('those anyone everyone whoever')
const GROUPS = set('crew team staff class group people police cohort squad personnel committee board pair party')
const TEACHERS = set(
  'instructor teacher lecturer tutor professor facilitator trainer demonstrator presenter speaker mentor coach supervisor',
)
/** What a course consists of: what it covers is nothing that a learner does (Cairn's list). */
const COURSES = set(
  'course unit module lesson class lecture seminar workshop session programme program handbook chapter week evening day topic discussion material content training booklet syllabus section series tutorial webinar talk emphasis focus book reading video page lab induction retreat',
)
/** What courses and teachers do (Cairn's list). */
const PRESENTING = set(
  'cover introduce look explore present offer provide give focus examine explain deal consider describe discuss teach help show enable prepare equip include address survey trace outline touch begin start end revisit guide demonstrate illustrate combine bring build concentrate treat review allow let encourage invite deliver lead run lay turn familiarise feature span centre comprise consist develop foster emphasise stress share tell walk set model take',
)
const MODALS = set('will shall should can could may might must would')
/** What is done to learners where somebody else does it (Cairn's list). */
const TAUGHT = set(
  'introduce expose teach give show provide familiarise train tell encourage invite drill brief guide help motivate walk lead coach mentor offer prepare inform take acquaint remind challenge inspire immerse instruct equip present inform orient engage',
)
/** Endings of people who do something for a living. */
const AGENT = /(?:er|or|ist|ian|ant|ent|man|woman|wright|smith|keeper)$/
/** A noun phrase is rarely longer (Cairn default). */
const LONGEST_PHRASE = 9

export type Opening = {
  /** Where the verb begins. */
  readonly end: number
  /** The verb stands in the third person. */
  readonly third: boolean
  /** Whether the course or who teaches it is the subject; then the verb is of no learner. */
  readonly isTeacher: boolean
  /** The verb, where it is a teacher's. */
  readonly verb?: Token
  /** "can", "will" stands between: what is before it is no verb. */
  readonly isLed?: boolean
  /** Where the words for who does it stand. */
  readonly subject?: { readonly start: number; readonly end: number }
}

type Phrase = { readonly head: number; readonly end: number }

/**
 * The noun phrases that begin at a token, shorter ones first: where the head of each stands and where it ends. Where a word may be a verb,
 * a phrase may end before it.
 */
export function phrasesAt(tokens: readonly Token[], from: number, forms: Forms): Phrase[] {
  const found: Phrase[] = []
  let head = -1
  let at = from
  for (; at < tokens.length && at - from < LONGEST_PHRASE; at++) {
    const { lower, isSign } = tokens[at] as Token
    if (isSign) break
    if (DETERMINERS.has(lower) || POSSESSIVES.has(lower) || NUMBERS.has(lower) || /^\d/.test(lower)) {
      if (head >= 0) break
      continue
    }
    if (PRONOUNS.has(lower) || PREPOSITIONS.has(lower) || QUESTION_WORDS.has(lower) || AUXILIARIES.has(lower) || JOINING.has(lower)) break
    const isVerb = forms.verbsOf(lower).some((f) => f.form === 'base' || f.form === 's')
    if (head >= 0 && (isVerb || isAdverb(tokens[at] as Token))) found.push({ head, end: at })
    // Behind an article no verb stands: "an overview".
    const isNamed = DETERMINERS.has(tokens[at - 1]?.lower ?? '') && (forms.words.get(lower)?.adjective ?? 0) === 0
    if (forms.nounOf(lower) || isNamed || (!isVerb && !/ly$/.test(lower) && forms.words.get(lower)?.adjective === undefined)) head = at
    else if (isVerb && (forms.words.get(lower)?.adjective ?? 0) === 0) break
  }
  return head < 0 || found.some((p) => p.head === head && p.end === at) ? found : [...found, { head, end: at }]
}

/** Whether a word names people: by the table, by our lists, or, where no list has it, by its ending. */
export function isPerson(text: string, forms: Forms): boolean {
  const noun = forms.nounOf(text)
  const lemma = noun?.lemma ?? text.replace(/s$/, '')
  if (ANYBODY.has(text) || LEARNERS.has(lemma) || GROUPS.has(lemma) || TEACHERS.has(lemma)) return true
  if (!noun) return text.length > 5 && AGENT.test(lemma)
  return noun.word.personShare >= 0.4 || (noun.word.personShare >= 0.25 && AGENT.test(lemma))
}

/** The subject that the tokens begin with and where its verb is; `teacher` where it is the course or who teaches. Null for any other line. */
export function subjectOf(tokens: readonly Token[], forms: Forms): Opening | null {
  const named = (from: number, end: number) => {
    const [first, last] = [tokens[from], tokens[end - 1]]
    return first && last ? { subject: { start: first.start, end: last.start + last.text.length } } : {}
  }
  if (ANYBODY.has(tokens[0]?.lower ?? '')) {
    const found = verbBehind(tokens, { head: 0, end: 1 }, forms)
    return found && { ...found, ...named(0, 1) }
  }
  for (let from = 0, tries = 0; tries < 2; tries++) {
    for (const phrase of phrasesAt(tokens, from, forms)) {
      const found = verbBehind(tokens, phrase, forms)
      if (found) return { ...found, ...named(from, phrase.end) }
    }
    // "On completion of the award the holder plans": a phrase with its preposition may come first.
    const comma = tokens.findIndex((t, i) => i > from && t.text === ',')
    if (!PREPOSITIONS.has(tokens[0]?.lower ?? '') || comma < 0) return null
    from = comma + 1
  }
  return null
}

/** The verb of a subject, and whether the course or who teaches it is the subject; null where none follows. */
export function verbBehind(tokens: readonly Token[], { head, end }: Phrase, forms: Forms): Opening | null {
  const subject = tokens[head] as Token
  const noun = forms.nounOf(subject.lower)
  const lemma = noun?.lemma ?? subject.lower
  const isCourse = COURSES.has(lemma)
  const isKnown = isCourse || PEOPLE_PRONOUNS.has(subject.lower) || isPerson(subject.lower, forms)
  if (!isKnown && !mayAct(tokens, head, forms)) return null
  const at = behindClauses(tokens, behindOf(tokens, end, forms))
  const modal = tokens[at]
  const isModal = MODALS.has(modal?.lower ?? '')
  const isAble = (i: number) =>
    /^(?:is|are|be)$/.test(tokens[i]?.lower ?? '') &&
    /^(?:able|ready|prepared|expected)$/.test(tokens[i + 1]?.lower ?? '') &&
    tokens[i + 2]?.lower === 'to'
  const taught = isCourse ? null : taughtAt(tokens, at, forms)
  if (taught) return { end: taught.start + taught.text.length, third: false, isTeacher: true, verb: taught }
  let verb = at
  if (isModal) verb = isAble(at + 1) ? at + 4 : at + 1
  else if (isAble(at)) verb = at + 3
  const isLed = verb > at
  // "Allergies must be recorded": it is done to them.
  if (tokens[verb]?.lower === 'be' && (!isKnown || isDone(tokens[behindAdverbs(tokens, verb + 1)], forms))) return null
  verb = behindComma(tokens, behindAdverbs(tokens, verb))
  const token = tokens[verb]
  if (!token) return null
  const isPlural = noun?.plural ?? /[^s]s$/.test(subject.lower)
  const score = scoreVerb(tokens.slice(verb), forms, isLed ? 'lead' : 'subject', isLed || isPlural ? ['base'] : ['s'])
  // People in a table of words may be things as well: then only a clear verb behind them will do.
  if (!score || score.sum <= (!isKnown ? CLEAR_VERB : isLed ? 0 : 0.5)) return null
  const isTeacher = (isCourse || TEACHERS.has(lemma)) && PRESENTING.has(score.lemma)
  if (isCourse && !isTeacher) return null
  return { end: token.start, third: !isLed && !isPlural, isTeacher, isLed, ...(isTeacher ? { verb: token } : {}) }
}

const PEOPLE_PRONOUNS = set('you they')
/** A verb that only one who acts can have: behind a word that may be a thing. */
const CLEAR_VERB = 4
/** Somebody who does it for a living, though the table finds more things or nothing of that name: `binder`, `admins`. */
const ACTS = /(?:[^t]her|[^h]er|or|ist|smith|wright|ian|eer|maker|worker|holder)s?$/
function mayAct(tokens: readonly Token[], head: number, forms: Forms): boolean {
  const { lower } = tokens[head] as Token
  const noun = forms.nounOf(lower)
  if (!noun) return /[^s]s$/.test(lower) && forms.words.get(lower) === undefined && forms.verbsOf(lower).length === 0
  return ACTS.test(lower) && (noun.plural || DETERMINERS.has(tokens[0]?.lower ?? ''))
}

/** A participle that is no adjective as well: `recorded`, and not `aware` or `prepared`. */
const isDone = (token: Token | undefined, forms: Forms): boolean =>
  token !== undefined &&
  forms.verbsOf(token.lower).some((f) => f.form === 'past') &&
  (forms.words.get(token.lower)?.adjective ?? 0) === 0 &&
  !/^(?:able|ready|prepared|acquainted|committed|interested|convinced|excited)$/.test(token.lower)

/** Behind "of the watch". */
function behindOf(tokens: readonly Token[], from: number, forms: Forms): number {
  if (tokens[from]?.lower !== 'of') return from
  return phrasesAt(tokens, from + 1, forms)[0]?.end ?? from
}

/** "will be given", "are introduced to": the word for what is done to them; null where they do something themselves. */
function taughtAt(tokens: readonly Token[], from: number, forms: Forms): Token | null {
  const be = MODALS.has(tokens[from]?.lower ?? '') ? from + 1 : from
  if (!/^(?:be|is|are)$/.test(tokens[be]?.lower ?? '')) return null
  const word = tokens[behindAdverbs(tokens, be + 1)]
  return word && forms.verbsOf(word.lower).some((f) => f.form === 'past' && TAUGHT.has(f.lemma)) ? word : null
}

/** Behind "who passes this unit", and behind a clause between commas. */
function behindClauses(tokens: readonly Token[], from: number): number {
  if (/^(?:who|that)$/.test(tokens[from]?.lower ?? '') || tokens[from - 1]?.lower === 'whoever') {
    const modal = tokens.findIndex((t, i) => i > from && MODALS.has(t.lower))
    return modal < 0 ? from : modal
  }
  return behindComma(tokens, behindAdverbs(tokens, from))
}

function behindComma(tokens: readonly Token[], at: number): number {
  if (tokens[at]?.text !== ',') return at
  const close = tokens.findIndex((t, i) => i > at && t.text === ',')
  return close < 0 ? at : close + 1
}

const isAdverb = ({ lower }: Token): boolean => ADVERBS.has(lower) || (/ly$/.test(lower) && lower.length > 4)
function behindAdverbs(tokens: readonly Token[], from: number): number {
  let at = from
  while (tokens[at] && isAdverb(tokens[at] as Token)) at++
  return at
}
