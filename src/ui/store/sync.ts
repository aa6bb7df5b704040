/**
 * The line between a window and the server: loading, sending the queue one change at a time, hearing what others did, and going
 * on without a server. It knows no DOM: what it needs of the machine comes in as ports, so that the same code runs in the
 * browser and in the tests of faults and load.
 */

import { hear, type Presence, stillPresent } from '../../core/access/presence'
import { blueprintOf, EMPTY_BLUEPRINT } from '../../core/blueprint/blueprint'
import type { Change } from '../../core/blueprint/change'
import { readKeptChange } from '../../core/blueprint/change-upgrades'
import type { Conflict } from '../../core/blueprint/decide'
import type { AnyRecord, KindName } from '../../core/blueprint/kinds'
import { FORMAT_VERSION } from '../../core/blueprint/upgrades'
import type { Role } from '../../core/roles'
import type { SpaceState } from '../../core/spaces'
import type { Connection, Stream } from './connection'
import { type CourseBody, readKeptPlan } from './kept-plan'
import { Sending } from './sending'
import {
  advance,
  arrived,
  asking,
  dropChanges,
  enqueue,
  type LoggedChange,
  notCome,
  rebase,
  type Session,
  settleChanges,
  startSession,
} from './session'
import type { Unsent } from './shelf'
import { goneWhy, isGone, NotNow, REMOVED, type SyncPorts, type SyncState, type Viewer } from './sync-state'
import type { TabMessage, Tabs } from './tabs'
import { type Place, Whereabouts } from './whereabouts'

const RETRY_MS = [500, 1000, 2000, 5000, 10_000]
/** The server's stream beats every 15 s; without three beats the line is thought dead (Cairn default). */
const SILENCE_MS = 45_000
const WATCH_MS = 5000
/** A stream that is refused (too many are open) is asked for again after this; until then the log is asked (Cairn defaults). */
const STREAM_AGAIN_MS = 30_000
const POLL_MS = 3000

export class Sync {
  state: SyncState
  private readonly base: string
  private leads = false
  /** Whether another window of this browser was heard. */
  private together = false
  private tabs: Tabs | undefined
  private stream: Stream | undefined
  private lastHeard = 0
  private pulling: Promise<void> | null = null
  private pullAgain = false
  private retries = 0
  /** Until then no stream is asked for. */
  private streamFrom = 0
  private retryTimer: ReturnType<typeof setTimeout> | undefined
  private pollTimer: ReturnType<typeof setTimeout> | undefined
  private watch: ReturnType<typeof setInterval> | undefined
  private closed = false
  /** A plan that is shown without a server. */
  private readOnly = false
  /** Found on the shelf when the window opened; another window may be sending it. */
  private readonly fromShelf = new Set<string>()
  private readonly lastAuthor = new Map<string, string>()
  private readonly whereabouts: Whereabouts
  private readonly sending: Sending

  constructor(
    readonly courseId: string,
    private readonly ports: SyncPorts,
  ) {
    this.base = `/api/courses/${encodeURIComponent(courseId)}`
    this.whereabouts = new Whereabouts(
      ports.windowId,
      // Who leaves says so even while the stream is ending under them.
      (says) => this.state.status === 'ready' && (says === 'gone' || this.state.connection === 'online'),
      (at) =>
        void this.request('/presence', {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify(at),
          keepalive: true,
        }).catch(() => undefined),
    )
    this.sending = new Sending({
      state: () => this.state,
      maySend: () => this.leads && !this.closed && !this.readOnly,
      sends: () => clearTimeout(this.retryTimer),
      answered: () => {
        this.retries = 0
      },
      set: (patch) => this.set(patch),
      request: (path, init) => this.request(path, init),
      take: (changes) => this.take(changes),
      pull: () => this.pull(),
      connected: (savedAt) => this.connected(savedAt),
      tryAgainLater: (error) => this.tryAgainLater(error),
      roleGone: (status) => this.roleGone(status),
      keepAside: () => this.keepAside(),
      unkeep: (says, ids) => this.unkeep(says, ids),
      say: ports.say,
      authorOf: (ref) => this.lastAuthor.get(`${ref.kind} ${ref.id}`) ?? null,
    })
    this.state = {
      status: 'loading',
      viewer: null,
      session: startSession(EMPTY_BLUEPRINT, 0),
      connection: 'online',
      savedAt: null,
      unsent: [],
      others: [],
      present: [],
      peopleVersion: 0,
      beside: {},
    }
  }

  private set(patch: Partial<SyncState>): void {
    this.state = { ...this.state, ...patch }
    this.ports.changed(patch)
  }

  private get account(): string {
    return this.state.viewer?.id ?? ''
  }

  /** The account, also where the course did not open: who had it last in this browser. */
  get lastAccount(): string {
    return this.account || (this.ports.shelf.lastAccount() ?? '')
  }

  /** Asks the server as the account that the course was opened with: another one is refused. */
  private request(path: string, init: RequestInit = {}): Promise<Response> {
    const headers = this.account ? { ...(init.headers as Record<string, string>), 'x-cairn-account': this.account } : init.headers
    return this.ports.fetch(this.base + path, { ...init, ...(headers ? { headers } : {}) })
  }

  /** Loads the course, or what is kept of it where there is no server; takes up what waits; listens. */
  async open(): Promise<void> {
    let response: Response
    try {
      response = await this.request('')
    } catch {
      return this.openKept()
    }
    if (response.status === 401) return this.ports.signIn()
    if (isGone(response)) return this.openWithoutRole(response.status)
    if (!response.ok) return this.openKept()
    const text = await response.text()
    const body = JSON.parse(text) as CourseBody
    await this.begin(body, 'online')
    void this.ports.shelf.keepPlan(body.viewer.id, body.revision, text)
  }

  private async openKept(): Promise<void> {
    const account = this.ports.shelf.lastAccount()
    const kept = account ? await this.ports.shelf.plan(account) : null
    const body = kept && readKeptPlan(kept)
    if (!body) return this.set({ status: 'failed' })
    await this.begin(body, 'offline', body.changes)
    this.tryAgainLater()
  }

  /** The role is gone: what waits is shown as text, since nobody will take it. */
  private async openWithoutRole(status: number): Promise<void> {
    const account = this.ports.shelf.lastAccount()
    const [kept, aside] = account ? await Promise.all([this.ports.shelf.queue(account), this.ports.shelf.aside(account)]) : [[], null]
    const why = goneWhy(status)
    this.set({
      status: status === REMOVED ? 'removed' : 'missing',
      unsent: [...(aside?.unsent ?? []), ...kept.map((k) => ({ ...k, why }))],
    })
  }

  private async begin(body: CourseBody, connection: Connection, later: readonly LoggedChange[] = []): Promise<void> {
    const { viewer } = body
    const { shelf } = this.ports
    const [kept, aside, others] = await Promise.all([shelf.queue(viewer.id), shelf.aside(viewer.id), shelf.others(viewer.id)])
    const queue: Change[] = []
    const unsent: Unsent[] = [...aside.unsent]
    for (const k of kept) {
      const read = readKeptChange(k)
      if (read.ok) {
        queue.push(read.value)
        this.fromShelf.add(read.value.id)
      } else unsent.push({ ...k, why: read.error })
    }
    if (this.closed) return
    let session = startSession(blueprintOf(body.records), body.revision, queue, aside.conflicts)
    // What was accepted since, as far as it follows without a gap.
    session = advance(
      session,
      later.filter((c, i) => c.revision === body.revision + 1 + i),
    )
    this.set({ status: 'ready', viewer, session, connection, unsent, others })
    const unreadable = kept.filter((k) => !queue.some((c) => c.id === k.change.id)).map((k) => k.change.id)
    if (unreadable.length > 0) {
      await this.keepAside()
      void shelf.drop(unreadable)
    }
    this.tabs = this.ports.openTabs(`cairn ${viewer.id} ${this.courseId}`, {
      message: (m) => this.fromTab(m),
      lead: () => this.lead(),
    })
    this.tabs.send({ says: 'hello' })
    this.watch = setInterval(() => this.look(), WATCH_MS)
  }

  /** Shows a plan without a server: nothing is sent. */
  show(session: Session, viewer: Viewer): void {
    this.readOnly = true
    this.set({ status: 'ready', viewer, session })
  }

  close(): void {
    this.closed = true
    this.whereabouts.tell('gone')
    this.stream?.close()
    clearTimeout(this.retryTimer)
    clearTimeout(this.pollTimer)
    clearInterval(this.watch)
    this.tabs?.close()
  }

  /** This window talks with the server from now on. */
  private lead(): void {
    if (this.closed) return
    this.leads = true
    this.listen()
    this.sendState()
    void this.sending.flush()
  }

  // --- what waits ---

  /** Takes a session with one more own change in its queue, keeps that change and sends it. */
  queued(session: Session, change: Change): void {
    this.set({ session })
    void this.ports.shelf.put(this.account, this.state.viewer?.email ?? '', change)
    this.tellTabs({ says: 'queued', change })
    void this.sending.flush()
  }

  /** Takes a session that differs in what only this window knows: undo and redo. */
  own(session: Session): void {
    this.set({ session })
  }

  /** Takes a session whose conflicts differ, and keeps them. */
  aside(session: Session): void {
    this.set({ session })
    void this.keepAside()
  }

  /** Lets changes go that could not be sent. */
  letGo(changeIds: readonly string[]): void {
    this.set({ unsent: this.state.unsent.filter((u) => !changeIds.includes(u.change.id)) })
    void this.keepAside()
  }

  private async keepAside(): Promise<void> {
    const aside = { conflicts: this.state.session.conflicts, unsent: this.state.unsent }
    this.tellTabs({ says: 'aside', aside })
    await this.ports.shelf.keepAside(this.account, aside)
  }

  /** No longer kept to be sent: `settled`, because it is stored, or `dropped`, because it will not be. */
  private unkeep(says: 'settled' | 'dropped', ids: readonly string[]): void {
    if (ids.length === 0) return
    void this.ports.shelf.drop(ids)
    this.tellTabs({ says, ids })
  }

  /** Takes a refused change of this window out of the queue; what it wanted goes to the conflicts. */
  conflict(session: Session, change: Change, conflicts: readonly Conflict[]): void {
    this.sending.conflict(session, change, conflicts)
  }

  private roleGone(status: number): void {
    const why = goneWhy(status)
    const { queue } = this.state.session
    this.set({
      connection: 'no-role',
      status: status === REMOVED ? 'removed' : 'missing',
      session: dropChanges(this.state.session, new Set(queue.map((c) => c.id))),
      unsent: [...this.state.unsent, ...queue.map((change) => ({ formatVersion: FORMAT_VERSION, change, why }))],
    })
    void this.keepAside().then(() =>
      this.unkeep(
        'dropped',
        queue.map((c) => c.id),
      ),
    )
    this.sendState()
    this.stream?.close()
    clearTimeout(this.retryTimer)
    clearTimeout(this.pollTimer)
  }

  // --- the state of the line ---

  private sendState(): void {
    if (this.leads) this.tellTabs({ says: 'state', connection: this.state.connection, savedAt: this.state.savedAt })
  }

  private connected(savedAt: string | null = null): void {
    const at = savedAt ?? this.state.savedAt
    if (this.state.connection === 'online' && this.state.savedAt === at) return
    this.set({ connection: 'online', savedAt: at })
    this.sendState()
  }

  /** Tries again after a while, longer each time. */
  private tryAgainLater(error?: unknown): void {
    if (this.closed || this.state.connection === 'no-role') return
    const why = error instanceof NotNow ? error : new NotNow('offline')
    if (why.connection !== this.state.connection) {
      this.set({ connection: why.connection })
      this.sendState()
    }
    clearTimeout(this.retryTimer)
    const wait = why.afterMs ?? RETRY_MS[Math.min(this.retries++, RETRY_MS.length - 1)] ?? 0
    this.retryTimer = setTimeout(() => void this.retry(), wait)
  }

  /** Tries at once: the network is said to be back, or somebody looks at the window again. */
  retryNow(): void {
    if (this.state.status !== 'ready') return
    this.retries = 0
    void this.retry()
  }

  private async retry(): Promise<void> {
    if (this.closed) return
    clearTimeout(this.pollTimer)
    try {
      await this.pull()
      this.retries = 0
      this.connected()
      const lacksStream = this.leads && (!this.stream || this.stream.isClosed())
      if (lacksStream && this.ports.now() >= this.streamFrom) this.listen()
      else if (lacksStream) this.pollTimer = setTimeout(() => void this.retry(), POLL_MS)
      void this.sending.flush()
    } catch (error) {
      this.tryAgainLater(error)
    }
  }

  /** A line that says nothing any more is opened anew. */
  private look(): void {
    const now = this.ports.now()
    const present = stillPresent(this.state.present, now)
    if (present !== this.state.present) this.set({ present })
    if (!this.leads || this.state.connection === 'no-role') return
    // A clock that was set back, or a machine that slept, counts as silence.
    if (now - this.lastHeard > SILENCE_MS || now < this.lastHeard) {
      this.listen()
      this.retryNow()
    }
  }

  // --- what others do ---

  /** Asks for all changes since the confirmed revision. */
  private pull(): Promise<void> {
    // Announced while an answer is on its way: that answer may be from before.
    this.pullAgain = true
    this.pulling ??= this.pullOnce().finally(() => {
      this.pulling = null
    })
    return this.pulling
  }

  private async pullOnce(): Promise<void> {
    while (this.pullAgain) {
      this.pullAgain = false
      const response = await this.request(`/changes?since=${this.state.session.revision}`)
      if (isGone(response)) return this.roleGone(response.status)
      if (!response.ok) {
        const problem = (await response.json().catch(() => ({}))) as { code?: string }
        if (problem.code === 'ahead') {
          await this.reload()
          continue
        }
        throw new NotNow(response.status !== 401 ? 'offline' : problem.code === 'other-account' ? 'other-account' : 'signed-out')
      }
      const changes = (await response.json()) as LoggedChange[]
      if (changes.length === 0) continue
      this.pullAgain = true
      this.take(changes)
    }
  }

  /** Gets the records of a kind that is loaded when asked. Throws where they do not come; asked again, it tries again. */
  async ask(kind: KindName): Promise<void> {
    const { here, coming } = this.state.session
    if (here.has(kind) || coming.has(kind)) return
    this.set({ session: asking(this.state.session, kind) })
    try {
      const response = await this.request(`/records/${kind}`)
      if (!response.ok) throw new NotNow('offline')
      const { revision, records } = (await response.json()) as { revision: number; records: AnyRecord[] }
      if (revision > this.state.session.revision) await this.pull()
      if (revision > this.state.session.revision) throw new NotNow('offline')
      this.set({ session: arrived(this.state.session, kind, records, revision) })
    } catch (error) {
      this.set({ session: notCome(this.state.session, kind) })
      throw error
    }
  }

  /** The server knows less than this window (its data were set back to an earlier state): the plan anew, the queue over it. */
  private async reload(): Promise<void> {
    const response = await this.request('')
    if (!response.ok) throw new NotNow('offline')
    const text = await response.text()
    const body = JSON.parse(text) as CourseBody
    this.set({ session: rebase(this.state.session, blueprintOf(body.records), body.revision) })
    this.ports.say('The server went back to an earlier state of this course. What you see is that state.', true)
    await this.ports.shelf.keepPlan(this.account, body.revision, text)
  }

  /** Takes accepted changes that follow on what is known; asks for all where some are missing between. */
  private take(changes: readonly LoggedChange[]): void {
    const first = changes[0]
    if (!first) return
    if (first.revision > this.state.session.revision + 1) {
      void this.pull().catch((error) => this.tryAgainLater(error))
      return
    }
    const fresh = changes.filter((c) => c.revision > this.state.session.revision)
    if (fresh.length === 0) return
    for (const c of fresh)
      if (c.authorId !== this.account)
        for (const o of c.operations) this.lastAuthor.set(`${o.kind} ${o.op === 'update' ? o.id : o.record.id}`, c.author)
    const waited = this.state.session.queue
    this.set({ session: advance(this.state.session, fresh) })
    const done = waited.filter((c) => fresh.some((f) => f.changeId === c.id)).map((c) => c.id)
    void this.ports.shelf.keepChanges(this.account, fresh)
    if (done.length > 0) void this.ports.shelf.drop(done)
    if (this.leads) this.tellTabs({ says: 'accepted', changes: fresh })
  }

  private listen(): void {
    this.stream?.close()
    // An answer that comes when the window is closed opens nothing that nobody would close.
    if (this.closed) return
    this.lastHeard = this.ports.now()
    let isHeard = false
    const stream = this.ports.openStream(`${this.base}/events?account=${encodeURIComponent(this.account)}&window=${this.ports.windowId}`, {
      event: (name, data) => {
        isHeard = true
        this.lastHeard = this.ports.now()
        this.heard(name, data)
        if (name === 'presence' || name === 'people' || name === 'beside') this.tellTabs({ says: 'event', event: name, data })
      },
      broken: () => {
        // The server answers and gives no stream: everything else goes on.
        if (isHeard || !stream.isClosed()) return this.tryAgainLater()
        this.streamFrom = this.ports.now() + STREAM_AGAIN_MS
        clearTimeout(this.retryTimer)
        void this.retry()
      },
    })
    this.stream = stream
  }

  private heard(name: string, data: string): void {
    switch (name) {
      case 'change':
        return this.take([JSON.parse(data) as LoggedChange])
      case 'revision': {
        // The first of a stream: the line stands. What it says of the log, the log itself tells.
        if (data !== '' && Number(data) <= this.state.session.revision) return
        void this.retry()
        return data === '' ? this.whereabouts.tell('hello') : undefined
      }
      case 'presence': {
        const message = JSON.parse(data) as Presence
        if (message.window === this.ports.windowId) return
        this.set({ present: hear(this.state.present, message, this.ports.now()) })
        if (message.says === 'hello') setTimeout(() => this.whereabouts.tell('here'), Math.random() * 300)
        return
      }
      case 'people':
        return void this.askRole()
      case 'beside':
        return this.heardBeside(data)
      case 'gone':
        return void this.pull().catch((error) => this.tryAgainLater(error))
    }
  }

  /** `comment 12`: a kind and its revision; nothing: any of them may have been written while nobody listened. */
  private heardBeside(data: string): void {
    const { beside } = this.state
    const [kind, revision] = data.split(' ')
    if (kind) return this.set({ beside: { ...beside, [kind]: Number(revision) } })
    this.set({ beside: Object.fromEntries(Object.entries(beside).map(([k, r]) => [k, r + 1])) })
  }

  /** Roles were changed: one's own may be among them. */
  private async askRole(): Promise<void> {
    const response = await this.request('/people').catch(() => null)
    if (response && isGone(response)) return this.roleGone(response.status)
    const { viewer } = this.state
    if (!response?.ok || !viewer) return
    const { role, state } = (await response.json()) as { role: Role; state: SpaceState }
    if (state !== viewer.state) this.ports.say(STATE_SAYS[state], true)
    if (role !== viewer.role) this.ports.say(`Your role in this course is now ${role}.`, true)
    this.set({ viewer: { ...viewer, role, state }, peopleVersion: this.state.peopleVersion + 1 })
  }

  // --- other windows of this browser ---

  /** Tells the other windows, where there are any: a change of 20,000 records is not copied for nobody. */
  private tellTabs(message: TabMessage): void {
    if (this.together) this.tabs?.send(message)
  }

  private fromTab(message: TabMessage): void {
    if (this.closed) return
    this.together = true
    const { session } = this.state
    switch (message.says) {
      case 'queued':
        this.set({ session: enqueue(session, message.change) })
        void this.sending.flush()
        return
      case 'accepted':
        return this.take(message.changes)
      case 'settled':
        return this.set({ session: settleChanges(session, new Set(message.ids)) })
      case 'dropped':
        return this.set({ session: dropChanges(session, new Set(message.ids)) })
      case 'aside':
        return this.set({ session: { ...session, conflicts: message.aside.conflicts }, unsent: message.aside.unsent })
      case 'state':
        return this.set({ connection: message.connection, savedAt: message.savedAt })
      case 'hello':
        if (!this.leads) return
        this.sendState()
        this.tellTabs({ says: 'waiting', ids: session.queue.map((c) => c.id) })
        return
      case 'waiting': {
        // What this window found on the shelf and nobody waits for was answered meanwhile.
        const known = new Set(message.ids)
        const answered = [...this.fromShelf].filter((id) => !known.has(id))
        this.fromShelf.clear()
        return this.set({ session: settleChanges(session, new Set(answered)) })
      }
      case 'event':
        return this.heard(message.event, message.data)
    }
  }

  // --- who is where ---
  /** Says where this window is; the caller throttles. */
  moveTo(place: Place): void {
    this.whereabouts.moveTo(place)
  }

  /** Says again where this window is, so that others do not think it gone. */
  stillHere(): void {
    if (this.state.present.length > 0) this.whereabouts.tell('here')
  }

  leave(): void {
    this.whereabouts.leave()
  }
}

const STATE_SAYS: Readonly<Record<SpaceState, string>> = {
  live: 'This course was taken back: it can be changed again.',
  archived: 'This course was put away: it can be read, and not changed.',
  removed: 'This course was removed.',
}
