import { getAuth } from '../server/auth'
import { endpoint } from '../server/endpoint'
import { forgetSession } from '../server/sessions'

/** Signs out from a plain form; the cookies that end the session go with the redirect. */
export const POST = endpoint({ access: 'account' }, async ({ request }) => {
  const answer = await getAuth().api.signOut({ headers: request.headers, asResponse: true })
  forgetSession()
  const headers = new Headers({ location: '/sign-in' })
  for (const cookie of answer.headers.getSetCookie()) headers.append('set-cookie', cookie)
  return new Response(null, { status: 303, headers })
})
