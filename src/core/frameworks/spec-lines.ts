/**
 * A specification as text, line by line, freed of what its way here left in it: marks of mail quotes, headers and footers of
 * pages, two columns side by side. What is taken out is kept apart, never dropped.
 */

export type SpecLine = {
  readonly text: string
  readonly bullet: boolean
  /** Cells of a row of a table; one cell elsewhere. */
  readonly cells: readonly string[]
  /** An empty line stood above, and no end of a page. */
  readonly apart: boolean
  /** It stands below the second column of a table of text. */
  readonly hanging: boolean
  /** It reaches as far as the text usually does: the next one may go on with it. */
  readonly full: boolean
  readonly at: string
}
export type SpecText = {
  readonly lines: readonly SpecLine[]
  readonly furniture: readonly { readonly text: string; readonly at: string }[]
}

const BULLET = /^\s*(?:[-*•·▪◦‣–—●○■□✓✔➢⮚\uf0b7\uf0a7]|\[[ x]?\]|o(?=\s+\p{Ll}))\s*(?=\S)/u
const PAGE_NUMBER = /^(?:page|p\.|pg\.?|seite)?\s*[-–|]?\s*\d{1,4}(?:\s*(?:of|\/|von)\s*\d{1,4})?\s*[-–|]?$/i
const PAGE_WORD = /\bpage\s+\d+(?:\s+of\s+\d+)?\b/i
/** Numbers of elements and criteria: what begins so is never furniture. */
const CODED = /^(?:[A-Z]{0,3}\s?)?\d{1,3}(?:\.\d{1,3})*[.):]?\s+\S/

/** Most lines that are read of one text (Cairn default). */
export const MOST_LINES = 60_000

export function specLines(input: string): SpecText {
  const raw = input
    .replace(/^\uFEFF/, '')
    .replace(/\u00ad\r?\n\s*/g, '')
    .replace(/[\u00ad\u200b-\u200d\u2060]/g, '')
    .replace(/[\u00a0\u2007\u202f]/g, ' ')
    .split(/\r\n?|\n|\u2028|\u2029/)
    .slice(0, MOST_LINES)
    .flatMap((l) => lineParts(l.replace(/^(?:\s*>)+\s?/, '')))
  const furniture: { text: string; at: string }[] = []
  const paged = markPages(raw)
  const said = new Set<string>()
  paged.forEach((isFurniture, i) => {
    const text = (raw[i] as string).replaceAll('\f', '').trim()
    if (!isFurniture || text === '') return
    const key = text.replace(/\d+/g, '#')
    if (!said.has(key)) furniture.push({ text, at: `line ${i + 1}` })
    said.add(key)
  })
  const width = wrapWidth(raw.filter((_, i) => !paged[i]))
  const rows = unfoldColumns(raw, paged)
  const lines: SpecLine[] = []
  let empty = false
  let cut = false
  for (const [i, { text: whole, at, furniture: skip }] of rows.entries()) {
    if (skip) {
      cut = true
      continue
    }
    const text = whole.trim()
    if (text === '') {
      empty = true
      continue
    }
    const cells = cellsOf(whole)
    // The rule below the head of a table.
    if (/^[\s|:+-]*-[\s|:+-]*$/.test(whole) && whole.includes('|')) continue
    lines.push({
      text: cells.join(' ').replace(BULLET, '').replace(/\s+/g, ' ').trim(),
      bullet: BULLET.test(whole),
      cells,
      apart: empty && !cut,
      hanging: /^ {12,}\S/.test(whole),
      full: whole.trimEnd().length + 1 + firstWordAfter(rows, i) > width,
      at,
    })
    empty = false
    cut = false
  }
  return { lines, furniture }
}

/** A line of several bullets as several lines; marks of headings come off. */
function lineParts(line: string): string[] {
  const bare = line.replace(/^\s*#{1,6}\s+/, '')
  const parts = bare.includes('\t') || /\S\s{4,}[•●▪]/.test(bare) ? [bare] : bare.split(/\s(?=[•●▪]\s*\S)/)
  return parts.length > 1 && parts.every((p, i) => i === 0 || /^[•●▪]/.test(p)) ? parts : [bare]
}

const clean = (cell: string): string => cell.replace(/\s+/g, ' ').trim()

/** A row's cells by tabs or bars; a rule between rows has none. */
function cellsOf(line: string): string[] {
  const bars = /^\s*\|.*\|\s*$/.test(line)
  // Cells of a page's text stand apart by spaces; a margin is no cell.
  const spaced = !line.includes('\t') && /\S\s{4,}\S/.test(line)
  const cells = (bars ? line.trim().slice(1, -1).split('|') : spaced ? line.trim().split(/\s{4,}/) : line.split('\t')).map(clean)
  const filled = cells.filter((c) => c !== '' && !/^:?-{2,}:?$/.test(c))
  return filled.length > 1 || cells.length > 1 ? cells : [clean(line)]
}

/** The length of the next line's first word: it stood too long to go on the line above. */
function firstWordAfter(rows: readonly Row[], at: number): number {
  for (let i = at + 1; i < rows.length; i++) {
    const row = rows[i] as Row
    if (!row.furniture && row.text.trim() !== '') return (/^\S+/.exec(row.text.trim())?.[0] ?? '').length
  }
  return 0
}

/** The width at which lines were broken by hand; infinite where every line is a paragraph of its own. */
function wrapWidth(lines: readonly string[]): number {
  const plain = lines.filter((l) => !l.includes('\t') && !/\S\s{3,}\S/.test(l) && !/^ {12,}/.test(l)).map((l) => l.trimEnd())
  const goingOn = plain.filter((l, i) => /^\s*\p{Ll}{2}/u.test(l) && !letteredStart(l) && (plain[i - 1] ?? '').length > 30)
  const lengths = plain.map((l) => l.length).sort((a, b) => a - b)
  const longest = lengths[Math.floor(lengths.length * 0.99)] ?? 0
  return goingOn.length < 2 || longest > 130 ? Number.POSITIVE_INFINITY : longest
}

const letteredStart = (line: string): boolean => /^\s*\(?[a-z]{1,3}[.)]\s/.test(line)

/** Which lines are headers, footers and numbers of pages. */
function markPages(raw: readonly string[]): boolean[] {
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
  const codesAlone = raw.filter((l) => /^\s*\d{1,2}\.\d{1,2}\.?\s*$/.test(l)).length > 1
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
  const countsPages = new Map<string, boolean>()
  const seen = new Map<string, string>()
  raw.forEach((l) => {
    const key = keyOf(l)
    const before = seen.get(key)
    if (key.includes('#') && before !== undefined && before !== l.trim()) countsPages.set(key, true)
    seen.set(key, l.trim())
  })
  return raw.map((l, i) => {
    if (first[i]) return true
    const t = l.replaceAll('\f', '').trim()
    const repeats = counts.get(keyOf(l)) ?? 0
    if (t === '' || l.includes('\t') || BULLET.test(l) || (CODED.test(t) && !/\d{4}/.test(t))) return false
    if (codesAlone && /^\d{1,3}(?:\.\d{1,3})*\.?$/.test(t)) return false
    if (title !== '' && i !== titleAt && sansNumber(t) === title) return true
    if (repeats >= 2 && (near(i) || l.includes('\f') || countsPages.get(keyOf(l)) === true)) return !isTitleLine(raw, i, counts, keyOf)
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

type Row = { readonly text: string; readonly at: string; readonly furniture: boolean }

/**
 * Two columns that a page's text keeps side by side, as lines one below the other: each element, then its criteria. A region
 * begins where a criterion's number stands far to the right and ends at a line that crosses the gap.
 */
function unfoldColumns(raw: readonly string[], furniture: readonly boolean[]): Row[] {
  const out: Row[] = []
  const columns = raw.map((l, i) =>
    furniture[i] || l.includes('\t') ? -1 : (/^.*?\S?\s{2,}(?=\d{1,3}\.\d{1,3}\.?\s+\S)/.exec(l)?.[0].length ?? -1),
  )
  const counts = new Map<number, number>()
  for (const c of columns) if (c >= 12) counts.set(c, (counts.get(c) ?? 0) + 1)
  const [column, times] = [...counts].sort((a, b) => b[1] - a[1])[0] ?? [-1, 0]
  const row = (i: number): Row => ({ text: raw[i] as string, at: `line ${i + 1}`, furniture: furniture[i] === true })
  if (times < 2) return raw.map((_, i) => row(i))
  const inColumns = (i: number): boolean => {
    const l = raw[i] as string
    if (l.trim() === '' || l.includes('\t')) return false
    if (Math.abs((columns[i] ?? -1) - column) <= 1) return true
    const gap = l.slice(column - 2, column)
    const [left, right] = [l.slice(0, column).trim(), l.slice(column).trim()]
    return (right !== '' && gap.trim() === '') || (right === '' && left !== '' && l.trimEnd().length <= column - 2 && !HEADING.test(left))
  }
  for (let i = 0; i < raw.length; i++) {
    const starts = !furniture[i] && Math.abs((columns[i] ?? -1) - column) <= 1
    if (!starts) {
      out.push(row(i))
      continue
    }
    let left: { text: string; at: string } | null = null
    const right: { text: string; at: string }[] = []
    const flush = () => {
      if (left) out.push({ ...left, furniture: false })
      for (const r of right) out.push({ ...r, furniture: false })
      left = null
      right.length = 0
    }
    let end = i
    for (let k = i; k < raw.length; k++) {
      const l = raw[k] as string
      if (furniture[k] || l.trim() === '') {
        if (furniture[k]) out.push(row(k))
        continue
      }
      if (!inColumns(k)) break
      const [a, b] = [clean(l.slice(0, column)), clean(l.slice(column))]
      const at = `line ${k + 1}`
      if (a !== '') {
        if (left === null || /^\d{1,3}[.)]?\s/.test(a)) {
          flush()
          left = { text: a, at }
        } else left = { text: joinText((left as { text: string }).text, a), at: (left as { at: string }).at }
      }
      if (b !== '') {
        const last = right.at(-1)
        if (last && !/^\d{1,3}\.\d{1,3}/.test(b)) right[right.length - 1] = { text: joinText(last.text, b), at: last.at }
        else right.push({ text: b, at })
      }
      end = k
    }
    flush()
    i = end
  }
  return out
}

const HEADING = /^(?:foundation skills|performance evidence|knowledge evidence|assessment|range|required|skills?|knowledge|element)/i

/** Parts of words that keep their hyphen at the end of a line. */
const KEEPS =
  /(?:^|[\s(])(?:\p{L}{1,2}|self|non|pre|post|multi|well|long|short|high|low|cross|semi|anti|inter|first|second|third|two|three|four|part|full|half|real|time|fire|work|step|site|end|hands|face|cost|user|risk|quality|non)-$/iu

/** Two pieces of one text: a word that the end of a line divided is whole again. */
export function joinText(a: string, b: string): string {
  if (/\p{Ll}-$/u.test(a) && /^\p{Ll}/u.test(b)) return KEEPS.test(a) ? a + b : a.slice(0, -1) + b
  return /[/–—]$/u.test(a) && !/\s[–—]$/u.test(a) ? a + b : `${a} ${b}`
}
