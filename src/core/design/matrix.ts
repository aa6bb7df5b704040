/** What each activity does for each objective, outcome or framework item: the matrix that people type in, with its totals and gaps. */

import type { ObjectiveState } from '../alignment/coverage'
import type { Blueprint } from '../blueprint/blueprint'
import { recordsOf } from '../blueprint/blueprint'
import { STAGES, type Stage } from '../blueprint/kinds/activity'
import { frameworkCoverage } from '../frameworks/item-coverage'
import { gradeTable } from '../grading/grade-table'
import { gradedParts } from '../grading/graded-parts'
import { indexFrameworks } from '../plan/framework-index'
import { groupBy } from '../plan/group-by'
import { type CourseIndex, indexCourse } from '../plan/plan-index'
import { servedBy } from '../plan/served'

export type MatrixRow = {
  readonly id: string
  readonly number: string
  /** How many activities do each for it. */
  readonly introduces: number
  readonly practises: number
  readonly assesses: number
  /** The part of the minutes of activities that serves it, not rounded. */
  readonly minutes: number
  /** The part of the grade that goes to it, hundredths of a percent, not rounded. */
  readonly share: number
  readonly state: ObjectiveState
  /** What it lacks before it is assessed, in the order in which it is done. */
  readonly gap: readonly Stage[]
}
export type Matrix = {
  readonly rows: readonly MatrixRow[]
  readonly columns: readonly { readonly id: string; readonly number: string }[]
  readonly cells: readonly { readonly row: string; readonly column: string; readonly stages: readonly Stage[] }[]
  /** Percent of rows, not rounded; null where there are none. */
  readonly practised: number | null
  readonly assessed: number | null
}

/** Rows of a matrix: `objectives`, `outcomes` (or what stands in their place), or a framework by its id. */
export type MatrixOf = 'objectives' | 'outcomes' | { readonly frameworkId: string }

type Source = {
  readonly rows: readonly { readonly id: string; readonly number: string }[]
  readonly stagesOf: (activityId: string) => ReadonlyMap<string, ReadonlySet<Stage>>
  /** Parts of an activity's minutes and of its grade by row; each sums to one at most. */
  readonly served: (activityId: string) => readonly Part[]
  readonly graded: (activityId: string) => readonly Part[]
}
type Part = { readonly rowId: string; readonly part: number }

export function matrixOf(blueprint: Blueprint, of: MatrixOf): Matrix {
  const index = indexCourse(blueprint)
  const grades = gradeTable(blueprint)
  const source =
    of === 'objectives' ? ofObjectives(index) : of === 'outcomes' ? ofLanes(index) : ofFramework(blueprint, index, of.frameworkId)
  const sums = new Map(source.rows.map((r) => [r.id, { minutes: 0, share: 0 }]))
  const cells = index.activities.flatMap((activity) => {
    for (const { rowId, part } of source.served(activity.id)) addTo(sums, rowId, 'minutes', (activity.minutes ?? 0) * part)
    for (const { rowId, part } of source.graded(activity.id)) addTo(sums, rowId, 'share', grades.effectiveOf(activity.id) * part)
    return [...source.stagesOf(activity.id)].map(([row, stages]) => ({
      row,
      column: activity.id,
      stages: STAGES.filter((s) => stages.has(s)),
    }))
  })
  const byRow = groupBy(cells, (c) => c.row)
  const rows = source.rows.map(({ id, number }): MatrixRow => {
    const own = byRow.get(id) ?? []
    const count = (stage: Stage) => own.filter((c) => c.stages.includes(stage)).length
    const state = stateIn(index, own)
    const counts = { introduces: count('introduces'), practises: count('practises'), assesses: count('assesses') }
    const gap = STAGES.filter((s) => (s === 'assesses' ? state !== 'assessed' : counts[s] === 0))
    return { id, number, ...counts, ...(sums.get(id) ?? { minutes: 0, share: 0 }), state, gap }
  })
  const percent = (is: (row: MatrixRow) => boolean) => (rows.length === 0 ? null : (100 * rows.filter(is).length) / rows.length)
  return {
    rows,
    columns: index.activities.map((a) => ({ id: a.id, number: index.numberOf(a.id) })),
    cells,
    practised: percent((r) => r.practises > 0),
    assessed: percent((r) => r.state === 'assessed'),
  }
}

function addTo(sums: Map<string, { minutes: number; share: number }>, id: string, what: 'minutes' | 'share', by: number): void {
  const own = sums.get(id)
  if (own) own[what] += by
}

function stateIn(index: CourseIndex, cells: readonly { readonly column: string; readonly stages: readonly Stage[] }[]): ObjectiveState {
  const assessing = cells.filter((c) => c.stages.includes('assesses')).flatMap((c) => index.assessmentOf(c.column) ?? [])
  if (assessing.some((a) => a.function === 'summative')) return 'assessed'
  if (assessing.length > 0) return 'checked'
  const has = (stage: Stage) => cells.some((c) => c.stages.includes(stage))
  return has('practises') ? 'practised' : has('introduces') ? 'introduced' : 'none'
}

function ofObjectives(index: CourseIndex): Source {
  const partsOf = (parts: readonly { readonly objectiveId: string | null; readonly part: number }[]): Part[] =>
    parts.flatMap((p) => (p.objectiveId === null ? [] : [{ rowId: p.objectiveId, part: p.part }]))
  return {
    rows: index.objectives.map((o) => ({ id: o.id, number: index.numberOf(o.id) })),
    stagesOf: (id) => new Map(index.alignmentsOf(id).map((l) => [l.objectiveId, new Set(l.stages)])),
    served: (id) => partsOf(servedBy(index, id)),
    graded: (id) => partsOf(gradedParts(index, id)),
  }
}

function ofLanes(index: CourseIndex): Source {
  const partsOf = (parts: readonly { readonly laneId: string | null; readonly part: number }[]): Part[] =>
    parts.flatMap((p) => (p.laneId === null ? [] : [{ rowId: p.laneId, part: p.part }]))
  return {
    rows: index.lanes.map((l) => ({ id: l.id, number: index.numberOf(l.id) })),
    stagesOf: (id) => {
      const found = new Map<string, Set<Stage>>()
      for (const link of index.alignmentsOf(id))
        for (const lane of index.lanesOf(link.objectiveId)) found.set(lane.id, new Set([...(found.get(lane.id) ?? []), ...link.stages]))
      return found
    },
    served: (id) => partsOf(servedBy(index, id)),
    graded: (id) => partsOf(gradedParts(index, id)),
  }
}

/** Items of a framework; an activity counts equally for each that it serves, and its grade for each that it assesses. */
function ofFramework(blueprint: Blueprint, index: CourseIndex, frameworkId: string): Source {
  const frameworks = indexFrameworks(blueprint)
  const coverage = frameworkCoverage(blueprint)
  const items = frameworks.itemsOf(frameworkId).map(({ item }) => item)
  const byActivity = new Map<string, Map<string, Set<Stage>>>()
  for (const item of items)
    for (const stage of STAGES)
      for (const id of coverage.of(item.id)?.activities[stage] ?? []) {
        const own = byActivity.get(id) ?? new Map<string, Set<Stage>>()
        byActivity.set(id, own.set(item.id, (own.get(item.id) ?? new Set()).add(stage)))
      }
  const stagesOf = (id: string) => byActivity.get(id) ?? new Map<string, Set<Stage>>()
  const equally = (ids: readonly string[]): Part[] => ids.map((rowId) => ({ rowId, part: 1 / ids.length }))
  return {
    rows: items.map((item) => ({ id: item.id, number: index.numberOf(item.id) || frameworks.codeOf(item.id) })),
    stagesOf,
    served: (id) => equally([...stagesOf(id).keys()]),
    graded: (id) => equally([...stagesOf(id)].flatMap(([row, stages]) => (stages.has('assesses') ? [row] : []))),
  }
}

/** The framework that a code names, as people write it; null where the course has none. */
export function frameworkByCode(blueprint: Blueprint, code: string): string | null {
  const wanted = code.trim().toLowerCase()
  const all = recordsOf(blueprint, 'framework')
  return all.find((f) => (f.code ?? '').toLowerCase() === wanted || f.id === code || f.title.toLowerCase() === wanted)?.id ?? null
}
