/** What the server is told before it serves (scripts/server.mjs). */
export { clientAddress } from './client-address'
export { libraryText, log } from './log'
export { readSettings } from './settings'
