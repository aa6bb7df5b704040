/** What a cell holds, opened under its line: its rows, or its text. Fetched when something is first opened. */
import { useContext, useEffect, useRef } from 'react'
import { anyRecord } from '../../core/blueprint/blueprint'
import { fieldOf } from '../../core/blueprint/kinds'
import { entriesTold } from '../../core/design/entries-told'
import type { ListOwner } from '../../core/design/entry-lists'
import { recordName } from '../../core/plan/names'
import { indexCourse } from '../../core/plan/plan-index'
import { FieldControl } from '../parts/field-control'
import { focusFirstIn, leadsOut } from '../parts/focus'
import { EntryTable } from '../parts/grid/entry-table'
import type { GridRow } from '../parts/grid/types'
import { useCourse } from '../store/course-store'
import { CloseOpened } from './opened'
import { listsByColumn } from './opening-columns'

const LISTS = { activity: listsByColumn('activity'), module: listsByColumn('module') }

export const OpenedActivity = ({ row }: { readonly row: GridRow }) => <OpenedCell kind="activity" row={row} />
export const OpenedModule = ({ row }: { readonly row: GridRow }) => <OpenedCell kind="module" row={row} />

function OpenedCell({ kind, row }: { readonly kind: ListOwner; readonly row: GridRow }) {
  const close = useContext(CloseOpened)
  const place = useRef<HTMLDivElement>(null)
  const id = row.under ?? ''
  const record = useCourse((s) => anyRecord(s.view, { kind, id }))
  const name = useCourse((s) => {
    // With the number that its series gives it.
    const whole = kind === 'activity' ? indexCourse(s.view).activity(id) : undefined
    return record ? recordName(s.view, { kind, id }, (whole as typeof record | undefined) ?? record) : ''
  })
  const list = LISTS[kind].get(row.id)
  const told = useCourse((s) => (list ? entriesTold(s.view, list, id) : ''))
  useEffect(() => {
    focusFirstIn(place.current)
  }, [row.id, id])
  if (!record) return null
  return (
    <div
      ref={place}
      className="opened-rows"
      onKeyDown={(e) => {
        if (!leadsOut(e)) return
        e.preventDefault()
        e.stopPropagation()
        close()
      }}
    >
      <div className="muted small">
        {list && `${list.title} of ${name}${told && `: ${told}`} · `}
        {list?.isOrdered ? 'Alt+↑ and Alt+↓ move a row, Ctrl+Delete removes it, Esc closes' : 'Esc closes'}
      </div>
      {list ? (
        <EntryTable list={list} ownerId={id} label={`${list.title} of ${name}`} />
      ) : (
        <FieldControl kind={kind} record={record} name={row.id} field={fieldOf(kind, row.id)} what={name} />
      )}
    </div>
  )
}
