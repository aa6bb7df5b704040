/** Lines that open a week or a meeting. */

import { verbEntry } from '../objectives/lexicon'
import type { Draft } from './draft'
import type { weekHead } from './heads'
import { CLOSED, readItem, tidy } from './items'
import type { Became, Place } from './place'
import { readActivity, tellsActivity } from './prose-work'
import { leadingDate, readWhen } from './when'

const DUE = /\bdue\b/i

/** A meeting that a list of dates names: a part of the course, with the work that its line tells. */
export function openMeeting(
  draft: Draft,
  { date, read, rest }: NonNullable<ReturnType<typeof leadingDate>>,
  place: Place,
  at: string,
  became: Became,
): void {
  const [topic = '', ...work] = outsideBrackets(rest)
  const item = readItem(topic, draft.order)
  place.module = draft.module({ number: null, title: item.title || tidy(topic), weeks: null, dates: [date, date] })
  place.section = null
  became('module', place.module)
  const isOwnWork = DUE.test(topic) || item.minutes !== null || item.amount !== null
  for (const part of isOwnWork ? [topic, ...work] : work) {
    readActivity(draft, place.module, part.replace(/\.$/, ''), place, at, became)
    // "Light diary due" is due at this meeting.
    if (DUE.test(part) && place.activity && place.activity.when === null)
      Object.assign(place.activity, { due: read, when: readWhen(read, draft.order) })
  }
}

/** "Week 3 Seminar: Two towns": one of several rows of a week, in the module above them or in that of the week. */
export function readInWeek(draft: Draft, week: NonNullable<ReturnType<typeof weekHead>>, place: Place, at: string, became: Became): void {
  place.week = week.weeks.first
  const module = place.module ?? draft.module({ number: null, title: null, weeks: week.weeks })
  if (place.module) draft.spans(module, week.weeks)
  if (week.title === null) return became('module', module)
  readActivity(draft, module, week.title, place, at, became)
}

/** A week of a schedule, or a week that is a module where there are none. */
export function openWeek(
  draft: Draft,
  week: NonNullable<ReturnType<typeof weekHead>>,
  text: string,
  place: Place,
  at: string,
  became: Became,
): void {
  // "Weeks 1-2" right below the name of a module is when it is.
  const open = place.module
  if (open && week.title === null && open.weeks === null && open.activities.length + open.objectives.length === 0) {
    open.weeks = week.weeks
    return became('weeks', open)
  }
  place.week = week.weeks.first
  const bareTitle = (leadingDate(week.title ?? '', draft.order)?.rest ?? week.title ?? '').replace(/^\s*\([^()]*\)\s*[:–—-]?\s*/, '')
  if (CLOSED.test(bareTitle) && bareTitle.split(/\s+/).length <= 6)
    return became('a day without classes', draft.closed(text.replace(/\s+/g, ' '), at))
  // "Week 1, 3 October: The moon": the day on which it begins stands before what it is about.
  const led = leadingDate(week.title ?? '', draft.order)
  const begins = led?.read ?? /^\s*\(([^()]*)\)/.exec(week.title ?? '')?.[1]
  const date = begins === undefined ? null : readWhen(begins.split(/\s*(?:[–—]|\bto\b|\s-\s)\s*/)[0] as string, draft.order)
  if (date?.date) {
    const start = { week: week.weeks.first, date: date.date, read: begins as string, at }
    draft.weekDates.push(start)
    became('first day of a week', start)
  }
  // "Week 3: Measuring flow; Quiz 2 due": the topic comes first, work behind it.
  // A day in brackets comes before the topic; what stands in brackets behind it is not cut.
  const [topic = '', ...work] = outsideBrackets(
    (led?.rest ?? week.title ?? '').replace(/^\s*\(([^()]*)\)\s*[:–—-]?\s*/, (all, day) => (/\d/.test(day) ? '' : all)),
  )
  // What is no work belongs to the topic: "Introduction; wood structure".
  const plain = work.findIndex((part) => isWork(part))
  const bare = [topic, ...work.splice(0, plain < 0 ? work.length : plain)].map((t) => t.trim()).join('; ')
  const named = draft.head(bare)
  if (named || place.section === 'schedule' || draft.modules.length === 0 || draft.modules.every((m) => m.weeks !== null)) {
    const key = { number: named?.number ?? null, title: tidy(named ? (named.title ?? '') : bare) || null, weeks: week.weeks }
    if (key.title === null && key.number === null && !text.includes(':')) {
      place.module = draft.module({ number: null, title: null, weeks: week.weeks })
    } else place.module = draft.module(key)
    if (place.section !== 'schedule') place.section = null
  } else place.module = draft.module({ number: null, title: tidy(bare) || null, weeks: week.weeks })
  became('module', place.module)
  for (const part of work) readActivity(draft, place.module, part, place, at, became)
}

const isWork = (part: string): boolean =>
  part.split(/\s+/).length > 4 || tellsActivity(part) || verbEntry(/^\W*(\p{L}+)/u.exec(part)?.[1]?.toLowerCase() ?? '') !== undefined

/** The parts of a line between semicolons, bars, dashes and full stops that stand in no brackets. */
function outsideBrackets(text: string): string[] {
  const parts: string[] = []
  let from = 0
  for (const match of text.matchAll(/\([^()]*\)|(\s*(?:[;|•]|\.\s+(?=[A-Z])|\s[-–—]\s)\s*)/g)) {
    if (match[1] === undefined) continue
    parts.push(text.slice(from, match.index))
    from = match.index + match[0].length
  }
  return [...parts, text.slice(from)]
}
