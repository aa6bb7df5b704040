/** A part that nobody waits for: fetched when somebody has been here for a while, and nothing where it does not come. */
import { type ComponentType, useEffect, useState } from 'react'
import { whenIdle } from '../parts/when-idle'
import { useCourse } from '../store/course-store'

/** The work comes first (Cairn default). */
const AFTER_MS = 2500

/**
 * Asked for along the line to the server alone: a file that did not come without one would take down with it whatever else it has in
 * common with parts that are needed.
 */
export function InTheBackground({ load }: { readonly load: () => Promise<ComponentType> }) {
  const online = useCourse((s) => s.connection === 'online')
  const [Part, setPart] = useState<ComponentType | null>(null)
  useEffect(() => {
    if (Part || !online) return
    const ask = () => {
      // The line may have gone since, before anything noticed.
      if (!navigator.onLine) return
      load().then(
        (part) => setPart(() => part),
        () => undefined,
      )
    }
    let leave = () => {}
    const later = setTimeout(() => {
      leave = whenIdle(ask)
    }, AFTER_MS)
    return () => {
      clearTimeout(later)
      leave()
    }
  }, [Part, online, load])
  return Part && <Part />
}
