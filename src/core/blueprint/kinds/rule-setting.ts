import { line, oneOf } from '../field'
import { defineKind } from '../kind'

export const RULE_WEIGHTS = ['off', 'open', 'idea', 'check', 'fix'] as const

/** How loud a rule is in this course, in place of what the course's profile says. */
export const ruleSetting = defineKind({
  name: 'ruleSetting',
  plural: 'ruleSettings',
  noun: 'rule setting',
  nameField: 'code',
  ends: ['code'],
  fields: { code: line(60), weight: oneOf(RULE_WEIGHTS) },
})
