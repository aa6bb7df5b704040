import { useMemo, useRef } from 'react'

/** A function that stays the same and does what the last drawing would: who is given it is not drawn again for it. */
export function useLatest<A extends readonly unknown[], R>(run: (...args: A) => R): (...args: A) => R {
  const latest = useRef(run)
  latest.current = run
  return useMemo(
    () =>
      (...args: A) =>
        latest.current(...args),
    [],
  )
}
