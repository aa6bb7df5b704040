/** The home page: my courses, and a new one. */

import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import { useQuery } from '@tanstack/react-query'
import { type FormEvent, useEffect, useRef, useState } from 'react'
import { CREDIT_SYSTEMS, DELIVERIES } from '../../core/blueprint/kinds/course'
import { countOf, readHundredths } from '../../core/numbers'
import { CREDIT_LABELS, DELIVERY_LABELS } from '../../core/syllabus/assemble'
import type { CourseListItem } from '../../server/courses'
import { Providers } from '../frame/providers'
import { Button } from '../parts/button'
import { ask, asked } from '../store/api'
import { queries } from '../store/queries'
import { registerShell } from '../store/shell'
import { todayIso } from '../store/today'

export default function CourseList({ nonce }: { nonce: string }) {
  return (
    <Providers nonce={nonce}>
      <List />
    </Providers>
  )
}

/** How often the list asks again while a course is being counted. */
const COUNTING_MS = 2000

function List() {
  const [adding, setAdding] = useState(false)
  // Counts are worked out after a change: while one is missing, and when somebody comes back to this page, it is asked again.
  const { data, isError } = useQuery(
    {
      queryKey: ['courses'],
      queryFn: () => asked<readonly CourseListItem[]>('/api/courses'),
      staleTime: 0,
      refetchOnWindowFocus: 'always',
      refetchInterval: ({ state }) => (state.data?.some((c) => c.fix === null) ? COUNTING_MS : false),
    },
    queries,
  )
  const courses = data ?? null
  const failed = isError
  useEffect(() => {
    if (data) registerShell()
  }, [data !== undefined])
  return (
    <main className="page">
      <div className="row" style={{ marginBottom: 14 }}>
        <h1>My courses</h1>
        <span className="grow" />
        <Button rank="main" onClick={() => setAdding(true)}>
          New course
        </Button>
      </div>
      {failed && <p className="form-error">The list could not be loaded. Check the connection and load the page again.</p>}
      {courses?.length === 0 && (
        <p className="empty" style={{ paddingInline: 0 }}>
          A course begins with its title, its length and its first day. Everything else follows from what you plan in it.
        </p>
      )}
      {courses && courses.length > 0 && (
        <table className="sheet" style={{ border: '1px solid var(--line)' }}>
          <thead>
            <tr>
              <th scope="col" style={{ width: 110 }}>
                Code
              </th>
              <th scope="col">Title</th>
              <th scope="col">Term</th>
              <th scope="col">My role</th>
              <th scope="col" className="r">
                To fix
              </th>
              <th scope="col" className="r">
                To check
              </th>
              <th scope="col" className="r">
                Last change
              </th>
            </tr>
          </thead>
          <tbody>
            {courses.map((c) => (
              <tr key={c.id} className="item">
                <td style={{ paddingLeft: 8 }}>
                  <b>{c.code ?? ''}</b>
                </td>
                <th scope="row" style={{ paddingLeft: 8 }}>
                  <a href={`/courses/${c.id}/outcomes`} style={{ fontWeight: 650 }}>
                    {c.title}
                  </a>
                </th>
                <td>{c.term}</td>
                <td>{c.role}</td>
                <td className="r">{c.fix === null ? '…' : c.fix > 0 ? <span className="count">{c.fix}</span> : '0'}</td>
                <td className="r">{c.check ?? '…'}</td>
                <td className="r muted">
                  {c.changedAt
                    ? new Date(c.changedAt).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' })
                    : ''}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {courses && <p className="muted small">{countOf(courses.length, 'course')}</p>}
      {adding && <NewCourse onClose={() => setAdding(false)} />}
    </main>
  )
}

type Problem = { readonly at: string; readonly message: string }

function NewCourse({ onClose }: { onClose: () => void }) {
  const [problems, setProblems] = useState<readonly Problem[]>([])
  const [busy, setBusy] = useState(false)
  const next = useRef<'outcomes' | 'bring'>('outcomes')
  const [system, setSystem] = useState<(typeof CREDIT_SYSTEMS)[number]>('semester')
  const submit = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault()
    const data = new FormData(event.currentTarget)
    const text = (name: string) => String(data.get(name) ?? '').trim()
    const credits = text('credits') === '' ? null : readHundredths(text('credits'))
    const weeks = Number(text('weeks'))
    const found: Problem[] = [
      ...(text('title') === '' ? [{ at: 'title', message: 'A course needs a title.' }] : []),
      ...(Number.isInteger(weeks) && weeks >= 1 && weeks <= 60 ? [] : [{ at: 'weeks', message: 'From 1 to 60 weeks.' }]),
      ...(text('credits') !== '' && credits === null ? [{ at: 'credits', message: 'Credits are a number, such as 3 or 7.5.' }] : []),
      ...(text('firstDay') === '' ? [{ at: 'firstDay', message: 'The first offering needs its first day.' }] : []),
    ]
    setProblems(found)
    if (found.length > 0) return
    setBusy(true)
    const body = {
      title: text('title'),
      code: text('code'),
      weeks,
      creditSystem: system,
      credits: system === 'none' ? null : credits,
      delivery: text('delivery'),
      term: text('term') || 'First offering',
      firstDay: text('firstDay'),
      timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC',
    }
    const answer = await ask<{ readonly id: string }>('/api/courses', { method: 'POST', body })
    if (answer.ok) return window.location.assign(`/courses/${answer.value.id}/${next.current}`)
    const { status, title, problems: refused } = answer.problem
    const away = 'The server was not reached. What you typed is still here: try again.'
    setProblems(refused ? [...refused] : [{ at: '', message: status === 0 ? away : title }])
    setBusy(false)
  }
  const field = (name: string, label: string, rest: object = {}) => {
    const problem = problems.find((p) => p.at === name)
    return (
      <label className="labelled">
        <span>{label}</span>
        <input className="field boxed" name={name} aria-invalid={problem !== undefined} {...rest} />
        {problem && (
          <span className="form-error" role="alert">
            {problem.message}
          </span>
        )}
      </label>
    )
  }
  const other = problems.filter((p) => !['title', 'weeks', 'credits', 'firstDay', 'code', 'term'].includes(p.at))
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="new-title">
      <form onSubmit={submit} noValidate>
        <DialogTitle id="new-title">New course</DialogTitle>
        <DialogContent>
          {field('title', 'Title', { autoFocus: true, maxLength: 300 })}
          <div className="pair">
            {field('code', 'Code', { maxLength: 40, placeholder: 'HYD 214' })}
            {field('weeks', 'Weeks', { defaultValue: 12, inputMode: 'numeric' })}
          </div>
          <div className="pair">
            <label className="labelled">
              <span>Credit system</span>
              <select
                className="field boxed"
                name="creditSystem"
                value={system}
                onChange={(e) => setSystem(e.target.value as typeof system)}
              >
                {CREDIT_SYSTEMS.map((c) => (
                  <option key={c} value={c}>
                    {CREDIT_LABELS[c]}
                  </option>
                ))}
              </select>
            </label>
            {field('credits', 'Credits', { disabled: system === 'none', inputMode: 'decimal' })}
          </div>
          <label className="labelled">
            <span>How it is taught</span>
            <select className="field boxed" name="delivery">
              {DELIVERIES.map((d) => (
                <option key={d} value={d}>
                  {DELIVERY_LABELS[d]}
                </option>
              ))}
            </select>
          </label>
          <div className="pair">
            {field('term', 'First offering', { placeholder: 'Autumn 2027', maxLength: 100 })}
            {field('firstDay', 'Its first day', { type: 'date', defaultValue: todayIso() })}
          </div>
          {other.map((p) => (
            <p key={p.at + p.message} className="form-error" role="alert">
              {p.at ? `${p.at}: ` : ''}
              {p.message}
            </p>
          ))}
        </DialogContent>
        <DialogActions sx={{ px: 3, pb: 2 }}>
          <Button rank="rest" onClick={onClose}>
            Cancel
          </Button>
          <Button
            rank="rest"
            disabled={busy}
            onClick={(e) => {
              next.current = 'bring'
              e.currentTarget.form?.requestSubmit()
            }}
          >
            Make it and bring what I have
          </Button>
          <Button
            rank="main"
            type="submit"
            disabled={busy}
            onClick={() => {
              next.current = 'outcomes'
            }}
          >
            Make the course
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  )
}
