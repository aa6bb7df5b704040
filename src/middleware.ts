import { defineMiddleware } from 'astro:middleware'
import { randomBytes, randomUUID } from 'node:crypto'
import { personOf } from './server/auth'
import { keepHouse } from './server/housekeeping'
import { ISLAND_SCRIPT_HASHES, ISLAND_STYLE_HASH } from './server/island-hashes'
import { listen } from './server/live'
import { addressHash, causeCode, inRequest, log, logCounted, stackOf, storeTrouble, thisRequest } from './server/log'
import { problemResponse, Refusal } from './server/problem'
import { getSettings } from './server/settings'

/** Pages that show text written by users and run no script at all. */
const isPublic = (path: string) => path.startsWith('/p/')
/** What whoever came by the link of a seat is served, without an account. */
const isByLink = (path: string) => path.startsWith('/seat/') || path.startsWith('/api/seats/')

const contentPolicy = (nonce: string, scripts: boolean) =>
  [
    "default-src 'self'",
    scripts ? `script-src 'self' 'nonce-${nonce}' ${ISLAND_SCRIPT_HASHES}` : "script-src 'none'",
    `style-src 'self' 'nonce-${nonce}'`,
    `style-src-elem 'self' 'nonce-${nonce}' ${ISLAND_STYLE_HASH}`,
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' data:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self'",
    "object-src 'none'",
    "base-uri 'none'",
    "frame-ancestors 'none'",
    "form-action 'self'",
  ].join('; ')

/** What Astro serves by itself and no page of ours asks for: pictures made smaller, actions, parts of pages. */
const UNUSED = /^\/_(?:image|actions|server-islands)(?:\/|$)/

/** Refusals that the log tells: who may not, what is not theirs, who asks too much. */
const TOLD: ReadonlySet<number> = new Set([401, 403, 404, 429])

/** Every write must come from our own pages. */
function foreignWrite(request: Request): boolean {
  if (['GET', 'HEAD', 'OPTIONS'].includes(request.method)) return false
  return request.headers.get('origin') !== getSettings().origin
}

export const onRequest = defineMiddleware(async (context, next) => {
  const { request, url } = context
  // Before the first session is asked for, so that its end will be heard.
  void listen()
  keepHouse()
  context.locals.nonce = randomBytes(16).toString('base64')
  context.locals.person = null
  const facts = { request: randomUUID(), address: addressHash(request.headers.get('x-client-ip') ?? '', getSettings().authSecret) }
  const response = await inRequest(facts, () => answer(context, next, request, url))
  response.headers.set('x-request-id', facts.request)
  response.headers.set('x-content-type-options', 'nosniff')
  response.headers.set('referrer-policy', isByLink(url.pathname) ? 'no-referrer' : 'same-origin')
  if (isByLink(url.pathname)) response.headers.set('x-robots-tag', 'noindex')
  response.headers.set('cross-origin-opener-policy', 'same-origin')
  if (response.headers.get('content-type')?.startsWith('text/html')) {
    // The development server brings scripts of its own.
    if (!import.meta.env.DEV) response.headers.set('content-security-policy', contentPolicy(context.locals.nonce, !isPublic(url.pathname)))
    if (!isPublic(url.pathname)) response.headers.set('cache-control', 'no-store')
  }
  return response
})

async function answer(
  context: Parameters<Parameters<typeof defineMiddleware>[0]>[0],
  next: Parameters<Parameters<typeof defineMiddleware>[0]>[1],
  request: Request,
  url: URL,
): Promise<Response> {
  const path = url.pathname
  try {
    if (UNUSED.test(path)) throw new Refusal(404, 'no-such-page', 'There is nothing here.')
    if (foreignWrite(request)) throw new Refusal(403, 'foreign-origin', 'Writes are taken from Cairn’s own pages only.')
    if (!isPublic(path) && !isByLink(path) && !path.startsWith('/api/auth/') && !path.startsWith('/_astro/')) {
      context.locals.person = await personOf(request.headers)
      const about = thisRequest()
      if (about && context.locals.person) about.person = context.locals.person.id
      if (!context.locals.person && path !== '/sign-in' && path !== '/outbox' && !(import.meta.env.DEV && path.startsWith('/dev/'))) {
        if (path.startsWith('/api/')) throw new Refusal(401, 'not-signed-in', 'Sign in first.')
        return context.redirect(`/sign-in?to=${encodeURIComponent(path)}`, 303)
      }
      // A window opened as one account sends nothing as another that signed in since.
      const meant = request.headers.get('x-cairn-account') ?? url.searchParams.get('account')
      if (meant && path.startsWith('/api/') && meant !== context.locals.person?.id)
        throw new Refusal(401, 'other-account', 'Another account is signed in now.')
    }
    return await next()
  } catch (error) {
    if (error instanceof Refusal) {
      if (TOLD.has(error.status)) logCounted({ code: 'refused', status: error.status, why: error.code, route: context.routePattern })
      return problemResponse(error)
    }
    const trouble = storeTrouble(error)
    if (trouble) {
      log('error', { code: trouble.code, route: context.routePattern, cause: causeCode(error) })
      return problemResponse(trouble)
    }
    log('error', { code: 'failed', route: context.routePattern, cause: causeCode(error), at: stackOf(error) })
    return problemResponse(new Refusal(500, 'failed', 'Something failed on the server. Nothing was written.'))
  }
}
