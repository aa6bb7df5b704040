/** What is understood of the pieces, by a task that is stopped when other pieces come and given up when it takes too long. */
import { useEffect, useState } from 'react'
import type { LedgerLine } from '../../core/intake/ledger'
import { TaskFailure } from '../../workers/task'
import { type Brought, readLedger, type Understood, understandPieces } from '../../workers/tasks'
import { runTask } from '../store/run-task'

/** So that a text being typed or pasted in parts is read once (Cairn default). */
const SETTLE_MS = 150
/** A reading that takes longer is given up (Cairn default). */
const GIVE_UP_MS = 20_000

export type Intake = { readonly state: 'empty' | 'reading' | 'read' | 'given-up'; readonly result: Understood | null }

export function useIntake(brought: Brought): Intake {
  const [intake, setIntake] = useState<Intake>({ state: 'empty', result: null })
  useEffect(() => {
    if (brought.pieces.length === 0) return setIntake({ state: 'empty', result: null })
    setIntake((i) => ({ ...i, state: 'reading' }))
    const stop = new AbortController()
    const timer = setTimeout(() => {
      runTask(understandPieces, brought, { signal: stop.signal, timeout: GIVE_UP_MS }).then(
        (result) => setIntake({ state: 'read', result }),
        (failure) => {
          if (!(failure instanceof TaskFailure) || failure.why !== 'stopped') setIntake({ state: 'given-up', result: null })
        },
      )
    }, SETTLE_MS)
    return () => {
      clearTimeout(timer)
      stop.abort()
    }
  }, [brought])
  return intake
}

/** What became of everything that was brought; null while it is asked for, or where it takes too long. */
export function useLedger(brought: Brought): readonly LedgerLine[] | null {
  const [ledger, setLedger] = useState<readonly LedgerLine[] | null>(null)
  useEffect(() => {
    const stop = new AbortController()
    runTask(readLedger, brought, { signal: stop.signal, timeout: GIVE_UP_MS }).then(setLedger, () => undefined)
    return () => stop.abort()
  }, [brought])
  return ledger
}
