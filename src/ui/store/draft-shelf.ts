/** Where what is being typed is written down: in this browser, by account and course. */
import { browserDatabase } from './browser-database'
import type { LeftDraft } from './left-draft'

export type DraftShelf = {
  all(): Promise<readonly LeftDraft[]>
  put(draft: LeftDraft): Promise<void>
  drop(key: string): Promise<void>
}

/** The drafts of one course and account. Without storage there are none. */
export function draftShelf(courseId: string, account: string): DraftShelf {
  const none = () => undefined
  return {
    all: async () => {
      try {
        const db = await browserDatabase()
        return await db.getAll('drafts', IDBKeyRange.bound([account, courseId], [account, courseId, []]))
      } catch {
        return []
      }
    },
    // On the disk, not only on its way there: the machine may go as well.
    put: (draft) =>
      browserDatabase()
        .then(async (db) => {
          const tx = db.transaction('drafts', 'readwrite', { durability: 'strict' })
          await Promise.all([tx.store.put({ ...draft, account, courseId }), tx.done])
        })
        .catch(none),
    drop: (key) =>
      browserDatabase()
        .then((db) => db.delete('drafts', [account, courseId, key]))
        .catch(none),
  }
}
