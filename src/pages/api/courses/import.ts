import { blueprintOf } from '../../../core/blueprint/blueprint'
import { problemText } from '../../../core/result'
import { refreshCounts } from '../../../server/analysis-cache'
import { createCourse } from '../../../server/courses'
import { endpoint } from '../../../server/endpoint'
import { serverId } from '../../../server/ids'
import { Refusal } from '../../../server/problem'
import { json } from '../../../server/request'
import { runTask } from '../../../server/run-task'
import { readPlan } from '../../../workers/tasks'

/** The largest file takes seconds (Cairn default). */
const GIVE_UP_MS = 60_000

/** A new course from Cairn's own file, which is the body. Who sends it becomes its designer. */
export const POST = endpoint({ access: 'account', bytes: 'whole' }, async ({ db, person, request }) => {
  const read = await runTask(readPlan, { name: 'the file', content: await request.text() }, { timeout: GIVE_UP_MS })
  if (!read.ok) {
    const [first] = read.error
    throw new Refusal(422, first?.code ?? 'unreadable', first ? problemText(first) : 'This file cannot be read.', { problems: read.error })
  }
  const blueprint = blueprintOf(read.value.records)
  const id = await createCourse(db, { blueprint, ownerId: person.id, code: 'import-course', newId: serverId })
  refreshCounts(id)
  return json({ id }, { status: 201 })
})
