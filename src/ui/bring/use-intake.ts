/** What is understood of the pieces, from a worker that is ended when it takes too long. */
import { useEffect, useRef, useState } from 'react'
import type { FromIntake, Piece, ToIntake } from '../../workers/intake-messages'

/** So that a text being typed or pasted in parts is read once (Cairn default). */
const SETTLE_MS = 150
/** A reading that takes longer is given up (Cairn default). */
const GIVE_UP_MS = 20_000

export type Intake = { readonly state: 'empty' | 'reading' | 'read' | 'given-up'; readonly result: FromIntake | null }

export function useIntake(pieces: readonly Piece[]): Intake {
  const [intake, setIntake] = useState<Intake>({ state: 'empty', result: null })
  const worker = useRef<Worker | null>(null)
  const sequence = useRef(0)
  useEffect(() => () => worker.current?.terminate(), [])
  useEffect(() => {
    if (pieces.length === 0) {
      setIntake({ state: 'empty', result: null })
      return
    }
    setIntake((i) => ({ ...i, state: 'reading' }))
    const own = ++sequence.current
    let late: ReturnType<typeof setTimeout> | undefined
    const timer = setTimeout(() => {
      worker.current ??= new Worker(new URL('../../workers/intake.worker.ts', import.meta.url), { type: 'module' })
      const running = worker.current
      const giveUp = () => {
        running.terminate()
        if (worker.current === running) worker.current = null
        if (sequence.current === own) setIntake({ state: 'given-up', result: null })
      }
      running.onmessage = ({ data }: MessageEvent<FromIntake>) => {
        if (data.sequence !== sequence.current) return
        clearTimeout(late)
        setIntake({ state: 'read', result: data })
      }
      running.onerror = giveUp
      late = setTimeout(giveUp, GIVE_UP_MS)
      running.postMessage({ sequence: own, pieces } satisfies ToIntake)
    }, SETTLE_MS)
    return () => {
      clearTimeout(timer)
      clearTimeout(late)
    }
  }, [pieces])
  return intake
}
