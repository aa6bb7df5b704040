/** One rubric as a grid: criteria by levels, every cell edited in place. */
import { useCallback, useMemo, useState } from 'react'
import type { Rubric } from '../../core/blueprint/kinds'
import { setAssessment } from '../../core/edits/activities'
import { moveInList, placeInList } from '../../core/edits/objectives'
import {
  addCriterion,
  addLevel,
  copyRubric,
  RUBRIC_COLUMNS,
  type RubricCell,
  type RubricColumn,
  writeCriterionCell,
  writeLevel,
} from '../../core/edits/rubrics'
import { rubricSum } from '../../core/grading/rubric'
import { countOf, formatHundredths } from '../../core/numbers'
import { indexCourse } from '../../core/plan/plan-index'
import { ChoiceField } from '../parts/fields'
import { FindingLine } from '../parts/findings'
import { Grid } from '../parts/grid/grid'
import type { CellWrite, GridRow } from '../parts/grid/types'
import { Chip } from '../parts/marks'
import { PlanChoice, PlanField } from '../parts/plan-field'
import { SumLine } from '../parts/sum-line'
import { newId, useCourse, useCourseStore } from '../store/course-store'
import { useGo, useSelected } from '../store/navigation'
import { type RubricItem, useRubricColumns } from './rubric-columns'
import { RubricSheet } from './rubric-sheet'

export function RubricEditor({ rubric }: { rubric: Rubric }) {
  const store = useCourseStore()
  const view = useCourse((s) => s.view)
  const byRecord = useCourse((s) => s.byRecord)
  const { select } = useGo()
  const selected = useSelected()
  const [asLearner, setAsLearner] = useState(false)
  const index = indexCourse(view)
  const levels = index.levelsOf(rubric.id)
  const criteria = index.criteriaOf(rubric.id)
  const { total, wanted, unweighted } = rubricSum(index, rubric)
  const live = (kind: 'rubric' | 'criterion', id: string) => (byRecord.get(`${kind} ${id}`) ?? []).filter((f) => f.accepted === null)
  const own = live('rubric', rubric.id)
  const may = store.may('rubric')
  const columns = useRubricColumns(view, index, rubric, levels)
  const rows: readonly GridRow<RubricItem>[] = useMemo(
    () => [
      { key: 'levels', type: 'data', fixed: true, item: { at: 'levels', findings: own.filter((f) => f.field === 'levels') } },
      ...criteria.map(
        (criterion): GridRow<RubricItem> => ({
          key: criterion.id,
          type: 'data',
          item: { at: 'criterion', criterion, findings: live('criterion', criterion.id) },
        }),
      ),
      { key: 'new', type: 'new', item: { at: 'new' } },
    ],
    [criteria, byRecord, rubric.id, view],
  )

  const onWrite = useCallback(
    (writes: readonly CellWrite[], how: 'edit-cells' | 'paste-cells' | 'fill-down' | 'clear-cells'): string | null => {
      const problems: string[] = []
      const created = new Map<string, string>()
      store.edit(how, { n: writes.length }, (edit) => {
        for (const { rowKey, columnId, text } of writes) {
          const [key] = rowKey.split('\n') as [string]
          if (key === 'levels') {
            // Emptying many cells at once keeps the levels: they are what the other cells belong to.
            if (edit.now.rubricLevel.has(columnId) && (text.trim() !== '' || how === 'edit-cells'))
              problems.push(...list(writeLevel(edit, columnId, text)))
            continue
          }
          let id = key === 'new' ? created.get(rowKey) : key
          if (id === undefined) {
            if (text.trim() === '') continue
            id = addCriterion(edit, rubric.id, 'Criterion', newId)
            created.set(rowKey, id)
          }
          if (columnId === 'title' && text.trim() === '' && how !== 'edit-cells') continue
          problems.push(...list(writeCriterionCell(edit, id, cellOf(columnId), text)))
        }
      })
      if (how === 'edit-cells') return problems[0] ?? null
      store.say(
        problems.length > 0
          ? `${countOf(writes.length - problems.length, 'cell')} written. Left as they were: ${problems.slice(0, 3).join(' ')}`
          : `${countOf(writes.length, 'cell')} written.`,
        problems.length > 0,
      )
      return null
    },
    [store, rubric.id],
  )
  const onRemove = useCallback(
    (keys: readonly string[]) => {
      const gone = keys.flatMap((k) => view.criterion.get(k) ?? [])
      const what = gone.length === 1 ? (gone[0]?.title ?? '') : countOf(gone.length, 'criterion', 'criteria')
      if (
        gone.length > 0 &&
        store.edit('remove', { what }, (edit) => edit.remove(...gone.map(({ id }) => ({ kind: 'criterion' as const, id }))))
      )
        store.say(`Removed ${what}. Ctrl+Z brings it back.`, false)
    },
    [store, view],
  )
  const whole = rubric.scale === 'percent' ? ' %' : ' points'
  return (
    <div>
      <div className="facts-row">
        <div style={{ flex: '1 1 200px' }}>
          <PlanField kind="rubric" record={rubric} field="title" label="Rubric" what={`title of ${rubric.title}`} />
        </div>
        <PlanChoice
          kind="rubric"
          record={rubric}
          field="scale"
          label="Criteria weigh"
          what={`scale of ${rubric.title}`}
          labels={{ points: 'points', percent: 'percent' }}
        />
        <Attach rubric={rubric} />
        <button type="button" className="btn" aria-pressed={asLearner} onClick={() => setAsLearner((on) => !on)}>
          {asLearner ? 'Edit' : 'As learners see it'}
        </button>
        {may && (
          <>
            <button
              type="button"
              className="btn"
              onClick={() => store.edit('add-level', { what: rubric.title }, (edit) => void addLevel(edit, rubric.id, newId))}
            >
              Add level
            </button>
            <button
              type="button"
              className="btn"
              onClick={() => {
                let id = ''
                store.edit('add-rubric', {}, (edit) => {
                  id = copyRubric(edit, rubric, newId)
                })
                if (id) select({ kind: 'rubric', id })
              }}
            >
              Copy
            </button>
            <button
              type="button"
              className="btn"
              onClick={() => {
                if (store.edit('remove', { what: rubric.title }, (edit) => edit.remove({ kind: 'rubric', id: rubric.id }))) {
                  select(null)
                  store.say(`Removed ${rubric.title}; assessments that used it have no rubric now. Ctrl+Z brings it back.`, false)
                }
              }}
            >
              Remove
            </button>
          </>
        )}
      </div>
      {asLearner ? (
        <div className="scroll-area">
          <RubricSheet rubric={rubric} />
        </div>
      ) : (
        <Grid
          label={`Rubric ${rubric.title}`}
          look="rubric"
          hideHeader
          rows={rows}
          columns={columns}
          readOnly={!may}
          renderHead={() => null}
          recordOf={recordOf}
          onWrite={onWrite}
          onMove={(key, step) => {
            const criterion = view.criterion.get(key)
            if (criterion) store.edit('move', { what: criterion.title }, (edit) => void moveInList(edit, 'criterion', key, step))
          }}
          onDrop={(key, overKey, after) => {
            const criterion = view.criterion.get(key)
            const others = criteria.filter((c) => c.id !== key)
            const at = others.findIndex((c) => c.id === overKey)
            if (criterion)
              store.edit('move', { what: criterion.title }, (edit) =>
                placeInList(edit, 'criterion', key, overKey === 'levels' ? 0 : at < 0 ? others.length : at + (after ? 1 : 0)),
              )
          }}
          onRemove={onRemove}
          onSelect={(key) => {
            if (key && view.criterion.has(key)) select({ kind: 'criterion', id: key })
          }}
          onRange={() => undefined}
          activeKey={selected?.kind === 'criterion' ? selected.id : null}
        />
      )}
      {own.map((f) => (
        <FindingLine key={f.key} finding={f} />
      ))}
      <SumLine
        label="Sum"
        parts={[
          ...(unweighted > 0
            ? [{ label: unweighted === 1 ? 'criterion has no weight' : 'criteria have no weight', value: String(unweighted), off: true }]
            : []),
          {
            label: `${whole.trim()} of all criteria`,
            value: formatHundredths(total),
            off: wanted !== null && total !== wanted && total > 0,
          },
          ...(wanted === null
            ? []
            : [{ label: rubric.scale === 'percent' ? 'wanted' : 'points of the assessment', value: formatHundredths(wanted) }]),
        ]}
      />
    </div>
  )
}

const list = (refused: string | null): string[] => (refused === null ? [] : [refused])
const isColumn = (id: string): id is RubricColumn => (RUBRIC_COLUMNS as readonly string[]).includes(id)
const cellOf = (columnId: string): RubricCell => (isColumn(columnId) ? { column: columnId } : { levelId: columnId })
const recordOf = (row: GridRow<RubricItem>): string | null => (row.item.at === 'criterion' ? `criterion ${row.item.criterion.id}` : null)

/** Which assessments are judged with a rubric, and a choice of one more. */
function Attach({ rubric }: { rubric: Rubric }) {
  const store = useCourseStore()
  const view = useCourse((s) => s.view)
  const { open } = useGo()
  const index = indexCourse(view)
  const users = index.assessmentsWith(rubric.id)
  const others = index.activities.filter((a) => {
    const assessment = index.assessmentOf(a.id)
    return assessment && assessment.rubricId !== rubric.id
  })
  const set = (activityId: string, rubricId: string | null) => {
    const activity = index.activity(activityId)
    if (activity)
      store.edit('set-field', { what: `rubric of ${index.numberOf(activityId)}` }, (edit) => setAssessment(edit, activity, { rubricId }))
  }
  return (
    <div className="labelled">
      <span>Used for</span>
      <div className="row" style={{ gap: 4, flexWrap: 'wrap' }}>
        {users.map((a) => (
          <span key={a.id} className="row" style={{ gap: 0 }}>
            <Chip kind="activity" number={index.numberOf(a.activityId)} onOpen={() => open({ kind: 'activity', id: a.activityId })} />
            {store.may('assessment') && (
              <button
                type="button"
                className="plain more"
                aria-label={`No longer use it for ${index.numberOf(a.activityId)}`}
                onClick={() => set(a.activityId, null)}
              >
                ✕
              </button>
            )}
          </span>
        ))}
        {store.may('assessment') && others.length > 0 && (
          <div style={{ width: 130 }}>
            <ChoiceField
              label="Use it for another assessment"
              hideLabel
              value=""
              options={[
                { value: '', label: users.length === 0 ? 'attach to…' : 'and…' },
                ...others.map((a) => ({ value: a.id, label: `${index.numberOf(a.id)} ${a.title}` })),
              ]}
              onChoose={(id) => id && set(id, rubric.id)}
            />
          </div>
        )}
      </div>
    </div>
  )
}
