/** What the server is told before it serves (scripts/server.mjs). */
export { clientAddress } from './client-address'
export { limit } from './limits'
export { libraryText, log, logCounted } from './log'
export { readSettings } from './settings'
