/** Two people edit apart and meet again, by chance (seeds fixed): what one wanted is in the plan or waits for a choice. */
import { expect } from 'chai'
import { applyChange, applyEffective } from '../../src/core/blueprint/apply'
import { anyRecord, type Blueprint, refKey } from '../../src/core/blueprint/blueprint'
import { type Change, type Operation, operationId } from '../../src/core/blueprint/change'
import { idSource } from '../../src/core/blueprint/ids'
import { type KindName, specOf } from '../../src/core/blueprint/kinds'
import { sameValue } from '../../src/core/blueprint/values'
import { type ConflictEntry, withMine } from '../../src/ui/store/conflict-entries'
import { advance, commit, type LoggedChange, refuse, type Session, startSession } from '../../src/ui/store/session'
import { randomOperations, start } from '../support/random-edits'
import { rng } from '../support/rng'

const RUNS = 2000
type Wish = { readonly kind: KindName; readonly id: string; readonly field: string | null; readonly value: unknown }
const nameOf = (w: Wish) => `${w.kind} ${w.id} ${w.field ?? 'gone'} ${JSON.stringify(w.value)}`

/** What somebody wanted in the end, by record and field; of what they removed, that it is gone. Places are last writer wins. */
function wishesOf(operations: readonly Operation[]): Wish[] {
  const wishes = new Map<string, Wish>()
  const removed = new Set(operations.flatMap((o) => (o.op === 'remove' ? [o.record.id] : [])))
  // What is emptied because the record it names goes is no wish of its own: it goes with the removal.
  const emptied = (o: Operation, field: string) => o.op === 'update' && o.to[field] === null && removed.has(String(o.from[field]))
  for (const o of operations) {
    const ref = { kind: o.kind, id: operationId(o) }
    const place: readonly string[] = specOf(o.kind).place ?? []
    if (o.op === 'remove') {
      for (const key of [...wishes.keys()]) if (key.startsWith(`${refKey(ref)} `)) wishes.delete(key)
      wishes.set(`${refKey(ref)} gone`, { ...ref, field: null, value: null })
      continue
    }
    wishes.delete(`${refKey(ref)} gone`)
    const values: Readonly<Record<string, unknown>> = o.op === 'create' ? o.record : o.to
    for (const [field, value] of Object.entries(values)) {
      if (field === 'id' || place.includes(field)) continue
      const key = `${refKey(ref)} ${field}`
      // What was wanted there before went with the record that it named.
      if (emptied(o, field)) wishes.delete(key)
      else wishes.set(key, { ...ref, field, value })
    }
  }
  return [...wishes.values()]
}

const isSo = (plan: Blueprint, { field, value, ...ref }: Wish): boolean => {
  const record = anyRecord(plan, ref)
  return field === null ? record === undefined : record !== undefined && sameValue(record[field] ?? null, value ?? null)
}

/** Whether a wish waits in an entry: as its value, in a record made with it, or as what was to go with it. */
const waits = (wish: Wish, entries: readonly ConflictEntry[]): boolean =>
  entries.some((e) =>
    e.operation.op === 'update'
      ? e.kind === wish.kind && e.id === wish.id && e.field === wish.field && sameValue(e.wanted, wish.value)
      : [e.operation, ...e.along].some(
          (o) =>
            o.op !== 'update' &&
            o.kind === wish.kind &&
            o.record.id === wish.id &&
            (o.op === 'remove' ? wish.field === null : wish.field !== null && sameValue(o.record[wish.field] ?? null, wish.value ?? null)),
        ),
  )

/** Edits made away by one and meanwhile by another, then sent in order, as the service judges them. */
function meet(seed: number): {
  readonly session: Session
  readonly server: Blueprint
  readonly own: readonly Operation[]
  readonly view: Blueprint
} {
  const random = rng(seed)
  const newId = idSource(random)
  let n = 0
  const change = (base: Blueprint): Change => ({
    id: `${seed}-${++n}`,
    code: 'test',
    params: {},
    onConflict: 'refuse',
    operations: randomOperations(base, random, newId),
  })
  let session = startSession(start, 0)
  const own: Operation[] = []
  for (let i = 1 + Math.floor(random() * 6); i > 0; i--) {
    const made = change(session.view)
    const next = commit(session, made)
    if (next !== session) own.push(...made.operations)
    session = next
  }
  const view = session.view
  let server = start
  const log: LoggedChange[] = []
  const accept = (made: Change, author: string) => {
    const applied = applyChange(server, made)
    if (!applied.ok) return applied.conflicts
    server = applied.blueprint
    log.push({
      revision: log.length + 1,
      changeId: made.id,
      author,
      authorId: author,
      at: '',
      code: '',
      params: {},
      operations: applied.effective,
    })
    return null
  }
  for (let i = 1 + Math.floor(random() * 6); i > 0; i--) accept(change(server), 'tove')
  session = advance(session, log)
  for (let first = session.queue[0]; first; first = session.queue[0]) {
    const conflicts = accept(first, 'ines')
    session = conflicts ? refuse(session, first.id, conflicts, () => 'tove') : advance(session, log)
  }
  return { session, server, own, view }
}

describe('what one wanted while away', function () {
  this.timeout(60_000)
  it('is in the plan or waits for a choice', () => {
    let conflicts = 0
    for (let seed = 1; seed <= RUNS; seed++) {
      const { session, server, own } = meet(seed)
      expect(session.view).to.deep.equal(server)
      conflicts += session.conflicts.length
      const lost = wishesOf(own).filter((w) => !isSo(server, w) && !waits(w, session.conflicts))
      expect(lost.map(nameOf), `seed ${seed}`).to.deep.equal([])
    }
    expect(conflicts).to.be.greaterThan(RUNS / 5)
  })
  it('can be written after all, together, and the plan is then as one wanted', () => {
    for (let seed = 1; seed <= RUNS; seed++) {
      const { session, server, own } = meet(seed)
      const { operations, unmet } = withMine(session.view, session.conflicts)
      // Of two who put items into each other one has to give way.
      const lost = unmet.map((e) => e.key).filter((key) => !key.endsWith(' parentId'))
      expect(lost, `seed ${seed}`).to.deep.equal([])
      const applied = applyChange(server, { id: 'mine', code: '', params: {}, onConflict: 'refuse', operations })
      if (!applied.ok) throw new Error(`seed ${seed}: ${JSON.stringify(applied.conflicts)}`)
      expect(applyEffective(server, applied.effective)).to.deep.equal(applied.blueprint)
      // A removal takes all that stands in it by now.
      const gone = new Set(operations.flatMap((o) => (o.op === 'remove' ? [`${o.kind} ${o.record.id}`] : [])))
      const missing = wishesOf(own).filter(
        (w) => w.field !== null && w.field !== 'parentId' && !isSo(applied.blueprint, w) && !gone.has(refKey(w)),
      )
      expect(missing.map(nameOf), `seed ${seed}`).to.deep.equal([])
    }
  })
})
