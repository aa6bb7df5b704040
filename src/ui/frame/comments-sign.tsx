/** The way to what is said about the course, with how much of it is new. */
import CommentIcon from '@mui/icons-material/ChatBubbleOutlineOutlined'
import { Button } from '../parts/button'
import { fetched } from '../parts/fetched'
import { tip } from '../parts/tip'
import { useGo, usePanel } from '../store/navigation'
import { InTheBackground } from './in-the-background'

const fetchCount = fetched(
  () => import('../comments/unread-count'),
  (m) => m.UnreadCount,
)

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
      <InTheBackground load={fetchCount} />
    </Button>
  )
}
