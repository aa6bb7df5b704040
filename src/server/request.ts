/** Reading requests: the person, and JSON bodies. */
import { z } from 'zod'
import { problemsOf } from '../core/blueprint/schema'
import type { Person } from './auth'
import { Refusal } from './problem'

export function signedIn(locals: Pick<App.Locals, 'person'>): Person {
  if (!locals.person) throw new Refusal(401, 'not-signed-in', 'Sign in first.')
  return locals.person
}

/** The body as JSON. Throws the 400 refusal. The size was limited before (scripts/server.mjs). */
export async function jsonBody(request: Request): Promise<unknown> {
  if (!request.headers.get('content-type')?.startsWith('application/json'))
    throw new Refusal(415, 'not-json', 'The body is sent as application/json.')
  try {
    return JSON.parse(await request.text())
  } catch {
    throw new Refusal(400, 'not-json', 'The body is no readable JSON.')
  }
}

/** The body as JSON of a known shape. Throws the 400, 415 and 422 refusals. */
export async function parsedBody<T>(request: Request, schema: z.core.$ZodType<T>): Promise<T> {
  const parsed = z.safeParse(schema, await jsonBody(request))
  if (parsed.success) return parsed.data
  throw new Refusal(422, 'invalid-value', parsed.error.issues[0]?.message ?? 'This cannot be read.', {
    problems: problemsOf(parsed.error, 'invalid-value'),
  })
}

export const json = (value: unknown, init: ResponseInit = {}): Response =>
  new Response(JSON.stringify(value), {
    ...init,
    headers: { 'content-type': 'application/json', 'cache-control': 'no-store', ...init.headers },
  })
