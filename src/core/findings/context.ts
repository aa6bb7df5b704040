/** What rules look at: the blueprint with its indexes, built once per analysis, so that the whole stays linear. */

import { momentsOf } from '../alignment/order'
import type { Blueprint } from '../blueprint/blueprint'
import { linkId } from '../blueprint/ids'
import type { Activity } from '../blueprint/kinds'
import { type Schedule, scheduleOf, termOf } from '../calendar/schedule'
import { daysToStart } from '../calendar/term'
import { type GradeTable, gradeTable } from '../grading/grade-table'
import { assumptionsOf } from '../plan/assumptions'
import type { Derived, Read } from '../plan/derive'
import { ordersOf } from '../plan/orders'
import { type CourseIndex, indexCourse, PARTS } from '../plan/plan-index'
import type { Workspace } from '../workspaces'
import { type BesideFacts, NOTHING_BESIDE } from './beside-facts'
import type { AnyRuleFinding, RuleFinding, Weight } from './finding'
import type { RuleWords, Words } from './words'

export type Context = {
  readonly blueprint: Blueprint
  readonly beside: BesideFacts
  /** An ISO date; null where nothing should depend on the day. */
  readonly today: string | null
  readonly index: CourseIndex
  readonly schedule: Schedule | null
  readonly grades: GradeTable
  readonly moments: ReadonlyMap<string, string>
  /** Open while its module is a sketch and the start is far; then Check. */
  readonly missing: (moduleId: string) => Weight
  readonly descriptorOf: (criterionId: string, levelId: string) => { readonly text: string } | undefined
  /** `4.6 Lab 2` */
  readonly activityName: (activity: Activity) => string
}

/** What rules read, in words of the plan; a rule names them in its `reads`. */
export const NAMES_OF_ACTIVITIES = [ordersOf, 'activity.title', 'activity.seriesId', 'series.title'] as const
export const KINDS_OF_ACTIVITIES = ['activity.kind', 'activity.purpose', 'activity.seriesId', 'series.kind', 'series.purpose'] as const
export const MINUTES = [
  ordersOf,
  assumptionsOf,
  'activity.minutes',
  'activity.size',
  'activity.pace',
  'activity.difficulty',
  'activity.pageWords',
  'activity.pageSet',
  'activity.writing',
  'activity.kind',
  'activity.seriesId',
  'series.minutes',
  'series.kind',
] as const
/** What each assessment counts. */
export const GRADES = [ordersOf, PARTS.assessments, PARTS.categories] as const
/** Whether what is missing is missing yet ({@link Context.missing}). */
export const MISSING = [ordersOf, termOf, 'module.planning'] as const

export type Rule = {
  readonly code: string
  readonly workspace: Workspace
  /** All that its findings follow from, besides the day: it is not run again while none of it differs. */
  readonly reads: readonly (Read | Derived<unknown>)[]
  readonly words: RuleWords
  /** It rests on what is known from beside the plan as well. */
  readonly readsBeside?: true
  /** How many there are of what the summary counts. */
  readonly outOf?: (context: Context) => number
  readonly find: (context: Context) => readonly AnyRuleFinding[]
}

/** Declares the rules of a workspace: each by its code in the file of the workspace's words, which type what it has to say. */
export const rulesOf =
  <W extends Words>(workspace: Workspace, words: W) =>
  <C extends keyof W & string>(
    code: C,
    rule: Pick<Rule, 'reads' | 'outOf' | 'readsBeside'> & { readonly find: (context: Context) => readonly RuleFinding<W[C]>[] },
  ): Rule => ({ code, workspace, words: words[code] as RuleWords, ...rule })

/** Days before the first day from which what is missing is likely wrong (Cairn default). */
export const SOON_DAYS = 28

/** `today` is an ISO date, or null where nothing should depend on the day. Its parts are worked out when a rule asks for them. */
export function contextOf(blueprint: Blueprint, today: string | null, beside: BesideFacts = NOTHING_BESIDE): Context {
  const index = indexCourse(blueprint)
  const planned = once(() => {
    const term = termOf(blueprint)
    const soon = term !== null && today !== null && daysToStart(term, today) < SOON_DAYS
    return new Set(index.modules.filter((m) => soon || m.planning === 'planned').map((m) => m.id))
  })
  const moments = once(() => momentsOf(index, scheduleOf(blueprint)))
  return {
    blueprint,
    beside,
    today,
    index,
    get schedule() {
      return scheduleOf(blueprint)
    },
    get grades() {
      return gradeTable(blueprint)
    },
    get moments() {
      return moments()
    },
    missing: (moduleId) => (planned().has(moduleId) ? 'check' : 'open'),
    descriptorOf: (criterionId, levelId) => blueprint.descriptor.get(linkId([criterionId, levelId])),
    activityName: (a) => `${index.numberOf(a.id)} ${a.title}`,
  }
}

function once<T>(build: () => T): () => T {
  let made: { readonly value: T } | null = null
  return () => (made ??= { value: build() }).value
}
