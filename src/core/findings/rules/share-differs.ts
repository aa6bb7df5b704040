import { DIFFERS_FROM, GRADED_PARTS, gradeByOutcome } from '../../grading/by-outcome'
import { PARTS } from '../../plan/plan-index'
import { GRADES } from '../context'
import { assessmentRule } from '../rule'

export const shareDiffers = assessmentRule('share-differs', {
  reads: [...GRADES, ...GRADED_PARTS, PARTS.numbers],
  find: ({ blueprint, index, grades }) =>
    grades.totalEffective === 0
      ? []
      : gradeByOutcome(blueprint).shares.flatMap(({ laneId, graded, intended }) =>
          laneId === null || intended === null || Math.abs(graded - intended) <= DIFFERS_FROM
            ? []
            : [
                {
                  weight: 'idea' as const,
                  records: [{ kind: 'outcome' as const, id: laneId }],
                  named: { outcome: index.numberOf(laneId), graded, intended },
                  facts: [graded, intended],
                },
              ],
        ),
})
