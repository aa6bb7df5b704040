/** The design sheet of a module as one text: its head, its texts, its objectives, and a block for each activity in four columns. */

import { purposeOf, STAGE_LETTER } from '../alignment/proposals'
import { type Blueprint, recordsOf } from '../blueprint/blueprint'
import { fieldText } from '../blueprint/field-text'
import { type AnyRecord, fieldOf } from '../blueprint/kinds'
import { ruleText } from '../blueprint/kinds/due-rule'
import type { RichText } from '../blueprint/rich-text'
import { capital } from '../blueprint/text'
import { dateSpan, shortDate } from '../calendar/plain-date'
import { scheduleOf } from '../calendar/schedule'
import { gradeTable } from '../grading/grade-table'
import { fieldTitle } from '../history/describe'
import { formatHundredths, formatWhole } from '../numbers'
import { moduleWordOf } from '../plan/module-word'
import { namesIn } from '../plan/names'
import { indexCourse } from '../plan/plan-index'
import { weeksText } from '../syllabus/assemble'
import { entriesOf, entryList, entryWords, type ListOwner } from './entry-lists'
import { kindWords } from './kind-words'
import { lateRuleOf, lateText } from './late'
import { SHEET_COLUMNS, type SheetSection, sheetSectionsOf } from './sheet-sections'

export type SheetLine = { readonly label: string; readonly text: string }
export type ActivitySheet = {
  readonly id: string
  readonly number: string
  readonly title: string
  readonly columns: readonly { readonly title: string; readonly lines: readonly SheetLine[] }[]
}
export type ModuleSheet = {
  readonly id: string
  readonly number: string
  readonly title: string
  readonly word: string
  readonly facts: readonly SheetLine[]
  readonly texts: readonly SheetLine[]
  readonly objectives: readonly { readonly number: string; readonly statement: string; readonly outcomes: readonly string[] }[]
  readonly activities: readonly ActivitySheet[]
}

/** What a section of a record says, a line for each field and list; empty ones too, with no text. */
function sectionLines(plan: Blueprint, owner: ListOwner, section: SheetSection, record: AnyRecord): SheetLine[] {
  const names = namesIn(plan)
  return [
    ...section.fields.map((name) => ({
      label: capital(fieldTitle(name, owner)),
      text: fieldText(fieldOf(owner, name), record[name], names),
    })),
    ...section.lists.map((kind) => {
      const list = entryList(owner, kind)
      const words = entriesOf(plan, list, record.id).map((e) => entryWords(plan, list, e))
      return { label: list.title, text: words.filter(Boolean).join('; ') }
    }),
  ]
}

/** What an activity is, in the words of the plan: kind, purpose, time, date, grade, what it serves. */
export function activityFacts(plan: Blueprint, activityId: string): SheetLine[] {
  const index = indexCourse(plan)
  const activity = index.activity(activityId)
  if (!activity) return []
  const due = scheduleOf(plan)?.dueOf(activityId)
  const weekStart = scheduleOf(plan)?.term.offering.weekStart ?? 'monday'
  const links = index
    .alignmentsOf(activityId)
    .map((a) => `${index.numberOf(a.objectiveId)} ${a.stages.map((s) => STAGE_LETTER[s]).join('')}`)
  const asked = index.alignmentsOf(activityId).flatMap((a) => (a.demand === null ? [] : [`${index.numberOf(a.objectiveId)} ${a.demand}`]))
  return [
    { label: 'Kind', text: kindWords(plan, activity) ?? '' },
    { label: 'Purpose', text: purposeOf(activity) ?? '' },
    { label: 'Minutes', text: activity.minutes === null ? '' : formatWhole(activity.minutes) },
    { label: 'Due', text: due ? shortDate(due.date) : activity.dueRule ? ruleText(activity.dueRule, weekStart) : '' },
    { label: 'Objectives', text: links.map((l) => l.trim()).join(', ') },
    { label: 'Level asked', text: asked.join(', ') },
  ]
}

/** How it is graded: points, share, and what late work keeps. */
export function gradeFacts(plan: Blueprint, activityId: string): SheetLine[] {
  const assessment = indexCourse(plan).assessmentOf(activityId)
  const share = gradeTable(plan).effectiveOf(activityId)
  const rule = assessment ? lateRuleOf(plan, assessment) : null
  const points = assessment?.points ?? null
  return [
    { label: 'Points', text: points === null ? '' : formatHundredths(points) },
    { label: 'Category', text: plan.gradeCategory.get(assessment?.categoryId ?? '')?.title ?? '' },
    { label: 'Part of the grade', text: share > 0 ? `${formatHundredths(share)} %` : '' },
    { label: 'Late work', text: rule ? lateText(rule) : '' },
  ]
}

function activitySheet(plan: Blueprint, id: string): ActivitySheet[] {
  const index = indexCourse(plan)
  const activity = index.activity(id)
  if (!activity) return []
  const sections = sheetSectionsOf('activity')
  const columns = SHEET_COLUMNS.map((title, place) => ({
    title,
    lines: [
      ...(place === 0 ? activityFacts(plan, id) : place === 2 ? gradeFacts(plan, id) : []),
      ...sections.filter((s) => s.column === place).flatMap((s) => sectionLines(plan, 'activity', s, activity as unknown as AnyRecord)),
    ],
  }))
  return [{ id, number: index.numberOf(id), title: activity.title, columns }]
}

/** The sheet of a module; null where it is gone. */
export function moduleSheet(plan: Blueprint, moduleId: string): ModuleSheet | null {
  const module = plan.module.get(moduleId)
  if (!module) return null
  const index = indexCourse(plan)
  const span = scheduleOf(plan)?.spanOf(moduleId)
  const [texts, ...others] = sheetSectionsOf('module')
  const lines = (section: SheetSection | undefined) =>
    section ? sectionLines(plan, 'module', section, module as unknown as AnyRecord) : []
  return {
    id: moduleId,
    number: index.numberOf(moduleId),
    title: module.title,
    word: moduleWordOf(plan).One,
    facts: [
      { label: 'Subtitle', text: module.subtitle ?? '' },
      { label: 'Weeks', text: module.firstWeek === null ? '' : weeksText(module.firstWeek, module.lastWeek) },
      { label: 'Dates', text: span ? dateSpan(span.first, span.last) : '' },
      ...others.flatMap(lines),
    ],
    texts: lines(texts),
    objectives: index.objectivesOf(moduleId).map((o) => ({
      number: index.numberOf(o.id),
      statement: o.statement,
      outcomes: index.lanesOf(o.id).map((l) => index.numberOf(l.id)),
    })),
    activities: index.activitiesOf(moduleId).flatMap((a) => activitySheet(plan, a.id)),
  }
}

export type LearnerTask = {
  readonly id: string
  readonly number: string
  readonly title: string
  readonly minutes: string
  readonly points: string
  readonly date: string
  readonly serves: readonly string[]
  readonly instructions: RichText | null
  readonly isOptional: boolean
  readonly materials: readonly { readonly title: string; readonly use: string; readonly address: string | null }[]
}
export type LearnerSheet = {
  readonly number: string
  readonly title: string
  readonly overview: RichText | null
  readonly whatIsNew: string | null
  readonly closing: RichText | null
  readonly objectives: ModuleSheet['objectives']
  readonly tasks: readonly LearnerTask[]
}

/** A module as its learners read it: no notes of designers, the tasks as a list to work through; what else is shown here comes last. */
export function learnerSheet(plan: Blueprint, moduleId: string): LearnerSheet | null {
  const module = plan.module.get(moduleId)
  const sheet = moduleSheet(plan, moduleId)
  if (!module || !sheet) return null
  const index = indexCourse(plan)
  const schedule = scheduleOf(plan)
  const shownToo = recordsOf(plan, 'extraPlace').flatMap((p) => (p.moduleId === moduleId ? (index.activity(p.activityId) ?? []) : []))
  const materials = entryList('activity', 'material')
  const tasks = [...index.activitiesOf(moduleId), ...shownToo].map((a): LearnerTask => {
    const points = index.assessmentOf(a.id)?.points ?? null
    const due = schedule?.dueOf(a.id)
    return {
      id: a.id,
      number: index.numberOf(a.id),
      title: a.title,
      minutes: a.minutes === null ? '' : `${formatWhole(a.minutes)} min`,
      points: points === null ? '' : `${formatHundredths(points)} points`,
      date: due ? `${shortDate(due.date)}, ${due.time}` : '',
      serves: index.alignmentsOf(a.id).map((l) => index.numberOf(l.objectiveId)),
      instructions: a.instructions,
      isOptional: a.isOptional,
      materials: entriesOf(plan, materials, a.id).map((m) => ({
        title: String(m.title),
        use: String(m.use),
        address: typeof m.address === 'string' ? m.address : null,
      })),
    }
  })
  const { overview, whatIsNew, closing } = module
  return { number: sheet.number, title: sheet.title, overview, whatIsNew, closing, objectives: sheet.objectives, tasks }
}
