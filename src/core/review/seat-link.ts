/** The link of a seat: how long it holds, and what of a plan whoever comes by it sees. */
import type { ReviewRound, ReviewSeat } from '../beside/review-records'
import { type Blueprint, blueprintOf, type Records, recordMap } from '../blueprint/blueprint'
import type { Fields } from '../blueprint/field'
import { type AnyRecord, KIND_NAMES, specOf } from '../blueprint/kinds'

/** So many days after a round is due its links hold (Cairn default). */
export const LINK_DAYS = 14
const DAY_MS = 86_400_000

/** The last day on which a link of a round holds: an ISO date; null where the round has no end. */
export const lastDayOf = ({ due }: Pick<ReviewRound, 'due'>): string | null =>
  due && new Date(Date.parse(due) + LINK_DAYS * DAY_MS).toISOString().slice(0, 10)

/** Whether whoever came by a link is still served, on a day (ISO date). */
export const isServed = (round: Pick<ReviewRound, 'due'>, seat: Pick<ReviewSeat, 'withdrawn'>, today: string): boolean =>
  !seat.withdrawn && today <= (lastDayOf(round) ?? today)

/** What stands for a text that the team keeps to itself, where there must be one. */
const KEPT = '–'

/** A plan without what the team keeps to itself: designers' notes, reasons, and hours of marking. */
export function seenFromOutside(plan: Blueprint): Blueprint {
  const records = KIND_NAMES.map((kind) => {
    const { inside = [], fields } = specOf(kind)
    const isOpen = (field: string) => (fields as Fields)[field]?.optional === true
    const hidden = Object.fromEntries(inside.map((field) => [field, isOpen(field) ? null : KEPT]))
    return [kind, [...recordMap(plan, kind).values()].map((r) => ({ ...r, ...hidden }) as AnyRecord)] as const
  })
  return blueprintOf(Object.fromEntries(records) as unknown as Records)
}
