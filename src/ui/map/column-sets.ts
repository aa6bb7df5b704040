/** The sets of columns that the table of modules ships with (Cairn defaults). */
import type { ColumnSet } from '../../core/edits/column-sets'

/** A set of columns behind number and title, which stay in sight. */
export const columnSet = (id: string, ...columns: readonly string[]): ColumnSet => ({
  id,
  title: id,
  columns: ['number', 'title', ...columns].map((c, i) => ({ id: c, width: null, frozen: i < 2 })),
})

export const COLUMN_SETS: readonly ColumnSet[] = [
  columnSet('planning', 'part', 'kind', 'purpose', 'objectives', 'minutes', 'due', 'category', 'points'),
  columnSet('teaching', 'instructions', 'materials', 'interactions', 'timing', 'setting', 'grouping', 'minutes', 'due'),
  columnSet('building', 'kind', 'instructions', 'materials', 'accessItems', 'storyRows', 'milestones', 'buildsOn', 'unlockTerms', 'notes'),
]
