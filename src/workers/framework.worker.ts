/** Reads a framework off the main thread: whatever its size, the page stays alive. */
import { readFramework, readFrameworkText } from '../core/frameworks/read-framework'
import type { FromFramework, ToFramework } from './framework-messages'

self.addEventListener('message', ({ data: { sequence, name, content } }: MessageEvent<ToFramework>) => {
  const progress = (done: number, of: number) => self.postMessage({ sequence, type: 'progress', done, of } satisfies FromFramework)
  const read = typeof content === 'string' ? readFrameworkText(content, progress) : readFramework(name, content, progress)
  const message: FromFramework = read.ok
    ? { sequence, type: 'read', tree: read.value }
    : { sequence, type: 'refused', message: read.error.message }
  self.postMessage(message)
})
