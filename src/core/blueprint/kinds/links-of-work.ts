/** What builds on what, what recalls what, what opens what, and where an activity is shown besides its own module. */
import { date, hundredths, int, line, oneOf, optional, order, ref } from '../field'
import { defineKind } from '../kind'
import { MOST_WEEKS } from './due-rule'

/** An activity that goes on where an earlier one ended. */
export const buildsOn = defineKind({
  name: 'buildsOn',
  plural: 'buildsOn',
  noun: 'link to earlier work',
  nouns: 'links to earlier work',
  writers: ['expert'],
  ends: ['activityId', 'earlierId'],
  notItself: true,
  fields: {
    activityId: ref('activity', 'remove'),
    earlierId: ref('activity', 'remove'),
    /** What goes on from one to the other. */
    carries: optional(line(200)),
  },
})

/** A module that recalls an objective of an earlier one. */
export const recallObjective = defineKind({
  name: 'recallObjective',
  plural: 'recallObjectives',
  noun: 'recall of an objective',
  nouns: 'recalls of objectives',
  ends: ['moduleId', 'objectiveId'],
  fields: { moduleId: ref('module', 'remove'), objectiveId: ref('objective', 'remove') },
})

export const recallModule = defineKind({
  name: 'recallModule',
  plural: 'recallModules',
  noun: 'recall of a module',
  nouns: 'recalls of modules',
  ends: ['moduleId', 'recalledId'],
  notItself: true,
  fields: { moduleId: ref('module', 'remove'), recalledId: ref('module', 'remove') },
})

/** A further module that shows an activity; it is counted in its own alone. */
export const extraPlace = defineKind({
  name: 'extraPlace',
  plural: 'extraPlaces',
  noun: 'further place',
  ends: ['activityId', 'moduleId'],
  fields: { activityId: ref('activity', 'remove'), moduleId: ref('module', 'remove') },
})

export const UNLOCKS_WHEN = ['seen', 'handed in', 'passed', 'from a day'] as const

/** What must be so before an activity or a module opens. */
export const unlockTerm = defineKind({
  name: 'unlockTerm',
  plural: 'unlockTerms',
  noun: 'condition to open',
  nouns: 'conditions to open',
  writers: ['expert'],
  place: ['activityId', 'moduleId', 'order'],
  fields: {
    /** What opens: one of the two. */
    activityId: optional(ref('activity', 'remove')),
    moduleId: optional(ref('module', 'remove')),
    when: oneOf(UNLOCKS_WHEN),
    /** What must have been seen, handed in or passed. */
    earlierId: optional(ref('activity', 'remove')),
    /** Passed from this percent on; open: as its own hurdle says. */
    percent: optional(hundredths(0, 100)),
    day: optional(date()),
    order: order(),
  },
})

/** A sitting of a module: what belongs to one meeting or one week of it. */
export const session = defineKind({
  name: 'session',
  plural: 'sessions',
  noun: 'session',
  table: 'module_session',
  nameField: 'title',
  place: ['moduleId', 'order'],
  fields: {
    moduleId: ref('module', 'remove'),
    title: optional(line()),
    week: optional(int(1, MOST_WEEKS)),
    lastWeek: optional(int(1, MOST_WEEKS)),
    order: order(),
  },
})
