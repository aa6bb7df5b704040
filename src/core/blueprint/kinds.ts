/** The registry of record kinds. Adding a kind: its file, its line here, its table line in server/db/schema.ts, a migration. */
import type { Field, RefField } from './field'
import type { KindSpec, RecordOf } from './kind'
import { activity, alignment } from './kinds/activity'
import { assessment, gradeCategory, gradeStep } from './kinds/assessment'
import { assumption } from './kinds/assumption'
import { calendarRule } from './kinds/calendar-rule'
import { course } from './kinds/course'
import { decision } from './kinds/decision'
import {
  activityItem,
  criterionItem,
  evidenceItem,
  evidencePoint,
  framework,
  frameworkItem,
  itemRelation,
  objectiveItem,
  outcomeItem,
} from './kinds/framework'
import { module } from './kinds/module'
import { objective, objectiveOutcome } from './kinds/objective'
import { offering } from './kinds/offering'
import { outcome } from './kinds/outcome'
import { part } from './kinds/part'
import { criterion, criterionObjective, descriptor, rubric, rubricLevel } from './kinds/rubric'
import { ruleSetting } from './kinds/rule-setting'
import { series } from './kinds/series'
import { syllabusSection } from './kinds/syllabus-section'

/** In file order: what is referred to stands before what refers. */
export const KINDS = {
  course,
  offering,
  calendarRule,
  framework,
  frameworkItem,
  itemRelation,
  outcome,
  outcomeItem,
  part,
  module,
  objective,
  objectiveOutcome,
  objectiveItem,
  gradeCategory,
  gradeStep,
  rubric,
  rubricLevel,
  criterion,
  criterionObjective,
  criterionItem,
  descriptor,
  series,
  activity,
  alignment,
  activityItem,
  evidencePoint,
  evidenceItem,
  assessment,
  assumption,
  syllabusSection,
  decision,
  ruleSetting,
} as const

export type KindName = keyof typeof KINDS
export type RecordOfKind<K extends KindName> = RecordOf<(typeof KINDS)[K]>
export type Course = RecordOfKind<'course'>
export type Offering = RecordOfKind<'offering'>
export type CalendarRule = RecordOfKind<'calendarRule'>
export type Outcome = RecordOfKind<'outcome'>
export type Part = RecordOfKind<'part'>
export type Module = RecordOfKind<'module'>
export type Objective = RecordOfKind<'objective'>
export type GradeCategory = RecordOfKind<'gradeCategory'>
export type GradeStep = RecordOfKind<'gradeStep'>
export type Rubric = RecordOfKind<'rubric'>
export type RubricLevel = RecordOfKind<'rubricLevel'>
export type Criterion = RecordOfKind<'criterion'>
export type Series = RecordOfKind<'series'>
export type Activity = RecordOfKind<'activity'>
export type Alignment = RecordOfKind<'alignment'>
export type Assessment = RecordOfKind<'assessment'>
export type SyllabusSection = RecordOfKind<'syllabusSection'>
export type Decision = RecordOfKind<'decision'>
export type Framework = RecordOfKind<'framework'>
export type FrameworkItem = RecordOfKind<'frameworkItem'>
export type EvidencePoint = RecordOfKind<'evidencePoint'>

/** Any record, seen through its fields by name. */
export type AnyRecord = { readonly id: string } & { readonly [field: string]: unknown }
export type RecordRef = { readonly kind: KindName; readonly id: string }

export const KIND_NAMES = Object.keys(KINDS) as readonly KindName[]
export const isKindName = (name: string): name is KindName => Object.hasOwn(KINDS, name)
export const specOf = (kind: KindName): KindSpec => KINDS[kind] as unknown as KindSpec
export const fieldsOf = (kind: KindName): readonly (readonly [string, Field])[] => FIELD_LISTS[kind]
/** One field's definition. Throws where there is none (a bug). */
export function fieldOf(kind: KindName, name: string): Field {
  const field = specOf(kind).fields[name]
  if (!field) throw new Error(`${kind} has no field ${name}`)
  return field
}
const FIELD_LISTS = Object.fromEntries(KIND_NAMES.map((k) => [k, Object.entries(KINDS[k].fields)])) as unknown as Record<
  KindName,
  readonly (readonly [string, Field])[]
>

export type Reference = { readonly kind: KindName; readonly field: string; readonly to: KindName; readonly spec: RefField }

/** Every reference field of every kind. */
export const REFERENCES: readonly Reference[] = KIND_NAMES.flatMap((kind) =>
  fieldsOf(kind).flatMap(([field, spec]) => (spec.type === 'ref' ? [{ kind, field, to: spec.to as KindName, spec }] : [])),
)
/** The reference fields of one kind. */
export const refsOf = (kind: KindName): readonly Reference[] => REFS_OF[kind]
const REFS_OF = Object.fromEntries(KIND_NAMES.map((k) => [k, REFERENCES.filter((r) => r.kind === k)])) as unknown as Record<
  KindName,
  readonly Reference[]
>
/** The reference fields that point at one kind. */
export const refsTo = (kind: KindName): readonly Reference[] => REFS_TO[kind]
const REFS_TO = Object.fromEntries(KIND_NAMES.map((k) => [k, REFERENCES.filter((r) => r.to === k)])) as unknown as Record<
  KindName,
  readonly Reference[]
>
/** The field by which records of a kind stand in one another as a tree, or null where they do not. Such trees have no cycles. */
export const parentFieldOf = (kind: KindName): string | null => PARENT_OF[kind]
const PARENT_OF = Object.fromEntries(
  KIND_NAMES.map((k) => [k, REFS_OF[k].find((r) => r.to === k && specOf(k).place?.includes(r.field))?.field ?? null]),
) as Record<KindName, string | null>
