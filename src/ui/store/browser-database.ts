/** The database that Cairn has in a browser, and what pages that were left put down before it could write. */
import { type DBSchema, type IDBPDatabase, openDB } from 'idb'
import type { Change } from '../../core/blueprint/change'
import type { LeftDraft } from './left-draft'
import type { LoggedChange } from './session'
import type { Aside, KeptChange } from './shelf'

export interface BrowserSchema extends DBSchema {
  /** Before version 2: a queue a tab, of an account that was not noted. */
  queues: { key: string; value: { courseId: string; tab: string; formatVersion: number; changes: readonly Change[] } }
  waiting: {
    key: number
    value: KeptChange & { account: string; email: string; courseId: string; changeId: string }
    indexes: { place: [string, string]; course: string; changeId: string }
  }
  aside: { key: [string, string]; value: Aside & { account: string; courseId: string } }
  plans: { key: [string, string]; value: { account: string; courseId: string; revision: number; body: string; at: number } }
  /** What is being typed, by account, course, window and place. */
  drafts: { key: [string, string, string]; value: LeftDraft & { account: string; courseId: string } }
  accepted: { key: [string, string, number]; value: LoggedChange & { account: string; courseId: string } }
}

type WaitingRow = BrowserSchema['waiting']['value']
/** A page that is left may go before the database has written: until then a change stands here as well. */
export const LEFT_KEY = 'cairn-left '
/** Longer ones would fill the little room that there is (Cairn default, in characters). */
const LONGEST_LEFT = 100_000

/** Keeps a change at once. Returns how to forget it when it is kept for good. */
export function keepAtOnce(row: WaitingRow): () => void {
  const key = LEFT_KEY + row.changeId
  try {
    const text = JSON.stringify(row)
    if (text.length <= LONGEST_LEFT) localStorage.setItem(key, text)
    return () => localStorage.removeItem(key)
  } catch {
    return () => undefined
  }
}

/** Puts what pages left behind to what waits. What is stored by now the server knows by its id. */
async function takeUpLeft(db: IDBPDatabase<BrowserSchema>): Promise<IDBPDatabase<BrowserSchema>> {
  for (const key of Object.keys(localStorage).filter((k) => k.startsWith(LEFT_KEY))) {
    let row: WaitingRow | null = null
    try {
      row = JSON.parse(localStorage.getItem(key) ?? 'null') as WaitingRow | null
    } catch {
      // Written by nobody of us: it is taken away below.
    }
    const tx = db.transaction('waiting', 'readwrite')
    if (row && (await tx.store.index('changeId').getKey(row.changeId)) === undefined) await tx.store.add(row)
    await tx.done
    localStorage.removeItem(key)
  }
  return db
}

let opening: Promise<IDBPDatabase<BrowserSchema>> | undefined
/** The database of this browser; rejects where it refuses storage. */
export const browserDatabase = () =>
  (opening ??= openDB<BrowserSchema>('cairn', 3, {
    async upgrade(db, from, _to, tx) {
      db.createObjectStore('drafts', { keyPath: ['account', 'courseId', 'key'] })
      if (from >= 2) return
      if (from < 1) db.createObjectStore('queues')
      const waiting = db.createObjectStore('waiting', { autoIncrement: true })
      waiting.createIndex('place', ['account', 'courseId'])
      waiting.createIndex('course', 'courseId')
      waiting.createIndex('changeId', 'changeId', { unique: true })
      db.createObjectStore('aside', { keyPath: ['account', 'courseId'] })
      db.createObjectStore('plans', { keyPath: ['account', 'courseId'] })
      db.createObjectStore('accepted', { keyPath: ['account', 'courseId', 'revision'] })
      for (const { courseId, formatVersion, changes } of await tx.objectStore('queues').getAll())
        for (const change of changes) await waiting.add({ account: '', email: '', courseId, changeId: change.id, formatVersion, change })
    },
    // Another window brings a newer version: this one must not hold it up.
    blocking: (_from, _to, event) => (event.target as IDBDatabase).close(),
  }).then(takeUpLeft))
