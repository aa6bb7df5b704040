/** Tasks on the server, in threads of their own, so that requests do not wait for them. One that is done is there for the next. */
import { Worker } from 'node:worker_threads'
import nodeEndpoint from 'comlink/dist/esm/node-adapter.mjs'
import { type RunOptions, runTaskIn, type Task, type TaskWorker } from '../workers/task'

/** Threads that wait for work: what they have loaded need not be loaded again. */
const idle: Worker[] = []
/** So many are kept (Cairn default). */
const MOST_IDLE = 1

function makeWorker(): TaskWorker {
  const worker = idle.pop() ?? new Worker(new URL(process.env['CAIRN_TASK_WORKER'] ?? '', 'file:///'))
  worker.unref()
  return {
    endpoint: nodeEndpoint(worker),
    onDeath: (died) => {
      worker.once('error', died)
      worker.once('exit', (code) => died(`ended with ${code}`))
    },
    end: (done) => {
      worker.removeAllListeners()
      if (done && idle.length < MOST_IDLE) idle.push(worker)
      else void worker.terminate()
    },
  }
}

/** Runs a task off the server's thread. Rejects with a TaskFailure. */
export const runTask = <I, O, P>(task: Task<I, O, P>, input: I, options?: RunOptions<P>): Promise<O> =>
  runTaskIn(makeWorker, task, input, options)
