/** Which role may do what to which kind. The service checks it; the interface reads it to show what can be edited. */
import type { Change } from './blueprint/change'
import { KIND_NAMES, type KindName } from './blueprint/kinds'

export const ROLES = ['designer', 'expert', 'reviewer'] as const
export type Role = (typeof ROLES)[number]

/** Experts write content and dates with the designer; the frame of the course and its grade stay the designer's. */
const EXPERT: ReadonlySet<KindName> = new Set<KindName>([
  'outcome',
  'objective',
  'objectiveOutcome',
  'activity',
  'alignment',
  'assessment',
  'outcomeItem',
  'objectiveItem',
  'activityItem',
  'evidencePoint',
  'evidenceItem',
  'syllabusSection',
])

const WRITES: Readonly<Record<Role, ReadonlySet<KindName>>> = {
  designer: new Set(KIND_NAMES),
  expert: EXPERT,
  reviewer: new Set(),
}

export const mayWrite = (role: Role, kind: KindName): boolean => WRITES[role].has(kind)
/** The first kind that a role may not write, or null when it may make the change. */
export const forbiddenKind = (role: Role, change: Change): KindName | null =>
  change.operations.find((o) => !mayWrite(role, o.kind))?.kind ?? null
export const mayPublish = (role: Role): boolean => role === 'designer'
