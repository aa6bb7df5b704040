/** What the demo course has beside its plan: last year's course that it was made of, a past offering, a cover, two snapshots. */
import { readFileSync } from 'node:fs'
import { eq } from 'drizzle-orm'
import { applyEffective } from '../core/blueprint/apply'
import { blankOf } from '../core/blueprint/blank'
import { type Blueprint, recordsOf } from '../core/blueprint/blueprint'
import { editPlan, type PlanEdit } from '../core/blueprint/edit'
import { type AnyRecord, KIND_NAMES, type KindName } from '../core/blueprint/kinds'
import { keyAtEnd } from '../core/blueprint/order'
import { currentOffering, offeringsOf } from '../core/plan/offering'
import { createCourse } from './courses'
import type { Database } from './db/client'
import { courseHead } from './db/schema'
import { putFile } from './files'
import { serverId } from './ids'
import { keepSnapshot } from './snapshots'

const edited = (plan: Blueprint, work: (edit: PlanEdit) => void): Blueprint => applyEffective(plan, editPlan(plan, work))
const COVER = { id: 'cover', file: '../../demo/cover-small-streams.png', alt: 'A stream runs through hills past a staff gauge' }
/** The course that the demo course was copied from. */
export const LAST_YEAR = { id: 'small-streams-2026', code: 'HYD 214', title: 'Measuring Small Streams, 2026' }

/** The plan with an offering that is over, and its cover. */
export const dressed = (plan: Blueprint): Blueprint =>
  edited(plan, (edit) => {
    const order = keyAtEnd(offeringsOf(edit.now))
    const { timeZone = 'UTC', weekStart = 'monday' } = currentOffering(plan) ?? {}
    edit.create('offering', {
      ...blankOf('offering'),
      id: 'autumn-2026',
      term: 'Autumn 2026',
      state: 'past',
      firstDay: '2026-08-31',
      timeZone,
      weekStart,
      enrolment: 24,
      order,
    })
    edit.set('course', 'course', { coverFileId: COVER.id, coverAlt: COVER.alt })
  })

/** Last year's course, put away. */
export async function loadLastYear(db: Database, plan: Blueprint, ownerId: string): Promise<void> {
  const { id, title } = LAST_YEAR
  const blueprint = edited(plan, (edit) => {
    edit.set('course', 'course', { title })
    const offering = currentOffering(edit.now)
    if (offering) edit.set('offering', offering.id, { term: 'Autumn 2026', firstDay: '2026-08-31', state: 'past' })
  })
  await createCourse(db, { blueprint, ownerId, code: 'create-course', newId: serverId, id })
  await db
    .update(courseHead)
    .set({ state: 'archived', stateAt: new Date('2026-11-20T15:00:00Z') })
    .where(eq(courseHead.id, id))
}

/** The cover's bytes, and the plan as it was twice before. Returns the ids of its snapshots. */
export async function loadDemoLife(
  db: Database,
  courseId: string,
  plan: Blueprint,
  designer: { readonly id: string },
): Promise<{ readonly first: string; readonly reviewed: string }> {
  const viewer = { id: designer.id, role: 'designer' } as const
  const bytes = readFileSync(new URL(COVER.file, import.meta.url))
  await putFile(
    db,
    courseId,
    viewer,
    COVER.id,
    'cover-small-streams.png',
    (async function* () {
      yield bytes
    })(),
  )
  const reviewed = edited(plan, (edit) => {
    edit.set('objective', 'o5c', { statement: 'Know how field readings can mislead' })
    edit.set('gradeCategory', 'labs', { share: 3500 })
    edit.set('rubric', 'report', { title: 'Report, draft' })
  })
  const first = edited(reviewed, (edit) => {
    edit.remove({ kind: 'module', id: 'm8' })
    edit.set('activity', 'a4-8', { title: 'Lab 2: The bed' })
  })
  const recordsFor = (of: Blueprint) =>
    Object.fromEntries(KIND_NAMES.map((kind) => [kind, recordsOf(of, kind)])) as unknown as Record<KindName, AnyRecord[]>
  const keep = async (name: string, note: string, of: Blueprint, at: string) =>
    (await keepSnapshot(db, courseId, viewer, { name, note }, { records: recordsFor(of), revision: 0, at: new Date(at) })).id
  return {
    first: await keep('First draft', 'Seven modules, before the council was asked.', first, '2026-10-12T09:30:00Z'),
    reviewed: await keep('For the review', 'For Marek Havel: please look at modules 3 to 5 first.', reviewed, '2026-11-16T16:45:00Z'),
  }
}
