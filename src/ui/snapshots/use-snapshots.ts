/** The snapshots of the open course, and what one of them holds. */
import { useMutation, useQueries, useQuery } from '@tanstack/react-query'
import { useRef } from 'react'
import type { Snapshot } from '../../core/beside/snapshot'
import { type Blueprint, blueprintOf, type Records } from '../../core/blueprint/blueprint'
import { asked, courseAddress } from '../store/api'
import { useBeside } from '../store/beside'
import { useCourse, useCourseStore } from '../store/course-store'
import { queries } from '../store/queries'

/** The newest first. */
export function useSnapshots() {
  const { records, loading, failed, put, remove } = useBeside<Snapshot>('snapshot')
  const { courseId } = useCourseStore()
  const account = useCourse((s) => s.viewer?.id)
  const make = useMutation(
    {
      mutationFn: (wanted: { readonly name: string; readonly note?: string }) =>
        asked<Snapshot>(courseAddress(courseId, '/snapshots'), { method: 'POST', body: wanted, ...(account ? { account } : {}) }),
      onSettled: () => queries.invalidateQueries({ queryKey: ['beside', courseId] }),
    },
    queries,
  )
  return { snapshots: records.toSorted((a, b) => b.at.localeCompare(a.at)), loading, failed, put, remove, make }
}

const planQuery = (courseId: string, id: string) => ({
  queryKey: ['snapshot', courseId, id],
  enabled: id !== '',
  staleTime: Number.POSITIVE_INFINITY,
  queryFn: async ({ signal }: { readonly signal: AbortSignal }) => {
    const body = await asked<{ readonly records: Records }>(courseAddress(courseId, `/snapshots/${encodeURIComponent(id)}`), { signal })
    return blueprintOf(body.records)
  },
})

/** The plan of a snapshot; it never changes, so it is fetched once. Null while it is on its way, or where none is wanted. */
export function useSnapshotPlan(id: string): { readonly plan: Blueprint | null; readonly failed: boolean } {
  const { courseId } = useCourseStore()
  const { data, isError } = useQuery(planQuery(courseId, id), queries)
  return { plan: data ?? null, failed: isError }
}

/** The plans of several snapshots that are there already. */
export function useSnapshotPlans(ids: readonly string[]): { readonly plans: ReadonlyMap<string, Blueprint>; readonly failed: boolean } {
  const { courseId } = useCourseStore()
  const all = useQueries({ queries: [...new Set(ids)].map((id) => planQuery(courseId, id)) }, queries)
  const found = new Map([...new Set(ids)].flatMap((id, i) => (all[i]?.data ? [[id, all[i].data] as const] : [])))
  // The same map while nothing more came.
  const kept = useRef(found)
  const isSame = kept.current.size === found.size && [...found].every(([id, plan]) => kept.current.get(id) === plan)
  if (!isSame) kept.current = found
  return { plans: kept.current, failed: all.some((q) => q.isError) }
}
