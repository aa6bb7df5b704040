import { int, line, lines, object, oneOf, optional, order, ref, someOf, time } from '../field'
import { defineKind } from '../kind'
import { dueRule } from './due-rule'

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

export const SIZE_UNITS = ['pages', 'words', 'minutes', 'words written', 'items', 'replies', 'reviews'] as const
export type SizeUnit = (typeof SIZE_UNITS)[number]
export const COUNTS_AS = ['instruction', 'guided', 'independent'] as const
export type CountsAs = (typeof COUNTS_AS)[number]

export const activity = defineKind({
  name: 'activity',
  plural: 'activities',
  noun: 'activity',
  nameField: 'title',
  numbered: true,
  writers: ['expert'],
  place: ['moduleId', 'partId', 'order'],
  fields: {
    moduleId: ref('module', 'remove'),
    partId: optional(ref('part', 'unlink')),
    seriesId: optional(ref('series', 'unlink')),
    title: line(),
    kind: optional(oneOf(ACTIVITY_KINDS)),
    /** Open: proposed by the kind, shown muted, until somebody accepts it. */
    purpose: optional(oneOf(PURPOSES)),
    /** Set by hand; open: estimated from the size, if that is known. */
    minutes: optional(int(0, 100_000)),
    /** How much there is to read, hear, write or answer. */
    size: optional(object({ unit: oneOf(SIZE_UNITS), amount: int(0, 1_000_000) })),
    pace: optional(oneOf(['skim', 'read', 'study', 'memorise'])),
    difficulty: optional(oneOf(['easy', 'normal', 'dense'])),
    /** Open: proposed by the kind. */
    countsAs: optional(oneOf(COUNTS_AS)),
    dueRule: optional(dueRule()),
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
  writers: ['expert'],
  ends: ['activityId', 'objectiveId'],
  fields: { activityId: ref('activity', 'remove'), objectiveId: ref('objective', 'remove'), stages: someOf(STAGES) },
})
