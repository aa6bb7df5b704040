/** A review that goes on, and what came of one: known from beside the plan. */
import { refKey } from '../../blueprint/blueprint'
import type { RecordRef } from '../../blueprint/kinds'
import type { Context } from '../context'
import { reviewRule } from '../rule'

/** Points of the plan that are listed by id, as open findings. */
const points = ({ blueprint }: Context, ids: readonly string[]) =>
  [...new Set(ids)].flatMap((id) => {
    const point = blueprint.reviewPoint.get(id)
    const found = { weight: 'open', records: [{ kind: 'reviewPoint', id }], named: { point: point?.code ?? '' }, facts: [id] } as const
    return point ? [found] : []
  })

export const reviewOpen = reviewRule('review-open', {
  reads: ['reviewPoint.code'],
  readsBeside: true,
  find: (context) => points(context, context.beside.unrated),
})

export const reviewStale = reviewRule('review-stale', {
  reads: ['reviewPoint.code'],
  readsBeside: true,
  find: (context) => points(context, context.beside.stale),
})

const COURSE: RecordRef = { kind: 'course', id: 'course' }

/** One for all that is overdue at a record, or at the course where it has no record. */
export const actionOverdue = reviewRule('action-overdue', {
  reads: [],
  readsBeside: true,
  find: ({ beside, today }) => {
    if (today === null) return []
    const byRecord = new Map<string, { readonly ref: RecordRef; readonly actions: { readonly what: string; readonly by: string }[] }>()
    for (const { what, by, records } of beside.actions) {
      if (by >= today) continue
      const ref = records[0] ?? COURSE
      const at = byRecord.get(refKey(ref)) ?? { ref, actions: [] }
      at.actions.push({ what, by })
      byRecord.set(refKey(ref), at)
    }
    return [...byRecord.values()].map(({ ref, actions }) => ({
      weight: 'check',
      records: [ref],
      named: { actions },
      facts: actions.flatMap(({ what, by }) => [what, by]),
    }))
  },
})
