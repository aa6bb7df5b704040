/** What is worth doing next: the first of what must be mended and of what is not planned yet, in working order. */
import type { RecordRef } from '../blueprint/kinds'
import type { Workspace } from '../workspaces'
import { WORKSPACES } from '../workspaces'
import type { Analysis } from './analyse'
import type { Weight } from './finding'

export type Next = {
  readonly key: string
  readonly weight: Extract<Weight, 'fix' | 'open'>
  readonly message: string
  readonly workspace: Workspace
  /** Where it is done; null where it is the view as a whole. */
  readonly record: RecordRef | null
}

/** At most `most`: of each rule its first finding. Fix comes before Open, each in working order. */
export function worthDoing({ findings, open }: Analysis, most = 3): readonly Next[] {
  const seen = new Set<string>()
  const fixes = findings.flatMap((f): Next[] => {
    if (f.weight !== 'fix' || f.accepted !== null || seen.has(f.code)) return []
    seen.add(f.code)
    return [{ key: f.key, weight: 'fix', message: f.message, workspace: f.workspace, record: f.records[0] ?? null }]
  })
  const opens = [...open]
    .sort((a, b) => WORKSPACES.indexOf(a.workspace) - WORKSPACES.indexOf(b.workspace))
    .map((o): Next => ({ key: o.code, weight: 'open', message: o.message, workspace: o.workspace, record: null }))
  return [...fixes, ...opens].slice(0, most)
}
