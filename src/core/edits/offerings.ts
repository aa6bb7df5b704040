/** Offerings made, copied and removed. What rolling a course over computes beside its dates is no matter of these. */
import { blankOf } from '../blueprint/blank'
import type { PlanEdit } from '../blueprint/edit'
import type { NewId } from '../blueprint/ids'
import type { Offering } from '../blueprint/kinds'
import type { OfferingState } from '../blueprint/kinds/offering'
import { keyAtEnd } from '../blueprint/order'
import { rulesOf } from '../calendar/follow'
import { addDays, daysBetween } from '../calendar/plain-date'
import { offeringsOf } from '../plan/offering'

export type NewOffering = { readonly term: string; readonly firstDay: string }

/**
 * One more offering, behind the others, with the ways of an offering (zone, start of the week, due time). `rules`: its breaks and
 * closed days come too, moved by as many days as its first day. Returns its id.
 */
export function addOffering(edit: PlanEdit, like: Offering, { term, firstDay }: NewOffering, rules: boolean, newId: NewId): string {
  const id = newId()
  const order = keyAtEnd(offeringsOf(edit.now))
  const days = daysBetween(like.firstDay, firstDay)
  const { dueTime, timeZone, weekStart, countBreaks, returnDays, markingHours } = like
  const lastDay = rules && like.lastDay ? addDays(like.lastDay, days) : null
  const ways = { dueTime, timeZone, weekStart, countBreaks, returnDays, markingHours }
  edit.create('offering', { ...blankOf('offering'), ...ways, id, term, firstDay, lastDay, order })
  if (rules)
    for (const rule of rulesOf(edit.now, like.id))
      edit.create('calendarRule', {
        ...rule,
        id: newId(),
        offeringId: id,
        firstDate: addDays(rule.firstDate, days),
        lastDate: addDays(rule.lastDate, days),
      })
  return id
}

/** Whether an offering is planned, running or past: as somebody said, else by its days. */
export function offeringState(offering: Offering, lastDay: string, today: string): OfferingState {
  if (offering.state) return offering.state
  return today < offering.firstDay ? 'planned' : today > lastDay ? 'past' : 'running'
}
