/** Where a course stands: the few facts that tell how far its plan has come. */

import { coverageOf } from '../alignment/coverage'
import { type Blueprint, courseOf } from '../blueprint/blueprint'
import { gradeTable } from '../grading/grade-table'
import { hoursByWeek } from '../hours/by-week'
import { CREDIT_TOLERANCE, requiredHours } from '../hours/credit'
import { derive } from '../plan/derive'
import { currentOffering } from '../plan/offering'
import { indexCourse } from '../plan/plan-index'

export type Standing = {
  /** Objectives that a summative assessment covers, of all. */
  readonly objectives: { readonly assessed: number; readonly all: number }
  /** Modules with an activity of which every one has a time, of all (Cairn default). */
  readonly modules: { readonly planned: number; readonly all: number }
  /** Hundredths of a percent of the final grade that are given away; null where nothing is graded yet. */
  readonly gradeGiven: number | null
  readonly hours: {
    /** Learner hours. */
    readonly planned: number
    /** What the credits ask for; null where there are none. */
    readonly asked: { readonly least: number; readonly most: number } | null
    /** Whether the planned hours are as the credits ask, within the tolerance. */
    readonly fits: boolean
  }
  /** ISO date of the first day of the offering that the plan is seen in; null where there is none. */
  readonly firstDay: string | null
}

/** The whole grade, in hundredths of a percent. */
export const WHOLE = 100_00

export const standingOf = derive<Standing>(
  [coverageOf, gradeTable, hoursByWeek, 'course', 'offering', 'module', 'activity', 'objective'],
  (blueprint) => {
    const index = indexCourse(blueprint)
    const coverage = coverageOf(blueprint)
    // Groups outside the sequence need no time of their own.
    const sequence = index.modules.filter((m) => m.role === null)
    const timed = (moduleId: string): boolean => {
      const own = index.activitiesOf(moduleId)
      return own.length > 0 && own.every((a) => a.minutes !== null)
    }
    return {
      objectives: {
        assessed: index.objectives.filter((o) => coverage.stateOf(o.id) === 'assessed').length,
        all: index.objectives.length,
      },
      modules: { planned: sequence.filter((m) => timed(m.id)).length, all: sequence.length },
      gradeGiven: gradeGiven(blueprint),
      hours: hoursOf(blueprint),
      firstDay: currentOffering(blueprint)?.firstDay ?? null,
    }
  },
)

/** By shares what the categories say; by points everything is given away as soon as something has points. */
function gradeGiven(blueprint: Blueprint): number | null {
  const grades = gradeTable(blueprint)
  if (grades.mode === 'by-shares') return grades.totalShare
  return grades.rows.some((r) => r.items.length > 0) ? grades.totalEffective : null
}

function hoursOf(blueprint: Blueprint): Standing['hours'] {
  const planned = hoursByWeek(blueprint).total / 60
  const asked = requiredHours(courseOf(blueprint))
  const fits = asked === null || (planned >= asked.least * (1 - CREDIT_TOLERANCE) && planned <= asked.most * (1 + CREDIT_TOLERANCE))
  return { planned, asked, fits }
}
