/** What the course is: the facts that everything else rests on, its parts, and the decisions made. */

import UpIcon from '@mui/icons-material/ArrowUpward'
import RemoveIcon from '@mui/icons-material/DeleteOutlined'
import ButtonBase from '@mui/material/ButtonBase'
import { useState } from 'react'
import { recordsOf } from '../../core/blueprint/blueprint'
import { readValue } from '../../core/blueprint/field-text'
import type { Course } from '../../core/blueprint/kinds'
import { keyIn } from '../../core/blueprint/order'
import { longDate } from '../../core/calendar/plain-date'
import { moveInList } from '../../core/edits/objectives'
import { indexCourse } from '../../core/plan/plan-index'
import { CREDIT_LABELS, DELIVERY_LABELS } from '../../core/syllabus/assemble'
import { useNonce } from '../frame/nonce'
import { IconButton } from '../parts/button'
import { DraftField } from '../parts/fields'
import { PlanChoice, PlanField } from '../parts/plan-field'
import { RichField } from '../parts/rich-field'
import { newId, useCourse, useCourseStore } from '../store/course-store'
import { todayIso } from '../store/today'
import { Rules } from './rules'

export function Brief() {
  const store = useCourseStore()
  const nonce = useNonce()
  const course = useCourse((s) => s.view.course.get('course'))
  if (!course) return null
  const may = store.may('course')
  const field = (label: string, name: keyof Course, placeholder = '') => (
    <PlanField kind="course" record={course} field={name} label={label} placeholder={placeholder} />
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
              {field('Title', 'title')}
              <div className="pair">
                {field('Code', 'code')}
                {field('Institution', 'institution')}
              </div>
              {field('Subtitle', 'subtitle')}
              <div className="labelled">
                <span>Description</span>
                <RichField
                  label="Description"
                  value={course.description}
                  nonce={nonce}
                  readOnly={!may}
                  onCommit={(description) =>
                    void store.edit('edit-text', { what: 'description' }, (edit) => edit.set('course', 'course', { description }))
                  }
                />
              </div>
              {field('Who it is for', 'audience')}
              {field('Before learners start', 'prerequisites')}
            </section>
          </div>
          <div>
            <section className="card">
              <h2>Form</h2>
              <PlanChoice kind="course" record={course} field="delivery" label="How it is taught" labels={DELIVERY_LABELS} />
              <div className="pair">
                <PlanChoice kind="course" record={course} field="creditSystem" label="Credit system" labels={CREDIT_LABELS} />
                {field('Credits', 'credits')}
              </div>
              <div className="pair">
                {field('Hours a week, from', 'weeklyHoursMin')}
                {field('Hours a week, to', 'weeklyHoursMax')}
              </div>
              <div className="pair">
                {field('Word for a module', 'moduleWord', 'Module')}
                {field('Prefix of outcomes', 'outcomePrefix', 'CO')}
              </div>
            </section>
            <Parts />
            <Rules course={course} />
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
  return (
    <section className="card">
      <h2>Parts that every module repeats</h2>
      {parts.map((p) => (
        <div key={p.id} className="row" data-record={`part ${p.id}`} style={{ marginBottom: 4 }}>
          <span className="grow">
            <PlanField kind="part" record={p} field="title" label={`Name of part ${p.title}`} what={p.title} hideLabel />
          </span>
          <PlanChoice kind="part" record={p} field="purpose" label={`Purpose of ${p.title}`} hideLabel none="any purpose" />
          {may && (
            <>
              <IconButton
                name={`Move ${p.title} up`}
                onClick={() => store.edit('move', { what: p.title }, (edit) => void moveInList(edit, 'part', p.id, -1))}
              >
                <UpIcon />
              </IconButton>
              <IconButton
                name={`Remove ${p.title}`}
                onClick={() => store.edit('remove', { what: p.title }, (edit) => edit.remove({ kind: 'part', id: p.id }))}
              >
                <RemoveIcon />
              </IconButton>
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
            if (t.trim() === '') return null
            const title = readValue('part', 'title', t)
            if (!title.ok) return title.error
            store.edit('add-part', {}, (edit) => {
              const order = keyIn(edit, 'part', indexCourse(edit.now).parts, parts.length)
              edit.create('part', { id: newId(), title: String(title.value), purpose: null, order })
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
              <ButtonBase
                className="link"
                onClick={() => store.edit('remove', { what: 'a decision' }, (edit) => edit.remove({ kind: 'decision', id: d.id }))}
              >
                remove
              </ButtonBase>
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
            if (t.trim() === '') return null
            const reason = readValue('decision', 'reason', t)
            if (!reason.ok) return reason.error
            store.edit('set-field', { what: 'a decision' }, (edit) =>
              edit.create('decision', {
                id: newId(),
                kind: 'design choice',
                reason: String(reason.value),
                author: store.state.viewer?.name ?? '',
                date: todayIso(),
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
