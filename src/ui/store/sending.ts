/** Sending what waits, one change at a time, and what becomes of a change that the server does not take. */
import type { Change, Operation } from '../../core/blueprint/change'
import type { Conflict } from '../../core/blueprint/decide'
import type { RecordRef } from '../../core/blueprint/kinds'
import { FORMAT_VERSION } from '../../core/blueprint/upgrades'
import { KEEPALIVE_CHARACTERS } from './api'
import { dropChanges, type LoggedChange, refuse, type Session, settleChanges, withDependents } from './session'
import type { Unsent } from './shelf'
import { isGone, NotNow, type SyncState } from './sync-state'

/** What the sending asks of the line. */
type Line = {
  readonly state: () => SyncState
  /** Who changed a record last. */
  readonly authorOf: (ref: RecordRef) => string | null
  readonly maySend: () => boolean
  /** Something is sent now: no later try is needed. */
  readonly sends: () => void
  /** Where there is an answer, the next failure is a first one. */
  readonly answered: () => void
  readonly set: (patch: Partial<SyncState>) => void
  readonly request: (path: string, init: RequestInit) => Promise<Response>
  readonly take: (changes: readonly LoggedChange[]) => void
  readonly pull: () => Promise<void>
  readonly connected: (savedAt: string) => void
  readonly tryAgainLater: (error: unknown) => void
  readonly roleGone: (status: number) => void
  readonly keepAside: () => Promise<void>
  readonly unkeep: (says: 'settled' | 'dropped', ids: readonly string[]) => void
  readonly say: (text: string, alert: boolean) => void
}

/** Whatever is asked for, it is tried again after this time (Cairn default). */
const LONGEST_WAIT_MS = 600_000
/** What says that Cairn failed at this very change, and not that it is not there: it failed, or the change took more than it is given. */
const AT_THIS: ReadonlySet<string> = new Set(['failed', 'too-much', 'too-long'])
/** So often the server may fail at one change before it is set aside (Cairn default). */
const MOST_FAILURES = 3
const FAILED = 'The server failed at it each time it was tried.'

export class Sending {
  private flying: string | null = null
  /** How often the server failed at the change that is tried. */
  private failures: { readonly id: string; readonly n: number } | null = null

  constructor(private readonly line: Line) {}

  /** Sends the queue, one change at a time. */
  async flush(): Promise<void> {
    const change = this.line.state().session.queue[0]
    if (!change || !this.line.maySend() || this.flying !== null) return
    this.flying = change.id
    this.line.sends()
    try {
      const body = JSON.stringify(change)
      const response = await this.line.request('/changes', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body,
        // A change made as the page is left still arrives; browsers allow this for small bodies.
        keepalive: body.length < KEEPALIVE_CHARACTERS,
      })
      if (response.ok) await this.accepted(change, (await response.json()) as { revision: number; at: string; operations: Operation[] })
      else await this.refused(change, response)
      this.line.answered()
      this.flying = null
      void this.flush()
    } catch (error) {
      this.flying = null
      this.line.tryAgainLater(error)
    }
  }

  private async accepted(change: Change, answer: { revision: number; at: string; operations: Operation[] }): Promise<void> {
    const logged: LoggedChange = {
      revision: answer.revision,
      at: answer.at,
      operations: answer.operations,
      changeId: change.id,
      author: this.line.state().viewer?.name ?? '',
      authorId: this.line.state().viewer?.id ?? '',
      code: change.code,
      params: change.params,
    }
    if (answer.revision === this.line.state().session.revision + 1) this.line.take([logged])
    else if (answer.revision > this.line.state().session.revision) await this.line.pull()
    // An answer from the store of answers: the log was read past it before.
    if (this.line.state().session.queue.some((c) => c.id === change.id)) {
      this.line.set({ session: settleChanges(this.line.state().session, new Set([change.id])) })
      this.line.unkeep('settled', [change.id])
    }
    this.line.connected(answer.at)
  }

  private async refused(change: Change, response: Response): Promise<void> {
    const problem = (await response.json().catch(() => ({}))) as { title?: string; code?: string; conflicts?: Conflict[] }
    if (response.status === 401) throw new NotNow(problem.code === 'other-account' ? 'other-account' : 'signed-out')
    if (response.status === 429) {
      // What an account may write in a day is no matter of seconds: it is said why it waits.
      if (problem.code === 'quota' && problem.title) this.line.say(problem.title, true)
      throw new NotNow('online', Math.min(LONGEST_WAIT_MS, Number(response.headers.get('retry-after') ?? 1) * 1000))
    }
    if (response.status >= 500) {
      // Cairn itself failed at this change (a proxy, or a server that starts, says no such code). It may do better the next time;
      // at what it fails again and again the others must not wait for ever.
      if (AT_THIS.has(problem.code ?? '') && this.failedAgain(change)) return this.cannotSend(change, FAILED)
      throw new NotNow(problem.code === 'cannot-store' ? 'unable' : 'offline')
    }
    if (isGone(response)) return this.line.roleGone(response.status)
    await this.line.pull()
    if (problem.conflicts) {
      if (!this.conflict(this.line.state().session, change, problem.conflicts)) this.line.say('What you wanted is so already.', false)
    } else this.cannotSend(change, problem.title ?? 'The server refused it.')
  }

  /** Counts failures at one change. Returns whether it has had its tries. */
  private failedAgain({ id }: Change): boolean {
    this.failures = this.failures?.id === id ? { id, n: this.failures.n + 1 } : { id, n: 1 }
    return this.failures.n >= MOST_FAILURES
  }

  /** Takes a refused change out of the queue; what it wanted goes to the conflicts. Returns whether there is one to see. */
  conflict(session: Session, change: Change, conflicts: readonly Conflict[]): boolean {
    const dropped = withDependents(session, change.id)
    const next = refuse(session, change.id, conflicts, this.line.authorOf)
    this.line.set({ session: next })
    this.line.unkeep('dropped', [...dropped])
    if (next.conflicts.every((c) => session.conflicts.includes(c))) return false
    void this.line.keepAside()
    this.line.say('Somebody changed the same thing. Both values are kept: choose under Conflicts.', true)
    return true
  }

  /** Takes a change that no server will take, with what builds on it, out of the queue and keeps it as text. */
  private cannotSend(change: Change, why: string): void {
    const dropped = withDependents(this.line.state().session, change.id)
    const unsent = this.line
      .state()
      .session.queue.filter((c) => dropped.has(c.id))
      .map(
        (c): Unsent => ({
          formatVersion: FORMAT_VERSION,
          change: c,
          why: c.id === change.id ? why : 'It builds on one that could not be sent.',
        }),
      )
    this.line.set({ session: dropChanges(this.line.state().session, dropped), unsent: [...this.line.state().unsent, ...unsent] })
    void this.line.keepAside().then(() => this.line.unkeep('dropped', [...dropped]))
    this.line.say(`Not saved: ${why} What you wrote is kept as text.`, true)
  }
}
