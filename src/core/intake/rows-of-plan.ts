/** Rows of a schedule, or of a plan with a module in a row. */
import { PURPOSE_OF_KIND } from '../blueprint/kinds/activity'
import type { Draft, Mention } from './draft'
import { splitList } from './fill-activity'
import { CLOSED, readItem, readStatement } from './items'
import type { Place } from './place'
import { codeKey, nameKey, readAmount, readCodes, readWeekSpan, type WeekSpan } from './quantities'
import { enterModule, isListed, readClosedRow, readListed } from './rows-of-work'
import type { Row } from './table-row'
import { datesIn, readWhen, type When } from './when'

/** `13-17 Jan`, `13 Jan – 17 Jan`: the first of the days. */
const firstDayOf = (date: string): string => {
  const oneMonth = /^(\d{1,2})\.?\s*[-–—]\s*\d{1,2}\.?\s+(\p{L}+\.?.*)$/u.exec(date.trim())
  return oneMonth ? `${oneMonth[1]} ${oneMonth[2]}` : (date.split(/\s*(?:[–—]|\bto\b|\s-\s)\s*/)[0] as string)
}

/** A day on which nobody works, in a row of a schedule. */
const CLOSED_ROW = /\b(?:break|holidays?|recess|no class(?:es)?|vacation|reading week|closed|ferien|feiertag)\b/i

/** A row of a schedule or of a plan by modules: topic, objectives, and work named in lists. */
export function readPlanRow(draft: Draft, row: Row, place: Place): void {
  const before = place.module
  const named = row.all('module')
  const week = row.get('week')
  const weeks = week === null ? null : readWeekSpan(week)
  const date = row.get('date')
  // "9/4 (no class 9/2)": another day of the week.
  const without = /\(([^()]*)\)/.exec(date ?? '')?.[1] ?? ''
  if (CLOSED.test(without)) row.partBecame(draft.closed(without, row.at))
  const begins = date === null ? null : readWhen(firstDayOf(date), draft.order)
  if (isListed(draft, row)) return readListed(draft, row)
  if (
    row.texts().some((t) => CLOSED_ROW.test(t)) &&
    row.all('title').length + row.all('assessments').length + row.all('reading').length < 2 &&
    named.every((t) => CLOSED_ROW.test(t) || /^\d{1,2}$/.test(t))
  ) {
    return readClosedRow(draft, row)
  }
  const module = enterModule(draft, row, place) ?? before
  if (!module) return row.rest('question', 'which module it belongs to')
  // What the row takes in all: a sum of what its lists tell.
  const [all] = row.times()
  if (all?.read && row.use('minutes') !== null)
    draft.totals.push({ what: 'minutes', value: all.read.value, module, part: true, ofGrades: false, piece: place.piece, at: row.at })
  if (weeks) {
    row.use('week')
    if (named.length > 0) draft.spans(module, weeks)
  }
  if (begins?.date) {
    const start = { week: weeks?.first ?? null, date: begins.date, read: date as string, at: row.at }
    draft.weekDates.push(start)
    if (!weeks && named.length > 0) draft.dates.set(module, [draft.dates.get(module)?.[0] ?? begins.date, begins.date])
    row.use('date')
    row.became(start)
  }
  for (const text of row.all('objectives'))
    if (readCodes(text) === null) for (const line of splitList(text)) row.partBecame(draft.objective(module, readStatement(line), row.at))
  const goals = row.useAll('objectives')
  const own = goals.filter((t) => readCodes(t) === null).flatMap(splitList)
  // Codes of the row are those of its work.
  const codes = own.length > 0 ? [] : goals.flatMap((t) => readCodes(t) ?? [])
  for (const code of codes) draft.referenced.add(codeKey(code))
  // A row about one objective is about its work as well; points beside one assessment are its points.
  const only = own.length === 1 ? (own[0] as string) : null
  const graded = row.all('assessments').flatMap(splitList)
  const amounts = (['points', 'percent'] as const).map((role) => ({ role, read: readAmount(row.get(role) ?? '', role) }))
  const { role: counted, read: points = null } = (graded.length === 1 && amounts.find((a) => a.read !== null)) || {}
  if (counted) row.use(counted)
  row.became(module)
  const dueOfRow = whenDue(row, weeks, week, begins)
  // A day alone under Due is that of what is assessed in the row.
  const dayOfWork = onlyWhen(row.get('due') ?? '', draft)
  for (const role of ['reading', 'title', 'assessments', 'due'] as const)
    for (const text of row.useAll(role))
      for (const line of role === 'due' ? splitList(text).flatMap(namesIn) : splitList(text)) {
        const isDue = role === 'due' || DUE_LAST.test(line)
        // "Assignments (points)" over "Intro post (5)".
        const said = COUNTS_IN_BRACKETS.test(row.header(role)) ? /\s*\((\d{1,3})\)\s*$/.exec(line) : null
        const bracketed = said && { kind: 'points' as const, value: Number(said[1]) * 100 }
        const long = MINUTES_IN_BRACKETS.test(row.header(role)) ? /\((\d{1,3})\)\s*$/.exec(line) : null
        const bare = line.replace(said?.[0] ?? '', '').replace(DUE_LAST, '')
        const item = readItem(long ? bare.replace(long[0], `(${long[1]} min)`) : bare, draft.order)
        if (
          item.title === '' ||
          (role === 'due' && graded.length > 0 && onlyWhen(line, draft)) ||
          /^(?:none|no (?:reading|work|assignment)|same|continued?)$/i.test(item.title)
        )
          continue
        const mention: Mention = {
          ...item,
          kind:
            role === 'reading' && (item.kind === null || PURPOSE_OF_KIND[item.kind] === 'demonstrate') ? ('reading' as const) : item.kind,
          amount: item.amount ?? (role === 'assessments' ? (points?.value ?? null) : null) ?? (role === 'reading' ? null : bracketed),
          codes: item.codes.length > 0 ? item.codes : only !== null ? [only] : codes,
          ofRow: item.codes.length === 0 && codes.length > 0,
          // What stands under Due, in the row of a week, is due in that week.
          when: item.when ?? (isDue ? dueOfRow : role === 'assessments' ? dayOfWork : null),
          due: item.due ?? (isDue ? (dueOfRow?.read ?? null) : role === 'assessments' ? (dayOfWork?.read ?? null) : null),
          dueSaid: item.dueSaid || (isDue && item.when !== null) || graded.length === 1,
          week: weeks?.last ?? null,
          module,
          at: row.at,
          piece: place.piece,
        }
        // "Quiz 1" under what is done and again under when it is due is one piece of work.
        const same = role === 'due' ? namedInRow(draft, mention) : undefined
        if (same) {
          Object.assign(same, { when: mention.when, due: mention.due, dueSaid: mention.dueSaid, amount: same.amount ?? mention.amount })
          row.partBecame(same)
          continue
        }
        draft.mentions.push(mention)
        row.partBecame(mention)
      }
  row.became(module)
}

const weekText = (cell: string): string => (/^\d/.test(cell) ? `week ${cell}` : cell)
/** The work that a row has named before, and names again where it says when it is due. */
function namedInRow(draft: Draft, { title, at, module }: Mention): Mention | undefined {
  const key = nameKey(title)
  const ofRow = draft.mentions.filter((m) => m.at === at && m.module === module)
  const begins = ofRow.filter((m) => /\d$/.test(key) && nameKey(m.title).startsWith(`${key}:`))
  return ofRow.find((m) => nameKey(m.title) === key) ?? (begins.length === 1 ? begins[0] : undefined)
}

const MINUTES_IN_BRACKETS = /\((?:in )?min(?:ute)?s?\.?\)/i
const COUNTS_IN_BRACKETS = /\((?:max\.? )?(?:points?|pts|marks?)\)/i
/** "RC 5, Lab 2 report, Essay": short names between commas. */
function namesIn(text: string): string[] {
  const parts = text.split(/,\s+(?![^(]*\))/)
  return parts.length > 1 && parts.every((p) => /^\p{Lu}/u.test(p) && p.split(/\s+/).length <= 6 && readWhen(p, null) === null)
    ? parts
    : [text]
}

const DUE_LAST = /\s*[(,–—-]?\s*\bdue\b\s*\)?\s*$/i

/** When what a row names as due is due: on the day that the header says, in its week, or on its date. */
function whenDue(row: Row, weeks: WeekSpan | null, week: string | null, begins: When | null): When | null {
  const said = /\(([^()]+)\)/.exec(row.header('due'))?.[1]
  const day = said === undefined ? null : readWhen(said, null)
  if (day?.day != null && day.date === null && (weeks || begins?.date))
    return { ...day, week: weeks?.last ?? null, ...(weeks ? {} : { weekOf: begins?.date as string }) }
  if (row.get('due') === null && begins?.date) return begins
  return weeks ? dueIn(weeks.last, weekText(week as string)) : begins
}
/** The day or date that is all of a text; null where it says more. */
const onlyWhen = (text: string, { order }: Draft): When | null => (/\p{L}/u.test(datesIn(text, order).rest) ? null : readWhen(text, order))

/** A week as when something is due. */
const dueIn = (week: number, read: string): When => ({ read, date: null, otherDate: null, week, day: null, time: null, meeting: null })
