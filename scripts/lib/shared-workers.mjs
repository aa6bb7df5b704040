/**
 * Web workers as entries of the same build as the pages: what both use stands in files that both load, once. Vite itself builds each
 * worker apart, with its own copy of all it needs; a third of the analysis came down twice that way. In development Vite serves them.
 */
const WORKER = /new Worker\(new URL\((['"])([^'"]+\.worker\.ts)\1, import\.meta\.url\)/g

const LOOKS_FOR_LINKS = 'deps && deps.length > 0'

/** All that comes with a module, without what it fetches later. */
function broughtBy(entry, getModuleInfo) {
  const brought = new Set([entry])
  for (const id of brought) for (const imported of getModuleInfo(id)?.importedIds ?? []) brought.add(imported)
  return brought
}

/**
 * What the worker has in common with what a page brings at once is one file, what it has in common with parts that are fetched later
 * another: left alone, each combination of those that use something becomes a file, and a hundred small files compress badly.
 */
function filesBeside(worker) {
  let files
  return (id, { getModuleInfo, getModuleIds }) => {
    files ??= filesOf([...getModuleIds()])
    return files.get(id)
    function filesOf(all) {
      const brings = (ids) => new Set(ids.flatMap((m) => [...broughtBy(m, getModuleInfo)]))
      const ofWorker = brings([worker])
      const atOnce = brings(all.filter((m) => getModuleInfo(m)?.isEntry && !m.endsWith('.worker.ts')))
      const later = brings(all.flatMap((m) => getModuleInfo(m)?.dynamicallyImportedIds ?? []).filter((m) => !ofWorker.has(m)))
      return new Map([...ofWorker].map((m) => [m, atOnce.has(m) ? 'records' : later.has(m) ? 'computed' : undefined]))
    }
  }
}

/**
 * @param {string} worker The file of the worker that every visit starts.
 * @returns A plugin of Vite, for the build.
 */
export const sharedWorkers = (worker) => ({
  name: 'shared-workers',
  apply: 'build',
  enforce: 'pre',
  applyToEnvironment: ({ config }) => config.consumer === 'client',
  outputOptions: (options) => ({ ...options, manualChunks: filesBeside(worker) }),
  async transform(code, id, options) {
    if (options?.ssr) return null
    // What fetches files ahead looks for links in the page: in a worker there is none.
    if (id.includes('vite/preload-helper')) {
      if (!code.includes(LOOKS_FOR_LINKS)) this.error('Fetching files ahead is written otherwise in this version of Vite')
      return { code: code.replace(LOOKS_FOR_LINKS, "typeof document !== 'undefined' && $&"), map: null }
    }
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
