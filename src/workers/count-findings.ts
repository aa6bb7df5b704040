/** Counts the findings of a course off the server's main thread. */
import { parentPort } from 'node:worker_threads'
import { blueprintOf, type Records } from '../core/blueprint/blueprint'
import { dayOfCourse } from '../core/calendar/today'
import { analyseCourse } from '../core/findings/analyse'

parentPort?.on('message', async ({ seq, body, now }: { seq: number; body: string; now: number }) => {
  const { records } = JSON.parse(body) as { records: Records }
  const blueprint = blueprintOf(records)
  const { counts } = await analyseCourse(blueprint, dayOfCourse(blueprint, now))
  parentPort?.postMessage({ seq, counts: { fix: counts.fix, check: counts.check } })
})
