/** Counts the findings of a course off the server's main thread. */
import { parentPort } from 'node:worker_threads'
import { blueprintOf, type Records } from '../core/blueprint/blueprint'
import { analyse } from '../core/findings/analyse'

parentPort?.on('message', ({ seq, body, today }: { seq: number; body: string; today: string }) => {
  const { records } = JSON.parse(body) as { records: Records }
  const { counts } = analyse(blueprintOf(records), today)
  parentPort?.postMessage({ seq, counts: { fix: counts.fix, check: counts.check } })
})
