import type { APIRoute } from 'astro'
import { getAuth } from '../../../server/auth'

export const ALL: APIRoute = ({ request }) => getAuth().handler(request)
