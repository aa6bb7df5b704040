/**
 * Whose session a cookie is, remembered for a moment, so that a change needs no look at the session. What ends a session or
 * changes an account announces it to every process (a trigger of the database); while a process does not hear, it remembers
 * nothing.
 */
import type { Scheme } from '../core/access/scheme'

export type Person = {
  readonly id: string
  readonly name: string
  readonly email: string
  readonly scheme: Scheme
  readonly seen: string
  readonly mailsOff: string
}
type Known = { readonly person: Person; readonly token: string; readonly until: number }

/** However well it is announced, a session is looked at again after this time (Cairn default). */
const REMEMBERED_MS = 30_000
const MOST = 5000
const known = new Map<string, Known>()
let trusted = false

/** Whether this process hears of sessions that end. */
export function trustSessions(hears: boolean): void {
  trusted = hears
  known.clear()
}

/** Forgets sessions by token, by account, or all of them. */
export function forgetSession(tokenOrAccount?: string): void {
  if (tokenOrAccount === undefined) return known.clear()
  for (const [cookie, k] of known) if (k.token === tokenOrAccount || k.person.id === tokenOrAccount) known.delete(cookie)
}

const watchers = new Set<(tokenOrAccount: string) => void>()

/** Calls back with the token of each session that ended, or the id of each account that changed. Returns how to stop. */
export function watchSessions(watcher: (tokenOrAccount: string) => void): () => void {
  watchers.add(watcher)
  return () => watchers.delete(watcher)
}

/** Heard from the database: a session ended or an account changed. */
export function sessionEnded(tokenOrAccount: string): void {
  forgetSession(tokenOrAccount)
  for (const watcher of watchers) watcher(tokenOrAccount)
}

/** The person whose session this cookie header carries, where it is remembered. */
export function knownPerson(cookie: string): Person | null {
  const found = known.get(cookie)
  if (!found) return null
  if (Date.now() < found.until && Date.now() > found.until - REMEMBERED_MS - 1) return found.person
  known.delete(cookie)
  return null
}

/** What a session is counted by: its token, whatever else a cookie header carries. */
export const sessionKey = (cookie: string): string => known.get(cookie)?.token ?? cookie

export function rememberPerson(cookie: string, person: Person, session: { readonly token: string; readonly expiresAt: Date }): void {
  if (!trusted) return
  if (known.size >= MOST) known.clear()
  known.set(cookie, { person, token: session.token, until: Math.min(Date.now() + REMEMBERED_MS, session.expiresAt.getTime()) })
}
