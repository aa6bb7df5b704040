/** One activity, objective or module as it stands in a line or a cell. */

import { ACTIVITY_KINDS, type ActivityKind } from '../blueprint/kinds/activity'
import { capital } from '../blueprint/text'
import { readDuration } from './duration'
import { type Amount, codeKey, readAmount, readCodes, splitCode, type WeekSpan, weeksInText } from './quantities'
import { type DateOrder, type When, whenInTitle } from './when'

/** Words that tell a kind, as they stand in titles and in columns of kinds. */
const KIND_WORDS: readonly (readonly [ActivityKind, RegExp])[] = [
  ['reading', /\blektüre(?:$|[^\p{L}])|\blesen\b|\blecture de\b|\blectura\b/u],
  ['practice', /(?:^|[^\p{L}])übung(?:en)?(?:$|[^\p{L}])|\bexercices?\b|\bejercicios?\b/u],
  ['peer review', /\bpeer[- ](?:review|feedback|assessment)s?\b|\breview (?:of )?two\b/],
  ['worked example', /\bworked examples?\b|\bdemonstration\b/],
  ['case', /\bcase(?: stud(?:y|ies))?\b/],
  ['decision scenario', /\b(?:decision |branching )?scenarios?\b|\bsimulation\b/],
  ['group work', /\bgroup (?:work|task|project|activity)\b|\bteam(?:work)?\b|\bjigsaw\b/],
  ['discussion', /\bdiscuss(?:ion)?s?\b|\bforum\b|\bdebate\b|\bintroduce yourself\b/],
  ['quiz', /\bquiz(?:zes)?\b|\bself[- ](?:check|test|assessment)s?\b|\bknowledge checks?\b|\bpractice sets?\b|\btests? yourself\b/],
  ['exam', /\bexams?\b|\bmid-?terms?\b|\btests?\b|\bfinals\b/],
  ['lab', /\blabs?\b|\blaborator(?:y|ies)\b|\bfield ?work\b/],
  ['reflection', /\breflect(?:ion|ive|ions)?s?\b|\bjournals?\b|\bdiary\b|\blearning log\b|\bexit ticket\b/],
  ['survey', /\bsurveys?\b|\bpolls?\b|\bquestionnaires?\b/],
  [
    'live session',
    /\blive\b|\bwebinars?\b|\bseminars?\b|\btutorials?\b|\bworkshops?\b|\bsynchronous\b|\boffice hours?\b|\bclass meetings?\b|\bclinic\b/,
  ],
  ['video', /\bvideos?\b|\bfilms?\b|\bwatch\b|\bscreencasts?\b|\brecorded lectures?\b|\blectures?\b/],
  ['audio', /\baudio\b|\bpodcasts?\b|\blisten(?:ing)?\b/],
  ['slides', /\bslides?\b|\bslide deck\b/],
  ['reading', /\breadings?\b|\bread\b|\bchapters?\b|\barticles?\b|\btextbook\b|\bpp?\.\s*\d/],
  ['project', /\bprojects?\b|\bportfolios?\b|\bcapstone\b/],
  ['practice', /\bpracti[cs]es?\b|\bexercises?\b|\bproblem sets?\b|\bdrills?\b|\bworksheets?\b/],
  ['assignment', /\bassignments?\b|\bessays?\b|\bpapers?\b|\bhomework\b|\bdrafts?\b|\breports?\b|\bwritten\b|\bsubmission\b|\bplan\b/],
  ['announcement', /\bannouncements?\b/],
  ['linked tool', /\btools?\b|\binteractive\b/],
  ['page', /\bpages?\b|\bintroductions?\b|\boverview\b|\bwelcome\b|\bsummary\b|\bwrap[- ]?up\b/],
]

/** The kind that a text tells by the word of a kind that stands first; null where it tells none. */
export function kindIn(text: string): ActivityKind | null {
  const t = text.toLowerCase()
  const exact = ACTIVITY_KINDS.find((k) => k === t.trim())
  if (exact) return exact
  let best: { kind: ActivityKind; at: number } | null = null
  for (const [kind, pattern] of KIND_WORDS) {
    const at = t.search(pattern)
    if (at >= 0 && (best === null || at < best.at)) best = { kind, at }
  }
  return best?.kind ?? null
}

export type ModuleRef = { readonly number: string | null; readonly title: string | null; readonly weeks: WeekSpan | null }

const ROMAN: Readonly<Record<string, number>> = { i: 1, ii: 2, iii: 3, iv: 4, v: 5, vi: 6, vii: 7, viii: 8, ix: 9, x: 10, xi: 11, xii: 12 }
const WORD_NUMBERS = ['zero', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve']
const numberIn = (text: string): string => {
  const t = text.toLowerCase()
  const word = WORD_NUMBERS.indexOf(t)
  return String(ROMAN[t] ?? (word > 0 ? word : Number(t)))
}

const NAMED =
  /^(?:modules?|units?|topics?|lessons?|chapters?|sections?|blocks?|sessions?|mod\.?|modul|theme)\s*(?:no\.?\s*)?#?\s*(\d{1,2}|[ivx]{1,4}|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve)\b\s*[:.)–—|-]*\s*(.*)$/is
const SHORT = /^[mu]\s?(\d{1,2})\b(?!\.\d)\s*[:.)–—-]*\s*(.*)$/is
const WEEK = /^(?:weeks?|wks?\.?)\s*(\d{1,2})(?:\s*(?:-|–|—|to|and|&)\s*(\d{1,2}))?\b\s*[:.)–—|-]*\s*(.*)$/is

/** A word that may number the parts of a course, with its number: `Block 3: Flow`, `Modul 1`. */
const NUMBERED = /^(\p{Lu}\p{L}{2,14})\s+(\d{1,2})\b(?![.,]\d)\s*[:.)–—|-]*\s*(.*)$/su

/** The word and number that a line begins with, for finding out which word this course numbers its parts with. */
export function numberedWord(text: string): { readonly word: string; readonly number: number } | null {
  const match = NUMBERED.exec(text.trim())
  // A few capitals before a number are a code.
  if (match && /^\p{Lu}{2,5}$/u.test(match[1] as string)) return null
  return match && { word: (match[1] as string).toLowerCase(), number: Number(match[2]) }
}

/**
 * A line that opens a module: `Module 3: Measuring flow (weeks 3–4)`, `Unit II`, `M3 – Flow`, and whatever word in `words` this
 * course numbers its parts with. Null for any other.
 */
export function moduleHead(text: string, words: ReadonlySet<string> = NO_WORDS): ModuleRef | null {
  const t = text.trim()
  if (t.length > 200) return null
  const own = NUMBERED.exec(t)
  if (own && words.has((own[1] as string).toLowerCase())) return { number: numberIn(own[2] as string), ...titleAndWeeks(own[3] as string) }
  const match = NAMED.exec(t) ?? SHORT.exec(t)
  return match && { number: numberIn(match[1] as string), ...titleAndWeeks(match[2] as string) }
}
const NO_WORDS: ReadonlySet<string> = new Set()

/** `Week 3: Measuring flow`, `Weeks 3–4 Flow`. */
export function weekHead(text: string): { readonly weeks: WeekSpan; readonly title: string | null } | null {
  const match = WEEK.exec(text.trim())
  if (!match) return null
  const [first, last] = [Number(match[1]), Number(match[2] ?? match[1])]
  if (first < 1 || last > 60 || first > last) return null
  return { weeks: { first, last }, title: tidy(match[3] as string) || null }
}

function titleAndWeeks(text: string): { title: string | null; weeks: WeekSpan | null } {
  const found = weeksInText(text)
  return { title: tidy(found ? found.rest : text) || null, weeks: found?.weeks ?? null }
}

/** What a cell of a module column names: a number, a title or both. */
export function moduleRef(text: string, words: ReadonlySet<string> = NO_WORDS): ModuleRef | null {
  const t = text.replace(/\s+/g, ' ').trim()
  if (t === '' || /^[-–—/]+$/.test(t)) return null
  const head = moduleHead(t, words)
  if (head) return head
  const numbered = /^(\d{1,2})(?:\s*[:.)–—-]+\s*|\s+(?=[A-Z]))(.*)$/.exec(t)
  if (numbered) return { number: String(Number(numbered[1])), ...titleAndWeeks(numbered[2] as string) }
  if (/^\d{1,2}(?:\.0)?$/.test(t)) return { number: String(Number.parseInt(t, 10)), title: null, weeks: null }
  const week = weekHead(t)
  if (week) return { number: null, title: week.title, weeks: week.weeks }
  return { number: null, ...titleAndWeeks(t) }
}

/** Space, quotes and marks around a title taken off. */
export const tidy = (text: string): string =>
  text
    .replace(/\s+/g, ' ')
    .replace(/\(\s*\)|\[\s*\]/g, '')
    .replace(/\s+([,;.)])/g, '$1')
    .replace(/^[\s,;:.–—|•*-]+|[\s,;:–—|*-]+$/g, '')
    .replace(/^["“]([^"“”]*)["”]$/, '$1')
    .replace(/(?<=\p{L}{3}|\d)\.$/u, '')
    .trim()

export type Item = {
  readonly number: string | null
  readonly title: string
  readonly kind: ActivityKind | null
  readonly minutes: number | null
  readonly amount: Amount | null
  readonly due: string | null
  readonly when: When | null
  /** Whether a word says that the day is when it is due. */
  readonly dueSaid: boolean
  readonly codes: readonly string[]
  readonly guesses: readonly string[]
}

const DURATION =
  /(?:(?:~|≈|ca?\.|approx\.?|about)\s*)?\b(?=[\dOl]*\d)[\dOl]+(?:[.,]\d+)?(?:\s*(?:-|–|to)\s*\d+(?:[.,]\d+)?)?\s*(?:minutes?|mins?|min\.|m\b|(?:hours?|hrs?|h)(?:\s?\d{1,2}(?:\s*min)?)?)\b\.?|\b\d+\s*½\s*h\b/i
const AMOUNT =
  /\b(?=[\dO]*\d)[\dO]+(?:[.,]\d+)?\s*(?:points?|pts?\b\.?|marks?\b)|\b\d+(?:[.,]\d+)?\s*%|\b\d+\s*[x×]\s*\d+\s*(?:points?|pts)/i
const DUE = /(?:[,;–—-]\s*)?\b(?:due|submit by|deadline)\b:?\s*([^,;()[\]]*)/i
const CODES =
  /[([]\s*((?:[A-Za-z]{1,10}[\s.-]?)?\d{1,2}(?:\.\d{1,2}|[a-z])?(?:\s*(?:,|;|&|and|-|–)\s*(?:[A-Za-z]{1,10}[\s.-]?)?\d{1,2}(?:\.\d{1,2}|[a-z])?)*)\s*[)\]]|(?:→|->|=>)\s*([\w.,\s&]+)$/

/** Reads one line as an activity: what is left of it after time, points, due date and codes is its title. */
export function readItem(text: string, order: DateOrder = null): Item {
  const dated = whenInTitle(text.replace(/\s+/g, ' ').trim(), order)
  let rest = ` ${dated?.rest ?? text.replace(/\s+/g, ' ').trim()} `
  const guesses: string[] = []
  const take = (pattern: RegExp): RegExpExecArray | null => {
    const match = pattern.exec(rest)
    if (match) rest = rest.replace(match[0], ' ')
    return match
  }
  // "due" with something behind it that is no day: kept as it was written.
  const dueMatch = dated ? null : take(DUE)
  const duration = take(DURATION)
  const minutes = duration ? readDuration(duration[0], 'minutes') : null
  const amountMatch = take(AMOUNT)
  const amount = amountMatch ? readAmount(amountMatch[0], 'points') : null
  const codeMatch = CODES.exec(rest)
  const codes = codeMatch ? readCodes((codeMatch[1] ?? codeMatch[2] ?? '').trim()) : null
  // A year or a count in brackets is no code.
  if (codeMatch && codes && codes.length > 0 && !/^\d{1,2}$/.test(codes[0] as string)) rest = rest.replace(codeMatch[0], ' ')
  for (const read of [minutes, amount]) if (read?.guess) guesses.push(read.guess)
  const numbered = /^\s*(\d{1,2}\.\d{1,2})[.):]?\s+(?=\S)/.exec(rest)
  const title = tidy((numbered ? rest.slice(numbered[0].length) : rest).replace(/[([][\s,;–-]*[)\]]/g, ' '))
  return {
    number: numbered?.[1] ?? null,
    title,
    kind: kindIn(title),
    minutes: minutes?.value ?? null,
    amount: amount?.value ?? null,
    due: dated?.when.read ?? (dueMatch ? tidy(dueMatch[1] as string) || null : null),
    when: dated?.when ?? null,
    dueSaid: dated?.said ?? true,
    codes: codes && codes.length > 0 && !/^\d{1,2}$/.test(codes[0] as string) ? codes : [],
    guesses,
  }
}

export type Statement = { readonly code: string | null; readonly statement: string; readonly refs: readonly string[] }

const LEAD_IN =
  /^(?:by the end of (?:this|the) [\w ]+?,?\s*)?(?:(?:learners?|students?|participants?|you|trainees?)\s+(?:will|should|can|must)\s+(?:be able to|have learn(?:ed|t) (?:how )?to)?|(?:be )?able to)\s*[:,]?\s*/i

/** Reads a line as an objective or outcome: code in front, codes of outcomes in brackets behind. */
export function readStatement(text: string): Statement {
  const { code, rest } = splitCode(text.replace(/\s+/g, ' '))
  const behind = /\s*[([→]\s*(?:supports?\s+|aligned (?:to|with)\s+)?([A-Za-z]{0,10}[\s.-]?\d{1,2}[\w.,;&\s–-]*?)[)\]]?\s*\.?$/.exec(rest)
  const refs = behind ? readCodes(behind[1] as string) : null
  const body =
    behind && refs && refs.length > 0 && refs.every((r) => /[a-z]/i.test(r) || refs.length > 1) ? rest.slice(0, behind.index) : rest
  const bare = body.replace(LEAD_IN, '').trim()
  const statement = bare === '' ? body : capital(bare)
  return { code, statement: statement.replace(/[;.,\s]+$/, ''), refs: body === rest ? [] : (refs ?? []) }
}

/** Whether two references name the same code; `1.1` also names `MLO1.1`. */
export function sameCode(a: string, b: string): boolean {
  const [x, y] = [codeKey(a), codeKey(b)]
  if (x === y) return true
  const [tailX, tailY] = [x.replace(/^[a-z]+(?=\d)/, ''), y.replace(/^[a-z]+(?=\d)/, '')]
  return tailX === tailY && (tailX === x || tailY === y)
}
