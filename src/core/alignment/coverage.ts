/** Where each outcome is introduced, practised and assessed, module by module. */
import type { Blueprint } from '../blueprint/blueprint'
import type { Stage } from '../blueprint/kinds/activity'
import { GRADED_PARTS } from '../grading/by-outcome'
import { gradeTable } from '../grading/grade-table'
import { gradedParts } from '../grading/graded-parts'
import { derive } from '../plan/derive'
import { indexCourse, wholeActivities } from '../plan/plan-index'
import { servedBy } from '../plan/served'

export type CoverageCell = {
  /** Of an outcome, or of the framework item in its place. */
  readonly laneId: string
  readonly moduleId: string
  /** Activities that serve the outcome there, in order. */
  readonly activityIds: readonly string[]
  /** The part of their minutes that serves it, not rounded. */
  readonly minutes: number
  /** The part of their share of the grade that goes to it, hundredths of a percent, not rounded. */
  readonly share: number
  /** How many of the activities do each. */
  readonly stages: Readonly<Record<Stage, number>>
}

/** `assessed`: a summative assessment covers it; `checked`: others alone do. */
export type ObjectiveState = 'assessed' | 'checked' | 'practised' | 'introduced' | 'none'

export type Coverage = {
  /** Cells in which something serves the outcome, by outcome, then module. */
  readonly cells: readonly CoverageCell[]
  readonly cellOf: (laneId: string, moduleId: string) => CoverageCell | undefined
  readonly stateOf: (objectiveId: string) => ObjectiveState
}

/** The coverage of a blueprint; kept as long as the blueprint is. */
export const coverageOf = derive([gradeTable, wholeActivities, ...GRADED_PARTS], buildCoverage)

function buildCoverage(blueprint: Blueprint): Coverage {
  const index = indexCourse(blueprint)
  const grades = gradeTable(blueprint)
  const cells = new Map<
    string,
    { laneId: string; moduleId: string; activityIds: string[]; minutes: number; share: number; stages: Record<Stage, number> }
  >()
  for (const activity of index.activities) {
    const links = index.alignmentsOf(activity.id)
    const cellFor = (laneId: string) => {
      const key = `${laneId} ${activity.moduleId}`
      const cell = cells.get(key) ?? {
        laneId,
        moduleId: activity.moduleId,
        activityIds: [],
        minutes: 0,
        share: 0,
        stages: { introduces: 0, practises: 0, assesses: 0 },
      }
      cells.set(key, cell)
      return cell
    }
    const stages = new Map<string, Set<Stage>>()
    for (const { laneId, part } of servedBy(index, activity.id)) if (laneId) cellFor(laneId).minutes += (activity.minutes ?? 0) * part
    for (const { laneId, part } of gradedParts(index, activity.id))
      if (laneId) cellFor(laneId).share += grades.effectiveOf(activity.id) * part
    for (const link of links)
      for (const outcome of index.lanesOf(link.objectiveId)) {
        const seen = stages.get(outcome.id) ?? new Set()
        for (const stage of link.stages) seen.add(stage)
        stages.set(outcome.id, seen)
      }
    for (const [laneId, seen] of stages) {
      const cell = cellFor(laneId)
      cell.activityIds.push(activity.id)
      for (const stage of seen) cell.stages[stage]++
    }
  }
  const rank = new Map([...index.lanes, ...index.modules].map((r, i) => [r.id, i]))
  const at = (id: string) => rank.get(id) ?? 0
  return {
    cells: [...cells.values()].sort((a, b) => at(a.laneId) - at(b.laneId) || at(a.moduleId) - at(b.moduleId)),
    cellOf: (laneId, moduleId) => cells.get(`${laneId} ${moduleId}`),
    stateOf: (objectiveId) => {
      const links = index.alignmentsFor(objectiveId)
      const assessing = links.filter((l) => l.stages.includes('assesses')).flatMap((l) => index.assessmentOf(l.activityId) ?? [])
      if (assessing.some((a) => a.function === 'summative')) return 'assessed'
      if (assessing.length > 0) return 'checked'
      const has = (stage: Stage) => links.some((l) => l.stages.includes(stage))
      return has('practises') ? 'practised' : has('introduces') ? 'introduced' : 'none'
    },
  }
}
