/** The cells of the matrix, its rows' names and sums; each is drawn anew only when something of it differs. */
import { memo } from 'react'
import { STAGE_LETTER } from '../../../core/alignment/proposals'
import type { Stage } from '../../../core/blueprint/kinds/activity'
import type { MatrixRow } from '../../../core/design/matrix'
import { formatWhole } from '../../../core/numbers'

export const lettersOf = (stages: readonly Stage[]): string => stages.map((s) => STAGE_LETTER[s]).join('')
export const cellId = (row: string, column: string): string => `mx-${row}-${column}`

/** Which hatching a row has: by the first thing that it lacks before it is assessed. */
export const gapOf = ({ state, gap }: MatrixRow): string =>
  state === 'none' ? 'none' : gap.includes('practises') ? 'unpractised' : gap.includes('assesses') ? 'unassessed' : 'whole'

/** What a row lacks, in words; empty for one that lacks nothing. */
const GAP_WORDS: Readonly<Record<string, string>> = {
  none: 'nothing serves it yet',
  unpractised: 'not practised',
  unassessed: 'not assessed for the grade',
  whole: '',
}
export const gapWords = (row: MatrixRow): string => GAP_WORDS[gapOf(row)] ?? ''

type CellProps = {
  readonly id: string
  readonly text: string
  readonly left: number
  readonly width: number
  readonly column: number
  readonly isActive: boolean
  readonly isMarked: boolean
  readonly isCount: boolean
}

export const MatrixCellBox = memo(function MatrixCellBox(p: CellProps) {
  const classes = ['mx-cell', p.isActive && 'active', p.isMarked && 'range', p.isCount && 'count'].filter(Boolean).join(' ')
  return (
    <div
      id={p.id}
      role="gridcell"
      aria-colindex={p.column + 2}
      aria-selected={p.isActive || p.isMarked}
      className={classes}
      data-column={p.column}
      style={{ left: p.left, width: p.width }}
    >
      {p.text}
    </div>
  )
})

export const RowName = memo(function RowName({
  number,
  name,
  depth,
}: {
  readonly number: string
  readonly name: string
  readonly depth: number
}) {
  return (
    <div role="rowheader" className="mx-name" data-tip={name} style={{ paddingLeft: 8 + depth * 14 }}>
      <b>{number}</b> {name}
    </div>
  )
})

type SumsProps = Pick<MatrixRow, 'introduces' | 'practises' | 'assesses' | 'minutes' | 'share' | 'state'> & { readonly lacks: string }
export const RowSums = memo(function RowSums(p: SumsProps) {
  return (
    <div role="gridcell" className="mx-sums" data-tip={sumsWords(p)}>
      <span className="visually-hidden">{sumsWords(p)}</span>
      <span aria-hidden>{p.introduces || '·'}</span>
      <span aria-hidden>{p.practises || '·'}</span>
      <span aria-hidden>{p.assesses || '·'}</span>
      <span aria-hidden className="wide">
        {formatWhole(p.minutes)}
      </span>
      <span aria-hidden className="wide">
        {p.share > 0 ? (p.share / 100).toFixed(1) : '·'}
      </span>
    </div>
  )
})

const sumsWords = (p: SumsProps): string =>
  [
    `introduced in ${p.introduces}, practised in ${p.practises}, assessed in ${p.assesses}`,
    `${formatWhole(p.minutes)} min`,
    p.share > 0 ? `${(p.share / 100).toFixed(1)} % of the grade` : '',
    p.lacks || p.state,
  ]
    .filter(Boolean)
    .join('; ')
