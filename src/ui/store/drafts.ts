/**
 * What is being typed, written down as it is typed: a window that is killed loses no more than its last quarter of a second. Fields
 * say by `data-draft` that they hold what is not stored yet, and by `data-of` what they are a field of. What a window left behind is
 * taken up by the next one, or by another that is open.
 */
import type { CourseStore } from './course-store'
import { newId } from './course-store'
import { type DraftShelf, draftShelf } from './draft-shelf'
import { type LeftDraft, outcomeOf, storedText } from './left-draft'

/** So often what is typed is written down (Cairn default). */
const EVERY_MS = 250
/** What a window committed as it went reaches the others within this (Cairn default). */
const AFTER_MS = 1000

const lockOf = (window: string): string => `cairn-draft ${window}`

type Typed = HTMLInputElement | HTMLTextAreaElement
const isTyped = (target: EventTarget | null): target is Typed => target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement

const isDraft = (field: Typed): boolean => field.isConnected && field.dataset['draft'] !== undefined

/** What a field is a field of: it says so itself, or stands in a cell of a record's row. */
function placeOf(field: Typed): string | null {
  if (field.dataset['of']) return field.dataset['of']
  const cell = field.closest<HTMLElement>('[data-field]')
  const record = cell?.closest<HTMLElement>('[data-record]')
  return cell && record ? `${record.dataset['record']} ${cell.dataset['field']}` : null
}

const labelOf = (field: Typed): string => field.getAttribute('aria-label') ?? field.labels?.[0]?.textContent ?? ''

/** Also of a course that did not open: then of whoever opened it last. */
const shelfOf = (store: CourseStore): DraftShelf => draftShelf(store.courseId, store.state.viewer?.id ?? store.lastAccount)

/**
 * Writes down what is typed in this window until the function that comes back is called, and takes up what others left. Where windows
 * cannot say that they live (no locks: no secure address) nothing is, since a text would be taken from under the hands of another.
 */
export function keepDrafts(store: CourseStore): () => void {
  if (!navigator.locks || typeof BroadcastChannel === 'undefined') return () => undefined
  const { locks } = navigator
  const shelf = shelfOf(store)
  const own = newId()
  const kept = new Map<Typed, LeftDraft>()
  const written = new Set<string>()
  let timer: ReturnType<typeof setTimeout> | undefined
  const leaving = new AbortController()
  const channel = new BroadcastChannel(`cairn-drafts ${store.courseId}`)

  const writeDown = () => {
    timer = undefined
    for (const [field, draft] of kept) {
      if (!isDraft(field)) {
        kept.delete(field)
        // Most fields never hold a draft: a filter, a search.
        if (written.delete(draft.key)) void shelf.drop(draft.key)
      } else if (field.value !== draft.text) {
        // A pause may have stored what was written down last: the typing goes on from there.
        const isStored = storedText(store.state.view, draft.of) === draft.text.trim()
        const now = { ...draft, text: field.value, began: isStored ? draft.text.trim() : draft.began }
        kept.set(field, now)
        written.add(draft.key)
        void shelf.put(now)
      }
    }
  }
  const soon = (ms: number) => {
    timer ??= setTimeout(writeDown, ms)
  }
  const onInput = ({ target }: Event) => {
    if (!isTyped(target)) return
    if (!kept.has(target)) {
      const of = placeOf(target)
      const label = labelOf(target)
      const began = storedText(store.state.view, of) ?? ''
      if (kept.size === 0) channel.postMessage(own)
      kept.set(target, { key: `${own} ${of ?? label}`, window: own, of, label, text: began, began })
    }
    soon(EVERY_MS)
  }
  // What was committed, or taken back, is no draft any more: a key that a field keeps to itself as well.
  const onDone = () => {
    if (kept.size === 0) return
    clearTimeout(timer)
    timer = undefined
    soon(0)
  }
  const onKey = ({ key }: KeyboardEvent) => (key === 'Enter' || key === 'Escape' || key === 'Tab') && onDone()

  // The store has left the field by now, which commits what was typed there.
  const onPageHide = () => {
    for (const [field, { key }] of kept) if (!isDraft(field) && written.has(key)) shelf.dropLeaving(key)
  }

  // A window holds its lock as long as it lives: who gets it takes up what it left.
  const heard = new Set<string>([own])
  const hear = (window: string) => {
    if (heard.has(window)) return
    heard.add(window)
    void locks
      .request(lockOf(window), { signal: leaving.signal }, async () => {
        await new Promise((done) => setTimeout(done, AFTER_MS))
        await takeUp(store, shelf, (w) => w === window)
      })
      .catch(() => undefined)
  }
  void locks.request(lockOf(own), () => new Promise<void>((done) => leaving.signal.addEventListener('abort', () => done())))
  channel.addEventListener('message', ({ data }: MessageEvent<string>) => hear(data))
  void (async () => {
    const held = new Set((await locks.query()).held?.map(({ name }) => name))
    await takeUp(store, shelf, (window) => window !== own && !held.has(lockOf(window)))
    for (const { window } of await shelf.all()) if (window !== '') hear(window)
  })()

  document.addEventListener('input', onInput)
  document.addEventListener('focusout', onDone)
  window.addEventListener('pagehide', onPageHide)
  document.addEventListener('keydown', onKey, true)
  return () => {
    clearTimeout(timer)
    leaving.abort()
    channel.close()
    document.removeEventListener('input', onInput)
    document.removeEventListener('focusout', onDone)
    window.removeEventListener('pagehide', onPageHide)
    document.removeEventListener('keydown', onKey, true)
  }
}

/** Puts into the plan what windows left that are gone, and shows what does not go in, until somebody lets it go. */
async function takeUp(store: CourseStore, shelf: DraftShelf, isGone: (window: string) => boolean): Promise<void> {
  for (const draft of (await shelf.all()).filter(({ window }) => isGone(window))) {
    const outcome = outcomeOf(store.state.view, draft, store.may)
    if (outcome.is === 'write') {
      const { kind, id, field, value } = outcome
      store.edit('edit-text', { what: draft.label.toLowerCase() }, (edit) => edit.set(kind, id, { [field]: value }))
      store.say(`What was being typed in “${draft.label}” when a window was closed is in the plan.`, false)
    }
    // Nobody's from now on: it is shown by whichever window comes.
    if (outcome.is === 'tell') await shelf.put({ ...draft, window: '' })
    else await shelf.drop(draft.key)
  }
  const left = (await shelf.all()).filter(({ window }) => window === '')
  store.store.setState({ leftDrafts: left })
}

/** Lets texts go that were shown. */
export async function letDraftsGo(store: CourseStore, drafts: readonly LeftDraft[]): Promise<void> {
  const shelf = shelfOf(store)
  for (const { key } of drafts) await shelf.drop(key)
  store.store.setState({ leftDrafts: store.state.leftDrafts.filter((d) => !drafts.includes(d)) })
}
