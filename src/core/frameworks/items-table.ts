/** Frameworks as a table: code, statement, parent, kind, and what is asked. In and out. */

import { ITEM_KINDS } from '../blueprint/kinds/framework'
import { csvText } from '../csv'
import type { LedgerLine } from '../intake/ledger'
import { unguarded } from '../intake/own-headers'
import { itemKind } from './item-kinds'
import { EMPTY_TREE, type FrameworkTree, ledgerOfItems, mappedTree, type TreeItem, type TreeProblem, treeItem, walkTree } from './tree'

type Column = 'code' | 'statement' | 'parent' | 'kind' | 'required' | 'any of' | 'times' | 'notes'
const COLUMN_WORDS: readonly (readonly [Column, RegExp])[] = [
  ['parent', /^(?:parent|belongs to|part of|parent code|above)$/],
  ['code', /^(?:code|no\.?|number|id|ref(?:erence)?|item code|human ?coding ?scheme)$/],
  ['statement', /^(?:statement|text|description|item|requirement|full ?statement|wording|title)$/],
  ['kind', /^(?:kind|type|item type|cf ?item ?type)$/],
  ['required', /^(?:required|mandatory|compulsory)$/],
  ['any of', /^(?:any of|enough)$/],
  ['times', /^(?:times|occasions)$/],
  ['notes', /^(?:notes?|remarks?|range|scope)$/],
]

/** The row that names the columns: it has a statement, and a code, a parent or a kind. Null where there is none. */
function headerOf(rows: readonly (readonly string[])[]): { readonly at: number; readonly columns: readonly (Column | null)[] } | null {
  for (let at = 0; at < Math.min(rows.length, 10); at++) {
    const columns = (rows[at] ?? []).map((c) => COLUMN_WORDS.find(([, shape]) => shape.test(c.trim().toLowerCase()))?.[0] ?? null)
    if (columns.includes('statement') && columns.some((c) => c === 'code' || c === 'parent' || c === 'kind')) return { at, columns }
  }
  return null
}

/** Reads rows of cells as a framework; null where no row names the columns. */
export function readItemRows(rows: readonly (readonly string[])[], from: string): FrameworkTree | null {
  const header = headerOf(rows)
  if (!header) return null
  const problems: TreeProblem[] = []
  const left: { text: string; at: string }[] = []
  type Row = { readonly cells: Readonly<Partial<Record<Column, string>>>; readonly at: string; readonly children: Row[] }
  const roots: Row[] = []
  const byCode = new Map<string, Row>()
  const list: Row[] = []
  rows.slice(header.at + 1).forEach((row, i) => {
    const at = `${from} row ${header.at + i + 2}`
    const cells: Partial<Record<Column, string>> = {}
    header.columns.forEach((column, k) => {
      const value = (row[k] ?? '').trim()
      if (column && value !== '') cells[column] = unguarded(value)
    })
    if (Object.keys(cells).length === 0) return
    if (!cells.statement) return void left.push({ text: row.filter((c) => c.trim() !== '').join(' | '), at })
    const made: Row = { cells, at, children: [] }
    if (cells.code) {
      if (byCode.has(cells.code)) problems.push({ code: 'code-twice', message: `${cells.code} comes twice`, at })
      else byCode.set(cells.code, made)
    }
    list.push(made)
  })
  const parentOf = (row: Row): Row | null => {
    const named = row.cells.parent
    if (!named) return null
    const parent = byCode.get(named)
    if (!parent)
      problems.push({
        code: 'missing-parent',
        message: `There is no ${named}; ${row.cells.code ?? 'the item'} stands at the top`,
        at: row.at,
      })
    return parent ?? null
  }
  const parents = new Map(list.map((row) => [row, parentOf(row)]))
  for (const row of list) {
    let above = parents.get(row) ?? null
    const seen = new Set<Row>([row])
    for (let up = above; up; up = parents.get(up) ?? null) {
      if (seen.has(up)) {
        problems.push({
          code: 'cycle',
          message: `${row.cells.code ?? 'An item'} would stand within itself; it stands at the top`,
          at: row.at,
        })
        above = null
        parents.set(row, null)
        break
      }
      seen.add(up)
    }
    ;(above?.children ?? roots).push(row)
  }
  const made = (row: Row, depth: number, children: readonly TreeItem[]): TreeItem =>
    treeItem({
      code: row.cells.code ?? null,
      statement: row.cells.statement ?? '',
      kind: ITEM_KINDS.find((k) => k === row.cells.kind?.toLowerCase()) ?? itemKind(row.cells.kind ?? null, row.children.length > 0, depth),
      required: !/^(?:no|n|false|0|optional)$/i.test(row.cells.required ?? ''),
      anyOf: countIn(row.cells['any of']),
      times: countIn(row.cells.times),
      notes: row.cells.notes ?? null,
      children,
      at: row.at,
    })
  const items = mappedTree(roots, made)
  const above: LedgerLine[] = []
  let title: string | null = null
  rows.slice(0, header.at + 1).forEach((row, i) => {
    const filled = row.filter((c) => c.trim() !== '')
    const line = { text: filled.join(' | '), at: `${from} row ${i + 1}` }
    if (i === header.at) above.push({ ...line, fate: 'decoration', what: 'header', paths: [] })
    else if (filled.length === 1 && title === null) {
      title = line.text
      above.push({ ...line, fate: 'read', what: 'title', paths: [] })
    } else if (filled.length > 0) left.push(line)
  })
  return { ...EMPTY_TREE, title, items, problems, notUnderstood: left, ledger: [...above, ...ledgerOfItems(items, left)] }
}

const countIn = (text: string | undefined): number | null => {
  const n = Number(text)
  return Number.isInteger(n) && n >= 1 && n <= 200 ? n : null
}
const HEADER = ['code', 'statement', 'parent', 'kind', 'required', 'any of', 'times', 'notes']

/** The framework as CSV (RFC 4180), parents named by code; items without a code get one from their place. */
export function writeItemsCsv(items: readonly TreeItem[]): string {
  const taken = new Set(walkTree(items).flatMap(({ item }) => item.code ?? []))
  const data: string[][] = []
  const write = (list: readonly TreeItem[], parent: string) =>
    list.forEach((item, i) => {
      let code = item.code ?? `${parent === '' ? '' : `${parent}.`}${i + 1}`
      while (item.code === null && taken.has(code)) code = `${code}x`
      taken.add(code)
      data.push([
        code,
        item.statement,
        parent,
        item.kind,
        item.required ? 'yes' : 'no',
        item.anyOf === null ? '' : String(item.anyOf),
        item.times === null ? '' : String(item.times),
        item.notes ?? '',
      ])
      write(item.children, code)
    })
  write(items, '')
  return csvText(HEADER, data)
}
