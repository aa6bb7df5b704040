import { hundredths, line, oneOf, optional, order, ref } from '../field'
import { defineKind } from '../kind'

export const FUNCTIONS = ['diagnostic', 'formative', 'summative'] as const

/** An activity that gives evidence of an objective: one a course activity at most. */
export const assessment = defineKind({
  name: 'assessment',
  plural: 'assessments',
  noun: 'assessment',
  ends: ['activityId'],
  fields: {
    activityId: ref('activity', 'remove'),
    categoryId: optional(ref('gradeCategory', 'unlink')),
    /** In hundredths of a point; open: not graded. */
    points: optional(hundredths(0, 100_000)),
    function: oneOf(FUNCTIONS),
  },
})

export const gradeCategory = defineKind({
  name: 'gradeCategory',
  plural: 'gradeCategories',
  noun: 'grade category',
  place: ['order'],
  fields: { title: line(100), share: optional(hundredths(0, 100)), order: order() },
})
