/** One's own account: name, password, and signing out wherever one is signed in. */

import { type FormEvent, useState } from 'react'
import { countOf } from '../../core/numbers'
import { Providers } from '../frame/providers'
import { Button } from '../parts/button'
import { forgetPlans } from '../store/shelf'
import { askAuth } from './ask-auth'

type Props = { readonly nonce: string; readonly name: string; readonly email: string; readonly sessions: number }
type Said = { readonly where: 'name' | 'password' | 'sessions'; readonly text: string; readonly wrong: boolean }

export default function Account({ nonce, name, email, sessions }: Props) {
  const [said, setSaid] = useState<Said | null>(null)
  const [busy, setBusy] = useState(false)
  const act = async (where: Said['where'], done: string, path: string, body: object): Promise<boolean> => {
    setBusy(true)
    const refused = await askAuth(path, body)
    setBusy(false)
    setSaid({ where, text: refused ?? done, wrong: refused !== null })
    return refused === null
  }
  const message = (where: Said['where']) =>
    said?.where === where && (
      <p className={said.wrong ? 'form-error' : 'muted'} role={said.wrong ? 'alert' : 'status'}>
        {said.text}
      </p>
    )
  const rename = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault()
    const wanted = String(new FormData(event.currentTarget).get('name') ?? '').trim()
    if (wanted === '') return setSaid({ where: 'name', text: 'Your name is shown to those you work with: it is needed.', wrong: true })
    void act('name', 'Your name is changed.', 'update-user', { name: wanted })
  }
  const changePassword = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault()
    const form = event.currentTarget
    const data = new FormData(form)
    const done = await act('password', 'Your password is changed. Everywhere else you are signed out.', 'change-password', {
      currentPassword: String(data.get('current') ?? ''),
      newPassword: String(data.get('wanted') ?? ''),
      revokeOtherSessions: true,
    })
    if (done) form.reset()
  }
  const signOutEverywhere = async () => {
    if (!(await act('sessions', 'Signed out everywhere.', 'revoke-sessions', {}))) return
    await forgetPlans()
    window.location.assign('/sign-in')
  }
  return (
    <Providers nonce={nonce}>
      <main className="page" style={{ maxWidth: 560 }}>
        <h1 style={{ marginBottom: 14 }}>My account</h1>
        <section className="card" aria-labelledby="who">
          <h2 id="who">Name</h2>
          <form onSubmit={rename} noValidate>
            <label className="labelled">
              <span>Name, as those you work with see it</span>
              <input className="field boxed" name="name" defaultValue={name} maxLength={100} autoComplete="name" />
            </label>
            <p className="muted">Mail address: {email}</p>
            {message('name')}
            <Button type="submit" disabled={busy}>
              Change the name
            </Button>
          </form>
        </section>
        <section className="card" aria-labelledby="password">
          <h2 id="password">Password</h2>
          <form onSubmit={(e) => void changePassword(e)} noValidate>
            <label className="labelled">
              <span>Present password</span>
              <input className="field boxed" name="current" type="password" autoComplete="current-password" />
            </label>
            <label className="labelled">
              <span>New password, at least 10 characters</span>
              <input className="field boxed" name="wanted" type="password" autoComplete="new-password" />
            </label>
            {message('password')}
            <Button type="submit" disabled={busy}>
              Change the password
            </Button>
          </form>
        </section>
        <section className="card" aria-labelledby="sessions">
          <h2 id="sessions">Where you are signed in</h2>
          <p>{sessions === 1 ? 'Only here.' : `Here and in ${countOf(sessions - 1, 'other browser')}.`}</p>
          {message('sessions')}
          <div className="row">
            {sessions > 1 && (
              <Button
                disabled={busy}
                onClick={() => void act('sessions', 'Everywhere else you are signed out.', 'revoke-other-sessions', {})}
              >
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
