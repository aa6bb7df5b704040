/** How long an activity takes: its size, and the estimate that follows, with how it adds up. */

import type { Activity } from '../../core/blueprint/kinds'
import { countsAsOf } from '../../core/hours/credit'
import { formatWhole } from '../../core/numbers'
import { assumptionsOf } from '../../core/plan/assumptions'
import { estimateOf, PAGE_WORDS, readPageWords, sizeText, writingOf } from '../../core/plan/estimate'
import { indexCourse } from '../../core/plan/plan-index'
import { sizeInTitle } from '../../core/plan/size-in-title'
import { Button } from '../parts/button'
import { DraftField } from '../parts/draft-field'
import { PlanChoice, PlanField } from '../parts/plan-field'
import { useCourse, useCourseStore } from '../store/course-store'
import { SizeField } from './size-field'

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
      <SizeField activity={activity} disabled={disabled} onSize={setSize} />
      {told && !disabled && (
        <Button style={{ marginBottom: 10 }} onClick={() => setSize(told)}>
          {sizeText(told)}, as the title says
        </Button>
      )}
      <HowItIsDone activity={activity} number={number} />
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

/** What an estimate from the size depends on: how closely it is read and how hard it is, how its pages are set, what is written. */
function HowItIsDone({ activity, number }: { activity: Activity; number: string }) {
  const unit = activity.size?.unit
  const shared = { kind: 'activity', record: activity } as const
  if (unit === 'words written')
    return (
      <PlanChoice
        {...shared}
        field="writing"
        label="What is written"
        what={`writing of ${number}`}
        none={`${WRITING_LABELS[writingOf({ ...activity, writing: null })]} (proposed)`}
        labels={WRITING_LABELS}
      />
    )
  if (unit !== 'pages' && unit !== 'words') return null
  return (
    <>
      <div className="pair">
        <PlanChoice {...shared} field="pace" label="To be" what={`pace of ${number}`} none="read (usual)" labels={PACE_LABELS} />
        <PlanChoice {...shared} field="difficulty" label="For these learners" what={`difficulty of ${number}`} none="ordinary (usual)" />
      </div>
      {unit === 'pages' && (
        <div className="pair">
          <PageWords activity={activity} number={number} />
          {activity.pageWords === null && (
            <PlanChoice
              {...shared}
              field="pageSet"
              label="Else: set as"
              what={`pages of ${number}`}
              none="a textbook"
              labels={PAGE_WORDS}
            />
          )}
        </div>
      )}
    </>
  )
}
const PACE_LABELS = { scan: 'scanned', skim: 'skimmed', read: 'read', learn: 'learnt', memorise: 'memorised' } as const
const WRITING_LABELS = { reflection: 'a reflection', report: 'a report', argued: 'argued with sources' } as const

/** Words of one page, counted: as a number, or as lines by words in a line. */
function PageWords({ activity, number }: { activity: Activity; number: string }) {
  const store = useCourseStore()
  const set = (pageWords: number | null) =>
    store.edit('set-field', { what: `words on a page of ${number}` }, (edit) => edit.set('activity', activity.id, { pageWords }))
  return (
    <DraftField
      label="Words on a page"
      right
      value={activity.pageWords === null ? '' : formatWhole(activity.pageWords)}
      placeholder="count one: 32 x 11"
      disabled={!store.may('activity')}
      onCommit={(text) => {
        const words = text.trim() === '' ? null : readPageWords(text)
        if (text.trim() !== '' && words === null) return 'The words of one page, or its lines by the words in one: 32 x 11.'
        set(words)
        return null
      }}
    />
  )
}
