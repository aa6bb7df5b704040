/** The entries that an activity or a module holds, as a table of their own: made, written, ordered and removed by keys. */

import { useCallback, useMemo } from 'react'
import { anyRecord, type Blueprint } from '../../../core/blueprint/blueprint'
import type { PlanEdit } from '../../../core/blueprint/edit'
import { fieldText } from '../../../core/blueprint/field-text'
import { fieldOf, specOf } from '../../../core/blueprint/kinds'
import { article } from '../../../core/blueprint/text'
import { addEntry, linkTo, moveEntry, placeEntry, writeEntry, writeOtherEnd } from '../../../core/design/edit-entries'
import { type EntryList, entriesOf, fixedEnds } from '../../../core/design/entry-lists'
import { namesIn } from '../../../core/plan/names'
import { newId, useCourse, useCourseStore } from '../../store/course-store'
import { fieldColumn, recordChoices, textColumn } from './field-column'
import { Grid } from './grid'
import type { GridColumn, GridRow } from './types'
import { useRows } from './use-rows'

/** A row that is being made learns its record when its first value is written. */
type RowInMaking = { key: string; readonly type: 'data'; id: string }
const isInMaking = (row: GridRow): row is RowInMaking => row.type === 'data' && row.key === ''

export function EntryTable({ list, ownerId, label }: { readonly list: EntryList; readonly ownerId: string; readonly label: string }) {
  const store = useCourseStore()
  const readOnly = !store.may(list.kind)
  const rows = useRows(useCallback((plan: Blueprint) => entryRows(plan, list, ownerId, readOnly), [list, ownerId, readOnly]))
  const columns = useMemo(() => list.fields.map((name) => entryColumn(list, ownerId, name)), [list, ownerId])
  const make = useCallback(
    (edit: PlanEdit): GridRow => {
      if (list.otherEnd !== null) return { key: '', type: 'data', id: '' }
      const id = addEntry(edit, list, ownerId, {}, newId)
      return { key: id, type: 'data', id }
    },
    [list, ownerId],
  )
  return (
    <Grid
      isWithin
      label={label}
      kind={list.kind}
      rows={rows}
      columns={columns}
      readOnly={readOnly}
      make={make}
      move={(edit, row, step) => moveEntry(edit, list, ownerId, row.id, step)}
      place={(edit, row, over, after) => {
        const others = entriesOf(edit.now, list, ownerId).filter((e) => e.id !== row.id)
        const at = others.findIndex((e) => e.id === over.id)
        placeEntry(edit, list, ownerId, row.id, at < 0 ? others.length : at + (after ? 1 : 0))
      }}
    />
  )
}

function entryRows(plan: Blueprint, list: EntryList, ownerId: string, readOnly: boolean): GridRow[] {
  const entries = entriesOf(plan, list, ownerId)
  if (list.isFixed)
    return fixedEnds(plan, list).map((end): GridRow => {
      const id = entries.find((e) => e[list.otherEnd ?? ''] === end)?.id ?? ''
      return { key: end, type: 'data', id, fixed: true }
    })
  const rows = entries.map(({ id }): GridRow => ({ key: id, type: 'data', id, ...(list.isOrdered ? {} : { fixed: false }) }))
  return readOnly ? rows : [...rows, { key: 'new', type: 'new', id: ownerId }]
}

function entryColumn(list: EntryList, ownerId: string, name: string): GridColumn {
  const field = fieldOf(list.kind, name)
  const isEnd = name === list.otherEnd
  const isFirst = name === list.fields[0]
  const write: GridColumn['write'] = (edit, row, written) => {
    if (list.isFixed) return writeFixed(edit, list, ownerId, row, name, written)
    if (!isEnd || !isInMaking(row)) return writeEntry(edit, list, ownerId, row.id || null, name, written)
    const made = writeOtherEnd(edit, list, ownerId, null, written)
    if (made.ok) row.key = row.id = made.value ?? ''
    return made.ok ? null : made.error
  }
  const plain = fieldColumn(list.kind, name)
  if (isEnd && list.isFixed)
    return textColumn({
      id: name,
      header: plain.header,
      cell: { name: 'text' },
      width: 150,
      text: (plan, row) => fieldText(field, row.key, namesIn(plan)),
    })
  return fieldColumn(list.kind, name, {
    write,
    ...(field.type === 'ref' && field.to !== 'part' && field.to !== 'module' ? { width: 150 } : {}),
    ...(field.type === 'ref' ? { cell: { name: 'choice', choices: (plan: Blueprint) => named(plan, field.to as never) } as const } : {}),
    ...(field.type === 'int' || field.type === 'hundredths' ? { width: 76 } : {}),
    ...(field.type === 'enum' || field.type === 'bool' ? { width: 120 } : {}),
    ...(field.type === 'date' || field.type === 'time' || field.type === 'object' ? { width: 110 } : {}),
    ...(isFirst && !list.isFixed && field.type !== 'text' ? { width: 190 } : {}),
    ...(isFirst && !list.isFixed ? { Cell: ({ row }: { readonly row: GridRow }) => <First list={list} column={plain} row={row} /> } : {}),
  })
}

/** Records by number and name: a number alone says little to who chooses. */
function named(plan: Blueprint, kind: Parameters<typeof recordChoices>[1]) {
  const { nameField } = specOf(kind)
  return recordChoices(plan, kind).map(({ value, label }) => {
    const title = String((nameField && anyRecord(plan, { kind, id: value })?.[nameField]) || '')
    return { value, label: title !== '' && title !== label ? `${label} ${title}` : label }
  })
}

/** The first value of an entry; in the empty row, what typing there does. */
function First({ list, column, row }: { readonly list: EntryList; readonly column: GridColumn; readonly row: GridRow }) {
  const text = useCourse((s) => (row.type === 'data' ? column.text(s.view, row) : ''))
  if (row.type === 'data') return text === '' ? <span className="muted">–</span> : <span data-tip={text}>{text}</span>
  const { noun } = specOf(list.kind)
  return <span className="muted">{list.otherEnd === null ? `Type to add ${article(noun)}` : 'Type a number to add one'}</span>
}

/** A line that is always there: saying something makes its record, taking what it must have away removes it. */
function writeFixed(
  edit: PlanEdit,
  list: EntryList,
  ownerId: string,
  row: GridRow,
  name: string,
  written: Parameters<NonNullable<GridColumn['write']>>[2],
) {
  const field = fieldOf(list.kind, name)
  const isEmpty = written.text.trim() === '' && (written.chosen === undefined || written.chosen === null)
  if (isEmpty && row.id !== '' && field.type === 'enum' && !field.optional) {
    edit.remove({ kind: list.kind, id: row.id })
    return null
  }
  if (isEmpty && row.id === '') return null
  const made = row.id === '' ? linkTo(edit, list, ownerId, null, row.key) : null
  if (made && !made.ok) return made.error
  return writeEntry(edit, list, ownerId, made ? made.value : row.id, name, written)
}
