/** How many comments are new to this person. */
import './comments.css'
import { useUnread } from './use-comments'

export function UnreadCount() {
  const { unread } = useUnread()
  if (unread.length === 0) return null
  return (
    <span className="count">
      {unread.length}
      <span className="visually-hidden"> new</span>
    </span>
  )
}
