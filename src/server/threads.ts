/**
 * Work off the server's thread, so that requests do not wait for it: so many threads at once, by turns, each with limits of its own.
 * A thread that is done is there for the next.
 */
import { availableParallelism } from 'node:os'
import { Worker } from 'node:worker_threads'
import { type Remote, wrap } from 'comlink'
import nodeEndpoint from 'comlink/dist/esm/node-adapter.mjs'
import { type RunOptions, runTaskIn, type Task, TaskFailure, type TaskServer, type TaskWorker } from '../workers/task'
import { type Answered, heavyTask } from './answered'
import type { HeavyArgs, HeavyName, HeavyResult } from './heavy'
import { causeCode } from './log'
import { Refusal } from './problem'
import { TooManyWaiting, type TurnOf, Turns } from './turns'

/** Cairn defaults: one thread for whoever takes it all, one for the others, more where there are processors for them. */
const PLACES = Math.max(2, Math.min(4, availableParallelism() - 1))
const MOST_WAITING = 8
const MEMORY_MB = 512
const GIVE_UP_MS = 60_000
/** So many threads are kept for what comes next, unless they worked so long that they hold much. */
const MOST_IDLE = 1
const LONG_MS = 5000

type IdleWorker = { readonly worker: Worker; readonly server: Remote<TaskServer> }
const idle: IdleWorker[] = []
const turns = new Turns(PLACES, MOST_WAITING)
/** How much of this is going on, and how much waits. */
export const threadsBusy = () => turns.length

function startWorker(): IdleWorker {
  const worker = new Worker(new URL(process.env['CAIRN_TASK_WORKER'] ?? '', 'file:///'), {
    resourceLimits: { maxOldGenerationSizeMb: MEMORY_MB },
  })
  // One that breaks while nobody waits for it is told to nobody.
  worker.on('error', () => {})
  worker.once('exit', () => {
    const at = idle.findIndex((k) => k.worker === worker)
    if (at >= 0) idle.splice(at, 1)
  })
  return { worker, server: wrap<TaskServer>(nodeEndpoint(worker)) }
}

function makeWorker(): TaskWorker {
  const kept = idle.pop() ?? startWorker()
  const { worker, server } = kept
  worker.ref()
  const begun = performance.now()
  const listening: (() => void)[] = []
  return {
    server,
    onDeath: (died) => {
      const ended = (code: number) => died(`ended with ${code}`)
      worker.once('error', died)
      worker.once('exit', ended)
      listening.push(() => worker.off('error', died).off('exit', ended))
    },
    end: (done) => {
      for (const stop of listening) stop()
      // A thread that waits for work does not keep the process.
      worker.unref()
      if (done && idle.length < MOST_IDLE && performance.now() - begun < LONG_MS) idle.push(kept)
      else void worker.terminate()
    },
  }
}

/** Runs a task off the server's thread, at once. Rejects with a TaskFailure. */
export const runTask = <I, O, P>(task: Task<I, O, P>, input: I, options?: RunOptions<P>): Promise<O> =>
  runTaskIn(makeWorker, task, input, options)

/** For whom work is done; the signal ends it, where nobody waits for it any more. */
export type For = TurnOf
export const forPerson = (personId: string, courseId?: string, signal?: AbortSignal): For => ({
  of: [`person ${personId}`, ...(courseId === undefined ? [] : [`course ${courseId}`])],
  ...(signal ? { signal } : {}),
})

/** Has heavy work done in its turn. Throws what the work refuses; 429 where too much of it waits, 503 where it takes too much. */
export async function inThread<N extends HeavyName>(name: N, who: For, ...args: HeavyArgs<N>): Promise<HeavyResult<N>> {
  const end = await turns.take(who).catch((error: unknown) => {
    throw error instanceof TooManyWaiting
      ? new Refusal(
          429,
          'too-many',
          'What you asked for before is still being made. It goes on in a little while.',
          {},
          { 'retry-after': '5' },
        )
      : new Refusal(499, 'gone', 'Nobody waits for this any more.')
  })
  const { signal } = who
  try {
    const answer = await runTask(heavyTask<N>(name), args, { timeout: GIVE_UP_MS, ...(signal ? { signal } : {}) })
    return taken(answer)
  } catch (error) {
    throw refusalOf(error)
  } finally {
    end()
  }
}

function taken<T>(answer: Answered<T>): T {
  if (answer.ok) return answer.value
  const { status, code, message, details, headers } = answer.refusal
  throw new Refusal(status, code, message, details, headers)
}

function refusalOf(error: unknown): unknown {
  if (!(error instanceof TaskFailure)) return error
  if (error.why === 'stopped') return new Refusal(499, 'gone', 'Nobody waits for this any more.')
  if (error.why === 'late') return new Refusal(503, 'too-long', 'This takes longer than Cairn gives it, and was given up.')
  if (causeCode(error) === 'ERR_WORKER_OUT_OF_MEMORY') return new Refusal(503, 'too-large', 'This takes more memory than Cairn gives it.')
  return error
}
