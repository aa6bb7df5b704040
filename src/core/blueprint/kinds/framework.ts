import { bool, int, line, lines, oneOf, optional, order, ref, someOf } from '../field'
import { defineKind } from '../kind'
import { STAGES } from './activity'

/** An outside set of requirements: a competency unit, a certification, programme outcomes. */
export const framework = defineKind({
  name: 'framework',
  plural: 'frameworks',
  noun: 'framework',
  nameField: 'title',
  place: ['order'],
  fields: {
    title: line(),
    code: optional(line(60)),
    issuer: optional(line()),
    version: optional(line(100)),
    /** Where it comes from: an address, or how it is cited. */
    source: optional(line(500)),
    /** Its identifier where it comes from, so that it goes back under the same. */
    sourceId: optional(line(200)),
    order: order(),
  },
})

export const ITEM_KINDS = [
  'area',
  'element',
  'performance criterion',
  'performance evidence',
  'knowledge evidence',
  'foundation skill',
  'assessment condition',
  'outcome',
] as const
export type ItemKind = (typeof ITEM_KINDS)[number]

/** One requirement of a framework. */
export const frameworkItem = defineKind({
  name: 'frameworkItem',
  plural: 'frameworkItems',
  noun: 'framework item',
  nameField: 'statement',
  numbered: true,
  place: ['parentId', 'order'],
  fields: {
    frameworkId: ref('framework', 'remove'),
    parentId: optional(ref('frameworkItem', 'remove')),
    /** As the framework numbers it; never derived. */
    code: optional(line(60)),
    statement: lines(4000),
    kind: oneOf(ITEM_KINDS),
    required: bool(),
    /** How many of its parts are enough; open: all. */
    anyOf: optional(int(1, 200)),
    /** On how many occasions it must be shown; open: once. */
    times: optional(int(1, 200)),
    /** In which situations it must be shown. */
    contexts: optional(line(500)),
    /** What stands beside it: what it covers, the sentence that opens its list. */
    notes: optional(lines(4000)),
    sourceId: optional(line(200)),
    order: order(),
  },
})

/** Two items that say the same or belong together, of one framework or of two. */
export const itemRelation = defineKind({
  name: 'itemRelation',
  plural: 'itemRelations',
  noun: 'relation of items',
  ends: ['fromId', 'toId'],
  fields: {
    fromId: ref('frameworkItem', 'remove'),
    toId: ref('frameworkItem', 'remove'),
    relation: oneOf(['same', 'related']),
  },
})

export const outcomeItem = defineKind({
  name: 'outcomeItem',
  plural: 'outcomeItems',
  noun: 'link of an outcome to a framework',
  writers: ['expert'],
  ends: ['outcomeId', 'itemId'],
  fields: { outcomeId: ref('outcome', 'remove'), itemId: ref('frameworkItem', 'remove') },
})

export const objectiveItem = defineKind({
  name: 'objectiveItem',
  plural: 'objectiveItems',
  noun: 'link of an objective to a framework',
  writers: ['expert'],
  ends: ['objectiveId', 'itemId'],
  fields: { objectiveId: ref('objective', 'remove'), itemId: ref('frameworkItem', 'remove') },
})

/** What an activity does for an item, besides what it does through its objectives. */
export const activityItem = defineKind({
  name: 'activityItem',
  plural: 'activityItems',
  noun: 'link of an activity to a framework',
  writers: ['expert'],
  ends: ['activityId', 'itemId'],
  fields: { activityId: ref('activity', 'remove'), itemId: ref('frameworkItem', 'remove'), stages: someOf(STAGES) },
})

export const criterionItem = defineKind({
  name: 'criterionItem',
  plural: 'criterionItems',
  noun: 'link of a criterion to a framework',
  ends: ['criterionId', 'itemId'],
  fields: { criterionId: ref('criterion', 'remove'), itemId: ref('frameworkItem', 'remove') },
})

export const EVIDENCE_METHODS = ['observation', 'product', 'questioning', 'third party'] as const
export type EvidenceMethod = (typeof EVIDENCE_METHODS)[number]

/** A question, an observation or a product by which an activity shows framework items, where no rubric criterion does. */
export const evidencePoint = defineKind({
  name: 'evidencePoint',
  plural: 'evidencePoints',
  noun: 'evidence point',
  nameField: 'title',
  writers: ['expert'],
  place: ['activityId', 'order'],
  fields: {
    activityId: ref('activity', 'remove'),
    title: line(),
    method: oneOf(EVIDENCE_METHODS),
    /** On how many occasions each learner shows it; open: once. */
    occasions: optional(int(1, 200)),
    order: order(),
  },
})

export const evidenceItem = defineKind({
  name: 'evidenceItem',
  plural: 'evidenceItems',
  noun: 'link of evidence to a framework',
  writers: ['expert'],
  ends: ['pointId', 'itemId'],
  fields: { pointId: ref('evidencePoint', 'remove'), itemId: ref('frameworkItem', 'remove') },
})
