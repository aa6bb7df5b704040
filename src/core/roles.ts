/** Which role may do what to which kind. The service checks it; the interface reads it to show what can be edited. */
import type { Change } from './blueprint/change'
import { KIND_NAMES, type KindName } from './blueprint/kinds'

export const ROLES = ['designer', 'expert', 'reviewer'] as const
export type Role = (typeof ROLES)[number]

export const ROLE_TITLES: Readonly<Record<Role, string>> = {
  designer: 'designer',
  expert: 'subject expert',
  reviewer: 'reviewer',
}

/** Experts write content, and when it is due, with the designer; the frame of the course and its grade stay the designer's. */
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
export const mayGiveRoles = (role: Role): boolean => role === 'designer'

export type Ability = { readonly title: string; readonly roles: readonly Role[] }
const writersOf = (...kinds: readonly KindName[]): readonly Role[] => ROLES.filter((r) => kinds.every((k) => mayWrite(r, k)))

/** What each role may do, worked out from the tables above, for the people who choose one. */
export const ABILITIES: readonly Ability[] = [
  { title: 'Read the whole plan, its findings and its history; save it as a file', roles: ROLES },
  { title: 'Write outcomes, objectives and what is linked with them', roles: writersOf('outcome', 'objective', 'alignment') },
  { title: 'Write activities, assessments and the text of the syllabus', roles: writersOf('activity', 'assessment', 'syllabusSection') },
  { title: 'Change modules, offerings and the calendar', roles: writersOf('module', 'offering', 'calendarRule') },
  { title: 'Change the grade: categories, shares, rubrics, scale', roles: writersOf('gradeCategory', 'rubric', 'gradeStep') },
  {
    title: 'Change the facts of the course, rules and kept findings; go back to an earlier state',
    roles: writersOf('course', 'ruleSetting', 'decision'),
  },
  { title: 'Publish the syllabus', roles: ROLES.filter(mayPublish) },
  { title: 'Invite people, give and withdraw roles, hand the course over', roles: ROLES.filter(mayGiveRoles) },
]
