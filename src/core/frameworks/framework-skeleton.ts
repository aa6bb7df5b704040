/**
 * A course from a framework: its elements become modules, their criteria objectives in measurable words, with placeholders for
 * study, practice and evidence. First as a plan with counts that can be corrected, then as one edit.
 */
import { proposedFunction } from '../alignment/proposals'
import { blankOf } from '../blueprint/blank'
import type { PlanEdit } from '../blueprint/edit'
import { fittedText } from '../blueprint/field-text'
import type { NewId } from '../blueprint/ids'
import type { FrameworkItem } from '../blueprint/kinds'
import type { ActivityKind, Purpose, Stage } from '../blueprint/kinds/activity'
import type { Level } from '../blueprint/kinds/levels'
import { shortened } from '../blueprint/text'
import { addActivity, setStages } from '../edits/activities'
import { addModule, addObjectives, addOutcomes } from '../edits/objectives'
import { inflectedEntry } from '../objectives/lexicon'
import { rewordings } from '../objectives/rewrite'
import { readStatement } from '../objectives/statement'
import { indexFrameworks } from '../plan/framework-index'
import { indexCourse } from '../plan/plan-index'
import { addEvidencePoint, setItemLinks } from './edits'

export type SkeletonChoices = {
  /** What becomes a module: each element, each area, or all of it one. */
  readonly modulesFrom: 'elements' | 'areas' | 'one'
  /** What becomes objectives: the criteria, or the elements themselves. */
  readonly objectivesFrom: 'criteria' | 'elements'
  /** Whether the elements become course outcomes too. */
  readonly outcomes: boolean
  readonly study: boolean
  readonly practice: boolean
  /** Items of a quiz at the end of each module; 0: none. */
  readonly questions: number
  /** An assessment at the end of each module. */
  readonly assessment: boolean
  /** One assessment at the end that shows the performance evidence. */
  readonly evidence: boolean
}
export const USUAL_CHOICES: SkeletonChoices = {
  modulesFrom: 'elements',
  objectivesFrom: 'criteria',
  outcomes: true,
  study: true,
  practice: true,
  questions: 5,
  assessment: true,
  evidence: true,
}

export type SkeletonObjective = {
  readonly itemId: string
  readonly code: string
  readonly given: string
  readonly statement: string
  readonly level: Level | null
}
export type SkeletonWork = {
  readonly title: string
  readonly kind: ActivityKind
  readonly purpose: Purpose
  readonly stage: Stage
  readonly minutes: number
  readonly questions: number
  /** Items that it gives evidence of, beside the objectives of its module. */
  readonly evidence: readonly { readonly itemId: string; readonly title: string; readonly occasions: number | null }[]
}
export type SkeletonModule = {
  /** The item it comes from; null: from the framework as a whole. */
  readonly itemId: string | null
  readonly title: string
  readonly objectives: readonly SkeletonObjective[]
  readonly work: readonly SkeletonWork[]
}
export type FrameworkSkeleton = {
  readonly modules: readonly SkeletonModule[]
  readonly outcomes: readonly { readonly itemId: string; readonly statement: string }[]
}

/** Minutes that placeholders begin with, until sizes are known, and of one question (Cairn defaults). */
const MINUTES = { study: 40, practice: 45, question: 2, assessment: 60, evidence: 120 } as const

/**
 * A measurable wording of a requirement: its own words where they say what can be seen, a form of its verb where they are a
 * noun or a gerund ("inspecting arrays"), else the first of the better wordings.
 */
export function measurable(statement: string): string {
  const bare = statement.trim().replace(/[.;:,]+$/, '')
  const gerund = /^(\p{L}+ing)\b/u.exec(bare)?.[1]
  const entry = gerund ? inflectedEntry(gerund.toLowerCase()) : undefined
  const active =
    gerund && entry
      ? entry.lemma + bare.slice(gerund.length)
      : bare.replace(
          /^(?:the )?(?:learner|candidate|student|trainee|person|worker)s?\s+(?:can|will|must|is able to|should)\s+(?:be able to\s+)?/i,
          '',
        )
  const capital = active.charAt(0).toUpperCase() + active.slice(1)
  const read = readStatement(capital)
  if (read.flaws.length === 0) return capital
  const fixed = rewordings(capital)[0]
  if (fixed) return fixed
  // No verb at all: knowledge to be explained.
  return read.flaws.some((f) => f.code === 'no-verb')
    ? `Explain ${/^\p{Lu}\p{Ll}/u.test(bare) ? bare.charAt(0).toLowerCase() + bare.slice(1) : bare}`
    : capital
}

const AIMED: ReadonlySet<FrameworkItem['kind']> = new Set(['element', 'performance criterion', 'outcome'])

/** What would be made, with nothing made yet. */
export function planSkeleton(blueprint: PlanEdit['now'], frameworkId: string, choices: SkeletonChoices): FrameworkSkeleton {
  const index = indexFrameworks(blueprint)
  const items = index.itemsOf(frameworkId)
  const title = blueprint.framework.get(frameworkId)?.title ?? ''
  const elements = items.filter(({ item }) => item.kind === 'element' || item.kind === 'outcome').map(({ item }) => item)
  const areas = items.filter(({ item }) => item.kind === 'area').map(({ item }) => item)
  const below = (item: FrameworkItem): FrameworkItem[] => index.partsOf(item.id).flatMap((p) => [p, ...below(p)])
  const aims = (element: FrameworkItem): FrameworkItem[] => {
    const parts = below(element).filter((p) => AIMED.has(p.kind) && index.partsOf(p.id).length === 0)
    return choices.objectivesFrom === 'elements' || parts.length === 0 ? [element] : parts
  }
  type Source = { readonly item: FrameworkItem | null; readonly title: string; readonly aims: readonly FrameworkItem[] }
  const sources: Source[] =
    choices.modulesFrom === 'elements'
      ? elements.map((e) => ({ item: e, title: e.statement, aims: aims(e) }))
      : choices.modulesFrom === 'areas' && areas.length > 0
        ? areas.map((a) => ({
            item: a,
            title: a.statement,
            aims: below(a)
              .filter((p) => p.kind === 'element' || p.kind === 'outcome')
              .flatMap(aims),
          }))
        : [{ item: null, title, aims: elements.flatMap(aims) }]
  const modules = sources
    .filter((s) => s.aims.length > 0)
    .map(
      (source, i): SkeletonModule => ({
        itemId: source.item?.id ?? null,
        title: shortened(source.title.replace(/[.;:,]+$/, ''), 120),
        objectives: source.aims.map((item) => {
          const statement = measurable(item.statement)
          return { itemId: item.id, code: index.codeOf(item.id), given: item.statement, statement, level: readStatement(statement).level }
        }),
        work: workOf(i + 1, source.title, choices),
      }),
    )
  const shown = items
    .filter(({ item }) => item.kind === 'performance evidence' && index.partsOf(item.id).length === 0)
    .map(({ item }) => item)
  const last = modules.at(-1)
  if (last && choices.evidence && shown.length > 0)
    modules[modules.length - 1] = {
      ...last,
      work: [
        ...last.work,
        {
          title: `Evidence: ${shortened(title, 100)}`,
          kind: 'assignment',
          purpose: 'demonstrate',
          stage: 'assesses',
          minutes: MINUTES.evidence,
          questions: 0,
          evidence: shown.map((item) => ({ itemId: item.id, title: shortened(item.statement, 200), occasions: item.times })),
        },
      ],
    }
  return {
    modules,
    outcomes:
      choices.outcomes && choices.modulesFrom !== 'one'
        ? sources.flatMap((s) => (s.item ? [{ itemId: s.item.id, statement: measurable(s.item.statement) }] : []))
        : [],
  }
}

function workOf(n: number, title: string, choices: SkeletonChoices): SkeletonWork[] {
  const about = shortened(title.replace(/[.;:,]+$/, ''), 90)
  const work: SkeletonWork[] = []
  const add = (on: boolean, name: string, kind: ActivityKind, purpose: Purpose, stage: Stage, minutes: number, questions = 0) => {
    if (on) work.push({ title: name, kind, purpose, stage, minutes, questions, evidence: [] })
  }
  add(choices.study, `Study: ${about}`, 'page', 'study', 'introduces', MINUTES.study)
  add(choices.practice, `Practice ${n}: ${about}`, 'practice', 'practise', 'practises', MINUTES.practice)
  add(choices.questions > 0, `Quiz ${n}`, 'quiz', 'practise', 'practises', choices.questions * MINUTES.question, choices.questions)
  add(choices.assessment, `Assessment ${n}: ${about}`, 'assignment', 'demonstrate', 'assesses', MINUTES.assessment)
  return work
}

/** Counts of what would be made: `minutes` of learners' time. */
export function frameworkSkeletonCounts({ modules, outcomes }: FrameworkSkeleton) {
  const work = modules.flatMap((m) => m.work)
  return {
    outcomes: outcomes.length,
    modules: modules.length,
    objectives: modules.reduce((n, m) => n + m.objectives.length, 0),
    activities: work.length,
    questions: work.reduce((n, w) => n + w.questions, 0),
    assessments: work.filter((w) => w.stage === 'assesses').length,
    minutes: work.reduce((n, w) => n + w.minutes, 0),
  }
}

/** Makes it, behind what the course has; every objective and assessment linked with its items. */
export function makeFrameworkSkeleton(edit: PlanEdit, skeleton: FrameworkSkeleton, newId: NewId): void {
  const outcomeOf = new Map<string, string>()
  for (const { itemId, statement } of skeleton.outcomes) {
    const [id] = addOutcomes(edit, indexCourse(edit.now).outcomes.at(-1)?.id ?? null, [statement], newId)
    if (!id) continue
    outcomeOf.set(itemId, id)
    setItemLinks(edit, 'outcome', itemId, [id])
  }
  const parts = indexCourse(edit.now).parts
  for (const module of skeleton.modules) {
    const moduleId = addModule(edit, module.title, newId)
    const outcomeId = module.itemId === null ? undefined : outcomeOf.get(module.itemId)
    const objectiveIds: string[] = []
    for (const { itemId, statement } of module.objectives) {
      const [id] = addObjectives(edit, moduleId, objectiveIds.at(-1) ?? null, [statement], newId)
      if (!id) continue
      objectiveIds.push(id)
      setItemLinks(edit, 'objective', itemId, [...new Set([...indexFrameworks(edit.now).objectivesOf(itemId), id])])
      if (outcomeId) edit.create('objectiveOutcome', { id: '', objectiveId: id, outcomeId })
    }
    for (const work of module.work) {
      const partId = parts.find((p) => p.purpose === work.purpose)?.id ?? null
      const id = addActivity(edit, moduleId, partId, fittedText('activity', 'title', work.title) ?? 'Untitled', newId)
      edit.set('activity', id, {
        kind: work.kind,
        purpose: work.purpose,
        minutes: work.questions > 0 ? null : work.minutes,
        size: work.questions > 0 ? { unit: 'items', amount: work.questions } : null,
      })
      const activity = edit.now.activity.get(id)
      if (work.stage === 'assesses' && activity)
        edit.create('assessment', { ...blankOf('assessment'), id: '', activityId: id, function: proposedFunction(activity) })
      if (work.evidence.length === 0) for (const objectiveId of objectiveIds) setStages(edit, id, objectiveId, [work.stage])
      for (const { itemId, title, occasions } of work.evidence) {
        const pointId = addEvidencePoint(edit, id, { title, method: 'observation', occasions }, newId)
        setItemLinks(edit, 'evidencePoint', itemId, [
          ...indexFrameworks(edit.now)
            .pointsOf(itemId)
            .map((p) => p.id),
          pointId,
        ])
      }
    }
  }
  const course = edit.now.course.get('course')
  const week = Math.max(0, ...indexCourse(edit.now).modules.map((m) => m.lastWeek ?? 0))
  if (course && week > course.weeks) edit.set('course', 'course', { weeks: week })
}
