import { readFileSync } from 'node:fs'
import { Worker } from 'node:worker_threads'
import { expect } from 'chai'
import { wrap } from 'comlink'
import nodeEndpoint from 'comlink/dist/esm/node-adapter.mjs'
import { NO_ANSWERS } from '../../src/core/intake/answers'
import { counted } from '../../src/server/counted'
import { defineTask, runTaskIn, TaskFailure, type TaskServer, type TaskWorker } from '../../src/workers/task'
import { readFrameworkPiece, understandPieces } from '../../src/workers/tasks'
import { cairn } from '../support/server'

/** A worker of the tasks in a thread, as the browser makes them. */
function built(): TaskWorker & { readonly thread: Worker } {
  const thread = new Worker(new URL('../support/task-worker.mjs', import.meta.url))
  return {
    thread,
    server: wrap<TaskServer>(nodeEndpoint(thread)),
    onDeath: (died) => {
      thread.once('error', died)
      thread.once('exit', (code) => died(code))
    },
    end: () => void thread.terminate(),
  }
}
const why = (work: Promise<unknown>) =>
  work.then(
    () => 'done',
    (e) => (e instanceof TaskFailure ? e.why : String(e)),
  )
/** A specification long enough to be stopped half way. */
const long = Array.from({ length: 20_000 }, (_, i) => `1.${i} Inspect array number ${i} and record what is found`).join('\n')

describe('tasks', () => {
  it('come back with what they made, and say how far they are', async () => {
    const told: { done: number; of: number }[] = []
    const text = readFileSync('examples/rooftop-solar-specification.txt', 'utf8')
    const read = await runTaskIn(built, readFrameworkPiece, { name: 'pasted', content: text }, { onProgress: (p) => told.push(p) })
    expect(read.ok && read.value.items.length).to.be.greaterThan(3)
    const understood = await runTaskIn(built, understandPieces, {
      pieces: [{ name: 'a', content: 'Week 1: Flow\n- Lab 2 (40 points)' }],
      answers: NO_ANSWERS,
    })
    expect(understood.unreadable).to.deep.equal([])
  })
  it('that are stopped half way, or take too long, end at once with the reason, and so does their thread', async () => {
    let thread: Worker | undefined
    const make = () => {
      const worker = built()
      thread = worker.thread
      return worker
    }
    const ended = () => new Promise<number>((done) => thread?.once('exit', done))
    const stop = new AbortController()
    const stopped = why(
      runTaskIn(make, readFrameworkPiece, { name: 'pasted', content: long }, { signal: stop.signal, onProgress: () => stop.abort() }),
    )
    setTimeout(() => stop.abort(), 500)
    const gone = ended()
    expect(await stopped).to.equal('stopped')
    await gone
    expect(await why(runTaskIn(make, readFrameworkPiece, { name: 'pasted', content: long }, { timeout: 1 }))).to.equal('late')
    expect(await why(runTaskIn(make, readFrameworkPiece, { name: 'x', content: '' }, { signal: AbortSignal.abort() }))).to.equal('stopped')
  })
  it('tell who waits that the worker died, that the work failed, and that there is no such task', async () => {
    const dying = () => {
      const worker = built()
      setTimeout(() => void worker.thread.terminate(), 20)
      return worker
    }
    expect(await why(runTaskIn(dying, readFrameworkPiece, { name: 'pasted', content: long }))).to.equal('died')
    expect(await why(runTaskIn(built, readFrameworkPiece, null as never))).to.equal('failed')
    expect(await why(runTaskIn(built, defineTask<null, null>('fetchTheMoon'), null))).to.equal('failed')
  })
})

describe('the findings of a course', () => {
  for (const demo of ['writing-museum-labels', 'inspecting-rooftop-solar-arrays', 'measuring-small-streams'])
    it(`of ${demo} are counted as the command line does`, async () => {
      const { blueprintText } = await import('../support/demo')
      const { counts } = await counted(blueprintText(demo), Date.now())
      const { stdout } = await cairn(['check', `demo/${demo}.json`])
      expect(stdout.trim().split('\n').at(-1)).to.equal(
        `${counts.fix} to fix, ${counts.check} to check, ${counts.idea} ideas, ${counts.open} open`,
      )
    })
})
