/** Who has a role in the open course. */
import { keepPreviousData, useQuery } from '@tanstack/react-query'
import type { Role } from '../../core/roles'
import type { Invited, Member } from '../../server/membership'
import { asked, courseAddress } from './api'
import { useCourse, useCourseStore } from './course-store'
import { queries } from './queries'

export type People = {
  readonly id: string
  readonly role: Role
  readonly members: readonly Member[]
  readonly invitations: readonly Invited[]
}

/** Asked again when somebody's role changes. */
export function usePeople() {
  const { courseId } = useCourseStore()
  const base = courseAddress(courseId)
  const version = useCourse((s) => s.peopleVersion)
  const account = useCourse((s) => s.viewer?.id ?? '')
  return useQuery(
    {
      queryKey: ['people', base, version],
      queryFn: () => asked<People>(`${base}/people`, { account }),
      placeholderData: keepPreviousData,
    },
    queries,
  )
}
