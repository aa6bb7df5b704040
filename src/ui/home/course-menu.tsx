/** What can be done with a course from the list: duplicate it, put it away, remove it, bring it back, leave it. */
import MoreIcon from '@mui/icons-material/MoreHoriz'
import { useState } from 'react'
import { may } from '../../core/access/abilities'
import { confirmsRemoval, REMOVED_DAYS, type SpaceState } from '../../core/spaces'
import type { CourseInList } from '../../server/courses'
import { Confirm } from '../parts/confirm'
import { TextInput } from '../parts/input'
import { laterFrom } from '../parts/later'
import { MenuButton } from '../parts/menu-button'
import type { MenuEntry } from '../parts/menu-items'
import { tip } from '../parts/tip'
import { ask, courseAddress } from '../store/api'

const CopyCourse = laterFrom(
  () => import('./copy-course'),
  (m) => m.CopyCourse,
)

type Props = {
  readonly course: CourseInList
  /** Says what was done, or why not, and asks for the list anew. */
  readonly done: (said: string, failed?: boolean) => void
}

const DONE: Readonly<Record<SpaceState, string>> = { live: 'is back in the list', archived: 'is put away', removed: 'is removed' }

export function CourseMenu({ course, done }: Props) {
  const [open, setOpen] = useState<'copy' | 'remove' | 'leave' | null>(null)
  const manages = may(course.role, 'space.manage')
  const set = async (state: SpaceState, confirm?: string) => {
    const answer = await ask(courseAddress(course.id, '/state'), { method: 'PUT', body: { state, ...(confirm ? { confirm } : {}) } })
    done(answer.ok ? `${course.title} ${DONE[state]}.` : answer.problem.title, !answer.ok)
  }
  const leave = async () => {
    const me = await ask<{ readonly id: string }>(courseAddress(course.id, '/people'))
    const answer = me.ok ? await ask(courseAddress(course.id, `/people/${encodeURIComponent(me.value.id)}`), { method: 'DELETE' }) : me
    done(answer.ok ? `You left ${course.title}.` : answer.problem.title, !answer.ok)
  }
  const entries = (): MenuEntry[] => {
    const back: MenuEntry = { key: 'back', label: 'Bring back', disabled: !manages, run: () => void set('live') }
    if (course.state === 'removed') return [back]
    return [
      { key: 'copy', label: 'Duplicate…', run: () => setOpen('copy') },
      { key: 'people', label: 'People, and handing over', href: `/courses/${course.id}/brief?dialog=people` },
      course.state === 'archived' ? back : { key: 'archive', label: 'Put away', disabled: !manages, run: () => void set('archived') },
      { key: 'leave', label: 'Leave…', run: () => setOpen('leave') },
      { key: 'remove', label: 'Remove…', disabled: !manages, run: () => setOpen('remove') },
    ]
  }
  return (
    <>
      <MenuButton className="more" aria-label={`What can be done with ${course.title}`} {...tip('More')} entries={entries}>
        <MoreIcon fontSize="small" />
      </MenuButton>
      {open === 'copy' && <CopyCourse course={course} onClose={() => setOpen(null)} />}
      {open === 'remove' && <RemoveCourse course={course} onClose={() => setOpen(null)} onYes={(typed) => void set('removed', typed)} />}
      {open === 'leave' && (
        <Confirm heading={`Leave ${course.title}?`} yes="Leave it" onYes={() => void leave()} onClose={() => setOpen(null)}>
          <p>You will not see this course any more, unless you are invited again. What you wrote in it stays.</p>
        </Confirm>
      )}
    </>
  )
}

/** Asks for the title: a course is much, and others work in it. */
function RemoveCourse({ course, onClose, onYes }: { course: CourseInList; onClose: () => void; onYes: (typed: string) => void }) {
  const [typed, setTyped] = useState('')
  return (
    <Confirm
      heading={`Remove ${course.title}?`}
      yes="Remove it"
      ready={confirmsRemoval(typed, course.title)}
      onYes={() => onYes(typed)}
      onClose={onClose}
    >
      <p>
        It goes from everybody’s list, and its syllabus from its address. For {REMOVED_DAYS} days a designer can bring it back, from the
        removed courses in this list; then it is gone for good.
      </p>
      <TextInput label="Type its title to remove it" value={typed} onChange={(e) => setTyped(e.target.value)} autoComplete="off" />
    </Confirm>
  )
}
