import { ask } from '../store/api'

/** Asks an endpoint of accounts. Returns why it refused, as a sentence; null where it is done. */
export async function askAuth(path: string, body: object): Promise<string | null> {
  const answer = await ask(`/api/auth/${path}`, { method: 'POST', body })
  return answer.ok ? null : answer.problem.title
}
