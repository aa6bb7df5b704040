const layer = (name, from, to) => ({ name, severity: 'error', from: { path: from }, to: { path: to } })
module.exports = {
  forbidden: [
    {
      name: 'no-circular',
      severity: 'error',
      from: { path: '^src' },
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only', 'dynamic-import'] } },
    },
    {
      name: 'no-folder-cycles-in-core',
      severity: 'error',
      scope: 'folder',
      from: { path: '^src/core' },
      to: { path: '^src/core', circular: true },
    },
    layer('core-stands-alone', '^src/core', '^src/(server|workers|ui|pages|layouts)'),
    layer('server-below-ui', '^src/server', '^src/(ui|pages|layouts)'),
    layer('workers-only-core', '^src/workers', '^src/(server|ui|pages|layouts)'),
    {
      name: 'ui-reaches-server-types-only',
      severity: 'error',
      from: { path: '^src/ui' },
      to: { path: '^src/(server|pages)', dependencyTypesNot: ['type-only'] },
    },
    { name: 'core-without-machine', severity: 'error', from: { path: '^src/core' }, to: { dependencyTypes: ['core'] } },
    {
      name: 'core-without-frameworks',
      severity: 'error',
      from: { path: '^src/core' },
      to: { path: 'node_modules/(react|astro|drizzle-orm|pg|@mui)' },
    },
    {
      name: 'server-without-astro',
      severity: 'error',
      from: { path: '^src/server', pathNot: 'island-hashes' },
      to: { path: 'astro:|node_modules/astro' },
    },
  ],
  options: {
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '^(dist|\\.astro)' },
  },
}
