import { DIFFERS_FROM, GRADED_PARTS, gradeByOutcome } from '../../grading/by-outcome'
import { formatHundredths } from '../../numbers'
import { PARTS } from '../../plan/plan-index'
import { GRADES, type Rule } from '../context'

const percent = (hundredths: number) => `${formatHundredths(Math.round(hundredths / 10) * 10)} %`

export const shareDiffers: Rule = {
  code: 'share-differs',
  workspace: 'assessment',
  reads: [...GRADES, ...GRADED_PARTS, PARTS.numbers],
  why: 'Learners give their time to what counts; where that differs from what was intended, one of the two should move.',
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
                  message: `${percent(graded)} of the grade assesses ${index.numberOf(laneId)}; ${percent(intended)} was intended.`,
                  facts: [graded, intended],
                },
              ],
        ),
}
