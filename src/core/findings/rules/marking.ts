import { scheduleOf } from '../../calendar/schedule'
import { markedBy, markingByWeek, workingDaysAfter } from '../../hours/marking'
import { assumptionsOf } from '../../plan/assumptions'
import { PARTS } from '../../plan/plan-index'
import { GRADES, KINDS_OF_ACTIVITIES, NAMES_OF_ACTIVITIES } from '../context'
import type { RuleFinding } from '../finding'
import { assessmentRule } from '../rule'
import type { ASSESSMENT_WORDS } from '../words/assessment'

/** Summative work from this share of the grade on needs earlier feedback (Cairn default), hundredths of a percent. */
const WEIGHTY = 10_00
/** What binary fractions may lose. */
const NEAR = 1e-6
/** Working days that lie between feedback and the work that it is for (Cairn default). */
const DAYS_TO_USE_IT = 2

export const markingOverAvailable = assessmentRule('marking-over-available', {
  reads: [scheduleOf, assumptionsOf, PARTS.assessments, ...KINDS_OF_ACTIVITIES],
  find: ({ blueprint, schedule }) => {
    const available = schedule?.term.offering.markingHours ?? null
    const marking = available === null ? null : markingByWeek(blueprint)
    if (!schedule || !marking || available === null) return []
    const over = marking.weeks.filter((w) => w.minutes > (available / 100) * 60 + NEAR)
    if (over.length === 0) return []
    return [
      {
        weight: 'check',
        records: [...new Set(over.flatMap((w) => w.activityIds))].map((id) => ({ kind: 'activity', id })),
        field: 'due',
        named: {
          available,
          weeks: over.map((w) => ({ number: w.week.number, title: w.week.breakTitle, hours: w.minutes / 60 })),
        },
        facts: [available, ...over.map((w) => Math.round(w.minutes))],
      },
    ]
  },
})

export const feedbackTooLate = assessmentRule('feedback-too-late', {
  reads: [...NAMES_OF_ACTIVITIES, ...KINDS_OF_ACTIVITIES, ...GRADES, PARTS.alignments, scheduleOf],
  find: ({ schedule, index, grades, activityName }) => {
    const promise = schedule?.term.offering.returnDays ?? null
    if (!schedule || promise === null) return []
    return index.activities.flatMap((summative): RuleFinding<(typeof ASSESSMENT_WORDS)['feedback-too-late']>[] => {
      const due = schedule.dueOf(summative.id)?.date
      const weighty = index.assessmentOf(summative.id)?.function === 'summative' && grades.effectiveOf(summative.id) >= WEIGHTY
      if (!due || !weighty) return []
      const objectives = new Set(index.alignmentsOf(summative.id).flatMap((l) => (l.stages.includes('assesses') ? [l.objectiveId] : [])))
      return index.activities.flatMap((earlier): RuleFinding<(typeof ASSESSMENT_WORDS)['feedback-too-late']>[] => {
        const handed = schedule.dueOf(earlier.id)?.date
        const assessment = index.assessmentOf(earlier.id)
        const formative = assessment?.function === 'formative' && markedBy(earlier, assessment) === 'instructor'
        if (!handed || !formative || handed >= due) return []
        if (!index.alignmentsOf(earlier.id).some((l) => objectives.has(l.objectiveId))) return []
        const back = workingDaysAfter(schedule.term, handed, promise).at(-1)
        const used = back && workingDaysAfter(schedule.term, back, DAYS_TO_USE_IT).at(-1)
        if (!back || !used || used <= due) return []
        return [
          {
            weight: 'check',
            records: [
              { kind: 'activity', id: earlier.id },
              { kind: 'activity', id: summative.id },
            ],
            field: 'due',
            named: { earlier: activityName(earlier), back, activity: activityName(summative), due },
            facts: [back, due],
          },
        ]
      })
    })
  },
})
