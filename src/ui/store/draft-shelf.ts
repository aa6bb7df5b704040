/** Where what is being typed is written down: in this browser, by account and course. */
import { browserDatabase } from './browser-database'
import type { LeftDraft } from './left-draft'

export type DraftShelf = {
  all(): Promise<readonly LeftDraft[]>
  put(draft: LeftDraft): Promise<void>
  drop(key: string): Promise<void>
  /** At once: a page that is left may go before the database has forgotten a draft that is one no more. */
  dropLeaving(key: string): void
}

const DROPPED = 'cairn-draft-dropped '

/** Asks this browser's texts by name; null where it has none or keeps none. */
function local<T>(ask: (texts: Storage) => T): T | null {
  try {
    return ask(localStorage)
  } catch {
    return null
  }
}

/** The drafts of one course and account. Without storage there are none. */
export function draftShelf(courseId: string, account: string): DraftShelf {
  const none = () => undefined
  const drop = (key: string): Promise<void> =>
    browserDatabase()
      .then((db) => db.delete('drafts', [account, courseId, key]))
      .then(() => local((texts) => texts.removeItem(DROPPED + key)))
      .then(none, none)
  return {
    all: async () => {
      try {
        const db = await browserDatabase()
        const all = await db.getAll('drafts', IDBKeyRange.bound([account, courseId], [account, courseId, []]))
        const dropped = new Set(all.filter(({ key }) => local((texts) => texts.getItem(DROPPED + key)) !== null))
        await Promise.all([...dropped].map(({ key }) => drop(key)))
        return all.filter((draft) => !dropped.has(draft))
      } catch {
        return []
      }
    },
    // On the disk, not only on its way there: the machine may go as well.
    put: (draft) =>
      browserDatabase()
        .then(async (db) => {
          local((texts) => texts.removeItem(DROPPED + draft.key))
          const tx = db.transaction('drafts', 'readwrite', { durability: 'strict' })
          await Promise.all([tx.store.put({ ...draft, account, courseId }), tx.done])
        })
        .catch(none),
    drop,
    dropLeaving: (key) => void local((texts) => texts.setItem(DROPPED + key, '')),
  }
}
