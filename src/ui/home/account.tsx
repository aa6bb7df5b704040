/** One's own account: name, password, and signing out wherever one is signed in. */

import { type ReactNode, useState } from 'react'
import { MAIL_WORDS, MAILS, type Mail, mailsOffOf, mailsOffText } from '../../core/access/mails'
import { SCHEME_WORDS, SCHEMES, type Scheme, schemeOf } from '../../core/access/scheme'
import { nameForm, PASSWORD_MIN, passwordForm } from '../../core/forms/account'
import { countOf } from '../../core/numbers'
import { Providers } from '../frame/providers'
import { Button } from '../parts/button'
import { CheckInput } from '../parts/choice-input'
import { Form, FormProblem, FormText, useZodForm } from '../parts/form'
import { Segments } from '../parts/segments'
import { forgetPlans } from '../store/shelf'
import { askAuth } from './ask-auth'

type Props = { readonly nonce: string; readonly name: string; readonly email: string; readonly sessions: number; readonly mailsOff: string }
type Said = { readonly text: string; readonly wrong: boolean }

export default function Account({ nonce, name, email, sessions, mailsOff }: Props) {
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
        <Mails begin={mailsOff} />
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

type AccountFormProps = {
  readonly id: string
  readonly heading: string
  readonly action: string
  readonly form: Pick<ReturnType<typeof useZodForm>, 'submit' | 'problem'>
  readonly said: string
  readonly children: ReactNode
}

/** A form of the account in its card; what was done is said under its fields. */
const AccountForm = ({ id, heading, action, form, said, children }: AccountFormProps) => (
  <section className="card" aria-labelledby={id}>
    <h2 id={id}>{heading}</h2>
    <Form submit={form.submit}>
      {children}
      <FormProblem>{form.problem}</FormProblem>
      <p className="muted" role="status">
        {said}
      </p>
      <Button type="submit">{action}</Button>
    </Form>
  </section>
)

/** Asks the endpoint of accounts and says what was done. */
function useAsking(path: string, done: string) {
  const [said, setSaid] = useState('')
  const send = async (body: object) => {
    setSaid('')
    const refused = await askAuth(path, body)
    if (refused !== null) return { title: refused }
    setSaid(done)
    return null
  }
  return { said, send }
}

function NameForm({ name, email }: { name: string; email: string }) {
  const { said, send } = useAsking('update-user', 'Your name is changed.')
  const form = useZodForm(nameForm, { name }, send)
  return (
    <AccountForm id="who" heading="Name" action="Change the name" form={form} said={said}>
      <FormText
        control={form.control}
        name="name"
        label="Name, as those you work with see it"
        autoComplete="name"
        element={{ maxLength: 100 }}
        autoFocus
      />
      <p className="muted">Mail address: {email}</p>
    </AccountForm>
  )
}

/** Which mails are wanted; each is changed at once. */
function Mails({ begin }: { begin: string }) {
  const [off, setOff] = useState(() => mailsOffOf(begin))
  const [problem, setProblem] = useState<string | null>(null)
  const choose = async (mail: Mail, wanted: boolean) => {
    const next = wanted ? off.filter((m) => m !== mail) : [...off, mail]
    setOff(next)
    const refused = await askAuth('update-user', { mailsOff: mailsOffText(next) })
    setProblem(refused)
    if (refused !== null) setOff(off)
  }
  return (
    <section className="card" aria-labelledby="mails">
      <h2 id="mails">Mails</h2>
      {MAILS.map((mail) => (
        <CheckInput key={mail} label={MAIL_WORDS[mail]} checked={!off.includes(mail)} onCheck={(wanted) => void choose(mail, wanted)} />
      ))}
      <p className="muted">Without them, who invites you hands on the link.</p>
      <FormProblem>{problem}</FormProblem>
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
  const { said, send } = useAsking('change-password', 'Your password is changed. Everywhere else you are signed out.')
  const form = useZodForm(passwordForm, { current: '', wanted: '' }, async ({ current, wanted }) => {
    const refused = await send({ currentPassword: current, newPassword: wanted, revokeOtherSessions: true })
    if (refused === null) form.reset()
    return refused
  })
  return (
    <AccountForm id="password" heading="Password" action="Change the password" form={form} said={said}>
      <FormText control={form.control} name="current" label="Present password" type="password" autoComplete="current-password" />
      <FormText
        control={form.control}
        name="wanted"
        label="New password"
        hint={`At least ${PASSWORD_MIN} characters, of any sort.`}
        type="password"
        autoComplete="new-password"
      />
    </AccountForm>
  )
}
