import { endpoint } from '../../../../../server/endpoint'
import { historyBefore } from '../../../../../server/history'
import { Refusal } from '../../../../../server/problem'
import { json } from '../../../../../server/request'

/** A page of the log, newest first: `before` is a revision; left out, it begins with the last. */
export const GET = endpoint({ access: 'course', may: 'plan.read' }, async ({ db, courseId, url }) => {
  const asked = url.searchParams.get('before')
  const before = asked === null ? 2_147_483_647 : Number(asked)
  if (!Number.isInteger(before) || before < 1 || before > 2_147_483_647)
    throw new Refusal(400, 'bad-revision', '`before` is a revision, a whole number.')
  return json(await historyBefore(db, courseId, before))
})
