/** Pages of the log that may be large, as bytes of JSON, for helpers. */
import { changesAfter, changesBefore, loggedTexts } from './change-log'
import type { Database } from './db/client'
import { hasMore } from './history'

export const changesBytes = async (db: Database, courseId: string, revision: number): Promise<Uint8Array> =>
  Buffer.from(`[${(await loggedTexts(db, courseId, changesAfter(revision))).join(',')}]`)

export async function historyBytes(db: Database, courseId: string, revision: number): Promise<Uint8Array> {
  const texts = await loggedTexts(db, courseId, changesBefore(revision))
  const last = Number(/^\{"revision":(\d+)/.exec(texts.at(-1) ?? '')?.[1] ?? 1)
  return Buffer.from(`{"changes":[${texts.join(',')}],"more":${hasMore(last)}}`)
}
