/** One activity, objective or module as it stands in a line or a cell. */

import { ACTIVITY_KINDS, type ActivityKind } from '../blueprint/kinds/activity'
import { capital } from '../blueprint/text'
import { readDuration } from './duration'
import { type Amount, codeKey, readAmount, readCodes, splitCode } from './quantities'
import { type DateOrder, type When, whenInTitle } from './when'

/** Words that tell a kind, as they stand in titles and in columns of kinds. */
const KIND_WORDS: readonly (readonly [ActivityKind, RegExp])[] = [
  ['reading', /^texts?(?=\s*:)|\blektüre(?:$|[^\p{L}])|\blesen\b|\blecture (?:de\b|:)|\blecturas?\b|\bartikel\b/u],
  ['video', /\bvídeos?\b|\bvidéos?\b/],
  ['quiz', /\bcuestionarios?\b|\bfragebogen\b/],
  ['assignment', /\btareas?\b|\bhausaufgaben?\b|\bdevoirs?\b/],
  ['practice', /(?:^|[^\p{L}])übung(?:en)?(?:$|[^\p{L}])|\bexercices?\b|\bejercicios?\b|\bprácticas?\b|\bpratiques?\b/u],
  ['peer review', /\bpeer[- ](?:review|feedback|assessment)s?\b|\breview (?:of )?two\b/],
  ['worked example', /\bworked examples?\b|\bdemonstration\b/],
  ['case', /\bcase(?: stud(?:y|ies))?\b/],
  ['decision scenario', /\b(?:decision |branching )?scenarios?\b|\bsimulation\b/],
  ['group work', /\bgroup (?:work|task|project|activity)\b|\bteam(?:work)?\b|\bjigsaw\b/],
  ['discussion', /\bdiscuss(?:ion)?s?\b|\bforum\b|\bdebate\b|\bintroduce yourself\b/],
  [
    'quiz',
    /\b(?:practice |mini-?)?quiz(?:zes)?\b|\bself[- ](?:check|test|assessment)s?\b|\bknowledge checks?\b|\bpractice sets?\b|\btests? yourself\b/,
  ],
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
  ['project', /\bproje[ck]t[se]?\b|\bprojets?\b|\bproyectos?\b|\bportfolios?\b|\bcapstone\b/],
  ['practice', /\bpracti[cs]es?\b|\bexercises?\b|\bproblem sets?\b|\bdrills?\b|\bworksheets?\b/],
  ['assignment', /\bassignments?\b|\bessays?\b|\bpapers?\b|\bhomework\b|\bdrafts?\b|\breports?\b|\bwritten\b|\bsubmission\b|\bplan\b/],
  ['announcement', /\bannouncements?\b/],
  ['linked tool', /\btools?\b|\binteractive\b/],
  ['page', /\bpages?\b|\bintroductions?\b|\boverview\b|\bwelcome\b|\bsummary\b|\bwrap[- ]?up\b/],
]

/** Nouns that name the kind of all that stands before them: a "draft reading quiz" is a quiz. */
const HEAD_NOUNS: Readonly<Record<string, ActivityKind>> = {
  quiz: 'quiz',
  exam: 'exam',
  survey: 'survey',
  worksheet: 'practice',
  slides: 'slides',
}
const LAST_NOUN = new RegExp(`^[\\p{L}\\d -]*\\b(${Object.keys(HEAD_NOUNS).join('|')})(?: \\d{1,2})?$`, 'u')

/** The kind that a text tells by the word of a kind that stands first; null where it tells none. */
export function kindIn(text: string): ActivityKind | null {
  const t = text.toLowerCase()
  const exact = ACTIVITY_KINDS.find((k) => k === t.trim())
  if (exact) return exact
  const last = LAST_NOUN.exec(t)?.[1]
  if (last !== undefined) return HEAD_NOUNS[last] ?? null
  let best: { kind: ActivityKind; at: number } | null = null
  for (const [kind, pattern] of KIND_WORDS) {
    const at = t.search(pattern)
    if (at >= 0 && (best === null || at < best.at)) best = { kind, at }
  }
  return best?.kind ?? null
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
  /** What more the line says behind its title. */
  readonly note: string | null
  readonly kind: ActivityKind | null
  /** The kind that stands by itself behind the title. */
  readonly kindSaid: ActivityKind | null
  readonly minutes: number | null
  readonly amount: Amount | null
  /** Why the amount is a guess, where it is one. */
  readonly amountGuess: string | null
  readonly due: string | null
  readonly when: When | null
  /** Whether a word says that the day is when it is due. */
  readonly dueSaid: boolean
  readonly codes: readonly string[]
  readonly guesses: readonly string[]
}

const DURATION =
  /(?:(?:~|≈|ca?\.|approx\.?|about)\s*)?(?:\b\d{1,2}\s*[x×]\s*)?(?:(?<!\d\s?[-–]\s?)\b\d+(?:[.,]\d+)?\s*(?:-|–|to)\s*\d+(?:[.,]\d+)?|\b(?=[\dOl]*\d)[\dOl]+(?:[.,]\d+)?)\s*(?:minutes?|mins?|min\.|m\b|(?:hours?|hrs?|h)(?:\s?\d{1,2}(?:\s*min)?)?)\b\.?|\b\d+\s*½\s*h\b/i
const OWN_DURATION = new RegExp(`^(?:${DURATION.source})$`, 'i')
const AMOUNT =
  /\b(?=[\dO]*\d)[\dO]+(?:[.,]\d+)?\s*(?:points?|pts?\b\.?|marks?\b|punkte?\b|puntos?\b|punten\b|pontos?\b)|\b\d+(?:[.,]\d+)?\s*%|\b\d+\s*[x×]\s*\d+\s*(?:points?|pts)/i
const DUE = /(?:[,;–—-]\s*)?\b(?:due|submit by|deadline)\b:?\s*([^,;()[\]]*)/i
const CODES =
  /[([]\s*((?:[A-Za-z]{1,10}[\s.-]?)?\d{1,2}(?:\.\d{1,2}|[a-z])?(?:\s*(?:,|;|&|and|-|–)\s*(?:[A-Za-z]{1,10}[\s.-]?)?\d{1,2}(?:\.\d{1,2}|[a-z])?)*)\s*[)\]]|(?:→|->|=>)\s*([\w.,\s&]+)$/

/** Days on which nobody meets. */
export const CLOSED =
  /\b(?:no (?:class(?:es)?|teaching|lectures?|labs?|meetings?|sessions?|seminars?|school)|(?:public |bank )?holidays?|reading week|recess|(?:spring|fall|autumn|winter|mid-?term|easter) break|campus closed|ferien|feiertage?|vacances)\b/i

/** Kinds of work that are graded as a rule. */
const GRADED: ReadonlySet<ActivityKind> = new Set(['quiz', 'exam', 'assignment', 'project', 'peer review', 'lab', 'case'])
/** Where something was taken out of a line: a value, and a day. */
const [TAKEN, TAKEN_DAY] = ['\u0001', '\u0002']
/** `09:00-10:30 Practice`. */
const CLOCKS =
  /^(\d{1,2})[:.](\d{2})\s*(?:[ap]\.?m\.?)?\s*(?:-|–|—|to|bis)\s*(\d{1,2})[:.](\d{2})\s*(?:[ap]\.?m\.?|uhr|h)?\s*[:–—-]?\s+(?=\p{L})/iu
/** `9 am Listen in`: when it begins. */
const CLOCK_START = /^\d{1,2}(?:[:.]\d{2})?\s*(?:[ap]\.?m\.?|uhr)\s*[:–—-]?\s+(?=\p{L})/iu
/** Behind a comma, a dash or in brackets: "half an hour", "two hours". */
const DURATION_IN_WORDS =
  /(?<=[,(–—-]\s*)(?:about |around )?(?:(?:an?|one|two|three|four|five|six|eight|ten|twelve|fifteen|twenty|thirty|forty|fifty|sixty|ninety|half|three quarters|a quarter|[\d¼½¾]+)[\s-]+)+(?:of )?(?:an? )?(?:hours?|minutes?)\b/i
/** "Starter (5): name that tempo": minutes, in a line that says what they are for. */
const LABEL_MINUTES =
  /^\s*(starter|warm[- ]?up|hook|opening|intro(?:duction)?|main(?: (?:part|task|activity))?|development|practice|plenary|closing|close|cool[- ]?down|review|recap|wrap[- ]?up)\s*\((\d{1,3})['’′]?\)\s*:\s*/i
/** Length of a recording: minutes and seconds. */
const LENGTH = /(?<=[(,]\s*)\d{1,2}:[0-5]\d(?=\s*[),])/
const NAMED_CODES =
  /[,;–—-]\s*(?:objectives?|outcomes?|aligned (?:to|with)|maps? to)?\s*:?\s+((?:[CMPSI]?LO|[A-Z]{1,4})?\s?\d{1,2}(?:\.\d{1,2}|[a-z])?(?:\s*[,;&]\s*(?:[CMPSI]?LO|[A-Z]{1,4})?\s?\d{1,2}(?:\.\d{1,2}|[a-z])?)*)\s*(?=$|[\u0001;–—-])/

/** `Week 11. LO2 and LO3.`: codes as the last sentence. */
const CODES_LAST =
  /\.\s+((?:[CMPSI]?LO|[A-Z]{1,3})\s?\d{1,2}(?:\.\d{1,2}|[a-z])?(?:\s*(?:,|;|&|and)\s*(?:[CMPSI]?LO|[A-Z]{1,3})?\s?\d{1,2}(?:\.\d{1,2}|[a-z])?)*)\.?\s*$/

/** Minutes from one time of day to the next. */
function between([, h1, m1, h2, m2]: RegExpExecArray): { readonly value: number; readonly guess: null } | null {
  const [from, to] = [Number(h1) * 60 + Number(m1), Number(h2) * 60 + Number(m2)]
  const minutes = to > from ? to - from : to + 720 - from
  return minutes > 0 && minutes <= 720 ? { value: minutes, guess: null } : null
}
/** A time as it stands in a line; of a recording, seconds count as a minute begun at thirty. */
function lengthOf(text: string): ReturnType<typeof readDuration> {
  const clock = /^(\d{1,2}):([0-5]\d)$/.exec(text)
  return clock ? { value: Math.max(1, Math.round(Number(clock[1]) + Number(clock[2]) / 60)), guess: null } : readDuration(text, 'minutes')
}

/** "Exercise 1 is due ... and counts ...": what only led to a value that was taken out goes with it. */
const withoutStumps = (text: string): string => text.replace(STUMP, '')
const STUMP = /(?:\s+(?:and\s+)?(?:is|are|counts?|worth|will be)(?:\s+(?:and|is|counts?|worth|for|at|on|by))*)+(?=\s*[\u0001\u0002])/gi

/** The title of a line, up to the first value that was taken out of it, and what more it says behind that. */
function titleAndNote(rest: string, day: string): { readonly title: string; readonly note: string | null } {
  const notes: string[] = []
  const plain = (t: string) =>
    tidy(
      t
        .replaceAll(TAKEN, ' ')
        .replaceAll(TAKEN_DAY, ' ')
        .replace(/[([][\s,;–-]*[)\]]/g, ' '),
    )
  const bare = withoutStumps(rest).replace(/[([]([^()[\]]*[\u0001\u0002][^()[\]]*)[)\]]/g, (_, inner: string) => {
    const left = plain(inner).replace(/(?:^|,)\s*(?:,\s*)+/g, ', ')
    if (/[\p{L}\d]/u.test(left)) notes.push(tidy(left))
    return TAKEN
  })
  const at = bare.search(/[\u0001\u0002]/)
  const before = at < 0 ? bare : bare.slice(0, at)
  if (at < 0 || plain(before) === '') return { title: plain(bare), note: notes.join('; ') || null }
  const behind = bare.slice(at)
  const goesOn = /^[\s\u0001\u0002]*\p{L}/u.test(behind)
  if (goesOn) return { title: plain(bare), note: notes.join('; ') || null }
  const more = tidy(behind.replaceAll(TAKEN, ' ').replaceAll(TAKEN_DAY, /\p{L}/u.test(behind) ? day : ' '))
  if (/\p{L}/u.test(more) && more !== tidy(day)) notes.push(more)
  return { title: plain(before), note: notes.join('; ') || null }
}

/** "Safety with rags (video, 6 min)": the kind that stands by itself behind the title. */
const kindSaid = (note: string | null): ActivityKind | null =>
  (note ?? '')
    .split('; ')
    .filter((part) => part !== '' && part.split(/\s+/).length <= 2)
    .map(kindIn)
    .find((kind) => kind !== null) ?? null

/** Reads one line as an activity: what is left of it after time, points, due date and codes is its title. */
export function readItem(text: string, order: DateOrder = null): Item {
  const whole = text
    .replace(/\s+/g, ' ')
    .trim()
    .replace(/^(?:\(?\d{1,2}\)|\(?[A-Za-z]\)|[A-Za-z]\.|\d{1,2}\.(?!\d))\s+(?=\S)/, '')
    .replace(/^please (\p{L})/iu, (_, first: string) => first.toUpperCase())
  const clock = CLOCKS.exec(whole)
  const start = clock ? null : CLOCK_START.exec(whole)
  const plain = whole.slice((clock ?? start)?.[0].length ?? 0)
  const dated = whenInTitle(plain.replace(/^due\s*:\s*(\p{L}.*?)\s+[–—-]\s+/iu, '$1, due '), order, TAKEN_DAY)
  let rest = ` ${dated?.rest ?? plain} `
  const guesses: string[] = []
  const take = (pattern: RegExp): RegExpExecArray | null => {
    const match = pattern.exec(rest)
    if (match) rest = rest.replace(match[0], ` ${TAKEN} `)
    return match
  }
  // "Recording, 6-8 min - 40 min": what stands alone between dashes is what the whole takes.
  const takeOwn = (): RegExpExecArray | null => {
    const part = /\d.*\s[-–—]\s/.test(rest) ? rest.split(/\s[-–—]\s/).findLast((p, i) => i > 0 && OWN_DURATION.test(p.trim())) : undefined
    return part === undefined || !DURATION.test(rest.replace(part, ' ')) ? null : take(new RegExp(`(?<=[-–—]\\s*)${part.trim()}`))
  }
  // "due" with something behind it that is no day: kept as it was written.
  const dueMatch = dated ? null : take(DUE)
  const duration = clock
    ? null
    : (takeOwn() ??
      take(DURATION) ??
      take(DURATION_IN_WORDS) ??
      (/\b(?:video|audio|watch|listen|podcast|film)/i.test(rest) ? take(LENGTH) : null))
  const labelled = clock || duration ? null : LABEL_MINUTES.exec(rest)
  if (labelled) {
    rest = rest.replace(labelled[0], `${labelled[1]}: `)
    guesses.push(`“(${labelled[2]})” is read as minutes`)
  }
  const minutes = clock ? between(clock) : duration ? lengthOf(duration[0]) : labelled && { value: Number(labelled[2]), guess: null }
  const amountMatch = take(AMOUNT)
  const amount = amountMatch ? readAmount(amountMatch[0], 'points') : null
  // "Quiz 1 (10)": what graded work counts.
  const bare = amount === null && GRADED.has(kindIn(rest) ?? 'page') ? /\((\d{1,3})\)\s*(?=[\u0001\u0002]?\s*$)/.exec(rest) : null
  if (bare) rest = rest.replace(bare[0], ` ${TAKEN} `)
  const codeMatch = CODES.exec(rest) ?? NAMED_CODES.exec(rest) ?? CODES_LAST.exec(rest)
  const codes = codeMatch ? readCodes((codeMatch[1] ?? codeMatch[2] ?? '').trim()) : null
  // A year or a count in brackets is no code.
  if (codeMatch && codes && codes.length > 0 && !/^\d{1,2}$/.test(codes[0] as string)) rest = rest.replace(codeMatch[0], ` ${TAKEN} `)
  for (const read of [minutes, amount]) if (read?.guess) guesses.push(read.guess)
  const second = duration && DURATION.exec(rest)
  if (second) guesses.push(`it names more than one time, and only ${tidy(duration[0])} is taken`)
  const numbered = /^\s*(\d{1,2}\.\d{1,2})[.):]?\s+(?=\S)/.exec(rest)
  const { title, note: more } = titleAndNote(numbered ? rest.slice(numbered[0].length) : rest, dated?.when.read ?? '')
  return {
    number: numbered?.[1] ?? null,
    title,
    note:
      [
        start?.[0]
          .trim()
          .replace(/[:–—-]+$/, '')
          .trim(),
        more,
      ]
        .filter(Boolean)
        .join('; ') || null,
    kind: kindSaid(more) ?? kindIn(title),
    kindSaid: kindSaid(more),
    minutes: minutes?.value ?? null,
    amount: amount?.value ?? (bare ? { kind: 'points', value: Number(bare[1]) * 100 } : null),
    amountGuess: bare ? `“(${bare[1]})” is read as points` : null,
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
