/** Signing in, or making an account. */

import { Button } from '../parts/button'
import { Form, FormProblem, FormText, useZodForm } from '../parts/form'
import './home.css'
import { useEffect, useState } from 'react'
import { PASSWORD_MIN, signInForm, signUpForm } from '../../core/forms/account'
import { countOf } from '../../core/numbers'
import { Providers } from '../frame/providers'
import { forgetPlans, type Waiting, waitingHere } from '../store/shelf'
import { askAuth } from './ask-auth'

export type DemoChoice = { readonly name: string; readonly email: string; readonly role: string; readonly does: string }
/** What an invitation says before somebody signs in for it. */
export type InvitedTo = { readonly by: string; readonly title: string; readonly role: string; readonly email: string }
type Props = {
  readonly nonce: string
  readonly to: string
  /** The address that is filled in. */
  readonly as: string | null
  /** Whether that address has no account yet. */
  readonly isNew: boolean
  readonly invited: InvitedTo | null
  readonly demo: readonly DemoChoice[]
  readonly demoPassword: string | null
}

export default function SignIn({ nonce, to, as, isNew, invited, demo, demoPassword }: Props) {
  const [mode, setMode] = useState<'in' | 'up'>(isNew ? 'up' : 'in')
  const [waiting, setWaiting] = useState<readonly Waiting[]>([])
  useEffect(() => {
    // Nobody is signed in, or somebody else will be: no plan is left here for them.
    void forgetPlans()
    void waitingHere(null).then(setWaiting)
  }, [])
  const enter = async (path: string, body: object) => {
    const refused = await askAuth(path, body)
    if (refused !== null) return { title: refused }
    window.location.assign(to)
    return null
  }
  return (
    <Providers nonce={nonce}>
      <main className="sign-in" style={demo.length === 0 ? { gridTemplateColumns: '1fr', maxWidth: 440 } : undefined}>
        <section className="card">
          <h1 style={{ fontSize: 20, marginBottom: 12 }}>{mode === 'in' ? 'Sign in' : 'New account'}</h1>
          {invited && (
            <p>
              {invited.by} invites you to plan <b>{invited.title}</b> as {invited.role}.
            </p>
          )}
          {waiting.map((w) => (
            <p key={w.account} className="waiting-here">
              {countOf(w.n, 'change')} of {w.email || 'an account'} {w.n === 1 ? 'waits' : 'wait'} in this browser, and{' '}
              {w.n === 1 ? 'goes' : 'go'} out when that account signs in.
            </p>
          ))}
          {mode === 'in' ? (
            <SignInForm as={as} enter={enter} onSwitch={() => setMode('up')} />
          ) : (
            <SignUpForm as={as} enter={enter} onSwitch={() => setMode('in')} />
          )}
        </section>
        {demo.length > 0 && demoPassword !== null && <DemoPeople demo={demo} password={demoPassword} enter={enter} />}
      </main>
    </Providers>
  )
}

type Enter = (path: string, body: object) => Promise<{ readonly title: string } | null>
type FormProps = { readonly as: string | null; readonly enter: Enter; readonly onSwitch: () => void }

function SignInForm({ as, enter, onSwitch }: FormProps) {
  const { control, submit, problem } = useZodForm(signInForm, { email: as ?? '', password: '' }, (values) => enter('sign-in/email', values))
  return (
    <Form submit={submit}>
      <FormText control={control} name="email" label="Mail address" type="email" autoComplete="username" autoFocus={as === null} />
      <FormText
        control={control}
        name="password"
        label="Password"
        type="password"
        autoComplete="current-password"
        autoFocus={as !== null}
      />
      <FormProblem>{problem}</FormProblem>
      <div className="row">
        <Button rank="main" type="submit">
          Sign in
        </Button>
        <Button rank="rest" onClick={onSwitch}>
          New here? Make an account
        </Button>
      </div>
    </Form>
  )
}

function SignUpForm({ as, enter, onSwitch }: FormProps) {
  const { control, submit, problem } = useZodForm(signUpForm, { name: '', email: as ?? '', password: '' }, (values) =>
    enter('sign-up/email', values),
  )
  return (
    <Form submit={submit}>
      <FormText
        control={control}
        name="name"
        label="Name"
        hint="As those you work with will see it."
        autoComplete="name"
        element={{ maxLength: 100 }}
        autoFocus
      />
      <FormText control={control} name="email" label="Mail address" type="email" autoComplete="username" />
      <FormText
        control={control}
        name="password"
        label="Password"
        hint={`At least ${PASSWORD_MIN} characters, of any sort. Three or four words that do not belong together are good.`}
        type="password"
        autoComplete="new-password"
      />
      <FormProblem>{problem}</FormProblem>
      <div className="row">
        <Button rank="main" type="submit">
          Make the account
        </Button>
        <Button rank="rest" onClick={onSwitch}>
          I have an account
        </Button>
      </div>
    </Form>
  )
}

function DemoPeople({ demo, password, enter }: { demo: readonly DemoChoice[]; password: string; enter: Enter }) {
  const [problem, setProblem] = useState<string | null>(null)
  return (
    <section className="card">
      <h2>Or as a demo person</h2>
      <p className="muted">Invented people at the invented Larkfield Open Institute. They exist on this machine only.</p>
      <FormProblem>{problem}</FormProblem>
      {demo.map((p) => (
        <Button
          key={p.email}
          className="demo-person"
          onClick={() => void enter('sign-in/email', { email: p.email, password }).then((refused) => setProblem(refused?.title ?? null))}
        >
          {p.name}, {p.role} <span className="muted">{p.does}</span>
        </Button>
      ))}
    </section>
  )
}
