import { getEndpoint, putEndpoint, removeEndpoint } from '../../../../../../server/beside-endpoints'

export const GET = getEndpoint('course')
export const PUT = putEndpoint('course')
export const DELETE = removeEndpoint('course')
