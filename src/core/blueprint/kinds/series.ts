import { bool, hundredths, int, line, oneOf, optional, order, ref } from '../field'
import { defineKind } from '../kind'
import { activityKind, PURPOSES } from './activity'
import { FUNCTIONS } from './assessment'
import { dueRule } from './due-rule'

/**
 * Activities that repeat over modules with one definition. A member holds only what differs: where a field of it is open, the
 * value is the series'. `{n}` in a title is the member's place in the series.
 */
export const series = defineKind({
  name: 'series',
  plural: 'series',
  noun: 'series',
  nouns: 'series',
  called: {
    everyModule: 'one in every module',
  },
  nameField: 'title',
  place: ['order'],
  fields: {
    title: line(),
    kind: optional(activityKind()),
    purpose: optional(oneOf(PURPOSES)),
    minutes: optional(int(0, 100_000)),
    dueRule: optional(dueRule()),
    function: optional(oneOf(FUNCTIONS)),
    points: optional(hundredths(0, 100_000)),
    categoryId: optional(ref('gradeCategory', 'unlink')),
    /** Every module has one of it. */
    everyModule: bool(),
    order: order(),
  },
})
