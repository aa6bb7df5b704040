/** A tour: the strengths of a round in an order of one's own, with minutes, for whoever shows the course in a short time. */
import type { ReviewTour } from '../beside/review-records'
import { type Blueprint, courseOf } from '../blueprint/blueprint'
import { countOf, listOf } from '../numbers'
import { citedWords, namesOf, type ReportChoices, type ReportDoc, saidOf } from './report'
import type { Rating, Review, Round } from './review'

export type Stop = {
  readonly seat: string
  readonly rating: Rating
  /** How long it is shown; 0: it is left out. */
  readonly minutes: number
}
/** So long a stop takes that nobody said anything of (Cairn default). */
export const STOP_MINUTES = 2

/** What a stop is called. */
export const stopKey = ({ seat, rating }: Pick<Stop, 'seat' | 'rating'>): string => `${seat} ${rating.point}`

/** All strengths of a round: those that were put in order first, then the others as the round has them. */
export function stopsOf(round: Round, ordered: ReviewTour['stops']): readonly Stop[] {
  const strengths = round.seats
    .filter((s) => s.handedIn !== null)
    .flatMap((s) => s.ratings.filter((r) => r.mark === 'strength').map((rating) => ({ seat: s.id, rating })))
  const known = new Map(strengths.map((s) => [stopKey(s), s]))
  const first = ordered.flatMap(({ seatId, code, minutes }): Stop[] => {
    const key = `${seatId} ${code}`
    const found = known.get(key)
    known.delete(key)
    return found ? [{ ...found, minutes }] : []
  })
  return [...first, ...[...known.values()].map((s) => ({ ...s, minutes: STOP_MINUTES }))]
}

/** The tour as a document. Null where the round has no strength. */
export function tourOf(review: Review, plan: Blueprint, ordered: ReviewTour['stops'], choices: ReportChoices): ReportDoc | null {
  const round = review.rounds.at(-1)
  const stops = round ? stopsOf(round, ordered).filter((s) => s.minutes > 0) : []
  if (!round || stops.length === 0) return null
  const course = courseOf(plan)
  const names = namesOf(round, choices)
  const total = stops.reduce((sum, s) => sum + s.minutes, 0)
  return {
    title: `Tour of ${[course.code, course.title].filter(Boolean).join(' ')}`,
    subtitle: `${countOf(stops.length, 'stop')}, ${countOf(total, 'minute')}: what was found good in “${round.title}”`,
    language: course.language ?? 'en-GB',
    blocks: [
      {
        type: 'list',
        ordered: true,
        items: stops.map(({ seat, rating, minutes }) => ({
          lead: names.statement(rating.point),
          text: saidOf(rating),
          note: [
            countOf(minutes, 'minute'),
            ...(rating.evidence.length > 0 ? [`show ${listOf(rating.evidence.map((c) => citedWords(round.snapshot, c)))}`] : []),
            names.seat(seat),
          ].join('; '),
        })),
      },
    ],
  }
}
