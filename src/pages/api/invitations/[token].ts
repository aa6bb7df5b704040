import type { APIRoute } from 'astro'
import { getDatabase } from '../../../server/db/client'
import { answerInvitation } from '../../../server/membership'
import { Refusal } from '../../../server/problem'
import { signedIn } from '../../../server/request'

/** Answers an invitation, from the plain form of its page. */
export const POST: APIRoute = async ({ locals, params, request, redirect }) => {
  const person = signedIn(locals)
  const form = await request.formData().catch(() => null)
  const answer = form?.get('answer')
  if (answer !== 'accept' && answer !== 'decline') throw new Refusal(422, 'no-answer', 'An invitation is accepted or declined.')
  const token = params['token'] ?? ''
  try {
    const { courseId } = await answerInvitation(getDatabase(), token, person, answer === 'accept')
    return redirect(answer === 'accept' ? `/courses/${courseId}/outcomes` : '/', 303)
  } catch (error) {
    // The page says in words what is the matter.
    if (error instanceof Refusal && error.code !== 'no-answer' && (request.headers.get('accept') ?? '').includes('text/html'))
      return redirect(`/invitation/${encodeURIComponent(token)}`, 303)
    throw error
  }
}
