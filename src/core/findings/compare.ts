/** What a change does to the findings: those that come, those that go, and those that stay and say something else. */
import type { Finding } from './finding'

export type Compared = { readonly come: readonly Finding[]; readonly gone: readonly Finding[]; readonly changed: readonly Finding[] }

/**
 * Findings that say the same are the same. One of the same rule about the same record that says something else has changed: it is
 * told by what it says after.
 */
export function compareFindings(before: readonly Finding[], after: readonly Finding[]): Compared {
  const messages = (list: readonly Finding[]) => new Set(list.map((f) => f.message))
  const [had, has] = [messages(before), messages(after)]
  const about = (f: Finding) => `${f.code} ${f.records[0]?.kind} ${f.records[0]?.id}`
  const gone = before.filter((f) => !has.has(f.message))
  // Each that goes can stay on as one that comes.
  const left = new Map<string, Finding[]>()
  for (const f of gone) left.set(about(f), [...(left.get(about(f)) ?? []), f])
  const changed: Finding[] = []
  const stayed = new Set<Finding>()
  const come = after.filter((f) => {
    if (had.has(f.message)) return false
    const was = left.get(about(f))?.shift()
    if (!was) return true
    stayed.add(was)
    changed.push(f)
    return false
  })
  return { come, gone: gone.filter((f) => !stayed.has(f)), changed }
}
