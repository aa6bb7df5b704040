/** How many comments are new to this person. */
import './comments.css'
import { useUnread } from './use-comments'

export function UnreadCount() {
  const { unread } = useUnread()
  // It says that it has counted: tests of what a key draws wait for it.
  if (unread.length === 0) return <span data-counted />
  return (
    <span className="count" data-counted>
      {unread.length}
      <span className="visually-hidden"> new</span>
    </span>
  )
}
