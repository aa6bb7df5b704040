/** Data beside the plan in the interface: one cache of queries, brought up to date when the server announces a new revision. */
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query'
import { useEffect } from 'react'
import type { Kept } from '../../server/beside'
import { asked, courseAddress } from './api'
import { useCourse, useCourseStore } from './course-store'

type Listed<R> = { readonly revision: number; readonly records: readonly R[] }

/** The records of a kind that this person sees, and how to write them. Problems of writing are {@link ApiError}s of the mutations. */
export function useBeside<R extends Kept>(kind: string) {
  const { courseId } = useCourseStore()
  const account = useCourse((s) => s.viewer?.id)
  const announced = useCourse((s) => s.beside[kind] ?? 0)
  const client = useQueryClient()
  const key = ['beside', courseId, kind]
  const address = courseAddress(courseId, `/beside/${encodeURIComponent(kind)}`)
  const meant = account ? { account } : {}
  const query = useQuery({ queryKey: key, queryFn: ({ signal }) => asked<Listed<R>>(address, { ...meant, signal }) })
  const known = query.data?.revision ?? 0
  useEffect(() => {
    if (announced > known) void client.invalidateQueries({ queryKey: key })
  }, [announced])
  const settled = { onSettled: () => client.invalidateQueries({ queryKey: key }) }
  const put = useMutation({
    mutationFn: ({ id, values, base }: { readonly id: string; readonly values: object; readonly base: number | null }) =>
      asked<R>(`${address}/${encodeURIComponent(id)}`, { ...meant, method: 'PUT', body: { values, base } }),
    ...settled,
  })
  const remove = useMutation({
    mutationFn: (id: string) => asked<null>(`${address}/${encodeURIComponent(id)}`, { ...meant, method: 'DELETE' }),
    ...settled,
  })
  return { records: query.data?.records ?? [], loading: query.isPending, failed: query.isError, put, remove }
}
