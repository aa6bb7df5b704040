/** A skeleton from a framework: choices, what would be made with its counts, wordings to correct, then one change. */

import RemoveIcon from '@mui/icons-material/DeleteOutlined'
import { Button, IconButton } from '../parts/button'
import './frameworks.css'
import '../bring/bring.css'
import { useMemo, useState } from 'react'
import { useLocation } from 'wouter'
import { fittedText } from '../../core/blueprint/field-text'
import { MOST_MODULES } from '../../core/edits/skeleton'
import {
  type FrameworkSkeleton,
  frameworkSkeletonCounts,
  makeFrameworkSkeleton,
  planSkeleton,
  type SkeletonChoices,
  USUAL_CHOICES,
} from '../../core/frameworks/framework-skeleton'
import { countOf, formatWhole } from '../../core/numbers'
import { readStatement } from '../../core/objectives/statement'
import type { ModuleWord } from '../../core/plan/module-word'
import { CheckInput } from '../parts/choice-input'
import { DraftField } from '../parts/draft-field'
import { SelectInput } from '../parts/input'
import { LevelMark } from '../parts/marks'
import { newId, useCourse, useCourseStore, useModuleWord } from '../store/course-store'

export function FrameworkSkeletonForm({ frameworkId, onDone }: { frameworkId: string; onDone: () => void }) {
  const store = useCourseStore()
  const word = useModuleWord()
  const view = useCourse((s) => s.view)
  const [, navigate] = useLocation()
  const [choices, setChoices] = useState<SkeletonChoices>(USUAL_CHOICES)
  const planned = useMemo(() => planSkeleton(view, frameworkId, choices), [view, frameworkId, choices])
  /** Wordings that were corrected, by item. */
  const [own, setOwn] = useState<Readonly<Record<string, string>>>({})
  const skeleton: FrameworkSkeleton = useMemo(
    () => ({
      ...planned,
      modules: planned.modules.map((m) => ({
        ...m,
        objectives: m.objectives.flatMap((o) => {
          const statement = own[o.itemId] ?? o.statement
          return statement === '' ? [] : [{ ...o, statement, level: readStatement(statement).level }]
        }),
      })),
    }),
    [planned, own],
  )
  const counts = frameworkSkeletonCounts(skeleton)
  const set = (to: Partial<SkeletonChoices>) => setChoices({ ...choices, ...to })
  const tick = (field: 'outcomes' | 'study' | 'practice' | 'assessment' | 'evidence', label: string) => (
    <div>
      <CheckInput label={label} checked={choices[field]} onCheck={(on) => set({ [field]: on })} />
    </div>
  )
  const make = () => {
    if (!store.edit('make-skeleton', { n: counts.modules }, (edit) => makeFrameworkSkeleton(edit, skeleton, newId))) return
    store.say(`Made ${sentence(counts, word)}. Ctrl+Z takes all of it back.`, false)
    onDone()
    navigate('/outcomes')
  }
  return (
    <>
      <div className="bring-cols">
        <section aria-label="How it becomes a course">
          <SelectInput
            label={word.Many}
            value={choices.modulesFrom}
            options={[
              { value: 'elements', label: `each element becomes a ${word.one}` },
              { value: 'areas', label: `each area becomes a ${word.one}` },
              { value: 'one', label: `all of it becomes one ${word.one}` },
            ]}
            onChoose={(v) => v && set({ modulesFrom: v })}
          />
          <SelectInput
            label="Objectives"
            value={choices.objectivesFrom}
            options={[
              { value: 'criteria', label: 'each criterion becomes an objective' },
              { value: 'elements', label: 'each element becomes an objective' },
            ]}
            onChoose={(v) => v && set({ objectivesFrom: v })}
          />
          <p className="muted" style={{ margin: '4px 0 6px' }}>
            In every {word.one}
          </p>
          {tick('study', 'a page to study')}
          {tick('practice', 'a practice')}
          {tick('assessment', 'an assessment')}
          <div style={{ width: 170, marginTop: 8 }}>
            <DraftField
              label="Questions of a quiz (0: none)"
              right
              value={String(choices.questions)}
              onCommit={(t) => {
                const n = Number(t)
                if (!Number.isInteger(n) || n < 0 || n > 100) return 'A whole number from 0 to 100.'
                set({ questions: n })
                return null
              }}
            />
          </div>
          <p className="muted" style={{ margin: '4px 0 6px' }}>
            And
          </p>
          {tick('outcomes', 'course outcomes from the elements')}
          {tick('evidence', 'one assessment at the end for the performance evidence')}
        </section>
        <section aria-label="What would be made">
          {skeleton.modules.length === 0 && (
            <p className="empty">This framework has no elements to begin from. Choose another way, or give its items the kind “element”.</p>
          )}
          {skeleton.modules.slice(0, MOST_MODULES).map((m, i) => (
            <section key={m.itemId ?? i} aria-label={m.title}>
              <h3 className="understood-head">
                {i + 1} {m.title}
              </h3>
              {m.objectives.map((o) => (
                <div key={o.itemId} className="understood-line">
                  <b>{o.code}</b>
                  <span className="grow" data-tip={o.given}>
                    <DraftField
                      label={`Wording of ${o.code || o.given}`}
                      hideLabel
                      boxed={false}
                      value={o.statement}
                      onCommit={(t) => {
                        setOwn({ ...own, [o.itemId]: fittedText('objective', 'statement', t) ?? '' })
                        return null
                      }}
                    />
                  </span>
                  <LevelMark level={o.level} byHand={false} />
                  <IconButton name={`Leave out ${o.code || o.given}`} onClick={() => setOwn({ ...own, [o.itemId]: '' })}>
                    <RemoveIcon />
                  </IconButton>
                </div>
              ))}
              <p className="muted small" style={{ margin: '2px 0 0 46px' }}>
                {m.work
                  .map((w) => `${w.title}${w.questions > 0 ? `, ${countOf(w.questions, 'question')}` : ''} (${w.minutes} min)`)
                  .join(' · ')}
              </p>
            </section>
          ))}
        </section>
      </div>
      <div className="bring-foot">
        <b role="status">{skeleton.modules.length === 0 ? 'Nothing to make yet' : sentence(counts, word)}</b>
        <span className="grow" />
        {counts.modules > MOST_MODULES && (
          <span className="form-error">
            More than {MOST_MODULES} {word.many}: choose another way.
          </span>
        )}
        {Object.values(own).some((t) => t === '') && (
          <Button onClick={() => setOwn(Object.fromEntries(Object.entries(own).filter(([, t]) => t !== '')))}>
            Take in what was left out
          </Button>
        )}
        <Button rank="main" disabled={counts.modules === 0 || counts.modules > MOST_MODULES} onClick={make}>
          Make it
        </Button>
      </div>
    </>
  )
}

function sentence(c: ReturnType<typeof frameworkSkeletonCounts>, word: ModuleWord): string {
  return [
    c.outcomes > 0 ? countOf(c.outcomes, 'outcome') : null,
    countOf(c.modules, word.one, word.many),
    countOf(c.objectives, 'objective'),
    c.activities > 0 ? countOf(c.activities, 'activity', 'activities') : null,
    c.questions > 0 ? countOf(c.questions, 'question') : null,
    c.assessments > 0 ? countOf(c.assessments, 'assessment') : null,
    `${formatWhole(Math.round(c.minutes / 60))} hours`,
  ]
    .filter(Boolean)
    .join(', ')
}
