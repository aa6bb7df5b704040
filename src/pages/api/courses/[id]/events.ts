import { presentAtSchema } from '../../../../core/access/presence'
import { personOf } from '../../../../server/auth'
import { endpoint } from '../../../../server/endpoint'
import { asPresent, type LiveEvent, streamOf, streamText, subscribe } from '../../../../server/live'
import { Refusal } from '../../../../server/problem'
import { signedIn } from '../../../../server/request'
import { watchSessions } from '../../../../server/sessions'
import { roleIn } from '../../../../server/space-state'

const BEAT_MS = 15_000
const ACCESS_CHECK_MS = 60_000
/** A reader that is so many events behind is let go; it comes back and asks for what it missed (Cairn default). */
const MOST_BEHIND = 2000

/**
 * An event stream of a course: changes as they are accepted, revisions to ask for, who is where, that roles were changed. It
 * ends when the reader's role or session does. With `?window=`: when it ends, the others are told that this window left, also
 * where it could not say so itself.
 */
export const GET = endpoint({ access: 'course', may: 'plan.read' }, async ({ db, courseId, person, role, url, request }) => {
  const encoder = new TextEncoder()
  let left = false
  let stop = () => {
    left = true
  }
  const stream = new ReadableStream<Uint8Array>({
    async start(controller) {
      let ended = false
      const send = (text: string) => {
        // Two who look whether the reader may still read can both find that it ends.
        if (ended) return
        if ((controller.desiredSize ?? 0) < -MOST_BEHIND) return end()
        controller.enqueue(encoder.encode(text))
      }
      const { headers } = request
      const checkAccess = async () => {
        try {
          signedIn({ person: await personOf(headers) })
          await roleIn(db, courseId, person.id)
        } catch (error) {
          // A database that is away says nothing about who may read.
          if (!(error instanceof Refusal)) return
          send(streamText('gone', ''))
          end()
        }
      }
      // The cookie holds the session's token, with its signature.
      const cookie = headers.get('cookie') ?? ''
      const unwatch = watchSessions((ended) => {
        if (ended === person.id || cookie.includes(ended)) void checkAccess()
      })
      const unsubscribe = await subscribe(courseId, (event: LiveEvent, text) => {
        send(text)
        if (event === 'people') void checkAccess()
      })
      // Who left while it began is not written to.
      if (request.signal.aborted || left) {
        unsubscribe()
        unwatch()
        return
      }
      const window = presentAtSchema.shape.window.safeParse(url.searchParams.get('window')).data
      const leave = window === undefined ? () => {} : streamOf(db, courseId, asPresent(person, role), window)
      const beat = setInterval(() => send(streamText('beat', '')), BEAT_MS)
      const accessCheck = setInterval(() => void checkAccess(), ACCESS_CHECK_MS)
      const shutdown = (globalThis as { [k: symbol]: unknown })[Symbol.for('cairn.shutdown')] as AbortController | undefined
      stop = () => {
        if (ended) return
        ended = true
        unsubscribe()
        unwatch()
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
      send(streamText('revision', ''))
    },
    cancel: () => stop(),
  })
  return new Response(stream, { headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store', 'x-accel-buffering': 'no' } })
})
