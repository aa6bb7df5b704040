/** Reads files and text off the main thread: whatever is in them, the page stays alive. */
import type { Source } from '../core/intake/blocks'
import { readFile, readText } from '../core/intake/read-file'
import { understand } from '../core/intake/understand'
import type { FromIntake, ToIntake } from './intake-messages'

self.addEventListener('message', ({ data }: MessageEvent<ToIntake>) => {
  const sources: Source[] = []
  const unreadable: { name: string; message: string }[] = []
  for (const { name, content } of data.pieces) {
    if (typeof content === 'string') {
      sources.push(readText(name, content))
      continue
    }
    const read = readFile(name, content)
    if (read.ok) sources.push(read.value)
    else unreadable.push({ name, message: read.error.message })
  }
  const message: FromIntake = { sequence: data.sequence, understanding: understand(sources), unreadable }
  self.postMessage(message)
})
