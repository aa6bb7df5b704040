/** A module once more, whole or its structure alone; and a chain of activities again in a later module, as a second, harder pass. */
import { blankOf } from '../blueprint/blank'
import { anyRecord, type Blueprint, recordsOf } from '../blueprint/blueprint'
import type { PlanEdit } from '../blueprint/edit'
import { fittedText } from '../blueprint/field-text'
import type { NewId } from '../blueprint/ids'
import { type AnyRecord, type KindName, type RecordRef, refsOf } from '../blueprint/kinds'
import { keyIn } from '../blueprint/order'
import { placeActivity } from '../edits/activities'
import { copyRecords, withBelongings } from '../edits/copy'
import { standBeside } from '../plan/numbering'
import { indexCourse } from '../plan/plan-index'
import { entryListsOf } from './entry-lists'

export type ModuleCopy = {
  readonly what: 'whole' | 'structure'
  /** Of a whole copy: whether it gets objectives of its own, or its activities serve the old ones. */
  readonly objectives: 'copied' | 'served'
}

/** The fields by which an entry belongs to whoever holds its list; what is shown in a module is the module's as well. */
const ownersOf = (kind: KindName): readonly string[] =>
  kind === 'extraPlace'
    ? []
    : [...entryListsOf('activity'), ...entryListsOf('module')].flatMap((list) => (list.kind === kind ? list.ownerField : []))

/**
 * What belongs to a record and is its own: of links, those that lead from it. A copy therefore has links to what is outside, and
 * nothing outside is linked with the copy, so that no loop can come from copying.
 */
function ownOf(plan: Blueprint, root: RecordRef): RecordRef[] {
  const all = withBelongings(plan, [root])
  const has = new Set(all.map((r) => `${r.kind} ${r.id}`))
  return all.filter(({ kind, id }) => {
    const owners = ownersOf(kind)
    const record = anyRecord(plan, { kind, id })
    if (owners.length === 0 || !record) return true
    return refsOf(kind).some((r) => owners.includes(r.field) && has.has(`${r.to} ${record[r.field]}`))
  })
}

const OF_STRUCTURE: readonly KindName[] = ['module', 'activity', 'modulePart']
const OF_OBJECTIVES: readonly KindName[] = ['objective', 'objectiveOutcome', 'objectiveItem', 'recallObjective', 'criterionObjective']

/** The structure of an activity: where it stands, what it is called, what kind it is, what series it is of. */
function bare(record: AnyRecord): AnyRecord {
  const { id, moduleId, partId, seriesId, title, kind, ownKindId, purpose, order } = record
  return { ...blankOf('activity'), id, moduleId, partId, seriesId, title, kind, ownKindId, purpose, order }
}

/** Copies a module, behind it, without its weeks. Returns the id of the copy; null where the module is gone. */
export function copyModule(edit: PlanEdit, moduleId: string, { what, objectives }: ModuleCopy, newId: NewId): string | null {
  const from = edit.now
  const module = from.module.get(moduleId)
  if (!module) return null
  const siblings = indexCourse(from).modules.filter((m) => standBeside(m, module))
  const order = keyIn(edit, 'module', siblings, siblings.findIndex((m) => m.id === moduleId) + 1)
  const isWanted = ({ kind, id }: RecordRef): boolean => {
    if (what === 'structure') return OF_STRUCTURE.includes(kind)
    // Objectives that are recalled are others' than the module's own.
    if (objectives === 'served' && OF_OBJECTIVES.includes(kind))
      return kind === 'recallObjective' && from.recallObjective.get(id)?.moduleId === moduleId
    return true
  }
  const adjust = (record: AnyRecord, { kind }: RecordRef): AnyRecord => {
    if (kind === 'module') {
      const title = fittedText('module', 'title', `${module.title} (copy)`) ?? module.title
      const own = what === 'structure' ? { ...blankOf('module'), id: record.id, role: module.role, planning: 'sketch' } : record
      return { ...own, title, firstWeek: null, lastWeek: null, order }
    }
    return what === 'structure' && kind === 'activity' ? bare(record) : record
  }
  const refs = ownOf(from, { kind: 'module', id: moduleId }).filter(isWanted)
  return copyRecords(edit, from, refs, newId, { adjust }).ids.get(`module ${moduleId}`) ?? null
}

/** All activities that build on each other with one of them, the first ones first. */
export function chainOf(plan: Blueprint, activityId: string): readonly string[] {
  const links = recordsOf(plan, 'buildsOn')
  const found = new Set([activityId])
  for (let before = -1; found.size !== before; ) {
    before = found.size
    for (const l of links)
      if (found.has(l.activityId) !== found.has(l.earlierId)) {
        found.add(l.activityId)
        found.add(l.earlierId)
      }
  }
  const { positionOf } = indexCourse(plan)
  return [...found].sort((a, b) => positionOf(a) - positionOf(b))
}

/**
 * Copies activities into a module, last in their parts, each building on its first form; they serve the objectives of the first.
 * Returns the ids of the copies.
 */
export function secondPass(edit: PlanEdit, activityIds: readonly string[], moduleId: string, newId: NewId): readonly string[] {
  const from = edit.now
  const chosen = activityIds.filter((id) => from.activity.has(id))
  if (!from.module.has(moduleId)) return []
  const refs = new Map(chosen.flatMap((id) => ownOf(from, { kind: 'activity', id })).map((r) => [`${r.kind} ${r.id}`, r]))
  const index = indexCourse(from)
  const adjust = (record: AnyRecord, { kind, id }: RecordRef): AnyRecord => {
    if (kind !== 'activity') return record
    // What its series gave is its own from here on; a session is of the module that the first form stands in.
    const whole = index.activity(id)
    const title = fittedText('activity', 'title', `${whole?.title ?? record.title} (second pass)`) ?? record.title
    const given = record.seriesId !== null && whole ? { kind: whole.kind, purpose: whole.purpose, minutes: whole.minutes } : {}
    return { ...record, ...given, moduleId, title, seriesId: null, sessionId: null }
  }
  const { ids } = copyRecords(edit, from, [...refs.values()], newId, { adjust })
  const made = chosen.flatMap((id) => ids.get(`activity ${id}`) ?? [])
  chosen.forEach((earlierId) => {
    const activityId = ids.get(`activity ${earlierId}`)
    if (activityId) edit.create('buildsOn', { ...blankOf('buildsOn'), id: '', activityId, earlierId })
  })
  for (const id of made) placeLast(edit, id)
  return made
}

/** Behind all others of its part. */
function placeLast(edit: PlanEdit, id: string): void {
  const own = edit.now.activity.get(id)
  if (own) placeActivity(edit, id, own.moduleId, own.partId, Number.MAX_SAFE_INTEGER)
}
