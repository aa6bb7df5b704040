/** What waits, what is saved, what is not reached. */
import './frame.css'
import type { Connection } from '../store/connection'
import { useCourse } from '../store/course-store'

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
export function SaveState() {
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
