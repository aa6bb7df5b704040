/** The top bar: where one is, what is saved, who else is here, and the account. */
import './frame.css'
import ButtonBase from '@mui/material/ButtonBase'
import { Link, useLocation } from 'wouter'
import { initialsOf } from '../../core/access/presence'
import { courseFormats } from '../../core/formats/formats'
import { countOf, formatHundredths } from '../../core/numbers'
import { currentOffering, offeringsOf } from '../../core/plan/offering'
import { ROLE_TITLES, type Role } from '../../core/roles'
import { CREDIT_LABELS } from '../../core/syllabus/assemble'
import type { CommandReach } from '../commands/command'
import { CairnMark } from '../parts/marks'
import { MenuButton } from '../parts/menu-button'
import { useCourse, useCourseStore } from '../store/course-store'
import { exportAddress } from '../store/export-address'
import { useOfferingInAddress } from '../store/navigation'
import { forgetPlans } from '../store/shelf'
import { PresentPeople } from './presence'
import { SaveState } from './save-state'

const ROLE_HINTS: Readonly<Record<Role, string>> = {
  designer: '',
  expert: 'As subject expert you write outcomes, objectives, activities, assessments and the syllabus. See People for all of it.',
  reviewer: 'As reviewer you read everything and change nothing. See People for all of it.',
}

export function TopBar({ reach }: { reach: CommandReach }) {
  const course = useCourse((s) => s.view.course.get('course'))
  const viewer = useCourse((s) => s.viewer)
  const [location] = useLocation()
  const store = useCourseStore()
  const canUndo = useCourse((s) => s.session.undo.length > 0)
  const canRedo = useCourse((s) => s.session.redo.length > 0)
  const initials = initialsOf(viewer?.name ?? '')
  const waiting = useCourse((s) => s.session.queue.length)
  // The files are of the offering that is chosen.
  useCourse((s) => s.offering)
  return (
    <header className="top">
      <a href="/" className="mark" aria-label="All courses">
        <CairnMark />
      </a>
      {course?.code && <span className="code">{course.code}</span>}
      <span className="title">{course?.title ?? ''}</span>
      {course && (
        <span className="facts">
          <TermChoice />
          {[
            countOf(course.weeks, 'week'),
            course.credits !== null && course.creditSystem !== 'none'
              ? `${formatHundredths(course.credits)} ${CREDIT_LABELS[course.creditSystem]}`
              : null,
          ]
            .filter(Boolean)
            .join(' · ')}
        </span>
      )}
      <span className="grow" />
      <SaveState />
      {viewer && viewer.role !== 'designer' && (
        <span className="chip" title={ROLE_HINTS[viewer.role]}>
          {viewer.role === 'reviewer' ? 'read only' : 'content only'}
        </span>
      )}
      <PresentPeople />
      <ButtonBase className="btn" aria-haspopup="dialog" title="Ctrl+K" onClick={() => reach.dialog('palette')}>
        Find…
      </ButtonBase>
      <button type="button" className="btn" aria-haspopup="dialog" onClick={() => reach.dialog('people')}>
        People
      </button>
      <Link href="/history" className="btn" aria-current={location === '/history' ? 'page' : undefined}>
        History
      </Link>
      <button type="button" className="btn" disabled={!canUndo} onClick={() => store.undo()} title="Ctrl+Z">
        Undo
      </button>
      <button type="button" className="btn" disabled={!canRedo} onClick={() => store.redo()} title="Ctrl+Shift+Z">
        Redo
      </button>
      <MenuButton
        className="avatar"
        aria-label={`${initials}, account of ${viewer?.name ?? ''}`}
        entries={() => [
          { key: 'who', label: `${viewer?.name}, ${viewer ? ROLE_TITLES[viewer.role] : ''}`, disabled: true },
          { key: 'account', label: 'My account', href: '/account' },
          { key: 'courses', label: 'All courses', href: '/' },
          ...courseFormats().map(({ key, title }) => ({ key, label: title, href: exportAddress(store, key), file: true })),
          {
            key: 'out',
            label: waiting > 0 ? `Sign out (${countOf(waiting, 'change')} will wait here for you)` : 'Sign out',
            run: () => void signOut(),
          },
        ]}
      >
        {initials}
      </MenuButton>
    </header>
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
  const offerings = offeringsOf(view)
  const current = currentOffering(view)
  if (!current) return null
  if (offerings.length < 2) return <>{current.term} · </>
  return (
    <>
      <MenuButton
        className="btn"
        title="Offering that is shown"
        entries={() =>
          offerings.map(({ id, term }, i) => ({ key: id, label: term, selected: id === current.id, run: () => choose(i === 0 ? '' : id) }))
        }
      >
        {current.term}
      </MenuButton>{' '}
    </>
  )
}
