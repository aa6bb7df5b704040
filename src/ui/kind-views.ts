/** What the interface knows of each kind beyond its declaration. A kind that is missing here does not compile. */

import type { ComponentType } from 'react'
import { type KindName, specOf } from '../core/blueprint/kinds'
import type { Workspace } from '../core/workspaces'
import { fetched } from './parts/fetched'
import { type Later, later } from './parts/later'

export type OwnDetails = {
  /** A part above the default details, given the record's id. */
  readonly part: Later<{ readonly id: string }>
  /** Fields that it shows; the others follow below. */
  readonly shows: readonly string[]
}
export type KindView = {
  /** Where records of the kind live. */
  readonly workspace: Workspace
  readonly details?: OwnDetails
}

const own = (load: () => Promise<ComponentType<{ readonly id: string }>>, ...shows: readonly string[]): OwnDetails => ({
  part: later(load),
  shows,
})

const KIND_VIEWS = {
  course: { workspace: 'brief' },
  decision: { workspace: 'brief' },
  ruleSetting: { workspace: 'brief' },
  taughtVerb: { workspace: 'outcomes' },
  outcome: {
    workspace: 'outcomes',
    details: own(
      fetched(
        () => import('./details/line-details'),
        (m) => m.OutcomeDetails,
      ),
      'statement',
      'level',
      'origin',
    ),
  },
  objective: {
    workspace: 'outcomes',
    details: own(
      fetched(
        () => import('./details/line-details'),
        (m) => m.ObjectiveDetails,
      ),
      'statement',
      'level',
      'origin',
      'moduleId',
    ),
  },
  objectiveOutcome: { workspace: 'outcomes' },
  framework: { workspace: 'outcomes' },
  frameworkItem: {
    workspace: 'outcomes',
    details: own(
      fetched(
        () => import('./details/item-details'),
        (m) => m.ItemDetails,
      ),
      'statement',
      'code',
      'times',
      'kind',
      'required',
      'anyOf',
      'parentId',
      'frameworkId',
    ),
  },
  itemRelation: { workspace: 'outcomes' },
  outcomeItem: { workspace: 'outcomes' },
  objectiveItem: { workspace: 'outcomes' },
  evidenceItem: { workspace: 'outcomes' },
  part: { workspace: 'map' },
  module: {
    workspace: 'map',
    details: own(
      fetched(
        () => import('./details/module-details'),
        (m) => m.ModuleDetails,
      ),
      'title',
      'subtitle',
      'firstWeek',
      'lastWeek',
      'planning',
    ),
  },
  activity: {
    workspace: 'map',
    details: own(
      fetched(
        () => import('./details/activity-details'),
        (m) => m.ActivityDetails,
      ),
      'title',
      'kind',
      'purpose',
      'seriesId',
      'minutes',
      'size',
      'pace',
      'difficulty',
      'pageWords',
      'pageSet',
      'writing',
      'countsAs',
      'notes',
      'moduleId',
    ),
  },
  alignment: { workspace: 'map' },
  activityItem: { workspace: 'map' },
  evidencePoint: { workspace: 'map' },
  series: { workspace: 'map' },
  modulePart: { workspace: 'map' },
  session: { workspace: 'map' },
  ownKind: { workspace: 'map' },
  kindDefault: { workspace: 'map' },
  recallObjective: { workspace: 'map' },
  recallModule: { workspace: 'map' },
  extraPlace: { workspace: 'map' },
  buildsOn: { workspace: 'map' },
  unlockTerm: { workspace: 'map' },
  accessItem: { workspace: 'map' },
  material: { workspace: 'map' },
  remedy: { workspace: 'map' },
  storyRow: { workspace: 'map' },
  milestone: { workspace: 'map' },
  variant: { workspace: 'map' },
  product: { workspace: 'map' },
  columnSet: { workspace: 'map' },
  columnOfSet: { workspace: 'map' },
  gradeCategory: { workspace: 'assessment' },
  gradeStep: { workspace: 'assessment' },
  rubric: { workspace: 'assessment' },
  rubricLevel: { workspace: 'assessment' },
  criterion: { workspace: 'assessment' },
  criterionObjective: { workspace: 'assessment' },
  criterionItem: { workspace: 'assessment' },
  descriptor: { workspace: 'assessment' },
  assessment: { workspace: 'assessment' },
  offering: { workspace: 'calendar' },
  calendarRule: { workspace: 'calendar' },
  assumption: { workspace: 'calendar' },
  syllabusSection: { workspace: 'syllabus' },
  reviewSet: { workspace: 'review' },
  reviewArea: { workspace: 'review' },
  reviewPoint: { workspace: 'review' },
  pointMatch: { workspace: 'review' },
} satisfies Readonly<Record<KindName, KindView>>

/** The view of a kind. One that this version does not know lives in the brief, with its default details. */
export const kindView = (kind: KindName): KindView =>
  Object.hasOwn(KIND_VIEWS, kind) ? (KIND_VIEWS as Readonly<Record<KindName, KindView>>)[kind] : { workspace: 'brief' }

/** Whether records of a kind are selected by themselves: links and what is named by another are reached through it. */
export const isSelectable = (kind: KindName): boolean => !specOf(kind).ends || (specOf(kind).ends?.length ?? 0) === 1
