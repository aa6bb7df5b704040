/** Tasks on the server, in threads of their own, so that requests do not wait for them. One that is done is there for the next. */
import { Worker } from 'node:worker_threads'
import { type Remote, wrap } from 'comlink'
import nodeEndpoint from 'comlink/dist/esm/node-adapter.mjs'
import { type RunOptions, runTaskIn, type Task, type TaskServer, type TaskWorker } from '../workers/task'

type IdleWorker = { readonly worker: Worker; readonly server: Remote<TaskServer> }
/** Threads that wait for work: what they have loaded need not be loaded again. */
const idle: IdleWorker[] = []
/** So many are kept (Cairn default). */
const MOST_IDLE = 1

function startWorker(): IdleWorker {
  const worker = new Worker(new URL(process.env['CAIRN_TASK_WORKER'] ?? '', 'file:///'))
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
      if (done && idle.length < MOST_IDLE) idle.push(kept)
      else void worker.terminate()
    },
  }
}

/** Runs a task off the server's thread. Rejects with a TaskFailure. */
export const runTask = <I, O, P>(task: Task<I, O, P>, input: I, options?: RunOptions<P>): Promise<O> =>
  runTaskIn(makeWorker, task, input, options)
