import { bool, hundredths, line, lines, oneOf, optional, order, ref } from '../field'
import { defineKind } from '../kind'

export const RUBRIC_FORMS = ['analytic', 'single-point', 'checklist', 'holistic'] as const
export type RubricForm = (typeof RUBRIC_FORMS)[number]

/** How a piece of work is judged. Assessments refer to it, so that several may share one. */
export const rubric = defineKind({
  name: 'rubric',
  plural: 'rubrics',
  noun: 'rubric',
  nameField: 'title',
  place: ['order'],
  fields: {
    title: line(),
    form: oneOf(RUBRIC_FORMS),
    /** What the weights of its criteria are: points that sum to the assessment's, or percents that sum to 100. */
    scale: oneOf(['points', 'percent']),
    order: order(),
  },
})

/** A column of a rubric, shared by its criteria. */
export const rubricLevel = defineKind({
  name: 'rubricLevel',
  plural: 'rubricLevels',
  noun: 'rubric level',
  nameField: 'title',
  place: ['order'],
  fields: {
    rubricId: ref('rubric', 'remove'),
    title: line(100),
    /** Percent of a criterion's full mark; the top level counts 100. */
    value: hundredths(0, 100),
    order: order(),
  },
})

/** A row of a rubric. */
export const criterion = defineKind({
  name: 'criterion',
  plural: 'criteria',
  noun: 'criterion',
  nouns: 'criteria',
  nameField: 'title',
  place: ['order'],
  fields: {
    rubricId: ref('rubric', 'remove'),
    title: line(),
    /** Points or percent, by the scale of its rubric. */
    weight: optional(hundredths(0, 100_000)),
    /** About language, form or referencing and not about an objective. */
    general: bool(),
    /** Must be met, whatever the sum. */
    critical: bool(),
    order: order(),
  },
})

export const criterionObjective = defineKind({
  name: 'criterionObjective',
  plural: 'criterionObjectives',
  noun: 'criterion link',
  ends: ['criterionId', 'objectiveId'],
  fields: { criterionId: ref('criterion', 'remove'), objectiveId: ref('objective', 'remove') },
})

/** A cell of a rubric: what work on this level shows. */
export const descriptor = defineKind({
  name: 'descriptor',
  plural: 'descriptors',
  noun: 'descriptor',
  nameField: 'text',
  ends: ['criterionId', 'levelId'],
  fields: { criterionId: ref('criterion', 'remove'), levelId: ref('rubricLevel', 'remove'), text: lines(1000) },
})
