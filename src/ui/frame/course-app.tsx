/** The course: one store, the frame around it, and the workspaces, each loaded when it is first opened. */
import { useEffect, useState } from 'react'
import { Redirect, Route, Router, Switch } from 'wouter'
import { later } from '../parts/later'
import { CourseStore, StoreProvider, useCourse } from '../store/course-store'
import { registerShell } from '../store/shell'
import { Frame } from './frame'
import { Providers } from './providers'

const WAITING = <p className="empty">…</p>
const WORKSPACES = {
  brief: later(() => import('../brief/brief').then((m) => m.Brief), WAITING),
  outcomes: later(() => import('../outcomes/outcomes').then((m) => m.Outcomes), WAITING),
  map: later(() => import('../map/map').then((m) => m.CourseMap), WAITING),
  assessment: later(() => import('../assessment/assessment').then((m) => m.AssessmentWorkspace), WAITING),
  calendar: later(() => import('../calendar/calendar').then((m) => m.CalendarWorkspace), WAITING),
  bring: later(() => import('../bring/bring').then((m) => m.Bring), WAITING),
  syllabus: later(() => import('../syllabus/syllabus').then((m) => m.SyllabusWorkspace), WAITING),
  history: later(() => import('../history/history').then((m) => m.History), WAITING),
}
const NAMES = Object.keys(WORKSPACES) as (keyof typeof WORKSPACES)[]
const prefetch = Object.fromEntries(NAMES.map((name) => [name, WORKSPACES[name].fetch]))

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
        <Switch key={role}>
          {NAMES.map((name) => (
            <Route key={name} path={`/${name}`} component={WORKSPACES[name]} />
          ))}
          <Route>
            <Redirect to="/outcomes" replace />
          </Route>
        </Switch>
      )}
    </Frame>
  )
}

const UnsentList = later(() => import('./conflicts').then((m) => m.UnsentList))

/** No course, or no role in it any more; what could not be sent is still there to be taken along. */
function NoCourse() {
  const unsent = useCourse((s) => s.unsent)
  const view = useCourse((s) => s.view)
  return (
    <>
      <Message text="There is no such course, or you have no role in it." />
      {unsent.length > 0 && (
        <section className="conflicts page" aria-labelledby="unsent-title">
          <UnsentList unsent={unsent} view={view} />
        </section>
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
