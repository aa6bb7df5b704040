/** How this course goes about its work: its own kinds of activities, what a kind is proposed with, own orders, sets of columns. */
import { bool, int, line, lines, oneOf, optional, order, ref, someOf } from '../field'
import { defineKind } from '../kind'
import { activityKind, GROUPINGS, INTERACTIONS, SETTINGS, TIMINGS } from './activity'

/** A kind of activity with a name of its own: "Field walk", counted as a lab. */
export const ownKind = defineKind({
  name: 'ownKind',
  plural: 'ownKinds',
  noun: 'own kind',
  nameField: 'title',
  fields: { title: line(60), like: activityKind() },
})

/** What activities of a kind are proposed with in this course. */
export const kindDefault = defineKind({
  name: 'kindDefault',
  plural: 'kindDefaults',
  noun: 'proposal of a kind',
  nouns: 'proposals of kinds',
  ends: ['kind'],
  fields: {
    kind: activityKind(),
    interactions: someOf(INTERACTIONS),
    timing: optional(oneOf(TIMINGS)),
    setting: optional(oneOf(SETTINGS)),
    grouping: optional(oneOf(GROUPINGS)),
  },
})

/** A part of the pattern in one module: where it stands there, or that it is left out, with the reason. */
export const modulePart = defineKind({
  name: 'modulePart',
  plural: 'moduleParts',
  noun: 'part of a module',
  nouns: 'parts of modules',
  ends: ['moduleId', 'partId'],
  place: ['order'],
  fields: {
    moduleId: ref('module', 'remove'),
    partId: ref('part', 'remove'),
    leftOut: bool(),
    reason: optional(lines(300)),
    order: order(),
  },
})

/** Columns of the table of modules, chosen and ordered under a name. */
export const columnSet = defineKind({
  name: 'columnSet',
  plural: 'columnSets',
  noun: 'set of columns',
  nouns: 'sets of columns',
  nameField: 'title',
  place: ['order'],
  fields: { title: line(60), order: order() },
})

export const columnOfSet = defineKind({
  name: 'columnOfSet',
  plural: 'columnsOfSets',
  noun: 'column of a set',
  nouns: 'columns of sets',
  nameField: 'column',
  place: ['setId', 'order'],
  fields: {
    setId: ref('columnSet', 'remove'),
    column: line(60),
    /** In pixels at 100 %. */
    width: optional(int(40, 800)),
    frozen: bool(),
    order: order(),
  },
})
