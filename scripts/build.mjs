// Builds pages and server with Astro, the command line and the server's worker with esbuild, and compresses static files once.
import { spawnSync } from 'node:child_process'
import { cpSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { brotliCompressSync, constants, gzipSync } from 'node:zlib'
import { buildShell, buildTools } from './lib/tools.mjs'

process.chdir(new URL('..', import.meta.url).pathname)
const env = { ...process.env, ASTRO_TELEMETRY_DISABLED: '1', ASTRO_DISABLE_UPDATE_CHECK: 'true', NODE_ENV: 'production' }
const astro = spawnSync(process.execPath, ['node_modules/astro/astro.js', 'build'], { env, stdio: 'inherit' })
if (astro.status !== 0) process.exit(astro.status ?? 1)
await buildTools()
cpSync('src/server/db/migrations', 'dist/migrations', { recursive: true })

const walk = (folder) =>
  readdirSync(folder).flatMap((f) => (statSync(join(folder, f)).isDirectory() ? walk(join(folder, f)) : [join(folder, f)]))
await buildShell(walk('dist/client/_astro').map((f) => f.replace('dist/client', '')))
for (const file of walk('dist/client').filter((f) => /\.(js|css|svg|html|json|wasm)$/.test(f))) {
  const bytes = readFileSync(file)
  if (bytes.length < 1024) continue
  writeFileSync(`${file}.gz`, gzipSync(bytes, { level: 9 }))
  writeFileSync(`${file}.br`, brotliCompressSync(bytes, { params: { [constants.BROTLI_PARAM_QUALITY]: 9 } }))
}
