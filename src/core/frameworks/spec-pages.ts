/** Heads, feet and numbers of pages in a text that was copied out of them. */
import { isOnlyNumber } from './spec-codes'
import { sectionOf } from './spec-headings'

/** Marks before the items of a list. */
export const BULLET = /^\s*(?:[-*•·▪◦‣–—●○■□✓✔➢⮚\uf0b7\uf0a7]|\[[ x]?\]|o(?=\s+\p{Ll}))\s*(?=\S)/u

const PAGE_NUMBER = /^(?:page|p\.|pg\.?|seite)?\s*[-–|]?\s*\d{1,4}(?:\s*(?:of|\/|von)\s*\d{1,4})?\s*[-–|]?$/i
const PAGE_WORD = /\bpage\s+\d+(?:\s+of\s+\d+)?\b/i
/** Numbers of elements and criteria: what begins so is never furniture. */
const CODED = /^(?:[A-Z]{0,3}\s?)?\d{1,3}(?:\.\d{1,3})*[.):]?\s+\S/

/** Lines that a page has at least (Cairn default). */
const LEAST_PAGE = 8
/** A unit's code: capitals with a number, `RSA-12`. */
const UNIT_CODE = /\b[A-Z]{2,}[A-Z0-9/_-]*\d[A-Z0-9./_-]*/

/** Which lines are headers, footers and numbers of pages. */
export function markPages(raw: readonly string[]): boolean[] {
  const keyOf = (l: string) => l.replaceAll('\f', '').trim().replace(/\d+/g, '#').replace(/\s+/g, ' ').toLowerCase()
  const counts = new Map<string, number>()
  for (const l of raw) if (keyOf(l) !== '') counts.set(keyOf(l), (counts.get(keyOf(l)) ?? 0) + 1)
  const numbered = raw.map((l) => {
    const t = l.replaceAll('\f', '').trim()
    return PAGE_NUMBER.test(t) && t !== '' && !/^\d+\.$/.test(t)
  })
  // A number alone is a page's only where there are several of them, one counting on from the other, or where it says so.
  const alone = raw.flatMap((l, i) =>
    numbered[i] && /^\d+$/.test(l.replaceAll('\f', '').trim()) ? [Number(l.replaceAll('\f', '').trim())] : [],
  )
  // Where criteria's numbers stand on lines of their own, so do those of elements.
  const isCode = (l: string) => isOnlyNumber(l.trim()) && !/^\s*\d+\s*$/.test(l)
  const codesAlone = raw.filter(isCode).length > 1
  const counting = !codesAlone && alone.length > 1 && alone.every((n, i) => i === 0 || n === (alone[i - 1] as number) + 1)
  const first = raw.map((l, i) => {
    const t = l.replaceAll('\f', '').trim()
    if (t === '' || l.includes('\t')) return false
    if (numbered[i]) return /\D/.test(t) || counting || raw[i]?.includes('\f') === true
    if (CODED.test(t) && !PAGE_WORD.test(t)) return false
    if (PAGE_WORD.test(t) && t.length < 120) return true
    if (/^(?:©|\(c\)|copyright\b)/i.test(t)) return true
    return false
  })
  // What repeats word for word beside the end of a page is its header or footer.
  const near = (i: number) => [-3, -2, -1, 1, 2, 3].some((d) => first[i + d] || raw[i + d]?.includes('\f'))
  const titleAt = raw.findIndex((l) => l.trim() !== '')
  const title = sansNumber((raw[titleAt] ?? '').replaceAll('\f', '').trim())
  // A line that comes again with another number counts pages.
  const countsPages = new Set<string>()
  const seen = new Map<string, { text: string; at: number }>()
  raw.forEach((l, i) => {
    const key = keyOf(l)
    const before = seen.get(key)
    // Lines of a list differ by a number too, but close to each other.
    if (key.includes('#') && before !== undefined && before.text !== l.trim() && i - before.at >= LEAST_PAGE) countsPages.add(key)
    seen.set(key, { text: l.trim(), at: i })
  })
  const code = raw.slice(0, 40).flatMap((l) => UNIT_CODE.exec(l)?.[0] ?? [])[0]
  const isNumber = (i: number) => /^\d{1,4}$/.test((raw[i] ?? '').trim())
  return raw.map((l, i) => {
    if (first[i]) return true
    // A number alone beside another line of a page's head or foot.
    if (isNumber(i) && !codesAlone && (first[i - 1] || first[i + 1])) return true
    const t = l.replaceAll('\f', '').trim()
    // The unit's code and nothing but a number beside it.
    if (code !== undefined && t.startsWith(code) && /^[\s|·–-]*(?:page\s*)?\d{1,3}$/i.test(t.slice(code.length))) return true
    if (sectionOf(t) !== null) return false
    const repeats = counts.get(keyOf(l)) ?? 0
    if (t === '' || l.includes('\t') || BULLET.test(l) || (CODED.test(t) && !/\d{4}/.test(t))) return false
    if (codesAlone && isOnlyNumber(t)) return false
    if (title !== '' && i !== titleAt && sansNumber(t) === title) return true
    if (repeats >= 2 && (near(i) || l.includes('\f') || countsPages.has(keyOf(l)))) return !isTitleLine(raw, i, counts, keyOf)
    // Headers that carry no number: the same longer line three times and more, never two in a row.
    return repeats >= 3 && t.length > 12 && raw[i - 1]?.trim() !== t && !isTitleLine(raw, i, counts, keyOf)
  })
}

/** A line without the number of a page at one of its ends. */
const sansNumber = (line: string): string =>
  line.length < 8
    ? ''
    : line
        .replace(/\s+(?:page\s*)?\d{1,3}$/i, '')
        .replace(/^\d{1,3}\s{2,}/, '')
        .replace(/\s+/g, ' ')
        .toLowerCase()

/** The first line that holds something is the title even where each page repeats it. */
function isTitleLine(raw: readonly string[], at: number, counts: ReadonlyMap<string, number>, keyOf: (line: string) => string): boolean {
  const first = raw.findIndex((l) => l.trim() !== '')
  const early = raw.slice(first, first + 3).findIndex((l) => keyOf(l) === keyOf(raw[at] as string))
  return early >= 0 && at === first + early && (counts.get(keyOf(raw[at] as string)) ?? 0) >= 2
}
