/** Opening a round: its snapshot, the round, and the seats of those who rate. */
import { useMutation } from '@tanstack/react-query'
import type { RoundWanted } from '../../core/forms/review-round'
import { useSnapshots } from '../snapshots/use-snapshots'
import { newId, useCourse, useCourseStore } from '../store/course-store'
import { queries } from '../store/queries'
import type { ShownReview } from './use-review'

export type SeatWanted = { readonly personId: string | null; readonly name: string }
/** A seat of nobody yet. */
export const NEW_SEAT = { linkHash: null, points: [], remark: null, handedInAt: null, openings: 0, openedAt: null, withdrawn: false }

/** Opens a round as wanted, with its seats; gives its id. Rejects with an ApiError. */
export function useOpenNewRound(review: ShownReview) {
  const store = useCourseStore()
  const { make } = useSnapshots()
  return async (wanted: RoundWanted, points: readonly string[], seats: readonly SeatWanted[]): Promise<string> => {
    // What was typed last is part of what is rated.
    await store.settled()
    const snapshotId = wanted.snapshotId || (await make.mutateAsync({ name: wanted.title.slice(0, 100) })).id
    const id = newId()
    const { title, setId, kind, object, merge } = wanted
    const values = {
      ...{ title, setId, kind, object, merge, snapshotId, points },
      address: wanted.object === 'plan' ? null : wanted.address,
      follows: wanted.follows || null,
      due: wanted.due || null,
      state: 'open',
      showsNotes: false,
    }
    await review.writes.round.put.mutateAsync({ id, values, base: null })
    for (const seat of seats)
      await review.writes.seat.put.mutateAsync({ id: newId(), values: { ...NEW_SEAT, ...seat, roundId: id }, base: null })
    review.choose(id)
    return id
  }
}

/** A self-check of a set, with the only seat of whoever begins it. */
export function useBeginSelfCheck(review: ShownReview) {
  const open = useOpenNewRound(review)
  const me = useCourse((s) => s.viewer)
  return useMutation(
    {
      mutationFn: (setId: string) =>
        open(
          {
            title: `Self-check ${new Date().toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' })}`,
            ...{
              setId,
              kind: 'self-check',
              object: 'plan',
              address: '',
              snapshotId: '',
              follows: '',
              points: 'all',
              due: '',
              merge: 'strictest',
            },
          },
          [],
          me ? [{ personId: me.id, name: me.name }] : [],
        ),
    },
    queries,
  )
}
