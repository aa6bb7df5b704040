/** The rows of the working table: modules in order, in each the course's parts with their activities, and an empty row. */
import type { Blueprint } from '../../core/blueprint/blueprint'
import { partsIn } from '../../core/plan/numbering'
import { indexCourse } from '../../core/plan/plan-index'
import { headKey } from '../parts/grid/grid'
import type { GridRow } from '../parts/grid/types'

/** The row that makes a module. */
export const ADD_MODULE = 'add-module'

export function activityRows(view: Blueprint): GridRow[] {
  const index = indexCourse(view)
  const rows = index.modules.flatMap((module): GridRow[] => {
    const activities = index.activitiesOf(module.id)
    const parts = [...partsIn(view, module.id), null].flatMap((partId): GridRow[] => {
      const own = activities.filter((a) => a.partId === partId)
      if (own.length === 0) return []
      const line: GridRow = { key: `part ${module.id} ${partId ?? ''}`, type: 'label', id: partId ?? '' }
      return [line, ...own.map(({ id }): GridRow => ({ key: id, type: 'data', id }))]
    })
    return [{ key: headKey(module.id), type: 'head', id: module.id }, ...parts, { key: `new ${module.id}`, type: 'new', id: module.id }]
  })
  return [...rows, { key: ADD_MODULE, type: 'new', id: '' }]
}
