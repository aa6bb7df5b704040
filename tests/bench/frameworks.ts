/** A framework of 20,000 items: read, stored over HTTP, and lived with. */

import { applyChange } from '../../src/core/blueprint/apply'
import { editPlan } from '../../src/core/blueprint/edit'
import { parseChange } from '../../src/core/blueprint/schema'
import { analyse } from '../../src/core/findings/analyse'
import { readNative } from '../../src/core/formats/native'
import { bringFramework } from '../../src/core/frameworks/edits'
import { readFramework } from '../../src/core/frameworks/read-framework'
import { bigPackage } from './big-framework'
import { demoFile } from './enlarge'
import { ask, signIn } from './http'
import { byTurns, judged, median, ms, type Section } from './measure'

const ITEMS = 20_000

export async function benchFrameworks(origin: string): Promise<Section> {
  const bytes = new TextEncoder().encode(bigPackage(ITEMS))
  const demo = readNative(demoFile())
  const read = readFramework('large.json', bytes)
  if (!demo.ok || !read.ok) throw new Error('the bench has nothing to read')
  let n = 0
  const operations = editPlan(demo.value, (e) => void bringFramework(e, read.value, () => `b${++n}`))
  const change = { id: `bench-${Date.now()}`, code: 'bring-framework', params: {}, onConflict: 'refuse' as const, operations }
  const applied = applyChange(demo.value, change)
  if (!applied.ok) throw new Error('the framework cannot be applied')
  const text = JSON.stringify(change)
  const times = await byTurns(7, {
    read: () => readFramework('large.json', bytes),
    edit: () => editPlan(demo.value, (e) => void bringFramework(e, read.value, () => `b${++n}`)),
    check: () => parseChange(JSON.parse(text)),
    analyse: () => analyse({ ...applied.blueprint }, '2027-01-01'),
  })
  const cookie = await signIn(origin)
  const start = performance.now()
  const answer = await ask(origin, '/api/courses/small-streams/changes', { cookie, body: change })
  const stored = performance.now() - start
  if (answer.status !== 200) throw new Error(`storing answered ${answer.status}: ${answer.body.slice(0, 200)}`)
  const of = (name: string) => median(times[name] ?? [])
  return {
    title: 'A framework of 20,000 items',
    how: `A competency package of ${(bytes.length / 1e6).toFixed(1)} MB with HTML in its statements, ${read.value.problems.length} faults (identifiers that come twice, parents that are missing, a cycle), in one change of ${operations.length} records.`,
    lines: [
      judged('Reading it (in a worker)', of('read'), 3000, ms),
      { what: 'Making the change', value: ms(of('edit')) },
      { what: 'Checking the change', value: ms(of('check')) },
      judged('Storing it over HTTP', stored, 5000, ms),
      { what: 'Analysis of the demo course with it', value: ms(of('analyse')) },
    ],
  }
}
