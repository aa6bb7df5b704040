/** What an activity is as a whole: its own fields, its series' where they are open, and an estimate of its minutes where none are set. */

import { blankOf } from '../blueprint/blank'
import { linkId } from '../blueprint/ids'
import type { Activity, Assessment, Series } from '../blueprint/kinds'
import type { Assume } from './assumptions'
import { estimateOf } from './estimate'

/** Where the title of a member holds this, its place in its series stands there. */
export const ORDINAL = '{n}'

type Membership = { readonly series: Series; readonly ordinal: number } | null
type Known = {
  readonly series: Series | undefined
  readonly ordinal: number | undefined
  readonly assume: Assume
  readonly whole: Activity
}
const wholes = new WeakMap<Activity, Known>()

/** The whole activity; estimated minutes are not rounded. The same object comes back while nothing that it is made of has changed. */
export function wholeActivity(own: Activity, member: Membership, assume: Assume): Activity {
  if (!member && (own.minutes !== null || own.size === null)) return own
  const known = wholes.get(own)
  if (known && known.series === member?.series && known.ordinal === member?.ordinal && known.assume === assume) return known.whole
  const merged = member ? withSeries(own, member.series, member.ordinal) : own
  const estimate = merged.minutes === null ? estimateOf(merged, assume) : null
  const whole = estimate ? { ...merged, minutes: estimate.minutes } : merged
  wholes.set(own, { series: member?.series, ordinal: member?.ordinal, assume, whole })
  return whole
}

/** How the minutes of an activity were found; null where it has none. */
export type MinutesFrom = 'by hand' | 'series' | 'estimate'
export function minutesFrom(own: Pick<Activity, 'minutes' | 'size'>, whole: Pick<Activity, 'minutes'>): MinutesFrom | null {
  if (whole.minutes === null) return null
  return own.minutes !== null ? 'by hand' : own.size === null ? 'series' : 'estimate'
}

const withSeries = (own: Activity, series: Series, ordinal: number): Activity => ({
  ...own,
  title: own.title.replaceAll(ORDINAL, String(ordinal)),
  kind: own.kind ?? series.kind,
  purpose: own.purpose ?? series.purpose,
  minutes: own.minutes ?? (own.size === null ? series.minutes : null),
  dueRule: own.dueRule ?? series.dueRule,
})

const derived = new WeakMap<Series, Map<string, { readonly own: Assessment | undefined; readonly whole: Assessment }>>()

/** A member's assessment; undefined where neither it nor its series has one. */
export function assessmentOfMember(activityId: string, own: Assessment | undefined, series: Series): Assessment | undefined {
  if (series.function === null) return own
  const known = derived.get(series)?.get(activityId)
  if (known && known.own === own) return known.whole
  const whole: Assessment = {
    ...(own ?? {
      ...blankOf('assessment'),
      id: linkId([activityId], 'assessment'),
      activityId,
      function: series.function,
    }),
    points: own?.points ?? series.points,
    categoryId: own?.categoryId ?? series.categoryId,
  }
  const list = derived.get(series) ?? new Map()
  list.set(activityId, { own, whole })
  derived.set(series, list)
  return whole
}
