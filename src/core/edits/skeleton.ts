/** A course from nothing but its shape: so many modules, each with the same activities. */
import { blankOf } from '../blueprint/blank'
import type { PlanEdit } from '../blueprint/edit'
import type { NewId } from '../blueprint/ids'
import type { ActivityKind } from '../blueprint/kinds/activity'
import { MOST_WEEKS } from '../blueprint/kinds/due-rule'
import { keyIn } from '../blueprint/order'
import { indexCourse } from '../plan/plan-index'
import { ORDINAL } from '../plan/whole-activity'
import { addActivity, setAssessment } from './activities'
import { addModule } from './objectives'

export type SkeletonActivity = {
  /** `{n}` is the number of the module it stands in. */
  readonly title: string
  readonly kind: ActivityKind | null
  readonly partId: string | null
  readonly minutes: number | null
  /** Hundredths of a point; null: not graded. */
  readonly points: number | null
  /** One definition for all modules. */
  readonly asSeries: boolean
}
export type Skeleton = {
  readonly modules: number
  /** `{n}` is its number. */
  readonly moduleTitle: string
  readonly weeksEach: number
  readonly activities: readonly SkeletonActivity[]
}

/** Most modules that one skeleton makes (Cairn default). */
export const MOST_MODULES = 60

/** What a skeleton would make, before it is made. */
export function skeletonCounts({ modules, weeksEach, activities }: Skeleton) {
  const sum = (of: (a: SkeletonActivity) => number | null) => activities.reduce((n, a) => n + (of(a) ?? 0), 0)
  return {
    modules,
    weeks: modules * weeksEach,
    activities: modules * activities.length,
    graded: modules * activities.filter((a) => a.points !== null).length,
    minutes: modules * sum((a) => a.minutes),
    points: modules * sum((a) => a.points),
  }
}

/** Makes it, behind the modules that there are. */
export function makeSkeleton(edit: PlanEdit, skeleton: Skeleton, newId: NewId): void {
  const series = skeleton.activities.map((a) => (a.asSeries ? addSeriesFor(edit, a, newId) : null))
  const before = indexCourse(edit.now).modules
  let week = Math.max(0, ...before.map((m) => m.lastWeek ?? m.firstWeek ?? 0))
  for (let n = before.length + 1; n <= before.length + Math.min(skeleton.modules, MOST_MODULES); n++) {
    const moduleId = addModule(edit, skeleton.moduleTitle.replaceAll(ORDINAL, String(n)), newId)
    const [first, last] = [week + 1, week + Math.max(1, skeleton.weeksEach)]
    week = last
    edit.set('module', moduleId, last <= MOST_WEEKS ? { firstWeek: first, lastWeek: last } : { firstWeek: null, lastWeek: null })
    skeleton.activities.forEach((a, i) => {
      const seriesId = series[i] ?? null
      const id = addActivity(edit, moduleId, a.partId, seriesId === null ? a.title.replaceAll(ORDINAL, String(n)) : a.title, newId)
      if (seriesId !== null) return edit.set('activity', id, { seriesId })
      edit.set('activity', id, { kind: a.kind, minutes: a.minutes })
      const own = edit.now.activity.get(id)
      if (own && a.points !== null) setAssessment(edit, own, { points: a.points })
    })
  }
  const course = edit.now.course.get('course')
  if (course && week > course.weeks && week <= MOST_WEEKS) edit.set('course', 'course', { weeks: week })
}

function addSeriesFor(edit: PlanEdit, a: SkeletonActivity, newId: NewId): string {
  const siblings = indexCourse(edit.now).series
  const order = keyIn(edit, 'series', siblings)
  return edit.create('series', {
    ...blankOf('series'),
    id: newId(),
    title: a.title,
    kind: a.kind,
    minutes: a.minutes,
    points: a.points,
    function: a.points === null ? null : 'formative',
    order,
  })
}
