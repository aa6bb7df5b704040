import type { APIRoute } from 'astro'
import { parseChange } from '../../../../core/blueprint/schema'
import { refreshCounts } from '../../../../server/analysis-cache'
import { applyCourseChange, changesSince } from '../../../../server/changes'
import { Refusal } from '../../../../server/problem'
import { courseAccess, json, jsonBody } from '../../../../server/request'

export const GET: APIRoute = async (context) => {
  const { db, courseId, person } = await courseAccess(context)
  const since = Number(context.url.searchParams.get('since'))
  if (!Number.isInteger(since) || since < 0) throw new Refusal(400, 'bad-revision', '`since` is a revision, a whole number.')
  return json(await changesSince(db, courseId, person.id, since))
}

export const POST: APIRoute = async (context) => {
  const { db, courseId, person } = await courseAccess(context)
  const parsed = parseChange(await jsonBody(context.request))
  if (!parsed.ok) throw new Refusal(422, 'invalid-change', 'This change cannot be read.', { problems: parsed.error })
  const result = await applyCourseChange(db, courseId, person.id, parsed.value)
  if (!result.ok) throw new Refusal(409, 'conflict', 'Somebody changed the same thing.', { conflicts: result.conflicts })
  refreshCounts(courseId)
  const { ok: _, ...accepted } = result
  return json(accepted)
}
