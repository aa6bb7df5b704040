/** What a change that came as text is answered, as text: here, or where it is long in a helper (heavy.ts). */
import { parseChange } from '../core/blueprint/schema'
import { applyCourseChange } from './changes'
import type { Database } from './db/client'
import { Refusal } from './problem'
import { readJson } from './request'

/** Conflicts that a refusal tells of; what was wanted its sender has (Cairn default). */
const MOST_TOLD = 1000

/** The same as bytes, for helpers. */
export const changeAnswerBytes = async (...args: Parameters<typeof changeAnswer>): Promise<Uint8Array> =>
  Uint8Array.from(Buffer.from(await changeAnswer(...args)))

/** Throws the refusals of {@link applyCourseChange}; 400 and 422 for what is no change, 409 for conflicts. */
export async function changeAnswer(db: Database, courseId: string, personId: string, text: string): Promise<string> {
  const parsed = parseChange(readJson(text))
  if (!parsed.ok) throw new Refusal(422, 'invalid-change', 'This change cannot be read.', { problems: parsed.error })
  const result = await applyCourseChange(db, courseId, personId, parsed.value)
  if (!result.ok)
    throw new Refusal(409, 'conflict', 'Somebody changed the same thing.', { conflicts: result.conflicts.slice(0, MOST_TOLD) })
  const { ok: _, ...accepted } = result
  return JSON.stringify(accepted)
}
