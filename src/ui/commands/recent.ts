/** What was taken from the palette lately, kept in the browser for each course. */

/** So many are kept (Cairn default). */
const KEPT = 8
const keyOf = (courseId: string) => `cairn-recent ${courseId}`

/** Keys of entries, the last first; none where the browser keeps nothing. */
export function recentOf(courseId: string): string[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(keyOf(courseId)) ?? '[]')
    return Array.isArray(kept) ? kept.filter((k) => typeof k === 'string').slice(0, KEPT) : []
  } catch {
    return []
  }
}

export function keepRecent(courseId: string, key: string): void {
  try {
    localStorage.setItem(keyOf(courseId), JSON.stringify([key, ...recentOf(courseId).filter((k) => k !== key)].slice(0, KEPT)))
  } catch {
    // A browser that keeps nothing shows the palette as it is for the first time.
  }
}
