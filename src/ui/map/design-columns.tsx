/** Columns for the rest of a design sheet: what is proposed stays muted until it is confirmed, lists and long texts open under their line. */
import type { Blueprint } from '../../core/blueprint/blueprint'
import { fieldText, readField } from '../../core/blueprint/field-text'
import { fieldOf } from '../../core/blueprint/kinds'
import { writeDemands } from '../../core/design/edit-demand'
import { confirmProposals, proposedWork, WORK_FIELDS, type WorkField } from '../../core/design/work-proposals'
import { setAssessment } from '../../core/edits/activities'
import { isEmptyCell } from '../../core/edits/cells'
import { namesIn } from '../../core/plan/names'
import { indexCourse } from '../../core/plan/plan-index'
import { ok } from '../../core/result'
import { fieldColumn, textColumn } from '../parts/grid/field-column'
import type { GridColumn, GridRow } from '../parts/grid/types'
import { useCourse } from '../store/course-store'
import { listColumn, listsByColumn, richColumn } from './opening-columns'

const isData = (row: GridRow): boolean => row.type === 'data'

/** A field of how learners work: as it is said, else as the kind proposes it. */
function workColumn(field: WorkField, width: number): GridColumn {
  const proposed = (plan: Blueprint, row: GridRow) => {
    const activity = isData(row) ? indexCourse(plan).activity(row.id) : undefined
    return activity ? proposedWork(plan, activity, field) : null
  }
  const column: GridColumn = fieldColumn('activity', field, {
    width,
    hidden: true,
    proposes: (plan, row) => proposed(plan, row) !== null,
    confirm: (edit, row) => {
      const activity = indexCourse(edit.now).activity(row.id)
      if (activity) confirmProposals(edit, [activity], [field])
    },
    Cell: ({ row }) => {
      const said = useCourse((s) => column.text(s.view, row))
      const offered = useCourse((s) => {
        const value = proposed(s.view, row)
        return value === null ? '' : fieldText(fieldOf('activity', field), value)
      })
      if (said !== '' || !isData(row)) return said
      if (offered === '') return <span className="muted">–</span>
      return (
        <span className="est" data-tip="Proposed by the kind. Alt+Enter confirms it.">
          {offered}
          <span className="visually-hidden"> (proposed)</span>
        </span>
      )
    },
  })
  return column
}

/** A field of the activity's assessment, which is made where there is none. */
function assessmentColumn(field: string, header: string, width = 90): GridColumn {
  const spec = fieldOf('assessment', field)
  const column = fieldColumn('assessment', field)
  const stored = (plan: Blueprint, row: GridRow) =>
    isData(row) ? ((indexCourse(plan).assessmentOf(row.id) as Record<string, unknown> | undefined)?.[field] ?? null) : null
  return textColumn({
    id: field,
    header,
    cell: column.cell,
    width,
    hidden: true,
    text: (plan, row) => fieldText(spec, stored(plan, row), namesIn(plan)),
    ...(spec.type === 'enum' ? { chosen: (plan: Blueprint, row: GridRow) => stored(plan, row) as string | null } : {}),
    write: (edit, row, { text, chosen }) => {
      const activity = edit.now.activity.get(row.id)
      if (!activity) return 'This activity is gone.'
      const read = chosen !== undefined ? ok(chosen) : readField(spec, isEmptyCell(text) ? '' : text)
      if (!read.ok) return read.error
      setAssessment(edit, activity, { [field]: read.value })
      return null
    },
  })
}

/** The level that each link asks of learners, `1a apply, 2b analyse`; links themselves are the column of objectives. */
const demand = textColumn({
  id: 'demand',
  header: 'Level asked',
  cell: { name: 'text' },
  width: 150,
  hidden: true,
  text: (plan, row) => {
    const index = indexCourse(plan)
    const said = isData(row) ? index.alignmentsOf(row.id).filter((a) => a.demand !== null) : []
    return said.map((a) => `${index.numberOf(a.objectiveId)} ${a.demand}`).join(', ')
  },
  write: (edit, row, written) => writeDemands(edit, row.id, written.text),
})

const text = (field: string, width = 180): GridColumn => fieldColumn('activity', field, { width, hidden: true })

export const DESIGN_COLUMNS: readonly GridColumn[] = [
  richColumn('activity', 'instructions', 'Instructions'),
  ...WORK_FIELDS.map((field) => workColumn(field, field === 'interactions' ? 150 : 112)),
  fieldColumn('activity', 'isOptional', { header: 'Optional', width: 76, hidden: true }),
  ...[...listsByColumn('activity')].map(([id, list]) => listColumn(id, list)),
  demand,
  text('realWork'),
  text('laterUse'),
  text('otherDelivery'),
  text('renew', 140),
  text('feedbackFrom', 120),
  text('feedbackForm', 120),
  text('feedbackDays', 92),
  text('feedbackMinutes', 92),
  text('markingKey', 140),
  text('reuseNote', 140),
  text('notes'),
  text('sessionId', 120),
  text('unlockJoin', 92),
  assessmentColumn('lateRule', 'Late rule'),
  assessmentColumn('latePercent', 'Late % a day'),
  assessmentColumn('lateGraceHours', 'Grace hours'),
  assessmentColumn('lateMost', 'Late % at most'),
  assessmentColumn('lateCutoffDays', 'Not after days'),
]
