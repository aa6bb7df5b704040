/** Asks an endpoint of accounts. Returns why it refused, as a sentence; null where it is done. */
export async function askAuth(path: string, body: object): Promise<string | null> {
  try {
    const response = await fetch(`/api/auth/${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    })
    if (response.ok) return null
    const answer = (await response.json().catch(() => ({}))) as { message?: string; title?: string }
    return response.status === 429
      ? 'Too many tries. Wait a little, then try again.'
      : (answer.message ?? answer.title ?? 'That did not work.')
  } catch {
    return 'The server was not reached. Try again.'
  }
}
