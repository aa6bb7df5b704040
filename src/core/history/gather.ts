/** What stands in the log as many small changes, drawn together as people remember it: one sitting at one record. */
import type { Blueprint } from '../blueprint/blueprint'
import { type Change, type Operation, operationId, type UpdateOperation } from '../blueprint/change'
import { sameValue } from '../blueprint/values'

export type Logged = Pick<Change, 'code' | 'params' | 'operations'> & {
  readonly revision: number
  readonly authorId: string
  /** An instant, ISO 8601. */
  readonly at: string
}

/** One or more changes of the log, with the plan before the first and after the last of them. */
export type Sitting<C extends Logged = Logged> = {
  /** The last of them; its operations are those of all together. */
  readonly change: C
  readonly before: Blueprint
  readonly after: Blueprint
  /** How many changes these are. */
  readonly count: number
  /** When the first was made. */
  readonly since: string
}

/** A pause longer than this begins another sitting (Cairn default). */
export const LONGEST_PAUSE_MS = 10 * 60_000

/**
 * Takes the log newest first and joins updates of one record, by one person and of one sort, that follow each other without a
 * long pause and without anybody else at that record in between.
 */
export class Gathering<C extends Logged> {
  /** By record, the sitting that an earlier change of it may still belong to. */
  private readonly open = new Map<string, Sitting<C>>()

  /** Takes the next older change. Returns the sitting it belongs to now, and which one that replaces, if any. */
  add(change: C, before: Blueprint, after: Blueprint): { readonly sitting: Sitting<C>; readonly replaces: Sitting<C> | null } {
    const update = onlyUpdate(change.operations)
    const key = update && keyOf(update)
    const later = key ? this.open.get(key) : undefined
    const joined = later && update && joins(later, change) ? join(later, change, update, before) : null
    const sitting = joined ?? { change, before, after, count: 1, since: change.at }
    for (const operation of change.operations) this.open.delete(keyOf(operation))
    if (key) this.open.set(key, sitting)
    return { sitting, replaces: joined && later ? later : null }
  }
}

const keyOf = (operation: Operation): string => `${operation.kind} ${operationId(operation)}`

/** The update that a change is, where it is one update and nothing else. */
export function onlyUpdate(operations: readonly Operation[]): UpdateOperation | null {
  const [first, second] = operations
  return first?.op === 'update' && !second ? first : null
}

const joins = (later: Sitting, change: Logged): boolean =>
  later.change.authorId === change.authorId &&
  later.change.code === change.code &&
  Date.parse(later.since) - Date.parse(change.at) <= LONGEST_PAUSE_MS

function join<C extends Logged>(later: Sitting<C>, change: C, update: UpdateOperation, before: Blueprint): Sitting<C> {
  const last = onlyUpdate(later.change.operations)
  const from = { ...last?.from, ...update.from }
  const to = { ...update.to, ...last?.to }
  const differing = Object.keys(to).filter((f) => !sameValue(from[f] ?? null, to[f] ?? null))
  const pick = (values: typeof to) => Object.fromEntries(differing.map((f) => [f, values[f] ?? null]))
  return {
    // One that came back to what it was stays an update, of no field: the next older one still joins it.
    // Named as the first was: by the number that the record had before it was moved.
    change: { ...later.change, params: change.params, operations: [{ ...update, from: pick(from), to: pick(to) }] },
    before,
    after: later.after,
    count: later.count + 1,
    since: change.at,
  }
}
