import { presentAtSchema } from '../../../../core/access/presence'
import { personOf } from '../../../../server/auth'
import { endpoint } from '../../../../server/endpoint'
import { asPresent, type LiveEvent, streamBytes, streamOf, subscribe, takeStream } from '../../../../server/live'
import { Refusal } from '../../../../server/problem'
import { signedIn } from '../../../../server/request'
import { sessionKey, watchSessions } from '../../../../server/sessions'
import { roleIn } from '../../../../server/space-state'

const BEAT_MS = 15_000
const ACCESS_CHECK_MS = 60_000

/**
 * An event stream of a course: changes as they are accepted, revisions to ask for, who is where, that roles were changed. It
 * ends when the reader's role or session does. With `?window=`: when it ends, the others are told that this window left, also
 * where it could not say so itself.
 */
export const GET = endpoint({ access: 'course', may: 'plan.read' }, async ({ db, courseId, person, role, url, request }) => {
  const headers = { 'content-type': 'text/event-stream', 'cache-control': 'no-store', 'x-accel-buffering': 'no' }
  if (request.method === 'HEAD') return new Response(null, { headers })
  // The cookie holds the session's token, with its signature.
  const cookie = request.headers.get('cookie') ?? ''
  const release = takeStream(sessionKey(cookie), person.id)
  let left = false
  let stop = () => {
    left = true
    release()
  }
  const stream = new ReadableStream<Uint8Array>({
    async start(controller) {
      let ended = false
      const send = (bytes: Uint8Array) => {
        // Two who look whether the reader may still read can both find that it ends.
        if (ended) return
        controller.enqueue(bytes)
      }
      const checkAccess = async () => {
        try {
          signedIn({ person: await personOf(request.headers) })
          await roleIn(db, courseId, person.id)
        } catch (error) {
          // A database that is away says nothing about who may read.
          if (!(error instanceof Refusal)) return
          send(streamBytes('gone', ''))
          end()
        }
      }
      const unwatch = watchSessions((ended) => {
        if (ended === person.id || cookie.includes(ended)) void checkAccess()
      })
      const unsubscribe = await subscribe(courseId, (event: LiveEvent, bytes) => {
        send(bytes)
        if (event === 'people') void checkAccess()
      })
      // Who left while it began is not written to.
      if (request.signal.aborted || left) {
        unsubscribe()
        unwatch()
        release()
        return
      }
      const window = presentAtSchema.shape.window.safeParse(url.searchParams.get('window')).data
      const leave = window === undefined ? () => {} : streamOf(db, courseId, asPresent(person, role), window)
      const beat = setInterval(() => send(streamBytes('beat', '')), BEAT_MS)
      const accessCheck = setInterval(() => void checkAccess(), ACCESS_CHECK_MS)
      const shutdown = (globalThis as { [k: symbol]: unknown })[Symbol.for('cairn.shutdown')] as AbortController | undefined
      stop = () => {
        if (ended) return
        ended = true
        unsubscribe()
        unwatch()
        release()
        if (!shutdown?.signal.aborted) leave()
        clearInterval(beat)
        clearInterval(accessCheck)
        shutdown?.signal.removeEventListener('abort', end)
      }
      function end() {
        stop()
        try {
          controller.close()
        } catch {
          // Closed by the reader already.
        }
      }
      request.signal.addEventListener('abort', stop)
      shutdown?.signal.addEventListener('abort', end, { once: true })
      send(streamBytes('revision', ''))
    },
    cancel: () => stop(),
  })
  return new Response(stream, { headers })
})
