/** Records beside the plan as they are shown: with what waits in this browser laid over them. */
import { useMemo } from 'react'
import type { AnyRecord } from '../../core/blueprint/kinds'
import type { BesideRecord } from '../../server/beside'
import type { Unsent, UnsentEntry } from '../store/unsent'

/** The records of a kind, with what waits in this browser laid over them. */
export function useWritten<R extends BesideRecord>(kind: string, entries: readonly UnsentEntry[], stored: readonly R[]): readonly R[] {
  return useMemo(() => {
    const own = entries.filter((e) => e.kind === kind && !e.refused)
    if (own.length === 0) return stored
    const all = new Map(stored.map((r) => [r.id, r]))
    for (const { id, values, at, base } of own) {
      const before = all.get(id)
      const facts = { authorId: before?.authorId ?? '', at: before?.at ?? at, revision: before?.revision ?? base ?? 0 }
      all.set(id, { ...before, ...(values as unknown as R), ...facts })
    }
    return [...all.values()]
  }, [kind, entries, stored])
}

/** Writes a record over what is shown of it: kept in this browser until it is sent, merged with what somebody else wrote meanwhile. */
export function writeOver(waiting: Unsent, kind: string, id: string, before: BesideRecord | undefined, to: object): void {
  const { authorId: _a, at: _t, revision, ...values } = { ...before, id } as BesideRecord
  const base = before && revision > 0 ? revision : null
  waiting.write(kind, id, { ...values, ...to } as AnyRecord, base, before ? values : null)
}
