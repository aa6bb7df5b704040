/** Reads files and text: whatever is in them, the page stays alive. */
import type { Source } from '../../core/intake/blocks'
import { readFile, readText } from '../../core/intake/read-file'
import { readSources } from '../../core/intake/understand'
import type { TaskWork } from '../task'
import type { Brought, readLedger, understandPieces } from '../tasks'

export const work: TaskWork<typeof understandPieces> = (brought) => {
  const { sources, unreadable } = sourcesOf(brought)
  const { understanding } = readSources(sources, brought.answers)
  return { understanding, unreadable, key: keyOf(JSON.stringify(understanding)) }
}

export const ledger: TaskWork<typeof readLedger> = (brought) => readSources(sourcesOf(brought).sources, brought.answers).ledger

function sourcesOf({ pieces }: Brought) {
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
  return { sources, unreadable }
}

/** A short name of a text: its length and its FNV-1a hash (Fowler, Noll, Vo), 32 bits. */
function keyOf(text: string): string {
  let hash = 0x811c9dc5
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193)
  return `${text.length}-${(hash >>> 0).toString(36)}`
}
