import { refreshCounts } from '../../../server/analysis-cache'
import { endpoint } from '../../../server/endpoint'
import { inHelper, toWrite } from '../../../server/helpers'
import { json } from '../../../server/request'

/** A new course from Cairn's own file, which is the body. Who sends it becomes its designer. */
export const POST = endpoint({ access: 'account', bytes: 'whole' }, async ({ person, request }) => {
  const id = await inHelper('fromFile', toWrite({ person }), person.id, await request.text())
  refreshCounts(id)
  return json({ id }, { status: 201 })
})
