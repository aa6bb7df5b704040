/** The figures of a review as the command line prints them for people. */
import { countOf } from '../numbers'
import type { Review } from './review'
import type { ReviewFigures, RoundFigures } from './review-figures'

const REASON_WORDS = {
  stale: 'rests on what has changed since',
  'not-judged': 'is not judged',
  disagree: 'is disagreed about',
  'must-open': 'must be in place',
  'should-open': 'has no dated action',
  'should-overdue': 'has an action that is overdue',
  'score-low': 'the score is too low',
} as const

function roundText(round: RoundFigures, title: string): string {
  const { agreement, blocking } = round
  const agreed =
    agreement.exact === null
      ? 'nothing to compare'
      : `the same value in ${agreement.agreeing} of ${countOf(agreement.pairs, 'comparison')}${
          agreement.alpha === null ? '' : `, alpha ${agreement.alpha.toFixed(2)}`
        }`
  const lines = [
    `${title}: ${round.verdict}${round.score === null ? '' : `, score ${round.score.toFixed(2)}`}; ${agreed}`,
    ...round.seats.map((s) => `  ${s.id}: ${s.rated} of ${s.of} rated${s.handedIn ? `, handed in ${s.handedIn}` : ''}`),
    ...blocking.map((b) => (b.code === null ? `  ${REASON_WORDS[b.reason]}` : `  ${b.code} ${REASON_WORDS[b.reason]}`)),
  ]
  return `${lines.join('\n')}\n`
}

/** A part for each round: verdict, agreement, who rated how much, what holds it up. */
export function reviewText({ set, rounds }: ReviewFigures, review: Review): string {
  const titles = new Map(review.rounds.map((r) => [r.id, r.title]))
  const head = `${set.title}${set.version ? `, ${set.version}` : ''}: ${countOf(set.points, 'point')}, ${countOf(rounds.length, 'round')}\n`
  return [head, ...rounds.map((r) => roundText(r, titles.get(r.id) ?? r.id))].join('\n')
}
