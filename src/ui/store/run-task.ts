/** Tasks in the browser: each in a worker of its own. */
import { wrap } from 'comlink'
import { type RunOptions, runTaskIn, type Task, type TaskServer, type TaskWorker } from '../../workers/task'

function makeWorker(): TaskWorker {
  const worker = new Worker(new URL('../../workers/browser-tasks.worker.ts', import.meta.url), { type: 'module' })
  return {
    server: wrap<TaskServer>(worker),
    onDeath: (died) => {
      worker.onerror = (event) => died(event.message)
      worker.onmessageerror = () => died('a message could not be read')
    },
    end: () => worker.terminate(),
  }
}

/** Runs a task off the page's thread. Rejects with a TaskFailure. */
export const runTask = <I, O, P>(task: Task<I, O, P>, input: I, options?: RunOptions<P>): Promise<O> =>
  runTaskIn(makeWorker, task, input, options)
