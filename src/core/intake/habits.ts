/** What is found out about all that was brought before any of it is read: how dates are written, and which word numbers the parts. */

import type { Source } from './blocks'
import type { Habits } from './draft'
import { moduleHead, numberedWord, weekHead } from './heads'
import { kindIn } from './items'
import { type DateOrder, dateOrderOf, leadingDate } from './when'

/** Words that number something else than the parts of a course. */
const OTHER =
  /^(?:week|wk|woche|semaine|semana|page|figure|table|level|year|room|outcome|objective|goal|chapter|version|question|item|task|activity|group|team|sheet|row|column|point|mark|exercise|assessment|assignment|essay|paper|project|quiz|test|lab|grade|fall|spring|summer|winter|class|session)s?$/
/** Words that number its parts only where no other word does. */
const WEAK = /^(?:day|part|step|stage|phase)s?$/

export function habitsOf(sources: readonly Source[], dates: DateOrder): Habits {
  const columns = sources.flatMap(columnsOf)
  const words = numberingWords(columns)
  const named = columns.flat().some((text) => moduleHead(text, words) !== null || weekHead(text) !== null)
  return {
    order: dates ?? dateOrderOf(columns),
    words: named ? words : numberingWords(columns, true),
    weeksAreRows: weeksAreRows(sources),
    datesAreHeads: !named && datedLines(sources) >= 3,
    found: null,
  }
}

/** Lines, none of them in a list without numbers, that begin with a date. */
const datedLines = (sources: readonly Source[]): number =>
  sources.flatMap((s) => s.blocks).filter((b) => b.type === 'line' && (!b.item || /^\d/.test(b.text)) && leadingDate(b.text, null) !== null)
    .length

/** Whether weeks come again and again at the beginning of lines. */
function weeksAreRows(sources: readonly Source[]): boolean {
  const weeks = sources.flatMap((s) => s.blocks.flatMap((b) => (b.type === 'table' ? [] : (weekHead(b.text)?.weeks.first ?? []))))
  return weeks.length - new Set(weeks).size >= Math.max(1, weeks.length / 5)
}

/** Texts in the order that they are read in: each column of a table, the lines of a text. */
function columnsOf({ blocks }: Source): string[][] {
  const lines = blocks.flatMap((b) => (b.type === 'table' ? [] : [b.text]))
  const tables = blocks.flatMap((b) => {
    if (b.type !== 'table') return []
    const width = Math.max(0, ...b.rows.map((r) => r.length))
    return [...Array.from({ length: width }, (_, x) => b.rows.map((r) => r[x] ?? '')), ...(b.name === null ? [] : [[b.name]])]
  })
  // A label with a number behind it, on one sheet after another.
  const labels = blocks.flatMap((b) =>
    b.type !== 'table'
      ? []
      : b.rows.flatMap(([label = '', value = '']) =>
          /:\s*$/.test(label) && /^\d/.test(value.trim()) ? [`${label.replace(/\s*:\s*$/, '')} ${value.trim()}`] : [],
        ),
  )
  const names = blocks.flatMap((b) => (b.type === 'table' && b.name !== null ? [b.name] : []))
  return [lines, names, labels, ...tables]
}

/** `Tour 1   15 %`: an entry of a grade table, whose word numbers work and no parts of the course. */
const GRADED = /^(\p{Lu}\p{L}+) \d{1,2}[\s:.…–—-]+\d{1,3}(?:[.,]\d+)?\s*(?:%|points?|pts)$/u

/** Words that stand before 1, 2, … in lines or in one column, at least two of them, and name no kind of activity. */
function numberingWords(columns: readonly (readonly string[])[], weak = false): Set<string> {
  const words = new Set<string>()
  for (const column of columns) {
    const numbers = new Map<string, Set<number>>()
    const graded = new Set(column.flatMap((text) => GRADED.exec(text.trim())?.[1]?.toLowerCase() ?? []))
    for (const text of column) {
      const [start = ''] = text.split(/(?<=[.!?])\s+(?=\p{Lu})/u, 1)
      const found = start.length > 200 ? null : numberedWord(start)
      if (found) numbers.set(found.word, (numbers.get(found.word) ?? new Set()).add(found.number))
    }
    for (const [word, seen] of numbers)
      if (
        ((seen.has(1) && seen.size > 1) || column.some((t) => t.trim().toLowerCase() === word)) &&
        !OTHER.test(word) &&
        !graded.has(word) &&
        (weak || !WEAK.test(word)) &&
        kindIn(word) === null &&
        kindIn(`${word} 1`) === null
      )
        words.add(word)
  }
  return words
}
