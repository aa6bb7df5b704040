/** Failures that are answered: problem+json (RFC 9457), with a code that the interface words. */
export class Refusal extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
    readonly details: Readonly<Record<string, unknown>> = {},
    readonly headers: Readonly<Record<string, string>> = {},
  ) {
    super(message)
  }
}

/** A course that is not there and one that is not yours look the same. */
export const noSuchCourse = () => new Refusal(404, 'no-such-course', 'There is no such course, or you have no role in it.')

export const problemResponse = (refusal: Refusal): Response =>
  new Response(
    JSON.stringify({
      type: `about:blank#${refusal.code}`,
      title: refusal.message,
      status: refusal.status,
      code: refusal.code,
      ...refusal.details,
    }),
    { status: refusal.status, headers: { 'content-type': 'application/problem+json', 'cache-control': 'no-store', ...refusal.headers } },
  )
