/**
 * Long work off the thread that somebody waits at: a task is declared with what goes in, what comes out and what it says meanwhile,
 * and run in a worker of its own that ends with it. The browser and the server each bring their way to make one.
 */
import { proxy, type Remote } from 'comlink'

/** A task by its name; the types are those of its input, its output and its progress. */
export type Task<I, O, P = never> = { readonly name: string; readonly types?: (input: I, output: O, progress: P) => void }
export const defineTask = <I, O, P = never>(name: string): Task<I, O, P> => ({ name })

/** What a task is done by, in the worker. */
export type TaskWork<T> = T extends Task<infer I, infer O, infer P> ? (input: I, told: (progress: P) => void) => O | Promise<O> : never

/** What the worker of tasks answers to. */
export type TaskServer = { readonly run: (name: string, input: unknown, told: (progress: unknown) => void) => Promise<unknown> }

/** Why a task came to nothing. */
export class TaskFailure extends Error {
  constructor(
    /** `stopped`: by whoever waited; `late`: not done in time; `died`: the worker ended; `failed`: the work threw. */
    readonly why: 'stopped' | 'late' | 'died' | 'failed',
    cause?: unknown,
  ) {
    super(`the task was not done: ${why}`, { cause })
  }
}

/** A worker that was just made. */
export type TaskWorker = {
  /** What it answers to. Comlink lets a worker go when nobody holds this any more: whoever keeps a worker keeps this with it. */
  readonly server: Remote<TaskServer>
  /** Calls back once when the worker breaks or ends by itself. */
  readonly onDeath: (died: (cause?: unknown) => void) => void
  /** It is not used any more; `done`: it did what it was asked, and could do more. */
  readonly end: (done: boolean) => void
}

export type RunOptions<P> = {
  readonly signal?: AbortSignal
  /** Milliseconds after which it is given up. */
  readonly timeout?: number
  readonly onProgress?: (progress: P) => void
}

/** Runs a task in a worker of its own. Rejects with a {@link TaskFailure}; whatever happens, the worker is given back. */
export async function runTaskIn<I, O, P>(make: () => TaskWorker, task: Task<I, O, P>, input: I, options: RunOptions<P> = {}): Promise<O> {
  const { signal, timeout, onProgress } = options
  if (signal?.aborted) throw new TaskFailure('stopped')
  const worker = make()
  let timer: ReturnType<typeof setTimeout> | undefined
  let stop = () => {}
  let done = false
  try {
    const ended = new Promise<never>((_, reject) => {
      stop = () => reject(new TaskFailure('stopped'))
      signal?.addEventListener('abort', stop, { once: true })
      worker.onDeath((cause) => reject(new TaskFailure('died', cause)))
      if (timeout !== undefined) timer = setTimeout(() => reject(new TaskFailure('late')), timeout)
    })
    const told = proxy((progress: unknown) => onProgress?.(progress as P))
    const work = worker.server.run(task.name, input, told).catch((cause: unknown) => {
      throw new TaskFailure('failed', cause)
    })
    const output = (await Promise.race([work, ended])) as O
    done = true
    return output
  } finally {
    clearTimeout(timer)
    signal?.removeEventListener('abort', stop)
    worker.end(done)
  }
}
