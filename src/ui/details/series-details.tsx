/** The series of an activity: its definition, its members, and what can be made of both. */

import { Button } from '../parts/button'
import { Fold } from '../parts/fold'
import './details.css'
import type { Activity, Series } from '../../core/blueprint/kinds'
import { alikeActivities, leaveSeries, makeSeries, repeatSeries } from '../../core/edits/series'
import { countOf } from '../../core/numbers'
import { indexCourse } from '../../core/plan/plan-index'
import { CheckInput } from '../parts/choice-input'
import { Chip } from '../parts/marks'
import { PlanChoice, PlanField } from '../parts/plan-field'
import { newId, useCourse, useCourseStore } from '../store/course-store'
import { useGo } from '../store/navigation'

export function SeriesDetails({ activity }: { activity: Activity }) {
  const view = useCourse((s) => s.view)
  const series = activity.seriesId === null ? undefined : view.series.get(activity.seriesId)
  return series ? <Definition activity={activity} series={series} /> : <Offer activity={activity} />
}

function Offer({ activity }: { activity: Activity }) {
  const store = useCourseStore()
  const view = useCourse((s) => s.view)
  const index = indexCourse(view)
  const alike = alikeActivities(index, activity)
  if (alike.length < 2 || !store.may('series')) return null
  return (
    <p style={{ marginTop: 0 }}>
      <Button
        onClick={() => {
          const ids = alike.map((a) => a.id)
          if (store.edit('make-series', { n: ids.length }, (edit) => void makeSeries(edit, ids, newId)))
            store.say(`${countOf(ids.length, 'activity', 'activities')} have one definition now.`, false)
        }}
      >
        Make a series of the {alike.length} like it
      </Button>{' '}
      <span className="muted small">{alike.map((a) => index.numberOf(a.id)).join(', ')}</span>
    </p>
  )
}

function Definition({ activity, series }: { activity: Activity; series: Series }) {
  const store = useCourseStore()
  const view = useCourse((s) => s.view)
  const { open } = useGo()
  const index = indexCourse(view)
  const members = index.membersOf(series.id)
  const place = members.findIndex((m) => m.id === activity.id) + 1
  const without = index.modules.filter((m) => m.role === null && !members.some((a) => a.moduleId === m.id))
  const may = store.may('series')
  return (
    <Fold
      className="series"
      open
      summary={
        <span>
          <b>
            {place} of {members.length}
          </b>{' '}
          in the series “{series.title}”
        </span>
      }
    >
      <div className="row" style={{ flexWrap: 'wrap', gap: 4, margin: '4px 0 8px' }}>
        {members.map((m) => (
          <Chip key={m.id} kind="activity" number={index.numberOf(m.id)} onOpen={() => open({ kind: 'activity', id: m.id })} />
        ))}
      </div>
      <p className="muted small" style={{ margin: '0 0 6px' }}>
        What stands here holds for every member that sets nothing of its own.
      </p>
      <PlanField kind="series" record={series} field="title" label="Title of the series ({n}: its place)" what="title of the series" />
      <div className="pair">
        <PlanField kind="series" record={series} field="minutes" label="Minutes of each" what="minutes of the series" />
        <PlanField kind="series" record={series} field="points" label="Points of each" what="points of the series" />
      </div>
      <div className="pair">
        <PlanChoice kind="series" record={series} field="kind" label="Kind of each" what="kind of the series" none="none yet" />
        <PlanChoice kind="series" record={series} field="function" label="As assessments" what="function of the series" none="are none" />
      </div>
      <CheckInput
        label="Every module has one"
        checked={series.everyModule}
        disabled={!may}
        onCheck={(everyModule) =>
          store.edit('set-field', { what: 'every module has one' }, (edit) => edit.set('series', series.id, { everyModule }))
        }
      />
      {may && (
        <div className="row" style={{ gap: 6, flexWrap: 'wrap', marginBottom: 10 }}>
          {without.length > 0 && (
            <Button
              onClick={() =>
                store.edit(
                  'repeat-series',
                  { n: without.length },
                  (edit) =>
                    void repeatSeries(
                      edit,
                      series.id,
                      without.map((m) => m.id),
                      newId,
                    ),
                )
              }
            >
              Repeat in{' '}
              {without.length === 1 ? `module ${index.numberOf(without[0]?.id ?? '')}` : `the ${without.length} modules without one`}
            </Button>
          )}
          <Button
            onClick={() => store.edit('leave-series', { what: index.numberOf(activity.id) }, (edit) => leaveSeries(edit, activity.id))}
          >
            Take {index.numberOf(activity.id)} out of the series
          </Button>
        </div>
      )}
    </Fold>
  )
}
