/** A course's own kinds of activities: each counts as one of Cairn's, so that time, purpose and marks are worked out as ever. */
import type { Blueprint } from '../blueprint/blueprint'
import { recordsOf } from '../blueprint/blueprint'
import type { PlanEdit } from '../blueprint/edit'
import { readValue } from '../blueprint/field-text'
import type { NewId } from '../blueprint/ids'
import { ACTIVITY_KINDS, type ActivityKind } from '../blueprint/kinds/activity'
import { matchOne } from '../blueprint/types/define-type'
import type { Refused } from '../result'
import { isEmptyCell } from './cells'

/** What an own kind counts as until somebody says it (Cairn default). */
const LIKE: ActivityKind = 'practice'

const ownKindNamed = (plan: Blueprint, text: string) =>
  recordsOf(plan, 'ownKind').find((k) => k.title.toLowerCase() === text.trim().toLowerCase())

/** Names that no kind has, own or Cairn's. */
export function missingOwnKind(plan: Blueprint, text: string): readonly string[] {
  const title = readValue('ownKind', 'title', text)
  if (!title.ok || title.value === null || isEmptyCell(text)) return []
  return ownKindNamed(plan, text) || matchOne(ACTIVITY_KINDS, text.trim()) ? [] : [String(title.value)]
}

/** Adds an own kind; it counts as `like`. */
export const addOwnKind = (edit: PlanEdit, title: string, like: ActivityKind | null, newId: NewId): string =>
  edit.create('ownKind', { id: newId(), title, like: like ?? LIKE })

/** Sets what kind an activity is, by the name of one, Cairn's or the course's own; empty: open. */
export function writeKind(edit: PlanEdit, id: string, text: string): Refused {
  if (!edit.now.activity.has(id)) return 'This activity is gone.'
  const own = ownKindNamed(edit.now, text)
  const kind = own?.like ?? (isEmptyCell(text) ? null : matchOne(ACTIVITY_KINDS, text.trim()))
  if (kind === undefined) return `There is no kind “${text.trim()}”.`
  edit.set('activity', id, { kind, ownKindId: own?.id ?? null })
  return null
}

/** Lets an own kind count as another of Cairn's, in the activities of that kind too. */
export function countOwnKindAs(edit: PlanEdit, id: string, like: ActivityKind): void {
  edit.set('ownKind', id, { like })
  for (const activity of edit.now.activity.values()) if (activity.ownKindId === id) edit.set('activity', activity.id, { kind: like })
}
