/** Writing one's own ratings: shown at once, kept in this browser, sent when there is a line. */
import type { ReviewRating, ReviewSeat } from '../../core/beside/review-records'
import { linkId } from '../../core/blueprint/ids'
import type { ReviewPointRecord } from '../../core/blueprint/kinds'
import { baseText, citationOf } from '../../core/review/of-course'
import { baseOf } from '../../core/review/rests-on'
import { useCourseStore } from '../store/course-store'
import type { ShownReview } from './use-review'

const FIELDS = ['seatId', 'pointId', 'value', 'handedInValue', 'reason', 'seen', 'where', 'change', 'mark', 'evidence', 'base'] as const
export type RatingChange = Partial<Pick<ReviewRating, 'value' | 'reason' | 'seen' | 'where' | 'change' | 'mark' | 'evidence'>>

const blank = (id: string, seatId: string, pointId: string) => ({
  ...Object.fromEntries(FIELDS.map((f) => [f, null])),
  id,
  seatId,
  pointId,
  evidence: [],
})

export const ratingId = (seatId: string, pointId: string): string => linkId([seatId, pointId], 'rating')

/** The ratings of one's own seat in a round, by point, and how to write them. */
export function useOwnRatings(review: ShownReview, seat: ReviewSeat | null) {
  const store = useCourseStore()
  const { records, round } = review
  const own = new Map(records.ratings.filter((r) => r.seatId === seat?.id && r.pointId !== null).map((r) => [r.pointId, r]))
  const isSelfCheck = round?.kind === 'self-check'

  /** What the rating rests on now: the findings of its point, and the cited records as they are. */
  const renewed = (point: ReviewPointRecord, evidence: ReviewRating['evidence']) => {
    const { view, reviewed } = store.state
    const base = baseOf(view)
    const keys = reviewed ? point.findings.flatMap((code) => reviewed.keys[code] ?? []) : []
    return {
      base: reviewed ? baseText(keys) : null,
      // The same while it holds nothing, so that it is not drawn again.
      evidence:
        evidence.length === 0
          ? evidence
          : evidence.map((e) => {
              const cited = citationOf(e)
              return cited?.type === 'record' ? { ...e, digest: base.digestOf(cited.ref) } : e
            }),
    }
  }
  const write = (pointId: string, to: Readonly<Record<string, unknown>>) => {
    if (!seat) return
    const id = ratingId(seat.id, pointId)
    const before = own.get(pointId)
    review.write('reviewRating', id, before, before ? to : { ...blank(id, seat.id, pointId), ...to })
  }
  return {
    own,
    rate: (point: ReviewPointRecord, to: RatingChange) => {
      const before = own.get(point.id)
      const evidence = to.evidence ?? before?.evidence ?? []
      const isNew = 'value' in to || 'evidence' in to
      const kept =
        round?.state === 'comparing' && before && 'value' in to && to.value !== before.value
          ? { handedInValue: before.handedInValue ?? before.value }
          : {}
      write(point.id, { ...to, ...kept, ...(isSelfCheck && isNew ? renewed(point, evidence) : {}) })
    },
    /** Says that a rating holds as the plan is now. */
    stillHolds: (point: ReviewPointRecord) => write(point.id, renewed(point, own.get(point.id)?.evidence ?? [])),
  }
}
