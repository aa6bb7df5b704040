import { refreshCounts } from '../../../server/analysis-cache'
import { endpoint } from '../../../server/endpoint'
import { inHelper, toWrite } from '../../../server/helpers'
import { countWriting, needsRoom } from '../../../server/quotas'
import { json } from '../../../server/request'

/** A new course from Cairn's own file, which is the body. Who sends it becomes its designer. */
export const POST = endpoint({ access: 'account', bytes: 'whole' }, async ({ db, person, request }) => {
  await needsRoom(db, person.id, 'courses')
  const text = await request.text()
  countWriting(person.id, text.length)
  const id = await inHelper('fromFile', toWrite({ person }), person.id, text)
  refreshCounts(id)
  return json({ id }, { status: 201 })
})
