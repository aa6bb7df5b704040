/** What the server is told before it serves (scripts/server.mjs). */
export { clientAddress } from './client-address'
export { limit } from './limits'
export { log, logCounted, logLibrary } from './log'
export { readSettings } from './settings'
