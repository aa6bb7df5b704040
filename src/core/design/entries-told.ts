/** What the entries of a list come to: how long a recording runs, how much time the milestones take, how many needs are met. */
import type { Blueprint } from '../blueprint/blueprint'
import { formatWhole } from '../numbers'
import { perPlan } from '../plan/derive'
import { indexCourse } from '../plan/plan-index'
import { type EntryList, entriesOf } from './entry-lists'
import { plannedLengths } from './length'

const lengthsOf = perPlan((plan) => new Map(plannedLengths(plan).map((l) => [l.activityId, l])))

/** `12:40` */
export const clockLength = (seconds: number): string => `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`

/** How many needs of an activity are met, of those that it has; empty where none is said. */
function accessTold(plan: Blueprint, list: EntryList, ownerId: string): string {
  const needed = entriesOf(plan, list, ownerId).filter((e) => e.state !== 'not needed')
  return needed.length === 0 ? '' : `${needed.filter((e) => e.state !== 'to do').length} of ${needed.length}`
}

/** The sum of a list in a few words; empty where it has none. */
export function entriesTold(plan: Blueprint, list: EntryList, ownerId: string): string {
  if (list.kind === 'accessItem') return accessTold(plan, list, ownerId)
  if (list.kind === 'storyRow') {
    const length = lengthsOf(plan).get(ownerId)
    return length ? `${length.isEstimate ? 'about ' : ''}${clockLength(length.seconds)} of ${clockLength(length.target)}` : ''
  }
  if (list.kind === 'milestone') {
    const minutes = entriesOf(plan, list, ownerId).reduce((sum, e) => sum + Number(e.minutes ?? 0), 0)
    const all = indexCourse(plan).activity(ownerId)?.minutes ?? null
    return minutes === 0 ? '' : `${formatWhole(minutes)}${all === null ? '' : ` of ${formatWhole(all)}`} min`
  }
  return ''
}
