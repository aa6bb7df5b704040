// @ts-check
import node from '@astrojs/node'
import react from '@astrojs/react'
import { defineConfig } from 'astro/config'

export default defineConfig({
  output: 'server',
  adapter: node({ mode: 'standalone' }),
  integrations: [react()],
  // Hosts are judged in the middleware, where the address is known; the list here is fixed when building.
  security: { checkOrigin: false, allowedDomains: [{}] },
  // Inline style elements would need a nonce; files need none.
  build: { inlineStylesheets: 'never' },
  devToolbar: { enabled: false },
  vite: {
    worker: { format: 'es' },
    build: { assetsInlineLimit: 0, reportCompressedSize: false, chunkSizeWarningLimit: 1000 },
    ssr: { external: ['better-auth', 'drizzle-orm', 'pg'] },
  },
})
