/** A module's own way with the pattern: a part left out with its reason, its own order, and back to the pattern of the course. */
import { blankOf } from '../blueprint/blank'
import { recordsOf } from '../blueprint/blueprint'
import type { PlanEdit } from '../blueprint/edit'
import { linkId, type NewId } from '../blueprint/ids'
import { byOrder, keyIn } from '../blueprint/order'
import { addActivity } from '../edits/activities'
import { partsIn } from '../plan/numbering'
import { indexCourse } from '../plan/plan-index'

/** The record of a part in a module, made where there is none; it stands where the course has the part. */
function partOfModule(edit: PlanEdit, moduleId: string, partId: string): string | null {
  const part = edit.now.part.get(partId)
  if (!part || !edit.now.module.has(moduleId)) return null
  const id = linkId([moduleId, partId])
  if (edit.now.modulePart.has(id)) return id
  return edit.create('modulePart', { ...blankOf('modulePart'), id, moduleId, partId, order: part.order })
}

/** A record that says nothing any more goes: the part stands as the course has it. */
function tidied(edit: PlanEdit, id: string): void {
  const own = edit.now.modulePart.get(id)
  if (own && !own.leftOut && own.reason === null && own.order === edit.now.part.get(own.partId)?.order)
    edit.remove({ kind: 'modulePart', id })
}

/** Leaves a part out of a module, or takes it in again. */
export function setLeftOut(edit: PlanEdit, moduleId: string, partId: string, leftOut: boolean): void {
  const id = partOfModule(edit, moduleId, partId)
  if (id === null) return
  edit.set('modulePart', id, leftOut ? { leftOut } : { leftOut, reason: null })
  tidied(edit, id)
}

/** Says why a module departs from the pattern in a part. */
export function setReason(edit: PlanEdit, moduleId: string, partId: string, reason: string | null): void {
  const id = partOfModule(edit, moduleId, partId)
  if (id === null) return
  edit.set('modulePart', id, { reason })
  tidied(edit, id)
}

/** Moves a part one place up or down in a module alone. */
export function movePartIn(edit: PlanEdit, moduleId: string, partId: string, step: 1 | -1): void {
  const order = partsIn(edit.now, moduleId)
  const to = order.indexOf(partId) + step
  if (to < 0 || to >= order.length || !order.includes(partId)) return
  const others = order
    .filter((id) => id !== partId)
    .map((id) => {
      const own = edit.now.modulePart.get(linkId([moduleId, id]))
      return { id, order: own?.order ?? edit.now.part.get(id)?.order ?? '' }
    })
    .sort(byOrder)
  // Two parts of the course may share one key: each of them gets a place of its own here first.
  const before = others[to - 1]
  const after = others[to]
  if (before && after && before.order >= after.order) for (const other of others) partOfModule(edit, moduleId, other.id)
  const siblings = others.map((o) => ({ ...o, id: linkId([moduleId, o.id]) }))
  const id = partOfModule(edit, moduleId, partId)
  if (id === null) return
  edit.set('modulePart', id, { order: keyIn(edit, 'modulePart', siblings, to) })
  tidied(edit, id)
}

/** Back to the pattern: the course's order, nothing left out. */
export function applyPattern(edit: PlanEdit, moduleIds: readonly string[]): void {
  const own = recordsOf(edit.now, 'modulePart').filter((p) => moduleIds.includes(p.moduleId))
  if (own.length > 0) edit.remove(...own.map(({ id }) => ({ kind: 'modulePart' as const, id })))
}

/** An activity, to be named, in each part of a module that is empty and not left out. Returns how many were added. */
export function fillPattern(edit: PlanEdit, moduleIds: readonly string[], newId: NewId): number {
  let added = 0
  for (const moduleId of moduleIds) {
    const index = indexCourse(edit.now)
    for (const { id, title } of index.parts) {
      const isLeftOut = edit.now.modulePart.get(linkId([moduleId, id]))?.leftOut === true
      if (isLeftOut || index.activitiesOf(moduleId).some((a) => a.partId === id)) continue
      addActivity(edit, moduleId, id, title, newId)
      added++
    }
  }
  return added
}
