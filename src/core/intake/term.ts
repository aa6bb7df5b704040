/** The first and the last day of a term, as a syllabus names them. */
import { tidy } from './items'
import type { UnderstoodPiece } from './pieces'
import { type DateOrder, datesIn } from './when'

export type UnderstoodTerm = Extract<UnderstoodPiece, { kind: 'term' }>

const TERM = /\b(?:teaching|course runs|term|semester|trimester|quarter|session|course dates?|class dates?|term dates?)\b/i
const BEGINS =
  /^(?:first (?:day|class|meeting)(?: of (?:class(?:es)?|the (?:course|term|semester)))?|(?:course |term |classes )?(?:starts?|begins?|start date)(?: on)?)\b/i
const ENDS =
  /^(?:last (?:day|class|meeting)(?: of (?:class(?:es)?|the (?:course|term|semester)))?|(?:course |term |classes )?(?:ends?|finish(?:es)?|end date)(?: on)?)\b/i
/** More words than this say something else as well (Cairn default). */
const MOST_WORDS = 6

/** Both days with a year, where at least one of them has it; a term may run over the turn of a year. */
function withYears(first: string, last: string): readonly [string, string] | null {
  const year = Number((last.length === 10 ? last : first).slice(0, 4))
  if (first.length !== 10 && last.length !== 10) return null
  const turns = first.slice(-5) > last.slice(-5) ? 1 : 0
  if (first.length === 10) return [first, last.length === 10 ? last : `${year + turns}${last.slice(1)}`]
  return [`${year - turns}${first.slice(1)}`, last]
}

/** `Spring term, 14 January – 8 March 2030`, `First day: 14 Jan 2030`; null where a text names no days of a term. */
export function readTerm(text: string, at: string, order: DateOrder): UnderstoodTerm | null {
  const { dates, rest } = datesIn(text, order)
  const title = tidy(rest.replace(/[–—:.,()|-]+|\b(?:to|from|until|through|bis)\b/gi, ' '))
  if (title.split(' ').length > MOST_WORDS) return null
  const [a, b] = dates
  if (dates.length === 1 && a?.length === 10) {
    if (BEGINS.test(title)) return { kind: 'term', title: '', first: a, last: null, text, at }
    return ENDS.test(title) ? { kind: 'term', title: '', first: null, last: a, text, at } : null
  }
  if (dates.length !== 2 || a === undefined || b === undefined || !TERM.test(title)) return null
  const days = withYears(a, b)
  return days && days[0] < days[1] ? { kind: 'term', title, first: days[0], last: days[1], text, at } : null
}

const CLOCK = String.raw`\d{1,2}(?:[:.]\d{2})?\s*(?:[ap]\.?m\.?)?`
const MEETINGS = new RegExp(
  String.raw`^(?:(?:class )?meets\s+)?(?:(?:mon|tues?|wednes|thurs?|fri|satur|sun)days?(?:\s*(?:,|and|&|/)\s*)?)+,?\s*(?:from )?${CLOCK}\s*(?:-|–|to)\s*${CLOCK}(?![\d/])`,
  'i',
)
/** `Tuesdays 14:00–16:00, Room 3` */
export const isMeetings = (text: string): boolean => MEETINGS.test(text)
