/** People who work on courses without a browser: the line to the server that the browser has (ui/store/sync.ts), over Node's fetch. */
import { EventSource } from 'eventsource'
import pg from 'pg'
import type { Change } from '../../src/core/blueprint/change'
import { editPlan, type PlanEdit } from '../../src/core/blueprint/edit'
import { streamOver } from '../../src/ui/store/connection'
import { commit } from '../../src/ui/store/session'
import { memoryShelf } from '../../src/ui/store/shelf'
import { Sync } from '../../src/ui/store/sync'
import type { SyncState } from '../../src/ui/store/sync-state'
import { aloneTabs } from '../../src/ui/store/tabs'

export const PASSWORD = 'heron under the weir'

/** Signs in, or makes the account first. Returns the session cookie. */
export async function cookieOf(origin: string, email: string, make = false): Promise<string> {
  const answer = await fetch(`${origin}/api/auth/${make ? 'sign-up' : 'sign-in'}/email`, {
    method: 'POST',
    headers: { origin, 'content-type': 'application/json' },
    body: JSON.stringify({ email, password: PASSWORD, ...(make ? { name: email.split('@')[0] } : {}) }),
  })
  if (!answer.ok) throw new Error(`${email}: ${answer.status} ${await answer.text()}`)
  return answer.headers
    .getSetCookie()
    .map((c) => c.split(';')[0])
    .join('; ')
}

/** Makes accounts. Returns their cookies by address. */
export async function makePeople(origin: string, emails: readonly string[]): Promise<ReadonlyMap<string, string>> {
  const cookies = new Map<string, string>()
  for (const email of emails) cookies.set(email, await cookieOf(origin, email, true))
  return cookies
}

/** Gives each account a role in a course, behind the server's back. */
export async function giveRoles(databaseUrl: string, courseId: string, emails: readonly string[], role = 'designer'): Promise<void> {
  const client = new pg.Client({ connectionString: databaseUrl })
  await client.connect()
  try {
    await client.query(
      'insert into membership (course_id, user_id, role) select $1, id, $3 from "user" where email = any($2) on conflict do nothing',
      [courseId, emails, role],
    )
  } finally {
    await client.end()
  }
}

const open = new Set<Client>()
/** Closes all that are open: to be called after each test, since one that failed left them, and their streams never end. */
export function closeClients(): void {
  for (const client of open) client.close()
}

export type Acknowledged = { readonly changeId: string; readonly revision: number }

/** One person in one course, and what the server said to have stored of theirs. */
export class Client {
  readonly acknowledged: Acknowledged[] = []
  readonly said: string[] = []
  /** How long each change took until its answer, in milliseconds. */
  readonly answered: number[] = []
  /** Called when a change of somebody else is there, with its id. */
  heard: ((changeId: string) => void) | null = null
  readonly sync: Sync
  signedOut = 0
  /** Added to the clock of this client, in milliseconds. */
  clockShift = 0
  private n = 0

  constructor(
    readonly name: string,
    courseId: string,
    private readonly at: { readonly origin: string; readonly streams?: string; cookie: string },
  ) {
    const headers = (init: RequestInit = {}) => ({ ...(init.headers as Record<string, string>), origin: at.origin, cookie: at.cookie })
    this.sync = new Sync(courseId, {
      fetch: async (path, init) => {
        const begun = performance.now()
        const response = await fetch(at.origin + path, {
          ...init,
          keepalive: false,
          headers: headers(init),
          signal: AbortSignal.timeout(20_000),
        })
        if (response.ok && init?.method === 'POST' && path.endsWith('/changes')) {
          this.answered.push(performance.now() - begun)
          const { revision } = (await response.clone().json()) as { revision: number }
          this.acknowledged.push({ changeId: (JSON.parse(String(init.body)) as Change).id, revision })
        }
        return response
      },
      openStream: streamOver(
        (path) =>
          new EventSource((at.streams ?? at.origin) + path, {
            fetch: (input, init) => fetch(input, { ...init, headers: { ...init.headers, ...headers() } }),
          }) as unknown as globalThis.EventSource,
      ),
      openTabs: aloneTabs,
      shelf: memoryShelf(),
      signIn: () => this.signedOut++,
      changed: (patch) => {
        if (patch.session && this.heard) for (const o of this.newOf()) this.heard(o)
      },
      say: (text) => this.said.push(text),
      windowId: name,
      now: () => Date.now() + this.clockShift,
    })
  }

  private readonly seen = new Set<string>()
  /** Titles that end in a change's id tell which change they came by. */
  private newOf(): string[] {
    const found: string[] = []
    for (const { title } of this.sync.state.session.confirmed.activity.values()) {
      const id = /#(\w+)$/.exec(title)?.[1]
      if (!id || this.seen.has(id)) continue
      this.seen.add(id)
      found.push(id)
    }
    return found
  }

  get state(): SyncState {
    return this.sync.state
  }
  useCookie(cookie: string): void {
    this.at.cookie = cookie
  }

  open(): Promise<void> {
    open.add(this)
    return this.sync.open()
  }

  /** Edits as the interface does. Returns the id of the change; null where nothing changed. */
  edit(work: (edit: PlanEdit, changeId: string) => void, onConflict: Change['onConflict'] = 'refuse'): string | null {
    const id = `${this.name}x${++this.n}`
    const { session } = this.state
    const change: Change = { id, code: 'test', params: {}, onConflict, operations: editPlan(session.view, (e) => work(e, id)) }
    if (change.operations.length === 0) return null
    const next = commit(session, change)
    if (next === session) return null
    this.sync.queued(next, change)
    return id
  }

  close(): void {
    open.delete(this)
    this.sync.close()
  }
}

/** Waits until something is so; fails with what it was after a time. */
export async function until(what: () => boolean, why: () => string, ms = 30_000): Promise<void> {
  const end = Date.now() + ms
  while (!what()) {
    if (Date.now() > end) throw new Error(`not within ${ms} ms: ${why()}`)
    await new Promise((r) => setTimeout(r, 20))
  }
}
