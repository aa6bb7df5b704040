/** The home page: my courses, and a new one. */

import Alert from '@mui/material/Alert'
import Pagination from '@mui/material/Pagination'
import TableSortLabel from '@mui/material/TableSortLabel'
import { useQuery } from '@tanstack/react-query'
import { useEffect, useMemo, useState } from 'react'
import { countOf, formatHundredths, formatWhole, listOf } from '../../core/numbers'
import { ROLE_TITLES, type Role } from '../../core/roles'
import { REMOVED_DAYS, SPACE_STATES, type SpaceState } from '../../core/spaces'
import { WHOLE } from '../../core/standing/standing'
import type { CourseInList } from '../../server/courses'
import type { QuotaUse } from '../../server/quotas'
import { Providers } from '../frame/providers'
import './home.css'
import { Button } from '../parts/button'
import { SelectInput, TextInput } from '../parts/input'
import { daysText, partText } from '../parts/standing-text'
import { WaitingWord } from '../parts/waiting'
import { asked } from '../store/api'
import { queries } from '../store/queries'
import { registerShell } from '../store/shell'
import { todayIso } from '../store/today'
import { arranged, FALLS_FIRST, HEADS, type SortedBy } from './arrange-courses'
import { CourseMenu } from './course-menu'
import { NewCourse } from './new-course'
import { OpenFile } from './open-file'

export default function CourseList({ nonce }: { nonce: string }) {
  return (
    <Providers nonce={nonce}>
      <List />
    </Providers>
  )
}

/** How often the list asks again while a course is being counted, and otherwise for who is in the courses. */
const COUNTING_MS = 2000
const HERE_MS = 20_000

function List() {
  const [adding, setAdding] = useState(false)
  // Counts are worked out after a change: while one is missing, and when somebody comes back to this page, it is asked again.
  const { data, isError, refetch } = useQuery(
    {
      queryKey: ['courses'],
      queryFn: () => asked<readonly CourseInList[]>('/api/courses'),
      staleTime: 0,
      refetchOnWindowFocus: 'always',
      refetchInterval: ({ state }) => (state.data?.some((c) => c.fix === null) ? COUNTING_MS : HERE_MS),
    },
    queries,
  )
  const [said, setSaid] = useState<{ readonly text: string; readonly failed: boolean } | null>(null)
  const done: Done = (text, failed = false) => {
    setSaid({ text, failed })
    void refetch()
  }
  useEffect(() => {
    if (data) registerShell()
  }, [data !== undefined])
  return (
    <main className="page home">
      <div className="row" style={{ marginBottom: 14, flexWrap: 'wrap' }}>
        <h1>My courses</h1>
        <span className="grow" />
        <OpenFile />
        <Button rank="main" onClick={() => setAdding(true)}>
          New course
        </Button>
      </div>
      <NearQuotas />
      {isError && <p className="form-error">The list could not be loaded. Check the connection and load the page again.</p>}
      {data?.length === 0 && (
        <p className="empty" style={{ paddingInline: 0 }}>
          A course begins with its title and its first day. Everything else follows from what you plan in it.
        </p>
      )}
      <div role="status">{said && !said.failed && <p className="muted">{said.text}</p>}</div>
      {said?.failed && (
        <p className="form-error" role="alert">
          {said.text}
        </p>
      )}
      {data && data.length > 0 && <Courses courses={data} done={done} />}
      {adding && <NewCourse onClose={() => setAdding(false)} />}
    </main>
  )
}

/** What one has nearly used up of what an account may have here: told before it bites. */
function NearQuotas() {
  const { data } = useQuery({ queryKey: ['quotas'], queryFn: () => asked<readonly QuotaUse[]>('/api/account/quotas') }, queries)
  return (data ?? []).map(({ says }) => (
    <Alert key={says} severity="warning" sx={{ mb: 2 }}>
      {says}
    </Alert>
  ))
}

/** So many rows are drawn at once (Cairn default). */
const PAGE = 100

type Done = (said: string, failed?: boolean) => void

function Courses({ courses: all, done }: { courses: readonly CourseInList[]; done: Done }) {
  const today = todayIso()
  const [words, setWords] = useState('')
  const [role, setRole] = useState<Role | ''>('')
  const [term, setTerm] = useState('')
  const [state, setState] = useState<SpaceState>('live')
  const courses = useMemo(() => all.filter((c) => c.state === state), [all, state])
  const [sort, setSort] = useState<SortedBy>({ by: 'changed', down: true })
  const [page, setPage] = useState(1)
  const terms = [...new Set(courses.flatMap((c) => c.term ?? []))].sort()
  const roles = [...new Set(courses.map((c) => c.role))]
  const shown = useMemo(() => arranged(courses, { words, role, term }, sort), [courses, words, role, term, sort])
  const pages = Math.max(1, Math.ceil(shown.length / PAGE))
  const at = Math.min(page, pages)
  const sortBy = (by: SortedBy['by']) => setSort({ by, down: sort.by === by ? !sort.down : FALLS_FIRST.has(by) })
  return (
    <>
      <search className="row" aria-label="Find courses" style={{ marginBottom: 10, flexWrap: 'wrap' }}>
        <TextInput
          type="search"
          label="Find courses"
          hideLabel
          width={240}
          placeholder="Find by title or code"
          value={words}
          onChange={(e) => setWords(e.target.value)}
        />
        <SelectInput
          label="Term"
          hideLabel
          value={term}
          options={[{ value: '', label: 'Every term' }, ...terms.map((t) => ({ value: t, label: t }))]}
          onChoose={setTerm}
        />
        <SelectInput
          label="My role"
          hideLabel
          value={role}
          options={[{ value: '', label: 'Every role' }, ...roles.map((r) => ({ value: r, label: ROLE_TITLES[r] }))]}
          onChoose={setRole}
        />
        {(state !== 'live' || all.some((c) => c.state !== 'live')) && (
          <SelectInput
            label="Which courses"
            hideLabel
            value={state}
            options={SPACE_STATES.map((s) => ({ value: s, label: STATE_TITLES[s] }))}
            onChoose={(s) => setState(s || 'live')}
          />
        )}
        <span className="muted small" role="status">
          {shown.length === courses.length
            ? countOf(courses.length, 'course')
            : `${formatWhole(shown.length)} of ${countOf(courses.length, 'course')}`}
        </span>
      </search>
      <div className="scroll">
        <table className="sheet courses">
          <thead>
            <tr>
              {HEADS.map(({ by, title, right }) => (
                <th
                  key={by}
                  scope="col"
                  className={right ? 'r' : ''}
                  aria-sort={sort.by === by ? (sort.down ? 'descending' : 'ascending') : 'none'}
                >
                  <TableSortLabel
                    active={sort.by === by}
                    direction={sort.by === by && sort.down ? 'desc' : 'asc'}
                    onClick={() => sortBy(by)}
                  >
                    {title}
                  </TableSortLabel>
                </th>
              ))}
              <th scope="col">
                <span className="visually-hidden">More</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {shown.slice((at - 1) * PAGE, at * PAGE).map((c) => (
              <CourseRow key={c.id} course={c} today={today} done={done} />
            ))}
          </tbody>
        </table>
      </div>
      {shown.length === 0 && <p className="muted">No course of yours is like that.</p>}
      {pages > 1 && <Pagination aria-label="Pages of courses" count={pages} page={at} onChange={(_, to) => setPage(to)} />}
    </>
  )
}

const STATE_TITLES: Readonly<Record<SpaceState, string>> = { live: 'In work', archived: 'Put away', removed: 'Removed' }

/** Since when a course is as it is; a removed one until when it can be brought back. */
function StateSince({ course: { state, stateAt } }: { course: CourseInList }) {
  if (state === 'live' || !stateAt) return null
  const until = new Date(Date.parse(stateAt) + REMOVED_DAYS * 86_400_000).toISOString()
  return (
    <span className="muted small"> {state === 'removed' ? `gone for good on ${longDay(until)}` : `put away on ${longDay(stateAt)}`}</span>
  )
}

function CourseRow({ course: c, today, done }: { course: CourseInList; today: string; done: Done }) {
  const s = c.standing
  return (
    <tr className="item">
      <td>
        <b>{c.code ?? ''}</b>
      </td>
      <th scope="row">
        {c.state === 'removed' ? c.title : <a href={`/courses/${c.id}/brief`}>{c.title}</a>}
        <StateSince course={c} />
        {c.here.length > 0 && (
          <span className="muted small">
            {' '}
            {listOf(c.here)} {c.here.length === 1 ? 'is' : 'are'} in it now
          </span>
        )}
      </th>
      <td>
        {c.term} <span className="muted small nowrap">{s?.firstDay && daysText(s.firstDay, today)}</span>
      </td>
      <td>{ROLE_TITLES[c.role]}</td>
      <td className="r">{s ? partText(s.objectives.assessed, s.objectives.all) : <WaitingWord />}</td>
      <td className="r">{s ? partText(s.modules.planned, s.modules.all) : <WaitingWord />}</td>
      <td className={`r${s?.gradeGiven && s.gradeGiven !== WHOLE ? ' off' : ''}`}>
        {s ? s.gradeGiven === null ? 'none' : `${formatHundredths(s.gradeGiven)} %` : <WaitingWord />}
      </td>
      <td className="r">{c.fix === null ? <WaitingWord /> : c.fix > 0 ? <span className="count">{c.fix}</span> : '0'}</td>
      <td className="r muted nowrap">{c.changedAt && longDay(c.changedAt)}</td>
      <td className="r">
        <CourseMenu course={c} done={done} />
      </td>
    </tr>
  )
}

const longDay = (at: string): string => new Date(at).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' })
