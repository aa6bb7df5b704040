/** The cells of the framework table, as text in and out. */
import type { Blueprint } from '../blueprint/blueprint'
import type { PlanEdit } from '../blueprint/edit'
import { fittedText } from '../blueprint/field-text'
import type { NewId } from '../blueprint/ids'
import type { FrameworkItem } from '../blueprint/kinds'
import { STAGES, type Stage } from '../blueprint/kinds/activity'
import { keyIn } from '../blueprint/order'
import { cleanText } from '../blueprint/text'
import { MOST_LEVELS } from '../blueprint/tree-shape'
import { isEmptyCell } from '../edits/cells'
import { readOutcomeNumbers } from '../edits/objectives'
import { indexFrameworks } from '../plan/framework-index'
import { indexCourse } from '../plan/plan-index'
import type { Refused } from '../result'
import { setItemLinks, setItemStages } from './edits'

/** The columns of the framework table that hold links. */
export type ItemColumn = 'outcomes' | 'objectives' | 'taught' | 'practised' | 'assessed'
export const STAGE_OF_COLUMN = { taught: 'introduces', practised: 'practises', assessed: 'assesses' } as const satisfies Partial<
  Record<ItemColumn, Stage>
>

/** A cell as text: only what is linked with the item itself. */
export function itemCellText(blueprint: PlanEdit['now'], item: FrameworkItem, column: ItemColumn): string {
  const index = indexCourse(blueprint)
  const frameworks = indexFrameworks(blueprint)
  const numbers = (ids: readonly string[]) =>
    [...ids]
      .sort((a, b) => index.positionOf(a) - index.positionOf(b))
      .map((id) => index.numberOf(id))
      .join(' ')
  switch (column) {
    case 'outcomes':
      return numbers(frameworks.outcomesOf(item.id))
    case 'objectives':
      return numbers(frameworks.objectivesOf(item.id))
    default:
      return numbers(directActivities(blueprint, item.id, STAGE_OF_COLUMN[column]))
  }
}

/** Activities that are linked with an item itself for a stage. */
export const directActivities = (blueprint: PlanEdit['now'], itemId: string, stage: Stage): string[] =>
  indexFrameworks(blueprint)
    .activitiesOf(itemId)
    .flatMap((l) => (l.stages.includes(stage) ? [l.activityId] : []))

/** Writes a cell from text, as typed or pasted; a sentence comes back where it cannot be. */
export function writeItemCell(edit: PlanEdit, id: string, column: ItemColumn, text: string): Refused {
  const item = edit.now.frameworkItem.get(id)
  if (!item) return 'This item is gone.'
  const typed = isEmptyCell(text) ? '' : (cleanText(text, false) ?? '')
  switch (column) {
    case 'outcomes': {
      const { ids, unknown } = readOutcomeNumbers(edit, typed)
      if (unknown.length > 0) return `There is no outcome ${unknown.join(', ')}.`
      setItemLinks(edit, 'outcome', id, ids)
      return null
    }
    case 'objectives': {
      const { ids, unknown } = readNumbers(edit, typed, (found) => edit.now.objective.has(found))
      if (unknown.length > 0) return `There is no objective ${unknown.join(', ')}.`
      setItemLinks(edit, 'objective', id, ids)
      return null
    }
    default: {
      const stage = STAGE_OF_COLUMN[column]
      const { ids, unknown } = readNumbers(edit, typed, (found) => edit.now.activity.has(found))
      if (unknown.length > 0) return `There is no activity ${unknown.join(', ')}.`
      writeStage(edit, id, stage, ids)
      return null
    }
  }
}

function writeStage(edit: PlanEdit, itemId: string, stage: Stage, activityIds: readonly string[]): void {
  const links = indexFrameworks(edit.now).activitiesOf(itemId)
  for (const link of links)
    if (link.stages.includes(stage) && !activityIds.includes(link.activityId))
      setItemStages(
        edit,
        link.activityId,
        itemId,
        link.stages.filter((s) => s !== stage),
      )
  for (const activityId of activityIds) {
    const before = links.find((l) => l.activityId === activityId)?.stages ?? []
    setItemStages(
      edit,
      activityId,
      itemId,
      STAGES.filter((s) => s === stage || before.includes(s)),
    )
  }
}

/** Numbers of objectives or activities as typed: `2a, 3b`, `2.4 3.1`. */
function readNumbers(edit: Pick<PlanEdit, 'now'>, text: string, isOne: (id: string) => boolean) {
  const index = indexCourse(edit.now)
  const tokens = text.split(/[\s,;]+/).filter(Boolean)
  const found = tokens.map((t) => ({ t, id: index.idOfNumber(t) })).map((f) => (f.id && isOne(f.id) ? f : { t: f.t, id: undefined }))
  return { ids: [...new Set(found.flatMap((f) => f.id ?? []))], unknown: found.flatMap((f) => (f.id ? [] : [f.t])) }
}

/** Adds an item behind the last of a framework, beside it. Returns its id. */
export function addItem(edit: PlanEdit, frameworkId: string, statement: string, newId: NewId): string {
  const items = indexFrameworks(edit.now).itemsOf(frameworkId)
  const last = items.at(-1)?.item
  const parentId = last?.parentId ?? null
  const siblings = items.map(({ item }) => item).filter((i) => i.parentId === parentId)
  const order = keyIn(edit, 'frameworkItem', siblings)
  return edit.create('frameworkItem', {
    id: newId(),
    frameworkId,
    parentId,
    code: null,
    statement: fittedText('frameworkItem', 'statement', statement) ?? 'Untitled',
    kind: last?.kind ?? 'element',
    required: true,
    anyOf: null,
    times: null,
    notes: null,
    contexts: null,
    sourceId: null,
    order,
  })
}

/** Moves an item one place among those it stands beside. Returns whether it moved. */
export function moveItem(edit: PlanEdit, id: string, step: 1 | -1): boolean {
  const item = edit.now.frameworkItem.get(id)
  if (!item) return false
  const siblings = siblingsOf(edit, item)
  const at = siblings.findIndex((s) => s.id === id) + step
  return at >= 0 && at < siblings.length && placeItem(edit, id, item.parentId, at)
}

const siblingsOf = (edit: Pick<PlanEdit, 'now'>, item: Pick<FrameworkItem, 'frameworkId' | 'parentId'>): readonly FrameworkItem[] => {
  const index = indexFrameworks(edit.now)
  return item.parentId === null
    ? index.itemsOf(item.frameworkId).flatMap(({ item: i, depth }) => (depth === 0 ? [i] : []))
    : index.partsOf(item.parentId)
}

/** Whether an item may stand in another: not within itself, and not deeper than a tree goes. */
function fitsUnder(plan: Blueprint, id: string, parentId: string): boolean {
  const index = indexFrameworks(plan)
  const levels = (itemId: string): number => 1 + Math.max(0, ...index.partsOf(itemId).map((p) => levels(p.id)))
  for (let above: string | null = parentId; above !== null; above = plan.frameworkItem.get(above)?.parentId ?? null)
    if (above === id) return false
  return index.depthOf(parentId) + 1 + levels(id) <= MOST_LEVELS
}

/** Puts an item at a position among the parts of another of its framework (null: at the top), where it fits. */
export function placeItem(edit: PlanEdit, id: string, parentId: string | null, position: number): boolean {
  const item = edit.now.frameworkItem.get(id)
  if (!item) return false
  if (parentId !== null && !fitsUnder(edit.now, id, parentId)) return false
  if (parentId !== null && edit.now.frameworkItem.get(parentId)?.frameworkId !== item.frameworkId) return false
  const order = keyIn(
    edit,
    'frameworkItem',
    siblingsOf(edit, { frameworkId: item.frameworkId, parentId }).filter((s) => s.id !== id),
    position,
  )
  edit.set('frameworkItem', id, { parentId, order })
  return true
}
