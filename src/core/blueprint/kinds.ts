/** The registry of record kinds. Adding a kind: its file, its line here, its line in ui/kind-views.ts, a generated migration. */
import type { Field, Fields, RefField } from './field'
import type { KindSpec, RecordOf } from './kind'
import { activity, alignment } from './kinds/activity'
import { assessment, gradeCategory, gradeStep } from './kinds/assessment'
import { assumption } from './kinds/assumption'
import { calendarRule } from './kinds/calendar-rule'
import { course } from './kinds/course'
import { decision } from './kinds/decision'
import { accessItem, material, milestone, product, remedy, storyRow, variant } from './kinds/design'
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
import { columnOfSet, columnSet, kindDefault, modulePart, ownKind } from './kinds/habits-of-course'
import { buildsOn, extraPlace, recallModule, recallObjective, session, unlockTerm } from './kinds/links-of-work'
import { module } from './kinds/module'
import { objective, objectiveOutcome } from './kinds/objective'
import { offering } from './kinds/offering'
import { outcome } from './kinds/outcome'
import { part } from './kinds/part'
import { pointMatch, reviewArea, reviewPoint, reviewSet } from './kinds/review-set'
import { criterion, criterionObjective, descriptor, rubric, rubricLevel } from './kinds/rubric'
import { ruleSetting } from './kinds/rule-setting'
import { series } from './kinds/series'
import { syllabusSection } from './kinds/syllabus-section'
import { taughtVerb } from './kinds/taught-verb'

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
  modulePart,
  session,
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
  ownKind,
  kindDefault,
  activity,
  alignment,
  activityItem,
  evidencePoint,
  evidenceItem,
  assessment,
  recallObjective,
  recallModule,
  extraPlace,
  buildsOn,
  unlockTerm,
  accessItem,
  material,
  remedy,
  storyRow,
  milestone,
  variant,
  product,
  columnSet,
  columnOfSet,
  assumption,
  syllabusSection,
  decision,
  ruleSetting,
  taughtVerb,
  reviewSet,
  reviewArea,
  reviewPoint,
  pointMatch,
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
export type ReviewSetRecord = RecordOfKind<'reviewSet'>
export type ReviewAreaRecord = RecordOfKind<'reviewArea'>
export type ReviewPointRecord = RecordOfKind<'reviewPoint'>
export type EvidencePoint = RecordOfKind<'evidencePoint'>

/** Any record, seen through its fields by name. */
export type AnyRecord = { readonly id: string } & { readonly [field: string]: unknown }
export type RecordRef = { readonly kind: KindName; readonly id: string }

/** The kinds of the plan, in file order. */
export const KIND_NAMES: readonly KindName[] = Object.keys(KINDS) as KindName[]
export const isKindName = (name: string): name is KindName => Object.hasOwn(KINDS, name)

/** What follows from the kinds, worked out when it is first asked for, and anew where a kind was declared since (in tests). */
export function fromKinds<T>(build: () => T): () => T {
  let at = -1
  let value: T
  return () => {
    if (at !== declared) {
      value = build()
      at = declared
    }
    return value
  }
}
let declared = 0

/** Declares one more kind, behind those of Cairn, until the function that comes back is called: for tests of what follows from a kind. */
export function declareKind<N extends string, F extends Fields>(made: KindSpec<N, F>): () => void {
  const spec = made as unknown as KindSpec
  const [kinds, names] = [KINDS as unknown as Record<string, KindSpec>, KIND_NAMES as string[]]
  if (kinds[spec.name]) throw new Error(`there is a kind ${spec.name} already`)
  kinds[spec.name] = spec
  names.push(spec.name)
  declared++
  return () => {
    delete kinds[spec.name]
    names.splice(names.indexOf(spec.name), 1)
    declared++
  }
}

/** Records of a kind that this version does not know are kept and can be read; nothing of them is written. */
const unknownKind = (name: string): KindSpec => ({
  name,
  plural: name,
  noun: name.replace(/[A-Z]/g, (c) => ` ${c.toLowerCase()}`),
  fields: {},
})

export const specOf = (kind: KindName): KindSpec => (Object.hasOwn(KINDS, kind) ? (KINDS[kind] as unknown as KindSpec) : unknownKind(kind))

/** The word for several records of a kind: `activities`, `links of an outcome to a framework`. */
export function nounsOf(kind: KindName): string {
  const { noun, nouns } = specOf(kind)
  if (nouns) return nouns
  const [, head = noun, rest = ''] = /^(.*?)( (?:of|to) .*)?$/.exec(noun) ?? []
  return `${/[^aeiou]y$/.test(head) ? `${head.slice(0, -1)}ie` : head}s${rest}`
}

const facts = fromKinds(() => {
  const fields = new Map<string, readonly (readonly [string, Field])[]>()
  const refs = new Map<string, readonly Reference[]>()
  const refsTo = new Map<string, Reference[]>()
  const parents = new Map<string, string>()
  for (const kind of KIND_NAMES) {
    const spec = specOf(kind)
    fields.set(kind, Object.entries(spec.fields))
    const own = Object.entries(spec.fields).flatMap(([field, f]): Reference[] =>
      f.type === 'ref' ? [{ kind, field, to: f.to as KindName, spec: f }] : [],
    )
    refs.set(kind, own)
    for (const r of own) refsTo.set(r.to, [...(refsTo.get(r.to) ?? []), r])
    const parent = own.find((r) => r.to === kind && spec.place?.includes(r.field))?.field
    if (parent) parents.set(kind, parent)
  }
  return { fields, refs, refsTo, parents }
})

export const fieldsOf = (kind: KindName): readonly (readonly [string, Field])[] => facts().fields.get(kind) ?? []
/** One field's definition. Throws where there is none (a bug). */
export function fieldOf(kind: KindName, name: string): Field {
  const field = specOf(kind).fields[name]
  if (!field) throw new Error(`${kind} has no field ${name}`)
  return field
}

export type Reference = { readonly kind: KindName; readonly field: string; readonly to: KindName; readonly spec: RefField }
/** The reference fields of one kind. */
export const refsOf = (kind: KindName): readonly Reference[] => facts().refs.get(kind) ?? []
/** The reference fields that point at one kind. */
export const refsTo = (kind: KindName): readonly Reference[] => facts().refsTo.get(kind) ?? []
/** Whether a record is a link that leads from a record to itself, of a kind of which none does. */
export function leadsToItself(kind: KindName, record: Readonly<Record<string, unknown>>): boolean {
  const { notItself, ends: [from = '', to = ''] = [] } = specOf(kind)
  return notItself === true && record[from] === record[to]
}

/** The field by which records of a kind stand in one another as a tree, or null where they do not. Such trees have no cycles. */
export const parentFieldOf = (kind: KindName): string | null => facts().parents.get(kind) ?? null
