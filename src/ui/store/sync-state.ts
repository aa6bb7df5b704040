/** What a window knows of its course and of the line to the server, and what the line needs of the machine it runs on. */
import type { Present } from '../../core/access/presence'
import type { Role } from '../../core/roles'
import type { SpaceState } from '../../core/spaces'
import type { Connection, OpenStream } from './connection'
import type { Session } from './session'
import type { Shelf, Unsent, Waiting } from './shelf'
import type { OpenTabs } from './tabs'

export type Viewer = {
  readonly id: string
  readonly role: Role
  readonly name: string
  readonly email: string
  /** The seat of a review that somebody without an account came in by. */
  readonly seatId?: string
  /** Of the course; what is put away is read-only. A plan that was kept by an earlier version does not say. */
  readonly state?: SpaceState
}

export type SyncState = {
  readonly status: 'loading' | 'ready' | 'missing' | 'removed' | 'failed'
  readonly viewer: Viewer | null
  readonly session: Session
  readonly connection: Connection
  readonly savedAt: string | null
  /** Changes that cannot be sent any more, with the reason; shown as text until let go. */
  readonly unsent: readonly Unsent[]
  /** Changes of other accounts that wait in this browser. */
  readonly others: readonly Waiting[]
  readonly present: readonly Present[]
  /** Counts up when roles in the course were changed. */
  readonly peopleVersion: number
  /** The newest revision that was announced of each kind of data beside the plan. */
  readonly beside: Readonly<Record<string, number>>
}

export type SyncPorts = {
  readonly fetch: (path: string, init?: RequestInit) => Promise<Response>
  readonly openStream: OpenStream
  readonly openTabs: OpenTabs
  readonly shelf: Shelf
  /** Sends whoever is not signed in to where one signs in. */
  readonly signIn: () => void
  readonly changed: (patch: Partial<SyncState>) => void
  readonly say: (text: string, alert: boolean) => void
  readonly windowId: string
  readonly now: () => number
}

/** Stops the sending without taking the change out of the queue. */
export class NotNow extends Error {
  constructor(
    readonly connection: Connection,
    readonly afterMs: number | null = null,
  ) {
    super(connection)
  }
}

/** The answer where a course was removed that one has a role in. */
export const REMOVED = 410
export const isGone = ({ status }: Response): boolean => status === 404 || status === REMOVED
/** Why what waits in a course that is gone will never be sent. */
export const goneWhy = (status: number): string =>
  status === REMOVED ? 'The course was removed.' : 'You have no role in this course any more.'
