/** Puts rubrics, the letters of the grade and texts of the syllabus into the course. What it has under the same name stays. */

import { DateTime } from 'luxon'
import { blankOf } from '../blueprint/blank'
import { recordsOf } from '../blueprint/blueprint'
import type { PlanEdit } from '../blueprint/edit'
import { fittedText } from '../blueprint/field-text'
import type { NewId } from '../blueprint/ids'
import type { Offering } from '../blueprint/kinds'
import { keyIn, keysBetween } from '../blueprint/order'
import { richFromPlain, richToPlain } from '../blueprint/rich-text'
import type { UnderstoodPiece } from '../intake/pieces'
import { codeKey, nameKey } from '../intake/quantities'
import { groupBy } from '../plan/group-by'
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
  }
  const left = bringClosed(
    edit,
    pieces.filter((p) => p.kind === 'closed'),
    newId,
  )
  // Texts of one title are one text.
  const texts = groupBy(
    [...pieces.filter((p) => p.kind === 'text'), ...left.map((text) => ({ title: 'Days without classes', text }))],
    (p) => nameKey(p.title),
  )
  for (const [first, ...more] of texts.values())
    if (first) bringText(edit, first.title, [first, ...more].map((t) => t.text).join('\n'), newId)
}

/**
 * The term that sources name is the course's where it has none, or nothing stands in its term yet; beside a plan that has its own
 * days it is a text of the syllabus. Comes before the work, whose days are of the term.
 */
export function bringTerm(edit: PlanEdit, pieces: readonly UnderstoodPiece[], newId: NewId): void {
  const terms = pieces.filter((p) => p.kind === 'term')
  const firstDay = terms.find((t) => t.first !== null)?.first ?? null
  const lastDay = terms.find((t) => t.last !== null)?.last ?? null
  const title = terms.find((t) => t.title !== '')?.title ?? 'Term'
  const own = currentOffering(edit.now)
  if (terms.length === 0) return
  if (!own && firstDay !== null && (lastDay === null || lastDay > firstDay)) {
    const term = fittedText('offering', 'term', title) ?? 'Term'
    const ways = { timeZone: 'UTC', weekStart: 'monday' as const }
    edit.create('offering', { ...blankOf('offering'), ...ways, id: newId(), term, firstDay, lastDay, order: keyIn(edit, 'offering', []) })
    return
  }
  if (own && (firstDay === null || firstDay === own.firstDay) && (lastDay === null || lastDay === own.lastDay)) return
  const isNew = edit.now.module.size === 0 && edit.now.calendarRule.size === 0
  const [first, last] = [firstDay ?? own?.firstDay ?? '', lastDay ?? own?.lastDay ?? null]
  const fills = firstDay === own?.firstDay && own?.lastDay === null
  if (own && (isNew || fills) && (last === null || last > first)) edit.set('offering', own.id, { firstDay: first, lastDay: last })
  else bringText(edit, 'Term', terms.map((t) => t.text).join('\n'), newId)
}

/** Days without classes go into the calendar of the term that they lie in; gives the words of those that lie in none. */
function bringClosed(edit: PlanEdit, days: readonly Closed[], newId: NewId): string[] {
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
  return left
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

/** Behind the title of a text that came in beside one of the same title. */
const AGAIN = ' (brought in)'

function bringText(edit: PlanEdit, title: string, text: string, newId: NewId): void {
  const name = fittedText('syllabusSection', 'title', title)
  const siblings = recordsOf(edit.now, 'syllabusSection')
  if (name === null) return
  const body = richFromPlain(text)
  const same = siblings.filter((s) => [nameKey(name), nameKey(`${name}${AGAIN}`)].includes(nameKey(s.title)))
  // What the course says under the same name stays; something else stands beside it.
  if (same.some((s) => s.body !== null && richToPlain(s.body) === richToPlain(body))) return
  const own = same.length === 0 ? name : (fittedText('syllabusSection', 'title', `${name}${AGAIN}`) ?? name)
  edit.create('syllabusSection', { id: newId(), title: own, body, order: keyIn(edit, 'syllabusSection', siblings) })
}
