/** A framework read by a worker that can be told to stop. */
import { useCallback, useEffect, useRef, useState } from 'react'
import type { FrameworkTree } from '../../core/frameworks/tree'
import type { FromFramework, ToFramework } from '../../workers/framework-messages'

export type FrameworkReading =
  | { readonly state: 'idle' }
  | { readonly state: 'reading'; readonly done: number; readonly of: number }
  | { readonly state: 'read'; readonly tree: FrameworkTree }
  | { readonly state: 'refused'; readonly message: string }

const IDLE: FrameworkReading = { state: 'idle' }
/** A reading that takes longer is given up (Cairn default). */
const GIVE_UP_MS = 60_000

export function useFrameworkReading() {
  const [reading, setReading] = useState<FrameworkReading>(IDLE)
  const worker = useRef<Worker | null>(null)
  const late = useRef<ReturnType<typeof setTimeout> | undefined>(undefined)
  const end = useCallback(() => {
    clearTimeout(late.current)
    worker.current?.terminate()
    worker.current = null
  }, [])
  useEffect(() => end, [end])
  const cancel = useCallback(() => {
    end()
    setReading(IDLE)
  }, [end])
  const read = useCallback(
    (name: string, content: string | Uint8Array) => {
      end()
      setReading({ state: 'reading', done: 0, of: 0 })
      const running = new Worker(new URL('../../workers/framework.worker.ts', import.meta.url), { type: 'module' })
      worker.current = running
      const refuse = (message: string) => {
        end()
        setReading({ state: 'refused', message })
      }
      running.onmessage = ({ data }: MessageEvent<FromFramework>) => {
        if (data.type === 'progress') return setReading({ state: 'reading', done: data.done, of: data.of })
        if (data.type === 'refused') return refuse(data.message)
        end()
        setReading({ state: 'read', tree: data.tree })
      }
      running.onerror = () => refuse('This could not be read.')
      late.current = setTimeout(() => refuse('This takes too long to read and was given up. Bring it in smaller pieces.'), GIVE_UP_MS)
      running.postMessage({ sequence: 0, name, content } satisfies ToFramework)
    },
    [end],
  )
  return { reading, read, cancel }
}
