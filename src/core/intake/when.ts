/** Days as people write them beside work: dates in any order, weekdays, weeks, meetings and times. */

/** When something is due or happens, as far as the source says. */
export type When = {
  /** As it was written. */
  readonly read: string
  /** `2027-10-04`, or `--10-04` where no year is named. */
  readonly date: string | null
  /** The week that is named beside the day. */
  readonly week: number | null
  /** 1 is Monday. */
  readonly day: number | null
  /** `18:00` */
  readonly time: string | null
  /** "Class 3": a meeting instead of a day. */
  readonly meeting: number | null
  /** The same text with day and month the other way round, where nothing tells which is meant. */
  readonly otherDate: string | null
  /** A date in the week that is meant, where no number of a week is known. */
  readonly weekOf?: string
}

/** Whether `9/10` is the ninth of October; null where the sources do not tell. */
export type DateOrder = 'day first' | 'month first' | null

const MONTHS: readonly (readonly string[])[] = [
  ['jan', 'january', 'januar', 'janvier', 'enero'],
  ['feb', 'february', 'februar', 'février', 'febrero'],
  ['mar', 'march', 'märz', 'mars', 'marzo'],
  ['apr', 'april', 'avril', 'abril'],
  ['may', 'mai', 'mayo'],
  ['jun', 'june', 'juni', 'juin', 'junio'],
  ['jul', 'july', 'juli', 'juillet', 'julio'],
  ['aug', 'august', 'août', 'agosto'],
  ['sep', 'sept', 'september', 'septembre', 'septiembre'],
  ['oct', 'october', 'okt', 'oktober', 'octobre', 'octubre'],
  ['nov', 'november', 'novembre', 'noviembre'],
  ['dec', 'december', 'dez', 'dezember', 'décembre', 'diciembre'],
]
const DAYS: readonly (readonly string[])[] = [
  ['mon', 'monday', 'montag', 'lundi', 'lunes'],
  ['tue', 'tues', 'tuesday', 'dienstag', 'mardi', 'martes'],
  ['wed', 'weds', 'wednesday', 'mittwoch', 'mercredi', 'miércoles'],
  ['thu', 'thur', 'thurs', 'thursday', 'donnerstag', 'jeudi', 'jueves'],
  ['fri', 'friday', 'freitag', 'vendredi', 'viernes'],
  ['sat', 'saturday', 'samstag', 'samedi', 'sábado'],
  ['sun', 'sunday', 'sonntag', 'dimanche', 'domingo'],
]
const anyOf = (lists: readonly (readonly string[])[]): string =>
  lists
    .flat()
    .toSorted((a, b) => b.length - a.length)
    .join('|')
const MONTH = `(?:${anyOf(MONTHS)})\\b\\.?`
const DAY = `(?:${anyOf(DAYS)})\\b\\.?`
const indexIn = (lists: readonly (readonly string[])[], word: string): number =>
  lists.findIndex((l) => l.includes(word.toLowerCase().replace(/\.$/, '')))

const NUMBER = String.raw`\d{1,2}(?:st|nd|rd|th)?`
/** Forms of a date, each with where its day, month and year stand. */
const DATES: readonly { readonly form: string; readonly parts: (m: readonly string[]) => Parts }[] = [
  { form: String.raw`(\d{4})-(\d{1,2})-(\d{1,2})`, parts: ([y, m, d]) => ({ a: Number(d), month: Number(m), year: y }) },
  {
    form: String.raw`(${NUMBER})\.?[\s-]+(?:of\s+|de\s+)?(${MONTH})(?:[\s,-]+(\d{4}|\d{2}(?![:.\d])))?`,
    parts: ([d, m, y]) => named(d, m, y),
  },
  { form: String.raw`(${MONTH})\s+(${NUMBER})(?:,?\s+(\d{4}))?`, parts: ([m, d, y]) => named(d, m, y) },
  { form: String.raw`(\d{1,2})\.\s?(\d{1,2})\.(?:\s?(\d{4}|\d{2}))?`, parts: ([d, m, y]) => ({ a: Number(d), month: Number(m), year: y }) },
  {
    form: String.raw`(\d{1,2})([/-])(\d{1,2})(?:\2(\d{4}|\d{2}))?(?![\d/])`,
    parts: ([a, , b, y]) => ({ a: Number(a), b: Number(b), year: y }),
  },
]
/** `a` and `b` as they stand where the order is open; else `a` is the day. */
type Parts = { readonly a: number; readonly b?: number; readonly month?: number; readonly year: string | undefined }
const named = (day: string | undefined, month: string | undefined, year: string | undefined): Parts => ({
  a: Number.parseInt(day ?? '', 10),
  month: indexIn(MONTHS, month ?? '') + 1,
  year,
})

const TIME = String.raw`(?:at\s+|um\s+|,\s*)?(?:(\d{1,2})[:.](\d{2})\s*(am|pm|a\.m\.|p\.m\.|uhr)?|(\d{1,2})\s*(am|pm|a\.m\.|p\.m\.|uhr)|(noon|midnight|midday))(?![\d/])`
const WEEK = String.raw`(?:weeks?|wks?\.?|wochen?|kw|semaines?|semanas?)\s*(\d{1,2})`
const MEETING = String.raw`(?:class|session|meeting|lecture|seminar)\s*(?:no\.?\s*)?#?(\d{1,2})\b`
/** Words around a day that say nothing but that it is one. */
const FILLERS =
  /\b(?:due|by|on|the|of|in|before|at|until|till|end|eod|cob|close|start|beginning|deadline|submit|submission|latest|no later than|class time|night|evening|morning|afternoon|bis|am|zum|spätestens|le|el|para)\b/gi

const pad = (n: number): string => String(n).padStart(2, '0')
const validDay = (month: number, day: number): boolean =>
  month >= 1 && month <= 12 && day >= 1 && day <= [31, 29, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31][month - 1]!
const dateText = (year: string | undefined, month: number, day: number): string | null => {
  if (!validDay(month, day)) return null
  const full = year === undefined ? null : year.length === 2 ? `20${year}` : year
  if (full !== null && (Number(full) < 1900 || Number(full) > 2200)) return null
  if (full !== null && month === 2 && day === 29 && new Date(Date.UTC(Number(full), 1, 29)).getUTCMonth() !== 1) return null
  return `${full ?? '-'}-${pad(month)}-${pad(day)}`
}

/** Every number pair of a text that may be a date in either order. */
export function slashedDates(text: string): { readonly a: number; readonly b: number }[] {
  return [...text.matchAll(/(?<![\d./-])(\d{1,2})([/-])(\d{1,2})(?:\2(?:\d{4}|\d{2}))?(?![\d/-])/g)].flatMap((m) => {
    const [a, b] = [Number(m[1]), Number(m[3])]
    const whole = m[2] === '/' || m[0].split('-').length === 3
    return whole && a >= 1 && b >= 1 && a <= 31 && b <= 31 && (a <= 12 || b <= 12) ? [{ a, b }] : []
  })
}

/** Longer texts are no days (Cairn default). */
const MOST_CHARACTERS = 100
const formOf = (form: string): RegExp => new RegExp(`(?<![\\p{L}\\d/.])${form}`, 'iu')
const DATE_FORMS = DATES.map(({ form, parts }) => ({ form: formOf(form), parts }))
const [TIME_FORM, WEEK_FORM, MEETING_FORM, DAY_FORM] = [TIME, WEEK, MEETING, DAY].map(formOf) as [RegExp, RegExp, RegExp, RegExp]
/** What every day has: a digit, or one of these words. */
const MAY_BE = new RegExp(`\\d|${DAY}|noon|midnight`, 'iu')

/** `2028-09-04T23:59:00Z`: a day and a time. */
const ISO = /(\d{4}-\d{2}-\d{2})T(\d{2}:\d{2})(?::\d{2}(?:\.\d+)?)?(?:Z|[+-]\d{2}:?\d{2})?/

/** Reads a text that is nothing but a day; null where it is none, or names a day that there is not. */
export function readWhen(text: string, order: DateOrder): When | null {
  if (text.length > MOST_CHARACTERS || !MAY_BE.test(text)) return null
  let rest = ` ${text.replace(/[()[\]]/g, ' ').replace(ISO, '$1 $2')} `
  const take = (form: RegExp): RegExpExecArray | null => {
    const match = form.exec(rest)
    if (match) rest = `${rest.slice(0, match.index)} ${rest.slice(match.index + match[0].length)}`
    return match
  }
  let date: string | null = null
  let otherDate: string | null = null
  for (const { form, parts } of DATE_FORMS) {
    const match = take(form)
    if (!match) continue
    const found = dateOf(parts(match.slice(1) as string[]), order)
    if (found === null) return null
    date = found.date
    otherDate = found.other
    break
  }
  const clock = take(TIME_FORM)
  const time = clock ? timeOf(clock) : null
  if (clock && time === null) return null
  const week = take(WEEK_FORM)
  const meeting = take(MEETING_FORM)
  const weekday = take(DAY_FORM)
  if (date === null && !week && !meeting && !weekday) return null
  if (rest.replace(FILLERS, ' ').replace(/[\s,.;:@–—-]+/g, '') !== '') return null
  return {
    read: text.trim(),
    date,
    otherDate,
    week: week ? Number(week[1]) : null,
    day: weekday ? indexIn(DAYS, weekday[0]) + 1 : null,
    time,
    meeting: meeting ? Number(meeting[1]) : null,
  }
}

function dateOf({ a, b, month, year }: Parts, order: DateOrder): { date: string; other: string | null } | null {
  if (b === undefined) {
    const date = dateText(year, month ?? 0, a)
    return date === null ? null : { date, other: null }
  }
  const [dayFirst, monthFirst] = [dateText(year, b, a), dateText(year, a, b)]
  const [date, other] = order === 'month first' ? [monthFirst, dayFirst] : [dayFirst, monthFirst]
  if (date === null) return order === null && other !== null ? { date: other, other: null } : null
  return { date, other: order === null && other !== date ? other : null }
}

function timeOf([, h, m, half, h2, half2, word]: RegExpExecArray): string | null {
  if (word) return /midnight/i.test(word) ? '23:59' : '12:00'
  const mark = (half ?? half2 ?? '').toLowerCase()
  const hour = Number(h ?? h2)
  const full = mark.startsWith('p') && hour < 12 ? hour + 12 : mark.startsWith('a') && hour === 12 ? 0 : hour
  return full > 23 || Number(m ?? 0) > 59 ? null : `${pad(full)}:${pad(Number(m ?? 0))}`
}

/** A day anywhere, as a form: for finding one in a title. */
const uncaptured = (form: string): string => form.replace(/\\2/g, '[/-]').replace(/\((?!\?)/g, '(?:')
const SPAN = `(?:${[DAY, WEEK, MEETING, ...DATES.map((d) => d.form), TIME].map(uncaptured).join('|')})`
const RUN = `${SPAN}(?:[\\s,.]*(?:(?:of|at|in|on|by|before|the)\\s+)?${SPAN})*`
const SAID = new RegExp(
  `(?:[,;–—(\\[-]\\s*)?(?<!\\p{L})(?:due|deadline|submit(?: by)?|hand in(?: by)?|by|before|until|abgabe|bis|entrega|à rendre|à remettre|inleveren)(?!\\p{L}):?\\s*((?:(?:by|on|before|at|in|the|end of|start of|le|el|am|zum|den)\\s+)*${RUN}(?:\\s+(?:night|evening|morning|afternoon)\\b)?)\\s*[)\\]]?`,
  'iu',
)
const BRACKETED = new RegExp(`[(\\[]\\s*(${RUN})\\s*[)\\]]`, 'iu')
// A full weekday behind a title may be part of it: "The overbooked Saturday".
const TRAILING = new RegExp(
  `(?:\\s*[,;–—-]\\s*${DAY}(?:[\\s,]*${SPAN})*|\\s+(?:${DAY}(?:[\\s,]*${SPAN})+|(?:mon|tues?|weds?|thu(?:rs?)?|fri|sat|sun)\\b\\.?))\\s*$`,
  'iu',
)

/** A title that needs the weekday behind it: "Who waters on Sunday". */
const ENDS_OPEN = /(?:^|\s)(?:on|of|for|the|a|an|every|each|last|next|in|and|or|like|good|black)$/i

/** The day that a title names, what is left of the title, and whether a word says that it is due then. */
export function whenInTitle(
  text: string,
  order: DateOrder,
  mark = '',
): { readonly when: When; readonly rest: string; readonly said: boolean } | null {
  if (!MAY_BE.test(text)) return null
  for (const [pattern, said] of [
    [SAID, true],
    [BRACKETED, false],
    [TRAILING, false],
  ] as const) {
    const match = pattern.exec(text)
    const when = match && readWhen((match[1] ?? match[0]).replace(/^\s*[,;–—-]/, ''), order)
    // A time alone in brackets is a length, not a moment.
    if (!match || !when || (when.date === null && when.day === null && when.week === null && when.meeting === null)) continue
    // What it opens it closes; a bracket that others stand in stays.
    const closes = /[)\]]\s*$/.test(match[0]) && !/^[([]/.test(match[0])
    const rest = `${text.slice(0, match.index)} ${mark} ${closes ? ')' : ''}${text.slice(match.index + match[0].length)}`
      .replace(/\s+/g, ' ')
      .replace(/[,;]?\s+\)/g, ')')
      .replace(/\(\s*\)/g, '')
      .trim()
    if (pattern === TRAILING && ENDS_OPEN.test(rest.replace(mark, '').trim())) continue
    if (rest.replace(mark, '').trim() !== '') return { when, rest, said }
  }
  return null
}

const LEADING = new RegExp(
  `^(?:\\d{1,2}[.)]\\s+)?((?:${DAY},?\\s+)?(?:${DATES.map((d) => uncaptured(d.form)).join('|')}))\\s*[:–—-]?\\s+(?=\\p{L})`,
  'iu',
)
/** The date that a line begins with, behind a number that counts the lines or not, and what stands behind it; null where it begins with none. */
export function leadingDate(
  text: string,
  order: DateOrder,
): { readonly date: string; readonly read: string; readonly rest: string } | null {
  const found = LEADING.exec(text.trim())
  const date = found && readWhen(found[1] as string, order)?.date
  return found && date ? { date, read: (found[1] as string).trim(), rest: text.trim().slice(found[0].length) } : null
}

/** Every date in a text, `2027-10-04` or `--10-04`, and the text without them. */
export function datesIn(text: string, order: DateOrder): { readonly dates: readonly string[]; readonly rest: string } {
  const dates: string[] = []
  // "Oct 18 - Oct 22" is two dates, and 22 no year.
  const parts = text.split(/(\s[–—-]\s|\bto\b|\bbis\b)/).map((part) => {
    let rest = part
    for (const { form, parts: partsOf } of DATE_FORMS)
      for (let match = form.exec(rest); match; match = form.exec(rest)) {
        const found = dateOf(partsOf(match.slice(1) as string[]), order)
        if (found) dates.push(found.date)
        rest = `${rest.slice(0, match.index)} ${rest.slice(match.index + match[0].length)}`
      }
    return rest
  })
  return { dates, rest: parts.join('') }
}

/** Steps between dates of a schedule that look like weeks going by. */
const isStep = (days: number): boolean => days > 0 && days <= 21

/**
 * Which way round the sources write dates: a number over 12 decides; else the order in which they run on in columns and lists, a
 * week or so apart.
 */
export function dateOrderOf(columns: readonly (readonly string[])[]): DateOrder {
  let [day, month, dayRuns, monthRuns] = [0, 0, 0, 0]
  const numberOf = (m: number, d: number) => (validDay(m, d) ? Date.UTC(2027, m - 1, d) / 86_400_000 : null)
  for (const column of columns) {
    let last: { readonly day: number | null; readonly month: number | null } | null = null
    for (const { a, b } of column.flatMap(slashedDates)) {
      if (a > 12) day++
      if (b > 12) month++
      const now = { day: numberOf(b, a), month: numberOf(a, b) }
      if (last?.day != null && now.day !== null && isStep(now.day - last.day)) dayRuns++
      if (last?.month != null && now.month !== null && isStep(now.month - last.month)) monthRuns++
      last = now
    }
  }
  if (day !== month) return day > month ? 'day first' : 'month first'
  if (dayRuns !== monthRuns) return dayRuns > monthRuns ? 'day first' : 'month first'
  return null
}
