/** What waits in this browser to be sent beside the plan of the open course, and sending it whenever the line comes back. */
import { useEffect, useSyncExternalStore } from 'react'
import { useCourse, useCourseStore } from './course-store'
import { Unsent } from './unsent'

/** So often it is tried again where nothing tells that the server is reached (Cairn default). */
const AGAIN_MS = 5000

let unsent: { readonly key: string; readonly of: Unsent } | null = null
/** One for the open course and account. */
function unsentOf(courseId: string, account: string): Unsent {
  const key = `${courseId} ${account}`
  if (unsent?.key !== key) unsent = { key, of: new Unsent(courseId, account) }
  return unsent.of
}

/** `aside`: for who does not show what is being written; told a moment later. */
export function useUnsent(aside = false) {
  const { courseId } = useCourseStore()
  const account = useCourse((s) => s.viewer?.id ?? '')
  // What was frozen has no line of its own that tells when the server is reached.
  const isFrozen = useCourse((s) => s.frozen !== null)
  const online = useCourse((s) => s.connection === 'online')
  const waiting = unsentOf(courseId, account)
  const entries = useSyncExternalStore(aside ? waiting.listenAside : waiting.listen, aside ? waiting.listAside : waiting.list)
  useEffect(() => {
    if (online) void waiting.send()
  }, [online, waiting])
  const waits = entries.some((e) => !e.refused)
  useEffect(() => {
    if (!isFrozen || !waits) return
    const again = setInterval(() => void waiting.send(), AGAIN_MS)
    return () => clearInterval(again)
  }, [isFrozen, waits, waiting])
  return { waiting, entries }
}
