/**
 * What the plan hangs on: its own outcomes, or the elements of a framework where the course takes one as its spine. Coverage,
 * grade by outcome and the picture ask for lanes and need not know which they are.
 */

import type { Blueprint } from '../blueprint/blueprint'
import type { Outcome } from '../blueprint/kinds'
import type { Level } from '../blueprint/kinds/levels'
import { type FrameworkIndex, indexFrameworks } from './framework-index'

export type Lane = {
  readonly id: string
  readonly kind: 'outcome' | 'frameworkItem'
  readonly statement: string
  /** Hundredths of a percent; only outcomes state one. */
  readonly intendedShare: number | null
  readonly level: Level | null
}

export type Lanes = {
  readonly all: readonly Lane[]
  /** Lanes that an objective leads to, in their order. */
  readonly of: (objectiveId: string, outcomes: readonly Outcome[]) => readonly Lane[]
  /** `1` or `FS2`; undefined for outcomes, which the plan numbers. */
  readonly numberOf: (laneId: string) => string | undefined
}

export function lanesOf(blueprint: Blueprint, outcomes: readonly Outcome[]): Lanes {
  const spine = blueprint.course.get('course')?.spineFrameworkId ?? null
  if (spine === null || !blueprint.framework.has(spine)) {
    const lanes = new Map(outcomes.map((o) => [o.id, laneOf(o)]))
    return {
      all: [...lanes.values()],
      of: (_, linked) => linked.flatMap((o) => lanes.get(o.id) ?? []),
      numberOf: () => undefined,
    }
  }
  return frameworkLanes(indexFrameworks(blueprint), spine)
}

const laneOf = ({ id, statement, intendedShare, level }: Outcome): Lane => ({ id, kind: 'outcome', statement, intendedShare, level })

/** Elements are the lanes; where a framework has none, what stands at its top. An item below leads to the lane above it. */
function frameworkLanes(frameworks: FrameworkIndex, frameworkId: string): Lanes {
  const placed = frameworks.itemsOf(frameworkId)
  const elements = placed.filter(({ item }) => item.kind === 'element' || item.kind === 'outcome')
  const chosen = elements.length > 0 ? elements : placed.filter(({ depth }) => depth === 0)
  const lanes = new Map(
    chosen.map(({ item }) => [
      item.id,
      { id: item.id, kind: 'frameworkItem' as const, statement: item.statement, intendedShare: null, level: null },
    ]),
  )
  const rank = new Map([...lanes.keys()].map((id, i) => [id, i]))
  const laneAbove = (itemId: string): Lane | undefined => {
    for (let id: string | null = itemId, steps = 0; id !== null && steps < 60; id = frameworks.item(id)?.parentId ?? null, steps++) {
      const lane = lanes.get(id)
      if (lane) return lane
    }
    return undefined
  }
  return {
    all: [...lanes.values()],
    of: (objectiveId, outcomes) => {
      const linked = [objectiveId, ...outcomes.map((o) => o.id)].flatMap((id) => frameworks.itemsLinkedWith(id))
      const found = new Set(linked.flatMap((item) => laneAbove(item.id) ?? []))
      return [...found].sort((a, b) => (rank.get(a.id) ?? 0) - (rank.get(b.id) ?? 0))
    },
    numberOf: (laneId) => (lanes.has(laneId) ? frameworks.codeOf(laneId) : undefined),
  }
}
