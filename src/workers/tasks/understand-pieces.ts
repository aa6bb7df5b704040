/** Reads files and text: whatever is in them, the page stays alive. */
import type { Source } from '../../core/intake/blocks'
import { readFile, readText } from '../../core/intake/read-file'
import { understand } from '../../core/intake/understand'
import type { TaskWork } from '../task'
import type { understandPieces } from '../tasks'

export const work: TaskWork<typeof understandPieces> = (pieces) => {
  const sources: Source[] = []
  const unreadable: { name: string; message: string }[] = []
  for (const { name, content } of pieces) {
    if (typeof content === 'string') {
      sources.push(readText(name, content))
      continue
    }
    const read = readFile(name, content)
    if (read.ok) sources.push(read.value)
    else unreadable.push({ name, message: read.error.message })
  }
  return { understanding: understand(sources), unreadable }
}
