import { bool, hundredths, int, line, oneOf, optional, order, ref } from '../field'
import { defineKind } from '../kind'
import { lateFields, lateRule } from './late'

export const FUNCTIONS = ['diagnostic', 'formative', 'summative'] as const
export const GRADED_BY = ['points', 'letter', 'satisfactory', 'no'] as const
export const MARKED_BY = ['instructor', 'automatic', 'peer', 'self'] as const

/** An activity that gives evidence of an objective: one a course activity at most. */
export const assessment = defineKind({
  name: 'assessment',
  plural: 'assessments',
  inside: ['markingMinutes'],
  noun: 'assessment',
  called: {
    lateRule: 'rule for late work',
    latePercent: 'percent that a late day takes',
    lateGraceHours: 'hours of grace',
    lateMost: 'percent that lateness takes at most',
    lateCutoffDays: 'days after which nothing is taken',
  },
  namedBy: 'activityId',
  writers: ['expert'],
  ends: ['activityId'],
  fields: {
    activityId: ref('activity', 'remove'),
    categoryId: optional(ref('gradeCategory', 'unlink')),
    rubricId: optional(ref('rubric', 'unlink')),
    /** In hundredths of a point; open: not graded. */
    points: optional(hundredths(0, 100_000)),
    function: oneOf(FUNCTIONS),
    /** Open: by points. */
    graded: optional(oneOf(GRADED_BY)),
    /** Comes on top of the grade and takes no part in its 100 %. */
    extraCredit: bool(),
    /** Percent that must be reached to pass the course. */
    hurdle: optional(hundredths(0, 100)),
    /** Open: proposed by the kind of activity. */
    markedBy: optional(oneOf(MARKED_BY)),
    /** Minutes to mark one submission; open: the course's assumption. */
    markingMinutes: optional(int(0, 1000)),
    lateRule: lateRule(),
    ...lateFields(),
  },
})

export const gradeCategory = defineKind({
  name: 'gradeCategory',
  plural: 'gradeCategories',
  noun: 'grade category',
  nameField: 'title',
  place: ['order'],
  fields: {
    title: line(100),
    share: optional(hundredths(0, 100)),
    /** How many of the lowest results are left out of each learner's grade. */
    dropLowest: optional(int(0, 50)),
    /** Percent of the category that must be reached to pass the course. */
    hurdle: optional(hundredths(0, 100)),
    order: order(),
  },
})

/** A line of the grade scale: this letter from this percent on. */
export const gradeStep = defineKind({
  name: 'gradeStep',
  plural: 'gradeSteps',
  noun: 'grade',
  nameField: 'letter',
  fields: { letter: line(20), minimum: hundredths(0, 100) },
})
