/** Files of the interface that are fetched when they are needed. */

/** What browsers say of a module that did not come; its address is behind the colon. */
const NOT_FETCHED = /dynamically imported module: (\S+)$/

/**
 * A way to fetch a file, and what is wanted of it. Browsers remember that a module did not come and would say so for ever: asked
 * again, it goes by another address.
 */
export function fetched<M, T>(load: () => Promise<M>, wanted: (module: M) => T): () => Promise<T> {
  let failed: string | null = null
  let tries = 0
  return async () => {
    try {
      if (failed === null) return wanted(await load())
      return wanted((await import(/* @vite-ignore */ `${failed}?again=${++tries}`)) as M)
    } catch (error) {
      failed ??= NOT_FETCHED.exec(error instanceof Error ? error.message : '')?.[1] ?? null
      throw error
    }
  }
}
