import { betterAuth } from 'better-auth'
import { drizzleAdapter } from 'better-auth/adapters/drizzle'
import { APIError, createAuthMiddleware } from 'better-auth/api'
import { hashPassword, verifyPassword } from 'better-auth/crypto'
import { eq } from 'drizzle-orm'
import { mailsOffOf, mailsOffText } from '../core/access/mails'
import { SCHEMES, schemeOf } from '../core/access/scheme'
import { seenOf, seenText } from '../core/access/seen'
import { PASSWORD_MAX, PASSWORD_MIN, personName } from '../core/forms/account'
import { z } from '../core/zod'
import { getDatabase } from './db/client'
import * as schema from './db/schema'
import { user } from './db/schema'
import { limit } from './limits'
import { libraryText, log, logCounted } from './log'
import { passwordProblem } from './passwords'
import type { Refusal } from './problem'
import { knownPerson, type Person, rememberPerson } from './sessions'
import { getSettings } from './settings'
import { Turns } from './turns'

/** What the library does not judge: tries at one account, common passwords, names that are no names. */
const judged = createAuthMiddleware(async ({ path, body, headers }) => {
  const text = (name: string): string => (typeof body?.[name] === 'string' ? body[name] : '')
  const refuse = (message: string): never => {
    throw new APIError('BAD_REQUEST', { message })
  }
  if (path === '/sign-in/email')
    await limit('password', text('email').toLowerCase().slice(0, 200)).catch((error) => {
      throw new APIError(
        'TOO_MANY_REQUESTS',
        { message: 'Too many tries. Wait a quarter of an hour, then try again.' },
        (error as Refusal).headers,
      )
    })
  if (path === '/sign-up/email' || path === '/update-user') {
    if (body?.name !== undefined && !z.safeParse(personName, text('name')).success) refuse('A name is one line of at most 100 characters.')
    // The library would keep an address of any length; nothing here shows one.
    if (body?.image !== undefined && body.image !== null) refuse('Accounts have no picture here.')
    if (body?.scheme !== undefined && !SCHEMES.some((s) => s === body.scheme)) refuse('That is no choice of colours.')
    if (body?.mailsOff !== undefined && text('mailsOff') !== mailsOffText(mailsOffOf(text('mailsOff'))))
      refuse('There is no such sort of mail.')
    if (body?.seen !== undefined && text('seen') !== seenText(seenOf(text('seen')))) refuse('There is no such workspace.')
    if (path === '/sign-up/email' && text('email').length > 200) refuse('A mail address has at most 200 characters.')
  }
  const wanted = path === '/sign-up/email' ? text('password') : path === '/change-password' ? text('newPassword') : null
  if (wanted === null) return
  const session = path === '/change-password' ? await getAuth().api.getSession({ headers: headers ?? new Headers() }) : null
  const problem = await passwordProblem(wanted, session ? [session.user.name, session.user.email] : [text('name'), text('email')])
  if (problem) refuse(problem)
})

async function needsUnlocked(userId: string): Promise<void> {
  const [found] = await getDatabase().select({ at: user.lockedAt }).from(user).where(eq(user.id, userId))
  if (found?.at) throw new APIError('FORBIDDEN', { message: 'This account is locked. Ask whoever runs Cairn here.' })
}

/** What became of it, for the log. */
const told = createAuthMiddleware(async ({ path, context }) => {
  const code = TOLD[path]
  if (!code) return
  const person = context.newSession?.user.id ?? context.session?.user.id ?? null
  if (context.returned instanceof APIError) logCounted({ code: `${code}-failed`, status: context.returned.statusCode })
  else log('info', { code, ...(person ? { person } : {}) })
})
const TOLD: Readonly<Record<string, string>> = {
  '/sign-in/email': 'sign-in',
  '/sign-up/email': 'sign-up',
  '/sign-out': 'sign-out',
  '/change-password': 'password-change',
}

/** Each takes a processor for a while, on purpose: one after the other, so that the rest goes on beside them. */
const hashing = new Turns(1, 0)
async function inTurn<T>(work: () => Promise<T>): Promise<T> {
  const end = await hashing.take({ of: [], patient: true })
  return work().finally(end)
}

const makeAuth = () => {
  const settings = getSettings()
  return betterAuth({
    database: drizzleAdapter(getDatabase(), { provider: 'pg', schema }),
    emailAndPassword: {
      enabled: true,
      minPasswordLength: PASSWORD_MIN,
      maxPasswordLength: PASSWORD_MAX,
      password: { hash: (password) => inTurn(() => hashPassword(password)), verify: (tried) => inTurn(() => verifyPassword(tried)) },
    },
    hooks: { before: judged, after: told },
    // Asked when the password was right: to others an account that is locked is as any.
    databaseHooks: { session: { create: { before: ({ userId }) => needsUnlocked(userId) } } },
    // A session ends a week after it was last used, and is a new one at each sign-in (OWASP ASVS 5.0, 7.2.4, 7.3).
    session: { expiresIn: 7 * 24 * 3600, updateAge: 24 * 3600 },
    user: {
      deleteUser: { enabled: false },
      changeEmail: { enabled: false },
      additionalFields: {
        scheme: { type: [...SCHEMES], required: false, defaultValue: 'system' },
        seen: { type: 'string', required: false, defaultValue: '' },
        mailsOff: { type: 'string', required: false, defaultValue: '' },
      },
    },
    baseURL: settings.origin,
    trustedOrigins: [settings.origin],
    secret: settings.authSecret,
    telemetry: { enabled: false },
    // By address; tries at one account are counted apart (judged, above).
    rateLimit: { enabled: settings.rateLimit, storage: 'database', customRules: { '/sign-in/email': { window: 10, max: 10 } } },
    logger: {
      level: 'error',
      log: (level, message) => log(level === 'error' ? 'error' : 'info', { code: 'auth', said: libraryText(message) }),
    },
    advanced: { ipAddress: { ipAddressHeaders: ['x-client-ip'] }, cookiePrefix: 'cairn' },
  })
}
let auth: ReturnType<typeof makeAuth> | undefined
export const getAuth = () => (auth ??= makeAuth())

export type { Person }

/** Who is signed in, from the session cookie; null when nobody is. */
export async function personOf(headers: Headers): Promise<Person | null> {
  const cookie = headers.get('cookie')
  if (!cookie) return null
  const known = knownPerson(cookie)
  if (known) return known
  const session = await getAuth().api.getSession({ headers })
  if (!session) return null
  const person = {
    id: session.user.id,
    name: session.user.name,
    email: session.user.email,
    scheme: schemeOf(session.user.scheme),
    seen: session.user.seen ?? '',
    mailsOff: session.user.mailsOff ?? '',
  }
  rememberPerson(cookie, person, session.session)
  return person
}
