/** Findings of one rule in one module as one, with a fix for all of them. */
import type { Blueprint } from '../blueprint/blueprint'
import type { RecordRef } from '../blueprint/kinds'
import { indexCourse } from '../plan/plan-index'
import type { Finding, Fix } from './finding'

export type FindingGroup = {
  readonly code: string
  /** Null: they are in no module, or the course as a whole. */
  readonly moduleId: string | null
  readonly findings: readonly Finding[]
  /** The first fix of each, where all of them have one of the same sort. */
  readonly fixes: readonly Fix[]
}
export type Grouped = Finding | FindingGroup

export const isGroup = (entry: Grouped): entry is FindingGroup => 'findings' in entry

/** From so many findings of one rule in one module on, they are shown as one (Cairn default). */
export const GROUP_FROM = 4

/** Groups what belongs together; the order is that of the first of each. */
export function groupFindings(findings: readonly Finding[], blueprint: Blueprint): Grouped[] {
  const moduleOf = moduleFinder(blueprint)
  const keyOf = (f: Finding) => `${f.code} ${f.weight} ${moduleOf(f.records[0]) ?? ''}`
  const groups = new Map<string, Finding[]>()
  for (const f of findings) groups.set(keyOf(f), [...(groups.get(keyOf(f)) ?? []), f])
  return [...groups.values()].flatMap((list): Grouped[] => {
    const [first] = list
    if (!first || list.length < GROUP_FROM) return list
    const firsts = list.flatMap((f) => f.fixes[0] ?? [])
    const same = firsts.length === list.length && firsts.every((x) => x.code === firsts[0]?.code)
    return [{ code: first.code, moduleId: moduleOf(first.records[0]), findings: list, fixes: same ? firsts : [] }]
  })
}

function moduleFinder(blueprint: Blueprint): (ref: RecordRef | undefined) => string | null {
  const index = indexCourse(blueprint)
  return (ref) => {
    switch (ref?.kind) {
      case 'module':
        return ref.id
      case 'activity':
        return index.activity(ref.id)?.moduleId ?? null
      case 'objective':
        return blueprint.objective.get(ref.id)?.moduleId ?? null
      default:
        return null
    }
  }
}
