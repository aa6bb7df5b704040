/** With whom, when, where and how learners work in an activity, as its kind proposes it until somebody says so. */
import { blankOf } from '../blueprint/blank'
import type { Blueprint } from '../blueprint/blueprint'
import type { PlanEdit } from '../blueprint/edit'
import { fixedId } from '../blueprint/ids'
import type { Activity, RecordOfKind } from '../blueprint/kinds'
import type { ActivityKind } from '../blueprint/kinds/activity'

export const WORK_FIELDS = ['interactions', 'timing', 'setting', 'grouping'] as const
export type WorkField = (typeof WORK_FIELDS)[number]
export type WorkProposal = Pick<RecordOfKind<'kindDefault'>, WorkField>

const says = (
  interactions: WorkProposal['interactions'],
  grouping: WorkProposal['grouping'],
  setting: WorkProposal['setting'] = 'outside class',
  timing: WorkProposal['timing'] = 'any time',
): WorkProposal => ({ interactions, timing, setting, grouping })

/** What a kind proposes where the course says nothing else (Cairn defaults). */
const OF_KIND: Readonly<Record<ActivityKind, WorkProposal>> = {
  page: says(['content'], 'alone'),
  reading: says(['content'], 'alone', 'before class'),
  video: says(['content'], 'alone', 'before class'),
  audio: says(['content'], 'alone', 'before class'),
  slides: says(['content'], 'alone', 'before class'),
  'worked example': says(['content'], 'alone'),
  discussion: says(['learners'], 'class'),
  quiz: says(['content'], 'alone'),
  assignment: says(['content', 'instructor'], 'alone', 'after class'),
  project: says(['content', 'learners', 'instructor'], 'team', 'after class'),
  lab: says(['content', 'learners'], 'pair', 'in class', 'live'),
  case: says(['content', 'learners'], 'team', 'in class', 'live'),
  'live session': says(['learners', 'instructor'], 'class', 'in class', 'live'),
  'group work': says(['learners'], 'team', 'in class', 'live'),
  'peer review': says(['learners'], 'pair'),
  reflection: says(['content'], 'alone', 'after class'),
  survey: says(['instructor'], 'alone'),
  'decision scenario': says(['content'], 'alone'),
  practice: says(['content'], 'alone'),
  exam: says(['content'], 'alone', 'in class', 'live'),
  announcement: says(['instructor'], 'class'),
  'linked tool': says(['content'], 'alone'),
  portfolio: says(['content', 'instructor'], 'alone', 'after class'),
  'shared page': says(['learners'], 'team'),
  glossary: says(['learners'], 'class'),
  poll: says(['learners', 'instructor'], 'class', 'in class', 'live'),
  chat: says(['learners'], 'class', 'outside class', 'live'),
  journal: says(['content', 'instructor'], 'alone', 'after class'),
  collection: says(['content', 'learners'], 'class'),
  graphic: says(['content'], 'alone'),
}
const NOTHING: WorkProposal = { interactions: [], timing: null, setting: null, grouping: null }

/** What a kind proposes in this course: what the course says of it, for the rest Cairn's own. */
export function proposalOf(plan: Blueprint, kind: ActivityKind | null): WorkProposal {
  if (kind === null) return NOTHING
  const own = plan.kindDefault.get(fixedId('kindDefault', { kind }) ?? '')
  const given = OF_KIND[kind]
  if (!own) return given
  return {
    interactions: own.interactions.length > 0 ? own.interactions : given.interactions,
    timing: own.timing ?? given.timing,
    setting: own.setting ?? given.setting,
    grouping: own.grouping ?? given.grouping,
  }
}

const isSaid = (value: unknown): boolean => value !== null && !(Array.isArray(value) && value.length === 0)

/** What is proposed for one field of an activity; null where somebody said it, or nothing is proposed. */
export function proposedWork(plan: Blueprint, activity: Pick<Activity, 'kind' | WorkField>, field: WorkField) {
  if (isSaid(activity[field])) return null
  const value = proposalOf(plan, activity.kind)[field]
  return isSaid(value) ? value : null
}

/** What the course says that a kind proposes; nothing where it leaves it to Cairn. */
export const ownProposal = (plan: Blueprint, kind: ActivityKind): WorkProposal =>
  plan.kindDefault.get(fixedId('kindDefault', { kind }) ?? '') ?? NOTHING

/** Says for the course what a kind proposes in one field; empty leaves it to Cairn again. */
export function setProposal(edit: PlanEdit, kind: ActivityKind, field: WorkField, value: unknown): void {
  const id = fixedId('kindDefault', { kind }) ?? ''
  if (!edit.now.kindDefault.has(id)) edit.create('kindDefault', { ...blankOf('kindDefault'), id, kind })
  edit.set('kindDefault', id, { [field]: value })
  const now = edit.now.kindDefault.get(id)
  if (now && !WORK_FIELDS.some((f) => isSaid(now[f]))) edit.remove({ kind: 'kindDefault', id })
}

/** Activities for which something is proposed that nobody has confirmed. */
export const withProposals = (plan: Blueprint, activities: readonly Activity[]): readonly Activity[] =>
  activities.filter((a) => WORK_FIELDS.some((field) => proposedWork(plan, a, field) !== null))

/** Confirms what is proposed, in the fields that nobody has said yet. */
export function confirmProposals(edit: PlanEdit, activities: readonly Activity[], fields: readonly WorkField[] = WORK_FIELDS): void {
  for (const activity of activities) {
    const said = fields.flatMap((field) => {
      const value = proposedWork(edit.now, activity, field)
      return value === null ? [] : [[field, value] as const]
    })
    if (said.length > 0) edit.set('activity', activity.id, Object.fromEntries(said))
  }
}
