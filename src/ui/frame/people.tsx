/** Who works on the course and in which role: inviting, changing, withdrawing, leaving, handing over; and what each role may do. */
import { Button } from '../parts/button'
import './frame.css'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import { useState } from 'react'
import { ABILITIES, may } from '../../core/access/abilities'
import { inviteForm } from '../../core/forms/invite'
import { countOf } from '../../core/numbers'
import { ROLE_TITLES, ROLES, type Role } from '../../core/roles'
import type { InviteAnswer } from '../../server/membership'
import { Form, FormProblem, FormSelect, FormText, useZodForm } from '../parts/form'
import { SelectInput } from '../parts/input'
import { type AskOptions, ask } from '../store/api'
import { useCourse, useCourseStore } from '../store/course-store'
import { type People, usePeople } from '../store/people'

const ROLE_OPTIONS = ROLES.map((r) => ({ value: r, label: ROLE_TITLES[r] }))

export function PeopleDialog({ onClose }: { onClose: () => void }) {
  const store = useCourseStore()
  const base = `/api/courses/${encodeURIComponent(store.courseId)}`
  const account = useCourse((s) => s.viewer?.id ?? '')
  const [problem, setProblem] = useState<string | null>(null)
  const [said, setSaid] = useState<string | null>(null)
  const { data, error, refetch } = usePeople()
  const people = data ?? null
  const load = () => refetch()
  const act: Act = async (said, path, method, body, leaves = false) => {
    setProblem(null)
    setSaid(null)
    const done = await ask(base + path, { method, body, account })
    if (!done.ok) return setProblem(done.problem.title)
    if (leaves) return window.location.assign('/')
    setSaid(said)
    await load()
  }
  const done = (text: string) => {
    setSaid(text)
    void load()
  }
  const gives = people !== null && may(people.role, 'people.manage')
  return (
    <Dialog open onClose={onClose} aria-labelledby="people-title" fullWidth maxWidth="md">
      <DialogTitle id="people-title">People</DialogTitle>
      <DialogContent>
        <div role="status" className="muted">
          {said}
        </div>
        {(problem ?? error?.message) && (
          <p className="form-error" role="alert">
            {problem ?? error?.message}
          </p>
        )}
        {people === null && !problem && <p className="muted">Loading …</p>}
        {people && (
          <>
            <table className="sheet people">
              <thead>
                <tr>
                  <th scope="col">Name</th>
                  <th scope="col">Mail address</th>
                  <th scope="col">Role</th>
                  <th scope="col">
                    <span className="visually-hidden">Change</span>
                  </th>
                </tr>
              </thead>
              <tbody>
                {people.members.map((m) => (
                  <tr key={m.id}>
                    <th scope="row">
                      {m.name}
                      {m.id === people.id && <span className="muted"> (you)</span>}
                    </th>
                    <td>{m.email}</td>
                    <td>
                      {gives ? (
                        <SelectInput
                          label={`Role of ${m.name}`}
                          hideLabel
                          value={m.role}
                          options={ROLE_OPTIONS}
                          onChoose={(role) =>
                            void act(`${m.name} is now ${ROLE_TITLES[role as Role]}.`, `/people/${encodeURIComponent(m.id)}`, 'PATCH', {
                              role,
                            })
                          }
                        />
                      ) : (
                        ROLE_TITLES[m.role]
                      )}
                    </td>
                    <td className="r">
                      {gives && m.id !== people.id && (
                        <Sure
                          label={`Withdraw the role of ${m.name}`}
                          text="Withdraw"
                          sure={`${m.name} will not see this course any more.`}
                          onYes={() => act(`${m.name} has no role any more.`, `/people/${encodeURIComponent(m.id)}`, 'DELETE')}
                        />
                      )}
                    </td>
                  </tr>
                ))}
                {people.invitations.map((i) => (
                  <tr key={i.id} className="invited">
                    <th scope="row" className="muted">
                      invited
                    </th>
                    <td>{i.email}</td>
                    <td>
                      {ROLE_TITLES[i.role]}
                      <span className="muted small">
                        {' '}
                        {i.expired
                          ? 'too old: invite again'
                          : `until ${new Date(i.expiresAt).toLocaleDateString('en-GB', { day: 'numeric', month: 'short' })}`}
                      </span>
                    </td>
                    <td className="r">
                      <Button
                        aria-label={`Withdraw the invitation of ${i.email}`}
                        onClick={() =>
                          void act(`The invitation of ${i.email} is withdrawn.`, `/invitations/${encodeURIComponent(i.id)}`, 'DELETE')
                        }
                      >
                        Withdraw
                      </Button>
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
            {gives && <InviteForm base={base} onDone={done} />}
            <Going people={people} act={act} />
            <RoleTable mine={people.role} />
          </>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  )
}

/** A button that asks once more before it does what cannot be taken back. */
function Sure({ label, text, sure, onYes }: { label: string; text: string; sure: string; onYes: () => unknown }) {
  const [asking, setAsking] = useState(false)
  const yes = () => {
    setAsking(false)
    void onYes()
  }
  if (!asking)
    return (
      <Button aria-label={label} onClick={() => setAsking(true)}>
        {text}
      </Button>
    )
  return (
    <span className="row" style={{ justifyContent: 'flex-end' }}>
      <span role="alert">{sure}</span>
      <Button rank="main" autoFocus aria-label={`Yes: ${label}`} onClick={yes}>
        {text}
      </Button>
      <Button onClick={() => setAsking(false)}>No</Button>
    </span>
  )
}

function InviteForm({ base, onDone }: { base: string; onDone: (text: string) => void }) {
  const { control, submit, reset, problem } = useZodForm(inviteForm, { emails: '', role: 'expert' }, async (body) => {
    const done = await ask<readonly InviteAnswer[]>(`${base}/invitations`, { method: 'POST', body })
    if (!done.ok) return done.problem
    const sent = done.value.filter((a) => a.outcome === 'sent' || a.outcome === 'sent-again').length
    const byHand = done.value.flatMap((a) =>
      a.outcome === 'wants-no-mail' ? [`${a.email} wants no mails: hand on this link, ${a.link}`] : [],
    )
    const members = done.value.filter((a) => a.outcome === 'has-a-role').map((a) => a.email)
    reset()
    onDone(
      [
        sent > 0 ? `${countOf(sent, 'invitation')} sent.` : '',
        members.length > 0 ? `${members.join(', ')}: has a role already.` : '',
        ...byHand,
      ]
        .filter(Boolean)
        .join(' '),
    )
    return null
  })
  return (
    <Form submit={submit} className="invite">
      <FormText control={control} name="emails" label="Invite by mail address, several with commas" />
      <FormSelect control={control} name="role" label="as" width={170} options={ROLE_OPTIONS} />
      <Button rank="main" type="submit">
        Invite
      </Button>
      <FormProblem>{problem}</FormProblem>
    </Form>
  )
}

/** Asks the server and says what came of it; `leaves` goes to the list of courses when it was done. */
type Act = (said: string, path: string, method: AskOptions['method'] & string, body?: object, leaves?: boolean) => Promise<void>

/** Leaving, and handing over: somebody else becomes designer in the same step. */
function Going({ people, act }: { people: People; act: Act }) {
  const others = people.members.filter((m) => m.id !== people.id)
  const [to, setTo] = useState('')
  const [become, setBecome] = useState<Role | 'leave'>('expert')
  const lastDesigner = people.role === 'designer' && !others.some((m) => m.role === 'designer')
  const leave = () => act('You left the course.', `/people/${encodeURIComponent(people.id)}`, 'DELETE', undefined, true)
  const hand = () => {
    const name = others.find((m) => m.id === to)?.name ?? ''
    return act(`${name} is designer now.`, '/hand-over', 'POST', { to, become }, become === 'leave')
  }
  return (
    <div className="going">
      {may(people.role, 'people.manage') && others.length > 0 && (
        <div className="row">
          <SelectInput
            label="Hand the course over to"
            value={to}
            options={[{ value: '', label: 'choose somebody' }, ...others.map((m) => ({ value: m.id, label: m.name }))]}
            onChoose={setTo}
          />
          <SelectInput
            label="and become"
            value={become}
            options={[...ROLE_OPTIONS.filter((o) => o.value !== 'designer'), { value: 'leave', label: 'nobody in it (leave)' }]}
            onChoose={(v) => v !== '' && setBecome(v)}
          />
          {to !== '' && (
            <Sure
              label="Hand the course over"
              text="Hand over"
              sure={`${others.find((m) => m.id === to)?.name ?? ''} will be its designer.`}
              onYes={hand}
            />
          )}
        </div>
      )}
      {lastDesigner ? (
        <p className="muted small">You are the only designer: hand the course over before you leave it.</p>
      ) : (
        <Sure label="Leave this course" text="Leave this course" sure="You will not see it any more." onYes={leave} />
      )}
    </div>
  )
}

function RoleTable({ mine }: { mine: Role }) {
  return (
    <table className="sheet role-table">
      <caption>What each role may do</caption>
      <thead>
        <tr>
          <td style={{ width: '46%' }} />
          {ROLES.map((r) => (
            <th key={r} scope="col" className={r === mine ? 'own' : ''} style={{ textAlign: 'center' }}>
              {ROLE_TITLES[r]}
              {r === mine && <span className="muted"> (you)</span>}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {Object.values(ABILITIES).map(({ title, roles }) => (
          <tr key={title}>
            <th scope="row">{title}</th>
            {ROLES.map((r) => (
              <td key={r} className={r === mine ? 'own' : ''}>
                {(roles as readonly Role[]).includes(r) ? 'yes' : <span className="muted">no</span>}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  )
}
