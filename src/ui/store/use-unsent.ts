/** What waits in this browser to be sent beside the plan of the open course, and sending it whenever the line comes back. */
import { useEffect, useSyncExternalStore } from 'react'
import { useCourse, useCourseStore } from './course-store'
import { Unsent } from './unsent'

let unsent: { readonly key: string; readonly of: Unsent } | null = null
/** One for the open course and account. */
function unsentOf(courseId: string, account: string): Unsent {
  const key = `${courseId} ${account}`
  if (unsent?.key !== key) unsent = { key, of: new Unsent(courseId, account) }
  return unsent.of
}

export function useUnsent() {
  const { courseId } = useCourseStore()
  const account = useCourse((s) => s.viewer?.id ?? '')
  const online = useCourse((s) => s.connection === 'online')
  const waiting = unsentOf(courseId, account)
  const entries = useSyncExternalStore(waiting.listen, waiting.list)
  useEffect(() => {
    if (online) void waiting.send()
  }, [online, waiting])
  return { waiting, entries }
}
