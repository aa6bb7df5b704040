/** Long lists stand at once as far as a window shows them; the rest follows in the moments the browser has to spare. */
import { startTransition, useEffect, useState } from 'react'
import { usePrinting } from './use-printing'
import { whenIdle } from './when-idle'

/** Lines that fill a large window, and those that are drawn in one go without a key having to wait (Cairn defaults). */
const AT_ONCE = 16
const AT_A_TIME = 24

/** How many of `length` are to be drawn now: all of them soon, at once as many as reach `needed`, the place one was led to, and all on paper. */
export function useGrowing(length: number, needed = -1, atOnce = AT_ONCE): number {
  const printing = usePrinting()
  const [grown, setGrown] = useState(atOnce)
  const all = grown >= length
  useEffect(() => {
    return all ? undefined : whenIdle(() => startTransition(() => setGrown(grown + AT_A_TIME)))
  }, [all, grown])
  return printing ? length : Math.min(length, Math.max(grown, needed + 1))
}

/** Whether the browser has had a moment to spare since this came up: for what stands beside the work. On paper it is there. */
export const useMoment = (): boolean => useGrowing(1, -1, 0) === 1
