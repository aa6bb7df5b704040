/** Kinds whose records a window gets only when it asks for them. */
import { useEffect, useState } from 'react'
import { loadsWhenAsked } from '../../core/blueprint/asked'
import type { KindName } from '../../core/blueprint/kinds'
import { useCourse, useCourseStore } from './course-store'

/** Asks for the records of kinds that are about to be shown; says whether they are in the plan, and how to try again. */
export function useAsked(kinds: readonly KindName[]): { readonly state: 'here' | 'coming' | 'failed'; readonly again: () => void } {
  const store = useCourseStore()
  const missing = useCourse((s) =>
    kinds
      .filter((k) => loadsWhenAsked(k) && !s.session.here.has(k))
      .sort()
      .join(' '),
  )
  const [failed, setFailed] = useState('')
  useEffect(() => {
    if (missing === '' || failed === missing) return
    Promise.all(missing.split(' ').map((kind) => store.ask(kind as KindName))).catch(() => setFailed(missing))
  }, [store, missing, failed])
  return { state: missing === '' ? 'here' : failed === missing ? 'failed' : 'coming', again: () => setFailed('') }
}
