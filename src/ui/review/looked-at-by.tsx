/** In the details of a record: the quality points that look at it, with one's own ratings, and taking it as evidence for one. */
import Autocomplete from '@mui/material/Autocomplete'
import TextField from '@mui/material/TextField'
import { useRef } from 'react'
import { Link } from 'wouter'
import { anyRecord } from '../../core/blueprint/blueprint'
import type { RecordRef, ReviewPointRecord } from '../../core/blueprint/kinds'
import { askedPoints } from '../../core/review/asked'
import { planSets, pointsOfSet } from '../../core/review/plan-sets'
import { Fold } from '../parts/fold'
import './looked-at-by.css'
import { VALUE_WORDS } from '../../core/review/words'
import { useCourse, useCourseData, useCourseStore } from '../store/course-store'
import { cite, sameCited } from './evidence-field'
import { markedWords } from './marked-words'
import { useOwnRatings } from './own-ratings'
import { useOpenRound, useReview } from './use-review'

/** Whether a point looks at a record: at its kind, or at activities of its kind. */
const looksAt = (point: ReviewPointRecord, { kind }: RecordRef, ofKind: unknown): boolean =>
  point.looksAt.some((l) => l === kind || l === `${kind}:${String(ofKind)}`)

export function LookedAtBy(ref: RecordRef) {
  const points = useCourseData((s) => {
    const ofKind = anyRecord(s.view, ref)?.['kind']
    return planSets(s.view)
      .flatMap(pointsOfSet)
      .filter((p) => looksAt(p, ref, ofKind))
      .map((p) => ({ id: p.id, code: p.code, statement: p.statement }))
  })
  const hasSets = useCourse((s) => s.view.reviewSet.size > 0)
  if (!hasSets) return null
  const n = points.length === 1 ? '1 point' : `${points.length} points`
  return (
    <section className="finding looked-at">
      <Fold summary={points.length === 0 ? 'Use as evidence' : `Looked at by ${n}`}>
        <Points points={points} of={ref} />
      </Fold>
    </section>
  )
}

type Shown = Pick<ReviewPointRecord, 'id' | 'code' | 'statement'>

function Points({ points, of }: { readonly points: readonly Shown[]; readonly of: RecordRef }) {
  const review = useReview('own')
  const { own, isMine } = useMine(review)
  return (
    <>
      <ul className="looked-at-by">
        {points.map((p) => {
          const rating = own.get(p.id)
          return (
            <li key={p.id}>
              <Link href={`/review?point=${encodeURIComponent(p.id)}`}>
                {p.code} {p.statement}
              </Link>{' '}
              {rating?.value && <span className="muted">{VALUE_WORDS[rating.value]}</span>}
            </li>
          )
        })}
      </ul>
      {isMine ? (
        <UseAsEvidence review={review} of={of} />
      ) : (
        points.length === 0 && <p className="muted small">You have no open seat in a round: open one under Review.</p>
      )}
    </>
  )
}

/** One's latest ratings by point, and whether one may rate now. */
function useMine(review: ReturnType<typeof useReview>) {
  const own = new Map(
    review.records.ratings
      .filter((r) => review.isOwnSeat(r.seatId))
      .toSorted((a, b) => a.at.localeCompare(b.at))
      .map((r) => [r.pointId, r] as const),
  )
  const seat = review.ownSeat
  return { own, isMine: review.round?.state === 'open' && seat !== null && seat.handedInAt === null && !seat.withdrawn }
}

/** Takes the record as evidence for a point of the round that one rates. */
function UseAsEvidence({ review, of }: { readonly review: ReturnType<typeof useReview>; readonly of: RecordRef }) {
  const { open } = useOpenRound(review)
  const ratings = useOwnRatings(review, review.ownSeat)
  const store = useCourseStore()
  const plan = useCourse((s) => s.view)
  // What is marked in the work when one comes here: it is quoted.
  const marked = useRef<string | null>(null)
  if (!open) return null
  const points = askedPoints(open.round, open.set, review.ownSeat?.points)
  const held = open.round.kind === 'self-check' || anyRecord(open.plan, of) !== undefined
  if (!held || !anyRecord(plan, of)) return null
  return (
    <Autocomplete
      className="input"
      size="small"
      options={points}
      value={null}
      getOptionLabel={(p) => `${p.code} ${p.statement}`}
      getOptionKey={(p) => p.id}
      onMouseDownCapture={() => {
        marked.current = markedWords(document.body)
      }}
      onChange={(_, point) => {
        if (!point) return
        const before = ratings.own.get(point.id)?.evidence ?? []
        const cited = cite(of, marked.current)
        if (!before.some((e) => sameCited(e, cited))) ratings.rate(point, { evidence: [...before, cited] })
        store.say(`Evidence for ${point.code}.`, false)
      }}
      renderInput={(params) => <TextField {...params} label="Use as evidence for" placeholder="a code or words" />}
    />
  )
}
