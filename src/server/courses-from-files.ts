/** A course from Cairn's own file. */
import { blueprintOf } from '../core/blueprint/blueprint'
import { problemText } from '../core/result'
import { work } from '../workers/tasks/read-plan'
import { createCourse } from './courses'
import type { Database } from './db/client'
import { serverId } from './ids'
import { Refusal } from './problem'

/** Makes it, with its designer. Returns its id. Throws the 422 refusal, with every problem, where the file cannot be read. */
export async function courseFromFile(db: Database, ownerId: string, text: string): Promise<string> {
  const read = await work({ name: 'the file', content: text }, () => undefined)
  if (read.ok) return createCourse(db, { blueprint: blueprintOf(read.value.records), ownerId, code: 'import-course', newId: serverId })
  const [first] = read.error
  throw new Refusal(422, first?.code ?? 'unreadable', first ? problemText(first) : 'This file cannot be read.', { problems: read.error })
}
