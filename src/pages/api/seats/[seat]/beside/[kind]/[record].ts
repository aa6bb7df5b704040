import { getEndpoint, putEndpoint, removeEndpoint } from '../../../../../../server/beside-endpoints'

export const GET = getEndpoint('seat')
export const PUT = putEndpoint('seat')
export const DELETE = removeEndpoint('seat')
