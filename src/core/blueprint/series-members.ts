/** What a member of a series is, as a whole: its own fields, and the series' where they are open. */
import { blankOf } from './blank'
import { linkId } from './ids'
import type { Activity, Assessment, Series } from './kinds'

/** Fields of an activity that a series gives. */
export const SERIES_FIELDS = ['kind', 'purpose', 'minutes', 'dueRule'] as const

/** Where a title holds this, the member's place in its series stands there. */
export const ORDINAL = '{n}'

type Member = { readonly series: Series; readonly ordinal: number; readonly whole: Activity }
const members = new WeakMap<Activity, Member>()

/** The whole member. The same object comes back while neither it, its series nor its place has changed. */
export function memberOf(own: Activity, series: Series, ordinal: number): Activity {
  const known = members.get(own)
  if (known && known.series === series && known.ordinal === ordinal) return known.whole
  const whole: Activity = {
    ...own,
    title: own.title.replaceAll(ORDINAL, String(ordinal)),
    kind: own.kind ?? series.kind,
    purpose: own.purpose ?? series.purpose,
    minutes: own.minutes ?? series.minutes,
    dueRule: own.dueRule ?? series.dueRule,
  }
  members.set(own, { series, ordinal, whole })
  return whole
}

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
