import { refreshCounts } from '../../../server/analysis-cache'
import { endpoint } from '../../../server/endpoint'
import { json } from '../../../server/request'
import { forPerson, inThread } from '../../../server/threads'

/** A new course from Cairn's own file, which is the body. Who sends it becomes its designer. */
export const POST = endpoint({ access: 'account', bytes: 'whole' }, async ({ person, request }) => {
  const id = await inThread('fromFile', forPerson(person.id), person.id, await request.text())
  refreshCounts(id)
  return json({ id }, { status: 201 })
})
