/** The dates of an offering as iCalendar (RFC 5545): what is due, breaks and closed days. */
import ICAL from 'ical.js'
import { tzlib_get_ical_block } from 'timezones-ical-library'
import { type Blueprint, courseOf, recordsOf } from '../blueprint/blueprint'
import { instantOf } from '../calendar/instant'
import { addDays } from '../calendar/plain-date'
import { scheduleOf } from '../calendar/schedule'
import { formatHundredths } from '../numbers'
import { indexCourse } from '../plan/plan-index'

export type CalendarOptions = {
  /** Part of every event's id, so that a later file updates the earlier one: the course's id. */
  readonly courseId: string
  /** When the file was made, as an ISO instant. */
  readonly stamp: string
}

/** The calendar file of the current offering; a course without one gives a calendar without events. */
export function writeCalendar(blueprint: Blueprint, { courseId, stamp }: CalendarOptions): string {
  const course = courseOf(blueprint)
  const index = indexCourse(blueprint)
  const schedule = scheduleOf(blueprint)
  const calendar = new ICAL.Component('vcalendar')
  calendar.updatePropertyWithValue('prodid', '-//Cairn//Course calendar//EN')
  calendar.updatePropertyWithValue('version', '2.0')
  calendar.updatePropertyWithValue('x-wr-calname', [course.code, course.title].filter(Boolean).join(' '))
  if (!schedule) return folded(calendar.toString())
  const zone = schedule.term.offering.timeZone
  // UTC needs no component, and its times end in Z; so do those of a zone that the library does not know.
  const block = zone === 'UTC' ? null : zoneBlock(zone)
  const zoned =
    block && (ICAL.Component.fromString(`BEGIN:VCALENDAR\r\n${block}\r\nEND:VCALENDAR`).getFirstSubcomponent('vtimezone') as ICAL.Component)
  if (zoned) calendar.addSubcomponent(zoned)
  // The library has some zones under another name.
  const tzid = zoned ? String(zoned.getFirstPropertyValue('tzid')) : null
  const made = ICAL.Time.fromJSDate(new Date(stamp), true)
  const event = (id: string, summary: string): ICAL.Component => {
    const entry = new ICAL.Component('vevent')
    entry.updatePropertyWithValue('uid', `${courseId}-${id}@cairn`)
    entry.updatePropertyWithValue('dtstamp', made)
    entry.updatePropertyWithValue('summary', summary)
    calendar.addSubcomponent(entry)
    return entry
  }
  for (const activity of index.activities) {
    const due = schedule.dueOf(activity.id)
    if (!due) continue
    const points = index.assessmentOf(activity.id)?.points
    const entry = event(activity.id, `Due: ${index.numberOf(activity.id)} ${activity.title}`)
    const at = ICAL.Time.fromDateTimeString(block ? `${due.date}T${due.time}:00` : instantOf(due.date, due.time, zone))
    const start = entry.updatePropertyWithValue('dtstart', at)
    if (tzid) start.setParameter('tzid', tzid)
    entry.updatePropertyWithValue(
      'description',
      [blueprint.module.get(activity.moduleId)?.title, points == null ? null : `${formatHundredths(points)} points`]
        .filter(Boolean)
        .join(', '),
    )
  }
  for (const rule of recordsOf(blueprint, 'calendarRule').filter((r) => r.offeringId === schedule.term.offering.id)) {
    const entry = event(rule.id, rule.kind === 'break' ? rule.title : `Closed: ${rule.title}`)
    entry.updatePropertyWithValue('dtstart', ICAL.Time.fromDateString(rule.firstDate))
    // The end of days is the day after.
    entry.updatePropertyWithValue('dtend', ICAL.Time.fromDateString(addDays(rule.lastDate, 1)))
    entry.updatePropertyWithValue('transp', 'TRANSPARENT')
  }
  return folded(calendar.toString())
}

/** The component of a zone; null where the library has none of this name. */
function zoneBlock(zone: string): string | null {
  try {
    return [tzlib_get_ical_block(zone)].flat()[0] || null
  } catch {
    return null
  }
}

/** The most octets of a line without its end (RFC 5545, 3.1). */
const LINE_OCTETS = 75

/** The file with its long lines folded by octets, between letters: the library folds by its own count, one too many at times. */
function folded(file: string): string {
  const lines = file.replace(/\r\n[ \t]/g, '').split('\r\n')
  return lines.map(foldedLine).join('\r\n')
}

function foldedLine(line: string): string {
  let [told, octets] = ['', 0]
  for (const letter of line) {
    const own = new TextEncoder().encode(letter).length
    if (octets + own > LINE_OCTETS) {
      told += '\r\n '
      octets = 1
    }
    told += letter
    octets += own
  }
  return told
}
