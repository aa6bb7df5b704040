/**
 * The store of one open course: the session, its sending and receiving, the draft, and the analysis from the worker. It lives
 * until the course is left.
 */
import { createContext, useContext } from 'react'
import { createStore, type StoreApi, useStore } from 'zustand'
import { applyChange } from '../../core/blueprint/apply'
import { anyRecord, type Blueprint, blueprintOf, EMPTY_BLUEPRINT, patchBlueprint, type Records } from '../../core/blueprint/blueprint'
import type { Change, Operation } from '../../core/blueprint/change'
import type { Conflict } from '../../core/blueprint/decide'
import { editPlan, type PlanEdit } from '../../core/blueprint/edit'
import { idSource } from '../../core/blueprint/ids'
import type { KindName, RecordRef } from '../../core/blueprint/kinds'
import { parseChange } from '../../core/blueprint/schema'
import type { Analysis } from '../../core/findings/analyse'
import type { Finding } from '../../core/findings/finding'
import { mayWrite, type Role } from '../../core/roles'
import { AnalysisClient } from './analysis-client'
import { keepQueue, keptQueue } from './kept-queue'
import { labelOf } from './labels'
import {
  advance,
  bringBackOperations,
  type ConflictEntry,
  commit,
  dismissConflicts,
  dropTop,
  type LoggedChange,
  rebase,
  refuse,
  retryOperations,
  type Session,
  startSession,
} from './session'

export type Viewer = { readonly role: Role; readonly name: string; readonly email: string }
export type Draft = RecordRef & { readonly field: string; readonly value: unknown }

export type CourseState = {
  readonly courseId: string
  readonly status: 'loading' | 'ready' | 'missing' | 'failed'
  readonly viewer: Viewer | null
  readonly session: Session
  readonly view: Blueprint
  readonly analysis: Analysis | null
  readonly byRecord: ReadonlyMap<string, readonly Finding[]>
  readonly connection: 'online' | 'offline' | 'signed-out'
  readonly savedAt: string | null
  /** What was last done or refused, for the live region and the notice. */
  readonly notice: { readonly text: string; readonly n: number; readonly alert: boolean } | null
}

export const newId = idSource(() => {
  const [n] = crypto.getRandomValues(new Uint32Array(1))
  return (n ?? 0) / 2 ** 32
})

/** Under the 64 KiB that the fetch standard allows, in characters of up to four bytes. */
const KEEPALIVE_CHARACTERS = 15_000
const RETRY_MS = [500, 1000, 2000, 5000, 10_000]
const EMPTY_ANALYSIS: Analysis | null = null

export class CourseStore {
  readonly store: StoreApi<CourseState>
  private readonly base: string
  private flying: string | null = null
  private pulling: Promise<void> | null = null
  private pullAgain = false
  private retries = 0
  private retryTimer: ReturnType<typeof setTimeout> | undefined
  private events: EventSource | undefined
  private draft: Draft | null = null
  private typedOver: Blueprint | null = null
  private readonly worker: AnalysisClient
  private readonly lastAuthor = new Map<string, string>()

  constructor(readonly courseId: string) {
    this.base = `/api/courses/${encodeURIComponent(courseId)}`
    const session = startSession(EMPTY_BLUEPRINT, 0)
    this.store = createStore<CourseState>(() => ({
      courseId,
      status: 'loading',
      viewer: null,
      session,
      view: session.view,
      analysis: EMPTY_ANALYSIS,
      byRecord: new Map(),
      connection: 'online',
      savedAt: null,
      notice: null,
    }))
    this.worker = new AnalysisClient((analysis, byRecord) => this.store.setState({ analysis, byRecord }))
  }

  get state(): CourseState {
    return this.store.getState()
  }

  /** Loads the course, takes up changes that an earlier window could not send, and listens. */
  async open(): Promise<void> {
    try {
      const response = await fetch(this.base)
      if (response.status === 404) return this.store.setState({ status: 'missing' })
      if (response.status === 401) return window.location.assign(`/sign-in?to=${encodeURIComponent(window.location.pathname)}`)
      if (!response.ok) return this.store.setState({ status: 'failed' })
      const body = (await response.json()) as { viewer: Viewer; revision: number; records: Records }
      const queue = await keptQueue(this.courseId)
      this.setSession(startSession(blueprintOf(body.records), body.revision, queue))
      this.store.setState({ status: 'ready', viewer: body.viewer })
      this.listen()
      void this.flush()
    } catch {
      this.store.setState({ status: 'failed' })
    }
  }

  /** Shows a plan without a server: nothing is sent. */
  show(blueprint: Blueprint, viewer: Viewer): void {
    this.flying = 'never'
    this.store.setState({ status: 'ready', viewer })
    this.setSession(startSession(blueprint, 0))
  }

  close(): void {
    this.events?.close()
    clearTimeout(this.retryTimer)
    window.removeEventListener('online', this.onOnline)
    window.removeEventListener('pagehide', this.onPageHide)
    document.removeEventListener('input', this.onInput)
    document.removeEventListener('focusin', this.onFocusIn)
    document.removeEventListener('focusout', this.onFocusOut)
    this.worker.close()
  }

  private setSession(session: Session): void {
    const before = this.state.session
    this.store.setState({ session, view: session.view })
    if (before.queue !== session.queue) void keepQueue(this.courseId, session.queue)
    this.analyse()
  }

  private analyse(): void {
    const { view } = this.state
    const record = this.draft && anyRecord(view, this.draft)
    this.worker.send(
      this.draft && record
        ? patchBlueprint(view, {
            set: [{ kind: this.draft.kind, record: { ...record, [this.draft.field]: this.draft.value } }],
            removed: [],
          })
        : view,
    )
  }

  /** What somebody is typing, seen by the analysis and by nobody else. */
  setDraft(draft: Draft | null): void {
    if (draft === null && this.draft === null) return
    this.draft = draft
    this.analyse()
  }

  readonly may = (kind: KindName): boolean => {
    const role = this.state.viewer?.role
    return role !== undefined && mayWrite(role, kind)
  }

  /**
   * Edits the plan: the one way in for every view. Returns whether anything changed. While a field is being typed in, the
   * edit is judged against what stood there when the typing began.
   */
  edit(code: string, params: Change['params'], work: (edit: PlanEdit) => void): boolean {
    const operations = editPlan(this.state.view, work, this.typedOver ?? this.state.view)
    const posted = this.post({ id: newId(), code, params, onConflict: 'refuse', operations }, 'edit')
    if (this.typedOver) this.typedOver = this.state.view
    return posted
  }

  /** Sets the plan back to something it was, as a new change; what somebody changed since is left as it is and told. */
  restore(params: Change['params'], operations: readonly Operation[], word: string): void {
    if (operations.length === 0) return this.say('It is so already.', false)
    const change: Change = { id: newId(), code: 'restore', params, onConflict: 'skip', operations }
    const tried = applyChange(this.state.view, change)
    const skipped = tried.ok ? tried.skipped.length : 0
    if (!this.post(change, 'edit')) return this.say('This was changed since and is left as it is.', true)
    this.say(
      `${word}: ${String(params['what'])}. Ctrl+Z takes it back.${skipped > 0 ? ` ${skipped} of ${operations.length} changed since and left as they are.` : ''}`,
      false,
    )
  }

  /** Follows the focus: a field that is typed in keeps the plan as it was at its first key. */
  private readonly onInput = () => {
    this.typedOver ??= this.state.view
  }
  private readonly onFocusIn = ({ target }: FocusEvent) => {
    this.typedOver = target instanceof HTMLElement && target.dataset.draft !== undefined ? this.state.view : null
  }
  // React has let the field commit before this reaches the document.
  private readonly onFocusOut = () => {
    this.typedOver = null
  }
  // Leaving the page ends the typing, so that what was typed is in the kept queue.
  private readonly onPageHide = () => {
    if (document.activeElement instanceof HTMLElement) document.activeElement.blur()
  }

  private post(change: Change, kind: 'edit' | 'undo' | 'redo'): boolean {
    if (change.operations.length === 0) return false
    const forbidden = change.operations.find((o) => !this.may(o.kind))
    if (forbidden) {
      this.say('Your role in this course may not change this.', true)
      return false
    }
    // The server's own test of the shape, so that nothing waits that would be refused for it.
    const shape = parseChange(change)
    if (!shape.ok) {
      this.say(`Not stored: ${shape.error[0]?.message ?? 'this cannot be stored'}`, true)
      return false
    }
    const next = commit(this.state.session, change, kind)
    if (next === this.state.session) {
      const tried = applyChange(this.state.view, change)
      if (!tried.ok) this.keepConflict({ ...next, queue: [...next.queue, change] }, change, tried.conflicts)
      return false
    }
    if (this.draft && change.operations.some((o) => o.op === 'update' && o.id === this.draft?.id)) this.draft = null
    this.setSession(next)
    void this.flush()
    return true
  }

  undo(): void {
    this.takeBack('undo')
  }

  redo(): void {
    this.takeBack('redo')
  }

  private takeBack(kind: 'undo' | 'redo'): void {
    const entry = this.state.session[kind].at(-1)
    if (!entry) return this.say(kind === 'undo' ? 'Nothing to undo.' : 'Nothing to redo.', false)
    const change: Change = { id: newId(), code: entry.code, params: entry.params, onConflict: 'skip', operations: entry.operations }
    const tried = applyChange(this.state.view, change)
    const skipped = tried.ok ? tried.skipped.length : 0
    const word = kind === 'undo' ? 'Undone' : 'Redone'
    if (!this.post(change, kind)) {
      this.setSession(dropTop(this.state.session, kind))
      return this.say(
        skipped > 0
          ? `This was changed by somebody else since and is left as it is: ${labelOf(entry)}.`
          : `Nothing left to ${kind}: ${labelOf(entry)}.`,
        true,
      )
    }
    this.say(
      skipped > 0
        ? `${word}: ${labelOf(entry)}. ${skipped} of ${entry.operations.length} changed since and left as they are.`
        : `${word}: ${labelOf(entry)}.`,
      false,
    )
  }

  say(text: string, alert: boolean): void {
    this.store.setState({ notice: { text, n: (this.state.notice?.n ?? 0) + 1, alert } })
  }

  clearNotice(): void {
    this.store.setState({ notice: null })
  }

  /** Writes an own value over somebody else's after all. */
  takeMine(entry: ConflictEntry): void {
    const operations = retryOperations(this.state.session, entry)
    this.setSession(dismissConflicts(this.state.session, [entry.key]))
    if (operations.length > 0) this.post({ id: newId(), code: 'resolve-conflict', params: {}, onConflict: 'refuse', operations }, 'edit')
  }

  keepTheirs(entry: ConflictEntry): void {
    this.setSession(dismissConflicts(this.state.session, [entry.key]))
  }

  bringBack(entry: ConflictEntry): void {
    const operations = bringBackOperations(this.state.session, entry)
    if (!operations) return this.say('It cannot be brought back from here: it was removed before this window opened the course.', true)
    this.post({ id: newId(), code: 'bring-back', params: {}, onConflict: 'skip', operations }, 'edit')
    this.takeMine(entry)
  }

  /** Sends the queue, one change at a time. */
  private async flush(): Promise<void> {
    const change = this.state.session.queue[0]
    if (!change || this.flying !== null) return
    this.flying = change.id
    clearTimeout(this.retryTimer)
    try {
      const body = JSON.stringify(change)
      const response = await fetch(`${this.base}/changes`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body,
        // A change made as the page is left still arrives; browsers allow this for small bodies.
        keepalive: body.length < KEEPALIVE_CHARACTERS,
      })
      this.retries = 0
      if (response.ok) await this.accepted(change, (await response.json()) as { revision: number; at: string; operations: Operation[] })
      else await this.refused(change, response)
      this.flying = null
      void this.flush()
    } catch {
      this.flying = null
      this.offline()
    }
  }

  private async accepted(change: Change, answer: { revision: number; at: string; operations: Operation[] }): Promise<void> {
    const logged: LoggedChange = { ...answer, changeId: change.id, author: '', mine: true, code: change.code, params: change.params }
    if (answer.revision === this.state.session.revision + 1) this.setSession(advance(this.state.session, [logged]))
    else if (answer.revision > this.state.session.revision) await this.pull()
    // An answer from the store of answers: the log was read past it before.
    if (this.state.session.queue.some((c) => c.id === change.id))
      this.setSession({
        ...rebase(
          { ...this.state.session, queue: this.state.session.queue.filter((c) => c.id !== change.id) },
          this.state.session.confirmed,
          this.state.session.revision,
        ),
      })
    this.store.setState({ connection: 'online', savedAt: answer.at })
  }

  private async refused(change: Change, response: Response): Promise<void> {
    if (response.status === 401) {
      this.store.setState({ connection: 'signed-out' })
      throw new Error('signed out')
    }
    if (response.status >= 500) throw new Error('server')
    const problem = (await response.json().catch(() => ({}))) as { title?: string; conflicts?: Conflict[] }
    await this.pull()
    if (!this.keepConflict(this.state.session, change, problem.conflicts ?? []))
      this.say(`Not saved: ${problem.title ?? 'the server refused this change'}`, !problem.conflicts)
  }

  /** Takes a refused change out of the queue; what it wanted goes to the conflicts. Returns whether there is one to see. */
  private keepConflict(session: Session, change: Change, conflicts: readonly Conflict[]): boolean {
    const authorOf = (ref: RecordRef) => this.lastAuthor.get(`${ref.kind} ${ref.id}`) ?? null
    this.setSession(refuse(session, change.id, conflicts, authorOf))
    if (this.state.session.conflicts.length <= session.conflicts.length) return false
    this.say('Somebody changed the same thing. Both values are kept: choose under Conflicts.', true)
    return true
  }

  private offline(): void {
    if (this.state.connection !== 'signed-out') this.store.setState({ connection: 'offline' })
    clearTimeout(this.retryTimer)
    this.retryTimer = setTimeout(() => void this.retry(), RETRY_MS[Math.min(this.retries++, RETRY_MS.length - 1)])
  }

  private async retry(): Promise<void> {
    await this.pull().catch(() => undefined)
    if (this.state.session.queue.length > 0) void this.flush()
    else if (this.state.connection !== 'online') this.offline()
  }

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
      const response = await fetch(`${this.base}/changes?since=${this.state.session.revision}`)
      if (!response.ok) throw new Error(String(response.status))
      const changes = (await response.json()) as LoggedChange[]
      if (this.state.connection === 'offline') this.store.setState({ connection: 'online' })
      if (changes.length === 0) continue
      this.pullAgain = true
      for (const c of changes)
        if (!c.mine) for (const o of c.operations) this.lastAuthor.set(`${o.kind} ${o.op === 'update' ? o.id : o.record.id}`, c.author)
      this.setSession(advance(this.state.session, changes))
    }
  }

  private listen(): void {
    this.events = new EventSource(`${this.base}/events`)
    this.events.addEventListener('revision', ({ data }: MessageEvent<string>) => {
      if (data === '' || Number(data) > this.state.session.revision) void this.pull().catch(() => this.offline())
    })
    this.events.addEventListener('error', () => this.offline())
    window.addEventListener('online', this.onOnline)
    window.addEventListener('pagehide', this.onPageHide)
    document.addEventListener('input', this.onInput)
    document.addEventListener('focusin', this.onFocusIn)
    document.addEventListener('focusout', this.onFocusOut)
  }

  private readonly onOnline = () => void this.retry()
}

const StoreContext = createContext<CourseStore | null>(null)
export const StoreProvider = StoreContext.Provider

/** The store of the open course. Throws outside of one (a bug). */
export function useCourseStore(): CourseStore {
  const store = useContext(StoreContext)
  if (!store) throw new Error('no course is open here')
  return store
}

/** A slice of the course's state; the component renders again when the slice changes identity. */
export const useCourse = <T>(select: (state: CourseState) => T): T => useStore(useCourseStore().store, select)
