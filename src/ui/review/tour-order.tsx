/** Putting the strengths of a round into an order of one's own, with the minutes that each is shown for. */
import type { ReviewTour } from '../../core/beside/review-records'
import { linkId } from '../../core/blueprint/ids'
import { countOf } from '../../core/numbers'
import type { Round } from '../../core/review/review'
import { type Stop, stopKey, stopsOf } from '../../core/review/tour'
import type { BesideRecord } from '../../server/beside'
import { DraftField } from '../parts/draft-field'
import { SortableList } from '../parts/sortable'
import { useBeside } from '../store/beside'
import { useCourse } from '../store/course-store'
import { useUnsent } from '../store/use-unsent'

/** A stop takes at most so many minutes. */
const MOST_MINUTES = 240

/** One's own tour of a round. */
export function useTour(roundId: string) {
  const me = useCourse((s) => s.viewer?.id ?? '')
  const id = linkId([roundId, me], 'tour')
  const { records } = useBeside<ReviewTour & BesideRecord>('reviewTour')
  const { waiting, entries } = useUnsent()
  const stored = records.find((t) => t.id === id)
  const waits = entries.find((e) => e.id === id && !e.refused)?.values as ReviewTour | undefined
  return {
    stops: (waits ?? stored)?.stops ?? [],
    write: (stops: readonly Stop[]) => {
      const values = { id, roundId, stops: stops.map(({ seat, rating, minutes }) => ({ seatId: seat, code: rating.point, minutes })) }
      const seen = stored ? { id, roundId, stops: stored.stops } : null
      waiting.write('reviewTour', id, values as never, stored?.revision ?? null, seen as never)
    },
  }
}

type Props = { readonly round: Round | undefined; readonly tour: ReturnType<typeof useTour> }

export function TourOrder({ round, tour }: Props) {
  const stops = round ? stopsOf(round, tour.stops) : []
  if (!round || stops.length === 0) return null
  const total = stops.reduce((sum, s) => sum + s.minutes, 0)
  const place = (key: string, to: number) => {
    const moved = stops.find((s) => stopKey(s) === key)
    const rest = stops.filter((s) => s !== moved)
    if (moved) tour.write([...rest.slice(0, to), moved, ...rest.slice(to)])
  }
  const setMinutes = (stop: Stop, text: string): string | null => {
    const minutes = Number(text.trim())
    if (!Number.isInteger(minutes) || minutes < 0 || minutes > MOST_MINUTES) return `0 to ${MOST_MINUTES} minutes; 0 leaves it out.`
    tour.write(stops.map((s) => (s === stop ? { ...s, minutes } : s)))
    return null
  }
  return (
    <section className="tour-order no-print" aria-label="Order of the tour">
      <SortableList
        label="Stops"
        may
        onPlace={place}
        items={stops.map((stop) => ({
          id: stopKey(stop),
          name: `${stop.rating.point} ${stop.rating.seen ?? ''}`,
          line: (
            <>
              <span className={stop.minutes === 0 ? 'grow muted' : 'grow'}>
                <b>{stop.rating.point}</b> {stop.rating.seen ?? 'a strength'}
              </span>
              <DraftField
                label={`Minutes for ${stop.rating.point}`}
                hideLabel
                right
                width={64}
                value={String(stop.minutes)}
                onCommit={(text) => setMinutes(stop, text)}
              />
            </>
          ),
        }))}
      />
      <p className="muted small">{countOf(total, 'minute')} in all. A stop of 0 minutes is left out.</p>
    </section>
  )
}
