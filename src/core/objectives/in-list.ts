/** How a statement reads among the lines of its list, and where the course has work of its own that it may name. */
import { numberingEnd, openingEnd } from './openings'
import { type Around, readStatement, type Statement } from './statement'
import { tagger } from './tagging'

/** Lines of one list that are clear tell what an open one is, from this share on and from so many (Cairn defaults). */
const MOST_ARE = 0.9
const LEAST_CLEAR = 2

/** What the lines of a list are, leaving out the one at `at`; null where they do not say. */
export function around(list: readonly string[], at: number): Around | null {
  const clear = list.flatMap((text, i) => {
    const { heading } = readStatement(text)
    return i === at || heading === 'perhaps' ? [] : [heading]
  })
  if (clear.length < LEAST_CLEAR) return null
  const verbs = clear.filter((h) => h === 'no').length
  if (verbs >= clear.length * MOST_ARE) return 'verbs'
  return clear.length - verbs >= clear.length * MOST_ARE ? 'headings' : null
}

/** Reads a line as the others of its list are, where it may be a heading or a verb with what it is about. */
export function readInList(list: readonly string[], at: number): Statement {
  const text = list[at] ?? ''
  const read = readStatement(text)
  if (read.heading !== 'perhaps') return read
  const rest = around(list, at)
  return rest === null ? read : readStatement(text, rest)
}

/** With work of the course: "Complete the Flow report" is a task where the course has a Flow report. */
export function withOwnWork(text: string, read: Statement, titles: ReadonlySet<string>): Statement {
  if (titles.size === 0 || read.flaws.some((f) => f.code === 'task-not-result' || f.code === 'teacher-centred')) return read
  const from = read.verbs[0]?.start ?? Math.max(openingEnd(text).end, numberingEnd(text))
  const last = tagger?.ownTaskEnd(text, from, titles) ?? null
  return last === null ? read : { ...read, flaws: [{ code: 'task-not-result', span: { start: from, end: last } }] }
}

/** A title as it is looked for in statements: in small letters, without an article. */
export const ownTitle = (title: string): string =>
  title
    .trim()
    .toLowerCase()
    .replace(/\s+/g, ' ')
    .replace(/^(?:the|an?) /, '')
