/** Data beside the plan in the interface: one cache of queries, brought up to date when the server announces a new revision. */
import { useMutation, useQuery } from '@tanstack/react-query'
import { useEffect } from 'react'
import type { BesideRecord } from '../../server/beside'
import { besideCalls } from './beside-calls'
import { useCourse, useCourseStore } from './course-store'
import { queries } from './queries'

/** The records of a kind that this person sees, and how to write them. Problems of writing are {@link ApiError}s of the mutations. */
export function useBeside<R extends BesideRecord>(kind: string) {
  const { courseId } = useCourseStore()
  const account = useCourse((s) => s.viewer?.id)
  const announced = useCourse((s) => s.beside[kind] ?? 0)
  const { key, list, put, remove } = besideCalls<R>(courseId, kind, account)
  const query = useQuery({ queryKey: key, queryFn: ({ signal }) => list(signal) }, queries)
  const known = query.data?.revision ?? 0
  const refresh = () => queries.invalidateQueries({ queryKey: key })
  useEffect(() => {
    if (announced > known) void refresh()
  }, [announced])
  return {
    records: query.data?.records ?? [],
    loading: query.isPending,
    failed: query.isError,
    put: useMutation({ mutationFn: put, onSettled: refresh }, queries),
    remove: useMutation({ mutationFn: remove, onSettled: refresh }, queries),
  }
}
