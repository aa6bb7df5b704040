/** A framework read by a task that can be told to stop. */
import { useCallback, useEffect, useRef, useState } from 'react'
import type { FrameworkTree } from '../../core/frameworks/tree'
import { TaskFailure } from '../../workers/task'
import { readFrameworkPiece } from '../../workers/tasks'
import { runTask } from '../store/run-task'

export type FrameworkReading =
  | { readonly state: 'idle' }
  | { readonly state: 'reading'; readonly done: number; readonly of: number }
  | { readonly state: 'read'; readonly tree: FrameworkTree }
  | { readonly state: 'refused'; readonly message: string }

const IDLE: FrameworkReading = { state: 'idle' }
/** A reading that takes longer is given up (Cairn default). */
const GIVE_UP_MS = 60_000
const LATE = 'This takes too long to read and was given up. Bring it in smaller pieces.'

export function useFrameworkReading() {
  const [reading, setReading] = useState<FrameworkReading>(IDLE)
  const running = useRef<AbortController | null>(null)
  const end = useCallback(() => running.current?.abort(), [])
  useEffect(() => end, [end])
  const cancel = useCallback(() => {
    end()
    setReading(IDLE)
  }, [end])
  const read = useCallback(
    async (name: string, content: string | Uint8Array) => {
      end()
      const own = new AbortController()
      running.current = own
      setReading({ state: 'reading', done: 0, of: 0 })
      try {
        const onProgress = (at: { readonly done: number; readonly of: number }) =>
          own.signal.aborted || setReading({ state: 'reading', ...at })
        const result = await runTask(readFrameworkPiece, { name, content }, { signal: own.signal, timeout: GIVE_UP_MS, onProgress })
        if (own.signal.aborted) return
        setReading(result.ok ? { state: 'read', tree: result.value } : { state: 'refused', message: result.error })
      } catch (failure) {
        const why = failure instanceof TaskFailure ? failure.why : 'failed'
        if (why !== 'stopped') setReading({ state: 'refused', message: why === 'late' ? LATE : 'This could not be read.' })
      }
    },
    [end],
  )
  return { reading, read, cancel }
}
