/** The course: one store, the frame around it, and the workspaces, each loaded when it is first opened. */
import { lazy, Suspense, useEffect, useState } from 'react'
import { Redirect, Route, Router, Switch } from 'wouter'
import { CourseStore, StoreProvider, useCourse } from '../store/course-store'
import { registerShell } from '../store/shell'
import { Frame } from './frame'
import { Providers } from './providers'

const load = {
  brief: () => import('../brief/brief').then((m) => ({ default: m.Brief })),
  outcomes: () => import('../outcomes/outcomes').then((m) => ({ default: m.Outcomes })),
  map: () => import('../map/map').then((m) => ({ default: m.CourseMap })),
  assessment: () => import('../assessment/assessment').then((m) => ({ default: m.AssessmentWorkspace })),
  calendar: () => import('../calendar/calendar').then((m) => ({ default: m.CalendarWorkspace })),
  bring: () => import('../bring/bring').then((m) => ({ default: m.Bring })),
  syllabus: () => import('../syllabus/syllabus').then((m) => ({ default: m.SyllabusWorkspace })),
  history: () => import('../history/history').then((m) => ({ default: m.History })),
}
const Brief = lazy(load.brief)
const Outcomes = lazy(load.outcomes)
const ModuleMap = lazy(load.map)
const AssessmentWorkspace = lazy(load.assessment)
const CalendarWorkspace = lazy(load.calendar)
const SyllabusWorkspace = lazy(load.syllabus)
const Bring = lazy(load.bring)
const History = lazy(load.history)

export default function CourseApp({ courseId, nonce }: { courseId: string; nonce: string }) {
  const [store] = useState(() => {
    // The workspace is fetched while the course is, not after it.
    const workspace = Object.entries(load).find(([name]) => name === window.location.pathname.split('/')[3])
    workspace?.[1]().catch(() => undefined)
    return new CourseStore(courseId)
  })
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
  if (status === 'missing') return <NoCourse />
  if (status === 'failed') return <Message text="The course could not be loaded. Check the connection and load the page again." />
  return (
    <Frame prefetch={load}>
      {status === 'loading' ? (
        <p className="empty" role="status">
          Loading the course …
        </p>
      ) : (
        // What may be edited follows from the role: another role, another view.
        <Suspense key={role} fallback={<p className="empty">…</p>}>
          <Switch>
            <Route path="/brief" component={Brief} />
            <Route path="/outcomes" component={Outcomes} />
            <Route path="/map" component={ModuleMap} />
            <Route path="/assessment" component={AssessmentWorkspace} />
            <Route path="/calendar" component={CalendarWorkspace} />
            <Route path="/bring" component={Bring} />
            <Route path="/syllabus" component={SyllabusWorkspace} />
            <Route path="/history" component={History} />
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
