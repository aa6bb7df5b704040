import { changesBefore, fittingRows, LONG_LOG } from '../../../../../server/change-log'
import { endpoint } from '../../../../../server/endpoint'
import { inHelper, toRead } from '../../../../../server/helpers'
import { historyBefore } from '../../../../../server/history'
import { Refusal } from '../../../../../server/problem'
import { json, jsonOf } from '../../../../../server/request'

/** A page of the log, newest first: `before` is a revision; left out, it begins with the last. */
export const GET = endpoint({ access: 'course', may: 'plan.read' }, async (asked) => {
  const { db, courseId, url } = asked
  const wanted = url.searchParams.get('before')
  const revision = wanted === null ? 2_147_483_647 : Number(wanted)
  if (!Number.isInteger(revision) || revision < 1 || revision > 2_147_483_647)
    throw new Refusal(400, 'bad-revision', '`before` is a revision, a whole number.')
  const fits = await fittingRows(db, courseId, changesBefore(revision))
  if (fits.bytes > LONG_LOG) return jsonOf(await inHelper('history', toRead(asked), courseId, revision))
  return json(await historyBefore(db, courseId, revision, fits))
})
