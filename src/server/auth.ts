import { betterAuth } from 'better-auth'
import { drizzleAdapter } from 'better-auth/adapters/drizzle'
import { getDatabase } from './db/client'
import * as schema from './db/schema'
import { getSettings } from './settings'

const makeAuth = () => {
  const settings = getSettings()
  return betterAuth({
    database: drizzleAdapter(getDatabase(), { provider: 'pg', schema }),
    emailAndPassword: { enabled: true, minPasswordLength: 10 },
    baseURL: settings.origin,
    trustedOrigins: [settings.origin],
    secret: settings.authSecret,
    telemetry: { enabled: false },
    rateLimit: { enabled: settings.rateLimit },
    advanced: { ipAddress: { ipAddressHeaders: ['x-client-ip'] }, cookiePrefix: 'cairn' },
  })
}
let auth: ReturnType<typeof makeAuth> | undefined
export const getAuth = () => (auth ??= makeAuth())

export type Person = { readonly id: string; readonly name: string; readonly email: string }

/** Who is signed in, from the session cookie; null when nobody is. */
export async function personOf(headers: Headers): Promise<Person | null> {
  const session = await getAuth().api.getSession({ headers })
  return session ? { id: session.user.id, name: session.user.name, email: session.user.email } : null
}
