/** A course with its pictures in one archive: the native file, and the files that it shows under their ids. */
import { zipSync } from 'fflate'
import type { Blueprint } from '../blueprint/blueprint'
import { filesOf } from '../files/files-of'
import { IMAGE_ENDINGS } from '../files/image'
import type { Made } from './formats'
import { writeNative } from './native'

export async function writeArchive(blueprint: Blueprint, { file }: Made): Promise<Uint8Array> {
  const entries: Record<string, [Uint8Array, { level: 0 | 6; mtime: Date }]> = {}
  // One moment for all of them: equal courses make equal archives.
  const mtime = new Date(2000, 0, 1)
  entries['course.cairn.json'] = [new TextEncoder().encode(writeNative(blueprint)), { level: 6, mtime }]
  for (const id of filesOf(blueprint)) {
    const found = await file?.(id)
    // Pictures are packed as they are.
    if (found) entries[`files/${id}.${IMAGE_ENDINGS[found.type]}`] = [found.bytes, { level: 0, mtime }]
  }
  return zipSync(entries)
}
