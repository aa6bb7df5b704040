import { scheduleOf } from '../../calendar/schedule'
import { PARTS } from '../../plan/plan-index'
import { GRADES, NAMES_OF_ACTIVITIES } from '../context'
import { mapRule } from '../rule'

/** Share of the grade from which practice must come first, in hundredths of a percent (Cairn default). */
export const WEIGHTY_SHARE = 10_00

export const summativeBeforePractice = mapRule('summative-before-practice', {
  reads: [...NAMES_OF_ACTIVITIES, ...GRADES, PARTS.alignments, scheduleOf],
  find: (context) => {
    const { index, grades, moments } = context
    const momentOf = (id: string) => moments.get(id) ?? ''
    return grades.rows
      .flatMap((r) => r.items)
      .filter((i) => i.assessment.function === 'summative' && i.effective >= WEIGHTY_SHARE)
      .flatMap(({ activity, effective }) => {
        const unready = index
          .alignmentsOf(activity.id)
          .filter((a) => a.stages.includes('assesses'))
          .filter(
            ({ objectiveId }) =>
              !index.alignmentsFor(objectiveId).some((other) => {
                if (other.activityId === activity.id) return false
                const formative = index.assessmentOf(other.activityId)?.function === 'formative' && other.stages.includes('assesses')
                return (other.stages.includes('practises') || formative) && momentOf(other.activityId) < momentOf(activity.id)
              }),
          )
        if (unready.length === 0) return []
        const numbers = unready.map((a) => index.numberOf(a.objectiveId))
        return [
          {
            weight: 'check' as const,
            records: [
              { kind: 'activity' as const, id: activity.id },
              ...unready.map((a) => ({ kind: 'objective' as const, id: a.objectiveId })),
            ],
            field: 'objectives',
            named: { activity: context.activityName(activity), share: effective, objectives: numbers },
            facts: numbers,
          },
        ]
      })
  },
})
