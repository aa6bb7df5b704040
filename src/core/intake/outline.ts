/**
 * What the whole of a text says about its lines, before any of them is read: which numbers open modules, which lines are items of
 * the one above them, where a list ends. People mark these by indents and empty lines as much as by words.
 */

import { verbEntry } from '../objectives/lexicon'
import type { Block } from './blocks'
import { moduleHead, weekHead } from './heads'
import { kindIn, readItem } from './items'
import { opensAbilities, sectionOf } from './sections'
import { leadingDate } from './when'

type Line = Exclude<Block, { type: 'table' }>
const isLine = (block: Block): block is Line => block.type !== 'table'

/** Blocks with what their surroundings tell of them. */
export function outlined(blocks: readonly Block[], words: ReadonlySet<string>): Block[] {
  const lines = blocks.filter(isLine)
  const heads = numberedHeads(lines, words)
  const contents = listedAgain(lines)
  const graded = gradeHeadings(lines)
  const titles = titlesBelow(lines, words)
  const bare = bareItems(lines, words)
  const ofCourse = abilitiesOfCourse(lines, words)
  const topics = topicsListed(lines, words)
  let owner: Line | null = null
  let listed = 0
  return blocks.map((block, i) => {
    if (!isLine(block)) {
      owner = null
      return block
    }
    if (block === ofCourse) return { ...block, type: 'line', item: false, leaves: true, section: 'outcomes' as const }
    if (contents.has(block)) return { ...block, type: 'line', item: false, again: true as const }
    const module = heads.get(block) ?? topics.get(block)
    if (titles.has(block)) return { ...block, titles: true as const }
    const opens =
      module !== undefined || block.type === 'heading' || moduleHead(block.text, words) !== null || weekHead(block.text) !== null
    if (opens || (sectionOf(block.text) !== null && !isItem(block))) {
      owner = block
      listed = 0
      if (module) return { type: 'heading', text: block.text, at: block.at, module }
      return graded.has(block) ? { ...block, section: 'grading' } : block
    }
    if (block.type !== 'line') return block
    const indented = owner !== null && (block.indent ?? 0) > ((owner as { indent?: number }).indent ?? 0)
    const item = block.item || indented || ordinalOf(block.text) !== null
    const behindList = !item && block.apart === true && listed > 0
    if (item) listed++
    // A sentence that stands apart behind a list, and not in it, is about something else.
    const leaves = behindList && /[.!]$/.test(block.text)
    if (leaves) owner = null
    const [before, after] = [blocks[i - 1], blocks[i + 1]]
    const isHeading =
      !item &&
      block.text.split(/\s+/).length <= 4 &&
      !/[.;,:]$/.test(block.text) &&
      after?.type === 'line' &&
      after.item &&
      before !== undefined &&
      (before.type === 'heading' || (before.type === 'line' && before.item))
    return {
      ...block,
      item,
      ...(bare.has(block) ? { bare: true } : {}),
      ...(leaves ? { leaves } : {}),
      ...(behindList ? { behindList } : {}),
      ...(isHeading ? { heads: true } : {}),
      ...(opensText(block, before, after, listed) ? { opens: true } : {}),
    }
  })
}

/** A short line apart from a list, right above lines of its own: the heading of something else. */
function opensText(line: Extract<Line, { type: 'line' }>, before: Block | undefined, after: Block | undefined, listed: number): boolean {
  const { text, item, apart } = line
  if (item || apart !== true || listed === 0 || text.split(/\s+/).length > 4 || /[.;,:!?\d]$/.test(text)) return false
  const isNext = after?.type === 'line' && after.apart !== true && sectionOf(after.text) === null
  return isNext && before?.type === 'line' && before.item && ordinalOf(text) === null
}

/** "By the end you will be able to", once and behind all modules: what is said of the course. */
function abilitiesOfCourse(lines: readonly Line[], words: ReadonlySet<string>): Line | null {
  const all = lines.filter((l) => opensAbilities(l.text))
  const at = lines.indexOf(all[0] as Line)
  const isHead = (l: Line) => moduleHead(l.text, words) !== null || weekHead(l.text) !== null || leadingDate(l.text, null) !== null
  if (
    all.length !== 1 ||
    /\b(?:module|unit|week|lesson|session|topic|day|part)\b/i.test(all[0]?.text ?? '') ||
    lines.slice(at).some(isHead)
  )
    return null
  return lines.slice(0, at).filter(isHead).length >= 2 ? (all[0] as Line) : null
}

const TOPICS = /^(?:indicative |course |module |main )?(?:content|contents|topics|syllabus content|outline|themes)\s*:?$/i
/** A numbered list of topics, in a text that names no modules otherwise. */
function topicsListed(lines: readonly Line[], words: ReadonlySet<string>): ReadonlyMap<Line, { number: string; title: string }> {
  const at = lines.findIndex((l) => TOPICS.test(l.text.trim()))
  const none = new Map<Line, { number: string; title: string }>()
  if (at < 0 || lines.some((l) => moduleHead(l.text, words) !== null || weekHead(l.text) !== null)) return none
  for (const [i, line] of lines.slice(at + 1).entries()) {
    const own = ordinalOf(line.text)
    if (own?.style !== '1.' || own.n !== i + 1 || own.rest.length > LONGEST_HEAD) break
    none.set(line, { number: String(own.n), title: own.rest })
  }
  return none.size >= 3 ? none : new Map()
}

const isItem = (line: Line): boolean => line.type === 'line' && line.item

/** `1)`, `2.`, `A)`, `(b)` before a text: its style and its place in the count; null where there is none. */
function ordinalOf(text: string): { readonly style: string; readonly n: number; readonly rest: string } | null {
  const found = /^(\(?)(\d{1,2}|[A-Za-z])([.)])\s+(?=\S)/.exec(text)
  if (!found) return null
  const [all, open = '', mark = '', close = ''] = found
  const n = /\d/.test(mark) ? Number(mark) : mark.toLowerCase().charCodeAt(0) - 96
  const form = /\d/.test(mark) ? '1' : mark === mark.toLowerCase() ? 'a' : 'A'
  return { style: `${open}${form}${close}`, n, rest: text.slice(all.length) }
}

/** Numbered lines that come again, word for word, further down: the table of contents. */
function listedAgain(lines: readonly Line[]): ReadonlySet<Line> {
  const last = new Map(lines.map((line, i) => [line.text.trim(), i]))
  const again = lines.filter((line, i) => /^\d{1,2}[.):]?\s+\p{Lu}/u.test(line.text) && (last.get(line.text.trim()) ?? i) > i)
  return new Set(again.length >= 2 ? again : [])
}

/** Longer lines are no headings (Cairn default). */
const LONGEST_HEAD = 90

/**
 * Lines that number the parts of a course without a word for them: `1. Listening`, `2 Telling`. They count up from one, stand
 * equally far out, and each has lines of another form below it.
 */
function numberedHeads(lines: readonly Line[], words: ReadonlySet<string>): ReadonlyMap<Line, { number: string; title: string }> {
  const none = new Map<Line, { number: string; title: string }>()
  if (lines.some((l) => moduleHead(l.text, words) !== null) || lines.filter((l) => weekHead(l.text) !== null).length > 1) return none
  const repeatedLater = listedAgain(lines)
  const series = new Map<string, { readonly line: Line; readonly at: number; readonly n: number; readonly title: string }[]>()
  lines.forEach((line, at) => {
    const found = repeatedLater.has(line) ? null : /^(\d{1,2})([.):]?)\s+(\p{Lu}.*)$/u.exec(line.text)
    if (!found || isItem(line) || line.text.length > LONGEST_HEAD || /[.;,]$/.test(line.text)) return
    const key = `${found[2]}${line.type === 'line' ? (line.indent ?? 0) : 0}`
    const own = { line, at, n: Number(found[1]), title: found[3] as string }
    const known = series.get(key)
    if (known) known.push(own)
    else series.set(key, [own])
  })
  for (const list of series.values()) {
    const counts = list.every((l, i) => l.n === i + 1) && list.length > 1
    const holds = list.every((l, i) => (list[i + 1]?.at ?? lines.length) - l.at > 1)
    const tells = list.some(({ title }) => readItem(title).minutes !== null || readItem(title).amount !== null)
    if (counts && holds && !tells) return new Map(list.map((l) => [l.line, { number: String(l.n), title: l.title }]))
  }
  return none
}

/** As many of the lines of a list tell a value for one without to say something else (Cairn default). */
const MOST_TELL = 0.6

/** Lines of a module that begin with what somebody can do and tell no value, among lines that do. */
function bareItems(lines: readonly Line[], words: ReadonlySet<string>): ReadonlySet<Line> {
  const found = new Set<Line>()
  let own: Line[] = []
  const close = () => {
    const tells = own.filter(({ text }) => {
      const item = readItem(text)
      return item.minutes !== null || item.amount !== null || (item.when !== null && item.dueSaid)
    })
    const rest = own.filter((l) => !tells.includes(l))
    const isVerb = (text: string) => verbEntry(/^\W*(\p{L}+)/u.exec(text)?.[1]?.toLowerCase() ?? '') !== undefined
    if (tells.length >= 2 && tells.length >= own.length * MOST_TELL)
      for (const line of rest) if (isVerb(line.text) && kindIn(line.text) === null) found.add(line)
    own = []
  }
  for (const line of lines) {
    if (line.type === 'heading' || moduleHead(line.text, words) || weekHead(line.text) || (sectionOf(line.text) && !isItem(line))) close()
    else own.push(line)
  }
  close()
  return found
}

/** Lines that are the titles of the modules whose number alone stands above them. */
function titlesBelow(lines: readonly Line[], words: ReadonlySet<string>): ReadonlySet<Line> {
  const found = new Set<Line>()
  const bare = lines.flatMap((line, i) => {
    const head = moduleHead(line.text, words)
    return head && head.title === null && head.weeks === null ? [i] : []
  })
  for (const i of bare) {
    const next = lines[i + 1]
    if (!next || isItem(next) || sectionOf(next.text) !== null || moduleHead(next.text, words) || weekHead(next.text)) return new Set()
    if (next.text.length > LONGEST_HEAD || /[.;:,]$/.test(next.text)) return new Set()
    found.add(next)
  }
  return found
}

/** "Assessment" above lines with shares: the grade table in prose. */
function gradeHeadings(lines: readonly Line[]): ReadonlySet<Line> {
  const found = new Set<Line>()
  lines.forEach((line, i) => {
    if (!/^assessments?\b/i.test(line.text) || sectionOf(line.text) === null) return
    const end = lines.findIndex((l, k) => k > i && (l.type === 'heading' || (l.type === 'line' && l.apart === true)))
    const below = lines.slice(i + 1, Math.min(end < 0 ? lines.length : end, i + 9))
    if (below.filter((l) => /\d\s*%/.test(l.text)).length >= Math.max(2, below.length / 2)) found.add(line)
  })
  return found
}
