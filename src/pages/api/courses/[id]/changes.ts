import type { APIRoute } from 'astro'
import { parseChange } from '../../../../core/blueprint/schema'
import { refreshCounts } from '../../../../server/analysis-cache'
import { applyCourseChange, changesSince, headRevision } from '../../../../server/changes'
import { getDatabase } from '../../../../server/db/client'
import { Refusal } from '../../../../server/problem'
import { courseAccess, json, jsonBody, signedIn } from '../../../../server/request'

export const GET: APIRoute = async (context) => {
  const { db, courseId } = await courseAccess(context)
  const since = Number(context.url.searchParams.get('since'))
  if (!Number.isInteger(since) || since < 0) throw new Refusal(400, 'bad-revision', '`since` is a revision, a whole number.')
  const changes = await changesSince(db, courseId, since)
  // The reader knows more than the log: the data were set back to an earlier state.
  if (changes.length === 0 && since > (await headRevision(db, courseId)))
    throw new Refusal(409, 'ahead', 'This course has no such revision.')
  return json(changes)
}

export const POST: APIRoute = async (context) => {
  // The service finds the role in the statement that takes the course's next revision.
  const person = signedIn(context.locals)
  const courseId = context.params['id'] ?? ''
  const parsed = parseChange(await jsonBody(context.request))
  if (!parsed.ok) throw new Refusal(422, 'invalid-change', 'This change cannot be read.', { problems: parsed.error })
  const result = await applyCourseChange(getDatabase(), courseId, person.id, parsed.value)
  if (!result.ok) throw new Refusal(409, 'conflict', 'Somebody changed the same thing.', { conflicts: result.conflicts })
  refreshCounts(courseId)
  const { ok: _, ...accepted } = result
  return json(accepted)
}
