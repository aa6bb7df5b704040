/** What the course is: the facts that everything else rests on, its parts, and the decisions made. */
import { lazy, Suspense, useState } from 'react'
import { recordsOf } from '../../core/blueprint/blueprint'
import type { Course, Part } from '../../core/blueprint/kinds'
import { PURPOSES, type Purpose } from '../../core/blueprint/kinds/activity'
import { CREDIT_SYSTEMS, DELIVERIES } from '../../core/blueprint/kinds/course'
import { insertAt, rekey } from '../../core/blueprint/order'
import { indexCourse } from '../../core/blueprint/plan-index'
import { cleanText } from '../../core/blueprint/text'
import { longDate } from '../../core/calendar/plain-date'
import { moveInList } from '../../core/edits/objectives'
import { formatHundredths, readHundredths } from '../../core/numbers'
import { CREDIT_LABELS, DELIVERY_LABELS } from '../../core/syllabus/assemble'
import { useNonce } from '../frame/nonce'
import { ChoiceField, DraftField } from '../parts/fields'
import { newId, useCourse, useCourseStore } from '../store/course-store'

const RichEditor = lazy(() => import('../parts/rich-editor'))

export function Brief() {
  const store = useCourseStore()
  const nonce = useNonce()
  const course = useCourse((s) => s.view.course.get('course'))
  if (!course) return null
  const may = store.may('course')
  const set = (what: string, to: Partial<Course>) => {
    store.edit('set-field', { what }, (edit) => edit.set('course', 'course', to))
    return null
  }
  const text = (label: string, field: keyof Course & string, max: number, { lines = false, placeholder = '' } = {}) => (
    <DraftField
      label={label}
      value={String(course[field] ?? '')}
      disabled={!may}
      lines={lines}
      placeholder={placeholder}
      onCommit={(typed) => {
        const value = cleanText(typed, lines)
        if (value === null && field === 'title') return 'A course needs a title.'
        if ((value?.length ?? 0) > max) return `At most ${max} characters.`
        return set(label.toLowerCase(), { [field]: value })
      }}
    />
  )
  const number = (label: string, field: 'credits' | 'weeklyHoursMin' | 'weeklyHoursMax', max: number) => (
    <DraftField
      label={label}
      value={course[field] === null ? '' : formatHundredths(course[field])}
      disabled={!may}
      onCommit={(typed) => {
        const value = typed.trim() === '' ? null : readHundredths(typed)
        if (typed.trim() !== '' && value === null) return 'Write a number.'
        if ((value ?? 0) > max * 100) return `At most ${max}.`
        return set(label.toLowerCase(), { [field]: value })
      }}
    />
  )
  return (
    <div className="work">
      <div className="bar">
        <h1>Brief</h1>
        <span className="muted small">Who learns what, how, and how long. The syllabus takes its facts from here.</span>
      </div>
      <div className="scroll-area">
        <div className="two">
          <div>
            <section className="card" data-record="course course">
              <h2>Course</h2>
              {text('Title', 'title', 300)}
              <div className="pair">
                {text('Code', 'code', 40)}
                {text('Institution', 'institution', 300)}
              </div>
              {text('Subtitle', 'subtitle', 300)}
              <div className="labelled">
                <span>Description</span>
                <Suspense fallback={<div style={{ minHeight: 150 }} />}>
                  <RichEditor
                    label="Description"
                    value={course.description}
                    nonce={nonce}
                    readOnly={!may}
                    onCommit={(description) => void set('description', { description })}
                  />
                </Suspense>
              </div>
              {text('Who it is for', 'audience', 2000, { lines: true })}
              {text('Before learners start', 'prerequisites', 2000, { lines: true })}
            </section>
          </div>
          <div>
            <section className="card">
              <h2>Form</h2>
              <ChoiceField
                label="How it is taught"
                value={course.delivery}
                disabled={!may}
                options={DELIVERIES.map((d) => ({ value: d, label: DELIVERY_LABELS[d] }))}
                onChoose={(v) => v && set('delivery', { delivery: v })}
              />
              <div className="pair">
                <ChoiceField
                  label="Credit system"
                  value={course.creditSystem}
                  disabled={!may}
                  options={CREDIT_SYSTEMS.map((c) => ({ value: c, label: CREDIT_LABELS[c] }))}
                  onChoose={(v) => v && set('credit system', { creditSystem: v })}
                />
                {number('Credits', 'credits', 400)}
              </div>
              <div className="pair">
                {number('Hours a week, from', 'weeklyHoursMin', 100)}
                {number('Hours a week, to', 'weeklyHoursMax', 100)}
              </div>
              <div className="pair">
                {text('Word for a module', 'moduleWord', 40, { placeholder: 'Module' })}
                {text('Prefix of outcomes', 'outcomePrefix', 8, { placeholder: 'CO' })}
              </div>
            </section>
            <Parts />
            <Decisions />
          </div>
        </div>
      </div>
    </div>
  )
}

function Parts() {
  const store = useCourseStore()
  const view = useCourse((s) => s.view)
  const [round, setRound] = useState(0)
  const parts = indexCourse(view).parts
  const may = store.may('part')
  const rename = (part: Part, text: string) => {
    const title = cleanText(text, false)
    if (title === null) return 'A part needs a name.'
    store.edit('edit-text', { what: part.title }, (edit) => edit.set('part', part.id, { title: title.slice(0, 60) }))
    return null
  }
  return (
    <section className="card">
      <h2>Parts that every module repeats</h2>
      {parts.map((p) => (
        <div key={p.id} className="row" data-record={`part ${p.id}`} style={{ marginBottom: 4 }}>
          <span className="grow">
            <DraftField label={`Name of part ${p.title}`} hideLabel value={p.title} disabled={!may} onCommit={(t) => rename(p, t)} />
          </span>
          <ChoiceField
            label={`Purpose of ${p.title}`}
            hideLabel
            value={p.purpose ?? ''}
            disabled={!may}
            options={[{ value: '', label: 'any purpose' }, ...PURPOSES.map((x) => ({ value: x, label: x }))]}
            onChoose={(v) =>
              store.edit('set-field', { what: `purpose of ${p.title}` }, (edit) =>
                edit.set('part', p.id, { purpose: (v || null) as Purpose | null }),
              )
            }
          />
          {may && (
            <>
              <button
                type="button"
                className="btn"
                aria-label={`Move ${p.title} up`}
                onClick={() => store.edit('move', { what: p.title }, (edit) => void moveInList(edit, 'part', p.id, -1))}
              >
                ↑
              </button>
              <button
                type="button"
                className="btn"
                aria-label={`Remove ${p.title}`}
                onClick={() => store.edit('remove', { what: p.title }, (edit) => edit.remove({ kind: 'part', id: p.id }))}
              >
                ✕
              </button>
            </>
          )}
        </div>
      ))}
      {may && (
        <DraftField
          key={round}
          label="New part"
          hideLabel
          value=""
          placeholder="Add a part"
          onCommit={(t) => {
            const title = cleanText(t, false)
            if (title === null) return null
            store.edit('add-part', {}, (edit) => {
              const insertion = insertAt(indexCourse(edit.now).parts, parts.length, 1)
              rekey(edit, 'part', insertion)
              edit.create('part', { id: newId(), title: title.slice(0, 60), purpose: null, order: insertion.keys[0] as string })
            })
            setRound((n) => n + 1)
            return null
          }}
        />
      )}
    </section>
  )
}

function Decisions() {
  const store = useCourseStore()
  const view = useCourse((s) => s.view)
  const [round, setRound] = useState(0)
  const decisions = recordsOf(view, 'decision').sort((a, b) => (a.date + a.id < b.date + b.id ? 1 : -1))
  const may = store.may('decision')
  return (
    <section className="card">
      <h2>Decisions</h2>
      {decisions.map((d) => (
        <div
          key={d.id}
          data-record={`decision ${d.id}`}
          style={{ borderBottom: '1px solid var(--line)', padding: '4px 0', marginBottom: 4 }}
        >
          <div>{d.reason}</div>
          <div className="row muted small">
            {d.kind}, {d.author}, {longDate(d.date)}
            <span className="grow" />
            {may && (
              <button
                type="button"
                className="link"
                onClick={() => store.edit('remove', { what: 'a decision' }, (edit) => edit.remove({ kind: 'decision', id: d.id }))}
              >
                remove
              </button>
            )}
          </div>
        </div>
      ))}
      {may && (
        <DraftField
          key={round}
          label="Note a design choice and its reason"
          value=""
          onCommit={(t) => {
            const reason = cleanText(t, true)
            if (reason === null) return null
            const date = new Date().toISOString().slice(0, 10)
            store.edit('set-field', { what: 'a decision' }, (edit) =>
              edit.create('decision', {
                id: newId(),
                kind: 'design choice',
                reason: reason.slice(0, 2000),
                author: store.state.viewer?.name ?? '',
                date,
                findingKey: null,
                facts: null,
              }),
            )
            setRound((n) => n + 1)
            return null
          }}
        />
      )}
    </section>
  )
}
