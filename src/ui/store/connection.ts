/** The line to the server: what it may be like, and the event stream. */

/**
 * `online`; `offline`: not reached; `unable`: reached, but it cannot store; `signed-out`; `other-account`: somebody else signed
 * in in this browser; `no-role`: the person's role in the course was withdrawn.
 */
export type Connection = 'online' | 'offline' | 'unable' | 'signed-out' | 'other-account' | 'no-role'

export const STREAM_EVENTS = ['revision', 'change', 'presence', 'people', 'beside', 'gone', 'beat'] as const
export type StreamHandlers = { readonly event: (name: string, data: string) => void; readonly broken: () => void }
export type Stream = { readonly close: () => void; readonly isClosed: () => boolean }
export type OpenStream = (path: string, on: StreamHandlers) => Stream

type Source = Pick<EventSource, 'addEventListener' | 'close' | 'readyState'>

/** A stream over anything that behaves like the browser's EventSource. */
export const streamOver =
  (make: (path: string) => Source): OpenStream =>
  (path, on) => {
    const source = make(path)
    for (const name of STREAM_EVENTS)
      source.addEventListener(name, ((e: MessageEvent<string>) => on.event(name, e.data)) as (e: Event) => void)
    source.addEventListener('error', () => on.broken())
    return { close: () => source.close(), isClosed: () => source.readyState === 2 }
  }

export const browserStream: OpenStream = streamOver((path) => new EventSource(path))
