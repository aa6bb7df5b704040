/** Who may do what. The service checks it, endpoints name it, the interface reads it to show what can be done. */
import type { Change } from '../blueprint/change'
import { type KINDS, type KindName, specOf } from '../blueprint/kinds'
import { ROLES, type Role } from '../roles'

/** A designer writes everything; others what its kind says, and of some kinds these fields alone. */
export const mayWrite = (role: Role, kind: KindName, field?: string): boolean =>
  role === 'designer' || (specOf(kind).writers ?? []).includes(role) || (field !== undefined && fieldsOfRole(role, kind).includes(field))
const fieldsOfRole = (role: Role, kind: KindName): readonly string[] => specOf(kind).fieldWriters?.[role] ?? []

/** Whether a role may make an operation: of a kind that it does not write, an update of fields that it writes. */
export const mayMake = (role: Role, o: Change['operations'][number]): boolean =>
  mayWrite(role, o.kind) || (o.op === 'update' && Object.keys(o.to).every((field) => mayWrite(role, o.kind, field)))

/** The first kind that a role may not write, or null when it may make the change. */
export const forbiddenKind = (role: Role, change: Change): KindName | null => change.operations.find((o) => !mayMake(role, o))?.kind ?? null

type AbilitySpec = {
  /** What it is, for the people who give roles. */
  readonly title: string
  readonly roles: readonly Role[]
  /** What somebody without it is told. */
  readonly refusal: string
}

const writersOf = (...kinds: readonly (keyof typeof KINDS)[]): readonly Role[] => ROLES.filter((r) => kinds.every((k) => mayWrite(r, k)))
const planWriting = (title: string, ...kinds: readonly (keyof typeof KINDS)[]): AbilitySpec => ({
  title,
  roles: writersOf(...kinds),
  refusal: 'Your role in this course may not change this.',
})

/** Every ability in a course. The order is that in which they are told. */
export const ABILITIES = {
  'plan.read': {
    title: 'Read the whole plan, its findings and its history; save it as a file',
    roles: ROLES,
    refusal: 'There is no such course, or you have no role in it.',
  },
  'comment.read': {
    title: 'Read what is said about the course',
    roles: ROLES,
    refusal: 'Your role in this course may not read comments.',
  },
  'comment.write': {
    title: 'Comment and answer, call a thread done and open it again',
    roles: ROLES,
    refusal: 'Your role in this course may not comment.',
  },
  'snapshot.make': {
    title: 'Make snapshots, rename and remove one’s own',
    roles: writersOf('activity'),
    refusal: 'Your role in this course may not make snapshots.',
  },
  'file.write': {
    title: 'Bring pictures into the course',
    roles: writersOf('syllabusSection'),
    refusal: 'Your role in this course may not bring files.',
  },
  'plan.write-outcomes': planWriting(
    'Write outcomes, objectives and what is linked with them, teach verbs',
    'outcome',
    'objective',
    'alignment',
    'taughtVerb',
  ),
  'plan.write-activities': planWriting(
    'Write activities, assessments and the text of the syllabus',
    'activity',
    'assessment',
    'syllabusSection',
  ),
  'plan.write-calendar': planWriting('Change modules, offerings and the calendar', 'module', 'offering', 'calendarRule'),
  'plan.write-grade': planWriting('Change the grade: categories, shares, rubrics, scale', 'gradeCategory', 'rubric', 'gradeStep'),
  'plan.write-facts': planWriting(
    'Change the facts of the course, rules and kept findings; go back to an earlier state',
    'course',
    'ruleSetting',
    'decision',
  ),
  'review.run': {
    title: 'Open rounds of review, give seats, settle points, open comparison and close a round',
    roles: ['designer'],
    refusal: 'Only a designer of the course runs a review.',
  },
  'syllabus.publish': {
    title: 'Publish the syllabus',
    roles: ['designer'],
    refusal: 'Only a designer of the course publishes its syllabus.',
  },
  'space.manage': {
    title: 'Put the course away, remove it, bring it back',
    roles: ['designer'],
    refusal: 'Only a designer of the course puts it away or removes it.',
  },
  'people.manage': {
    title: 'Invite people, give and withdraw roles, hand the course over',
    roles: ['designer'],
    refusal: 'Only a designer of the course gives and takes roles.',
  },
} as const satisfies Readonly<Record<string, AbilitySpec>>
export type Ability = keyof typeof ABILITIES

export const may = (role: Role, ability: Ability): boolean => (ABILITIES[ability].roles as readonly Role[]).includes(role)
