/** Puts rubrics, the letters of the grade and texts of the syllabus into the course. What it has under the same name stays. */

import { DateTime } from 'luxon'
import { blankOf } from '../blueprint/blank'
import { recordsOf } from '../blueprint/blueprint'
import type { PlanEdit } from '../blueprint/edit'
import { fittedText } from '../blueprint/field-text'
import type { NewId } from '../blueprint/ids'
import type { Offering } from '../blueprint/kinds'
import { keyIn, keysBetween } from '../blueprint/order'
import { richFromPlain } from '../blueprint/rich-text'
import type { UnderstoodPiece } from '../intake/pieces'
import { codeKey, nameKey } from '../intake/quantities'
import { currentOffering } from '../plan/offering'
import { indexCourse } from '../plan/plan-index'

type Closed = Extract<UnderstoodPiece, { kind: 'closed' }>
type Rubric = Extract<UnderstoodPiece, { kind: 'rubric' }>

export function bringPieces(
  edit: PlanEdit,
  pieces: readonly UnderstoodPiece[],
  objectives: ReadonlyMap<string, string>,
  newId: NewId,
): void {
  for (const piece of pieces) {
    if (piece.kind === 'rubric') bringRubric(edit, piece, objectives, newId)
    else if (piece.kind === 'scale') bringScale(edit, piece.steps, newId)
    else if (piece.kind === 'text') bringText(edit, piece.title, piece.text, newId)
  }
  bringClosed(
    edit,
    pieces.filter((p) => p.kind === 'closed'),
    newId,
  )
}

/** Days without classes go into the calendar of the term that they lie in; those of no term are a text of the syllabus. */
function bringClosed(edit: PlanEdit, days: readonly Closed[], newId: NewId): void {
  const offering = currentOffering(edit.now)
  const left: string[] = []
  for (const { title, first, last, text } of days) {
    const [firstDate, lastDate] = offering ? [inTerm(offering, first), inTerm(offering, last)] : [null, null]
    if (!offering || firstDate === null || lastDate === null || lastDate < firstDate) {
      left.push(text)
      continue
    }
    if (
      recordsOf(edit.now, 'calendarRule').some((r) => r.offeringId === offering.id && r.firstDate === firstDate && r.lastDate === lastDate)
    )
      continue
    const kind = firstDate === lastDate ? 'closed' : 'break'
    edit.create('calendarRule', {
      id: newId(),
      offeringId: offering.id,
      kind,
      title: fittedText('calendarRule', 'title', title) ?? 'No classes',
      firstDate,
      lastDate,
    })
  }
  if (left.length > 0) bringText(edit, 'Days without classes', left.join('\n'), newId)
}

/** A date of a term; one without a year in the year in which the term has it; null where the term has no such day. */
function inTerm({ firstDay, lastDay }: Offering, date: string): string | null {
  const start = DateTime.fromISO(firstDay)
  const end = lastDay === null ? start.plus({ years: 1 }) : DateTime.fromISO(lastDay)
  const years = date.length === 10 ? [date] : [start.year, start.year + 1].map((y) => `${y}${date.slice(1)}`)
  return years.find((d) => DateTime.fromISO(d).isValid && d >= start.toISODate()! && d <= end.toISODate()!) ?? null
}

function bringRubric(
  edit: PlanEdit,
  { title, scale, levels, criteria }: Rubric,
  objectives: ReadonlyMap<string, string>,
  newId: NewId,
): void {
  const index = indexCourse(edit.now)
  const name = fittedText('rubric', 'title', title) ?? 'Rubric'
  if (index.rubrics.some((r) => nameKey(r.title) === nameKey(name))) return
  const rubricId = edit.create('rubric', { id: newId(), title: name, form: 'analytic', scale, order: keyIn(edit, 'rubric', index.rubrics) })
  const levelKeys = keysBetween(null, null, levels.length)
  const levelIds = levels.map((level, i) =>
    edit.create('rubricLevel', {
      id: newId(),
      rubricId,
      title: fittedText('rubricLevel', 'title', level.title) ?? `Level ${i + 1}`,
      // Without figures the levels stand evenly apart, the first of them full.
      value: level.value ?? Math.round(((levels.length - 1 - i) / Math.max(1, levels.length - 1)) * 100_00),
      order: levelKeys[i] as string,
    }),
  )
  const keys = keysBetween(null, null, criteria.length)
  criteria.forEach((criterion, i) => {
    const criterionId = edit.create('criterion', {
      ...blankOf('criterion'),
      id: newId(),
      rubricId,
      title: fittedText('criterion', 'title', criterion.title) ?? `Criterion ${i + 1}`,
      weight: criterion.weight === null ? null : Math.min(criterion.weight, 100_000),
      general: criterion.general,
      order: keys[i] as string,
    })
    criterion.texts.forEach((text, k) => {
      const own = text === null ? null : fittedText('descriptor', 'text', text)
      if (own !== null) edit.create('descriptor', { id: '', criterionId, levelId: levelIds[k] as string, text: own })
    })
    for (const code of new Set(criterion.objectives.map(codeKey))) {
      const objectiveId = objectives.get(code)
      if (objectiveId) edit.create('criterionObjective', { id: '', criterionId, objectiveId })
    }
  })
}

/** A scale that the course has is its own. */
function bringScale(edit: PlanEdit, steps: Extract<UnderstoodPiece, { kind: 'scale' }>['steps'], newId: NewId): void {
  if (edit.now.gradeStep.size > 0) return
  for (const { letter, minimum } of steps)
    edit.create('gradeStep', { id: newId(), letter: fittedText('gradeStep', 'letter', letter) ?? letter, minimum })
}

function bringText(edit: PlanEdit, title: string, text: string, newId: NewId): void {
  const name = fittedText('syllabusSection', 'title', title)
  const siblings = recordsOf(edit.now, 'syllabusSection')
  if (name === null || siblings.some((s) => nameKey(s.title) === nameKey(name))) return
  edit.create('syllabusSection', { id: newId(), title: name, body: richFromPlain(text), order: keyIn(edit, 'syllabusSection', siblings) })
}
