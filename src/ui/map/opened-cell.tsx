/** What a cell holds, opened under its line: its rows, or its text. Fetched when something is first opened. */
import { anyRecord } from '../../core/blueprint/blueprint'
import { fieldOf } from '../../core/blueprint/kinds'
import { entriesTold } from '../../core/design/entries-told'
import type { ListOwner } from '../../core/design/entry-lists'
import { recordName } from '../../core/plan/names'
import { indexCourse } from '../../core/plan/plan-index'
import { FieldControl } from '../parts/field-control'
import { EntryTable } from '../parts/grid/entry-table'
import { OpenedBox } from '../parts/grid/opened'
import type { GridRow } from '../parts/grid/types'
import { useCourse } from '../store/course-store'
import { listsByColumn } from './opening-columns'

const LISTS = { activity: listsByColumn('activity'), module: listsByColumn('module') }

export const OpenedActivity = ({ row }: { readonly row: GridRow }) => <OpenedCell kind="activity" row={row} />
export const OpenedModule = ({ row }: { readonly row: GridRow }) => <OpenedCell kind="module" row={row} />

function OpenedCell({ kind, row }: { readonly kind: ListOwner; readonly row: GridRow }) {
  const id = row.under ?? ''
  const record = useCourse((s) => anyRecord(s.view, { kind, id }))
  const name = useCourse((s) => {
    // With the number that its series gives it.
    const whole = kind === 'activity' ? indexCourse(s.view).activity(id) : undefined
    return record ? recordName(s.view, { kind, id }, (whole as typeof record | undefined) ?? record) : ''
  })
  const list = LISTS[kind].get(row.id)
  const told = useCourse((s) => (list ? entriesTold(s.view, list, id) : ''))
  if (!record) return null
  return (
    <OpenedBox
      of={`${row.id} ${id}`}
      told={
        <>
          {list && `${list.title} of ${name}${told && `: ${told}`} · `}
          {list?.isOrdered ? 'Alt+↑ and Alt+↓ move a row, Ctrl+Delete removes it, Esc closes' : 'Esc closes'}
        </>
      }
    >
      {list ? (
        <EntryTable list={list} ownerId={id} label={`${list.title} of ${name}`} />
      ) : (
        <FieldControl kind={kind} record={record} name={row.id} field={fieldOf(kind, row.id)} what={name} />
      )}
    </OpenedBox>
  )
}
