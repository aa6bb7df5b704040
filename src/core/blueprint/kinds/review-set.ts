/** Sets of quality points that a course is checked against: areas of points, and points of two sets that ask the same. */
import { hundredths, line, lineList, lines, oneOf, optional, order, ref, someOf } from '../field'
import { defineKind } from '../kind'

export const PRIORITIES = ['must', 'should', 'could'] as const
/** Principles of learning design that a point serves; the last is shown as "action and expression". */
export const POINT_TAGS = ['engagement', 'representation', 'action'] as const
/** What a must has to be; and what settles a should. */
export const MUST_NEEDS = ['in place', 'partly'] as const
export const SHOULD_NEEDS = ['in place', 'dated action', 'nothing'] as const
/** The most letters of each text, and the most points of a set (Cairn defaults). */
export const MOST = { code: 20, statement: 2_000, text: 4_000, title: 200, points: 500 } as const
/** Limits of a weight (Cairn default). */
export const WEIGHT_LIMITS = { least: 0.01, most: 100 } as const

export const reviewSet = defineKind({
  name: 'reviewSet',
  plural: 'reviewSets',
  noun: 'set of points',
  nouns: 'sets of points',
  nameField: 'title',
  place: ['order'],
  called: { mustNeeds: 'a must has to be', shouldNeeds: 'a should needs', scoreFrom: 'least score' },
  fields: {
    title: line(MOST.title),
    /** By which a newer file of the same set is known. */
    key: optional(line(MOST.title)),
    version: optional(line(MOST.title)),
    language: optional(line(MOST.title)),
    note: optional(lines(MOST.text)),
    mustNeeds: optional(oneOf(MUST_NEEDS)),
    shouldNeeds: optional(oneOf(SHOULD_NEEDS)),
    /** The least score with which a course is ready; open: no score is asked for. */
    scoreFrom: optional(hundredths(0, 100)),
    order: order(),
  },
})

export const reviewArea = defineKind({
  name: 'reviewArea',
  plural: 'reviewAreas',
  noun: 'area of points',
  nouns: 'areas of points',
  nameField: 'title',
  place: ['setId', 'order'],
  fields: { setId: ref('reviewSet', 'remove'), title: line(MOST.title), order: order() },
})

/** One quality point. */
export const reviewPoint = defineKind({
  name: 'reviewPoint',
  plural: 'reviewPoints',
  noun: 'quality point',
  nameField: 'statement',
  place: ['areaId', 'order'],
  called: { findings: 'bound findings', looksAt: 'looks at', asLearner: 'wording for learners', basis: 'resting on' },
  fields: {
    areaId: ref('reviewArea', 'remove'),
    /** Unique in its set. */
    code: line(MOST.code),
    statement: lines(MOST.statement),
    why: optional(lines(MOST.text)),
    where: optional(lines(MOST.text)),
    basis: optional(lines(MOST.text)),
    asLearner: optional(lines(MOST.text)),
    priority: oneOf(PRIORITIES),
    weight: optional(hundredths(WEIGHT_LIMITS.least, WEIGHT_LIMITS.most)),
    tags: someOf(POINT_TAGS),
    /** Codes of findings that say something about it; also of rules that are not here yet. */
    findings: lineList(),
    /** Kinds of records, `activity:lab` for activities of one kind. */
    looksAt: lineList(),
    order: order(),
  },
})

/** Two points, of two sets, that ask the same. */
export const pointMatch = defineKind({
  name: 'pointMatch',
  plural: 'pointMatches',
  noun: 'match of points',
  nouns: 'matches of points',
  ends: ['fromId', 'toId'],
  notItself: true,
  fields: { fromId: ref('reviewPoint', 'remove'), toId: ref('reviewPoint', 'remove') },
})
