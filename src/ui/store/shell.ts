/** Registers the service worker that keeps the frame of course pages, so that a course opens without a server. */
const AT_MOST_MS = 3000
let asked = false

/** When the first view is drawn and the browser has nothing to do; only where Cairn is built, since a development server has no files to keep. */
export function registerShell(): void {
  if (asked || !import.meta.env.PROD || !('serviceWorker' in navigator)) return
  asked = true
  const register = () => void navigator.serviceWorker.register('/shell.js').catch(() => undefined)
  // Some browsers have no idle callbacks.
  if ('requestIdleCallback' in window) requestIdleCallback(register, { timeout: AT_MOST_MS })
  else setTimeout(register, AT_MOST_MS)
}
