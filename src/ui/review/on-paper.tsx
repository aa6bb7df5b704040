/** Working on paper: one's points as a sheet to fill in, and a filled sheet taken back by the codes of its points. */
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import { useId, useState } from 'react'
import type { ReviewSeat } from '../../core/beside/review-records'
import type { ReviewPointRecord } from '../../core/blueprint/kinds'
import { countOf } from '../../core/numbers'
import { problemText } from '../../core/result'
import type { SheetRating } from '../../core/review/rating-sheet'
import { readRatingSheet } from '../../workers/tasks'
import { Button } from '../parts/button'
import { downloadBlob } from '../parts/download'
import { MenuButton } from '../parts/menu-button'
import { PieceBox, usePieceReader } from '../parts/piece-box'
import { useLatest } from '../parts/use-latest'
import { useCourseStore } from '../store/course-store'
import { useOwnRatings } from './own-ratings'
import type { OpenRound, ShownReview } from './use-review'

type Props = {
  readonly review: ShownReview
  readonly open: OpenRound
  readonly seat: ReviewSeat
  /** The points that are asked of the seat. */
  readonly asked: readonly ReviewPointRecord[]
  /** Whether one may rate now. */
  readonly may: boolean
}

export function OnPaper(props: Props) {
  const { review, open, seat, asked, may } = props
  const store = useCourseStore()
  const { own } = useOwnRatings(review, seat)
  const [bringing, setBringing] = useState(false)
  const save = async (ending: 'csv' | 'xlsx') => {
    const isLearner = open.round.kind === 'learners'
    const points = asked.map((p) => ({ code: p.code, statement: (isLearner && p.asLearner) || p.statement }))
    const byCode = new Map(asked.map((p) => [p.code, own.get(p.id)]))
    const { sheetCsv, sheetRows } = await import('../../core/review/rating-sheet')
    const rows = sheetRows(points, (code) => byCode.get(code) ?? undefined)
    const content =
      ending === 'csv'
        ? sheetCsv(rows)
        : await (await import('../../core/review/write-rating-sheet-xlsx')).sheetWorkbook(open.round.title, rows)
    downloadBlob(new Blob([content]), `${open.round.title.replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase() || 'ratings'}.${ending}`)
  }
  const told = (ending: 'csv' | 'xlsx') => () =>
    void save(ending).catch(() => store.say('The sheet could not be made. Check the connection and try again.', true))
  const entries = useLatest(() => [
    { key: 'xlsx', label: 'Rating sheet as XLSX', run: told('xlsx') },
    { key: 'csv', label: 'Rating sheet as CSV', run: told('csv') },
    ...(may ? [{ key: 'bring', label: 'Bring in a filled sheet…', run: () => setBringing(true) }] : []),
  ])
  return (
    <>
      <MenuButton className="btn" entries={entries}>
        On paper
      </MenuButton>
      {bringing && <BringSheet {...props} onClose={() => setBringing(false)} />}
    </>
  )
}

function BringSheet({ review, seat, asked, onClose }: Props & { readonly onClose: () => void }) {
  const id = useId()
  const store = useCourseStore()
  const { rate, own } = useOwnRatings(review, seat)
  const reader = usePieceReader(readRatingSheet, 'Pasted ratings', { codes: asked.map((p) => p.code) })
  const read = reader.value
  const pointOf = (code: string) => asked.find((p) => p.code === code)
  const takeIn = (ratings: readonly SheetRating[]) => {
    for (const r of ratings) {
      const point = pointOf(r.code)
      const before = point && own.get(point.id)
      if (!point) continue
      // What the sheet leaves open stays as it is here. What does not apply says why in the words that it has.
      const said = Object.fromEntries(
        Object.entries({ value: r.value, seen: r.seen, where: r.where, change: r.change }).filter(([, v]) => v !== null),
      )
      rate(point, { ...said, ...(r.value === 'not applicable' && !before?.reason ? { reason: r.seen } : {}) })
    }
    store.say(`${countOf(ratings.length, 'rating')} taken from the sheet.`, false)
    onClose()
  }
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md" aria-labelledby={id}>
      <DialogTitle id={id}>Bring in a filled sheet</DialogTitle>
      <DialogContent>
        <PieceBox
          reader={reader}
          prompt="Paste rows with a first row of names (code, rating, seen, where, change)"
          formats="CSV, XLSX"
          accept=".csv,.tsv,.xlsx,.txt"
          filesLabel="File of ratings"
        >
          {read && (
            <div className="set-read" role="status">
              <p>
                {countOf(read.ratings.length, 'point')} of {asked.length} {read.ratings.length === 1 ? 'has' : 'have'} something in the
                sheet; {countOf(read.ratings.filter((r) => differs(r, own.get(pointOf(r.code)?.id ?? ''))).length, 'rating')} differ from
                what stands here.
              </p>
              {read.problems.length > 0 && (
                <ul className="plain-list">
                  {read.problems.map((p) => (
                    <li key={`${p.at} ${p.code}`}>{problemText(p)}</li>
                  ))}
                </ul>
              )}
            </div>
          )}
        </PieceBox>
      </DialogContent>
      <DialogActions>
        <Button rank="rest" onClick={onClose}>
          Close
        </Button>
        <Button rank="main" disabled={!read || read.ratings.length === 0} onClick={() => read && takeIn(read.ratings)}>
          Take them in
        </Button>
      </DialogActions>
    </Dialog>
  )
}

const differs = (r: SheetRating, own: { readonly value: unknown } | undefined): boolean =>
  r.value !== null && Boolean(own?.value) && own?.value !== r.value
