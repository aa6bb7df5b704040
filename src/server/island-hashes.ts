/**
 * Hashes of the constant scripts and styles by which Astro starts an island, for the content policy: so that no HTML has to be
 * rewritten to carry a nonce.
 */
import { createHash } from 'node:crypto'
import only from 'astro/runtime/client/only.prebuilt.js'
import island from 'astro/runtime/server/astro-island.prebuilt.js'
import { ISLAND_STYLES } from 'astro/runtime/server/astro-island-styles.js'

const hash = (text: string) => `'sha256-${createHash('sha256').update(text).digest('base64')}'`

export const ISLAND_SCRIPT_HASHES = [only, island].map(hash).join(' ')
export const ISLAND_STYLE_HASH = hash(ISLAND_STYLES)
