import { endpoint } from '../../../server/endpoint'
import { answerInvitation } from '../../../server/membership'
import { Refusal } from '../../../server/problem'

/** Answers an invitation, from the plain form of its page. */
export const POST = endpoint({ access: 'account' }, async ({ db, person, params, request, redirect }) => {
  const form = await request.formData().catch(() => null)
  const answer = form?.get('answer')
  if (answer !== 'accept' && answer !== 'decline') throw new Refusal(422, 'no-answer', 'An invitation is accepted or declined.')
  const token = params['token'] ?? ''
  try {
    const { courseId } = await answerInvitation(db, token, person, answer === 'accept')
    return redirect(answer === 'accept' ? `/courses/${courseId}/outcomes` : '/', 303)
  } catch (error) {
    // The page says in words what is the matter.
    if (error instanceof Refusal && error.code !== 'no-answer' && (request.headers.get('accept') ?? '').includes('text/html'))
      return redirect(`/invitation/${encodeURIComponent(token)}`, 303)
    throw error
  }
})
