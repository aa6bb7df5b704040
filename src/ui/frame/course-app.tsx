/** The course: one store, the frame around it, and the workspaces, each loaded when it is first opened. */
import { type ComponentType, lazy, Suspense, useEffect, useState } from 'react'
import { Redirect, Route, Router, Switch } from 'wouter'
import { CourseStore, StoreProvider, useCourse } from '../store/course-store'
import { registerShell } from '../store/shell'
import { Frame } from './frame'
import { Providers } from './providers'

const WORKSPACES = {
  brief: workspace(() => import('../brief/brief').then((m) => m.Brief)),
  outcomes: workspace(() => import('../outcomes/outcomes').then((m) => m.Outcomes)),
  map: workspace(() => import('../map/map').then((m) => m.CourseMap)),
  assessment: workspace(() => import('../assessment/assessment').then((m) => m.AssessmentWorkspace)),
  calendar: workspace(() => import('../calendar/calendar').then((m) => m.CalendarWorkspace)),
  bring: workspace(() => import('../bring/bring').then((m) => m.Bring)),
  syllabus: workspace(() => import('../syllabus/syllabus').then((m) => m.SyllabusWorkspace)),
  history: workspace(() => import('../history/history').then((m) => m.History)),
}
const NAMES = Object.keys(WORKSPACES) as (keyof typeof WORKSPACES)[]
const prefetch = Object.fromEntries(NAMES.map((name) => [name, WORKSPACES[name].fetch]))

/**
 * A workspace whose files are fetched when it is first pointed at or opened. Once they are there it is drawn at once: React
 * holds what was suspended back for 300 ms, however soon it could go on.
 */
function workspace(load: () => Promise<ComponentType>): { readonly fetch: () => Promise<unknown>; readonly View: ComponentType } {
  let loaded: ComponentType | null = null
  const fetchIt = async () => {
    loaded = await load()
    return { default: loaded }
  }
  const Waiting = lazy(fetchIt)
  function View() {
    // What it was begun with stays, so that it is not begun anew.
    const [Shown] = useState(() => loaded ?? Waiting)
    return <Shown />
  }
  return { fetch: fetchIt, View }
}

export default function CourseApp({ courseId, nonce }: { courseId: string; nonce: string }) {
  const [store] = useState(() => new CourseStore(courseId))
  useEffect(() => {
    void store.open().then(registerShell)
    return () => store.close()
  }, [store])
  return (
    <Providers nonce={nonce}>
      <StoreProvider value={store}>
        <Router base={`/courses/${courseId}`}>
          <Course />
        </Router>
      </StoreProvider>
    </Providers>
  )
}

function Course() {
  const status = useCourse((s) => s.status)
  const role = useCourse((s) => s.viewer?.role)
  const [fetched, setFetched] = useState(false)
  useEffect(() => {
    // The workspace is fetched while the course is, not after it.
    const first = NAMES.find((name) => name === window.location.pathname.split('/')[3]) ?? 'outcomes'
    const done = () => setFetched(true)
    WORKSPACES[first].fetch().then(done, done)
  }, [])
  if (status === 'missing') return <NoCourse />
  if (status === 'failed') return <Message text="The course could not be loaded. Check the connection and load the page again." />
  return (
    <Frame prefetch={prefetch}>
      {status === 'loading' || !fetched ? (
        <p className="empty" role="status">
          Loading the course …
        </p>
      ) : (
        // What may be edited follows from the role: another role, another view.
        <Suspense key={role} fallback={<p className="empty">…</p>}>
          <Switch>
            {NAMES.map((name) => (
              <Route key={name} path={`/${name}`} component={WORKSPACES[name].View} />
            ))}
            <Route>
              <Redirect to="/outcomes" replace />
            </Route>
          </Switch>
        </Suspense>
      )}
    </Frame>
  )
}

const UnsentList = lazy(() => import('./conflicts').then((m) => ({ default: m.UnsentList })))

/** No course, or no role in it any more; what could not be sent is still there to be taken along. */
function NoCourse() {
  const unsent = useCourse((s) => s.unsent)
  const view = useCourse((s) => s.view)
  return (
    <>
      <Message text="There is no such course, or you have no role in it." />
      {unsent.length > 0 && (
        <Suspense fallback={null}>
          <section className="conflicts page" aria-labelledby="unsent-title">
            <UnsentList unsent={unsent} view={view} />
          </section>
        </Suspense>
      )}
    </>
  )
}

const Message = ({ text }: { text: string }) => (
  <main className="page">
    <h1>Cairn</h1>
    <p>{text}</p>
    <p>
      <a href="/">All courses</a>
    </p>
  </main>
)
