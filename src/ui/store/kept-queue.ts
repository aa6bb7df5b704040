/** The queue of changes not yet sent, kept in the browser per course and tab, so that a closed lid loses nothing. */
import { type DBSchema, type IDBPDatabase, openDB } from 'idb'
import type { Change } from '../../core/blueprint/change'
import { FORMAT_VERSION } from '../../core/blueprint/upgrades'

interface Kept extends DBSchema {
  queues: { key: string; value: { courseId: string; tab: string; formatVersion: number; changes: readonly Change[] } }
}

let opening: Promise<IDBPDatabase<Kept>> | undefined
const database = () => (opening ??= openDB<Kept>('cairn', 1, { upgrade: (db) => void db.createObjectStore('queues') }))

/** This tab's name: kept over a reload, new in a new tab. A lock held as long as the tab lives tells others that it does. */
function tabName(): string {
  const known = sessionStorage.getItem('cairn-tab')
  const name = known ?? crypto.randomUUID()
  sessionStorage.setItem('cairn-tab', name)
  return name
}
let holding = false
function holdTab(): void {
  if (holding) return
  holding = true
  void navigator.locks?.request(`cairn-tab ${tabName()}`, () => new Promise(() => undefined))
}

export async function keepQueue(courseId: string, changes: readonly Change[]): Promise<void> {
  try {
    const db = await database()
    const key = `${courseId} ${tabName()}`
    if (changes.length === 0) await db.delete('queues', key)
    else await db.put('queues', { courseId, tab: tabName(), formatVersion: FORMAT_VERSION, changes }, key)
  } catch {
    // Private windows may refuse storage; the queue then lives as long as the tab.
  }
}

/** Changes left by this tab before a reload, and by tabs that are gone. */
export async function keptQueue(courseId: string): Promise<readonly Change[]> {
  try {
    holdTab()
    const db = await database()
    const alive = new Set((await navigator.locks?.query())?.held?.flatMap((l) => l.name ?? []) ?? [])
    const found: Change[] = []
    for (const key of await db.getAllKeys('queues')) {
      const kept = await db.get('queues', key)
      if (!kept || kept.courseId !== courseId || kept.formatVersion !== FORMAT_VERSION) continue
      if (kept.tab !== tabName() && alive.has(`cairn-tab ${kept.tab}`)) continue
      found.push(...kept.changes)
      await db.delete('queues', key)
    }
    if (found.length > 0) await keepQueue(courseId, found)
    return found
  } catch {
    return []
  }
}
