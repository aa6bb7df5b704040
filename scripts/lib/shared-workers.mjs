/**
 * Web workers as entries of the same build as the pages: what both use stands in files that both load, once. Vite itself builds each
 * worker apart, with its own copy of all it needs; a third of the analysis came down twice that way. In development Vite serves them.
 */
const WORKER = /new Worker\(new URL\((['"])([^'"]+\.worker\.ts)\1, import\.meta\.url\)/g

/** All that comes with a module, without what it fetches later. */
function broughtBy(entry, getModuleInfo) {
  const brought = new Set([entry])
  for (const id of brought) for (const imported of getModuleInfo(id)?.importedIds ?? []) brought.add(imported)
  return brought
}

/**
 * What the worker has in common with the page that starts it is one file, what it has in common with parts that are fetched later
 * another: left alone, each combination of those that use something becomes a file, and a hundred small files compress badly.
 */
function chunksBeside(worker, page) {
  let both, later
  return (id, { getModuleInfo, getModuleIds }) => {
    if (!both) {
      const [ofWorker, ofPage] = [broughtBy(worker, getModuleInfo), broughtBy(page, getModuleInfo)]
      both = ofWorker.intersection?.(ofPage) ?? new Set([...ofWorker].filter((m) => ofPage.has(m)))
      const fetched = [...getModuleIds()].flatMap((m) => getModuleInfo(m)?.dynamicallyImportedIds ?? []).filter((m) => !ofWorker.has(m))
      later = new Set(fetched.flatMap((m) => [...broughtBy(m, getModuleInfo)].filter((d) => ofWorker.has(d) && !both.has(d))))
    }
    return both.has(id) ? 'plan' : later.has(id) ? 'computed' : undefined
  }
}

/**
 * @param {{ worker: string, page: string }} first The worker and the page that every visit brings, by their files.
 * @returns {import('vite').Plugin}
 */
export const sharedWorkers = ({ worker, page }) => ({
  name: 'shared-workers',
  apply: 'build',
  enforce: 'pre',
  applyToEnvironment: ({ config }) => config.consumer === 'client',
  outputOptions: (options) => ({ ...options, manualChunks: chunksBeside(worker, page) }),
  async transform(code, id, options) {
    if (options?.ssr) return null
    // What fetches files ahead looks for links in the page: in a worker there is none.
    if (id.includes('vite/preload-helper'))
      return { code: code.replace('deps && deps.length > 0', "typeof document !== 'undefined' && $&"), map: null }
    if (!code.includes('.worker.ts')) return null
    let shared = code
    for (const [whole, , path] of code.matchAll(WORKER)) {
      const found = await this.resolve(path, id)
      if (!found) this.error(`There is no worker ${path}`)
      const file = this.emitFile({ type: 'chunk', id: found.id, preserveSignature: false })
      shared = shared.replace(whole, `new Worker(import.meta.ROLLUP_FILE_URL_${file}`)
    }
    return { code: shared, map: null }
  },
})
