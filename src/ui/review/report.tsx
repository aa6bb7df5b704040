/** The report of a round, and the tour of its strengths: to read, print, save and publish. */
import { type ReactNode, useMemo } from 'react'
import { reviewOf } from '../../core/review/of-course'
import { type ReportDoc, reportOf } from '../../core/review/report'
import type { RoundFigures } from '../../core/review/review-figures'
import { tourOf } from '../../core/review/tour'
import { Button } from '../parts/button'
import { CheckInput } from '../parts/choice-input'
import { Segments } from '../parts/segments'
import { Waiting } from '../parts/waiting'
import { useCourse, useMay } from '../store/course-store'
import { useChoice } from '../store/navigation'
import { usePeople } from '../store/people'
import { NoRound } from './no-round'
import { PublishReport } from './publish-report'
import { ReportBlocks } from './report-blocks'
import { RoundBar } from './round-bar'
import { SaveReview } from './save-review'
import { TourOrder, useTour } from './tour-order'
import { type OpenRound, type ShownReview, useOpenRound, useReview } from './use-review'

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

function Body({ review, open, figures }: Props) {
  const [of, setOf] = useChoice('of', ['report', 'tour'])
  const [who, setWho] = useChoice('who', ['names', 'numbers'])
  const [points, setPoints] = useChoice('points', ['all', 'open'])
  const plan = useCourse((s) => s.view)
  const mayPublish = useMay('review.run')
  const members = usePeople().data?.members
  const tour = useTour(open.round.id)
  const core = useMemo(() => {
    const people = new Map((members ?? []).map((m) => [m.id, m.name]))
    return reviewOf({ ...review.records, people }, open.round.id, { now: plan, snapshot: (id) => open.plans.get(id) ?? null })
  }, [review.records, members, open, plan])
  const choices = { who, points }
  const doc = of === 'report' ? reportOf(core, figures, plan, choices) : tourOf(core, plan, tour.stops, choices)
  return (
    <div className="scroll-area">
      <article className="report">
        <div className="row wrap no-print">
          <Segments
            label="What is made of the round"
            value={of}
            options={[
              { value: 'report', label: 'Report' },
              { value: 'tour', label: 'Tour of strengths' },
            ]}
            onChoose={setOf}
          />
          <span className="grow" />
          <Button onClick={() => window.print()}>Print</Button>
          <SaveReview roundId={open.round.id} of={of} choices={choices} />
          {mayPublish && of === 'report' && <PublishReport roundId={open.round.id} choices={choices} />}
        </div>
        <div className="row wrap no-print">
          <CheckInput label="Names of reviewers" checked={who === 'names'} onCheck={(on) => setWho(on ? 'names' : 'numbers')} />
          {of === 'report' && (
            <CheckInput label="Open points only" checked={points === 'open'} onCheck={(on) => setPoints(on ? 'open' : 'all')} />
          )}
        </div>
        {of === 'tour' && <TourOrder round={core.rounds.at(-1)} tour={tour} />}
        {doc ? <Document doc={doc} /> : <p className="empty">No strength is marked in this round. Mark one under Rate with S.</p>}
      </article>
    </div>
  )
}

const Document = ({ doc }: { readonly doc: ReportDoc }) => (
  <>
    <h2>{doc.title}</h2>
    <p className="muted">{doc.subtitle}</p>
    <ReportBlocks blocks={doc.blocks} />
  </>
)
