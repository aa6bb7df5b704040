/** Typing in the matrix: what an activity does for an objective, an outcome or a framework item. */
import type { Blueprint } from '../blueprint/blueprint'
import type { PlanEdit } from '../blueprint/edit'
import { STAGES, type Stage } from '../blueprint/kinds/activity'
import { setStages } from '../edits/activities'
import { setItemStages } from '../frameworks/edits'
import { frameworkCoverage } from '../frameworks/item-coverage'
import { listOf } from '../numbers'
import { indexFrameworks } from '../plan/framework-index'
import { indexCourse } from '../plan/plan-index'
import type { Refused } from '../result'
import type { MatrixOf } from './matrix'

export type MatrixCell = { readonly row: string; readonly column: string }

const inOrder = (stages: Iterable<Stage>): readonly Stage[] => {
  const all = new Set(stages)
  return STAGES.filter((s) => all.has(s))
}

/** What stands in a cell. */
export function stagesIn(plan: Blueprint, of: MatrixOf, { row, column }: MatrixCell): readonly Stage[] {
  const index = indexCourse(plan)
  if (of === 'objectives') return index.alignmentsOf(column).find((a) => a.objectiveId === row)?.stages ?? []
  if (of === 'outcomes') return inOrder(linksInto(plan, row, column).flatMap((a) => a.stages))
  const known = frameworkCoverage(plan).of(row)?.activities
  return STAGES.filter((s) => known?.[s].includes(column))
}

/** Links of an activity to objectives that lead to an outcome, or what stands in its place. */
const linksInto = (plan: Blueprint, laneId: string, activityId: string) => {
  const index = indexCourse(plan)
  return index.alignmentsOf(activityId).filter((a) => index.lanesOf(a.objectiveId).some((l) => l.id === laneId))
}

/** Sets what stands in a cell. A sentence comes back for what the plan cannot say. */
export function setMatrixCell(edit: PlanEdit, of: MatrixOf, cell: MatrixCell, stages: readonly Stage[]): Refused {
  const { row, column } = cell
  if (!edit.now.activity.has(column)) return 'This activity is gone.'
  if (of === 'outcomes') return setLaneCell(edit, cell, stages)
  if (of !== 'objectives') return setItemCell(edit, cell, stages)
  if (!edit.now.objective.has(row)) return 'This objective is gone.'
  setStages(edit, column, row, inOrder(stages))
  return null
}

/** Through the objectives that lead to the outcome: those that the activity serves already, else the only one that it could. */
function setLaneCell(edit: PlanEdit, { row, column }: MatrixCell, stages: readonly Stage[]): Refused {
  const index = indexCourse(edit.now)
  const links = linksInto(edit.now, row, column)
  if (links.length > 0) {
    const before = inOrder(links.flatMap((a) => a.stages))
    const added = stages.filter((s) => !before.includes(s))
    for (const link of links)
      setStages(edit, column, link.objectiveId, inOrder([...link.stages.filter((s) => stages.includes(s)), ...added]))
    return null
  }
  if (stages.length === 0) return null
  const all = index.objectivesIn(row)
  const near = all.filter((o) => o.moduleId === edit.now.activity.get(column)?.moduleId)
  const [only, ...others] = near.length > 0 ? near : all
  if (!only) return `No objective leads to ${index.numberOf(row)} yet.`
  if (others.length > 0) {
    const numbers = [only, ...others].slice(0, 4).map((o) => index.numberOf(o.id))
    const which = others.length < 4 ? listOf(numbers) : `${numbers.join(', ')} and more`
    return `${index.numberOf(column)} could serve ${index.numberOf(row)} through ${which}: say which among the objectives.`
  }
  setStages(edit, column, only.id, inOrder(stages))
  return null
}

/** By a link of the activity to the item itself; what comes through an objective is not taken away here. */
function setItemCell(edit: PlanEdit, { row, column }: MatrixCell, stages: readonly Stage[]): Refused {
  if (!edit.now.frameworkItem.has(row)) return 'This item is gone.'
  const cell = { row, column }
  const of = { frameworkId: '' }
  const before = stagesIn(edit.now, of, cell)
  const own = indexFrameworks(edit.now)
    .activitiesOf(row)
    .find((l) => l.activityId === column)
  const added = stages.filter((s) => !before.includes(s))
  const direct = inOrder([...(own?.stages ?? []).filter((s) => stages.includes(s)), ...added])
  if ((own?.stages ?? []).join() !== direct.join()) setItemStages(edit, column, row, direct)
  const left = stagesIn(edit.now, of, cell).filter((s) => !stages.includes(s))
  if (left.length === 0) return null
  const index = indexCourse(edit.now)
  return `${index.numberOf(column)} ${listOf(left)} ${indexFrameworks(edit.now).codeOf(row)} through its objectives or evidence.`
}

/** A letter typed over cells: all of them have it afterwards, or none where all had it. Returns what could not be. */
export function turnStage(edit: PlanEdit, of: MatrixOf, cells: readonly MatrixCell[], stage: Stage): readonly string[] {
  const standing = cells.map((cell) => ({ cell, stages: stagesIn(edit.now, of, cell) }))
  const isOff = standing.every(({ stages }) => stages.includes(stage))
  return standing.flatMap(({ cell, stages }) => {
    if (!isOff && stages.includes(stage)) return []
    return setMatrixCell(edit, of, cell, isOff ? stages.filter((s) => s !== stage) : [...stages, stage]) ?? []
  })
}

const LETTERS: Readonly<Record<string, Stage>> = { i: 'introduces', p: 'practises', a: 'assesses' }

/** Reads the letters of a cell, in any order and parted or not; null where something else stands there. */
export function readStages(text: string): readonly Stage[] | null {
  const letters = [...text.toLowerCase().replace(/[\s,;–-]+/g, '')]
  return letters.every((l) => Object.hasOwn(LETTERS, l)) ? inOrder(letters.map((l) => LETTERS[l] as Stage)) : null
}
