/** Frameworks, their items in order, and what is linked with them, built once for each state of these records. */
import { type Blueprint, recordsOf } from '../blueprint/blueprint'
import type { EvidencePoint, Framework, FrameworkItem, KindName } from '../blueprint/kinds'
import type { Stage } from '../blueprint/kinds/activity'
import type { ItemKind } from '../blueprint/kinds/framework'
import { byOrder } from '../blueprint/order'
import { derive } from './derive'

export type PlacedItem = { readonly item: FrameworkItem; readonly depth: number }

export type FrameworkIndex = {
  readonly frameworks: readonly Framework[]
  /** Items of a framework, parents before their parts. */
  readonly itemsOf: (frameworkId: string) => readonly PlacedItem[]
  /** How many items of its framework it stands within. */
  readonly depthOf: (itemId: string) => number
  readonly partsOf: (itemId: string) => readonly FrameworkItem[]
  readonly item: (id: string) => FrameworkItem | undefined
  /** `1.2`, or `FS2` where the framework gives no code. */
  readonly codeOf: (itemId: string) => string
  readonly outcomesOf: (itemId: string) => readonly string[]
  readonly objectivesOf: (itemId: string) => readonly string[]
  readonly activitiesOf: (itemId: string) => readonly { readonly activityId: string; readonly stages: readonly Stage[] }[]
  readonly criteriaOf: (itemId: string) => readonly string[]
  readonly pointsOf: (itemId: string) => readonly EvidencePoint[]
  /** Evidence points of an activity in their order. */
  readonly pointsIn: (activityId: string) => readonly EvidencePoint[]
  /** Items that a record is linked with, in the order of the frameworks. */
  readonly itemsLinkedWith: (recordId: string) => readonly FrameworkItem[]
  readonly related: (itemId: string) => readonly { readonly itemId: string; readonly relation: 'same' | 'related' }[]
}

const KINDS = [
  'framework',
  'frameworkItem',
  'itemRelation',
  'outcomeItem',
  'objectiveItem',
  'activityItem',
  'criterionItem',
  'evidencePoint',
  'evidenceItem',
] as const satisfies readonly KindName[]

/** The index of a blueprint; kept while none of these records changes, whatever else does. */
export const indexFrameworks = derive(KINDS, build)

function build(blueprint: Blueprint): FrameworkIndex {
  const frameworks = recordsOf(blueprint, 'framework').sort(byOrder)
  const parts = new Map<string, FrameworkItem[]>()
  const tops = new Map<string, FrameworkItem[]>()
  for (const item of recordsOf(blueprint, 'frameworkItem').sort(byOrder)) {
    const inFramework = item.parentId !== null && blueprint.frameworkItem.get(item.parentId)?.frameworkId === item.frameworkId
    listed(inFramework ? parts : tops, inFramework ? (item.parentId as string) : item.frameworkId).push(item)
  }
  const placed = new Map<string, PlacedItem[]>()
  const rank = new Map<string, number>()
  const depths = new Map<string, number>()
  const codes = new Map<string, string>()
  for (const { id } of frameworks) {
    const out: PlacedItem[] = []
    const stack = (tops.get(id) ?? []).map((item) => ({ item, depth: 0 })).reverse()
    for (let top = stack.pop(); top; top = stack.pop()) {
      rank.set(top.item.id, rank.size)
      depths.set(top.item.id, top.depth)
      out.push(top)
      for (const item of (parts.get(top.item.id) ?? []).toReversed()) stack.push({ item, depth: top.depth + 1 })
    }
    placed.set(id, out)
    for (const [itemId, code] of codesOf(out)) codes.set(itemId, code)
  }
  const linked = new Map<string, FrameworkItem[]>()
  const link = (recordId: string, itemId: string) => {
    const item = blueprint.frameworkItem.get(itemId)
    if (item) listed(linked, recordId).push(item)
  }
  const outcomes = new Map<string, string[]>()
  for (const l of blueprint.outcomeItem.values()) {
    listed(outcomes, l.itemId).push(l.outcomeId)
    link(l.outcomeId, l.itemId)
  }
  const objectives = new Map<string, string[]>()
  for (const l of blueprint.objectiveItem.values()) {
    listed(objectives, l.itemId).push(l.objectiveId)
    link(l.objectiveId, l.itemId)
  }
  const activities = new Map<string, { activityId: string; stages: readonly Stage[] }[]>()
  for (const l of blueprint.activityItem.values()) {
    listed(activities, l.itemId).push(l)
    link(l.activityId, l.itemId)
  }
  const criteria = new Map<string, string[]>()
  for (const l of blueprint.criterionItem.values()) {
    listed(criteria, l.itemId).push(l.criterionId)
    link(l.criterionId, l.itemId)
  }
  const points = new Map<string, EvidencePoint[]>()
  for (const l of blueprint.evidenceItem.values()) {
    const point = blueprint.evidencePoint.get(l.pointId)
    if (point) listed(points, l.itemId).push(point)
    link(l.pointId, l.itemId)
  }
  const pointsIn = new Map<string, EvidencePoint[]>()
  for (const p of recordsOf(blueprint, 'evidencePoint').sort(byOrder)) listed(pointsIn, p.activityId).push(p)
  for (const list of points.values()) list.sort(byOrder)
  for (const list of linked.values()) list.sort((a, b) => (rank.get(a.id) ?? 0) - (rank.get(b.id) ?? 0))
  const related = new Map<string, { itemId: string; relation: 'same' | 'related' }[]>()
  for (const r of blueprint.itemRelation.values()) {
    listed(related, r.fromId).push({ itemId: r.toId, relation: r.relation })
    listed(related, r.toId).push({ itemId: r.fromId, relation: r.relation })
  }
  return {
    frameworks,
    itemsOf: (id) => placed.get(id) ?? [],
    depthOf: (id) => depths.get(id) ?? 0,
    partsOf: (id) => parts.get(id) ?? [],
    item: (id) => blueprint.frameworkItem.get(id),
    codeOf: (id) => codes.get(id) ?? '',
    outcomesOf: (id) => outcomes.get(id) ?? [],
    objectivesOf: (id) => objectives.get(id) ?? [],
    activitiesOf: (id) => activities.get(id) ?? [],
    criteriaOf: (id) => criteria.get(id) ?? [],
    pointsOf: (id) => points.get(id) ?? [],
    pointsIn: (id) => pointsIn.get(id) ?? [],
    itemsLinkedWith: (id) => linked.get(id) ?? [],
    related: (id) => related.get(id) ?? [],
  }
}

function listed<T>(lists: Map<string, T[]>, key: string): T[] {
  const list = lists.get(key) ?? []
  lists.set(key, list)
  return list
}

/** How items that their framework does not number are called: by kind, counted through the framework. */
const LETTERS: Readonly<Record<ItemKind, string>> = {
  area: 'AR',
  element: 'EL',
  'performance criterion': 'PC',
  'performance evidence': 'PE',
  'knowledge evidence': 'KE',
  'foundation skill': 'FS',
  'assessment condition': 'AC',
  outcome: 'OC',
}

/** Codes of all items in framework order: their own, else derived from kind and place; never stored. */
function codesOf(placed: readonly PlacedItem[]): Map<string, string> {
  const taken = new Set(placed.flatMap(({ item }) => item.code?.toLowerCase() ?? []))
  const counts = new Map<ItemKind, number>()
  const codes = new Map<string, string>()
  for (const { item } of placed) {
    let code = item.code
    while (code === null) {
      const n = (counts.get(item.kind) ?? 0) + 1
      counts.set(item.kind, n)
      if (!taken.has(`${LETTERS[item.kind]}${n}`.toLowerCase())) code = `${LETTERS[item.kind]}${n}`
    }
    codes.set(item.id, code)
  }
  return codes
}
