/** What designers do with rubrics, as edits. */
import { blankOf } from '../blueprint/blank'
import { refKey } from '../blueprint/blueprint'
import type { PlanEdit } from '../blueprint/edit'
import { fittedText, readValue } from '../blueprint/field-text'
import { linkId, type NewId } from '../blueprint/ids'
import type { AnyRecord, RecordRef, Rubric } from '../blueprint/kinds'
import type { RubricForm } from '../blueprint/kinds/rubric'
import { keyIn, keysBetween } from '../blueprint/order'
import { cleanText } from '../blueprint/text'
import { scaledWeights } from '../grading/rubric'
import { formatHundredths, readHundredths } from '../numbers'
import { indexCourse } from '../plan/plan-index'
import type { Refused } from '../result'
import { copyRecords, withBelongings } from './copy'

/** The levels that a rubric of each form begins with (Cairn defaults), from the lowest to the highest. */
const FIRST_LEVELS: Readonly<Record<RubricForm, readonly (readonly [string, number])[]>> = {
  analytic: [
    ['Not yet', 0],
    ['Partly', 50],
    ['Mostly', 80],
    ['Fully', 100],
  ],
  'single-point': [['What is expected', 100]],
  checklist: [
    ['Not there', 0],
    ['There', 100],
  ],
  holistic: [
    ['Not yet', 0],
    ['Partly', 50],
    ['Mostly', 80],
    ['Fully', 100],
  ],
}

/** Adds a rubric with the first levels of its form; a holistic one has its one criterion already. Returns its id. */
export function addRubric(edit: PlanEdit, title: string, form: RubricForm, newId: NewId): string {
  const { rubrics } = indexCourse(edit.now)
  const order = keyIn(edit, 'rubric', rubrics)
  const rubricId = edit.create('rubric', {
    id: newId(),
    title: fittedText('rubric', 'title', title) ?? 'Rubric',
    form,
    scale: 'points',
    order,
  })
  const levels = FIRST_LEVELS[form]
  const keys = keysBetween(null, null, levels.length)
  levels.forEach(([name, value], i) => {
    edit.create('rubricLevel', { id: newId(), rubricId, title: name, value: value * 100, order: keys[i] as string })
  })
  if (form === 'holistic') addCriterion(edit, rubricId, 'The work as a whole', newId)
  return rubricId
}

/** Adds a criterion at the end. Returns its id. */
export function addCriterion(edit: PlanEdit, rubricId: string, title: string, newId: NewId): string {
  const siblings = indexCourse(edit.now).criteriaOf(rubricId)
  const order = keyIn(edit, 'criterion', siblings)
  return edit.create('criterion', {
    ...blankOf('criterion'),
    id: newId(),
    rubricId,
    title: fittedText('criterion', 'title', title) ?? 'Criterion',
    order,
  })
}

/** Adds a level behind the others; a value half-way to what stands above it. Returns its id. */
export function addLevel(edit: PlanEdit, rubricId: string, newId: NewId): string {
  const levels = indexCourse(edit.now).levelsOf(rubricId)
  // The top level is where 100 % is: a new one goes below it.
  const at = Math.max(0, levels.length - 1)
  const below = levels[at - 1]?.value ?? 0
  const above = levels[at]?.value ?? 100_00
  const order = keyIn(edit, 'rubricLevel', levels, levels.length === 0 ? 0 : at)
  return edit.create('rubricLevel', {
    id: newId(),
    rubricId,
    title: `Level ${levels.length + 1}`,
    value: levels.length === 0 ? 100_00 : Math.round((below + above) / 200) * 100,
    order,
  })
}

/** A copy with everything in it but the assessments. Returns its id. */
export function copyRubric(edit: PlanEdit, rubric: Rubric, newId: NewId): string {
  const { rubrics } = indexCourse(edit.now)
  const order = keyIn(edit, 'rubric', rubrics, rubrics.findIndex((r) => r.id === rubric.id) + 1)
  const title = fittedText('rubric', 'title', `Copy of ${rubric.title}`) ?? rubric.title
  const target: RecordRef = { kind: 'rubric', id: rubric.id }
  const adjust = (record: AnyRecord, { kind }: RecordRef) => (kind === 'rubric' ? { ...record, title, order } : record)
  const { ids } = copyRecords(edit, edit.now, withBelongings(edit.now, [target]), newId, { adjust })
  return ids.get(refKey(target)) as string
}

/** Writes what a criterion says at a level, from text as typed or pasted; an empty one takes it away. */
export function writeDescriptor(edit: PlanEdit, criterionId: string, levelId: string, text: string): Refused {
  const criterion = edit.now.criterion.get(criterionId)
  if (!criterion) return 'This criterion is gone.'
  const id = linkId([criterion.id, levelId])
  if (edit.now.rubricLevel.get(levelId)?.rubricId !== criterion.rubricId) return 'This level is gone.'
  if (cleanText(text, true) === null) {
    if (edit.now.descriptor.has(id)) edit.remove({ kind: 'descriptor', id })
    return null
  }
  const read = readValue('descriptor', 'text', text)
  if (!read.ok) return read.error
  if (edit.now.descriptor.has(id)) edit.set('descriptor', id, { text: read.value })
  else edit.create('descriptor', { id, criterionId: criterion.id, levelId, text: String(read.value) })
  return null
}

/** Writes the objectives that a criterion serves, by number, or `general`. */
export function writeCriterionLinks(edit: PlanEdit, criterionId: string, text: string): Refused {
  const criterion = edit.now.criterion.get(criterionId)
  if (!criterion) return 'This criterion is gone.'
  const index = indexCourse(edit.now)
  const words = text
    .toLowerCase()
    .split(/[\s,;]+/)
    .filter(Boolean)
  const general = words.includes('general')
  const numbers = words.filter((w) => w !== 'general' && w !== '–' && w !== '-')
  const found = numbers
    .map((n) => ({ n, id: index.idOfNumber(n) }))
    .map(({ n, id }) => ({ n, id: id && edit.now.objective.has(id) ? id : null }))
  const unknown = found.filter((f) => f.id === null).map((f) => f.n)
  if (unknown.length > 0) return `There is no objective ${unknown.join(', ')}. Write numbers such as 4c 4d, or general.`
  if (general && numbers.length > 0) return 'A criterion serves objectives or is general, not both.'
  const wanted = new Set(found.flatMap((f) => f.id ?? []))
  for (const o of index.objectivesOfCriterion(criterion.id))
    if (!wanted.has(o.id)) edit.remove({ kind: 'criterionObjective', id: linkId([criterion.id, o.id]) })
  for (const objectiveId of wanted)
    if (!edit.now.criterionObjective.has(linkId([criterion.id, objectiveId])))
      edit.create('criterionObjective', { id: '', criterionId: criterion.id, objectiveId })
  edit.set('criterion', criterion.id, { general })
  return null
}

/** Writes a level from its title and percent: `Partly 50`, `Partly · 50 %`, `Partly`. An empty text removes it with its cells. */
export function writeLevel(edit: PlanEdit, id: string, text: string): Refused {
  const level = edit.now.rubricLevel.get(id)
  if (!level) return 'This level is gone.'
  const typed = cleanText(text, false)
  if (typed === null) {
    edit.remove({ kind: 'rubricLevel', id })
    return null
  }
  const match = /^(.*?)(?:\s*[·:(]?\s*)(\d{1,3}(?:[.,]\d{1,2})?)\s*%?\)?$/.exec(typed)
  const value = match ? readHundredths(match[2] as string) : level.value
  if (value === null || value > 100_00) return 'A level is a title and a percent from 0 to 100, such as Partly 50.'
  const title = readValue('rubricLevel', 'title', match ? match[1] || level.title : typed)
  if (!title.ok) return title.error
  edit.set('rubricLevel', id, { title: title.value, value })
  return null
}

/** `Partly 50`: a level as it is typed. */
export const levelText = (level: { readonly title: string; readonly value: number }): string =>
  `${level.title} ${formatHundredths(level.value)}`

/** Sets the weights of all criteria in the same proportion, so that they sum to a total (hundredths). */
export function scaleCriteria(edit: PlanEdit, rubricId: string, total: number): void {
  const criteria = indexCourse(edit.now).criteriaOf(rubricId)
  scaledWeights(criteria, total).forEach((weight, i) => {
    edit.set('criterion', criteria[i]?.id ?? '', { weight })
  })
}
