/** Top bar, strip of workspaces, work, panel; keys that work everywhere. */
import Dialog from '@mui/material/Dialog'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import Menu from '@mui/material/Menu'
import MenuItem from '@mui/material/MenuItem'
import { type ReactNode, useEffect, useState } from 'react'
import { Link, useLocation } from 'wouter'
import { initialsOf } from '../../core/access/presence'
import type { Workspace } from '../../core/findings/finding'
import { countOf, formatHundredths } from '../../core/numbers'
import { currentOffering } from '../../core/plan/offering'
import { ROLE_TITLES, type Role } from '../../core/roles'
import { CREDIT_LABELS } from '../../core/syllabus/assemble'
import { later } from '../parts/later'
import { CairnMark } from '../parts/marks'
import type { Connection } from '../store/connection'
import { useCourse, useCourseStore } from '../store/course-store'
import { useGo, usePanel } from '../store/navigation'
import { forgetPlans } from '../store/shelf'
import { FindingList } from './finding-list'
import { PresenceMarks, PresentPeople } from './presence'

const STRIP: readonly { readonly key: Workspace; readonly title: string }[] = [
  { key: 'brief', title: 'Brief' },
  { key: 'outcomes', title: 'Outcomes' },
  { key: 'map', title: 'Map' },
  { key: 'assessment', title: 'Assessment' },
  { key: 'calendar', title: 'Calendar' },
  { key: 'syllabus', title: 'Syllabus' },
]

export function Frame({
  children,
  prefetch,
}: {
  children: ReactNode
  prefetch: Readonly<Partial<Record<Workspace, () => Promise<unknown>>>>
}) {
  const [location] = useLocation()
  const panel = usePanel()
  const [help, setHelp] = useState(false)
  useGlobalKeys(() => setHelp(true))
  const workspace = location.split('/')[1] ?? ''
  return (
    <div className="frame">
      <a className="skip" href="#work">
        Skip to the work
      </a>
      <TopBar />
      <Strip workspace={workspace} prefetch={prefetch} onHelp={() => setHelp(true)} />
      <div className="body">
        <main id="work" style={{ flex: 1, minWidth: 0, display: 'flex', flexDirection: 'column', minHeight: 0 }} tabIndex={-1}>
          <OthersWaiting />
          <ConflictArea />
          {children}
        </main>
        {panel && <Panel workspace={workspace as Workspace} />}
      </div>
      <PresenceMarks />
      <Notice />
      {help && <KeyHelp onClose={() => setHelp(false)} />}
    </div>
  )
}

/** Fetched when the first conflict comes. */
const Conflicts = later(() => import('./conflicts').then((m) => m.Conflicts))

function ConflictArea() {
  const any = useCourse((s) => s.session.conflicts.length + s.unsent.length > 0)
  return any ? <Conflicts /> : null
}

/** What somebody else could not send from this browser: it goes out when they sign in here again. */
function OthersWaiting() {
  const others = useCourse((s) => s.others)
  const [closed, setClosed] = useState(false)
  if (others.length === 0 || closed) return null
  return (
    <p className="others-waiting">
      {others.map((o) => `${countOf(o.n, 'change')} of ${o.email || 'another account'}`).join(' and ')}{' '}
      {others.reduce((n, o) => n + o.n, 0) === 1 ? 'waits' : 'wait'} in this browser and{' '}
      {others.reduce((n, o) => n + o.n, 0) === 1 ? 'goes' : 'go'} out when that account signs in here.
      <button type="button" className="btn" onClick={() => setClosed(true)}>
        Close
      </button>
    </p>
  )
}

function useGlobalKeys(onHelp: () => void) {
  const store = useCourseStore()
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const target = e.target as HTMLElement
      const typing = target.matches('input,textarea,select,[contenteditable=true]')
      const key = e.key.toLowerCase()
      if ((e.ctrlKey || e.metaKey) && (key === 'z' || key === 'y') && !e.altKey) {
        // An open draft, and the rich editor, undo for themselves first.
        if (target.dataset['draft'] !== undefined || target.isContentEditable) return
        e.preventDefault()
        if (key === 'y' || e.shiftKey) store.redo()
        else store.undo()
      } else if (e.key === '?' && !typing && !e.ctrlKey && !target.closest('[role=grid]')) {
        e.preventDefault()
        onHelp()
      }
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [store, onHelp])
}

function TopBar() {
  const course = useCourse((s) => s.view.course.get('course'))
  const term = useCourse((s) => currentOffering(s.view)?.term)
  const viewer = useCourse((s) => s.viewer)
  const [menu, setMenu] = useState<HTMLElement | null>(null)
  const [location] = useLocation()
  const store = useCourseStore()
  const canUndo = useCourse((s) => s.session.undo.length > 0)
  const canRedo = useCourse((s) => s.session.redo.length > 0)
  const initials = initialsOf(viewer?.name ?? '')
  const [people, setPeople] = useState(false)
  const waiting = useCourse((s) => s.session.queue.length)
  return (
    <header className="top">
      <a href="/" className="mark" aria-label="All courses">
        <CairnMark />
      </a>
      {course?.code && <span className="code">{course.code}</span>}
      <span className="title">{course?.title ?? ''}</span>
      {course && (
        <span className="facts">
          {[
            term,
            countOf(course.weeks, 'week'),
            course.credits !== null && course.creditSystem !== 'none'
              ? `${formatHundredths(course.credits)} ${CREDIT_LABELS[course.creditSystem]}`
              : null,
          ]
            .filter(Boolean)
            .join(' · ')}
        </span>
      )}
      <span className="grow" />
      <SaveState />
      {viewer && viewer.role !== 'designer' && (
        <span className="chip" title={ROLE_HINTS[viewer.role]}>
          {viewer.role === 'reviewer' ? 'read only' : 'content only'}
        </span>
      )}
      <PresentPeople />
      <button type="button" className="btn" aria-haspopup="dialog" onClick={() => setPeople(true)}>
        People
      </button>
      <Link href="/history" className="btn" aria-current={location === '/history' ? 'page' : undefined}>
        History
      </Link>
      <button type="button" className="btn" disabled={!canUndo} onClick={() => store.undo()} title="Ctrl+Z">
        Undo
      </button>
      <button type="button" className="btn" disabled={!canRedo} onClick={() => store.redo()} title="Ctrl+Shift+Z">
        Redo
      </button>
      <button
        type="button"
        className="avatar"
        aria-label={`${initials}, account of ${viewer?.name ?? ''}`}
        aria-haspopup="menu"
        onClick={(e) => setMenu(e.currentTarget)}
      >
        {initials}
      </button>
      <Menu open={menu !== null} anchorEl={menu} onClose={() => setMenu(null)}>
        <MenuItem disabled>
          {viewer?.name}, {viewer ? ROLE_TITLES[viewer.role] : ''}
        </MenuItem>
        <MenuItem component="a" href="/account">
          My account
        </MenuItem>
        <MenuItem component="a" href="/">
          All courses
        </MenuItem>
        <MenuItem component="a" href={`/api/courses/${store.courseId}/export.json`} download>
          Save the course as a file
        </MenuItem>
        <MenuItem component="a" href={`/api/courses/${store.courseId}/export.csv`} download>
          Save the activities as CSV
        </MenuItem>
        <MenuItem component="a" href={`/api/courses/${store.courseId}/export.ics`} download>
          Save the dates as iCalendar
        </MenuItem>
        <MenuItem component="a" href={`/api/courses/${store.courseId}/export.xlsx`} download>
          Save as a workbook (XLSX)
        </MenuItem>
        <MenuItem component="a" href={`/api/courses/${store.courseId}/export.html`} download>
          Save the syllabus as HTML
        </MenuItem>
        <MenuItem
          onClick={async () => {
            await fetch('/api/auth/sign-out', { method: 'POST', headers: { 'content-type': 'application/json' }, body: '{}' }).catch(
              () => null,
            )
            await forgetPlans()
            window.location.assign('/sign-in')
          }}
        >
          {waiting > 0 ? `Sign out (${countOf(waiting, 'change')} will wait here for you)` : 'Sign out'}
        </MenuItem>
      </Menu>
      {people && <PeopleDialog onClose={() => setPeople(false)} />}
    </header>
  )
}

/** Fetched when it is first opened. */
const PeopleDialog = later(() => import('./people').then((m) => m.PeopleDialog))

const ROLE_HINTS: Readonly<Record<Role, string>> = {
  designer: '',
  expert: 'As subject expert you write outcomes, objectives, activities, assessments and the syllabus. See People for all of it.',
  reviewer: 'As reviewer you read everything and change nothing. See People for all of it.',
}

/** What the line to the server is like, where it does not stand. */
const LINE_WORDS: Readonly<Record<Exclude<Connection, 'online'>, string>> = {
  offline: 'No connection',
  unable: 'The server cannot save now',
  'signed-out': 'Signed out',
  'other-account': 'Another account is signed in',
  'no-role': 'No role in this course',
}

const CLOCK = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' })

/** The truth about saving: what waits, what is saved, what is not reached. */
function SaveState() {
  const waiting = useCourse((s) => s.session.queue.length)
  const connection = useCourse((s) => s.connection)
  const savedAt = useCourse((s) => s.savedAt)
  const status = useCourse((s) => s.status)
  const email = useCourse((s) => s.viewer?.email ?? '')
  if (status !== 'ready') return null
  const text =
    connection === 'online'
      ? waiting > 0
        ? `Saving, ${waiting} waiting`
        : savedAt
          ? `Saved ${CLOCK.format(new Date(savedAt))}`
          : 'All saved'
      : `${LINE_WORDS[connection]}${waiting > 0 ? `, ${waiting} waiting` : ''}`
  const here = encodeURIComponent(window.location.pathname)
  return (
    <span className={`state${connection === 'online' ? '' : ' late'}`} role="status" data-waiting={waiting}>
      {text}
      {(connection === 'signed-out' || connection === 'other-account') && (
        <>
          {' '}
          <a href={`/sign-in?to=${here}&as=${encodeURIComponent(email)}`}>Sign in{connection === 'other-account' ? ` as ${email}` : ''}</a>
        </>
      )}
    </span>
  )
}

function Strip({
  workspace,
  prefetch,
  onHelp,
}: {
  workspace: string
  prefetch: Readonly<Partial<Record<Workspace, () => Promise<unknown>>>>
  onHelp: () => void
}) {
  const fixes = useCourse((s) => s.analysis?.fixes)
  const counts = useCourse((s) => s.analysis?.counts)
  const panel = usePanel()
  const may = useCourseStore().may('activity')
  const [, navigate] = useLocation()
  const { panel: setPanel } = useGo()
  const keepPanel = panel ? `?panel=${panel}` : ''
  // What does not come now is asked for again when it is opened.
  const fetchAhead = (key: Workspace) => void prefetch[key]?.().catch(() => undefined)
  return (
    <div className="strip">
      <nav aria-label="Workspaces" style={{ display: 'flex' }}>
        {STRIP.map(({ key, title }) => {
          const n = fixes?.[key] ?? 0
          return (
            <Link
              key={key}
              href={`/${key}${keepPanel}`}
              aria-current={workspace === key ? 'page' : undefined}
              onMouseEnter={() => fetchAhead(key)}
              onFocus={() => fetchAhead(key)}
            >
              {title}
              {n > 0 && (
                <span className="count" title={`${n} to fix`}>
                  {n}
                  <span className="visually-hidden"> to fix</span>
                </span>
              )}
            </Link>
          )
        })}
      </nav>
      <span className="grow" />
      <span className="row" style={{ gap: 6 }}>
        {may && (
          <button type="button" className="btn" aria-pressed={workspace === 'bring'} onClick={() => navigate('/bring')}>
            Bring in…
          </button>
        )}
        <button type="button" className="btn" aria-label="Keys" onClick={onHelp}>
          ?
        </button>
        <button
          type="button"
          className="btn"
          aria-pressed={panel === 'details'}
          onClick={() => setPanel(panel === 'details' ? null : 'details')}
        >
          Details
        </button>
        <button
          type="button"
          className="btn"
          aria-pressed={panel === 'findings'}
          onClick={() => setPanel(panel === 'findings' ? null : 'findings')}
        >
          Findings{counts ? ` ${counts.fix + counts.check + counts.idea}` : ''}
        </button>
      </span>
    </div>
  )
}

/** Fetched when the panel is first opened. */
const Details = later(() => import('./details').then((m) => m.Details))

function Panel({ workspace }: { workspace: Workspace }) {
  const tab = usePanel()
  const { panel } = useGo()
  return (
    <aside
      className="panel"
      aria-label={tab === 'details' ? 'Details' : 'Findings'}
      onKeyDown={(e) => e.key === 'Escape' && !(e.target as HTMLElement).matches('input,textarea,select') && panel(null)}
    >
      <div className="panel-tabs">
        <div role="tablist" aria-label="Panel" style={{ display: 'flex' }}>
          {(['details', 'findings'] as const).map((t) => (
            <button
              key={t}
              type="button"
              role="tab"
              id={`tab-${t}`}
              aria-selected={tab === t}
              aria-controls="panel-body"
              tabIndex={tab === t ? 0 : -1}
              onClick={() => panel(t)}
              onKeyDown={(e) => {
                if (e.key !== 'ArrowLeft' && e.key !== 'ArrowRight') return
                panel(t === 'details' ? 'findings' : 'details')
                document.getElementById(`tab-${t === 'details' ? 'findings' : 'details'}`)?.focus()
              }}
            >
              {t === 'details' ? 'Details' : 'Findings'}
            </button>
          ))}
        </div>
        <span className="grow" />
        <button type="button" className="btn" aria-label="Close the panel" onClick={() => panel(null)}>
          ✕
        </button>
      </div>
      <div className="panel-body" id="panel-body" role="tabpanel" aria-labelledby={`tab-${tab}`} tabIndex={0}>
        {tab === 'details' ? <Details /> : <FindingList workspace={workspace} />}
      </div>
    </aside>
  )
}

/** The live region, and the notice that others see. */
function Notice() {
  const notice = useCourse((s) => s.notice)
  const store = useCourseStore()
  useEffect(() => {
    if (!notice) return
    const timer = setTimeout(() => store.clearNotice(), notice.alert ? 12_000 : 5000)
    return () => clearTimeout(timer)
  }, [notice, store])
  return (
    <div aria-live={notice?.alert ? 'assertive' : 'polite'} role="log" aria-label="Notices">
      {notice && (
        <div className="notice" key={notice.n}>
          <span>{notice.text}</span>
          <button type="button" onClick={() => store.clearNotice()}>
            Close
          </button>
        </div>
      )}
    </div>
  )
}

const KEYS: readonly (readonly [string, string])[] = [
  ['Ctrl+Z · Ctrl+Shift+Z', 'undo, redo: your own changes, step by step'],
  ['?', 'this list'],
  ['Lines of text', ''],
  ['Enter', 'next line; in the middle of a line it splits an objective'],
  ['Tab · Shift+Tab', 'to the level and the outcomes of an objective, and back'],
  ['Alt+↑ · Alt+↓', 'move the line, over module borders too'],
  ['Alt+Enter', 'take the wording or fix; again for the next wording'],
  ['Alt+V', 'verbs of the same level and of the next ones, with the statement as it would read'],
  ['Alt+Shift+↑ · ↓', 'choose several lines; Esc lets them go'],
  ['Backspace', 'at the start of an objective joins it to the one above; in an empty line removes it'],
  ['Alt+← · Alt+→', 'in the tree of a framework that comes in: move an item out or in'],
  ['Tables', ''],
  ['Arrows · Home · End', 'move; with Shift a range'],
  ['Enter · F2 · typing', 'edit the cell; Enter commits and goes down, Tab to the right, Esc takes it back'],
  ['Ctrl+C · Ctrl+V', 'copy and paste, also from a spreadsheet; past the last row new rows are made'],
  ['Ctrl+D', 'fill down'],
  ['Delete · Ctrl+Delete', 'clear cells; remove rows'],
  ['Alt+↑ · Alt+↓', 'move the row'],
]

function KeyHelp({ onClose }: { onClose: () => void }) {
  return (
    <Dialog open onClose={onClose} aria-labelledby="keys-title" fullWidth>
      <DialogTitle id="keys-title">Keys</DialogTitle>
      <DialogContent>
        <table className="sheet">
          <tbody>
            {KEYS.map(([keys, what]) => (
              <tr key={keys + what}>
                <th scope="row" style={{ width: 190 }}>
                  {what ? keys : <b>{keys}</b>}
                </th>
                <td>{what}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </DialogContent>
    </Dialog>
  )
}
