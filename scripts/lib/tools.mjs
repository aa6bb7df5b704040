// The command line, the server's helper and what the server needs before it serves: our TypeScript bundled, packages left outside.
import { createHash } from 'node:crypto'
import { build } from 'esbuild'
import { ROOT } from './machine.mjs'

export const buildTools = () =>
  build({
    absWorkingDir: ROOT,
    entryPoints: { cli: 'src/server/cli.ts', helper: 'src/server/helper.ts', serving: 'src/server/serving.ts' },
    outdir: 'dist/tools',
    outExtension: { '.js': '.mjs' },
    bundle: true,
    splitting: true,
    format: 'esm',
    platform: 'node',
    target: 'node20',
    packages: 'external',
    logLevel: 'warning',
  })

/** The service worker, with the list of files it keeps: all that pages are made of. */
export const buildShell = (files) =>
  build({
    absWorkingDir: ROOT,
    entryPoints: { shell: 'src/workers/shell.worker.ts' },
    outdir: 'dist/client',
    bundle: true,
    minify: true,
    format: 'iife',
    platform: 'browser',
    target: 'es2022',
    define: {
      SHELL_FILES: JSON.stringify(files),
      SHELL_VERSION: JSON.stringify(createHash('sha256').update(files.join()).digest('hex').slice(0, 12)),
    },
    logLevel: 'warning',
  })
