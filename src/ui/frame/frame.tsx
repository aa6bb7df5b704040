/** Top bar, strip of workspaces, work, panel; keys that work everywhere. */

import { Button } from '../parts/button'
import './frame.css'
import { type ReactNode, useEffect, useMemo, useRef, useState } from 'react'
import { useLocation, useSearch } from 'wouter'
import { countOf } from '../../core/numbers'
import { readAsTaught } from '../../core/objectives/tagging'
import type { Workspace } from '../../core/workspaces'
import { type CommandReach, pressedKeys, runsHere } from '../commands/command'
import { laterFrom } from '../parts/later'
import { Tips } from '../parts/tips'
import { useCourse, useCourseStore } from '../store/course-store'
import { useGo, usePanel } from '../store/navigation'
import { commandsIn, viewOf } from '../workspaces'
import './narrow.css'
import { Notice } from './notice'
import { Panel } from './panel'
import { PresenceMarks } from './presence'
import { followRegions, toWorkItself } from './regions'
import { ReviewInTheBackground } from './review-sign'
import { Strip } from './strip'
import { TopBar } from './top-bar'
import { useLedToUndone } from './use-led-to-undone'

type DialogName = Parameters<CommandReach['dialog']>[0]

/** What commands can reach from where one is. */
function useReach(dialog: (name: DialogName) => void): CommandReach {
  const store = useCourseStore()
  const [location, navigate] = useLocation()
  const view = location.split('/')[1] ?? ''
  const { panel } = useGo()
  return useMemo(() => ({ store, navigate, view, dialog, panel }), [store, navigate, view, dialog, panel])
}

/** Statements read as this course has taught them, in every view. */
function useTaughtVerbs() {
  const verbs = useCourse((s) => s.view.taughtVerb)
  useEffect(() => readAsTaught(verbs.values()), [verbs])
}

export function Frame({ children }: { children: ReactNode }) {
  const panel = usePanel()
  const [dialog, setDialog] = useState<DialogName | null>(asksForPeople)
  const reach = useReach(setDialog)
  useCommandKeys(reach)
  useTaughtVerbs()
  useFocusKept()
  useLedToUndone(reach.view)
  useTabTitle(reach.view)
  useEffect(followRegions, [])
  const close = () => setDialog(null)
  return (
    <div className="frame">
      <a className="skip" href="#work">
        Skip to the work
      </a>
      <TopBar reach={reach} />
      <Strip workspace={reach.view} />
      <div className="body">
        <main
          id="work"
          data-region="work"
          style={{ flex: 1, minWidth: 0, display: 'flex', flexDirection: 'column', minHeight: 0 }}
          tabIndex={-1}
        >
          <NotLive />
          <OthersWaiting />
          <ConflictArea />
          {children}
          <ReviewInTheBackground />
        </main>
        {panel && <Panel workspace={reach.view as Workspace} />}
      </div>
      <PresenceMarks />
      <Notice />
      <Tips />
      {dialog === 'keys' && <KeyList reach={reach} onClose={close} />}
      {dialog === 'palette' && <Palette reach={reach} onClose={close} />}
      {dialog === 'find' && <FindText onClose={close} />}
      {dialog === 'people' && <PeopleDialog onClose={close} />}
    </div>
  )
}

/** A link from the list of courses leads to who is in one. */
const asksForPeople = (): DialogName | null => (new URLSearchParams(window.location.search).get('dialog') === 'people' ? 'people' : null)

/** Fetched where the course is put away, or one of its snapshots is shown. */
const CourseNote = laterFrom(
  () => import('./course-note'),
  (m) => m.CourseNote,
)

function NotLive() {
  const live = useCourse((s) => s.frozen === null && (s.viewer?.state ?? 'live') === 'live')
  return live ? null : <CourseNote />
}

/** Fetched when the first conflict comes. */
const Conflicts = laterFrom(
  () => import('./conflicts'),
  (m) => m.Conflicts,
)

function ConflictArea() {
  const any = useCourse((s) => s.session.conflicts.length + s.unsent.length + s.leftDrafts.length > 0)
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
      <Button onClick={() => setClosed(true)}>Close</Button>
    </p>
  )
}

/** Where one goes to takes the focus with it: where nothing of it does, the table of the view, else the work as a whole. */
function useFocusKept() {
  const place = `${useLocation()[0]}?${useSearch()}`
  const first = useRef(place)
  useEffect(() => {
    if (place === first.current) return
    first.current = ''
    const frame = requestAnimationFrame(() => {
      if (document.activeElement === document.body) toWorkItself()
    })
    return () => cancelAnimationFrame(frame)
  }, [place])
}

/** The tab says which view of which course it is: `HYD 214 Map · Cairn`. */
function useTabTitle(view: string) {
  const course = useCourse((s) => s.view.course.get('course'))
  const name = course?.code ?? course?.title ?? ''
  useEffect(() => {
    document.title = `${[name, viewOf(view)?.title].filter(Boolean).join(' ')} · Cairn`
  }, [name, view])
}

/** The keys of the commands that may run where one is. */
function useCommandKeys(reach: CommandReach) {
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      // Who asks for the palette, or to find, types on at once: both come while the first of their two keys is pressed.
      if (e.key === 'Control' || e.key === 'Meta') for (const part of [Palette, FindText]) void part.fetch().catch(() => undefined)
      const command = commandsIn(reach.view).find((c) => pressedKeys(c, e))
      if (!command || e.defaultPrevented) return
      const target = e.target as HTMLElement
      const typing = target.matches('input,textarea,select,[contenteditable=true]')
      // A sign is typed where text is, and means itself in a table.
      if (e.key.length === 1 && !e.ctrlKey && !e.metaKey && (typing || target.closest('[role=grid]'))) return
      // An open draft, and the rich editor, undo for themselves first.
      if (['undo', 'redo'].includes(command.id) && target.closest('[data-draft],[role=textbox][contenteditable=true]')) return
      e.preventDefault()
      // Undo and redo say by themselves that there is nothing left.
      if (command.id === 'undo' || command.id === 'redo' || runsHere(command, reach)) command.run(reach)
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [reach])
}

/** Fetched when they are first opened. */
const KeyList = laterFrom(
  () => import('../commands/key-list'),
  (m) => m.KeyList,
)
const Palette = laterFrom(
  () => import('../commands/palette'),
  (m) => m.Palette,
)
const FindText = laterFrom(
  () => import('../commands/find-text'),
  (m) => m.FindText,
)
const PeopleDialog = laterFrom(
  () => import('./people'),
  (m) => m.PeopleDialog,
)
