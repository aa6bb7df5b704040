import { bool, line, oneOf, optional, order } from '../field'
import { defineKind } from '../kind'
import { PURPOSES } from './activity'

/** A named part of the pattern that every module repeats. */
export const part = defineKind({
  name: 'part',
  plural: 'parts',
  noun: 'part',
  called: {
    required: 'every module has it',
  },
  nameField: 'title',
  place: ['order'],
  fields: { title: line(60), purpose: optional(oneOf(PURPOSES)) /** Every module has it. */, required: bool(), order: order() },
})
