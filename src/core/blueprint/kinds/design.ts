/** What a design sheet holds about an activity beside the activity itself: each entry is a record that somebody adds, orders, removes. */
import { address, hundredths, int, line, lines, oneOf, optional, order, ref, time } from '../field'
import { defineKind } from '../kind'
import { dueRule } from './due-rule'

export const MATERIAL_USES = [
  'study',
  'read',
  'skim',
  'sample of good work',
  'sample with flaws',
  'starter file',
  'source',
  'tool',
  'tutorial',
  'extra help',
] as const
export const ACCESS_NEEDS = ['captions', 'transcript', 'alt text', 'contrast', 'keyboard', 'alternative route'] as const
export type AccessNeed = (typeof ACCESS_NEEDS)[number]
export const ACCESS_STATES = ['to do', 'made', 'checked', 'not needed'] as const

/** What learners read, watch or work with. */
export const material = defineKind({
  name: 'material',
  plural: 'materials',
  noun: 'material',
  nameField: 'title',
  writers: ['expert'],
  place: ['activityId', 'order'],
  fields: {
    activityId: ref('activity', 'remove'),
    use: oneOf(MATERIAL_USES),
    title: line(),
    address: optional(address('http', 'https')),
    note: optional(lines(1000)),
    order: order(),
  },
})

/** Where feedback or a result sends a learner. */
export const remedy = defineKind({
  name: 'remedy',
  plural: 'remedies',
  noun: 'remedy',
  namedBy: 'activityId',
  writers: ['expert'],
  place: ['activityId', 'order'],
  fields: {
    activityId: ref('activity', 'remove'),
    /** Below this percent; open: whoever needs it. */
    below: optional(hundredths(0, 100)),
    criterionId: optional(ref('criterion', 'unlink')),
    toActivityId: optional(ref('activity', 'remove')),
    toMaterialId: optional(ref('material', 'remove')),
    note: optional(lines(1000)),
    order: order(),
  },
})

/** What somebody needs to take part, and whether it is there: one entry a need. */
export const accessItem = defineKind({
  name: 'accessItem',
  plural: 'accessItems',
  noun: 'access item',
  writers: ['expert'],
  ends: ['activityId', 'need'],
  fields: {
    activityId: ref('activity', 'remove'),
    need: oneOf(ACCESS_NEEDS),
    state: oneOf(ACCESS_STATES),
    reason: optional(lines(300)),
  },
})

/** A row of the storyboard of a video or podcast. */
export const storyRow = defineKind({
  name: 'storyRow',
  plural: 'storyRows',
  noun: 'storyboard row',
  nameField: 'scene',
  writers: ['expert'],
  place: ['activityId', 'order'],
  fields: {
    activityId: ref('activity', 'remove'),
    scene: optional(line(120)),
    words: optional(lines(4000)),
    picture: optional(lines(600)),
    alt: optional(lines(600)),
    /** Set by hand; open: worked out from the words. */
    seconds: optional(int(0, 3600)),
    order: order(),
  },
})

/** A step of a long piece of work. */
export const milestone = defineKind({
  name: 'milestone',
  plural: 'milestones',
  noun: 'milestone',
  nameField: 'title',
  writers: ['expert'],
  place: ['activityId', 'order'],
  fields: {
    activityId: ref('activity', 'remove'),
    title: line(),
    minutes: optional(int(0, 100_000)),
    handedIn: optional(line()),
    dueRule: optional(dueRule()),
    dueTime: optional(time()),
    /** Comments come back after so many days. */
    backDays: optional(int(0, 60)),
    backFrom: optional(line(60)),
    order: order(),
  },
})

/** The same activity for somebody who needs it otherwise, by the sort of need and never by name. */
export const variant = defineKind({
  name: 'variant',
  plural: 'variants',
  noun: 'version',
  nameField: 'forWhom',
  writers: ['expert'],
  place: ['activityId', 'order'],
  fields: { activityId: ref('activity', 'remove'), forWhom: line(120), differs: optional(lines(1000)), order: order() },
})

/** Something else that a learner may hand in for the same objectives. */
export const product = defineKind({
  name: 'product',
  plural: 'products',
  noun: 'product',
  nameField: 'title',
  writers: ['expert'],
  place: ['activityId', 'order'],
  fields: { activityId: ref('activity', 'remove'), title: line(), note: optional(lines(1000)), order: order() },
})
