/** The rubrics of the course: a list, and the one that is open. */

import ButtonBase from '@mui/material/ButtonBase'
import { Button } from '../parts/button'
import { Fold } from '../parts/fold'
import './assessment.css'
import type { ReactNode } from 'react'
import type { Blueprint } from '../../core/blueprint/blueprint'
import type { RecordRef, Rubric } from '../../core/blueprint/kinds'
import { RUBRIC_FORMS, type RubricForm } from '../../core/blueprint/kinds/rubric'
import { addRubric } from '../../core/edits/rubrics'
import { rubricSum } from '../../core/grading/rubric'
import { countOf, formatHundredths } from '../../core/numbers'
import { indexCourse } from '../../core/plan/plan-index'
import { WeightMark } from '../parts/marks'
import { newId, useCourse, useCourseStore } from '../store/course-store'
import { useGo, useRevealSelected, useSelected } from '../store/navigation'
import { RubricEditor } from './rubric-editor'

const FORM_WORDS: Readonly<Record<RubricForm, string>> = {
  analytic: 'Analytic: criteria by levels',
  'single-point': 'Single point: what is expected',
  checklist: 'Checklist: there or not',
  holistic: 'Holistic: the work as a whole',
}

export function Rubrics({ views }: { views: ReactNode }) {
  useRevealSelected(true)
  const store = useCourseStore()
  const view = useCourse((s) => s.view)
  const { select } = useGo()
  const selected = useSelected()
  const index = indexCourse(view)
  const openId = rubricOf(view, selected) ?? index.rubrics[0]?.id
  const open = openId === undefined ? undefined : view.rubric.get(openId)
  const may = store.may('rubric')
  const add = (form: RubricForm) => {
    let id = ''
    store.edit('add-rubric', {}, (edit) => {
      id = addRubric(edit, `Rubric ${index.rubrics.length + 1}`, form, newId)
    })
    if (id) select({ kind: 'rubric', id })
  }
  const adders = may && (
    <div className="row" style={{ flexWrap: 'wrap', gap: 6 }}>
      {RUBRIC_FORMS.map((form) => (
        <Button key={form} onClick={() => add(form)}>
          {FORM_WORDS[form]}
        </Button>
      ))}
    </div>
  )
  return (
    <div className="work">
      <div className="bar">
        <h1 className="visually-hidden">Rubrics</h1>
        {views}
        <span className="muted small">{countOf(index.rubrics.length, 'rubric')}</span>
      </div>
      {open === undefined ? (
        <div className="empty">
          <p style={{ marginTop: 0 }}>
            A rubric says what each level of a piece of work shows; its criteria carry the grade to the objectives. Begin with one of these
            forms, then attach it to an assessment.
          </p>
          {adders}
        </div>
      ) : (
        <div className="rubric-cols">
          <nav aria-label="Rubrics">
            <div className="rubric-list">
              {index.rubrics.map((r) => (
                <Entry key={r.id} rubric={r} current={r.id === open.id} onOpen={() => select({ kind: 'rubric', id: r.id })} />
              ))}
            </div>
            {may && <Fold summary="New rubric">{adders}</Fold>}
          </nav>
          <RubricEditor key={open.id} rubric={open} />
        </div>
      )}
    </div>
  )
}

/** The rubric that a record is or belongs to. */
function rubricOf(view: Blueprint, at: RecordRef | null): string | undefined {
  if (at?.kind === 'rubric') return view.rubric.has(at.id) ? at.id : undefined
  if (at?.kind === 'criterion') return view.criterion.get(at.id)?.rubricId
  return at?.kind === 'rubricLevel' ? view.rubricLevel.get(at.id)?.rubricId : undefined
}

function Entry({ rubric, current, onOpen }: { rubric: Rubric; current: boolean; onOpen: () => void }) {
  const view = useCourse((s) => s.view)
  const index = indexCourse(view)
  const users = index.assessmentsWith(rubric.id)
  const findings = useCourse((s) => s.analysis?.findings)
  const inside = new Set([rubric.id, ...index.criteriaOf(rubric.id).map((c) => c.id)])
  const own = findings?.filter((f) => f.accepted === null && f.weight !== 'open' && f.records[0] && inside.has(f.records[0].id)) ?? []
  const worst = (['fix', 'check'] as const).find((w) => own.some((f) => f.weight === w))
  const { total } = rubricSum(index, rubric)
  return (
    <ButtonBase className="entry" aria-current={current} onClick={onOpen}>
      <b>{rubric.title}</b>
      <div className="muted small">
        {users.length === 0 ? 'not used yet' : users.map((a) => index.numberOf(a.activityId)).join(', ')}
        {total > 0 && ` · ${formatHundredths(total)}${rubric.scale === 'percent' ? ' %' : ' points'}`}
      </div>
      {worst && <WeightMark weight={worst} />}
    </ButtonBase>
  )
}
