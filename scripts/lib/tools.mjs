// The command line and the analysis worker: our TypeScript bundled, packages left outside.
import { build } from 'esbuild'
import { ROOT } from './machine.mjs'

export const buildTools = () =>
  build({
    absWorkingDir: ROOT,
    entryPoints: { cli: 'src/server/cli.ts', 'count-findings': 'src/workers/count-findings.ts' },
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
