/** What builds on what and what opens what: activities and their links by module, with loops. */
import { type Blueprint, recordsOf } from '../blueprint/blueprint'
import { indexCourse } from '../plan/plan-index'
import { loopsOf } from './loops'

export type ChainLink = {
  /** Of the record that says it. */
  readonly kind: 'buildsOn' | 'unlockTerm'
  readonly id: string
  readonly earlierId: string
  readonly laterId: string
  /** What goes on, or what must be so. */
  readonly words: string
}
export type ChainNode = { readonly id: string; readonly column: number }
export type Chains = {
  readonly moduleIds: readonly string[]
  readonly nodes: readonly ChainNode[]
  readonly links: readonly ChainLink[]
  readonly loops: readonly (readonly string[])[]
}

/** The links between activities; of activities those that have one, or all of them. */
export function chainsOf(plan: Blueprint, all: boolean): Chains {
  const index = indexCourse(plan)
  const isThere = (id: string | null): id is string => id !== null && plan.activity.has(id)
  const links: ChainLink[] = [
    ...recordsOf(plan, 'buildsOn').flatMap((l): ChainLink[] =>
      isThere(l.earlierId) && isThere(l.activityId)
        ? [{ kind: 'buildsOn', id: l.id, earlierId: l.earlierId, laterId: l.activityId, words: l.carries ?? '' }]
        : [],
    ),
    ...recordsOf(plan, 'unlockTerm').flatMap((u): ChainLink[] =>
      isThere(u.earlierId) && isThere(u.activityId)
        ? [{ kind: 'unlockTerm', id: u.id, earlierId: u.earlierId, laterId: u.activityId, words: u.when }]
        : [],
    ),
  ]
  const linked = new Set(links.flatMap((l) => [l.earlierId, l.laterId]))
  const moduleIds = index.modules.map((m) => m.id).filter((id) => all || index.activitiesOf(id).some((a) => linked.has(a.id)))
  const nodes = moduleIds.flatMap((moduleId, column) =>
    index.activitiesOf(moduleId).flatMap(({ id }) => (all || linked.has(id) ? [{ id, column }] : [])),
  )
  return { moduleIds, nodes, links, loops: loopsOf(links.map((l) => ({ from: l.earlierId, to: l.laterId }))) }
}

/** The size of an item in the drawing, in pixels (Cairn default). */
export const NODE = { width: 176, height: 46 } as const

/** An item and where it is drawn, by its upper left corner in pixels. */
export type PlacedNode = { readonly id: string; readonly x: number; readonly y: number }
export type ChainLayout = {
  readonly nodes: readonly PlacedNode[]
  /** Where the column of each module begins, and how wide it is. */
  readonly columns: readonly { readonly x: number; readonly width: number }[]
  readonly width: number
  readonly height: number
}
/** What is laid out: how many columns, which node in which, what leads to what. */
export type ChainShape = {
  readonly columns: number
  readonly nodes: readonly ChainNode[]
  readonly links: readonly { readonly from: string; readonly to: string }[]
}
