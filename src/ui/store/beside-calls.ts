/** Asking the server for data beside the plan: the calls of one kind in one course, for queries, which want failures thrown. */
import type { BesideList, BesideRecord } from '../../server/beside'
import { asked, courseAddress } from './api'

export type WrittenBeside = {
  readonly id: string
  readonly values: object
  /** The revision of the record that the writer saw; null for a new one. */
  readonly base: number | null
}

/** The calls, meant for an account where one is known. They throw {@link ApiError}. */
export function besideCalls<R extends BesideRecord>(courseId: string, kind: string, account: string | undefined) {
  const address = courseAddress(courseId, `/beside/${encodeURIComponent(kind)}`)
  const meant = account ? { account } : {}
  const of = (id: string) => `${address}/${encodeURIComponent(id)}`
  return {
    key: ['beside', courseId, kind] as const,
    list: (signal?: AbortSignal) =>
      asked<BesideList & { readonly records: readonly R[] }>(address, { ...meant, ...(signal ? { signal } : {}) }),
    put: ({ id, values, base }: WrittenBeside) => asked<R>(of(id), { ...meant, method: 'PUT', body: { values, base } }),
    remove: (id: string) => asked<null>(of(id), { ...meant, method: 'DELETE' }),
  }
}
