import type { APIRoute } from 'astro'
import { getAuth } from '../../../server/auth'
import { forgetSession } from '../../../server/sessions'

export const ALL: APIRoute = async ({ request }) => {
  const answer = await getAuth().handler(request)
  // What ends a session is announced to all processes; this one need not wait for it.
  if (request.method !== 'GET') forgetSession()
  return answer
}
