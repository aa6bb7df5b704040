/** One text or file that is read as soon as it is pasted, chosen or dropped; a newer one ends the reading of the one before. */
import { type ReactNode, useEffect, useRef, useState } from 'react'
import { type Problem, problemText, type Result } from '../../core/result'
import type { RunOptions, Task } from '../../workers/task'
import type { Piece } from '../../workers/tasks'
import { runTask } from '../store/run-task'
import { DropBox } from './drop-box'

/** A reading that takes longer is given up; a text being pasted in parts is read once (Cairn defaults). */
const GIVE_UP_MS = 60_000
const SETTLE_MS = 200

/** Reads pieces by a task; `pasted`: what a pasted text is called; `more`: what the task is told besides. */
export function usePieceReader<T, M extends object>(task: Task<Piece & M, Result<T, Problem>>, pasted: string, more: M) {
  const [text, setText] = useState('')
  const [result, setResult] = useState<Result<T, Problem> | null>(null)
  const running = useRef<AbortController | null>(null)
  useEffect(() => () => running.current?.abort(), [])
  const take = async (name: string, content: string | Uint8Array) => {
    running.current?.abort()
    const own = new AbortController()
    running.current = own
    const options: RunOptions<never> = { signal: own.signal, timeout: GIVE_UP_MS }
    try {
      const read = await runTask(task, { name, content, ...more }, options)
      if (!own.signal.aborted) setResult(read)
    } catch {
      if (!own.signal.aborted) setResult({ ok: false, error: { code: 'unreadable', message: 'this could not be read', at: '' } })
    }
  }
  useEffect(() => {
    if (text.trim() === '') return
    const timer = setTimeout(() => void take(pasted, text), SETTLE_MS)
    return () => clearTimeout(timer)
  }, [text])
  return { text, setText, take, result, value: result?.ok ? result.value : null }
}

type Props = {
  readonly reader: Pick<ReturnType<typeof usePieceReader>, 'text' | 'setText' | 'take' | 'result'>
  readonly prompt: string
  /** The formats that may be dropped, and the endings that are offered. */
  readonly formats: string
  readonly accept: string
  readonly filesLabel: string
  /** What was understood. */
  readonly children: ReactNode
}

export const PieceBox = ({ reader: { text, setText, take, result }, prompt, formats, accept, filesLabel, children }: Props) => (
  <DropBox
    prompt={prompt}
    text={text}
    onText={setText}
    choose="Choose a file…"
    hint={`or drop it here: ${formats}`}
    filesLabel={filesLabel}
    accept={accept}
    several={false}
    onFiles={([file]) => {
      if (file) void file.arrayBuffer().then((bytes) => take(file.name, new Uint8Array(bytes)))
    }}
  >
    {result && !result.ok && (
      <p role="alert" className="refused">
        Nothing was read: {problemText(result.error)}
      </p>
    )}
    {children}
  </DropBox>
)
