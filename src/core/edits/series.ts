/** What designers do with series, as edits: one definition, and what differs in a member. */
import { proposedFunction } from '../alignment/proposals'
import { blankOf } from '../blueprint/blank'
import type { PlanEdit } from '../blueprint/edit'
import { fittedText } from '../blueprint/field-text'
import { linkId, type NewId } from '../blueprint/ids'
import type { Activity, Assessment } from '../blueprint/kinds'
import { keyIn } from '../blueprint/order'
import { sameValue } from '../blueprint/values'
import { type CourseIndex, indexCourse } from '../plan/plan-index'
import { ORDINAL } from '../plan/whole-activity'
import { addActivity } from './activities'

/** What a series defines. */
export const SERIES_FIELDS = ['title', 'kind', 'purpose', 'minutes', 'dueRule', 'points', 'categoryId', 'function'] as const
export type SeriesField = (typeof SERIES_FIELDS)[number]
const OF_ACTIVITY: readonly SeriesField[] = ['title', 'kind', 'purpose', 'minutes', 'dueRule']

/** A title with its number as a place: `Practice set 3: Rain` becomes `Practice set {n}: Rain`. Null where it has none. */
export function patternOf(title: string): string | null {
  const match = /\d+/.exec(title)
  return match ? `${title.slice(0, match.index)}${ORDINAL}${title.slice(match.index + match[0].length)}` : null
}

/** The words before the number: what titles of one series share. */
const stemOf = (title: string): string | null => {
  const pattern = patternOf(title)
  return pattern === null ? null : pattern.slice(0, pattern.indexOf(ORDINAL)).trim().toLowerCase()
}

/** Activities in no series that look like one with this activity: the same words before a number, the same kind. In course order. */
export function alikeActivities(index: CourseIndex, activity: Activity): readonly Activity[] {
  const stem = stemOf(activity.title)
  if (!stem) return []
  return index.activities.filter((a) => a.seriesId === null && a.kind === activity.kind && stemOf(a.title) === stem)
}

/** One definition for several activities: what they share goes to the series, what differs stays with each. Returns its id. */
export function makeSeries(edit: PlanEdit, activityIds: readonly string[], newId: NewId): string | null {
  const index = indexCourse(edit.now)
  const members = index.activities.filter((a) => activityIds.includes(a.id))
  const [first] = members
  if (!first) return null
  const assessments = members.map((a) => index.assessmentOf(a.id))
  const shared = <T>(values: readonly T[]): T | null => (values.every((v) => sameValue(v, values[0])) ? (values[0] ?? null) : null)
  const all = assessments.every((a) => a !== undefined)
  const stem = (patternOf(first.title) ?? `${first.title} ${ORDINAL}`).split(ORDINAL)[0] ?? ''
  const order = keyIn(edit, 'series', index.series)
  const seriesId = edit.create('series', {
    ...blankOf('series'),
    id: newId(),
    title: fittedText('series', 'title', `${stem.trim()} ${ORDINAL}`) ?? ORDINAL,
    kind: shared(members.map((m) => m.kind)),
    purpose: shared(members.map((m) => m.purpose)),
    // What is estimated is no value of anybody's.
    minutes: shared(members.map((m) => edit.now.activity.get(m.id)?.minutes ?? null)),
    dueRule: shared(members.map((m) => m.dueRule)),
    function: all ? shared(assessments.map((a) => a?.function ?? null)) : null,
    points: all ? shared(assessments.map((a) => a?.points ?? null)) : null,
    categoryId: all ? shared(assessments.map((a) => a?.categoryId ?? null)) : null,
    order,
  })
  for (const member of members) {
    edit.set('activity', member.id, { seriesId, title: patternOf(member.title) ?? member.title })
    for (const field of SERIES_FIELDS) if (field !== 'title') openWhereShared(edit, member.id, seriesId, field)
  }
  return seriesId
}

/** Leaves a field of a member open where its value is the series' own. */
function openWhereShared(edit: PlanEdit, id: string, seriesId: string, field: Exclude<SeriesField, 'title'>): void {
  const series = edit.now.series.get(seriesId)
  const value = series?.[field] ?? null
  if (value === null) return
  if (OF_ACTIVITY.includes(field)) {
    const own = edit.now.activity.get(id)
    if (own && sameValue(own[field as keyof Activity], value)) edit.set('activity', id, { [field]: null })
    return
  }
  if (field === 'function') return
  const assessmentId = linkId([id], 'assessment')
  const own = edit.now.assessment.get(assessmentId)
  if (!own || !sameValue(own[field as keyof Assessment], value)) return
  edit.set('assessment', assessmentId, { [field]: null })
  dropEmptyAssessment(edit, assessmentId, series?.function ?? null)
}

/** An assessment that says nothing beyond its series is the series'. */
function dropEmptyAssessment(edit: PlanEdit, assessmentId: string, fn: Assessment['function'] | null): void {
  const own = edit.now.assessment.get(assessmentId)
  if (!own || own.function !== fn) return
  const { id: _id, activityId: _activity, function: _function, ...rest } = own
  if (Object.values(rest).every((v) => v === null || v === false)) edit.remove({ kind: 'assessment', id: assessmentId })
}

/** Gives a member all that its series gave, and takes it out. */
export function leaveSeries(edit: PlanEdit, id: string): void {
  const index = indexCourse(edit.now)
  const whole = index.activity(id)
  const assessment = index.assessmentOf(id)
  if (!whole || whole.seriesId === null) return
  const { title, kind, purpose, minutes, dueRule } = whole
  edit.set('activity', id, { seriesId: null, title, kind, purpose, minutes, dueRule })
  if (!assessment) return
  if (edit.now.assessment.has(assessment.id))
    edit.set('assessment', assessment.id, { points: assessment.points, categoryId: assessment.categoryId })
  else edit.create('assessment', assessment)
}

/** What a member has in a field, whether its own or its series'. */
function memberValue(index: CourseIndex, edit: PlanEdit, id: string, field: SeriesField): unknown {
  if (field === 'title') return edit.now.activity.get(id)?.title
  const record = OF_ACTIVITY.includes(field) ? index.activity(id) : index.assessmentOf(id)
  return (record as Readonly<Record<string, unknown>> | undefined)?.[field] ?? null
}

/** Carries a field of one member to all members, through the definition, or to those from it on. */
export function spreadField(edit: PlanEdit, id: string, field: SeriesField, scope: 'all' | 'from-here'): void {
  const index = indexCourse(edit.now)
  const seriesId = index.activity(id)?.seriesId
  const series = seriesId == null ? undefined : edit.now.series.get(seriesId)
  if (!series) return
  const value = memberValue(index, edit, id, field)
  const members = index.membersOf(series.id)
  const at = members.findIndex((m) => m.id === id)
  const reached = scope === 'all' ? members : members.slice(at)
  if (scope === 'all' && field !== 'title') edit.set('series', series.id, { [field]: value })
  if (scope === 'all' && field === 'title') edit.set('series', series.id, { title: value })
  for (const member of reached) writeMember(edit, member.id, field, scope === 'all' && field !== 'title' ? null : value, series.function)
}

function writeMember(edit: PlanEdit, id: string, field: SeriesField, value: unknown, fn: Assessment['function'] | null): void {
  if (OF_ACTIVITY.includes(field)) return edit.set('activity', id, { [field]: value })
  const assessmentId = linkId([id], 'assessment')
  if (field === 'function') {
    const own = edit.now.assessment.get(assessmentId)
    if (own) edit.set('assessment', assessmentId, { function: value ?? fn ?? own.function })
    return
  }
  if (edit.now.assessment.has(assessmentId)) {
    edit.set('assessment', assessmentId, { [field]: value })
    if (value === null) dropEmptyAssessment(edit, assessmentId, fn)
  } else if (value !== null) {
    const whole = indexCourse(edit.now).activity(id)
    edit.create('assessment', {
      ...blankOf('assessment'),
      id: assessmentId,
      activityId: id,
      function: fn ?? (whole ? proposedFunction(whole) : 'formative'),
      [field]: value,
    })
  }
}

/** Adds a member to each of these modules, in the part that the other members stand in. Returns how many came. */
export function repeatSeries(edit: PlanEdit, seriesId: string, moduleIds: readonly string[], newId: NewId): number {
  const series = edit.now.series.get(seriesId)
  if (!series) return 0
  const partId = indexCourse(edit.now).membersOf(seriesId)[0]?.partId ?? null
  for (const moduleId of moduleIds) edit.set('activity', addActivity(edit, moduleId, partId, series.title, newId), { seriesId })
  return moduleIds.length
}
