/** A course copied into a new one: whole, or the parts of it that are wanted, with a title and a first day of its own. */
import { applyEffective } from '../blueprint/apply'
import { type Blueprint, EMPTY_BLUEPRINT, recordsOf } from '../blueprint/blueprint'
import { editPlan, type PlanEdit } from '../blueprint/edit'
import { fittedText } from '../blueprint/field-text'
import type { NewId } from '../blueprint/ids'
import type { AnyRecord, KINDS, KindName, RecordRef } from '../blueprint/kinds'
import { addDays, dayNumber } from '../calendar/plain-date'
import { currentOffering } from '../plan/offering'
import { type Copied, copyRecords, everythingIn } from './copy'

/** What a copy may consist of, in the order in which a course is planned. */
export const COPY_PARTS = ['outcomes', 'modules', 'activities', 'assessment', 'calendar', 'syllabus', 'review'] as const
export type CopyPart = (typeof COPY_PARTS)[number]

/** What each part is, in words. */
export const COPY_PART_TITLES: Readonly<Record<CopyPart, string>> = {
  outcomes: 'Outcomes and frameworks',
  modules: 'Modules and their objectives',
  activities: 'Activities and what they are for',
  assessment: 'Grade, rubrics and assessments',
  calendar: 'Breaks and closed days',
  syllabus: 'Written parts of the syllabus',
  review: 'Sets of quality points',
}

/** The part that a kind is of; `always`: every copy has it. */
const PART_OF: Readonly<Record<keyof typeof KINDS, CopyPart | 'always'>> = {
  course: 'always',
  reviewSet: 'review',
  reviewArea: 'review',
  reviewPoint: 'review',
  pointMatch: 'review',
  offering: 'always',
  calendarRule: 'calendar',
  framework: 'outcomes',
  frameworkItem: 'outcomes',
  itemRelation: 'outcomes',
  outcome: 'outcomes',
  outcomeItem: 'outcomes',
  part: 'modules',
  module: 'modules',
  objective: 'modules',
  objectiveOutcome: 'modules',
  objectiveItem: 'modules',
  gradeCategory: 'assessment',
  gradeStep: 'assessment',
  rubric: 'assessment',
  rubricLevel: 'assessment',
  criterion: 'assessment',
  criterionObjective: 'assessment',
  criterionItem: 'assessment',
  descriptor: 'assessment',
  series: 'activities',
  activity: 'activities',
  alignment: 'activities',
  activityItem: 'activities',
  evidencePoint: 'activities',
  evidenceItem: 'activities',
  assessment: 'assessment',
  modulePart: 'modules',
  session: 'modules',
  ownKind: 'always',
  kindDefault: 'always',
  recallObjective: 'modules',
  recallModule: 'modules',
  extraPlace: 'activities',
  buildsOn: 'activities',
  unlockTerm: 'activities',
  accessItem: 'activities',
  material: 'activities',
  remedy: 'activities',
  storyRow: 'activities',
  milestone: 'activities',
  variant: 'activities',
  product: 'activities',
  columnSet: 'always',
  columnOfSet: 'always',
  assumption: 'always',
  syllabusSection: 'syllabus',
  decision: 'always',
  ruleSetting: 'always',
  taughtVerb: 'always',
}
/** What a kind goes with where only parts are copied. One that is declared elsewhere comes always. */
export const partOf = (kind: KindName): CopyPart | 'always' => PART_OF[kind] ?? 'always'

export type CopyWishes = {
  /** Open: everything. */
  readonly parts?: readonly CopyPart[] | undefined
  readonly title: string
  /** Open: that of the course. */
  readonly code?: string | undefined
  /** The first day of the one offering that the copy has; open: all offerings as they are. */
  readonly firstDay?: string | undefined
  /** What that offering is called; open: as the one it is made of. */
  readonly term?: string | undefined
}

/**
 * A new plan made of a course. With a first day it has one offering: the one in which the course is seen, moved there with its
 * breaks and closed days by as many days. Says what was left open or out.
 */
export function copyCourse(from: Blueprint, wishes: CopyWishes, newId: NewId): Copied & { readonly plan: Blueprint } {
  let copied: Copied = { ids: new Map(), lost: [] }
  const plan = applyEffective(
    EMPTY_BLUEPRINT,
    editPlan(EMPTY_BLUEPRINT, (edit) => {
      copied = copyInto(edit, from, wishes, newId)
    }),
  )
  return { ...copied, plan }
}

function copyInto(edit: PlanEdit, from: Blueprint, { parts = COPY_PARTS, title, code, firstDay, term }: CopyWishes, newId: NewId): Copied {
  const kept = firstDay === undefined ? undefined : currentOffering(from)
  const stays = ({ kind, id }: RecordRef): boolean => {
    const part = partOf(kind)
    if (part !== 'always' && !parts.includes(part)) return false
    if (!kept) return true
    return kind === 'offering' ? id === kept.id : kind !== 'calendarRule' || from.calendarRule.get(id)?.offeringId === kept.id
  }
  const later = kept && firstDay !== undefined ? dayNumber(firstDay) - dayNumber(kept.firstDay) : 0
  const moved = (date: unknown): unknown => (typeof date === 'string' ? addDays(date, later) : date)
  const adjust = (record: AnyRecord, { kind }: RecordRef): AnyRecord => {
    if (kind === 'course')
      return {
        ...record,
        title: fittedText('course', 'title', title) ?? record['title'],
        ...(code === undefined ? {} : { code: fittedText('course', 'code', code) }),
      }
    if (!kept) return record
    if (kind === 'offering') {
      const named = term === undefined ? record['term'] : (fittedText('offering', 'term', term) ?? record['term'])
      return { ...record, term: named, firstDay, lastDay: moved(record['lastDay']) }
    }
    return kind === 'calendarRule' ? { ...record, firstDate: moved(record['firstDate']), lastDate: moved(record['lastDate']) } : record
  }
  const copied = copyRecords(edit, from, everythingIn(from).filter(stays), newId, { adjust })
  leadDecisions(edit, from, copied)
  return copied
}

function asJson(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return null
  }
}

/** Kept findings name records in their keys and facts: those of the copy are of the copies. */
function leadDecisions(edit: PlanEdit, from: Blueprint, { ids }: Copied): void {
  const byOld = new Map([...ids].map(([key, id]) => [key.slice(key.indexOf(' ') + 1), id]))
  const led = (value: unknown): unknown =>
    Array.isArray(value) ? value.map(led) : typeof value === 'string' ? (byOld.get(value) ?? value) : value
  for (const d of recordsOf(from, 'decision')) {
    const id = ids.get(`decision ${d.id}`)
    if (id === undefined || !d.findingKey) continue
    const [code = '', ...about] = d.findingKey.split(' ')
    const facts = d.facts && asJson(d.facts)
    edit.set('decision', id, {
      findingKey: [code, ...about.map((a) => byOld.get(a) ?? a).sort()].join(' '),
      ...(facts ? { facts: JSON.stringify(led(facts)) } : {}),
    })
  }
}
