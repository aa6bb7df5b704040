/** Which set of columns a table shows, and the list in which they are chosen. */
import ColumnsIcon from '@mui/icons-material/ViewColumnOutlined'
import { useState } from 'react'
import { type ColumnSet, columnSetsOf, columnsText } from '../../../core/edits/column-sets'
import { useCourse } from '../../store/course-store'
import { Button } from '../button'
import { laterFrom } from '../later'
import type { ColumnState } from './use-column-state'

const ColumnsPanel = laterFrom(
  () => import('./columns-panel'),
  (m) => m.ColumnsPanel,
)

export function ColumnsButton({ state, sets }: { readonly state: ColumnState; readonly sets: readonly ColumnSet[] }) {
  const [at, setAt] = useState<HTMLElement | null>(null)
  const own = useCourse((s) => columnSetsOf(s.view))
  const all = [...sets, ...own]
  const used = all.find((s) => columnsText(s.columns) === columnsText(state.chosen))
  return (
    <>
      <Button aria-haspopup="dialog" onClick={(e) => setAt(e.currentTarget)} startIcon={<ColumnsIcon />}>
        Columns: {used?.title ?? 'own choice'}
      </Button>
      {at && <ColumnsPanel state={state} sets={sets} own={own} used={used ?? null} at={at} onClose={() => setAt(null)} />}
    </>
  )
}
