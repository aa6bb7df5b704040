/** One point to rate: a row, and opened, what it means, what Cairn found, what was seen. */
import { memo } from 'react'
import type { ReviewRating } from '../../core/beside/review-records'
import { MARKS, RATING_VALUES } from '../../core/beside/review-records'
import type { Blueprint } from '../../core/blueprint/blueprint'
import type { ReviewPointRecord } from '../../core/blueprint/kinds'
import type { Finding } from '../../core/findings/finding'
import { namesIn } from '../../core/plan/names'
import type { Evidence } from '../../core/review/evidence'
import type { Staleness } from '../../core/review/rests-on'
import { evidenceSentence, MARK_WORDS, staleSentence, VALUE_WORDS } from '../../core/review/words'
import { Button } from '../parts/button'
import { DraftField } from '../parts/draft-field'
import { FindingLine } from '../parts/findings'
import { LineButton } from '../parts/line-button'
import { Segments } from '../parts/segments'
import { EvidenceField } from './evidence-field'
import type { RatingChange } from './own-ratings'

export type PointRowProps = {
  readonly point: ReviewPointRecord
  readonly text: string
  readonly isOpen: boolean
  readonly rating: ReviewRating | undefined
  /** What the ratings come to, for those who have none of their own. */
  readonly together: string | null
  readonly stale: Staleness | null
  readonly twin: { readonly code: string; readonly rating: ReviewRating } | null
  readonly evidence: Evidence | null
  readonly findings: readonly Finding[]
  readonly plan: Blueprint
  readonly mayRate: boolean
  /** One's own seat. */
  readonly seatId: string | null
  /** The same whatever is rated: a row is drawn again when what it shows differs. */
  readonly onFocus: (point: ReviewPointRecord) => void
  readonly onRate: (point: ReviewPointRecord, to: RatingChange) => void
  readonly onHolds: ((point: ReviewPointRecord) => void) | null
}

export const PointRow = memo(function PointRow(props: PointRowProps) {
  const { point, text, isOpen, rating, stale } = props
  return (
    <li className={isOpen ? 'point open' : 'point'} data-point={point.id}>
      <LineButton
        className="point-line"
        aria-expanded={isOpen}
        tabIndex={isOpen ? 0 : -1}
        data-row={point.id}
        onFocus={() => props.onFocus(point)}
        onClick={() => props.onFocus(point)}
      >
        <span className="code">{point.code}</span>
        <span className="statement">{text}</span>
        <span className="muted priority">{point.priority}</span>
        <span className={rating?.value ? 'value' : 'value muted'}>
          {rating?.value ? VALUE_WORDS[rating.value] : (props.together ?? 'not rated')}
        </span>
        <span className="muted mark">{[rating?.mark && MARK_WORDS[rating.mark], stale && 'changed since'].filter(Boolean).join(', ')}</span>
      </LineButton>
      {isOpen && <PointOpen {...props} />}
    </li>
  )
})

const TEXTS = [
  ['seen', 'Seen'],
  ['where', 'Where'],
  ['change', 'To change'],
] as const

function PointOpen({ point, rating, stale, twin, evidence, findings, plan, mayRate, seatId, onRate, onHolds }: PointRowProps) {
  const text = (field: TextField, label: string) => (
    <PointText key={field} {...{ point, field, label, onRate }} value={rating?.[field] ?? ''} disabled={!mayRate} />
  )
  return (
    <div className="point-more">
      <Told point={point} evidence={evidence} findings={findings} />
      {stale && (
        <p className="row wrap">
          <span>{staleSentence(stale, namesIn(plan).nameOf)}</span>
          {onHolds && <Button onClick={() => onHolds(point)}>Still holds</Button>}
        </p>
      )}
      {twin && !rating?.value && mayRate && (
        <p className="row wrap">
          <span>
            {twin.code} asks the same: {twin.rating.value && VALUE_WORDS[twin.rating.value].toLowerCase()}
            {twin.rating.seen && `, “${twin.rating.seen}”`}
          </span>
          <Button
            onClick={() => {
              const { value, reason, seen, where, change, mark, evidence: cited } = twin.rating
              onRate(point, { value, reason, seen, where, change, mark, evidence: cited })
            }}
          >
            Take it from {twin.code}
          </Button>
        </p>
      )}
      {mayRate && (
        <div className="row wrap">
          <Segments
            label={`Rating of ${point.code}`}
            value={(rating?.value ?? '') as (typeof RATING_VALUES)[number]}
            options={RATING_VALUES.map((value) => ({ value, label: VALUE_WORDS[value] }))}
            onChoose={(value) => onRate(point, { value })}
          />
          {MARKS.map((mark) => (
            <Mark key={mark} {...{ point, mark, onRate }} isSet={rating?.mark === mark} />
          ))}
        </div>
      )}
      {(rating?.value === 'not applicable' || rating?.reason) && text('reason', 'Why it does not apply')}
      {(mayRate || rating) && (
        <>
          {TEXTS.map(([field, label]) => text(field, label))}
          <PointEvidence {...{ point, plan, seatId, onRate }} evidence={rating?.evidence ?? NONE} disabled={!mayRate} />
        </>
      )}
    </div>
  )
}

/** What a point means, and what Cairn found. */
const Told = memo(function Told({ point, evidence, findings }: Pick<PointRowProps, 'point' | 'evidence' | 'findings'>) {
  const sentence = evidence && evidenceSentence(evidence, point.findings.length)
  const told = (
    [
      ['Why', point.why],
      ['Where to look', point.where],
      ['Rests on', point.basis],
    ] as const
  ).filter(([, words]) => words !== null)
  return (
    <>
      <dl>
        {told.map(([label, words]) => (
          <div key={label}>
            <dt>{label}</dt>
            <dd>{words}</dd>
          </div>
        ))}
      </dl>
      {sentence && (
        <p className="computed">
          <b>Cairn found:</b> {sentence}
        </p>
      )}
      {findings.map((f) => (
        <FindingLine key={f.key} finding={f} />
      ))}
    </>
  )
})

type MarkProps = Pick<PointRowProps, 'point' | 'onRate'> & { readonly mark: (typeof MARKS)[number]; readonly isSet: boolean }
const Mark = memo(function Mark({ point, mark, isSet, onRate }: MarkProps) {
  return (
    <Button aria-pressed={isSet} className={isSet ? 'pressed' : ''} onClick={() => onRate(point, { mark: isSet ? null : mark })}>
      {MARK_WORDS[mark]}
    </Button>
  )
})

type TextField = 'reason' | 'seen' | 'where' | 'change'
type Said = Pick<PointRowProps, 'point' | 'onRate'> & { readonly disabled: boolean }

const PointText = memo(function PointText({
  point,
  field,
  label,
  value,
  disabled,
  onRate,
}: Said & { readonly field: TextField; readonly label: string; readonly value: string }) {
  return (
    <DraftField
      label={label}
      lines
      least={1}
      value={value}
      disabled={disabled}
      onCommit={(typed) => {
        if (typed.length > 4000) return `At most 4000 characters; this has ${typed.length}.`
        onRate(point, { [field]: typed.trim() === '' ? null : typed.trim() })
        return null
      }}
    />
  )
})

const NONE: ReviewRating['evidence'] = []
const PointEvidence = memo(function PointEvidence({
  point,
  plan,
  seatId,
  evidence,
  disabled,
  onRate,
}: Said & Pick<PointRowProps, 'plan' | 'seatId'> & { readonly evidence: ReviewRating['evidence'] }) {
  return (
    <EvidenceField
      plan={plan}
      evidence={evidence}
      seatId={seatId}
      disabled={disabled}
      onChange={(cited) => onRate(point, { evidence: [...cited] })}
    />
  )
})
