/**
 * The bytes of files: in the database, so that every server has them and a backup takes them along; once each by their SHA-256, in
 * pieces, so that a file of any size goes in and out with little memory.
 */
import { createHash } from 'node:crypto'
import { and, eq, sql } from 'drizzle-orm'
import type { Database, Transaction } from './db/client'
import { fileChunk, fileContent } from './db/schema'
import { serverId } from './ids'

/** Bytes of a piece (Cairn default). */
const PIECE = 1_000_000

/** Stores what comes, of which there may be `most` bytes. Returns its hash and size; throws the error of `tooLarge` where there is more. */
export async function storeBytes(
  tx: Transaction,
  source: AsyncIterable<Uint8Array> | Iterable<Uint8Array>,
  most: number,
  tooLarge: () => Error,
): Promise<{ readonly hash: string; readonly size: number }> {
  const coming = `coming ${serverId()}`
  const digest = createHash('sha256')
  let [size, n, held]: [number, number, Uint8Array[]] = [0, 0, []]
  let waiting = 0
  const flush = async () => {
    if (waiting === 0) return
    await tx.insert(fileChunk).values({ hash: coming, n: n++, body: Buffer.concat(held) })
    held = []
    waiting = 0
  }
  for await (const part of source) {
    size += part.length
    if (size > most) throw tooLarge()
    digest.update(part)
    held.push(part)
    waiting += part.length
    if (waiting >= PIECE) await flush()
  }
  await flush()
  const hash = digest.digest('hex')
  // The same bytes are kept once, whoever brings them.
  const [made] = await tx.insert(fileContent).values({ hash, size }).onConflictDoNothing().returning({ hash: fileContent.hash })
  if (made) await tx.update(fileChunk).set({ hash }).where(eq(fileChunk.hash, coming))
  else await tx.delete(fileChunk).where(eq(fileChunk.hash, coming))
  return { hash, size }
}

/** The bytes with a hash, from one place to another (both inclusive), piece by piece. */
export async function* readBytes(db: Database, hash: string, from = 0, to = Number.POSITIVE_INFINITY): AsyncGenerator<Buffer> {
  let at = 0
  for (let n = 0; ; n++) {
    const [piece] = await db
      .select({ body: fileChunk.body })
      .from(fileChunk)
      .where(and(eq(fileChunk.hash, hash), eq(fileChunk.n, n)))
    if (!piece) return
    const begin = Math.max(0, from - at)
    const end = Math.min(piece.body.length, to - at + 1)
    if (begin < end) yield piece.body.subarray(begin, end)
    at += piece.body.length
    if (at > to) return
  }
}

/** Removes the bytes that no course names any more. */
export async function dropUnnamed(db: Database): Promise<void> {
  await db.transaction(async (tx) => {
    const gone = await tx
      .delete(fileContent)
      .where(sql`not exists (select 1 from course_file f where f.sha256 = ${fileContent.hash})`)
      .returning({ hash: fileContent.hash })
    for (const { hash } of gone) await tx.delete(fileChunk).where(eq(fileChunk.hash, hash))
  })
}
