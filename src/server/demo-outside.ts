/**
 * The outside review of the solar course: the set that ships and a short one made from the institute's framework, points that ask the
 * same matched, and an open round with a seat for somebody without an account.
 */
import { applyEffective } from '../core/blueprint/apply'
import type { Blueprint } from '../core/blueprint/blueprint'
import { editPlan } from '../core/blueprint/edit'
import { planSet, pointsOfSet } from '../core/review/plan-sets'
import { addSet, matchByCodes, setFromFramework } from '../core/review/set-edits'
import { markBeside, putBeside } from './beside'
import type { Database } from './db/client'
import { withOwnSet } from './demo-review'
import { hashOfLink } from './seats'
import { makeSnapshot } from './snapshots'

const CHARTER = 'lch1'
const SET_ID = 'charter-1'
/** Which points of the charter and of the set that ships ask the same. */
const SAME = { C1: 'P-1', C2: 'D-1', C3: 'P-3', C4: 'J-2', C5: 'C-1' } as const
/** The secret of the link in the README: nobody's course but the demo's has it. */
export const DEMO_LINK = 'outside-review-of-ren-031'

/** The plan with both sets. */
export async function withCharter(plan: Blueprint): Promise<Blueprint> {
  const both = await withOwnSet(plan)
  const charter = setFromFramework(both, CHARTER)
  if (!charter) throw new Error('the demo course has no such framework')
  let n = 0
  const added = applyEffective(
    both,
    editPlan(both, (edit) => void addSet(edit, charter, () => `charter-${++n}`)),
  )
  const set = planSet(added, SET_ID)
  return applyEffective(
    added,
    editPlan(added, (edit) => {
      for (const point of set ? pointsOfSet(set) : []) matchByCodes(edit, point.id, SAME[point.code as keyof typeof SAME] ?? '')
    }),
  )
}

/** Opens the round, with one seat by link. */
export async function loadOutsideRound(db: Database, courseId: string, designer: { readonly id: string }): Promise<void> {
  const viewer = { id: designer.id, role: 'designer' } as const
  const snapshot = await makeSnapshot(db, courseId, viewer, { name: 'For the outside review' })
  const round = {
    ...{ title: 'Outside review', snapshotId: snapshot.id, setId: SET_ID, kind: 'outside', object: 'plan', address: null },
    ...{ follows: null, points: [], due: null, merge: 'strictest', state: 'open', showsNotes: false },
  }
  await putBeside(db, 'reviewRound', courseId, viewer, 'outside', round, null)
  const nobody = {
    personId: null,
    linkHash: null,
    points: [],
    remark: null,
    handedInAt: null,
    openings: 0,
    openedAt: null,
    withdrawn: false,
  }
  const seat = { ...nobody, roundId: 'outside', name: 'Sunniva Roe' }
  await putBeside(db, 'reviewSeat', courseId, viewer, 'outside-1', seat, null)
  await db.transaction((tx) => markBeside(tx, 'reviewSeat', courseId, 'outside-1', { linkHash: hashOfLink(DEMO_LINK) }))
}
