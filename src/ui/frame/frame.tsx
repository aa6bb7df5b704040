/** Top bar, strip of workspaces, work, panel; keys that work everywhere. */

import ButtonBase from '@mui/material/ButtonBase'
import Menu from '@mui/material/Menu'
import MenuItem from '@mui/material/MenuItem'
import { type ReactNode, useEffect, useMemo, useRef, useState } from 'react'
import { Link, useLocation, useSearch } from 'wouter'
import { initialsOf } from '../../core/access/presence'
import { courseFormats } from '../../core/formats/formats'
import { countOf, formatHundredths } from '../../core/numbers'
import { currentOffering } from '../../core/plan/offering'
import { ROLE_TITLES, type Role } from '../../core/roles'
import { CREDIT_LABELS } from '../../core/syllabus/assemble'
import type { Workspace } from '../../core/workspaces'
import { type CommandReach, pressedKeys, runsHere } from '../commands/command'
import { fetched } from '../parts/fetched'
import { later } from '../parts/later'
import { CairnMark } from '../parts/marks'
import { whenIdle } from '../parts/when-idle'
import type { Connection } from '../store/connection'
import { useCourse, useCourseStore } from '../store/course-store'
import { useGo, usePanel } from '../store/navigation'
import { forgetPlans } from '../store/shelf'
import { type CourseView, commandsIn, STRIP } from '../workspaces'
import { FindingList } from './finding-list'
import { PresenceMarks, PresentPeople } from './presence'

type DialogName = Parameters<CommandReach['dialog']>[0]

/** What commands can reach from where one is. */
function useReach(dialog: (name: DialogName) => void): CommandReach {
  const store = useCourseStore()
  const [location, navigate] = useLocation()
  const view = location.split('/')[1] ?? ''
  return useMemo(() => ({ store, navigate, view, dialog }), [store, navigate, view, dialog])
}

export function Frame({ children }: { children: ReactNode }) {
  const panel = usePanel()
  const [dialog, setDialog] = useState<DialogName | null>(null)
  const reach = useReach(setDialog)
  useCommandKeys(reach)
  useFocusKept()
  // Who asks for it types on at once.
  useEffect(() => whenIdle(() => void Palette.fetch().catch(() => undefined)), [])
  const close = () => setDialog(null)
  return (
    <div className="frame">
      <a className="skip" href="#work">
        Skip to the work
      </a>
      <TopBar reach={reach} />
      <Strip workspace={reach.view} onHelp={() => setDialog('keys')} />
      <div className="body">
        <main id="work" style={{ flex: 1, minWidth: 0, display: 'flex', flexDirection: 'column', minHeight: 0 }} tabIndex={-1}>
          <OthersWaiting />
          <ConflictArea />
          {children}
        </main>
        {panel && <Panel workspace={reach.view as Workspace} />}
      </div>
      <PresenceMarks />
      <Notice />
      {dialog === 'keys' && <KeyList reach={reach} onClose={close} />}
      {dialog === 'palette' && <Palette reach={reach} onClose={close} />}
      {dialog === 'people' && <PeopleDialog onClose={close} />}
    </div>
  )
}

/** Fetched when the first conflict comes. */
const Conflicts = later(
  fetched(
    () => import('./conflicts'),
    (m) => m.Conflicts,
  ),
)

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

/** Where one goes to takes the focus with it: where nothing of it does, the work as a whole. */
function useFocusKept() {
  const place = `${useLocation()[0]}?${useSearch()}`
  const first = useRef(place)
  useEffect(() => {
    if (place === first.current) return
    first.current = ''
    const frame = requestAnimationFrame(() => {
      if (document.activeElement === document.body) document.getElementById('work')?.focus({ preventScroll: true })
    })
    return () => cancelAnimationFrame(frame)
  }, [place])
}

/** The keys of the commands that may run where one is. */
function useCommandKeys(reach: CommandReach) {
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const command = commandsIn(reach.view).find((c) => pressedKeys(c, e))
      if (!command || e.defaultPrevented) return
      const target = e.target as HTMLElement
      const typing = target.matches('input,textarea,select,[contenteditable=true]')
      // A sign is typed where text is, and means itself in a table.
      if (e.key.length === 1 && !e.ctrlKey && !e.metaKey && (typing || target.closest('[role=grid]'))) return
      // An open draft, and the rich editor, undo for themselves first.
      if (['undo', 'redo'].includes(command.id) && (target.dataset['draft'] !== undefined || target.isContentEditable)) return
      e.preventDefault()
      // Undo and redo say by themselves that there is nothing left.
      if (command.id === 'undo' || command.id === 'redo' || runsHere(command, reach)) command.run(reach)
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [reach])
}

function TopBar({ reach }: { reach: CommandReach }) {
  const course = useCourse((s) => s.view.course.get('course'))
  const term = useCourse((s) => currentOffering(s.view)?.term)
  const viewer = useCourse((s) => s.viewer)
  const [menu, setMenu] = useState<HTMLElement | null>(null)
  const [location] = useLocation()
  const store = useCourseStore()
  const canUndo = useCourse((s) => s.session.undo.length > 0)
  const canRedo = useCourse((s) => s.session.redo.length > 0)
  const initials = initialsOf(viewer?.name ?? '')
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
      <ButtonBase className="btn" aria-haspopup="dialog" title="Ctrl+K" onClick={() => reach.dialog('palette')}>
        Find…
      </ButtonBase>
      <button type="button" className="btn" aria-haspopup="dialog" onClick={() => reach.dialog('people')}>
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
        {courseFormats().map((format) => (
          <MenuItem key={format.key} component="a" href={`/api/courses/${store.courseId}/export.${format.key}`} download>
            {format.title}
          </MenuItem>
        ))}
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
    </header>
  )
}

/** Fetched when they are first opened. */
const KeyList = later(
  fetched(
    () => import('../commands/key-list'),
    (m) => m.KeyList,
  ),
)
const Palette = later(
  fetched(
    () => import('../commands/palette'),
    (m) => m.Palette,
  ),
)
const PeopleDialog = later(
  fetched(
    () => import('./people'),
    (m) => m.PeopleDialog,
  ),
)

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

function Strip({ workspace, onHelp }: { workspace: string; onHelp: () => void }) {
  const fixes = useCourse((s) => s.analysis?.fixes)
  const counts = useCourse((s) => s.analysis?.counts)
  const panel = usePanel()
  const may = useCourseStore().may('activity')
  const [, navigate] = useLocation()
  const { panel: setPanel } = useGo()
  const keepPanel = panel ? `?panel=${panel}` : ''
  // What does not come now is asked for again when it is opened.
  const fetchAhead = (view: CourseView) => void view.part.fetch().catch(() => undefined)
  return (
    <div className="strip">
      <nav aria-label="Workspaces" style={{ display: 'flex' }}>
        {STRIP.map((view) => {
          const { key, title } = view
          const n = fixes?.[key as Workspace] ?? 0
          return (
            <Link
              key={key}
              href={`/${key}${keepPanel}`}
              aria-current={workspace === key ? 'page' : undefined}
              onMouseEnter={() => fetchAhead(view)}
              onFocus={() => fetchAhead(view)}
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
const Details = later(
  fetched(
    () => import('../details/details'),
    (m) => m.Details,
  ),
)

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
