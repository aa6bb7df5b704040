/** The weeks of an offering: which calendar weeks are counted, which are breaks, which days are closed. */
import type { CalendarRule, Course, Offering } from '../blueprint/kinds'
import { addDays, daysBetween, weekdayOf } from './plain-date'

export type Week = {
  /** Null for a break week that is not counted. */
  readonly number: number | null
  /** Its first day by the week start, and the last, six days on. */
  readonly first: string
  readonly last: string
  /** The break that fills it, if one does. */
  readonly breakTitle: string | null
}

export type Term = {
  readonly offering: Offering
  readonly weeks: readonly Week[]
  readonly firstDay: string
  readonly lastDay: string
  readonly weekOfNumber: (number: number) => Week | undefined
  /** The closed day or break that a date falls in. */
  readonly closedOn: (date: string) => CalendarRule | undefined
}

/** Weeks looked at before giving up when everything is a break (Cairn default). */
const MAX_WEEKS = 150

/**
 * Lays out an offering. Week 1 is the calendar week (by the week start) that holds the first day. A calendar week wholly
 * inside a break gets no number unless breaks are counted. Weeks run until the course's count is reached or, where a last
 * day is set, until that day.
 */
export function layOutTerm(offering: Offering, rules: readonly CalendarRule[], course: Pick<Course, 'weeks'>): Term {
  const own = rules.filter((r) => r.offeringId === offering.id)
  const breaks = own.filter((r) => r.kind === 'break')
  const start = addDays(offering.firstDay, -daysIntoWeek(offering.firstDay, offering.weekStart))
  const weeks: Week[] = []
  let number = 0
  for (let i = 0; i < MAX_WEEKS; i++) {
    const first = addDays(start, 7 * i)
    const last = addDays(first, 6)
    if (offering.lastDay !== null ? first > offering.lastDay : number >= course.weeks) break
    const filling = breaks.find((b) => b.firstDate <= first && b.lastDate >= last)
    const counted = !filling || offering.countBreaks
    weeks.push({ number: counted ? ++number : null, first, last, breakTitle: filling?.title ?? null })
  }
  const byNumber = new Map(weeks.flatMap((w) => (w.number === null ? [] : [[w.number, w] as const])))
  return {
    offering,
    weeks,
    firstDay: offering.firstDay,
    lastDay: offering.lastDay ?? weeks.at(-1)?.last ?? offering.firstDay,
    weekOfNumber: (n) => byNumber.get(n),
    closedOn: (date) => own.find((r) => r.firstDate <= date && date <= r.lastDate),
  }
}

/** 0 on the day the week starts, 6 on its last. */
export const daysIntoWeek = (date: string, weekStart: Offering['weekStart']): number =>
  weekStart === 'monday' ? weekdayOf(date) : (weekdayOf(date) + 1) % 7

/** The calendar week that a date falls in, if it is one of the term's. */
export const weekOfDate = (term: Term, date: string): Week | undefined => term.weeks.find((w) => w.first <= date && date <= w.last)

/** Days from today to the first day; negative once it runs. */
export const daysToStart = (term: Term, today: string): number => daysBetween(today, term.firstDay)
