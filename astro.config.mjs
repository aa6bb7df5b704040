// @ts-check
import node from '@astrojs/node'
import react from '@astrojs/react'
import { defineConfig } from 'astro/config'
import { sharedWorkers } from './scripts/lib/shared-workers.mjs'

/** A page that exists while developing and is in no build. */
const partsPage = {
  name: 'parts-page',
  hooks: {
    'astro:config:setup': ({ command, injectRoute }) => {
      if (command === 'dev') injectRoute({ pattern: '/dev/parts', entrypoint: './src/dev/parts.astro' })
    },
  },
}

export default defineConfig({
  output: 'server',
  // scripts/server.mjs is the server: it has the static files, so that Astro need not look for one at each request.
  adapter: node({ mode: 'middleware' }),
  integrations: [react(), partsPage],
  // Hosts are judged in the middleware, where the address is known; the list here is fixed when building.
  security: { checkOrigin: false, allowedDomains: [{}] },
  // Inline style elements would need a nonce; files need none.
  build: { inlineStylesheets: 'never' },
  devToolbar: { enabled: false },
  vite: {
    plugins: [sharedWorkers(new URL('src/workers/analysis.worker.ts', import.meta.url).pathname)],
    worker: { format: 'es' },
    build: { assetsInlineLimit: 0, reportCompressedSize: false, chunkSizeWarningLimit: 1000 },
    ssr: { external: ['better-auth', 'drizzle-orm', 'pg'] },
  },
})
