/** Sets of columns that a course keeps under a name. */
import { type Blueprint, recordsOf } from '../blueprint/blueprint'
import type { PlanEdit } from '../blueprint/edit'
import { readValue } from '../blueprint/field-text'
import type { NewId } from '../blueprint/ids'
import { byOrder, keyIn, keysBetween } from '../blueprint/order'
import { derive } from '../plan/derive'
import { groupBy } from '../plan/group-by'
import { err, ok, type Result } from '../result'

export type SetColumn = {
  readonly id: string
  /** In pixels; null: as the column is given. */
  readonly width: number | null
  readonly frozen: boolean
}
export type ColumnSet = { readonly id: string; readonly title: string; readonly columns: readonly SetColumn[] }

/** The sets of a course, in their order. */
export const columnSetsOf = derive(['columnSet', 'columnOfSet'], (plan: Blueprint): readonly ColumnSet[] => {
  const columns = groupBy(recordsOf(plan, 'columnOfSet'), (c) => c.setId, byOrder)
  return recordsOf(plan, 'columnSet')
    .sort(byOrder)
    .map(({ id, title }) => ({
      id,
      title,
      columns: (columns.get(id) ?? []).map((c) => ({ id: c.column, width: c.width, frozen: c.frozen })),
    }))
})

/** Keeps columns under a name; a set that has the name already gets them instead of its own. Gives the id of the set. */
export function saveColumnSet(edit: PlanEdit, name: string, columns: readonly SetColumn[], newId: NewId): Result<string, string> {
  const title = readValue('columnSet', 'title', name)
  if (!title.ok) return err(title.error)
  const sets = recordsOf(edit.now, 'columnSet').sort(byOrder)
  const known = sets.find((s) => s.title.toLowerCase() === String(title.value).toLowerCase())
  const id = known?.id ?? edit.create('columnSet', { id: newId(), title: String(title.value), order: keyIn(edit, 'columnSet', sets) })
  edit.remove(...recordsOf(edit.now, 'columnOfSet').flatMap((c) => (c.setId === id ? { kind: 'columnOfSet' as const, id: c.id } : [])))
  const keys = keysBetween(null, null, columns.length)
  edit.createAll(
    'columnOfSet',
    columns.map((c, i) => ({ id: newId(), setId: id, column: c.id, width: c.width, frozen: c.frozen, order: keys[i] as string })),
  )
  return ok(id)
}

const MARK = '*'
/** A choice of columns as a short text for an address: `number*.title*.minutes:58`. */
export const columnsText = (columns: readonly SetColumn[]): string =>
  columns.map((c) => `${c.id}${c.frozen ? MARK : ''}${c.width === null ? '' : `:${c.width}`}`).join('.')

/** Reads {@link columnsText}; columns that there are not, and what is no column, are left out. Null where none is left. */
export function readColumnsText(text: string, known: ReadonlySet<string>, width: { readonly min: number; readonly max: number }) {
  const columns = text.split('.').flatMap((piece): SetColumn[] => {
    const [, id = '', mark, pixels] = /^([^.*:]{1,60})(\*?)(?::(\d{1,4}))?$/.exec(piece) ?? []
    if (!known.has(id)) return []
    const wide = pixels === undefined ? null : Math.min(width.max, Math.max(width.min, Number(pixels)))
    return [{ id, frozen: mark === MARK, width: wide }]
  })
  const once = columns.filter((c, i) => columns.findIndex((o) => o.id === c.id) === i)
  return once.length === 0 ? null : once
}
