/** Asking the server: one way, with the account that the page was opened for, and every failure as a value. */

/** Why something was refused: problem+json (RFC 9457), or that nobody was reached (status 0). */
export type ApiProblem = {
  readonly status: number
  readonly code: string
  /** One sentence for people. */
  readonly title: string
  readonly problems?: readonly { readonly at: string; readonly message: string }[]
  readonly [detail: string]: unknown
}
export type Answer<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problem: ApiProblem }

/** Bodies that are sent although the page is left: under the 64 KiB that the fetch standard allows, in characters of up to four bytes. */
export const KEEPALIVE_CHARACTERS = 15_000

export type AskOptions = {
  readonly method?: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE'
  readonly body?: unknown
  /** The account that it is meant for: another one that signed in since is refused. */
  readonly account?: string
  readonly signal?: AbortSignal
  /** It is still sent when the page is left meanwhile; only for small bodies, which browsers allow. */
  readonly keepalive?: boolean
}

const AWAY: ApiProblem = { status: 0, code: 'away', title: 'The server was not reached. Try again.' }

/** Sends a request. Gives the body as JSON (null where there is none), or the problem. */
export async function ask<T>(path: string, { method = 'GET', body, account, signal, keepalive }: AskOptions = {}): Promise<Answer<T>> {
  try {
    const response = await fetch(path, {
      method,
      headers: {
        ...(body === undefined && method === 'GET' ? {} : { 'content-type': 'application/json' }),
        ...(account ? { 'x-cairn-account': account } : {}),
      },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
      ...(signal ? { signal } : {}),
      ...(keepalive ? { keepalive } : {}),
    })
    const value: unknown = response.status === 204 ? null : await response.json().catch(() => null)
    if (response.ok) return { ok: true, value: value as T }
    const said = (value ?? {}) as Partial<ApiProblem> & { readonly message?: string }
    const title =
      response.status === 429 ? 'Too many tries. Wait a little, then try again.' : (said.title ?? said.message ?? 'That did not work.')
    return { ok: false, problem: { ...said, status: response.status, code: said.code ?? 'failed', title } }
  } catch {
    return { ok: false, problem: AWAY }
  }
}

/** Whoever came by the link of a seat of a review asks by the seat: the course is then called `seat:ID` here. */
const SEAT = 'seat:'
export const bySeat = (seatId: string): string => SEAT + seatId
const placeOf = (courseId: string): string =>
  courseId.startsWith(SEAT) ? `seats/${encodeURIComponent(courseId.slice(SEAT.length))}` : `courses/${encodeURIComponent(courseId)}`

/** The address of something of a course. */
export const courseAddress = (courseId: string, path = ''): string => `/api/${placeOf(courseId)}${path}`

/** The address of the page of a course, or of one of its snapshots. Whoever came by a link sees one snapshot alone. */
export const coursePage = (courseId: string, snapshotId?: string | null): string =>
  courseId.startsWith(SEAT)
    ? `/seat/${encodeURIComponent(courseId.slice(SEAT.length))}`
    : `/courses/${encodeURIComponent(courseId)}${snapshotId ? `/snapshots/${encodeURIComponent(snapshotId)}` : ''}`

/** For queries, which want an error thrown. */
export class ApiError extends Error {
  constructor(readonly problem: ApiProblem) {
    super(problem.title)
  }
}
export async function asked<T>(path: string, options: AskOptions = {}): Promise<T> {
  const answer = await ask<T>(path, options)
  if (answer.ok) return answer.value
  throw new ApiError(answer.problem)
}
