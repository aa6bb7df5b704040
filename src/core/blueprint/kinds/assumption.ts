import { hundredths, oneOf } from '../field'
import { defineKind } from '../kind'

/** What the hours are estimated with; defaults and their sources are in core/plan/assumptions.ts. */
export const ASSUMPTIONS = [
  'scan',
  'skim',
  'read',
  'learn',
  'memorise',
  'easy',
  'hard',
  'paperback',
  'textbook',
  'close-set',
  'playing',
  'reflection-words',
  'report-words',
  'argued-words',
  'first-post',
  'reply',
  'post-read',
  'posts-read',
  'quiz-item',
  'quiz-attempts',
  'peer-review',
  'marking',
] as const
export type AssumptionName = (typeof ASSUMPTIONS)[number]

/** A value of this course in place of a default. */
export const assumption = defineKind({
  name: 'assumption',
  plural: 'assumptions',
  noun: 'assumption',
  nameField: 'name',
  ends: ['name'],
  fields: { name: oneOf(ASSUMPTIONS), value: hundredths(0, 100_000) },
})
