/** Signing in, making an account, and the demo people where there are any. */
import ButtonBase from '@mui/material/ButtonBase'
import { Button } from '../parts/button'
import './home.css'
import { type FormEvent, useEffect, useState } from 'react'
import { countOf } from '../../core/numbers'
import { Providers } from '../frame/providers'
import { forgetPlans, type Waiting, waitingHere } from '../store/shelf'
import { askAuth } from './ask-auth'

export type DemoChoice = { readonly name: string; readonly email: string; readonly role: string; readonly does: string }
type Props = {
  readonly nonce: string
  readonly to: string
  readonly as: string | null
  readonly demo: readonly DemoChoice[]
  readonly demoPassword: string | null
}

export default function SignIn({ nonce, to, as, demo, demoPassword }: Props) {
  const [mode, setMode] = useState<'in' | 'up'>('in')
  const [error, setError] = useState<string | null>(null)
  const [busy, setBusy] = useState(false)
  const [waiting, setWaiting] = useState<readonly Waiting[]>([])
  useEffect(() => {
    // Nobody is signed in, or somebody else will be: no plan is left here for them.
    void forgetPlans()
    void waitingHere(null).then(setWaiting)
  }, [])
  const enter = async (path: string, body: object) => {
    setBusy(true)
    const refused = await askAuth(path, body)
    if (refused === null) return window.location.assign(to)
    setError(refused)
    setBusy(false)
  }
  const submit = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault()
    const data = new FormData(event.currentTarget)
    const text = (name: string) => String(data.get(name) ?? '').trim()
    const password = String(data.get('password') ?? '')
    if (mode === 'up' && text('name') === '') return setError('Your name is shown to those you work with: it is needed.')
    if (!text('email').includes('@')) return setError('That is no mail address.')
    if (mode === 'up' && password.length < 10) return setError('A password has at least 10 characters.')
    void enter(mode === 'in' ? 'sign-in/email' : 'sign-up/email', {
      email: text('email'),
      password,
      ...(mode === 'up' ? { name: text('name') } : {}),
    })
  }
  return (
    <Providers nonce={nonce}>
      <main className="sign-in" style={demo.length === 0 ? { gridTemplateColumns: '1fr', maxWidth: 440 } : undefined}>
        <section className="card">
          <h1 style={{ fontSize: 20, marginBottom: 12 }}>{mode === 'in' ? 'Sign in' : 'New account'}</h1>
          {waiting.map((w) => (
            <p key={w.account} className="waiting-here">
              {countOf(w.n, 'change')} of {w.email || 'an account'} {w.n === 1 ? 'waits' : 'wait'} in this browser, and{' '}
              {w.n === 1 ? 'goes' : 'go'} out when that account signs in.
            </p>
          ))}
          <form onSubmit={submit} noValidate>
            {mode === 'up' && (
              <label className="labelled">
                <span>Name</span>
                <input className="field boxed" name="name" autoComplete="name" maxLength={100} />
              </label>
            )}
            <label className="labelled">
              <span>Mail address</span>
              <input className="field boxed" name="email" type="email" autoComplete="email" defaultValue={as ?? ''} />
            </label>
            <label className="labelled">
              <span>Password</span>
              <input
                className="field boxed"
                name="password"
                type="password"
                autoComplete={mode === 'in' ? 'current-password' : 'new-password'}
              />
            </label>
            {error && (
              <p className="form-error" role="alert">
                {error}
              </p>
            )}
            <div className="row">
              <Button rank="main" type="submit" disabled={busy}>
                {mode === 'in' ? 'Sign in' : 'Make the account'}
              </Button>
              <ButtonBase
                className="link"
                onClick={() => {
                  setMode(mode === 'in' ? 'up' : 'in')
                  setError(null)
                }}
              >
                {mode === 'in' ? 'New here? Make an account' : 'I have an account'}
              </ButtonBase>
            </div>
          </form>
        </section>
        {demo.length > 0 && demoPassword !== null && (
          <section className="card">
            <h2>Or as a demo person</h2>
            <p className="muted">Invented people at the invented Larkfield Open Institute. They exist on this machine only.</p>
            {demo.map((p) => (
              <p key={p.email} style={{ margin: '0 0 8px' }}>
                <Button
                  rank="main"
                  style={{ width: '100%' }}
                  disabled={busy}
                  onClick={() => void enter('sign-in/email', { email: p.email, password: demoPassword })}
                >
                  {p.name}, {p.role}
                  <span className="muted" style={{ fontWeight: 400 }}>
                    {p.does}
                  </span>
                </Button>
              </p>
            ))}
          </section>
        )}
      </main>
    </Providers>
  )
}
