import { refreshCounts } from '../../../../server/analysis-cache'
import { changeAnswer } from '../../../../server/change-answer'
import { changesSince, headRevision } from '../../../../server/changes'
import { endpoint } from '../../../../server/endpoint'
import { Refusal } from '../../../../server/problem'
import { json, jsonOf, jsonText } from '../../../../server/request'
import { forPerson, inThread } from '../../../../server/threads'

export const GET = endpoint({ access: 'course', may: 'plan.read' }, async ({ db, courseId, url }) => {
  const since = Number(url.searchParams.get('since'))
  if (!Number.isInteger(since) || since < 0) throw new Refusal(400, 'bad-revision', '`since` is a revision, a whole number.')
  const changes = await changesSince(db, courseId, since)
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
    const answer =
      text.length < LONG
        ? await changeAnswer(db, courseId, person.id, text)
        : await inThread('change', forPerson(person.id, courseId), courseId, person.id, text)
    refreshCounts(courseId)
    return jsonOf(answer)
  },
)
