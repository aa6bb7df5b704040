/** The top bar: where one is, what is saved, what can be taken back, who else is here, and the account. */
import './frame.css'
import HistoryIcon from '@mui/icons-material/History'
import MoreIcon from '@mui/icons-material/KeyboardArrowDown'
import RedoIcon from '@mui/icons-material/Redo'
import UndoIcon from '@mui/icons-material/Undo'
import ButtonBase from '@mui/material/ButtonBase'
import { useLocation } from 'wouter'
import { initialsOf } from '../../core/access/presence'
import { countOf } from '../../core/numbers'
import { currentOffering, offeringsOf } from '../../core/plan/offering'
import { ROLE_TITLES, type Role } from '../../core/roles'
import type { CommandReach } from '../commands/command'
import { IconButton, IconLink } from '../parts/button'
import { CairnMark } from '../parts/marks'
import { MenuButton } from '../parts/menu-button'
import { tip } from '../parts/tip'
import { useCourse, useCourseStore } from '../store/course-store'
import { useOfferingInAddress } from '../store/navigation'
import { forgetPlans } from '../store/shelf'
import { CommentsSign } from './comments-sign'
import { PresentPeople } from './presence'
import { SaveState } from './save-state'

const ROLE_HINTS: Readonly<Record<Role, string>> = {
  designer: '',
  expert: 'As subject expert you write outcomes, objectives, activities, assessments and the syllabus. See People for all of it.',
  reviewer: 'As reviewer you read everything, comment, rate where you have a seat, and change nothing. See People for all of it.',
  commenter: 'As commenter you read everything and comment. See People for all of it.',
}

export function TopBar({ reach }: { reach: CommandReach }) {
  const course = useCourse((s) => s.view.course.get('course'))
  const viewer = useCourse((s) => s.viewer)
  const [location] = useLocation()
  const store = useCourseStore()
  // Whoever came by the link of a seat has no account here.
  const isMember = viewer?.seatId === undefined
  const canUndo = useCourse((s) => s.session.undo.length > 0)
  const canRedo = useCourse((s) => s.session.redo.length > 0)
  return (
    <header className="top">
      {isMember ? (
        <a href="/" className="mark" aria-label="All courses">
          <CairnMark />
        </a>
      ) : (
        <span className="mark">
          <CairnMark />
        </span>
      )}
      {course?.code && <span className="code">{course.code}</span>}
      <span className="title">{course?.title ?? ''}</span>
      <TermChoice />
      <span className="grow" />
      {isMember && <SaveState />}
      {viewer && isMember && viewer.role !== 'designer' && (
        <span className="chip" {...tip(ROLE_HINTS[viewer.role])}>
          {viewer.role === 'expert' ? 'content only' : 'comments only'}
        </span>
      )}
      {isMember && (
        <span className="signs">
          <IconButton name="Undo" keys="Ctrl+Z" disabled={!canUndo} onClick={() => store.undo()}>
            <UndoIcon />
          </IconButton>
          <IconButton name="Redo" keys="Ctrl+Shift+Z" disabled={!canRedo} onClick={() => store.redo()}>
            <RedoIcon />
          </IconButton>
          <IconLink name="History" to="/history" current={location === '/history'}>
            <HistoryIcon />
          </IconLink>
          <CommentsSign />
        </span>
      )}
      <ButtonBase className="find" aria-haspopup="dialog" onClick={() => reach.dialog('palette')}>
        <span className="grow">Find or do</span>
        <kbd aria-hidden>Ctrl K</kbd>
      </ButtonBase>
      <PresentPeople />
      <AccountMenu reach={reach} />
    </header>
  )
}

const HELP = (reach: CommandReach) => [
  { key: 'help', label: 'Help', run: () => reach.navigate('/help') },
  { key: 'keys', label: 'Keys', run: () => reach.dialog('keys') },
]

function AccountMenu({ reach }: { reach: CommandReach }) {
  const viewer = useCourse((s) => s.viewer)
  const waiting = useCourse((s) => s.session.queue.length)
  const initials = initialsOf(viewer?.name ?? '')
  return (
    <MenuButton
      className="avatar"
      aria-label={`${initials}, account of ${viewer?.name ?? ''}`}
      entries={() =>
        viewer?.seatId === undefined
          ? [
              { key: 'who', label: `${viewer?.name}, ${viewer ? ROLE_TITLES[viewer.role] : ''}`, disabled: true },
              { key: 'people', label: 'People and roles', run: () => reach.dialog('people') },
              ...HELP(reach),
              { key: 'account', label: 'My account', href: '/account' },
              { key: 'courses', label: 'All courses', href: '/' },
              {
                key: 'out',
                label: waiting > 0 ? `Sign out (${countOf(waiting, 'change')} will wait here for you)` : 'Sign out',
                run: () => void signOut(),
              },
            ]
          : [{ key: 'who', label: `${viewer.name}, by link`, disabled: true }, ...HELP(reach)]
      }
    >
      {initials}
    </MenuButton>
  )
}

async function signOut() {
  await fetch('/api/auth/sign-out', { method: 'POST', headers: { 'content-type': 'application/json' }, body: '{}' }).catch(() => null)
  await forgetPlans()
  window.location.assign('/sign-in')
}

/** The term that the plan is seen in; of several offerings, the choice of one. */
function TermChoice() {
  const view = useCourse((s) => s.view)
  const choose = useOfferingInAddress()
  const store = useCourseStore()
  const [, navigate] = useLocation()
  const offerings = offeringsOf(view)
  const current = currentOffering(view)
  if (!current) return null
  const may = store.may('offering')
  if (offerings.length < 2 && !may) return <span className="facts">{current.term}</span>
  return (
    <MenuButton
      className="facts"
      {...tip('The offering that is shown')}
      entries={() => [
        ...offerings.map(({ id, term }, i) => ({
          key: id,
          label: term,
          selected: id === current.id,
          run: () => choose(i === 0 ? '' : id),
        })),
        { key: 'days', label: may ? 'Its days, or another offering…' : 'Its days', run: () => navigate('/calendar?show=agenda') },
      ]}
    >
      {current.term}
      <MoreIcon fontSize="small" />
    </MenuButton>
  )
}
