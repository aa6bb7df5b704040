/**
 * The service worker: keeps the frame of course pages and the files they are made of, so that a course opens without a server.
 * It keeps no data of courses: those are the store's (ui/store/shelf.ts). Built by scripts/build.mjs, which fills in the list.
 */
type Lasting = Event & {
  waitUntil: (work: Promise<unknown>) => void
  /** Static routes: in newer browsers only. */
  addRoutes?: (rule: object) => Promise<void>
}
type Fetching = Lasting & { readonly request: Request; respondWith: (response: Promise<Response>) => void }
type ServiceWorkerScope = {
  readonly location: Location
  readonly clients: {
    claim: () => Promise<void>
    matchAll: (options: { type: 'window' }) => Promise<readonly { readonly url: string }[]>
  }
  skipWaiting: () => Promise<void>
  addEventListener: ((name: 'install' | 'activate', on: (event: Lasting) => void) => void) &
    ((name: 'fetch', on: (event: Fetching) => void) => void)
}
// The program's types are those of pages; this one file runs in a service worker.
const worker = globalThis as unknown as ServiceWorkerScope
declare const SHELL_VERSION: string
declare const SHELL_FILES: readonly string[]

const PREFIX = 'cairn-shell-'
const CACHE = PREFIX + SHELL_VERSION
/** A network that hangs is as good as none (Cairn default). */
const PATIENCE_MS = 4000

worker.addEventListener('install', (event) => {
  // What is said to the server goes past this worker, where the browser can: at once, and even as a page is left.
  event.addRoutes?.({ condition: { urlPattern: { pathname: '/api/*' } }, source: 'network' }).catch(() => undefined)
  event.waitUntil(
    caches
      .open(CACHE)
      .then((cache) => cache.addAll([...SHELL_FILES]))
      .then(() => worker.skipWaiting()),
  )
})

worker.addEventListener('activate', (event) => {
  event.waitUntil(
    (async () => {
      // The version before stays: windows that are open still ask for its files.
      const old = (await caches.keys()).filter((name) => name.startsWith(PREFIX) && name !== CACHE)
      await Promise.all(old.slice(0, -1).map((name) => caches.delete(name)))
      await worker.clients.claim()
      // Courses that were opened before there was a worker.
      const open = (await worker.clients.matchAll({ type: 'window' })).flatMap(({ url }) => courseKey(new URL(url)) ?? [])
      await Promise.all([...new Set(open)].map((key) => fetchPage(key, key).catch(() => undefined)))
    })(),
  )
})

worker.addEventListener('fetch', (event) => {
  const { request } = event
  const url = new URL(request.url)
  if (request.method !== 'GET' || url.origin !== worker.location.origin) return
  if (url.pathname.startsWith('/_astro/')) event.respondWith(fromCache(request))
  else if (request.mode === 'navigate') {
    const key = courseKey(url)
    if (key) event.respondWith(coursePage(request, key))
  }
})

/** One page for all views of a course; null for other pages. */
const courseKey = (url: URL): string | null => /^\/courses\/[^/]+/.exec(url.pathname)?.[0] ?? null

/** The page from the server, kept when it is one. */
async function fetchPage(request: Request | string, key: string): Promise<Response> {
  const response = await fetch(request)
  const isPage = response.ok && !response.redirected && (response.headers.get('content-type') ?? '').startsWith('text/html')
  if (isPage) await (await caches.open(CACHE)).put(key, response.clone())
  return response
}

/** Files carry a hash of their content in their name: what is kept is right. */
async function fromCache(request: Request): Promise<Response> {
  return (await caches.match(request)) ?? fetch(request)
}

/** The page from the server, or, without one, as it was last sent. */
async function coursePage(request: Request, key: string): Promise<Response> {
  const kept = () => caches.match(key)
  const asked = fetchPage(request, key)
  const patience = new Promise<'late'>((resolve) => setTimeout(() => resolve('late'), PATIENCE_MS))
  try {
    const first = await Promise.race([asked, patience])
    if (first !== 'late') return first.status >= 500 ? ((await kept()) ?? first) : first
    return (await kept()) ?? (await asked)
  } catch (error) {
    const page = await kept()
    if (page) return page
    throw error
  }
}
