/** Registers the service worker that keeps the frame of course pages, so that a course opens without a server. */
const AFTER_MS = 3000

/** Once the first view is drawn; only where Cairn is built, since the development server has no files to keep. */
export function registerShell(): void {
  if (!import.meta.env.PROD || !('serviceWorker' in navigator)) return
  setTimeout(() => void navigator.serviceWorker.register('/shell.js').catch(() => undefined), AFTER_MS)
}
