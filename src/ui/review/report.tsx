/** The report of a round: whether the course is ready and what stands in the way, by area, strengths, improvements, actions. To print. */
import type { ReactNode } from 'react'
import type { ReviewRating } from '../../core/beside/review-records'
import { PRIORITIES } from '../../core/blueprint/kinds/review-set'
import { capital } from '../../core/blueprint/text'
import { countOf, listOf } from '../../core/numbers'
import { pointsOfSet } from '../../core/review/plan-sets'
import type { AreaCounts, RoundFigures } from '../../core/review/review-figures'
import { Button } from '../parts/button'
import { CheckInput } from '../parts/choice-input'
import { Waiting } from '../parts/waiting'
import { useCourse } from '../store/course-store'
import { useChoice } from '../store/navigation'
import { citedName } from './evidence-field'
import { NoRound } from './no-round'
import { RoundBar } from './round-bar'
import { SaveReview } from './save-review'
import { type OpenRound, type ShownReview, useOpenRound, useReview } from './use-review'
import { mergedWord, REASON_WORDS, VALUE_WORDS, VERDICT_WORDS } from './words'

export function Report({ views }: { readonly views: ReactNode }) {
  const review = useReview()
  const { open } = useOpenRound(review)
  const reviewed = useCourse((s) => s.reviewed)
  const figures = open && reviewed?.roundId === open.round.id ? (reviewed.figures.rounds.at(-1) ?? null) : null
  return (
    <div className="work">
      <RoundBar review={review} open={open} views={views} heading="Report" />
      {!review.loading && !review.round && <NoRound review={review} />}
      {review.round && !figures && <Waiting lines={8} />}
      {open && figures && <Body review={review} open={open} figures={figures} />}
    </div>
  )
}

type Props = { readonly review: ShownReview; readonly open: OpenRound; readonly figures: RoundFigures }
const COUNTS: readonly (readonly [keyof AreaCounts, string])[] = [
  ['inPlace', 'In place'],
  ['partly', 'Partly'],
  ['notInPlace', 'Not in place'],
  ['notApplicable', 'Not applicable'],
  ['disagree', 'Disagree'],
  ['notJudged', 'Not judged'],
  ['stale', 'Changed since'],
]

function Body({ review, open, figures }: Props) {
  const [names, setNames] = useChoice('who', ['names', 'numbers'])
  const [which, setWhich] = useChoice('points', ['all', 'open'])
  const seats = new Map(open.seats.map((s, i) => [s.id, names === 'names' ? s.name : `Reviewer ${i + 1}`]))
  const points = new Map(pointsOfSet(open.set).map((p) => [p.code, p]))
  const codes = new Map(pointsOfSet(open.set).map((p) => [p.id, p.code]))
  const handedIn = new Set(open.seats.filter((s) => s.handedInAt !== null).map((s) => s.id))
  const given = review.records.ratings.filter((r) => r.value !== null && handedIn.has(r.seatId))
  const marked = (mark: NonNullable<ReviewRating['mark']>) => given.filter((r) => r.mark === mark)
  const decisions = new Map(review.records.decisions.filter((d) => d.roundId === open.round.id).map((d) => [d.pointId, d]))
  const actions = review.records.actions.filter((a) => a.roundId === open.round.id)
  const shown = which === 'all' ? figures.points : figures.points.filter((p) => !p.settled)
  const said = (r: ReviewRating) => [r.seen, r.where && `Where: ${r.where}`, r.change && `To change: ${r.change}`].filter(Boolean).join(' ')
  return (
    <div className="scroll-area">
      <article className="report">
        <div className="row wrap no-print">
          <CheckInput label="Names of reviewers" checked={names === 'names'} onCheck={(on) => setNames(on ? 'names' : 'numbers')} />
          <CheckInput label="Open points only" checked={which === 'open'} onCheck={(on) => setWhich(on ? 'open' : 'all')} />
          <Button onClick={() => window.print()}>Print</Button>
          <SaveReview roundId={open.round.id} />
        </div>
        <h2>{open.round.title}</h2>
        <p className="verdict">
          <b>{VERDICT_WORDS[figures.verdict]}.</b>{' '}
          {figures.blocking.length === 0 ? 'Nothing stands in the way.' : `${countOf(figures.blocking.length, 'thing')} in the way.`}
          {figures.score !== null && ` Score ${figures.score.toFixed(2)} of 100.`}
        </p>
        {figures.blocking.length > 0 && (
          <ul>
            {(['not-judged', 'stale'] as const).flatMap((reason) => {
              const codes = figures.blocking.flatMap((b) => (b.reason === reason && b.code ? [b.code] : []))
              return codes.length === 0
                ? []
                : [
                    <li key={reason}>
                      {capital(countOf(codes.length, 'point'))}{' '}
                      {reason === 'stale'
                        ? `${codes.length === 1 ? 'rests' : 'rest'} on what has changed`
                        : `${codes.length === 1 ? 'is' : 'are'} not judged`}
                      : {listOf(codes)}
                    </li>,
                  ]
            })}
            {figures.blocking
              .filter((b) => b.reason !== 'not-judged' && b.reason !== 'stale')
              .map((b) => (
                <li key={`${b.code} ${b.reason}`}>
                  {b.code ? (
                    <>
                      <b>{b.code}</b> {points.get(b.code)?.statement} <span className="muted">{REASON_WORDS[b.reason]}</span>
                    </>
                  ) : (
                    REASON_WORDS[b.reason]
                  )}
                </li>
              ))}
          </ul>
        )}
        <h3>By area</h3>
        <table className="sheet">
          <thead>
            <tr>
              <th scope="col">Area</th>
              {COUNTS.map(([key, title]) => (
                <th scope="col" className="n" key={key}>
                  {title}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {figures.areas.map((a) => (
              <tr key={a.title}>
                <th scope="row">{a.title}</th>
                {COUNTS.map(([key]) => (
                  <td className="n" key={key}>
                    {PRIORITIES.reduce((n, p) => n + a[p][key], 0) || <span className="muted">–</span>}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
        {(['strength', 'improvement'] as const).map(
          (mark) =>
            marked(mark).length > 0 && (
              <section key={mark}>
                <h3>{mark === 'strength' ? 'Strengths' : 'Improvements'}</h3>
                <ul>
                  {marked(mark).map((r) => (
                    <li key={r.id}>
                      <b>{codes.get(r.pointId)}</b> {said(r) || points.get(codes.get(r.pointId) ?? '')?.statement}{' '}
                      <span className="muted">
                        {seats.get(r.seatId)}
                        {r.evidence.length > 0 && `; ${listOf(r.evidence.map((e) => citedName(open.plan, e)))}`}
                      </span>
                      {decisions.get(r.pointId)?.answerText && <p>We answer: {decisions.get(r.pointId)?.answerText}</p>}
                    </li>
                  ))}
                </ul>
              </section>
            ),
        )}
        {actions.length > 0 && (
          <>
            <h3>Actions</h3>
            <ul>
              {actions.map((a) => (
                <li key={a.id}>
                  {a.what} <span className="muted">{[a.by, a.state, a.why].filter(Boolean).join(', ')}</span>
                </li>
              ))}
            </ul>
          </>
        )}
        <h3>{which === 'all' ? 'All points' : 'Open points'}</h3>
        <table className="sheet">
          <thead>
            <tr>
              <th scope="col">Point</th>
              <th scope="col">Priority</th>
              <th scope="col">Together</th>
              <th scope="col">Who said what</th>
            </tr>
          </thead>
          <tbody>
            {shown.map((p) => (
              <tr key={p.code}>
                <th scope="row">
                  {p.code} {points.get(p.code)?.statement}
                </th>
                <td>{p.priority}</td>
                <td>
                  {mergedWord(p.merged)}
                  {p.stale && ', changed since'}
                </td>
                <td>
                  {Object.entries(p.ratings)
                    .map(([seat, v]) => `${seats.get(seat)}: ${VALUE_WORDS[v].toLowerCase()}`)
                    .join('; ')}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        {figures.agreement.pairs > 0 && (
          <p>
            Reviewers gave the same value in {figures.agreement.agreeing} of {countOf(figures.agreement.pairs, 'comparison')}.
          </p>
        )}
      </article>
    </div>
  )
}
