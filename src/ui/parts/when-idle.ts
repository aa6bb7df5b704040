/** A browser is asked to find time within this; one that has no idle callbacks takes it all (Cairn default). */
const AT_MOST_MS = 3000

/** Does something when the browser has nothing else to do. Returns how to leave it undone. */
export function whenIdle(run: () => void): () => void {
  if ('requestIdleCallback' in window) {
    const id = requestIdleCallback(run, { timeout: AT_MOST_MS })
    return () => cancelIdleCallback(id)
  }
  const id = setTimeout(run, AT_MOST_MS)
  return () => clearTimeout(id)
}
