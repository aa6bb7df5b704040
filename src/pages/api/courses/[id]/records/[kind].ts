import { askedKinds } from '../../../../../core/blueprint/asked'
import { endpoint } from '../../../../../server/endpoint'
import { noSuchCourse, Refusal } from '../../../../../server/problem'
import { loadKindText } from '../../../../../server/repository'

/** The records of a kind that comes only when asked for, with their revision. */
export const GET = endpoint({ access: 'course', may: 'plan.read' }, async ({ db, courseId, params }) => {
  const kind = askedKinds().find((k) => k === params['kind'])
  if (!kind) throw new Refusal(404, 'no-such-kind', 'There is no such kind that is loaded by itself.')
  const body = await loadKindText(db, courseId, kind)
  if (body === null) throw noSuchCourse()
  return new Response(body, { headers: { 'content-type': 'application/json', 'cache-control': 'private, no-cache' } })
})
