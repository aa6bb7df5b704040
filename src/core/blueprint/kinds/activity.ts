import { bool, int, line, lines, object, oneOf, optional, order, ref, rich, someOf, time } from '../field'
import { defineKind } from '../kind'
import { dueRule } from './due-rule'
import { JOINS } from './joins'
import { LEVELS } from './levels'

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
  'portfolio',
  'shared page',
  'glossary',
  'poll',
  'chat',
  'journal',
  'collection',
  'graphic',
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
  portfolio: 'demonstrate',
  'shared page': 'practise',
  glossary: 'practise',
  poll: 'orient',
  chat: 'practise',
  journal: 'reflect',
  collection: 'practise',
  graphic: 'study',
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

/** With what or whom learners are active. */
export const INTERACTIONS = ['content', 'learners', 'instructor'] as const
export const TIMINGS = ['any time', 'live'] as const
export const SETTINGS = ['outside class', 'before class', 'in class', 'after class'] as const
export const GROUPINGS = ['alone', 'pair', 'team', 'class'] as const

export const activity = defineKind({
  name: 'activity',
  plural: 'activities',
  inside: ['notes', 'reuseNote', 'renew'],
  noun: 'activity',
  nameField: 'title',
  called: {
    isOptional: 'optional for learners',
    realWork: 'link to real work',
    laterUse: 'how learners will use it later',
    otherDelivery: 'in the other way of delivery',
    renew: 'to be renewed when',
    feedbackForm: 'form of feedback',
    feedbackDays: 'feedback within days',
    feedbackMinutes: 'longest recorded feedback, in minutes',
    markingKey: 'what colours and signs in feedback mean',
    reuseNote: 'note for reuse',
    unlockJoin: 'conditions needed',
  },
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
    /** For designers; learners never read it. */
    notes: optional(lines(4000)),
    /** What learners are told to do. */
    instructions: optional(rich({ learners: true })),
    /** Nothing said: proposed by the kind. */
    interactions: someOf(INTERACTIONS),
    timing: optional(oneOf(TIMINGS)),
    setting: optional(oneOf(SETTINGS)),
    grouping: optional(oneOf(GROUPINGS)),
    isOptional: bool(),
    /** What it has to do with work outside the course. */
    realWork: optional(lines(600)),
    /** How learners will use it later. */
    laterUse: optional(lines(600)),
    /** How it runs in the other way of delivery. */
    otherDelivery: optional(lines(1000)),
    /** What ties it to a date or an event, to be renewed. */
    renew: optional(lines(300)),
    feedbackFrom: optional(line(120)),
    feedbackForm: optional(line(120)),
    feedbackDays: optional(int(0, 60)),
    /** The longest recording by which feedback is given. */
    feedbackMinutes: optional(int(1, 60)),
    /** What colours and signs in feedback mean. */
    markingKey: optional(lines(1000)),
    reuseNote: optional(lines(1000)),
    ownKindId: optional(ref('ownKind', 'unlink')),
    sessionId: optional(ref('session', 'unlink')),
    unlockJoin: optional(oneOf(JOINS)),
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
  fields: {
    activityId: ref('activity', 'remove'),
    objectiveId: ref('objective', 'remove'),
    stages: someOf(STAGES),
    /** The level that it asks of learners there; open: nobody has said. */
    demand: optional(oneOf(LEVELS)),
  },
})
