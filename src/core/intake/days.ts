/** From days as they were written to days of the course: with what the sources say of weeks and their dates. */
import { type Draft, type DraftActivity, type DraftModule, short } from './draft'
import type { UnderstoodDay } from './understanding'

/** Days since a year began that has a 29 February, of `2027-10-04` or `--10-04`. */
const dayOfYear = (date: string): number => {
  const [month, day] = [Number(date.slice(-5, -3)), Number(date.slice(-2))]
  return (Date.UTC(2028, month - 1, day) - Date.UTC(2028, 0, 1)) / 86_400_000
}
const daysFrom = (a: string, b: string): number => {
  if (a.length === 10 && b.length === 10) return (Date.parse(`${b}T00:00:00Z`) - Date.parse(`${a}T00:00:00Z`)) / 86_400_000
  const days = dayOfYear(b) - dayOfYear(a)
  return days < -183 ? days + 366 : days > 183 ? days - 366 : days
}
/** 1 is Monday. */
const weekday = (date: string): number => ((new Date(`${date}T00:00:00Z`).getUTCDay() + 6) % 7) + 1

/** Weeks of modules that name their days: counted from the week of the first of them, where nothing else says which week that is. */
export function weeksFromDates(draft: Draft): void {
  const dated = draft.modules.flatMap((module) => {
    const dates = draft.dates.get(module)
    return dates && module.weeks === null ? [{ module, from: dates[0], to: dates[1] }] : []
  })
  const [first] = dated.toSorted((a, b) => daysFrom(b.from, a.from))
  if (!first) return
  if (draft.weekDates.every((d) => d.week === null)) draft.weekDates.push({ week: 1, date: first.from, read: first.from, at: '' })
  for (const { module, from, to } of dated) {
    const [begins, ends] = [weekOfDate(draft, from)?.week, weekOfDate(draft, to)?.week]
    if (begins === undefined || ends === undefined || begins < 1 || ends < begins) continue
    module.weeks = { first: begins, last: ends }
    draft.guess(module, 'weeks', `counted from ${spelled(first.from)} as the first day of week 1`)
  }
}

/** Weeks of modules that say how many they take, counted on from the module before. */
export function weeksFromLengths(draft: Draft): void {
  let next = 1
  for (const module of draft.modules) {
    const length = draft.lengths.get(module)
    if (module.weeks === null && length !== undefined) {
      module.weeks = { first: next, last: next + length - 1 }
      draft.guess(module, 'weeks', 'counted on from the module before it')
    }
    if (module.weeks) next = module.weeks.last + 1
  }
}

/** Weeks of modules of which only the work says in which it is due: where none has weeks otherwise, and those of the work go on. */
export function weeksFromWork(draft: Draft): void {
  if (draft.modules.some((m) => m.weeks !== null)) return
  const named = draft.modules.flatMap((module) => {
    const weeks = module.activities.flatMap((a) => a.when?.week ?? [])
    return weeks.length === 0 ? [] : [{ module, first: Math.min(...weeks), last: Math.max(...weeks) }]
  })
  if (named.length < 2 || named.some(({ first }, i) => i > 0 && first <= (named[i - 1]?.last ?? 0))) return
  for (const { module, first, last } of named) {
    module.weeks = { first, last }
    draft.guess(module, 'weeks', 'its work is due then')
  }
}

/** The day of each activity that names one, or why there is none. */
export function daysOf(draft: Draft): Map<DraftActivity, UnderstoodDay> {
  const days = new Map<DraftActivity, UnderstoodDay>()
  const inModule = countsInModule(draft)
  for (const module of draft.modules)
    for (const activity of module.activities) {
      const day = activity.when && dayOf(draft, module, activity, inModule)
      if (day) days.set(activity, day)
    }
  return days
}

/**
 * Whether "wk 2" is the second week of the module: so it is where a week lies before its module as a week of the course, and never
 * beyond the module's length.
 */
function countsInModule(draft: Draft): boolean {
  let before = 0
  let beyond = 0
  for (const { weeks, activities } of draft.modules)
    for (const { when, week } of activities) {
      if (when?.week == null) continue
      const first = weeks?.first ?? week
      const last = weeks?.last ?? week
      if (first === null || last === null) continue
      if (when.week < first) before++
      if (when.week > last - first + 1) beyond++
    }
  return before > 0 && before >= beyond
}

function dayOf(draft: Draft, module: DraftModule, activity: DraftActivity, inModule: boolean): UnderstoodDay | null {
  const { when } = activity
  if (!when) return null
  const name = short(activity.title)
  if (when.otherDate !== null)
    draft.guess(activity, 'due', `“${when.read}” may be ${spelled(when.date as string)} or ${spelled(when.otherDate)}: nothing tells which`)
  if (when.date !== null) {
    if (when.day !== null && when.date.length === 10 && weekday(when.date) !== when.day)
      draft.problem('weekday-differs', `${name}: “${when.read}” is no ${WEEKDAYS[when.day - 1]}.`, activity.at)
    const found = weekOfDate(draft, when.date)
    return { date: when.date, week: found?.week ?? null, day: found?.day ?? when.day, time: when.time }
  }
  if (when.meeting !== null && when.day === null && when.week === null) {
    draft.problem('due-not-read', `${name}: which day “${when.read}” is cannot be seen from what was brought.`, activity.at)
    return null
  }
  const counted = when.week === null ? null : inModule && module.weeks ? module.weeks.first + when.week - 1 : when.week
  const named = counted ?? (when.weekOf ? (weekOfDate(draft, when.weekOf)?.week ?? null) : null)
  if (named !== null && when.day === null) draft.guess(activity, 'due', `“${when.read}” names no day: its last is taken`)
  const own = named ?? activity.week ?? weekOfModule(draft, module, activity)
  return { date: null, week: own, day: when.day ?? 7, time: when.time }
}

const WEEKDAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const
const MONTHS = ['January', 'February', 'March', 'April', 'May', 'June', 'July', 'August', 'September', 'October', 'November', 'December']
const spelled = (date: string): string => `${Number(date.slice(-2))} ${MONTHS[Number(date.slice(-5, -3)) - 1]}`

function weekOfModule(draft: Draft, module: DraftModule, activity: DraftActivity): number | null {
  if (module.weeks === null) return null
  if (module.weeks.last > module.weeks.first)
    draft.guess(activity, 'due', `no week is named: the last of its ${module.weeks.last - module.weeks.first + 1} weeks is taken`)
  return module.weeks.last
}

/** The week and weekday of a date, counted from the nearest week before it whose first day the sources name. */
function weekOfDate(draft: Draft, date: string): { readonly week: number; readonly day: number } | null {
  let best: { readonly week: number; readonly days: number; readonly from: string } | null = null
  for (const { week, date: from } of draft.weekDates) {
    const days = daysFrom(from, date)
    if (week === null) continue
    if (days >= -6 && (best === null || Math.abs(days) < Math.abs(best.days))) best = { week, days, from }
  }
  if (best === null) return null
  const full = [date, best.from].find((d) => d.length === 10)
  if (full === undefined) return { week: best.week + Math.floor(best.days / 7), day: (((best.days % 7) + 7) % 7) + 1 }
  const day = date.length === 10 ? weekday(date) : ((((weekday(best.from) - 1 + best.days) % 7) + 7) % 7) + 1
  return { week: best.week + Math.floor(best.days / 7), day }
}
