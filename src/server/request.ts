/** Reading requests: the person, and JSON bodies. */
import { z } from 'zod'
import { problemsOf } from '../core/blueprint/schema'
import type { Person } from './auth'
import { Refusal } from './problem'

export function signedIn(locals: Pick<App.Locals, 'person'>): Person {
  if (!locals.person) throw new Refusal(401, 'not-signed-in', 'Sign in first.')
  return locals.person
}

/** The body, which is said to be JSON, as text. Throws the 415 refusal. The size was limited before (scripts/server.mjs). */
export async function jsonText(request: Request): Promise<string> {
  if (!request.headers.get('content-type')?.startsWith('application/json'))
    throw new Refusal(415, 'not-json', 'The body is sent as application/json.')
  return request.text()
}

/** The body as JSON. Throws the 400, 415 and 422 refusals. */
export const jsonBody = async (request: Request): Promise<unknown> => readJson(await jsonText(request))

/** JSON from outside. Throws the 400 and 422 refusals. */
export function readJson(text: string): unknown {
  if (isTooDeep(text)) throw new Refusal(422, 'too-deep', `A body is at most ${MOST_LEVELS} levels deep.`)
  try {
    return JSON.parse(text)
  } catch {
    throw new Refusal(400, 'not-json', 'The body is no readable JSON.')
  }
}

/** Levels of arrays and objects in each other; what reads them goes down level by level (Cairn default). */
const MOST_LEVELS = 300

/** Whether JSON has more levels than it may: found by its brackets, before anything is made of it. */
function isTooDeep(text: string): boolean {
  let [level, inText] = [0, false]
  for (let i = 0; i < text.length; i++) {
    const c = text.charCodeAt(i)
    if (inText) {
      if (c === BACKSLASH) i++
      else if (c === QUOTE) inText = false
    } else if (c === QUOTE) inText = true
    else if (c === OPEN_LIST || c === OPEN_OBJECT) {
      if (++level > MOST_LEVELS) return true
    } else if (c === CLOSE_LIST || c === CLOSE_OBJECT) level--
  }
  return false
}
const [QUOTE, BACKSLASH, OPEN_LIST, CLOSE_LIST, OPEN_OBJECT, CLOSE_OBJECT] = [34, 92, 91, 93, 123, 125]

/** The body as JSON of a known shape. Throws the 400, 415 and 422 refusals. */
export async function parsedBody<T>(request: Request, schema: z.core.$ZodType<T>): Promise<T> {
  const parsed = z.safeParse(schema, await jsonBody(request))
  if (parsed.success) return parsed.data
  throw new Refusal(422, 'invalid-value', parsed.error.issues[0]?.message ?? 'This cannot be read.', {
    problems: problemsOf(parsed.error, 'invalid-value'),
  })
}

export const json = (value: unknown, init: ResponseInit = {}): Response => jsonOf(JSON.stringify(value), init)

/** JSON that is text already. */
export const jsonOf = (text: string | Uint8Array, init: ResponseInit = {}): Response =>
  new Response(text as BodyInit, {
    ...init,
    headers: { 'content-type': 'application/json', 'cache-control': 'no-store', ...init.headers },
  })
