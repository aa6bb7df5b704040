import { int, line, lines, object, oneOf, optional, order, ref, someOf, time } from '../field'
import { defineKind } from '../kind'

export const ACTIVITY_KINDS = [
  'page',
  'reading',
  'video',
  'audio',
  'slides',
  'worked example',
  'discussion',
  'quiz',
  'assignment',
  'project',
  'lab',
  'case',
  'live session',
  'group work',
  'peer review',
  'reflection',
  'survey',
  'decision scenario',
  'practice',
  'exam',
  'announcement',
  'linked tool',
] as const
export type ActivityKind = (typeof ACTIVITY_KINDS)[number]

export const PURPOSES = ['orient', 'study', 'practise', 'demonstrate', 'reflect'] as const
export type Purpose = (typeof PURPOSES)[number]

export const STAGES = ['introduces', 'practises', 'assesses'] as const
export type Stage = (typeof STAGES)[number]

export const activity = defineKind({
  name: 'activity',
  plural: 'activities',
  noun: 'activity',
  place: ['moduleId', 'partId', 'order'],
  fields: {
    moduleId: ref('module', 'remove'),
    partId: optional(ref('part', 'unlink')),
    title: line(),
    kind: optional(oneOf(ACTIVITY_KINDS)),
    /** Open: proposed by the kind, shown muted, until somebody accepts it. */
    purpose: optional(oneOf(PURPOSES)),
    minutes: optional(int(0, 100_000)),
    /** Day `day` (1 is the day the week starts on) of the module's week `week`. */
    dueRule: optional(object({ rule: oneOf(['module-day']), week: int(1, 60), day: int(1, 7) })),
    dueTime: optional(time()),
    notes: optional(lines(4000)),
    order: order(),
  },
})

/** What an activity does for an objective. */
export const alignment = defineKind({
  name: 'alignment',
  plural: 'alignments',
  noun: 'alignment',
  ends: ['activityId', 'objectiveId'],
  fields: { activityId: ref('activity', 'remove'), objectiveId: ref('objective', 'remove'), stages: someOf(STAGES) },
})
