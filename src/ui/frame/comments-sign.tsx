/** The way to what is said about the course, with how much of it is new. */
import CommentIcon from '@mui/icons-material/ChatBubbleOutlineOutlined'
import { type ComponentType, useEffect, useState } from 'react'
import { Button } from '../parts/button'
import { fetched } from '../parts/fetched'
import { tip } from '../parts/tip'
import { whenIdle } from '../parts/when-idle'
import { useCourse } from '../store/course-store'
import { useGo, usePanel } from '../store/navigation'

/** The work comes first: what is new is counted when somebody has been here for this long (Cairn default). */
const COUNTED_AFTER_MS = 2500
const fetchCount = fetched(
  () => import('../comments/unread-count'),
  (m) => m.UnreadCount,
)

/** How many comments are new; nothing where that cannot be fetched, until the line is back. */
function UnreadCount() {
  const online = useCourse((s) => s.connection === 'online')
  const [Count, setCount] = useState<ComponentType | null>(null)
  useEffect(() => {
    if (Count || !online) return
    const count = () =>
      void fetchCount().then(
        (part) => setCount(() => part),
        () => undefined,
      )
    const later = setTimeout(() => whenIdle(count), COUNTED_AFTER_MS)
    return () => clearTimeout(later)
  }, [Count, online])
  return Count && <Count />
}

export function CommentsSign() {
  const open = usePanel() === 'comments'
  const { panel: setPanel } = useGo()
  return (
    <Button
      rank="rest"
      className="comments-sign"
      aria-pressed={open}
      {...tip('Comments: what is said about the course · Ctrl+Alt+M')}
      onClick={() => setPanel(open ? null : 'comments')}
    >
      <CommentIcon />
      <span className="visually-hidden">Comments </span>
      <UnreadCount />
    </Button>
  )
}
