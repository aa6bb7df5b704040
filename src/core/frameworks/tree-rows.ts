/** A tree as rows that can be corrected one by one, and back. */
import { MOST_LEVELS } from '../blueprint/tree-shape'
import type { FrameworkTree, TreeItem } from './tree'
import { walkTree } from './tree'

/** `depth` says what a row is a part of: the nearest one above that stands less deep. */
export type TreeRow = { readonly key: string; readonly depth: number; readonly item: Omit<TreeItem, 'children'> }

export const rowsOfTree = (items: readonly TreeItem[]): TreeRow[] =>
  walkTree(items).map(({ item: { children: _, ...item }, depth }, i) => ({ key: String(i), depth, item }))

/** The tree of the rows; a row that stands more than one step deeper than the one above is a part of that one. */
export function treeOfRows(rows: readonly TreeRow[]): TreeItem[] {
  type Open = Omit<TreeItem, 'children'> & { children: Open[] }
  const roots: Open[] = []
  const path: Open[] = []
  for (const { depth, item } of rows) {
    path.length = Math.min(path.length, depth)
    const open: Open = { ...item, children: [] }
    ;(path.at(-1)?.children ?? roots).push(open)
    path.push(open)
  }
  return roots
}

/** Moves a row with its parts one step in or out. The same rows come back where it cannot move. */
export function shiftRow(rows: readonly TreeRow[], at: number, step: 1 | -1): readonly TreeRow[] {
  const row = rows[at]
  const above = rows[at - 1]
  if (!row || (step === -1 && row.depth === 0) || (step === 1 && (!above || row.depth > above.depth))) return rows
  let end = at + 1
  while (end < rows.length && (rows[end] as TreeRow).depth > row.depth) end++
  const isMoved = (i: number): boolean => i >= at && i < end
  if (rows.some((r, i) => isMoved(i) && r.depth + step >= MOST_LEVELS)) return rows
  return rows.map((r, i) => (isMoved(i) ? { ...r, depth: r.depth + step } : r))
}

/** Takes a row out; its parts come up to where it stood. */
export function removeRow(rows: readonly TreeRow[], at: number): readonly TreeRow[] {
  const row = rows[at]
  if (!row) return rows
  let end = at + 1
  while (end < rows.length && (rows[end] as TreeRow).depth > row.depth) end++
  return rows.flatMap((r, i) => (i === at ? [] : i > at && i < end ? [{ ...r, depth: r.depth - 1 }] : [r]))
}

/** How many items of each kind a tree has, in words' order: for what is said before it is stored. */
export function treeCounts(tree: Pick<FrameworkTree, 'items'>): ReadonlyMap<TreeItem['kind'], number> {
  const counts = new Map<TreeItem['kind'], number>()
  for (const { item } of walkTree(tree.items)) counts.set(item.kind, (counts.get(item.kind) ?? 0) + 1)
  return counts
}
