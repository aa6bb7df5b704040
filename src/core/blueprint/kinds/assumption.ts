import { hundredths, oneOf } from '../field'
import { defineKind } from '../kind'

/** What the hours are estimated with; defaults and their sources are in core/hours/assumptions.ts. */
export const ASSUMPTIONS = [
  'skim',
  'read',
  'study',
  'memorise',
  'easy',
  'dense',
  'page-words',
  'playing',
  'reflection-250',
  'report-250',
  'argued-250',
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
