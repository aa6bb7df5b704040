/** A field or list that is read until somebody comes to write: Enter or a press opens it, Escape or leaving closes it. */
import { type ReactNode, useEffect, useRef, useState } from 'react'
import { fieldText } from '../../../core/blueprint/field-text'
import { type AnyRecord, fieldOf } from '../../../core/blueprint/kinds'
import type { RichText } from '../../../core/blueprint/rich-text'
import { capital } from '../../../core/blueprint/text'
import { entriesText, entryList, type ListOwner } from '../../../core/design/entry-lists'
import { proposedWork, WORK_FIELDS, type WorkField } from '../../../core/design/work-proposals'
import { fieldTitle } from '../../../core/history/describe'
import { namesIn } from '../../../core/plan/names'
import { indexCourse } from '../../../core/plan/plan-index'
import { DraftField } from '../../parts/draft-field'
import { FieldControl } from '../../parts/field-control'
import { focusFirstIn, leadsOut } from '../../parts/focus'
import { EntryTable } from '../../parts/grid/entry-table'
import type { GridColumn, GridRow } from '../../parts/grid/types'
import { LineButton } from '../../parts/line-button'
import { RichView } from '../../parts/rich-view'
import { useCourse, useCourseStore } from '../../store/course-store'

type QuietProps = {
  readonly label: string
  /** What stands there; null for nothing. */
  readonly shown: ReactNode | null
  /** A word or a number, that stands beside its label. */
  readonly isShort?: boolean
  /** Of what it is, for the ear. */
  readonly what: string
  readonly children: ReactNode
}

/** Nothing written yet shows its name alone, quietly. */
export function Quiet({ label, shown, isShort = false, what, children }: QuietProps) {
  const [open, setOpen] = useState(false)
  const place = useRef<HTMLDivElement>(null)
  const wasOpen = useRef(false)
  const close = () => {
    wasOpen.current = true
    setOpen(false)
  }
  useEffect(() => {
    if (open) focusFirstIn(place.current)
    // Who closed it by a key goes on from where it was opened.
    else if (wasOpen.current) place.current?.querySelector<HTMLElement>('button')?.focus()
    wasOpen.current = false
  }, [open])
  if (open)
    return (
      <div
        ref={place}
        className="quiet open"
        onKeyDown={(e) => {
          const { target } = e
          // One line is done at Enter, unless it cannot be taken.
          if (e.key === 'Enter' && target instanceof HTMLInputElement && !target.closest('table'))
            requestAnimationFrame(() => target.getAttribute('aria-invalid') !== 'true' && close())
          if (!leadsOut(e)) return
          e.preventDefault()
          close()
        }}
        onBlur={(e) => {
          const to = e.relatedTarget as HTMLElement | null
          // A list or a dialog of the editor is a part of it, wherever it is drawn.
          if (to && !e.currentTarget.contains(to) && !to.closest('[role="listbox"], [role="dialog"], .MuiPopover-root')) setOpen(false)
        }}
      >
        {children}
      </div>
    )
  const isEmpty = shown === null
  return (
    <div ref={place} className={`quiet${isEmpty ? ' empty-field' : ''}${isShort ? ' short' : ''}`}>
      <LineButton
        className="plain quiet-open"
        aria-label={`${label} of ${what}${isEmpty ? ', empty' : ''}: write`}
        onClick={() => setOpen(true)}
      >
        {isEmpty ? `+ ${label}` : label}
      </LineButton>
      {/* The text itself may hold links, which a button could not. */}
      {!isEmpty && (
        <div className="quiet-text" onClick={(e) => !(e.target as HTMLElement).closest('a') && setOpen(true)}>
          {shown}
        </div>
      )}
    </div>
  )
}

const isWorkField = (name: string): name is WorkField => (WORK_FIELDS as readonly string[]).includes(name)

type FieldProps = { readonly kind: ListOwner; readonly record: AnyRecord; readonly name: string; readonly what: string }

export function QuietField({ kind, record, name, what }: FieldProps) {
  const field = fieldOf(kind, name)
  const value = record[name]
  const text = useCourse((s) => fieldText(field, value, namesIn(s.view)))
  const offered = useCourse((s) => {
    const activity = kind === 'activity' && isWorkField(name) ? indexCourse(s.view).activity(record.id) : undefined
    const proposed = activity && isWorkField(name) ? proposedWork(s.view, activity, name) : null
    return proposed === null || proposed === undefined ? '' : fieldText(field, proposed)
  })
  const isNo = field.type === 'bool' && value !== true
  const shown =
    text === '' || isNo ? (
      offered === '' ? null : (
        <i className="muted">
          {offered}
          <span className="visually-hidden"> (proposed)</span>
        </i>
      )
    ) : field.type === 'rich' ? (
      <div className="rich">
        <RichView value={value as RichText} links />
      </div>
    ) : (
      text
    )
  return (
    <Quiet label={capital(fieldTitle(name, kind))} shown={shown} what={what} isShort={field.type !== 'rich' && field.type !== 'text'}>
      <FieldControl kind={kind} record={record} name={name} field={field} what={what} />
    </Quiet>
  )
}

/** A value that a column of the table writes, in its words. */
export function QuietColumn({
  column,
  id,
  shown,
  what,
}: {
  readonly column: GridColumn
  readonly id: string
  readonly shown: string
  readonly what: string
}) {
  const store = useCourseStore()
  const row: GridRow = { key: id, type: 'data', id }
  const text = useCourse((s) => column.text(s.view, row))
  const written = shown || text
  return (
    <Quiet label={column.header} shown={written === '' ? null : written} what={what} isShort>
      <DraftField
        label={column.header}
        value={text}
        disabled={!store.may('activity')}
        onCommit={(typed) => {
          let refused: string | null = null
          store.edit('edit-cells', { n: 1 }, (edit) => {
            refused = column.write?.(edit, row, { text: typed }) ?? null
          })
          return refused
        }}
      />
    </Quiet>
  )
}

export function QuietList({
  owner,
  kind,
  ownerId,
  what,
}: {
  readonly owner: ListOwner
  readonly kind: Parameters<typeof entryList>[1]
  readonly ownerId: string
  readonly what: string
}) {
  const list = entryList(owner, kind)
  const text = useCourse((s) => entriesText(s.view, list, ownerId))
  return (
    <Quiet label={list.title} shown={text === '' ? null : text} what={what}>
      <div className="muted small">{list.title}</div>
      <EntryTable list={list} ownerId={ownerId} label={`${list.title} of ${what}`} />
    </Quiet>
  )
}
