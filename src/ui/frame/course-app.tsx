/** The course: one store, the frame around it, and the workspaces, each loaded when it is first opened. */

import './frame.css'
import { createElement, useEffect, useState } from 'react'
import { Redirect, Route, Router, Switch } from 'wouter'
import { REMOVED_DAYS } from '../../core/spaces'
import { isWorkspace } from '../../core/workspaces'
import { seen } from '../help/seen'
import { laterFrom } from '../parts/later'
import { coursePage } from '../store/api'
import { CourseStore, StoreProvider, useCourse } from '../store/course-store'
import { keepDrafts } from '../store/drafts'
import { registerShell } from '../store/shell'
import { VIEWS, viewOf } from '../workspaces'
import { Frame } from './frame'
import { Providers } from './providers'

/** The view that a course opens with. */
const FIRST = 'outcomes'

type Props = { readonly courseId: string; readonly snapshot?: string; readonly nonce: string }

export default function CourseApp({ courseId, snapshot, nonce }: Props) {
  const [store] = useState(() => new CourseStore(courseId, snapshot))
  const base = coursePage(courseId, snapshot)
  useEffect(() => {
    let stop = () => {}
    let isClosed = false
    void store.open().then(() => {
      registerShell()
      if (!isClosed && snapshot === undefined) stop = keepDrafts(store)
    })
    return () => {
      isClosed = true
      stop()
      store.close()
    }
  }, [store])
  return (
    <Providers nonce={nonce}>
      <StoreProvider value={store}>
        <Router base={base}>
          <Course base={base} />
        </Router>
      </StoreProvider>
    </Providers>
  )
}

function Course({ base }: { base: string }) {
  const status = useCourse((s) => s.status)
  const writes = useCourse((s) => `${s.viewer?.role} ${s.viewer?.state ?? 'live'}`)
  const seatId = useCourse((s) => s.viewer?.seatId)
  const [fetched, setFetched] = useState(false)
  useEffect(() => {
    // The workspace is fetched while the course is, not after it.
    const first = viewOf(window.location.pathname.slice(base.length + 1).split('/')[0] ?? '') ?? viewOf(FIRST)
    const done = () => setFetched(true)
    first?.part.fetch().then(done, done)
  }, [])
  if (status === 'missing') return <NoCourse text="There is no such course, or you have no role in it." />
  if (status === 'removed')
    return (
      <NoCourse text={`This course was removed. For ${REMOVED_DAYS} days a designer of it can bring it back, from the list of courses.`} />
    )
  if (status === 'failed') return <Message text="The course could not be loaded. Check the connection and load the page again." />
  return (
    <Frame>
      {status === 'loading' || !fetched ? (
        <p className="empty" role="status">
          Loading the course …
        </p>
      ) : (
        // What may be edited follows from the role and the course's state: another of them, another view.
        <Switch key={writes}>
          {VIEWS.filter(({ key }) => seatId === undefined || isWorkspace(key) || key === 'help').map(({ key, part }) => (
            <Route key={key} path={`/${key}`}>
              {seatId === undefined && isWorkspace(key) && !seen().includes(key) && <FirstSteps key={key} workspace={key} />}
              {createElement(part)}
            </Route>
          ))}
          <Route>
            <Redirect to={`/${seatId === undefined ? FIRST : 'review'}`} replace />
          </Route>
        </Switch>
      )}
    </Frame>
  )
}

/** Fetched where the account has not put it away. */
const FirstSteps = laterFrom(
  () => import('../help/first-steps'),
  (m) => m.FirstSteps,
)

const LeftBehind = laterFrom(
  () => import('./unsent-list'),
  (m) => m.LeftBehind,
)

/** No course, or no role in it any more; what could not be sent is still there to be taken along. */
const NoCourse = ({ text }: { text: string }) => (
  <>
    <Message text={text} />
    <LeftBehind />
  </>
)

const Message = ({ text }: { text: string }) => (
  <main className="page">
    <h1>Cairn</h1>
    <p>{text}</p>
    <p>
      <a href="/">All courses</a>
    </p>
  </main>
)
