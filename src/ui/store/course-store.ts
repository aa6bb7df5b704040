/**
 * The store of one open course: what the line to the server knows (sync.ts), the draft, and the analysis from the worker. It
 * lives until the course is left.
 */

import { createContext, useContext, useMemo } from 'react'
import { createStore, type StoreApi, useStore } from 'zustand'
import { type Ability, may, mayMake, mayWrite } from '../../core/access/abilities'
import { PRESENCE_AGAIN_MS } from '../../core/access/presence'
import type { Snapshot } from '../../core/beside/snapshot'
import { applyChange } from '../../core/blueprint/apply'
import { anyRecord, type Blueprint, blueprintOf, EMPTY_BLUEPRINT, patchBlueprint } from '../../core/blueprint/blueprint'
import type { Change, Operation } from '../../core/blueprint/change'
import { editPlan, type PlanEdit } from '../../core/blueprint/edit'
import { idSource } from '../../core/blueprint/ids'
import type { KindName, RecordRef } from '../../core/blueprint/kinds'
import { parseChange } from '../../core/blueprint/schema'
import { storableChange } from '../../core/blueprint/storable'
import { type EditCode, type EditFacts, labelOf } from '../../core/edits/registry'
import type { Analysis } from '../../core/findings/analyse'
import type { Finding } from '../../core/findings/finding'
import { withoutLostLinks } from '../../core/history/past'
import { type ModuleWord, moduleWordOf } from '../../core/plan/module-word'
import { inOffering } from '../../core/plan/offering'
import type { Trial } from '../../workers/analysis-messages'
import type { Reviewed } from '../../workers/review-of-plan'
import { AnalysisClient } from './analysis-client'
import { type ConflictEntry, needsBack, withMine } from './conflict-entries'
import { browserStream } from './connection'
import type { LeftDraft } from './left-draft'
import { commit, dismissConflicts, dropTop, operationsOf, startSession, type UndoEntry } from './session'
import { browserShelf } from './shelf'
import { Sync } from './sync'
import type { SyncState, Viewer } from './sync-state'
import { browserTabs } from './tabs'
import { Typing } from './typing'

export type { Viewer }
export type Draft = RecordRef & { readonly field: string; readonly value: unknown }

export type CourseState = SyncState & {
  readonly courseId: string
  readonly view: Blueprint
  /** The offering that the plan is seen in, where one was chosen. */
  readonly offering: string | null
  /** The snapshot that is shown; null for the plan as it is. */
  readonly frozen: Snapshot | null
  readonly analysis: Analysis | null
  readonly byRecord: ReadonlyMap<string, readonly Finding[]>
  /** The figures of the review that is looked at. */
  readonly reviewed: Reviewed | null
  /** The step that was last taken back or done again. */
  readonly tookBack: { readonly operations: readonly Operation[]; readonly madeIn: string } | null
  /** What was being typed in windows that went away at once, and is in no plan. */
  readonly leftDrafts: readonly LeftDraft[]
  /** What was last done or refused, for the live region and the notice. */
  readonly notice: {
    readonly text: string
    readonly n: number
    readonly alert: boolean
    readonly actions: readonly NoticeAction[]
  } | null
}
/** What can be done about what was just done. */
export type NoticeAction = { readonly label: string; readonly run: () => void }

export const newId = idSource(() => {
  const [n] = crypto.getRandomValues(new Uint32Array(1))
  return (n ?? 0) / 2 ** 32
})

const READING: ReadonlySet<Ability> = new Set(['plan.read', 'comment.read'])

export class CourseStore {
  readonly store: StoreApi<CourseState>
  private readonly sync: Sync
  private draft: Draft | null = null
  /** In which view each change of this window was made. */
  private readonly madeIn = new Map<string, string>()
  private readonly typing: Typing
  private readonly worker: AnalysisClient
  private staying: ReturnType<typeof setInterval> | undefined

  /** With the id of one of its snapshots: the course as it was then, read-only. */
  constructor(
    readonly courseId: string,
    readonly snapshotId: string | null = null,
  ) {
    this.sync = new Sync(courseId, {
      fetch: (path, init) => fetch(path, init),
      openStream: browserStream,
      openTabs: browserTabs,
      shelf: browserShelf(courseId),
      signIn: () => window.location.assign(`/sign-in?to=${encodeURIComponent(window.location.pathname)}`),
      changed: (patch) => this.follow(patch),
      say: (text, alert) => this.say(text, alert),
      windowId: newId(),
      now: () => Date.now(),
    })
    this.store = createStore<CourseState>(() => ({
      ...this.sync.state,
      courseId,
      view: EMPTY_BLUEPRINT,
      offering: null,
      frozen: null,
      analysis: null,
      byRecord: new Map(),
      reviewed: null,
      tookBack: null,
      leftDrafts: [],
      notice: null,
    }))
    this.typing = new Typing(
      () => this.state.view,
      (place) => this.sync.moveTo(place),
    )
    this.worker = new AnalysisClient(
      (analysis, byRecord) => this.store.setState({ analysis, byRecord }),
      (reviewed) => this.store.setState({ reviewed }),
    )
  }

  get state(): CourseState {
    return this.store.getState()
  }

  /** The account, also where the course did not open. */
  get lastAccount(): string {
    return this.sync.lastAccount
  }

  private follow(patch: Partial<SyncState>): void {
    this.store.setState(patch.session ? { ...patch, view: inOffering(patch.session.view, this.state.offering) } : patch)
    if (patch.session) this.analyse()
  }

  /** Shows the plan in one of its offerings; null: in the first. */
  chooseOffering(id: string | null): void {
    if (id === this.state.offering) return
    this.store.setState({ offering: id, view: inOffering(this.state.session.view, id) })
    this.analyse()
  }

  /** Loads the course, takes up changes that an earlier window could not send, and listens. */
  async open(): Promise<void> {
    if (this.snapshotId !== null) return this.openSnapshot(this.snapshotId)
    await this.sync.open()
    window.addEventListener('online', this.onOnline)
    window.addEventListener('pagehide', this.onPageHide)
    document.addEventListener('visibilitychange', this.onVisibility)
    this.typing.listen()
    this.staying = setInterval(() => document.visibilityState === 'visible' && this.sync.stillHere(), PRESENCE_AGAIN_MS)
  }

  private async openSnapshot(id: string): Promise<void> {
    const { fetchSnapshot } = await import('./fetch-snapshot')
    const found = await fetchSnapshot(this.courseId, id)
    if (typeof found === 'string') return this.store.setState({ status: found })
    this.store.setState({ frozen: found.snapshot })
    // As a course that is put away: what changes something is not offered.
    this.show(blueprintOf(found.records), { ...found.viewer, state: 'archived' })
  }

  /** Shows a plan without a server: nothing is sent. */
  show(blueprint: Blueprint, viewer: Viewer): void {
    this.sync.show(startSession(blueprint, 0), viewer)
  }

  close(): void {
    this.sync.close()
    this.typing.close()
    clearInterval(this.staying)
    window.removeEventListener('online', this.onOnline)
    window.removeEventListener('pagehide', this.onPageHide)
    document.removeEventListener('visibilitychange', this.onVisibility)
    this.worker.close()
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
      this.draft !== null,
      this.state.offering,
    )
  }

  /** Gets the records of a kind that is loaded when asked; rejects where they do not come. */
  ask(kind: KindName): Promise<void> {
    return this.sync.ask(kind)
  }

  /** What findings would come and go if the plan were another; null where something else was tried meanwhile. */
  try(blueprint: Blueprint): Promise<Trial | null> {
    return this.worker.try(blueprint)
  }

  /** Resolves when all that was written so far is at the server; without a line, when there is one again. */
  settled(): Promise<void> {
    const isSent = () => this.state.session.queue.length === 0
    return new Promise((resolve) => {
      if (isSent()) return resolve()
      const stop = this.store.subscribe(() => {
        if (!isSent()) return
        stop()
        resolve()
      })
    })
  }

  /** Asks for the figures of a round of review, kept up with the plan; null: for none. */
  askReview(of: Parameters<AnalysisClient['askReview']>[0]): void {
    this.worker.askReview(of)
  }

  /** Has the findings know of a round of review while nobody looks at one; null: of none. */
  watchReview(of: Parameters<AnalysisClient['watchReview']>[0]): void {
    this.worker.watchReview(of)
  }

  /** What somebody is typing, seen by the analysis and by nobody else. */
  setDraft(draft: Draft | null): void {
    if (draft === null && this.draft === null) return
    this.draft = draft
    this.analyse()
  }

  /** Whether the viewer may write records of a kind, or one field of them. */
  readonly may = (kind: KindName, field?: string): boolean => {
    const { viewer } = this.state
    return viewer !== null && (viewer.state ?? 'live') === 'live' && mayWrite(viewer.role, kind, field)
  }

  /** Whether the viewer may do what an ability names: in a course that is put away only what changes nothing. */
  has(ability: Ability): boolean {
    const { viewer } = this.state
    return (
      viewer !== null &&
      viewer.seatId === undefined &&
      may(viewer.role, ability) &&
      ((viewer.state ?? 'live') === 'live' || READING.has(ability))
    )
  }

  /**
   * Edits the plan: the one way in for every view. Returns whether anything changed. While a field is being typed in, the
   * edit is judged against what stood there when the typing began.
   */
  edit<C extends EditCode>(code: C, params: EditFacts<C>, work: (edit: PlanEdit) => void): boolean {
    const operations = editPlan(this.state.view, work, this.typing.began ?? this.state.view)
    const posted = this.post({ id: newId(), code, params, onConflict: 'refuse', operations }, 'edit')
    this.typing.goesOn()
    return posted
  }

  /** Sets the plan back to something it was, as a new change; what somebody changed since is left as it is and told. */
  restore(params: Change['params'], operations: readonly Operation[], word: string): void {
    if (operations.length === 0) return this.say('It is so already.', false)
    const change: Change = {
      id: newId(),
      code: 'restore',
      params,
      onConflict: 'skip',
      operations: withoutLostLinks(this.state.view, operations),
    }
    const tried = applyChange(this.state.view, change)
    const skipped = tried.ok ? tried.skipped.length : 0
    if (!this.post(change, 'edit')) return this.say('This was changed since and is left as it is.', true)
    this.say(
      `${word}: ${String(params['what'])}. Ctrl+Z takes it back.${skipped > 0 ? ` ${skipped} of ${operations.length} changed since and left as they are.` : ''}`,
      false,
    )
  }

  // Leaving the page ends the typing, so that what was typed is in the kept queue.
  private readonly onPageHide = () => {
    if (document.activeElement instanceof HTMLElement) document.activeElement.blur()
    this.sync.leave()
  }
  private readonly onOnline = () => this.sync.retryNow()
  private readonly onVisibility = () => {
    if (document.visibilityState !== 'visible') return this.sync.leave()
    // Somebody looks at the window again: perhaps after signing in in another one.
    if (this.state.connection !== 'online') this.sync.retryNow()
    this.typing.move()
  }

  private post(made: Change, kind: 'edit' | 'undo' | 'redo'): boolean {
    const change = storableChange(made)
    if (change.operations.length === 0) return false
    const { viewer } = this.state
    const forbidden = change.operations.find((o) => !this.may(o.kind) && !(viewer && this.has('plan.read') && mayMake(viewer.role, o)))
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
    const { session } = this.state
    this.madeIn.set(change.id, window.location.pathname)
    const next = commit(session, change, kind, kind === 'edit' ? this.typing.sitting() : null)
    if (next === session) {
      const tried = applyChange(this.state.view, change)
      if (!tried.ok) this.sync.conflict({ ...session, queue: [...session.queue, change] }, change, tried.conflicts)
      return false
    }
    if (this.draft && change.operations.some((o) => o.op === 'update' && o.id === this.draft?.id)) this.draft = null
    this.sync.queued(next, change)
    return true
  }

  undo(): void {
    this.takeBack('undo')
  }

  /** Takes back the last step if it is of this kind; says so where something else was done since. */
  undoLast(code: EditCode): boolean {
    if (this.state.session.undo.at(-1)?.code === code) {
      this.undo()
      return true
    }
    this.say('Something else was done since. Take it back first.', true)
    return false
  }

  redo(): void {
    this.takeBack('redo')
  }

  private takeBack(kind: 'undo' | 'redo'): void {
    // What came to be as it was is no step.
    while (this.state.session[kind].length > 0 && operationsOf(this.state.session[kind].at(-1) as UndoEntry).length === 0)
      this.sync.own(dropTop(this.state.session, kind))
    const entry = this.state.session[kind].at(-1)
    if (!entry) return this.say(kind === 'undo' ? 'Nothing to undo.' : 'Nothing to redo.', false)
    const change: Change = { id: newId(), code: entry.code, params: entry.params, onConflict: 'skip', operations: operationsOf(entry) }
    const tried = applyChange(this.state.view, change)
    const skipped = tried.ok ? tried.skipped.length : 0
    const word = kind === 'undo' ? 'Undone' : 'Redone'
    if (!this.post(change, kind)) {
      this.sync.own(dropTop(this.state.session, kind))
      return this.say(
        skipped > 0
          ? `This was changed by somebody else since and is left as it is: ${labelOf(entry)}.`
          : `Nothing left to ${kind}: ${labelOf(entry)}.`,
        true,
      )
    }
    this.store.setState({ tookBack: { operations: change.operations, madeIn: this.madeIn.get(entry.steps.at(-1)?.changeId ?? '') ?? '' } })
    this.say(
      skipped > 0
        ? `${word}: ${labelOf(entry)}. ${skipped} of ${change.operations.length} changed since and left as they are.`
        : `${word}: ${labelOf(entry)}.`,
      false,
    )
  }

  say(text: string, alert: boolean, ...actions: readonly NoticeAction[]): void {
    this.store.setState({ notice: { text, n: (this.state.notice?.n ?? 0) + 1, alert, actions } })
  }

  clearNotice(): void {
    this.store.setState({ notice: null })
  }

  /**
   * Writes own values over somebody else's after all, as one change, with what must come back for it. What cannot be written, or
   * may not be by this person, goes on waiting.
   */
  takeMine(entries: readonly ConflictEntry[]): void {
    const { view } = this.state
    const allowed = entries.filter((e) => this.mayTake(e))
    const { operations, unmet } = withMine(view, allowed)
    const change: Change = { id: newId(), code: 'resolve-conflict', params: {}, onConflict: 'refuse', operations }
    if (operations.length > 0 && !this.post(change, 'edit')) return
    this.dismiss(allowed.filter((e) => !unmet.includes(e)))
    if (allowed.length < entries.length) this.say('What was removed can be brought back by a designer. Yours waits here.', true)
    else if (unmet.length > 0) this.say('Not written yet: what it belongs to is not in the plan.', true)
  }

  /** Whether what must come back for an entry is this person's to write. */
  mayTake(entry: ConflictEntry): boolean {
    return !needsBack(this.state.view, entry) || entry.removals.flat().every((o) => this.may(o.kind))
  }

  keepTheirs(entries: readonly ConflictEntry[]): void {
    this.dismiss(entries)
  }

  /** Writes what was put together by hand from both. */
  takeByHand(entry: ConflictEntry, value: unknown): void {
    this.takeMine([{ ...entry, wanted: value }])
  }

  private dismiss(entries: readonly ConflictEntry[]): void {
    const keys = entries.map((e) => e.key)
    this.sync.aside(dismissConflicts(this.state.session, keys))
  }

  /** Lets changes go that could not be sent. */
  letGo(changeIds: readonly string[]): void {
    this.sync.letGo(changeIds)
  }
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

/** Small plain data of the course's state, by its content: the component renders again when that changes. */
export function useCourseData<T>(select: (state: CourseState) => T): T {
  const text = useCourse((s) => JSON.stringify(select(s)))
  return useMemo(() => JSON.parse(text) as T, [text])
}

/** Whether the viewer may do what an ability names, as {@link CourseStore.has} says. */
export const useMay = (ability: Ability): boolean => {
  const store = useCourseStore()
  useCourse((s) => s.viewer)
  return store.has(ability)
}

/** What the course calls a module. */
export const useModuleWord = (): ModuleWord => useCourse((s) => moduleWordOf(s.view))
