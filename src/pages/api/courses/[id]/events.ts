import type { APIRoute } from 'astro'
import { roleIn } from '../../../../server/courses'
import { type LiveEvent, streamText, subscribe } from '../../../../server/live'
import { Refusal } from '../../../../server/problem'
import { courseAccess } from '../../../../server/request'

const BEAT_MS = 15_000
const ROLE_CHECK_MS = 60_000
/** A reader that is so many events behind is let go; it comes back and asks for what it missed (Cairn default). */
const MOST_BEHIND = 2000

/**
 * An event stream of a course: changes as they are accepted, revisions to ask for, who is where, that roles were changed. It
 * ends when the reader's role does.
 */
export const GET: APIRoute = async (context) => {
  const { db, courseId, person } = await courseAccess(context)
  const encoder = new TextEncoder()
  let stop = () => {}
  const stream = new ReadableStream<Uint8Array>({
    async start(controller) {
      const send = (text: string) => {
        if ((controller.desiredSize ?? 0) < -MOST_BEHIND) return end()
        controller.enqueue(encoder.encode(text))
      }
      const checkRole = () =>
        roleIn(db, courseId, person.id).catch((error) => {
          if (!(error instanceof Refusal)) return
          send(streamText('gone', ''))
          end()
        })
      const unsubscribe = await subscribe(courseId, (event: LiveEvent, text) => {
        send(text)
        if (event === 'people') void checkRole()
      })
      const beat = setInterval(() => send(streamText('beat', '')), BEAT_MS)
      const roleCheck = setInterval(() => void checkRole(), ROLE_CHECK_MS)
      const shutdown = (globalThis as { [k: symbol]: unknown })[Symbol.for('cairn.shutdown')] as AbortController | undefined
      let ended = false
      stop = () => {
        if (ended) return
        ended = true
        unsubscribe()
        clearInterval(beat)
        clearInterval(roleCheck)
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
      context.request.signal.addEventListener('abort', stop)
      shutdown?.signal.addEventListener('abort', end, { once: true })
      send(streamText('revision', ''))
    },
    cancel: () => stop(),
  })
  return new Response(stream, { headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store', 'x-accel-buffering': 'no' } })
}
