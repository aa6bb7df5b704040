/** The review of a course as somebody sees it, for files. */
import type { Viewer } from '../core/beside/beside'
import { actionSpec, decisionSpec, type ReviewAction, ratingSpec, roundSpec, seatSpec } from '../core/beside/review-records'
import type { Blueprint } from '../core/blueprint/blueprint'
import { type BesideFacts, NOTHING_BESIDE } from '../core/findings/beside-facts'
import { datedActions } from '../core/review/beside-facts'
import { chainOf, type ReviewRecords, reviewOf } from '../core/review/of-course'
import type { Review } from '../core/review/review'
import { listBeside } from './beside'
import type { Database } from './db/client'
import { membersOf } from './membership'
import { snapshotPlan } from './snapshots'

/** A round, by its id or title, with those that it follows; null takes the newest. Null where there is none. What the viewer does not see is left out. */
export async function reviewOfCourse(
  db: Database,
  courseId: string,
  viewer: Viewer,
  now: Blueprint,
  wanted: string | null,
): Promise<Review | null> {
  const list = async (spec: { readonly name: string }) => (await listBeside(db, spec.name, courseId, viewer)).records as never
  const records: ReviewRecords = {
    rounds: await list(roundSpec),
    seats: await list(seatSpec),
    ratings: await list(ratingSpec),
    decisions: await list(decisionSpec),
    actions: await list(actionSpec),
    people: new Map((await membersOf(db, courseId)).map((m) => [m.id, m.name])),
  }
  const round = wanted === null ? records.rounds.at(-1) : records.rounds.find((r) => r.id === wanted || r.title === wanted)
  if (!round) return null
  const plans = new Map<string, Blueprint>()
  for (const { snapshotId } of chainOf(records.rounds, round.id))
    plans.set(snapshotId, (await snapshotPlan(db, courseId, viewer, snapshotId)).plan)
  return reviewOf(records, round.id, { now, snapshot: (id) => plans.get(id) ?? null })
}

/** What the counts of a course rest on beside its plan: what is overdue. What else rules know stays quiet, and counts nowhere. */
export async function besideFactsOfCourse(db: Database, courseId: string): Promise<BesideFacts> {
  const { records } = await listBeside(db, actionSpec.name, courseId, { id: '', role: 'designer' })
  return { ...NOTHING_BESIDE, actions: datedActions(records as unknown as readonly ReviewAction[]) }
}
