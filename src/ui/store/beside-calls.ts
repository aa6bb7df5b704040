/** Asking the server for data beside the plan: the calls of one kind in one course, for queries, which want failures thrown. */
import type { BesideList, BesideRecord } from '../../server/beside'
import { asked, courseAddress, KEEPALIVE_CHARACTERS } from './api'

export type WrittenBeside = {
  readonly id: string
  readonly values: object
  /** The revision of the record that the writer saw; null for a new one. */
  readonly base: number | null
}

export type Listed<R extends BesideRecord> = Omit<BesideList, 'records'> & { readonly records: readonly R[] }

const oldestFirst = (a: BesideRecord, b: BesideRecord) => a.at.localeCompare(b.at) || a.id.localeCompare(b.id)

/** What was known, with one record as it is stored now; what others wrote before it is still to be asked for. */
export const withRecord = <R extends BesideRecord>(known: Listed<R>, record: R): Listed<R> => ({
  // Each thing that happens to a kind has the next revision: this one followed on what is known.
  revision: record.revision === known.revision + 1 ? record.revision : known.revision,
  records: [...known.records.filter((r) => r.id !== record.id), record].sort(oldestFirst),
})

/** What was known, with what came since. */
export function broughtUp<R extends BesideRecord>(known: Listed<R>, since: Listed<R>): Listed<R> {
  const records = new Map(known.records.map((r) => [r.id, r]))
  for (const id of since.removed ?? []) records.delete(id)
  for (const record of since.records) records.set(record.id, record)
  return { revision: since.revision, records: [...records.values()].sort(oldestFirst) }
}

/** The calls, meant for an account where one is known. They throw {@link ApiError}. */
export function besideCalls<R extends BesideRecord>(courseId: string, kind: string, account: string | undefined) {
  const address = courseAddress(courseId, `/beside/${encodeURIComponent(kind)}`)
  const meant = account ? { account } : {}
  const of = (id: string) => `${address}/${encodeURIComponent(id)}`
  return {
    key: ['beside', courseId, kind] as const,
    /** All of them; or, `since` a revision, what came after it. */
    list: (signal?: AbortSignal, since?: number) =>
      asked<Listed<R>>(since === undefined ? address : `${address}?since=${since}`, { ...meant, ...(signal ? { signal } : {}) }),
    put: ({ id, values, base }: WrittenBeside) => {
      const keepalive = JSON.stringify(values).length < KEEPALIVE_CHARACTERS
      return asked<R>(of(id), { ...meant, method: 'PUT', body: { values, base }, keepalive })
    },
    remove: (id: string) => asked<null>(of(id), { ...meant, method: 'DELETE' }),
  }
}
