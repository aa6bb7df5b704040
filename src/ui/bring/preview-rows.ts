/** The tree that was understood as one list of rows, so that only those in sight are drawn. */
import type { RowAt } from '../../core/intake/correct'
import type { Understanding } from '../../core/intake/understanding'

export type PreviewRow =
  | { readonly kind: 'heading' | 'title'; readonly text: string; readonly path: string }
  | { readonly kind: 'outcome' | 'category' | 'module' | 'columns' | 'piece'; readonly at: number; readonly path: string }
  | { readonly kind: 'objective' | 'activity'; readonly row: RowAt; readonly path: string }

export function previewRows(tree: Understanding): PreviewRow[] {
  const rows: PreviewRow[] = []
  if (tree.title !== null) rows.push({ kind: 'title', text: tree.title, path: 'title' })
  if (tree.outcomes.length > 0) rows.push({ kind: 'heading', text: 'Outcomes', path: 'outcomes' })
  for (const at of tree.outcomes.keys()) rows.push({ kind: 'outcome', at, path: `outcomes[${at}]` })
  for (const [module, { objectives, activities }] of tree.modules.entries()) {
    const path = `modules[${module}]`
    rows.push({ kind: 'module', at: module, path })
    for (const at of objectives.keys())
      rows.push({ kind: 'objective', row: { module, rows: 'objectives', at }, path: `${path}.objectives[${at}]` })
    if (activities.length > 0) rows.push({ kind: 'columns', at: module, path: `${path}.columns` })
    for (const at of activities.keys())
      rows.push({ kind: 'activity', row: { module, rows: 'activities', at }, path: `${path}.activities[${at}]` })
  }
  if (tree.categories.some((c) => c.share !== null)) {
    rows.push({ kind: 'heading', text: 'Grade categories', path: 'categories' })
    for (const at of tree.categories.keys()) rows.push({ kind: 'category', at, path: `categories[${at}]` })
  }
  if (tree.pieces.length > 0) rows.push({ kind: 'heading', text: 'Beside the plan', path: 'pieces' })
  for (const at of tree.pieces.keys()) rows.push({ kind: 'piece', at, path: `pieces[${at}]` })
  return rows
}
