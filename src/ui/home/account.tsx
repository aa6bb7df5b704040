/** One's own account: name, password, and signing out wherever one is signed in. */

import { useState } from 'react'
import { SCHEME_WORDS, SCHEMES, type Scheme, schemeOf } from '../../core/access/scheme'
import { nameForm, PASSWORD_MIN, passwordForm } from '../../core/forms/account'
import { countOf } from '../../core/numbers'
import { Providers } from '../frame/providers'
import { Button } from '../parts/button'
import { Form, FormProblem, FormText, useZodForm } from '../parts/form'
import { Segments } from '../parts/segments'
import { forgetPlans } from '../store/shelf'
import { askAuth } from './ask-auth'

type Props = { readonly nonce: string; readonly name: string; readonly email: string; readonly sessions: number }
type Said = { readonly text: string; readonly wrong: boolean }

export default function Account({ nonce, name, email, sessions }: Props) {
  const [said, setSaid] = useState<Said | null>(null)
  const [busy, setBusy] = useState(false)
  const act = async (done: string, path: string, body: object): Promise<boolean> => {
    setBusy(true)
    const refused = await askAuth(path, body)
    setBusy(false)
    setSaid({ text: refused ?? done, wrong: refused !== null })
    return refused === null
  }
  const signOutEverywhere = async () => {
    if (!(await act('Signed out everywhere.', 'revoke-sessions', {}))) return
    await forgetPlans()
    window.location.assign('/sign-in')
  }
  return (
    <Providers nonce={nonce}>
      <main className="page" style={{ maxWidth: 560 }}>
        <h1 style={{ marginBottom: 14 }}>My account</h1>
        <NameForm name={name} email={email} />
        <Colours />
        <PasswordForm />
        <section className="card" aria-labelledby="sessions">
          <h2 id="sessions">Where you are signed in</h2>
          <p>{sessions === 1 ? 'Only here.' : `Here and in ${countOf(sessions - 1, 'other browser')}.`}</p>
          {said && (
            <p className={said.wrong ? 'form-error' : 'muted'} role={said.wrong ? 'alert' : 'status'}>
              {said.text}
            </p>
          )}
          <div className="row">
            {sessions > 1 && (
              <Button disabled={busy} onClick={() => void act('Everywhere else you are signed out.', 'revoke-other-sessions', {})}>
                Sign out everywhere else
              </Button>
            )}
            <Button disabled={busy} onClick={() => void signOutEverywhere()}>
              Sign out everywhere
            </Button>
          </div>
        </section>
      </main>
    </Providers>
  )
}

function NameForm({ name, email }: { name: string; email: string }) {
  const [said, setSaid] = useState('')
  const { control, submit, problem } = useZodForm(nameForm, { name }, async (values) => {
    setSaid('')
    const refused = await askAuth('update-user', values)
    if (refused !== null) return { title: refused }
    setSaid('Your name is changed.')
    return null
  })
  return (
    <section className="card" aria-labelledby="who">
      <h2 id="who">Name</h2>
      <Form submit={submit}>
        <FormText
          control={control}
          name="name"
          label="Name, as those you work with see it"
          autoComplete="name"
          element={{ maxLength: 100 }}
          autoFocus
        />
        <p className="muted">Mail address: {email}</p>
        <FormProblem>{problem}</FormProblem>
        <p className="muted" role="status">
          {said}
        </p>
        <Button type="submit">Change the name</Button>
      </Form>
    </section>
  )
}

/** Light or dark, in every browser of this account; shown at once. */
function Colours() {
  const [scheme, setScheme] = useState(() => schemeOf(document.documentElement.dataset['scheme']))
  const [problem, setProblem] = useState<string | null>(null)
  const choose = async (next: Scheme) => {
    const before = scheme
    const show = (s: Scheme) => {
      setScheme(s)
      document.documentElement.dataset['scheme'] = s
    }
    show(next)
    const refused = await askAuth('update-user', { scheme: next })
    setProblem(refused)
    if (refused !== null) show(before)
  }
  return (
    <section className="card" aria-labelledby="colours">
      <h2 id="colours">Colours</h2>
      <Segments
        label="Colours"
        value={scheme}
        options={SCHEMES.map((s) => ({ value: s, label: SCHEME_WORDS[s] }))}
        onChoose={(next) => void choose(next)}
      />
      <FormProblem>{problem}</FormProblem>
    </section>
  )
}

function PasswordForm() {
  const [said, setSaid] = useState('')
  const { control, submit, reset, problem } = useZodForm(passwordForm, { current: '', wanted: '' }, async (values) => {
    setSaid('')
    const refused = await askAuth('change-password', {
      currentPassword: values.current,
      newPassword: values.wanted,
      revokeOtherSessions: true,
    })
    if (refused !== null) return { title: refused }
    reset()
    setSaid('Your password is changed. Everywhere else you are signed out.')
    return null
  })
  return (
    <section className="card" aria-labelledby="password">
      <h2 id="password">Password</h2>
      <Form submit={submit}>
        <FormText control={control} name="current" label="Present password" type="password" autoComplete="current-password" />
        <FormText
          control={control}
          name="wanted"
          label="New password"
          hint={`At least ${PASSWORD_MIN} characters, of any sort.`}
          type="password"
          autoComplete="new-password"
        />
        <FormProblem>{problem}</FormProblem>
        <p className="muted" role="status">
          {said}
        </p>
        <Button type="submit">Change the password</Button>
      </Form>
    </section>
  )
}
