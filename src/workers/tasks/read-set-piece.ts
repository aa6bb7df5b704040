/** Reads a set of quality points off the page's thread. */
import { isRule } from '../../core/review/own-set'
import { readSetFile, readSetText } from '../../core/review/read-set'
import type { TaskWork } from '../task'
import type { readSetPiece } from '../tasks'

export const work: TaskWork<typeof readSetPiece> = ({ name, content }) => {
  const reading = { name: name.replace(/\.[^.]*$/, ''), isRule }
  const read = typeof content === 'string' ? readSetText(content, reading) : readSetFile(content, { ...reading, name })
  return Promise.resolve(read)
}
