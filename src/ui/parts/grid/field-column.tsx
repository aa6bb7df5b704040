/** Columns made from what is declared: a field of a kind, or the other ends of links. */

import { anyRecord, type Blueprint, recordMap } from '../../../core/blueprint/blueprint'
import type { Field, FieldTypeName } from '../../../core/blueprint/field'
import { listedValues } from '../../../core/blueprint/field'
import { fieldText, isTypedField, readField } from '../../../core/blueprint/field-text'
import { fieldOf, type KindName, specOf } from '../../../core/blueprint/kinds'
import { capital } from '../../../core/blueprint/text'
import { type FieldByType, typeOf } from '../../../core/blueprint/types/define-type'
import { writeFieldText } from '../../../core/edits/cells'
import { fieldTitle } from '../../../core/history/describe'
import { namesIn } from '../../../core/plan/names'
import { useCourse } from '../../store/course-store'
import { useGo } from '../../store/navigation'
import { Chip } from '../marks'
import type { CellType, GridColumn, GridRow, Written } from './types'

const asChoices = (values: readonly string[]) => values.map((value) => ({ value, label: value }))

/** How a field is edited in a cell, by its type: a type that is missing here does not compile. */
const CELL_OF = {
  text: ({ lines }) => ({ name: 'text', lines }),
  rich: () => ({ name: 'text' }),
  object: () => ({ name: 'text' }),
  int: () => ({ name: 'number' }),
  hundredths: () => ({ name: 'number' }),
  order: () => ({ name: 'text' }),
  date: () => ({ name: 'date' }),
  time: () => ({ name: 'time' }),
  colour: () => ({ name: 'text' }),
  bool: () => ({ name: 'check' }),
  enum: (field) => ({ name: 'choice', choices: () => listedValues(field).map((v) => ({ ...v, label: v.value })) }),
  list: ({ values }) => ({ name: 'choices', choices: () => asChoices(values) }),
  'line list': () => ({ name: 'text' }),
  'object list': () => ({ name: 'text' }),
  zone: () => ({ name: 'choice', choices: () => asChoices(Intl.supportedValuesOf('timeZone')) }),
  ref: ({ to }) => ({ name: 'choice', choices: (plan) => recordChoices(plan, to as KindName) }),
} satisfies { readonly [N in FieldTypeName]: (field: FieldByType[N]) => CellType }

/** The records of a kind by what they are called. */
export function recordChoices(plan: Blueprint, kind: KindName) {
  const names = namesIn(plan)
  return [...recordMap(plan, kind).keys()].map((id) => ({ value: id, label: names.nameOf(kind, id) ?? id }))
}

/** Text in a cell; a dash where nothing stands in a record's. */
export function CellText({ column, row }: { readonly column: Pick<GridColumn, 'text'>; readonly row: GridRow }) {
  const text = useCourse((s) => column.text(s.view, row))
  return text !== '' ? text : row.type === 'data' ? <span className="muted">–</span> : ''
}

/** A column that says how its cells read; they are drawn as that text unless it says more. */
export function textColumn(column: Omit<GridColumn, 'Cell'> & Partial<Pick<GridColumn, 'Cell'>>): GridColumn {
  return { Cell: ({ row }) => <CellText column={column} row={row} />, ...column }
}

/** What the typed text is read as: dates and times as they will be shown, of all others only why they cannot be. */
function readHint(field: Field, plan: Blueprint, text: string): string | null {
  const read = readField(field, text, namesIn(plan))
  if (!read.ok) return read.error
  const shown = field.type === 'date' || field.type === 'time'
  return shown && read.value !== null ? typeOf(field).describe(field, read.value, namesIn(plan)) : null
}

/** A column for a field of the rows' kind, edited as its type says. `more` replaces what this table does its own way. */
export function fieldColumn(kind: KindName, name: string, more: Partial<GridColumn> = {}): GridColumn {
  const field = fieldOf(kind, name)
  const cell = (CELL_OF[field.type] as (field: Field) => CellType)(field)
  const stored = (plan: Blueprint, row: GridRow): unknown => anyRecord(plan, { kind, id: row.id })?.[name]
  const isChosen = cell.name === 'choice' || cell.name === 'choices' || cell.name === 'check'
  return textColumn({
    id: name,
    header: capital(fieldTitle(name, kind)),
    cell,
    kept: () => specOf(kind).nameField === name,
    text: (plan, row) => fieldText(field, stored(plan, row), namesIn(plan)),
    ...(isChosen ? { chosen: (plan, row) => (stored(plan, row) ?? null) as Written['chosen'] } : {}),
    ...(isChosen || field.type === 'text' ? {} : { hint: (plan, _, text) => readHint(field, plan, text) }),
    ...(isTypedField(field)
      ? {
          write: (edit, { id }, { text, chosen }) => {
            if (chosen === undefined) return writeFieldText(edit, { kind, id }, name, text)
            edit.set(kind, id, { [name]: chosen })
            return null
          },
        }
      : {}),
    ...more,
  })
}

export type LinkEnd = {
  readonly kind: Parameters<typeof Chip>[0]['kind']
  readonly id: string
  readonly number: string
  readonly suffix?: string
}

/** The other ends of a row's links, as chips that lead to them. */
export function LinkChips({ ends }: { readonly ends: readonly LinkEnd[] }) {
  const { open } = useGo()
  if (ends.length === 0) return <span className="muted">–</span>
  return ends.map(({ kind, id, number, suffix }) => (
    <span key={id}>
      <Chip kind={kind} number={number} {...(suffix ? { suffix } : {})} inCell onOpen={() => open({ kind, id })} />{' '}
    </span>
  ))
}
