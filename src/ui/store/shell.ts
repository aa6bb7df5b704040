/** Registers the service worker that keeps the frame of course pages, so that a course opens without a server. */
import { whenIdle } from '../parts/when-idle'

let asked = false

/** When the first view is drawn and the browser has nothing to do; only where Cairn is built, since a development server has no files to keep. */
export function registerShell(): void {
  if (asked || !import.meta.env.PROD || !('serviceWorker' in navigator)) return
  asked = true
  whenIdle(() => void navigator.serviceWorker.register('/shell.js').catch(() => undefined))
}
