/**
 * What the browser keeps of a course, by account: the changes that wait, what was put aside for a choice, and the plan as it
 * was last known, so that work goes on without a server and over a reload.
 */
import type { IDBPDatabase } from 'idb'
import type { Change } from '../../core/blueprint/change'
import { FORMAT_VERSION } from '../../core/blueprint/upgrades'
import { type BrowserSchema, browserDatabase, keepAtOnce, LEFT_KEY } from './browser-database'
import type { ConflictEntry } from './conflict-entries'
import type { LoggedChange } from './session'

/** A change that waits, as the version that made it wrote it. */
export type KeptChange = { readonly formatVersion: number; readonly change: Change }
/** A change that cannot be sent any more, and why. It is shown as text until somebody lets it go. */
export type Unsent = KeptChange & { readonly why: string }
export type Aside = { readonly conflicts: readonly ConflictEntry[]; readonly unsent: readonly Unsent[] }
/** The plan as the server sent it (JSON text), and what was accepted since, oldest first. */
export type KeptPlan = { readonly body: string; readonly changes: readonly LoggedChange[] }
export type Waiting = { readonly account: string; readonly email: string; readonly n: number }

export const NOTHING_ASIDE: Aside = { conflicts: [], unsent: [] }

/** The kept things of one course. Every method answers, storage or not. */
export type Shelf = {
  queue(account: string): Promise<readonly KeptChange[]>
  put(account: string, email: string, change: Change): Promise<void>
  drop(changeIds: readonly string[]): Promise<void>
  aside(account: string): Promise<Aside>
  keepAside(account: string, aside: Aside): Promise<void>
  /** Whose changes wait here, other than `account`'s. */
  others(account: string): Promise<readonly Waiting[]>
  plan(account: string): Promise<KeptPlan | null>
  keepPlan(account: string, revision: number, body: string): Promise<void>
  keepChanges(account: string, changes: readonly LoggedChange[]): Promise<void>
  /** Who last opened a course here; null where nobody did. */
  lastAccount(): string | null
}

/** So many courses can be opened without a server (Cairn default). */
const MOST_PLANS = 12
const ACCOUNT_KEY = 'cairn-account'

/** Private windows may refuse storage: then things live as long as the window. */
async function orElse<T>(fallback: T, work: (db: IDBPDatabase<BrowserSchema>) => Promise<T>): Promise<T> {
  try {
    return await work(await browserDatabase())
  } catch {
    return fallback
  }
}

const acceptedRange = (account: string, courseId: string, from = 0) =>
  IDBKeyRange.bound([account, courseId, from], [account, courseId, Number.MAX_SAFE_INTEGER])

/** The shelf in this browser. */
export function browserShelf(courseId: string): Shelf {
  return {
    queue: (account) =>
      orElse<readonly KeptChange[]>([], async (db) => {
        const tx = db.transaction('waiting', 'readwrite')
        const found: KeptChange[] = []
        for (let cursor = await tx.store.index('course').openCursor(courseId); cursor; cursor = await cursor.continue()) {
          if (cursor.value.account !== account && cursor.value.account !== '') continue
          // Kept before accounts were noted: it is of who opens the course first.
          if (cursor.value.account === '') await cursor.update({ ...cursor.value, account })
          found.push({ formatVersion: cursor.value.formatVersion, change: cursor.value.change })
        }
        return found
      }),
    put: (account, email, change) => {
      const row = { account, email, courseId, changeId: change.id, formatVersion: FORMAT_VERSION, change }
      const forget = keepAtOnce(row)
      return orElse(undefined, async (db) => {
        // On the disk before it is kept nowhere else: a change survives the machine as well.
        const tx = db.transaction('waiting', 'readwrite', { durability: 'strict' })
        await Promise.all([tx.store.add(row), tx.done])
        forget()
      })
    },
    drop: (changeIds) =>
      orElse(undefined, async (db) => {
        for (const id of changeIds) localStorage.removeItem(LEFT_KEY + id)
        const tx = db.transaction('waiting', 'readwrite')
        for (const id of changeIds) {
          const key = await tx.store.index('changeId').getKey(id)
          if (key !== undefined) await tx.store.delete(key)
        }
        await tx.done
      }),
    aside: (account) => orElse(NOTHING_ASIDE, async (db) => (await db.get('aside', [account, courseId])) ?? NOTHING_ASIDE),
    keepAside: (account, { conflicts, unsent }) =>
      orElse(undefined, async (db) => {
        if (conflicts.length + unsent.length === 0) await db.delete('aside', [account, courseId])
        else await db.put('aside', { account, courseId, conflicts, unsent })
      }),
    others: (account) => waitingHere(courseId).then((all) => all.filter((w) => w.account !== account)),
    plan: (account) =>
      orElse<KeptPlan | null>(null, async (db) => {
        const kept = await db.get('plans', [account, courseId])
        return kept ? { body: kept.body, changes: await db.getAll('accepted', acceptedRange(account, courseId, kept.revision + 1)) } : null
      }),
    keepPlan: (account, revision, body) =>
      orElse(undefined, async (db) => {
        localStorage.setItem(ACCOUNT_KEY, account)
        const tx = db.transaction(['plans', 'accepted'], 'readwrite')
        const plans = tx.objectStore('plans')
        await plans.put({ account, courseId, revision, body, at: Date.now() })
        await tx.objectStore('accepted').delete(IDBKeyRange.bound([account, courseId, 0], [account, courseId, revision]))
        const oldest = (await plans.getAll()).sort((a, b) => b.at - a.at).slice(MOST_PLANS)
        for (const old of oldest) {
          await plans.delete([old.account, old.courseId])
          await tx.objectStore('accepted').delete(acceptedRange(old.account, old.courseId))
        }
        await tx.done
      }),
    keepChanges: (account, changes) =>
      orElse(undefined, async (db) => {
        const tx = db.transaction('accepted', 'readwrite')
        for (const change of changes) await tx.store.put({ ...change, account, courseId })
        await tx.done
      }),
    lastAccount: () => {
      try {
        return localStorage.getItem(ACCOUNT_KEY)
      } catch {
        return null
      }
    },
  }
}

/** Whose changes wait in this browser, of one course or of all. */
export const waitingHere = (courseId: string | null): Promise<readonly Waiting[]> =>
  orElse<readonly Waiting[]>([], async (db) => {
    const found = new Map<string, Waiting>()
    const rows = courseId === null ? await db.getAll('waiting') : await db.getAllFromIndex('waiting', 'course', courseId)
    for (const { account, email } of rows) found.set(account, { account, email, n: (found.get(account)?.n ?? 0) + 1 })
    return [...found.values()]
  })

/** After signing out: no plan is left here for whoever comes next. What waits is kept, since it is nowhere else. */
export const forgetPlans = (): Promise<void> =>
  orElse(undefined, async (db) => {
    localStorage.removeItem(ACCOUNT_KEY)
    await db.clear('plans')
    await db.clear('accepted')
  })

/** A shelf that lasts as long as the program: for windows without storage, and for clients that are no browser. */
export function memoryShelf(): Shelf {
  const waiting = new Map<string, KeptChange>()
  let aside = NOTHING_ASIDE
  return {
    queue: async () => [...waiting.values()],
    put: async (_account, _email, change) => void waiting.set(change.id, { formatVersion: FORMAT_VERSION, change }),
    drop: async (ids) => {
      for (const id of ids) waiting.delete(id)
    },
    aside: async () => aside,
    keepAside: async (_account, next) => {
      aside = next
    },
    others: async () => [],
    plan: async () => null,
    keepPlan: async () => undefined,
    keepChanges: async () => undefined,
    lastAccount: () => null,
  }
}
