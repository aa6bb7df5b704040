/** Windows of one browser on one course and account: they tell each other what happens, and one of them talks with the server. */
import type { Change } from '../../core/blueprint/change'
import type { Connection } from './connection'
import type { LoggedChange } from './session'
import type { Aside } from './shelf'

export type TabMessage =
  | { readonly says: 'queued'; readonly change: Change }
  | { readonly says: 'accepted'; readonly changes: readonly LoggedChange[] }
  /** Out of the queue: stored, or refused. */
  | { readonly says: 'settled' | 'dropped'; readonly ids: readonly string[] }
  | { readonly says: 'aside'; readonly aside: Aside }
  | { readonly says: 'state'; readonly connection: Connection; readonly savedAt: string | null }
  | { readonly says: 'hello' }
  /** The answer to hello: what really waits. */
  | { readonly says: 'waiting'; readonly ids: readonly string[] }
  | { readonly says: 'event'; readonly event: string; readonly data: string }

export type Tabs = { readonly send: (message: TabMessage) => void; readonly close: () => void }
export type OpenTabs = (name: string, on: { message: (m: TabMessage) => void; lead: () => void }) => Tabs

/** Windows of this browser. Where it has no locks (no secure address), each window talks for itself. */
export const browserTabs: OpenTabs = (name, on) => {
  if (!navigator.locks || typeof BroadcastChannel === 'undefined') return aloneTabs(name, on)
  const channel = new BroadcastChannel(name)
  channel.addEventListener('message', ({ data }: MessageEvent<TabMessage>) => on.message(data))
  const leaving = new AbortController()
  let release = () => {}
  navigator.locks
    .request(name, { signal: leaving.signal }, () => {
      on.lead()
      return new Promise<void>((resolve) => {
        release = resolve
      })
    })
    .catch(() => undefined)
  return {
    send: (message) => channel.postMessage(message),
    close: () => {
      leaving.abort()
      release()
      channel.close()
    },
  }
}

/** One window, or one client that is no browser. */
export const aloneTabs: OpenTabs = (_name, on) => {
  queueMicrotask(on.lead)
  return { send: () => undefined, close: () => undefined }
}
