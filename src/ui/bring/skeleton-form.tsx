/** A skeleton: modules that all hold the same activities, counted before they are made. */

import RemoveIcon from '@mui/icons-material/DeleteOutlined'
import { Button, IconButton } from '../parts/button'
import './bring.css'
import { type ReactNode, useState } from 'react'
import { useLocation } from 'wouter'
import { longestText } from '../../core/blueprint/field-text'
import type { ActivityKind } from '../../core/blueprint/kinds/activity'
import { article, capital, fitted } from '../../core/blueprint/text'
import { MOST_MODULES, makeSkeleton, type Skeleton, type SkeletonActivity, skeletonCounts } from '../../core/edits/skeleton'
import { countOf, formatHundredths, formatWhole, readHundredths, readMinutes } from '../../core/numbers'
import { indexCourse } from '../../core/plan/plan-index'
import { CheckInput } from '../parts/choice-input'
import { DraftField } from '../parts/draft-field'
import { SelectInput } from '../parts/input'
import { fieldOptions } from '../parts/options'
import { newId, useCourse, useCourseStore, useModuleWord } from '../store/course-store'
import { named } from './named'

const first = (partIds: readonly (string | null)[]): SkeletonActivity[] => {
  const at = (i: number) => partIds[i] ?? null
  return [
    { title: 'Introduction', kind: 'page', partId: at(0), minutes: 10, points: null, asSeries: false },
    { title: 'Reading', kind: 'reading', partId: at(1), minutes: 60, points: null, asSeries: false },
    { title: 'Practice set {n}', kind: 'quiz', partId: at(2), minutes: 30, points: 1000, asSeries: true },
    { title: 'Assignment {n}', kind: 'assignment', partId: at(3), minutes: 120, points: 5000, asSeries: false },
  ]
}

export function SkeletonForm({ views }: { views: ReactNode }) {
  const store = useCourseStore()
  const word = useModuleWord()
  const [, navigate] = useLocation()
  const view = useCourse((s) => s.view)
  const { parts } = indexCourse(view)
  const [skeleton, setSkeleton] = useState<Skeleton>(() => ({
    modules: 8,
    moduleTitle: `${word.One} {n}`,
    weeksEach: 1,
    activities: first(parts.map((p) => p.id)),
  }))
  const counts = skeletonCounts(skeleton)
  const set = (to: Partial<Skeleton>) => setSkeleton((s) => ({ ...s, ...to }))
  const setActivity = (i: number, to: Partial<SkeletonActivity>) =>
    set({ activities: skeleton.activities.map((a, k) => (k === i ? { ...a, ...to } : a)) })
  const whole = (text: string, most: number, write: (n: number) => void): string | null => {
    const n = Number(text)
    if (!Number.isInteger(n) || n < 1 || n > most) return `A whole number from 1 to ${most}.`
    write(n)
    return null
  }
  const make = () => {
    if (store.edit('make-skeleton', { n: skeleton.modules }, (edit) => makeSkeleton(edit, skeleton, newId))) {
      store.say(
        `Made ${countOf(counts.modules, word.one, word.many)} with ${countOf(counts.activities, 'activity', 'activities')}. Ctrl+Z takes them back.`,
        false,
      )
      navigate('/map')
    }
  }
  return (
    <div className="work">
      <div className="bar">
        <h1 className="visually-hidden">A skeleton</h1>
        {views}
        <span className="muted small">
          {'{n}'} stands for the number of the {word.one}, or the place in a series.
        </span>
      </div>
      <div className="scroll-area">
        <div className="facts-row" style={{ marginBottom: 12 }}>
          <div style={{ width: 100 }}>
            <DraftField
              label={word.Many}
              right
              value={String(skeleton.modules)}
              onCommit={(t) => whole(t, MOST_MODULES, (modules) => set({ modules }))}
            />
          </div>
          <div style={{ width: 120 }}>
            <DraftField
              label="Weeks for each"
              right
              value={String(skeleton.weeksEach)}
              onCommit={(t) => whole(t, 20, (weeksEach) => set({ weeksEach }))}
            />
          </div>
          <div style={{ width: 240 }}>
            <DraftField
              label="Title of each"
              value={skeleton.moduleTitle}
              onCommit={(t) => named(t, capital(article(word.one)), (moduleTitle) => set({ moduleTitle }))}
            />
          </div>
        </div>
        <table className="sheet">
          <caption className="visually-hidden">Activities of every {word.one}</caption>
          <thead>
            <tr>
              <th scope="col">In every {word.one}</th>
              <th scope="col" style={{ width: 130 }}>
                Part
              </th>
              <th scope="col" style={{ width: 150 }}>
                Kind
              </th>
              <th scope="col" className="r" style={{ width: 80 }}>
                Min
              </th>
              <th scope="col" className="r" style={{ width: 80 }}>
                Points
              </th>
              <th scope="col" style={{ width: 150 }}>
                One definition
              </th>
              <th scope="col" style={{ width: 50 }}>
                <span className="visually-hidden">Remove</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {skeleton.activities.map((a, i) => (
              <tr key={i} className="item">
                <th scope="row" style={{ paddingLeft: 8 }}>
                  <DraftField
                    label={`Title ${i + 1}`}
                    hideLabel
                    value={a.title}
                    onCommit={(t) =>
                      named(t, 'An activity', (title) => setActivity(i, { title: fitted(title, longestText('activity', 'title')) }))
                    }
                  />
                </th>
                <td>
                  <SelectInput
                    label={`Part ${i + 1}`}
                    hideLabel
                    value={a.partId ?? ''}
                    options={[{ value: '', label: '–' }, ...parts.map((p) => ({ value: p.id, label: p.title }))]}
                    onChoose={(partId) => setActivity(i, { partId: partId || null })}
                  />
                </td>
                <td>
                  <SelectInput
                    label={`Kind ${i + 1}`}
                    hideLabel
                    value={a.kind ?? ''}
                    options={fieldOptions('activity', 'kind', { none: '–' })}
                    onChoose={(kind) => setActivity(i, { kind: (kind || null) as ActivityKind | null })}
                  />
                </td>
                <td className="r">
                  <DraftField
                    label={`Minutes ${i + 1}`}
                    hideLabel
                    right
                    value={a.minutes === null ? '' : String(a.minutes)}
                    onCommit={(t) => {
                      const minutes = t.trim() === '' ? null : readMinutes(t)
                      if (t.trim() !== '' && minutes === null) return 'Write 45, 1.5 h or 1h30.'
                      setActivity(i, { minutes })
                      return null
                    }}
                  />
                </td>
                <td className="r">
                  <DraftField
                    label={`Points ${i + 1}`}
                    hideLabel
                    right
                    value={a.points === null ? '' : formatHundredths(a.points)}
                    onCommit={(t) => {
                      const points = t.trim() === '' ? null : readHundredths(t)
                      if (t.trim() !== '' && points === null) return 'A number of points.'
                      setActivity(i, { points })
                      return null
                    }}
                  />
                </td>
                <td>
                  <CheckInput label="a series" checked={a.asSeries} onCheck={(asSeries) => setActivity(i, { asSeries })} />
                </td>
                <td>
                  <IconButton name={`Remove ${a.title}`} onClick={() => set({ activities: skeleton.activities.filter((_, k) => k !== i) })}>
                    <RemoveIcon />
                  </IconButton>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        <p>
          <Button
            disabled={skeleton.activities.length >= 30}
            onClick={() =>
              set({
                activities: [
                  ...skeleton.activities,
                  { title: 'Activity', kind: null, partId: parts[0]?.id ?? null, minutes: null, points: null, asSeries: false },
                ],
              })
            }
          >
            Add an activity
          </Button>
        </p>
      </div>
      <div className="bring-foot">
        <span role="status">
          <b>
            {countOf(counts.modules, word.one, word.many)} in {countOf(counts.weeks, 'week')},{' '}
            {countOf(counts.activities, 'activity', 'activities')}
          </b>{' '}
          · {countOf(counts.graded, 'graded piece', 'graded pieces')} · {formatWhole(counts.minutes / 60)} h ·{' '}
          {formatHundredths(counts.points)} points
        </span>
        <span className="grow" />
        <Button rank="main" onClick={make}>
          Make it
        </Button>
      </div>
    </div>
  )
}
