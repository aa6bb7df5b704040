import { getAuth } from '../../../server/auth'
import { endpoint } from '../../../server/endpoint'
import { forgetSession } from '../../../server/sessions'

/** The auth library's own endpoints, which see to their access themselves. */
export const ALL = endpoint({ access: 'anyone' }, async ({ request }) => {
  const answer = await getAuth().handler(request)
  // What ends a session is announced to all processes; this one need not wait for it.
  if (request.method !== 'GET') forgetSession()
  return answer
})
