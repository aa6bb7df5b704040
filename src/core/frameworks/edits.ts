/** What designers do with frameworks, as edits. */
import { proposedFunction } from '../alignment/proposals'
import { blankOf } from '../blueprint/blank'
import type { PlanEdit } from '../blueprint/edit'
import { fittedText } from '../blueprint/field-text'
import type { NewId } from '../blueprint/ids'
import type { FrameworkItem } from '../blueprint/kinds'
import { STAGES, type Stage } from '../blueprint/kinds/activity'
import type { EvidenceMethod } from '../blueprint/kinds/framework'
import { keyIn, keysBetween } from '../blueprint/order'
import { cleanText, shortened } from '../blueprint/text'
import { addActivity } from '../edits/activities'
import { indexFrameworks } from '../plan/framework-index'
import { indexCourse } from '../plan/plan-index'
import { EMPTY_TREE, type FrameworkTree, type TreeItem, treeItem, walkTree } from './tree'

export type Brought = {
  readonly frameworkId: string
  readonly items: number
  /** Relations to items that the course does not have. */
  readonly relationsLeft: number
  /** The item that each tree item became. */
  readonly idOf: ReadonlyMap<TreeItem, string>
}

/** Puts a tree into the course as a framework, at the end of its frameworks. */
export function bringFramework(edit: PlanEdit, tree: FrameworkTree, newId: NewId): Brought {
  const siblings = indexFrameworks(edit.now).frameworks
  const order = keyIn(edit, 'framework', siblings)
  const frameworkId = edit.create('framework', {
    id: newId(),
    title: fittedText('framework', 'title', tree.title ?? tree.code ?? '') ?? 'Untitled framework',
    code: fittedText('framework', 'code', tree.code ?? ''),
    issuer: fittedText('framework', 'issuer', tree.issuer ?? ''),
    version: fittedText('framework', 'version', tree.version ?? ''),
    source: fittedText('framework', 'source', tree.source ?? ''),
    sourceId: fittedText('framework', 'sourceId', tree.sourceId ?? ''),
    order,
  })
  const idOf = new Map<TreeItem, string>()
  const bySource = new Map<string, string>()
  for (const item of edit.now.frameworkItem.values()) if (item.sourceId) bySource.set(item.sourceId, item.id)
  const records: FrameworkItem[] = []
  const place = (list: readonly TreeItem[], parentId: string | null) => {
    const keys = keysBetween(null, null, list.length)
    list.forEach((item, i) => {
      const id = newId()
      idOf.set(item, id)
      if (item.sourceId) bySource.set(item.sourceId, id)
      records.push({
        id,
        frameworkId,
        parentId,
        code: fittedText('frameworkItem', 'code', item.code ?? ''),
        statement: fittedText('frameworkItem', 'statement', item.statement) ?? 'Untitled',
        kind: item.kind,
        required: item.required,
        anyOf: item.anyOf,
        times: item.times,
        contexts: null,
        notes: fittedText('frameworkItem', 'notes', item.notes ?? ''),
        sourceId: fittedText('frameworkItem', 'sourceId', item.sourceId ?? ''),
        order: keys[i] as string,
      })
    })
  }
  place(tree.items, null)
  // Parents come first in the walk, so that each finds the id of its own.
  for (const { item } of walkTree(tree.items)) place(item.children, idOf.get(item) as string)
  edit.createAll('frameworkItem', records)
  const known = tree.relations.flatMap(({ from, to, relation }) => {
    const [fromId, toId] = [bySource.get(from), bySource.get(to)]
    return fromId && toId && fromId !== toId ? [{ id: '', fromId, toId, relation }] : []
  })
  const once = new Map(known.map((r) => [`${r.fromId} ${r.toId}`, r]))
  edit.createAll('itemRelation', [...once.values()])
  return { frameworkId, items: records.length, relationsLeft: tree.relations.length - known.length, idOf }
}

/** A framework of the course as a tree, for export. */
export function treeOfFramework(blueprint: PlanEdit['now'], frameworkId: string): FrameworkTree | null {
  const framework = blueprint.framework.get(frameworkId)
  if (!framework) return null
  const index = indexFrameworks(blueprint)
  const made = new Map<string, TreeItem>()
  const placed = index.itemsOf(frameworkId)
  for (const { item } of placed.toReversed())
    made.set(
      item.id,
      treeItem({
        code: item.code,
        statement: item.statement,
        kind: item.kind,
        required: item.required,
        anyOf: item.anyOf,
        times: item.times,
        notes: item.notes,
        sourceId: item.sourceId ?? item.id,
        children: index.partsOf(item.id).flatMap((p) => made.get(p.id) ?? []),
        at: item.id,
      }),
    )
  const sourceOf = (id: string) => index.item(id)?.sourceId ?? id
  return {
    ...EMPTY_TREE,
    title: framework.title,
    code: framework.code,
    issuer: framework.issuer,
    version: framework.version,
    source: framework.source,
    sourceId: framework.sourceId,
    items: placed.filter(({ depth }) => depth === 0).flatMap(({ item }) => made.get(item.id) ?? []),
    relations: [...blueprint.itemRelation.values()]
      .filter((r) => index.item(r.fromId)?.frameworkId === frameworkId)
      .map((r) => ({ from: sourceOf(r.fromId), to: sourceOf(r.toId), relation: r.relation })),
  }
}

const LINKS = {
  outcome: { kind: 'outcomeItem', end: 'outcomeId' },
  objective: { kind: 'objectiveItem', end: 'objectiveId' },
  criterion: { kind: 'criterionItem', end: 'criterionId' },
  evidencePoint: { kind: 'evidenceItem', end: 'pointId' },
} as const
export type LinkedKind = keyof typeof LINKS

/** Links an item with exactly these records of a kind. */
export function setItemLinks(edit: PlanEdit, linked: LinkedKind, itemId: string, recordIds: readonly string[]): void {
  const { kind, end } = LINKS[linked]
  const wanted = new Set(recordIds)
  for (const link of (edit.now[kind] as ReadonlyMap<string, { readonly id: string; readonly itemId: string }>).values())
    if (link.itemId === itemId && !wanted.delete(String((link as unknown as Record<string, unknown>)[end])))
      edit.remove({ kind, id: link.id })
  for (const id of wanted) edit.create(kind, { id: '', itemId, [end]: id } as never)
}

/** Links a record with exactly these items. */
export function setLinkedItems(edit: PlanEdit, linked: LinkedKind, recordId: string, itemIds: readonly string[]): void {
  const { kind, end } = LINKS[linked]
  const wanted = new Set(itemIds)
  for (const link of (edit.now[kind] as ReadonlyMap<string, { readonly id: string; readonly itemId: string }>).values())
    if ((link as unknown as Record<string, unknown>)[end] === recordId && !wanted.delete(link.itemId)) edit.remove({ kind, id: link.id })
  for (const itemId of wanted) edit.create(kind, { id: '', itemId, [end]: recordId } as never)
}

/** Says what an activity does for an item; without a stage the link goes. */
export function setItemStages(edit: PlanEdit, activityId: string, itemId: string, stages: readonly Stage[]): void {
  const link = [...edit.now.activityItem.values()].find((l) => l.activityId === activityId && l.itemId === itemId)
  const sorted = STAGES.filter((s) => stages.includes(s))
  if (sorted.length === 0) {
    if (link) edit.remove({ kind: 'activityItem', id: link.id })
  } else if (link) edit.set('activityItem', link.id, { stages: sorted })
  else edit.create('activityItem', { id: '', activityId, itemId, stages: sorted })
}

/** Adds an evidence point at the end of those of an activity. Returns its id. */
export function addEvidencePoint(
  edit: PlanEdit,
  activityId: string,
  point: { readonly title: string; readonly method: EvidenceMethod; readonly occasions: number | null },
  newId: NewId,
): string {
  const siblings = indexFrameworks(edit.now).pointsIn(activityId)
  const order = keyIn(edit, 'evidencePoint', siblings)
  return edit.create('evidencePoint', {
    id: newId(),
    activityId,
    title: fittedText('evidencePoint', 'title', point.title) ?? 'Untitled',
    method: point.method,
    occasions: point.occasions,
    order,
  })
}

const PLACEHOLDER = { introduces: ['Learn', 'page'], practises: ['Practise', 'practice'], assesses: ['Show', 'assignment'] } as const

/** Adds a placeholder activity to a module that teaches, practises or assesses an item, with an evidence point where it assesses. */
export function coverItem(edit: PlanEdit, itemId: string, moduleId: string, stage: Stage, newId: NewId): string | null {
  const item = edit.now.frameworkItem.get(itemId)
  if (!item || !edit.now.module.has(moduleId)) return null
  const [verb, kind] = PLACEHOLDER[stage]
  const purpose = { introduces: 'study', practises: 'practise', assesses: 'demonstrate' } as const
  const part = indexCourse(edit.now).parts.find((p) => p.purpose === purpose[stage])
  const id = addActivity(
    edit,
    moduleId,
    part?.id ?? null,
    `${verb}: ${indexFrameworks(edit.now).codeOf(itemId)} ${shortened(item.statement, 120)}`,
    newId,
  )
  edit.set('activity', id, { kind, purpose: purpose[stage] })
  if (stage !== 'assesses') {
    setItemStages(edit, id, itemId, [stage])
    return id
  }
  const activity = edit.now.activity.get(id)
  if (activity) edit.create('assessment', { ...blankOf('assessment'), id: '', activityId: id, function: proposedFunction(activity) })
  const point = addEvidencePoint(edit, id, { title: shortened(item.statement, 200), method: 'observation', occasions: item.times }, newId)
  edit.create('evidenceItem', { id: '', pointId: point, itemId })
  return id
}

/** Codes of items as typed, `1.2, 3.1`, of all frameworks or of one; a code that two frameworks have is told apart by the framework's code or title: `RSI-204:1.2`. */
export function readItemCodes(
  blueprint: PlanEdit['now'],
  text: string,
  frameworkId: string | null = null,
): { readonly ids: readonly string[]; readonly unknown: readonly string[] } {
  const index = indexFrameworks(blueprint)
  const tokens = (cleanText(text, false) ?? '').split(/[,;]+|\s+/).filter(Boolean)
  const ids: string[] = []
  const unknown: string[] = []
  for (const token of tokens) {
    const [left, right] = token.includes(':') ? token.split(':') : [null, token]
    const found = index.frameworks
      .filter((f) => frameworkId === null || f.id === frameworkId)
      .filter((f) => left === null || [f.code, f.title].some((n) => n?.toLowerCase() === left?.toLowerCase()))
      .flatMap((f) => index.itemsOf(f.id))
      .find(({ item }) => index.codeOf(item.id).toLowerCase() === right?.toLowerCase())
    if (found) ids.push(found.item.id)
    else unknown.push(token)
  }
  return { ids: [...new Set(ids)], unknown }
}
