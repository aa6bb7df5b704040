import { endpoint } from '../../../server/endpoint'
import { nearQuotas } from '../../../server/quotas'
import { json } from '../../../server/request'

/** What one has nearly used up of what an account may have: mostly nothing. */
export const GET = endpoint({ access: 'account' }, async ({ db, person }) => json(await nearQuotas(db, person.id)))
