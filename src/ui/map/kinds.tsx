/** The course's own kinds of activities, and what each kind proposes for how learners work. */
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import { useId } from 'react'
import { type Blueprint, recordsOf } from '../../core/blueprint/blueprint'
import { fieldText, readField } from '../../core/blueprint/field-text'
import { fieldOf } from '../../core/blueprint/kinds'
import { ACTIVITY_KINDS, type ActivityKind } from '../../core/blueprint/kinds/activity'
import {
  confirmProposals,
  ownProposal,
  proposalOf,
  setProposal,
  WORK_FIELDS,
  type WorkField,
  withProposals,
} from '../../core/design/work-proposals'
import { isEmptyCell } from '../../core/edits/cells'
import { addOwnKind, countOwnKindAs } from '../../core/edits/own-kinds'
import { countOf } from '../../core/numbers'
import { indexCourse } from '../../core/plan/plan-index'
import { ok } from '../../core/result'
import { Button } from '../parts/button'
import { fieldColumn, textColumn } from '../parts/grid/field-column'
import { Grid } from '../parts/grid/grid'
import type { GridColumn, GridRow } from '../parts/grid/types'
import { useRows } from '../parts/grid/use-rows'
import { newId, useCourse, useCourseStore } from '../store/course-store'

const ownKindRows = (plan: Blueprint): GridRow[] => [
  ...recordsOf(plan, 'ownKind').map(({ id }): GridRow => ({ key: id, type: 'data', id })),
  { key: 'new', type: 'new', id: '' },
]
const OWN_KIND_COLUMNS: readonly GridColumn[] = [
  fieldColumn('ownKind', 'title', {
    header: 'Own kind',
    width: 240,
    Cell: ({ row }) => {
      const title = useCourse((s) => s.view.ownKind.get(row.id)?.title ?? '')
      return row.type === 'new' ? <span className="muted">Type a name, such as Field walk</span> : title
    },
  }),
  fieldColumn('ownKind', 'like', {
    header: 'Counts as',
    write: (edit, { id }, { text, chosen }) => {
      const read = typeof chosen === 'string' ? ok(chosen) : readField(fieldOf('ownKind', 'like'), text)
      if (!read.ok) return read.error
      countOwnKindAs(edit, id, read.value as ActivityKind)
      return null
    },
  }),
  textColumn({
    id: 'used',
    header: 'In use',
    cell: { name: 'number' },
    width: 76,
    text: (plan, row) => (row.type === 'data' ? String(recordsOf(plan, 'activity').filter((a) => a.ownKindId === row.id).length) : ''),
  }),
]

const KIND_ROWS: readonly GridRow[] = ACTIVITY_KINDS.map((kind) => ({ key: kind, type: 'data', id: kind, fixed: true }))
const kindOf = (row: GridRow) => row.id as ActivityKind

/** What the course says of a field; what Cairn proposes where it says nothing is muted. */
function proposalColumn(field: WorkField): GridColumn {
  const spec = fieldOf('activity', field)
  const own = (plan: Blueprint, row: GridRow) => fieldText(spec, ownProposal(plan, kindOf(row))[field])
  const column = fieldColumn('kindDefault', field, {
    width: 150,
    text: own,
    chosen: (plan, row) => ownProposal(plan, kindOf(row))[field] as string | readonly string[] | null,
    write: (edit, row, { text, chosen }) => {
      const read = chosen !== undefined ? ok(chosen) : readField(fieldOf('kindDefault', field), isEmptyCell(text) ? '' : text)
      if (!read.ok) return read.error
      setProposal(edit, kindOf(row), field, read.value)
      return null
    },
    Cell: ({ row }) => {
      const said = useCourse((s) => own(s.view, row))
      const given = useCourse((s) => fieldText(spec, proposalOf(s.view, kindOf(row))[field]))
      return said !== '' ? said : <span className="est">{given || '–'}</span>
    },
  })
  return column
}
const PROPOSAL_COLUMNS: readonly GridColumn[] = [
  textColumn({ id: 'kind', header: 'Kind', cell: { name: 'text' }, width: 160, text: (_, row) => row.id }),
  ...WORK_FIELDS.map(proposalColumn),
]

export function Kinds({ onClose }: { readonly onClose: () => void }) {
  const store = useCourseStore()
  const id = useId()
  const ownKinds = useRows(ownKindRows)
  const readOnly = !store.may('ownKind')
  const open = useCourse((s) => withProposals(s.view, indexCourse(s.view).activities).length)
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md" aria-labelledby={id}>
      <DialogTitle id={id}>Kinds of activities</DialogTitle>
      <DialogContent>
        <p>Own kinds count as one of Cairn’s: time, purpose and marks are worked out as for that.</p>
        <Grid
          isWithin
          label="Own kinds"
          kind="ownKind"
          rows={ownKinds}
          columns={OWN_KIND_COLUMNS}
          readOnly={readOnly}
          make={(edit) => {
            const made = addOwnKind(edit, 'Untitled', null, newId)
            return { key: made, type: 'data', id: made }
          }}
          move={() => undefined}
          place={() => undefined}
        />
        <p>What a kind proposes for activities; what Cairn proposes is in italics. Activities show it muted until it is confirmed.</p>
        <Grid
          isWithin
          label="Proposals of kinds"
          kind="kindDefault"
          rows={KIND_ROWS}
          columns={PROPOSAL_COLUMNS}
          readOnly={readOnly}
          make={() => null}
          move={() => undefined}
          place={() => undefined}
        />
      </DialogContent>
      <DialogActions>
        {open > 0 && store.may('activity') && (
          <Button
            onClick={() =>
              store.edit('confirm-proposals', { n: open }, (edit) =>
                confirmProposals(edit, withProposals(edit.now, indexCourse(edit.now).activities)),
              )
            }
          >
            Confirm what is proposed in {countOf(open, 'activity', 'activities')}
          </Button>
        )}
        <Button rank="main" onClick={onClose}>
          Done
        </Button>
      </DialogActions>
    </Dialog>
  )
}
