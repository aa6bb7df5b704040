import { parseChange } from '../../../../core/blueprint/schema'
import { refreshCounts } from '../../../../server/analysis-cache'
import { applyCourseChange, changesSince, headRevision } from '../../../../server/changes'
import { endpoint } from '../../../../server/endpoint'
import { Refusal } from '../../../../server/problem'
import { json, jsonBody } from '../../../../server/request'

export const GET = endpoint({ access: 'course', may: 'plan.read' }, async ({ db, courseId, url }) => {
  const since = Number(url.searchParams.get('since'))
  if (!Number.isInteger(since) || since < 0) throw new Refusal(400, 'bad-revision', '`since` is a revision, a whole number.')
  const changes = await changesSince(db, courseId, since)
  // The reader knows more than the log: the data were set back to an earlier state.
  if (changes.length === 0 && since > (await headRevision(db, courseId)))
    throw new Refusal(409, 'ahead', 'This course has no such revision.')
  return json(changes)
})

/** Takes a change. The service finds the role in the statement that takes the course's next revision. */
export const POST = endpoint(
  { access: 'course', may: 'service', limit: 'change', bytes: 'whole' },
  async ({ db, courseId, person, request }) => {
    const parsed = parseChange(await jsonBody(request))
    if (!parsed.ok) throw new Refusal(422, 'invalid-change', 'This change cannot be read.', { problems: parsed.error })
    const result = await applyCourseChange(db, courseId, person.id, parsed.value)
    if (!result.ok) throw new Refusal(409, 'conflict', 'Somebody changed the same thing.', { conflicts: result.conflicts })
    refreshCounts(courseId)
    const { ok: _, ...accepted } = result
    return json(accepted)
  },
)
