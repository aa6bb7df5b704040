/** Data beside the plan in the interface: one cache of queries, brought up to date when the server announces a new revision. */
import { useMutation, useQuery } from '@tanstack/react-query'
import { useEffect } from 'react'
import type { BesideRecord } from '../../server/beside'
import { besideCalls, broughtUp, type Listed } from './beside-calls'
import { useCourse, useCourseStore } from './course-store'
import { queries } from './queries'

const ASKED_EVERY_MS = 20_000
/** What one wrote oneself is told as well; its answer is here by then and says the same (Cairn default). */
const ANSWERED_MS = 100
const NONE: readonly never[] = []

/** The records of a kind that this person sees, and how to write them. Problems of writing are {@link ApiError}s of the mutations. */
export function useBeside<R extends BesideRecord>(kind: string) {
  const { courseId } = useCourseStore()
  const account = useCourse((s) => s.viewer?.id)
  const announced = useCourse((s) => s.beside[kind] ?? 0)
  const { key, list, put, remove } = besideCalls<R>(courseId, kind, account)
  // What is known already is not asked for again, only what came since; a server that was set back tells all anew.
  const queryFn = async ({ signal }: { readonly signal: AbortSignal }) => {
    const before = queries.getQueryData<Listed<R>>(key)
    const since = before && (await list(signal, before.revision))
    if (!since || since.revision < before.revision) return list(signal)
    return since.removed ? broughtUp(before, since) : since
  }
  // Where nothing announces what was written, it is asked for now and then.
  const isUntold = useCourse((s) => s.viewer?.seatId !== undefined)
  const query = useQuery({ queryKey: key, queryFn, refetchInterval: isUntold && ASKED_EVERY_MS }, queries)
  const known = query.data?.revision ?? 0
  const refresh = () => queries.invalidateQueries({ queryKey: key })
  useEffect(() => {
    if (announced <= known) return
    // All who show it ask once together.
    const soon = setTimeout(() => void queries.invalidateQueries({ queryKey: key }, { cancelRefetch: false }), ANSWERED_MS)
    return () => clearTimeout(soon)
  }, [announced, known])
  return {
    records: (query.data?.records ?? NONE) as readonly R[],
    /** The revision of what is known; 0 before anything is. */
    revision: known,
    // Without a line nothing is on its way.
    loading: query.isPending && query.fetchStatus !== 'paused',
    failed: query.isError || query.fetchStatus === 'paused',
    put: useMutation({ mutationFn: put, onSettled: refresh }, queries),
    remove: useMutation({ mutationFn: remove, onSettled: refresh }, queries),
  }
}
