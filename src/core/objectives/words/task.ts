/** Tasks of the course: lines that say what is to be attended, handed in or gone through, and not what is learnt by it. */
import { DETERMINERS, NUMBERS, PARTICLES, POSSESSIVES, PREPOSITIONS } from './closed'
import type { Forms } from './forms'
import { phrasesAt } from './subject'
import type { Token } from './verb-score'

const set = (words: string): ReadonlySet<string> => new Set(words.split(' '))
/** What is only asked for by a course. */
const ASKED = set(
  'audition attend watch visit tour shadow join enrol register upload submit earn renew clock log post subscribe bring spend click',
)
const ASKED_OF_TWO = set(
  'hand in,hand over,turn in,turn up,sign up,sign on,sign in,rack up,put in,catch up,sit in,take part,log in,log on'
    .replaceAll(' ', '_')
    .replaceAll(',', ' '),
)
/** What a course asks for and one may be able to do as well. */
const EITHER = set(
  'achieve gain get make give send undertake download obtain view complete finish do take read perform run keep meet pass fill work book install choose listen participate chat play sit hand turn set sign write hold see walk go come pay print collect borrow prepare practise return schedule arrange answer observe volunteer reread revise skim review buy reply contribute have carry learn',
)
/** What one does for a course alone where a deadline or "your" says so. */
const RATHER_DONE = set(
  'write hold see prepare collect print borrow walk go come review revise practise play view answer set arrange schedule return choose keep run perform install book pay make give get',
)
/** What courses are made of (Cairn's list). */
const OF_COURSES = set(
  'quiz test exam examination paper assignment worksheet sheet module unit chapter lecture video webinar session seminar workshop tutorial survey questionnaire evaluation portfolio homework exercise reading textbook reader page slide podcast forum board poll badge certificate placement talk topic practicum internship shift logbook timesheet journal diary reflection project course class evening afternoon induction orientation mentor tutor rehearsal visit trip meeting portal platform account website handout coursework submission presentation slot interview form essay article lab practical apprenticeship hour day week night weekend workbook draft slideshow concert tour link website licence membership passport deposit fee kit card permit supervisor museum book poster appointment post comment learning match party ceremony',
)
/** Of these nothing else is ever made. */
const OF_COURSES_ALONE = set(
  'quiz exam examination assignment worksheet homework questionnaire module unit chapter video webinar lecture forum poll logbook timesheet reading podcast survey tutorial',
)
const SPANS = set('hour day week night month evening afternoon morning weekend shift')

const DAYS = '(?:mon|tues|wednes|thurs|fri|satur|sun)day'
const DEADLINE = new RegExp(
  String.raw`\bfor (?:the )?next (?:time|week|class|session|lesson)\b|\bfor class\b|\b(?:by|before|no later than|until|on)\s+(?:the\s+)?(?:(?:end|start)\s+of\s+)?${DAYS}|\bby\s+(?:noon|midnight|\d|the\s+(?:deadline|due date|end of)|week)|\bbefore\s+(?:the\s+)?(?:\w+\s+){0,2}(?:class|lesson|session|course|meeting|lecture|exam|term|seminar|workshop|visit|placement|evening|induction|block|start)\b|\b(?:in|by|of|for) week \d`,
  'i',
)
const FREQUENCY =
  /\b(?:weekly|daily|fortnightly|monthly|(?:each|every) (?:day|week|month|evening|friday|monday)|(?:once|twice|times|hours?|hour) (?:a|per|each|every) (?:day|week|month)|a week|a day)\b/i
const QUALITY =
  /\b(?:without|within|correctly|accurately|so that|with (?:no|zero|all|at least|fewer)|that (?:is|are|meets?|passes)|according to|to the (?:standard|satisfaction)|free of|aloud|from (?:an?|source|raw) )\b/i
const NUMBERED =
  /\b(?:module|unit|chapter|week|quiz|assignment|worksheet|exercises?|project|essay|paper|lab|sheet|lecture|act)s? (?:\d|one|two|three|four)/i

/** What speaks for a task (above zero) or against one. From `TASK_FROM` on it is one (Cairn defaults, tried on labelled lines). */
const WEIGHTS = {
  'only asked for': 1.2,
  'of a course': 1.4,
  'beside something of a course': 0.6,
  'of courses alone': 0.7,
  'an event': 1.4,
  'a deadline': 1.3,
  'a frequency': 0.6,
  'a span of time': 1.2,
  your: 0.8,
  'a numbered part': 1.2,
  'somebody or a place of the course': 0.7,
  'going there': 0.6,
  'how well': -1.3,
  'third person': -0.4,
  'as well done for its own sake': -1,
  'no such thing': -1,
  'gone through to its end': 0.5,
  'for so long': 0.6,
  'gone there': 0.5,
  'only obtained': 0.4,
  'a mark to reach': 1.8,
  'yours to have': 0.8,
  'an appointment': 1.2,
  'a diary': 1,
  'a meeting': 1,
  'a turn': 1.8,
  'taken along': 0.6,
  'brought about': -1.2,
  'the set text': 1.8,
  'read aloud': -2,
  'another task beside it': 0.9,
} as const
const TASK_FROM = 1.7

/** Where what is done for a course stands behind the first of the tokens: "complete the ...", "hand in your ..."; null behind any other verb. */
export function doneFor(tokens: readonly Token[], forms: Forms): number | null {
  const [first, second] = tokens
  const lemma = forms.verbsOf(first?.lower ?? '').find((f) => f.form === 'base' || f.form === 's')?.lemma
  if (lemma === undefined) return null
  const isOfTwo = ASKED_OF_TWO.has(`${lemma}_${second?.lower}`)
  if (!isOfTwo && !ASKED.has(lemma) && (!EITHER.has(lemma) || RATHER_DONE.has(lemma))) return null
  let at = isOfTwo ? 2 : 1
  if (PREPOSITIONS.has(tokens[at]?.lower ?? '')) at++
  return DETERMINERS.has(tokens[at]?.lower ?? '') || POSSESSIVES.has(tokens[at]?.lower ?? '') ? at + 1 : at
}

/** How many of the tokens, from the verb on, name a task of the course; 0 where they name none. */
export function taskAt(tokens: readonly Token[], forms: Forms, third: boolean): number {
  const [first, second] = tokens
  const lemma = forms.verbsOf(first?.lower ?? '').find((f) => f.form === 'base' || f.form === 's')?.lemma
  if (!first || lemma === undefined) return 0
  const isOfTwo = ASKED_OF_TWO.has(`${lemma}_${second?.lower}`)
  const isAsked = ASKED.has(lemma) || isOfTwo
  if (!isAsked && !EITHER.has(lemma)) return 0
  let at = isOfTwo || PARTICLES.has(second?.lower ?? '') ? 2 : 1
  if (PREPOSITIONS.has(tokens[at]?.lower ?? '')) at++
  const phrase = phrasesAt(tokens, at, forms).at(-1)
  const lemmaAt = (i: number) => forms.nounOf(tokens[i]?.lower ?? '')?.lemma ?? tokens[i]?.lower ?? ''
  const head = phrase ? lemmaAt(phrase.head) : ''
  const rest = tokens
    .slice(1)
    .map((t) => t.lower)
    .join(' ')
  const isCourse = OF_COURSES.has(head)
  const isEvent = !isCourse && (forms.nounOf(head)?.word.classes.includes('event') ?? false)
  const inner = phrase ? tokens.slice(at, phrase.end).some((_, i) => at + i !== phrase.head && OF_COURSES.has(lemmaAt(at + i))) : false
  const due = DEADLINE.test(rest)
  const isYours = tokens[at]?.lower === 'your' || tokens[1]?.lower === 'your'
  const opener = tokens[at]?.lower ?? ''
  const isSpan = SPANS.has(head) && (NUMBERS.has(opener) || /^(?:\d|an?$)/.test(opener))
  const behind = phrase ? (tokens[phrase.end]?.lower ?? '') : ''
  const isDiary = lemma === 'keep' && /^(?:diary|journal|logbook|log|record)$/.test(head) && head !== 'record'
  const holds: Readonly<Record<keyof typeof WEIGHTS, boolean>> = {
    'only asked for': isAsked,
    'of a course': isCourse,
    'beside something of a course': !isCourse && inner,
    'of courses alone': !isAsked && OF_COURSES_ALONE.has(head),
    'an event': isEvent,
    'a deadline': due,
    'a frequency': FREQUENCY.test(rest),
    'a span of time': isSpan,
    your: isYours,
    'a numbered part': NUMBERED.test(rest),
    'somebody or a place of the course': /\b(?:mentor|tutor|assessor|reception|board|forum|portal|platform)\b/.test(rest),
    'going there': (/^(?:attend|tour|visit|shadow|join|enrol|register|upload)$/.test(lemma) || isOfTwo) && phrase !== undefined,
    'how well': QUALITY.test(rest),
    'third person': third,
    'as well done for its own sake':
      RATHER_DONE.has(lemma) && !due && !isYours && !isDiary && !(isArranged(lemma) && (isCourse || isEvent)),
    'gone through to its end': /^(?:finish|sit|complete|work)$/.test(lemma) && isCourse,
    'for so long': /\bfor (?:\w+) (?:days|weeks|months|hours?)\b|\bthroughout\b/.test(rest),
    'gone there': isGoing(lemma) && (isCourse || isEvent),
    'only obtained':
      /^(?:get|gain|obtain|achieve|undertake|reply|download|send|perform|book)$/.test(lemma) && (isCourse || isEvent || inner),
    'a mark to reach': lemma === 'achieve' && /^(?:\d|per)/.test(opener),
    'yours to have': /^(?:get|have|carry)$/.test(lemma) && isYours,
    'an appointment': lemma === 'make' && /^(?:appointment|booking|reservation)$/.test(head),
    'a diary': isDiary,
    'a meeting': lemma === 'hold' && /^(?:meeting|interview|tutorial)$/.test(head),
    'a turn': lemma === 'take' && head === 'turn',
    'taken along': lemma === 'bring',
    'brought about':
      /^(?:bring|carry)$/.test(lemma) &&
      /^(?:to|into|together|up)$/.test(behind) &&
      !isYours &&
      !/\b(?:evening|class|session|day|lesson)\b/.test(rest),
    'the set text': lemma === 'buy' && /^(?:text|book|kit|textbook)$/.test(head),
    'read aloud': /\b(?:aloud|out loud)\b/.test(rest),
    'another task beside it': /\b(?:and|then) (?:sign|return|submit|upload|post|bring|send|print|answer)\b/.test(rest),
    'no such thing': /^(?:read|post|submit|take|do|have|carry|learn)$/.test(lemma) && !isCourse && !isEvent && !inner && !due && !isYours,
  }
  const sum = (Object.keys(WEIGHTS) as (keyof typeof WEIGHTS)[]).reduce((n, name) => n + (holds[name] ? WEIGHTS[name] : 0), 0)
  return sum >= TASK_FROM ? (phrase?.end ?? at) : 0
}
/** What is gone to, booked, viewed or answered because a course asks for it. */
const isArranged = (lemma: string): boolean => /^(?:come|go|book|view|answer|perform|make|return|play|hold)$/.test(lemma)
const isGoing = (lemma: string): boolean => lemma === 'come' || lemma === 'go'
