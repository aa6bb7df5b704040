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

/** What each kind of activity is for, unless somebody says otherwise (Cairn defaults). */
export const PURPOSE_OF_KIND: Readonly<Record<ActivityKind, Purpose>> = {
  page: 'orient',
  reading: 'study',
  video: 'study',
  audio: 'study',
  slides: 'study',
  'worked example': 'study',
  discussion: 'practise',
  quiz: 'practise',
  assignment: 'demonstrate',
  project: 'demonstrate',
  lab: 'practise',
  case: 'practise',
  'live session': 'study',
  'group work': 'practise',
  'peer review': 'practise',
  reflection: 'reflect',
  survey: 'reflect',
  'decision scenario': 'practise',
  practice: 'practise',
  exam: 'demonstrate',
  announcement: 'orient',
  'linked tool': 'practise',
}

/** The kinds, listed by what they are for. */
export const activityKind = () =>
  oneOf(
    ACTIVITY_KINDS,
    PURPOSES.map((head) => ({ head, values: ACTIVITY_KINDS.filter((kind) => PURPOSE_OF_KIND[kind] === head) })),
  )

export const STAGES = ['introduces', 'practises', 'assesses'] as const
export type Stage = (typeof STAGES)[number]

export const SIZE_UNITS = ['pages', 'words', 'minutes', 'words written', 'items', 'replies', 'reviews'] as const
export type SizeUnit = (typeof SIZE_UNITS)[number]
/** How closely one reads, from the quickest. Carver 1992: scan, skim, (read: Brysbaert 2019), learn, memorise. */
export const PACES = ['scan', 'skim', 'read', 'learn', 'memorise'] as const
/** How pages are set, from the fewest words. */
export const PAGE_SETS = ['paperback', 'textbook', 'close-set'] as const
/** Kinds of text that learners write, from the quickest. */
export const WRITINGS = ['reflection', 'report', 'argued'] as const
export type Writing = (typeof WRITINGS)[number]
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
    kind: optional(activityKind()),
    /** Open: proposed by the kind, shown muted, until somebody accepts it. */
    purpose: optional(oneOf(PURPOSES)),
    /** Set by hand; open: estimated from the size, if that is known. */
    minutes: optional(int(0, 100_000)),
    /** How much there is to read, hear, write or answer. */
    size: optional(object({ unit: oneOf(SIZE_UNITS), amount: int(0, 1_000_000) })),
    /** How closely it is read; open: read. */
    pace: optional(oneOf(PACES)),
    /** How hard the text is for these learners; open: ordinary. */
    difficulty: optional(oneOf(['easy', 'ordinary', 'hard'])),
    /** Words on one page, counted; open: guessed from how the pages are set. */
    pageWords: optional(int(1, 5000)),
    /** How the pages are set, while nobody has counted one; open: as a textbook. */
    pageSet: optional(oneOf(PAGE_SETS)),
    /** What is written; open: proposed by the kind. */
    writing: optional(oneOf(WRITINGS)),
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
