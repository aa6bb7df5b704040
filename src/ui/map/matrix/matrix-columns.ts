/** The columns of the matrix: activities in the order of the course; a module that is folded is one column of counts. */
import type { Blueprint } from '../../../core/blueprint/blueprint'
import { indexCourse } from '../../../core/plan/plan-index'

export type MatrixColumn = {
  readonly id: string
  readonly type: 'activity' | 'module'
  readonly moduleId: string
}
/** Widths in pixels (Cairn defaults). */
export const COLUMN_WIDTH = { activity: 44, module: 76 } as const

export type ModuleSpan = { readonly moduleId: string; readonly from: number; readonly width: number; readonly isFolded: boolean }

export function matrixColumns(plan: Blueprint, folded: ReadonlySet<string>): readonly MatrixColumn[] {
  const index = indexCourse(plan)
  return index.modules.flatMap(({ id: moduleId }): MatrixColumn[] => {
    const activities = index.activitiesOf(moduleId)
    // A module without an activity has a column all the same: it can be seen to be empty.
    if (folded.has(moduleId) || activities.length === 0) return [{ id: moduleId, type: 'module', moduleId }]
    return activities.map(({ id }) => ({ id, type: 'activity', moduleId }))
  })
}

/** Where the head of each module stands, in pixels from the first column. */
export function moduleSpans(columns: readonly MatrixColumn[], folded: ReadonlySet<string>): readonly ModuleSpan[] {
  const spans: ModuleSpan[] = []
  let at = 0
  for (const { moduleId, type } of columns) {
    const width = COLUMN_WIDTH[type]
    const last = spans.at(-1)
    if (last?.moduleId === moduleId) spans[spans.length - 1] = { ...last, width: last.width + width }
    else spans.push({ moduleId, from: at, width, isFolded: folded.has(moduleId) })
    at += width
  }
  return spans
}
