/** After a member of a series was changed: this one, all, or from here on. */

import { Button } from '../parts/button'
import './map.css'
import { type SeriesField, spreadField } from '../../core/edits/series'
import { indexCourse } from '../../core/plan/plan-index'
import { useCourse, useCourseStore } from '../store/course-store'

export type Spread = { readonly id: string; readonly field: SeriesField }

const WORD: Readonly<Record<SeriesField, string>> = {
  title: 'the title',
  kind: 'the kind',
  purpose: 'the purpose',
  minutes: 'the minutes',
  dueRule: 'the due rule',
  points: 'the points',
  categoryId: 'the category',
  function: 'the function',
}

export function SpreadBar({ spread, onDone }: { spread: Spread; onDone: () => void }) {
  const store = useCourseStore()
  const view = useCourse((s) => s.view)
  const index = indexCourse(view)
  const activity = index.activity(spread.id)
  if (!activity || activity.seriesId === null) return null
  const members = index.membersOf(activity.seriesId)
  const rest = members.length - members.findIndex((m) => m.id === activity.id)
  if (members.length < 2) return null
  const take = (scope: 'all' | 'from-here') => {
    store.edit('spread-series', { what: WORD[spread.field] }, (edit) => spreadField(edit, spread.id, spread.field, scope))
    onDone()
  }
  return (
    <div className="spread-bar" data-region="bar" role="status">
      <span>
        Changed {WORD[spread.field]} of <b>{index.numberOf(activity.id)}</b> alone; it is one of {members.length} in a series.
      </span>
      <Button onClick={() => take('all')}>Change all {members.length}</Button>
      {rest > 1 && rest < members.length && <Button onClick={() => take('from-here')}>From here on ({rest})</Button>}
      <Button onClick={onDone}>This one only</Button>
    </div>
  )
}
