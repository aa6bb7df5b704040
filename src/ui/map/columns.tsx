/** The columns of the working table: what each shows, and how each is written. */

import { proposedStage, purposeOf, readLinks, STAGE_LETTER } from '../../core/alignment/proposals'
import { type Blueprint, recordsOf } from '../../core/blueprint/blueprint'
import type { Activity } from '../../core/blueprint/kinds'
import { readDueRule, ruleText } from '../../core/blueprint/kinds/due-rule'
import { article, fitted } from '../../core/blueprint/text'
import { shortDate } from '../../core/calendar/plain-date'
import { resolveDueDate, scheduleOf } from '../../core/calendar/schedule'
import { weekWords } from '../../core/calendar/week-words'
import { kindWords } from '../../core/design/kind-words'
import { type ActivityColumn, placeActivity, setAssessment, writeActivityCell } from '../../core/edits/activities'
import { addCategory, addObjectiveFor, addPart, missingCategory, missingObjectives, missingPart } from '../../core/edits/missing'
import { addOwnKind, missingOwnKind, writeKind } from '../../core/edits/own-kinds'
import { formatHundredths, formatWhole, readMinutes } from '../../core/numbers'
import { moduleWordOf } from '../../core/plan/module-word'
import { indexCourse } from '../../core/plan/plan-index'
import { fieldColumn, LinkChips, textColumn } from '../parts/grid/field-column'
import type { GridColumn, GridRow } from '../parts/grid/types'
import { PurposeShape } from '../parts/marks'
import { fieldOptions } from '../parts/options'
import { newId, useCourse, useCourseData, useModuleWord } from '../store/course-store'
import { DESIGN_COLUMNS } from './design-columns'
import { ADD_MODULE } from './rows'

type Place = readonly [plan: Blueprint, row: GridRow]

/** The activity as the plan has it, with what its series gives; undefined in rows of none. */
const activityOf = (...[plan, row]: Place): Activity | undefined => (row.type === 'data' ? indexCourse(plan).activity(row.id) : undefined)
const assessmentOf = (...[plan, row]: Place) => (row.type === 'data' ? indexCourse(plan).assessmentOf(row.id) : undefined)
const dash = <span className="muted">–</span>

const write =
  (column: ActivityColumn): NonNullable<GridColumn['write']> =>
  (edit, { id }, { text }) =>
    writeActivityCell(edit, id, column, text, scheduleOf(edit.now))

const number = textColumn({
  id: 'number',
  header: 'No.',
  cell: { name: 'number' },
  // A handle and a number such as 12.10.
  width: 78,
  text: (plan, row) => (row.type === 'data' ? indexCourse(plan).numberOf(row.id) : ''),
  Cell: ({ row }) => <span className="number">{useCourse((s) => number.text(s.view, row))}</span>,
})

const title = fieldColumn('activity', 'title', { header: 'Activity', Cell: Title })

function Title({ row }: { readonly row: GridRow }) {
  const word = useModuleWord()
  const text = useCourse((s) => activityOf(s.view, row)?.title ?? '')
  if (row.type === 'new')
    return (
      <span className="muted">
        {row.key === ADD_MODULE ? `Type a title to add ${article(word.one)}` : 'Type a title, or paste rows from a spreadsheet'}
      </span>
    )
  return <span data-tip={text}>{text}</span>
}

const part = textColumn({
  id: 'part',
  header: 'Part',
  width: 92,
  cell: { name: 'choice', choices: (plan) => indexCourse(plan).parts.map((p) => ({ value: p.id, label: p.title })) },
  text: (plan, row) => plan.part.get(activityOf(plan, row)?.partId ?? '')?.title ?? '',
  chosen: (plan, row) => activityOf(plan, row)?.partId ?? null,
  write: (edit, row, { text, chosen }) => {
    if (typeof chosen !== 'string') return write('part')(edit, row, { text })
    const activity = edit.now.activity.get(row.id)
    if (activity && activity.partId !== chosen) placeActivity(edit, row.id, activity.moduleId, chosen, Number.MAX_SAFE_INTEGER)
    return null
  },
  makes: { kind: 'part', missing: missingPart, make: (edit, _row, name) => void addPart(edit, name, newId) },
})

/** A field that a series may give: read as it holds, written on the activity itself. */
const given = (field: 'kind' | 'purpose', more: Partial<GridColumn>): GridColumn =>
  fieldColumn('activity', field, {
    text: (plan, row) => activityOf(plan, row)?.[field] ?? '',
    chosen: (plan, row) => activityOf(plan, row)?.[field] ?? null,
    ...more,
  })

/** Cairn's kinds by what they are for, and the course's own; the name of a new one makes it. */
const kind = given('kind', {
  width: 126,
  cell: {
    name: 'choice',
    choices: (plan) => [
      ...recordsOf(plan, 'ownKind').map((k) => ({ value: k.title, label: k.title, group: 'own kinds' })),
      ...fieldOptions('activity', 'kind').filter((o) => o.value !== ''),
    ],
  },
  text: (plan, row) => {
    const activity = activityOf(plan, row)
    return (activity && kindWords(plan, activity)) ?? ''
  },
  chosen: (plan, row) => {
    const activity = activityOf(plan, row)
    return (activity && kindWords(plan, activity)) ?? null
  },
  write: (edit, { id }, { text, chosen }) => writeKind(edit, id, typeof chosen === 'string' ? chosen : text),
  makes: {
    kind: 'ownKind',
    missing: missingOwnKind,
    make: (edit, { id }, name) => void addOwnKind(edit, name, indexCourse(edit.now).activity(id)?.kind ?? null, newId),
  },
})

const isProposed = (...[plan, row]: Place): boolean => {
  const activity = activityOf(plan, row)
  return activity !== undefined && activity.purpose === null && purposeOf(activity) !== null
}
const purpose = given('purpose', {
  width: 122,
  Cell: PurposeCell,
  proposes: isProposed,
  confirm: (edit, row) => {
    const activity = activityOf(edit.now, row)
    if (activity && isProposed(edit.now, row)) edit.set('activity', row.id, { purpose: purposeOf(activity) })
  },
})

function PurposeCell({ row }: { readonly row: GridRow }) {
  const activity = useCourse((s) => activityOf(s.view, row))
  if (!activity) return null
  const shown = purposeOf(activity)
  const proposed = activity.purpose === null && shown !== null
  return (
    <span className={proposed ? 'est' : ''} data-tip={proposed ? 'Proposed by the kind. Alt+Enter confirms it.' : undefined}>
      <PurposeShape purpose={shown} /> {shown ?? '–'}
      {proposed && <span className="visually-hidden"> (proposed)</span>}
    </span>
  )
}

const linksOf = (...[plan, row]: Place) => {
  const index = indexCourse(plan)
  return index.alignmentsOf(row.id).map((a) => ({
    kind: 'objective' as const,
    id: a.objectiveId,
    number: index.numberOf(a.objectiveId),
    suffix: a.stages.map((s) => STAGE_LETTER[s]).join(''),
  }))
}

const objectives = textColumn({
  id: 'objectives',
  header: 'Objectives',
  width: 150,
  cell: { name: 'link' },
  text: (plan, row) =>
    row.type === 'data'
      ? linksOf(plan, row)
          .map((l) => `${l.number} ${l.suffix}`)
          .join(', ')
      : '',
  Cell: ({ row }) => {
    const ends = useCourseData((s) => (row.type === 'data' ? linksOf(s.view, row) : null))
    return ends && <LinkChips ends={ends} />
  },
  hint: objectivesHint,
  write: write('objectives'),
  makes: { kind: 'objective', missing: missingObjectives, make: (edit, row, name) => addObjectiveFor(edit, row.id, name, newId) },
})

function objectivesHint(plan: Blueprint, row: GridRow, text: string): string | null {
  const activity = activityOf(plan, row)
  if (!activity) return null
  const { links, unknown } = readLinks(text)
  const index = indexCourse(plan)
  const known = links.map((l) => {
    const id = index.idOfNumber(l.number)
    if (!id) return `${l.number}: there is no such objective`
    const stages = l.stages.map((s) => STAGE_LETTER[s]).join('') || `${STAGE_LETTER[proposedStage(activity)]} (proposed)`
    return `${l.number} ${stages}: ${fitted(plan.objective.get(id)?.statement ?? '', 60)}`
  })
  return [...known, ...unknown.map((u) => `${u}: not understood`)].join('\n') || '4a I, 4b P A: introduces, practises, assesses'
}

const minutes = fieldColumn('activity', 'minutes', {
  header: 'Min',
  width: 58,
  hint: (_plan, _row, text) => (readMinutes(text) === null ? '45, 1.5 h or 1h30' : `${readMinutes(text)} min`),
  write: write('minutes'),
  Cell: MinutesCell,
})

function MinutesCell({ row }: { readonly row: GridRow }) {
  const shown = useCourse((s) => activityOf(s.view, row)?.minutes)
  const estimated = useCourse((s) => s.view.activity.get(row.id)?.minutes === null)
  if (shown === undefined) return null
  if (shown === null) return dash
  return (
    <span
      className={estimated ? 'est' : ''}
      data-tip={estimated ? 'Estimated or from its series; type minutes to set them by hand' : undefined}
    >
      {formatWhole(shown)}
    </span>
  )
}

function dueText(...[plan, row]: Place): string {
  const activity = activityOf(plan, row)
  if (!activity?.dueRule) return ''
  const weekStart = scheduleOf(plan)?.term.offering.weekStart ?? 'monday'
  return `${ruleText(activity.dueRule, weekStart)}${activity.dueTime ? ` ${activity.dueTime}` : ''}`
}

const due = textColumn({
  id: 'due',
  header: 'Due',
  width: 104,
  cell: { name: 'date' },
  text: dueText,
  hint: dueHint,
  write: write('due'),
  Cell: DueCell,
})

function DueCell({ row }: { readonly row: GridRow }) {
  const rule = useCourse((s) => dueText(s.view, row))
  const date = useCourseData((s) => (row.type === 'data' && scheduleOf(s.view)?.dueOf(row.id)) || null)
  const told = useCourse((s) => (date ? dueWords(s.view, row, date.date) : ''))
  if (row.type !== 'data') return null
  if (date) return <span data-tip={`${told}, ${date.time}`}>{shortDate(date.date)}</span>
  return rule === '' ? (
    dash
  ) : (
    <span className="weight fix" data-tip="This rule gives no date in the term">
      {rule}
    </span>
  )
}

/** Where a day lies in the term and in its module: `week 5, 2nd of the module`. */
function dueWords(plan: Blueprint, row: GridRow, date: string, rule = activityOf(plan, row)?.dueRule): string {
  const schedule = scheduleOf(plan)
  return schedule && rule ? weekWords(schedule.term, date, rule, moduleWordOf(plan).one) : ''
}

function dueHint(plan: Blueprint, row: GridRow, text: string): string {
  const schedule = scheduleOf(plan)
  const rule = readDueRule(text, schedule?.term.offering.weekStart ?? 'monday')
  if (!rule) return 'Sun wk 2, wk 1 Thu 18:00, or a date'
  const module = plan.module.get(activityOf(plan, row)?.moduleId ?? row.id)
  const date = module && schedule ? resolveDueDate(rule.rule, module, schedule.term) : undefined
  return date
    ? `${shortDate(date)}${rule.time ? ` ${rule.time}` : ''}: ${dueWords(plan, row, date, rule.rule)}`
    : 'A week the term does not have'
}

const category = textColumn({
  id: 'category',
  header: 'Category',
  width: 118,
  cell: { name: 'choice', choices: (plan) => indexCourse(plan).categories.map((c) => ({ value: c.id, label: c.title })) },
  text: (plan, row) => plan.gradeCategory.get(assessmentOf(plan, row)?.categoryId ?? '')?.title ?? '',
  chosen: (plan, row) => assessmentOf(plan, row)?.categoryId ?? null,
  write: (edit, row, { text, chosen }) => {
    const activity = edit.now.activity.get(row.id)
    if (typeof chosen !== 'string' || !activity) return write('category')(edit, row, { text })
    setAssessment(edit, activity, { categoryId: chosen })
    return null
  },
  makes: { kind: 'gradeCategory', missing: missingCategory, make: (edit, _row, name) => void addCategory(edit, name, newId) },
})

const points = textColumn({
  id: 'points',
  header: 'Points',
  width: 64,
  cell: { name: 'number' },
  text: (plan, row) => {
    const p = assessmentOf(plan, row)?.points
    return p == null ? '' : formatHundredths(p)
  },
  write: write('points'),
})

export const ACTIVITY_COLUMNS: readonly GridColumn[] = [
  number,
  title,
  part,
  kind,
  purpose,
  objectives,
  minutes,
  due,
  category,
  points,
  // Of the learner's hours and the marking, for those who work on them.
  fieldColumn('activity', 'countsAs', { width: 112, hidden: true }),
  fieldColumn('activity', 'pace', { width: 100, hidden: true }),
  fieldColumn('activity', 'difficulty', { width: 100, hidden: true }),
  fieldColumn('activity', 'dueTime', { header: 'Due at', width: 84, hidden: true }),
  ...DESIGN_COLUMNS,
]
