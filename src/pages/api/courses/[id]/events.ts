import type { APIRoute } from 'astro'
import { roleIn } from '../../../../server/courses'
import { subscribe } from '../../../../server/live'
import { courseAccess } from '../../../../server/request'

const BEAT_MS = 15_000
const ROLE_CHECK_MS = 60_000

/** An event stream of revisions. The reader asks for changes since its own. */
export const GET: APIRoute = async (context) => {
  const { db, courseId, person } = await courseAccess(context)
  const encoder = new TextEncoder()
  let stop = () => {}
  const stream = new ReadableStream<Uint8Array>({
    async start(controller) {
      const send = (text: string) => controller.enqueue(encoder.encode(text))
      const unsubscribe = await subscribe(courseId, (revision) => send(`event: revision\ndata: ${revision ?? ''}\n\n`))
      const beat = setInterval(() => send(': beat\n\n'), BEAT_MS)
      const roleCheck = setInterval(() => void roleIn(db, courseId, person.id).catch(() => end()), ROLE_CHECK_MS)
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
      send('event: revision\ndata: \n\n')
    },
    cancel: () => stop(),
  })
  return new Response(stream, { headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store', 'x-accel-buffering': 'no' } })
}
