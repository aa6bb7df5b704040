/**
 * What a window knows of a course: the confirmed blueprint at a revision, the queue of own changes, and what one sees, which is
 * the queue applied to the confirmed state. Pure: sending, waiting and showing are done elsewhere (course-store.ts).
 *
 * A remote change advances the confirmed state and the queue is replayed over it; own echoes are known by their id. A refused
 * change leaves the queue with those that build on it, and what they wanted goes to the conflict list.
 */
import { applyChange, applyEffective } from '../../core/blueprint/apply'
import { loadsWhenAsked } from '../../core/blueprint/asked'
import { type Blueprint, keepIdentity, refKey } from '../../core/blueprint/blueprint'
import { type Change, type FieldValues, invertOperations, type Operation, operationId } from '../../core/blueprint/change'
import type { Conflict } from '../../core/blueprint/decide'
import { type AnyRecord, type KindName, type RecordRef, refsOf } from '../../core/blueprint/kinds'
import { sameValue } from '../../core/blueprint/values'
import type { EditCode } from '../../core/edits/registry'
import { onlyUpdate } from '../../core/history/gather'
import type { LoggedChange } from '../../server/change-log'
import { type ConflictEntry, entriesOf, isMet, liftEntry, type Removals, type Removed, withoutGoing } from './conflict-entries'

export type { LoggedChange }

/** What takes one change back. */
type UndoStep = { readonly changeId: string; readonly operations: readonly Operation[] }
/** What one Ctrl+Z takes back: a change, or all that was typed into one field in one sitting. */
export type UndoEntry = {
  readonly code: string
  readonly params: Change['params']
  /** In the order in which they were made. */
  readonly steps: readonly UndoStep[]
  /** The sitting that it belongs to; null where it is by itself. */
  readonly sitting: string | null
}

export type Session = {
  readonly confirmed: Blueprint
  readonly revision: number
  readonly queue: readonly Change[]
  readonly view: Blueprint
  readonly conflicts: readonly ConflictEntry[]
  readonly undo: readonly UndoEntry[]
  readonly redo: readonly UndoEntry[]
  /** Lately removed by others or in another window, so that it can be brought back. */
  readonly removedByOthers: Removals
  /** Of the kinds that load when asked: those that are here, and those on their way, with what was accepted of them meanwhile. */
  readonly here: ReadonlySet<KindName>
  readonly coming: ReadonlyMap<KindName, readonly Accepted[]>
}
type Accepted = { readonly revision: number; readonly operations: readonly Operation[] }

/** Steps that undo remembers (Cairn default). */
const UNDO_STEPS = 200

export const startSession = (
  confirmed: Blueprint,
  revision: number,
  queue: readonly Change[] = [],
  conflicts: readonly ConflictEntry[] = [],
): Session =>
  replay({
    confirmed,
    revision,
    queue,
    view: confirmed,
    conflicts: conflicts.map(liftEntry),
    undo: [],
    redo: [],
    removedByOthers: new Map(),
    here: new Set(),
    coming: new Map(),
  })

/**
 * The view anew: what cannot be applied any more waits for the server's word and does not show. What reads as before is the same
 * as before, so that an own change that comes back confirmed draws and analyses nothing.
 */
const replay = (session: Session): Session => ({
  ...session,
  view: keepIdentity(
    session.view,
    session.queue.reduce((view, change) => {
      const applied = applyChange(view, { ...change, onConflict: 'skip' })
      return applied.ok ? applied.blueprint : view
    }, session.confirmed),
  ),
})

export type CommitKind = 'edit' | 'undo' | 'redo'

/** Edits by typing: a pause of a second stores what was typed, and is no step of its own. */
const TYPED: ReadonlySet<string> = new Set<EditCode>(['edit-text'])

/**
 * Takes an own change into the queue; undo and redo stacks follow. A change that does nothing is not taken. `sitting` names the
 * time that somebody stays in one field: what is typed in it is one step.
 */
export function commit(session: Session, change: Change, kind: CommitKind = 'edit', sitting: string | null = null): Session {
  const applied = applyChange(session.view, change)
  if (!applied.ok || applied.effective.length === 0) return session
  const update = onlyUpdate(change.operations)
  const key = sitting !== null && update && TYPED.has(change.code) ? `${sitting} ${refKey(update)} ${Object.keys(update.to).join()}` : null
  const step: UndoStep = { changeId: change.id, operations: applied.inverse }
  const entry: UndoEntry = { code: change.code, params: change.params, steps: [step], sitting: key }
  const push = (stack: readonly UndoEntry[]) => [...stack.slice(1 - UNDO_STEPS), entry]
  const top = session.undo.at(-1)
  const joined = kind === 'edit' && key !== null && top?.sitting === key ? { ...top, steps: [...top.steps, step] } : null
  return {
    ...session,
    queue: [...session.queue, change],
    view: applied.blueprint,
    undo: kind === 'undo' ? session.undo.slice(0, -1) : joined ? [...session.undo.slice(0, -1), joined] : push(session.undo),
    redo: kind === 'undo' ? push(session.redo) : kind === 'redo' ? session.redo.slice(0, -1) : [],
  }
}

/** The operations that take all steps of an entry back at once; none where they came back to what was. */
export function operationsOf(entry: UndoEntry): readonly Operation[] {
  const [first, ...more] = entry.steps.map((s) => s.operations)
  if (!first) return []
  return more.reduce((back, next) => {
    const [was, is] = [onlyUpdate(back), onlyUpdate(next)]
    if (!was || !is) return back
    const fields = Object.keys(was.to).filter((f) => !sameValue(was.to[f], is.from[f]))
    return fields.length === 0 ? [] : [{ ...was, from: pick(is.from, fields), to: pick(was.to, fields) }]
  }, first)
}

const pick = (values: FieldValues, fields: readonly string[]): FieldValues => Object.fromEntries(fields.map((f) => [f, values[f] ?? null]))

/** Drops the top of a stack that can do nothing any more. */
export const dropTop = (session: Session, stack: 'undo' | 'redo'): Session => ({ ...session, [stack]: session[stack].slice(0, -1) })

/** Takes accepted changes from the log, in order; what is known already is passed over. */
export function advance(session: Session, changes: readonly LoggedChange[]): Session {
  let { confirmed, revision, undo, coming } = session
  const seen = (o: Operation) => !loadsWhenAsked(o.kind) || session.here.has(o.kind)
  const done = new Set<string>()
  let removedByOthers = session.removedByOthers
  for (const change of changes) {
    if (change.revision <= revision) continue
    const own = session.queue.find((c) => c.id === change.changeId)
    if (own) {
      done.add(change.changeId)
      undo = withMore(undo, own, change.operations)
    } else removedByOthers = withRemovals(removedByOthers, { author: change.author, operations: change.operations, turn: change.revision })
    confirmed = applyEffective(confirmed, change.operations.filter(seen))
    coming = new Map([...coming].map(([kind, later]) => [kind, [...later, { revision: change.revision, operations: only(kind, change) }]]))
    revision = change.revision
  }
  return replay({ ...session, confirmed, revision, undo, coming, queue: session.queue.filter((c) => !done.has(c.id)), removedByOthers })
}

const only = (kind: KindName, { operations }: { readonly operations: readonly Operation[] }) => operations.filter((o) => o.kind === kind)

/** What the service took along with an own change, of kinds that are not here, comes back when the change is taken back. */
function withMore(stack: readonly UndoEntry[], change: Change, written: readonly Operation[]): readonly UndoEntry[] {
  const named = new Set(change.operations.map((o) => `${o.kind} ${operationId(o)}`))
  const more = written.filter((o) => loadsWhenAsked(o.kind) && !named.has(`${o.kind} ${operationId(o)}`))
  if (more.length === 0) return stack
  const taken = (s: UndoStep) => (s.changeId === change.id ? { ...s, operations: [...s.operations, ...invertOperations(more)] } : s)
  return stack.map((e) => (e.steps.some((s) => s.changeId === change.id) ? { ...e, steps: e.steps.map(taken) } : e))
}

/** From now on what is accepted of a kind is remembered until its records are there. */
export const asking = (session: Session, kind: KindName): Session => ({ ...session, coming: new Map([...session.coming, [kind, []]]) })

/** It did not come. */
export const notCome = (session: Session, kind: KindName): Session => ({
  ...session,
  coming: new Map([...session.coming].filter(([k]) => k !== kind)),
})

/** The records of a kind as they were at a revision that the session has reached. */
export function arrived(session: Session, kind: KindName, records: readonly AnyRecord[], revision: number): Session {
  const since = (session.coming.get(kind) ?? []).filter((a) => a.revision > revision)
  const whole = { ...session.confirmed, [kind]: new Map(records.map((r) => [r.id, r])) }
  const confirmed = since.reduce((plan, a) => applyEffective(plan, a.operations), whole)
  return replay({ ...notCome(session, kind), confirmed, here: new Set([...session.here, kind]) })
}

/** A reload after too much was missed: the confirmed state anew, the queue kept. */
export const rebase = (session: Session, confirmed: Blueprint, revision: number): Session =>
  replay({ ...session, confirmed, revision, here: new Set(), coming: new Map() })

/** Takes a refused change out of the queue, with those that build on it. */
export function refuse(
  session: Session,
  changeId: string,
  conflicts: readonly Conflict[],
  authorOf: (ref: RecordRef) => string | null,
): Session {
  const dropped = withDependents(session, changeId)
  if (dropped.size === 0) return session
  const operations = session.queue.filter((c) => dropped.has(c.id)).flatMap((c) => c.operations)
  const entries = new Map(session.conflicts.map((c) => [c.key, c]))
  for (const entry of entriesOf(operations, conflicts, session, authorOf)) {
    // What still waits for a choice is not replaced by what was wanted later.
    const waits = entries.get(entry.key)
    const key =
      waits && !sameValue(waits.wanted, entry.wanted) && session.conflicts.includes(waits) ? `${entry.key} ${changeId}` : entry.key
    entries.set(key, { ...entry, key })
  }
  // Undo of something that was never accepted wants nothing; of two moves the later one stands.
  const open = withoutGoing([...entries.values()].filter((e) => e.field !== 'order' && !isMet(session.confirmed, e)))
  return dropChanges({ ...session, conflicts: open }, dropped)
}

/** Takes changes out of the queue, and their steps out of undo and redo. */
export function dropChanges(session: Session, ids: ReadonlySet<string>): Session {
  if (!session.queue.some((c) => ids.has(c.id))) return session
  const keep = (stack: readonly UndoEntry[]) =>
    stack.flatMap((e) => {
      const steps = e.steps.filter((s) => !ids.has(s.changeId))
      return steps.length === e.steps.length ? [e] : steps.length > 0 ? [{ ...e, steps }] : []
    })
  return replay({ ...session, queue: session.queue.filter((c) => !ids.has(c.id)), undo: keep(session.undo), redo: keep(session.redo) })
}

/** Takes changes out of the queue that are known to be stored: undo keeps their steps. */
export const settleChanges = (session: Session, ids: ReadonlySet<string>): Session =>
  session.queue.some((c) => ids.has(c.id)) ? replay({ ...session, queue: session.queue.filter((c) => !ids.has(c.id)) }) : session

/** Takes a change of another window of the same person into the queue; undo is each window's own. */
export function enqueue(session: Session, change: Change): Session {
  if (session.queue.some((c) => c.id === change.id)) return session
  const turn = session.revision + session.queue.length + 1
  const removedByOthers = withRemovals(session.removedByOthers, { author: null, operations: change.operations, turn })
  return replay({ ...session, queue: [...session.queue, change], removedByOthers })
}

/** Remembers what went, so that it can be brought back. */
function withRemovals(known: Removals, removed: Removed): Removals {
  const gone = removed.operations.flatMap((o) => (o.op === 'remove' ? [refKey({ kind: o.kind, id: o.record.id })] : []))
  return gone.length === 0 ? known : new Map([...known, ...gone.map((key) => [key, removed] as const)])
}

/** A change of the queue and the later ones that build on it; empty where it is not there. */
export function withDependents(session: Session, changeId: string): ReadonlySet<string> {
  const at = session.queue.findIndex((c) => c.id === changeId)
  const refused = session.queue[at]
  if (!refused) return new Set()
  const dropped = new Set([changeId])
  const touched = new Set(refused.operations.map((o) => refKey({ kind: o.kind, id: operationId(o) })))
  const created = new Set(refused.operations.flatMap((o) => (o.op === 'create' ? [refKey({ kind: o.kind, id: o.record.id })] : [])))
  for (const change of session.queue.slice(at + 1))
    if (change.operations.some((o) => buildsOn(o, touched, created))) {
      dropped.add(change.id)
      for (const o of change.operations) if (o.op === 'create') created.add(refKey({ kind: o.kind, id: o.record.id }))
    }
  return dropped
}

function buildsOn(operation: Operation, touched: ReadonlySet<string>, created: ReadonlySet<string>): boolean {
  if (touched.has(refKey({ kind: operation.kind, id: operationId(operation) }))) return true
  const values = operation.op === 'create' ? operation.record : operation.op === 'update' ? operation.to : null
  return (
    values !== null &&
    refsOf(operation.kind).some((r) => created.has(refKey({ kind: r.to, id: String((values as Record<string, unknown>)[r.field]) })))
  )
}

export const dismissConflicts = (session: Session, keys: readonly string[]): Session => ({
  ...session,
  conflicts: session.conflicts.filter((c) => !keys.includes(c.key)),
})
