import { refreshCounts } from '../../../../server/analysis-cache'
import { changeAnswer } from '../../../../server/change-answer'
import { changesAfter, fittingRows, headRevision, LONG_LOG, loggedChanges } from '../../../../server/change-log'
import { endpoint } from '../../../../server/endpoint'
import { inHelper, toRead, toWrite } from '../../../../server/helpers'
import { Refusal } from '../../../../server/problem'
import { countWriting } from '../../../../server/quotas'
import { json, jsonOf, jsonText } from '../../../../server/request'

export const GET = endpoint({ access: 'course', may: 'plan.read' }, async (asked) => {
  const { db, courseId, url } = asked
  const since = Number(url.searchParams.get('since'))
  if (!Number.isInteger(since) || since < 0) throw new Refusal(400, 'bad-revision', '`since` is a revision, a whole number.')
  const fits = await fittingRows(db, courseId, changesAfter(since))
  if (fits.bytes > LONG_LOG) return jsonOf(await inHelper('changes', toRead(asked), courseId, since))
  const changes = await loggedChanges(db, courseId, changesAfter(since), fits)
  // The reader knows more than the log: the data were set back to an earlier state.
  if (changes.length === 0 && since > (await headRevision(db, courseId)))
    throw new Refusal(409, 'ahead', 'This course has no such revision.')
  return json(changes)
})

/** From so many letters on, a change is read, judged and written in a thread (Cairn default): some hundred records. */
const LONG = 100_000

/** Takes a change. The service finds the role in the statement that takes the course's next revision. */
export const POST = endpoint(
  { access: 'course', may: 'service', limit: 'change', bytes: 'whole' },
  async ({ db, courseId, person, request }) => {
    const text = await jsonText(request)
    countWriting(person.id, text.length)
    const answer =
      text.length < LONG
        ? await changeAnswer(db, courseId, person.id, text)
        : await inHelper('change', toWrite({ person, courseId }), courseId, person.id, text)
    refreshCounts(courseId)
    return jsonOf(answer)
  },
)
