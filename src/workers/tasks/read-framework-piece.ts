/** Reads a framework from a file or from text, saying how far it is. */
import { readFramework, readFrameworkText } from '../../core/frameworks/read-framework'
import { err, ok } from '../../core/result'
import type { TaskWork } from '../task'
import type { readFrameworkPiece } from '../tasks'

export const work: TaskWork<typeof readFrameworkPiece> = async ({ name, content }, told) => {
  const { isWord } = await import('../../core/objectives/tagger')
  const progress = (done: number, of: number) => told({ done, of })
  const read =
    typeof content === 'string' ? readFrameworkText(content, { progress, isWord }) : readFramework(name, content, { progress, isWord })
  return read.ok ? ok(read.value) : err(read.error.message)
}
