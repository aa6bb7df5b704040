/**
 * What a file holds besides what it shows: hidden sheets and rows, what is struck through, old copies of a sheet. Nobody can tell
 * whether they are meant; they are left out until somebody says so, and asked about.
 */
import { countOf } from '../numbers'
import type { Answers } from './answers'
import type { Block, RowMark, Source, Table } from './blocks'
import { type Draft, short } from './draft'

export const ASIDE_CODES = ['sheet-hidden', 'sheet-copy', 'rows-hidden', 'rows-struck', 'lines-struck'] as const
export type AsideCode = (typeof ASIDE_CODES)[number]
export const isAside = (code: string): code is AsideCode => (ASIDE_CODES as readonly string[]).includes(code)

type Aside = {
  readonly code: AsideCode
  readonly message: string
  /** By which it is answered. */
  readonly at: string
  readonly rows: readonly number[]
}

const ROWS = { hidden: 'rows-hidden', 'struck through': 'rows-struck' } as const satisfies Partial<Record<RowMark, AsideCode>>

/** What each sheet of a source holds aside. */
function asidesOf(source: Source): ReadonlyMap<Table, readonly Aside[]> {
  const tables = source.blocks.filter((b) => b.type === 'table')
  const copies = copiesAmong(tables)
  return new Map(
    tables.map((table) => {
      const all = table.rows.map((_, y) => y)
      const original = copies.get(table)
      if (table.hidden) return [table, [{ code: 'sheet-hidden', message: `The sheet “${table.name}” is hidden.`, at: table.at, rows: all }]]
      if (original)
        return [
          table,
          [{ code: 'sheet-copy', message: `The sheet “${table.name}” is nearly the same as “${original.name}”.`, at: table.at, rows: all }],
        ]
      return [
        table,
        (Object.keys(ROWS) as (keyof typeof ROWS)[]).flatMap((mark): Aside[] => {
          const rows = all.filter((y) => table.marks?.get(y) === mark)
          const where = table.name === null ? '' : ` of the sheet “${table.name}”`
          const numbers = `${rows
            .slice(0, 6)
            .map((y) => y + 1)
            .join(', ')}${rows.length > 6 ? ' and so on' : ''}`
          const message = `${countOf(rows.length, 'row')}${where} ${rows.length === 1 ? 'is' : 'are'} ${mark}: ${numbers}.`
          return rows.length === 0 ? [] : [{ code: ROWS[mark], message, at: `${table.at}, rows ${mark}`, rows }]
        }),
      ]
    }),
  )
}

/** Texts of a sheet must be as many at least before it can be a copy (Cairn default). */
const LEAST_TEXTS = 8
/** As large a part of a copy's texts stands in the original (Cairn default); less is enough where its name says it is old. */
const SAME = { any: 0.9, named: 0.6 } as const
const OLD = /\b(?:old|copy|backup|archived?|previous|alt|unused|draft|kopie|copie|copia|alte?r?)\b|\(\d\)$|_(?:old|bak)\b/i

/** Sheets that hold nearly what another sheet holds: the one whose name says that it is old, else the later one. */
function copiesAmong(tables: readonly Table[]): ReadonlyMap<Table, Table> {
  const texts = new Map(
    tables
      .filter((t) => t.name !== null && !t.hidden)
      .map((t) => [t, new Set(t.rows.flat().flatMap((c) => (/\p{L}{3}/u.test(c) ? [c.trim().toLowerCase()] : [])))]),
  )
  const copies = new Map<Table, Table>()
  const list = [...texts].filter(([, set]) => set.size >= LEAST_TEXTS)
  for (const [table, own] of list)
    for (const [other, all] of list) {
      if (other === table || copies.has(other) || copies.has(table)) continue
      const isOld = OLD.test(table.name ?? '') && !OLD.test(other.name ?? '')
      const isLater = !OLD.test(other.name ?? '') && tables.indexOf(table) > tables.indexOf(other)
      const shared = [...own].filter((text) => all.has(text)).length / own.size
      if ((isOld && shared >= SAME.named) || (isLater && shared >= SAME.any)) copies.set(table, other)
    }
  return copies
}

/** Sets lines aside that are struck through, all of a text by one question. */
function leaveStruck(draft: Draft, source: Source, answers: Answers): ReadonlySet<Block> {
  const lines = source.blocks.filter((b) => b.type === 'line' && b.struck === true) as Extract<Block, { type: 'line' }>[]
  const at = `${source.name}, lines struck through`
  const answered = answers.aside[at]
  if (lines.length === 0 || answered === 'take in') return new Set()
  const message = `${countOf(lines.length, 'line')} ${lines.length === 1 ? 'is' : 'are'} struck through`
  if (answered === undefined)
    draft.problem(
      'lines-struck',
      `${message}: ${lines
        .slice(0, 3)
        .map((l) => short(l.text))
        .join('; ')}. Left out until you say that it is meant.`,
      at,
    )
  for (const line of lines)
    draft.ledger.line(line.text, line.at).became(answered ? 'decoration' : 'question', answered ? 'left out, as you said' : message)
  return new Set(lines)
}

/**
 * The source without what is set aside. What nobody has answered is a question; what somebody does not want says nothing.
 */
export function withoutAsides(draft: Draft, source: Source, answers: Answers): Source {
  const asides = asidesOf(source)
  const struck = leaveStruck(draft, source, answers)
  const blocks = source.blocks.flatMap((block) => {
    if (struck.has(block)) return []
    const out = block.type === 'table' ? (asides.get(block) ?? []).filter((a) => answers.aside[a.at] !== 'take in') : []
    if (block.type !== 'table' || out.length === 0) return [block]
    const grid = draft.ledger.gridOf(block)
    for (const { code, message, at, rows } of out) {
      const answered = answers.aside[at] === 'leave out'
      if (!answered) draft.problem(code, `${message} Left out until you say that it is meant.`, at)
      for (const y of rows)
        for (const entry of grid[y] ?? [])
          entry?.became(answered ? 'decoration' : 'question', answered ? 'left out, as you said' : message.replace(/\.$/, ''))
    }
    const gone = new Set(out.flatMap((a) => a.rows))
    const numbers = block.rows.flatMap((_, y) => (gone.has(y) ? [] : [y]))
    if (numbers.length === 0) return []
    const table: Table = { ...block, rows: numbers.map((y) => block.rows[y] as readonly string[]), numbers }
    draft.ledger.take(
      table,
      numbers.map((y) => grid[y] ?? []),
    )
    return [table]
  })
  return { ...source, blocks }
}
