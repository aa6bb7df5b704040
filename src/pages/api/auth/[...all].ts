import { getAuth } from '../../../server/auth'
import { endpoint } from '../../../server/endpoint'
import { limit } from '../../../server/limits'
import { forgetSession } from '../../../server/sessions'

/** The auth library's own endpoints, which see to their access themselves. */
export const ALL = endpoint({ access: 'anyone' }, async ({ request, url }) => {
  if (url.pathname === '/api/auth/sign-up/email') await limit('signUp', request.headers.get('x-client-ip') ?? '')
  const answer = await getAuth().handler(request)
  // What ends a session is announced to all processes; this one need not wait for it.
  if (request.method !== 'GET') forgetSession()
  return answer
})
