/** How much there is to read, write or answer, where the title of work, or what is noted with it, says so. */
import type { Activity } from '../blueprint/kinds'
import type { ActivityKind } from '../blueprint/kinds/activity'
import { proposedUnit } from './estimate'

type Size = NonNullable<Activity['size']>

const PAGES = /(?<![\d.,])(\d{1,4})\s*(?:pp\b\.?|pages?\b|seiten?\b|páginas?\b|pagine\b)/i
const PAGE_RANGES = /\b(?:pp?\.?|pages?|seiten?|s\.)\s*(\d{1,4}\s*[-–—]\s*\d{1,4}(?:\s*(?:,|;|&|and)\s*\d{1,4}\s*[-–—]\s*\d{1,4})*)(?!\d)/i
const WORDS = /(\d{1,3}(?:[., ]\d{3})+|\d{2,6})[\s-]*words?\b/i
const MINUTES = /\((\d{1,3})\s*min\)/
const ITEMS = /(?<![\d.,])(\d{1,3})\s*(?:questions?|items?|problems?|fragen|preguntas?)\b/i
const REPLIES = /(?<![\d.,])(\d{1,2}|one|two|three|four|five)\s+(?:replies|reply)\b/i
const SMALL = ['zero', 'one', 'two', 'three', 'four', 'five']
/** Kinds whose words are those of a text that is there. */
const READ: readonly (ActivityKind | null)[] = ['reading', 'page']

/** Pages of all ranges in a text: `pp. 3–20, 44–50` is 25; null where one runs backwards, or there is none. */
function pagesIn(text: string): number | null {
  const ranges = PAGE_RANGES.exec(text)?.[1]
  if (ranges === undefined) return null
  const pages = [...ranges.matchAll(/(\d{1,4})\s*[-–—]\s*(\d{1,4})/g)].map(([, from, to]) => Number(to) - Number(from) + 1)
  return pages.every((n) => n > 0) ? pages.reduce((a, b) => a + b, 0) : null
}

function numberAt(pattern: RegExp, text: string): number | null {
  const found = pattern.exec(text)?.[1]?.toLowerCase()
  if (found === undefined) return null
  return SMALL.includes(found) ? SMALL.indexOf(found) : Number(found.replace(/[., ]/g, ''))
}

/**
 * The size that a title tells, in what its kind is measured by: `pp. 3–19` is 17 pages, `(9 min)` 9 minutes of a film, `1,500 words`
 * of a report words to write. Null where it tells none.
 */
export function sizeInTitle({ title, notes, kind }: Pick<Activity, 'title' | 'notes' | 'kind'>): Size | null {
  const text = `${title}\n${notes ?? ''}`
  const size = (unit: Size['unit'], amount: number | null): Size | null =>
    amount === null || amount < 1 || amount > 1_000_000 ? null : { unit, amount }
  const ranges = size('pages', pagesIn(text))
  if (ranges) return ranges
  if (READ.includes(kind)) return size('pages', numberAt(PAGES, text)) ?? size('words', numberAt(WORDS, text))
  switch (kind === null ? null : proposedUnit(kind)) {
    case 'minutes':
      return size('minutes', numberAt(MINUTES, title))
    case 'words written':
      return size('words written', numberAt(WORDS, text))
    case 'items':
      return size('items', numberAt(ITEMS, text))
    case 'replies':
      return size('replies', numberAt(REPLIES, text)) ?? size('words written', numberAt(WORDS, text))
    default:
      return null
  }
}
