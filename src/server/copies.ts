/** Courses made of others, and what a file brings into one. */

import { actionSpec, isOpenAction, type ReviewAction } from '../core/beside/review-records'
import { type Blueprint, courseOf } from '../core/blueprint/blueprint'
import { editPlan } from '../core/blueprint/edit'
import { addPlan } from '../core/edits/add-plan'
import { type CopyWishes, copyCourse } from '../core/edits/copy-course'
import { filesOf } from '../core/files/files-of'
import { countOf } from '../core/numbers'
import { inOffering } from '../core/plan/offering'
import { err, ok, type Result } from '../core/result'
import { listBeside, putBeside } from './beside'
import { applyCourseChange } from './changes'
import { createCourse, loadBlueprint } from './courses'
import type { Database } from './db/client'
import { shareFiles } from './files'
import { serverId } from './ids'
import { membersOf } from './membership'
import { designerOf } from './people'
import { noSuchCourse } from './problem'

type CopyOptions = {
  /** As which of its offerings it is to be copied; null: the first. */
  readonly offering?: string | null
  /** What is still to be done comes along. */
  readonly actions?: boolean
}

/**
 * Copies a course, as it is at one moment, into a new one of `ownerId`, as one change. Returns its id, and how many links the
 * parts that were left behind had.
 */
export async function copiedCourse(
  db: Database,
  courseId: string,
  ownerId: string,
  wishes: CopyWishes,
  { offering = null, actions = false }: CopyOptions = {},
): Promise<{ readonly id: string; readonly leftBehind: number }> {
  const loaded = await loadBlueprint(db, courseId)
  if (!loaded) throw noSuchCourse()
  const from = inOffering(loaded.blueprint, offering)
  const { plan, lost, ids } = copyCourse(from, wishes, serverId)
  const { title, code } = courseOf(from)
  const params = { what: code ? `${code} ${title}` : title }
  const id = await createCourse(db, { blueprint: plan, ownerId, code: 'copy-course', params, newId: serverId })
  await shareFiles(db, courseId, id, filesOf(plan), ownerId)
  if (actions) await carryActions(db, { from: courseId, to: id, ownerId, ids })
  return { id, leftBehind: lost.length }
}

/**
 * Brings a plan into a course, in its designer's name, as one change: what the course has its like of stays as it is, the rest is
 * added. Returns what was added, in words; an error where there is no such course, or nothing to add.
 */
export async function bringInto(db: Database, courseId: string, plan: Blueprint): Promise<Result<string, string>> {
  const [by, loaded] = [await designerOf(db, courseId), await loadBlueprint(db, courseId)]
  if (!by || !loaded) return err(`there is no course ${courseId}`)
  const operations = editPlan(loaded.blueprint, (edit) => void addPlan(edit, plan, serverId))
  if (operations.length === 0) return err('this course has all of it')
  const result = await applyCourseChange(db, courseId, by.id, {
    id: serverId(),
    code: 'bring-in',
    params: { n: operations.length },
    onConflict: 'refuse',
    operations,
  })
  return result.ok ? ok(countOf(operations.length, 'record')) : err('the course was changed meanwhile: try again')
}

type Carried = {
  readonly from: string
  readonly to: string
  readonly ownerId: string
  /** The new ids by `kind id`. */
  readonly ids: ReadonlyMap<string, string>
}

/** Open actions, about the copies of what they are about. Whoever is not in the copy yet stays named. */
async function carryActions(db: Database, { from, to, ownerId, ids }: Carried): Promise<void> {
  const viewer = { id: ownerId, role: 'designer' } as const
  const names = new Map((await membersOf(db, from)).map((m) => [m.id, m.name]))
  const { records } = await listBeside(db, actionSpec.name, from, viewer)
  for (const action of records as unknown as readonly ReviewAction[]) {
    if (!isOpenAction(action)) continue
    const { id: _i, authorId: _a, at: _t, revision: _r, ...values } = action
    const about = action.records.flatMap(({ kind, id }) => {
      const copy = ids.get(`${kind} ${id}`)
      return copy === undefined ? [] : [{ kind, id: copy }]
    })
    const carried = {
      ...values,
      ...{ roundId: null, commentId: null, pointId: action.pointId && (ids.get(`reviewPoint ${action.pointId}`) ?? null) },
      personId: action.personId === ownerId ? ownerId : null,
      name: action.personId === null || action.personId === ownerId ? action.name : (names.get(action.personId) ?? action.name),
      records: about,
    }
    await putBeside(db, actionSpec.name, to, viewer, serverId(), carried, null)
  }
}
