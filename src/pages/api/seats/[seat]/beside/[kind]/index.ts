import { listEndpoint } from '../../../../../../server/beside-endpoints'

export const GET = listEndpoint('seat')
