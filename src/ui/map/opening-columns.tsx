/** Columns whose cells open under their line: lists that a record holds, and texts with formats. */
import { anyRecord, type Blueprint } from '../../core/blueprint/blueprint'
import { specOf } from '../../core/blueprint/kinds'
import { type RichText, richFromPlain, richToPlain } from '../../core/blueprint/rich-text'
import { sameValue } from '../../core/blueprint/values'
import { writeEntries } from '../../core/design/edit-entries'
import { entriesTold } from '../../core/design/entries-told'
import { type EntryList, entriesText, entryListsOf, type ListOwner } from '../../core/design/entry-lists'
import { writeFieldText } from '../../core/edits/cells'
import { fieldColumn, textColumn } from '../parts/grid/field-column'
import type { GridColumn, GridRow } from '../parts/grid/types'
import { newId, useCourse } from '../store/course-store'

/** Every list of a kind of record by the id of its column. */
export const listsByColumn = (owner: ListOwner): ReadonlyMap<string, EntryList> =>
  new Map(entryListsOf(owner).map((l) => [specOf(l.kind).plural, l]))

const isData = (row: GridRow): boolean => row.type === 'data'

/** A list that a record holds: its entries in a few words; Enter opens them as rows under the line. */
export function listColumn(id: string, list: EntryList): GridColumn {
  const text = (plan: Blueprint, row: GridRow) => (isData(row) ? entriesText(plan, list, row.id) : '')
  return textColumn({
    id,
    header: list.title,
    cell: { name: 'text' },
    width: list.otherEnd === null || list.isFixed ? 180 : 104,
    hidden: true,
    opens: true,
    text,
    write: (edit, row, written) => writeEntries(edit, list, row.id, written.text, newId),
    Cell: ({ row }) => {
      const all = useCourse((s) => text(s.view, row))
      const told = useCourse((s) => (list.kind === 'accessItem' && isData(row) ? entriesTold(s.view, list, row.id) : ''))
      if (!isData(row)) return null
      if (all === '') return <span className="muted">–</span>
      return <span data-tip={all}>{told || all}</span>
    },
  })
}

/** Text with formats: read as plain text, opened under its line; typing writes it only where no format would be lost. */
export function richColumn(kind: ListOwner, field: string, header: string): GridColumn {
  return fieldColumn(kind, field, {
    header,
    width: 220,
    hidden: true,
    opens: true,
    write: (edit, { id }, { text }) => {
      const stored = anyRecord(edit.now, { kind, id })?.[field] as RichText | null | undefined
      if (stored && !sameValue(stored, richFromPlain(richToPlain(stored))))
        return 'This text has headings, lists or links. Enter in the cell opens it.'
      return writeFieldText(edit, { kind, id }, field, text)
    },
  })
}
