/** How long an activity takes: its size, and the estimate that follows, with how it adds up. */

import type { Activity } from '../../core/blueprint/kinds'
import { countsAsOf } from '../../core/hours/credit'
import { formatWhole } from '../../core/numbers'
import { assumptionsOf } from '../../core/plan/assumptions'
import { estimateOf, readSize, sizeInTitle, sizeText } from '../../core/plan/estimate'
import { indexCourse } from '../../core/plan/plan-index'
import { Button } from '../parts/button'
import { DraftField } from '../parts/draft-field'
import { PlanChoice, PlanField } from '../parts/plan-field'
import { useCourse, useCourseStore } from '../store/course-store'

export function TimeDetails({ activity }: { activity: Activity }) {
  const store = useCourseStore()
  const view = useCourse((s) => s.view)
  const number = indexCourse(view).numberOf(activity.id)
  const own = view.activity.get(activity.id)
  const estimate = estimateOf(activity, assumptionsOf(view))
  const told = activity.size === null ? sizeInTitle(activity) : null
  const disabled = !store.may('activity')
  const setSize = (size: Activity['size']) =>
    store.edit('set-field', { what: `size of ${number}` }, (edit) => edit.set('activity', activity.id, { size }))
  if (!own) return null
  return (
    <>
      <DraftField
        label="Size: 17 pages, 2400 words, 9 min, 500 words written, 10 items, 2 replies, 2 reviews"
        value={activity.size === null ? '' : sizeText(activity.size)}
        placeholder="not said"
        disabled={disabled}
        onCommit={(text) => {
          const size = text.trim() === '' ? null : readSize(text)
          if (text.trim() !== '' && !size) return 'A number and what it counts, such as 17 pages or 500 words written.'
          setSize(size)
          return null
        }}
      />
      {told && !disabled && (
        <Button style={{ marginBottom: 10 }} onClick={() => setSize(told)}>
          {sizeText(told)}, as the title says
        </Button>
      )}
      {(activity.size?.unit === 'pages' || activity.size?.unit === 'words') && (
        <div className="pair">
          <PlanChoice kind="activity" record={activity} field="pace" label="To be" what={`pace of ${number}`} none="read" />
          <PlanChoice
            kind="activity"
            record={activity}
            field="difficulty"
            label="The text is"
            what={`difficulty of ${number}`}
            none="normal"
          />
        </div>
      )}
      <PlanField
        kind="activity"
        record={own}
        field="minutes"
        label="Minutes, set by hand"
        what={`minutes of ${number}`}
        placeholder={
          activity.minutes === null ? 'none' : `${formatWhole(activity.minutes)} (${estimate ? 'estimated' : 'from the series'})`
        }
      />
      {estimate && (
        <p className="muted small" style={{ marginTop: -4 }}>
          Estimated {formatWhole(Math.round(estimate.minutes))} min: {estimate.how}.
          {own.minutes !== null && own.minutes !== Math.round(estimate.minutes) && ' The minutes set by hand count.'}
        </p>
      )}
      <PlanChoice
        kind="activity"
        record={activity}
        field="countsAs"
        label="Its time counts as"
        what={`contact of ${number}`}
        none={`${countsAsOf({ countsAs: null, kind: activity.kind })} (proposed)`}
        labels={{ instruction: 'instruction', guided: 'guided work', independent: 'independent work' }}
      />
    </>
  )
}
