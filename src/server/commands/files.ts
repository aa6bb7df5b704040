/** Files that commands read; what cannot be read is told, with the place. */
import { readFileSync, statSync } from 'node:fs'
import type { Blueprint } from '../../core/blueprint/blueprint'
import { MAX_FILE_BYTES, readNative } from '../../core/formats/native'
import { LIMITS } from '../../core/intake/blocks'
import { decodeExactly, decodeText } from '../../core/intake/decode'
import { fail } from './command'

/** The bytes of a file, or null after saying why it cannot be read. */
export function readBytes(path: string, most: number): Uint8Array | null {
  try {
    if (statSync(path).size <= most) return readFileSync(path)
    fail(`${path}: larger than ${most / 1e6} MB`)
  } catch (error) {
    fail(`${path}: cannot be read (${(error as NodeJS.ErrnoException).code})`)
  }
  return null
}

/** The lines of a text file, or null after saying why it cannot be read. */
export function readLines(path: string): readonly string[] | null {
  const bytes = readBytes(path, LIMITS.fileBytes)
  return bytes
    ? decodeText(bytes)
        .replace(/^\ufeff/, '')
        .replace(/\r?\n$/, '')
        .split(/\r?\n/)
    : null
}

/** Reads a blueprint file, or tells what is wrong with it and where. */
export function readBlueprint(path: string): Blueprint | null {
  const bytes = readBytes(path, MAX_FILE_BYTES)
  if (!bytes) return null
  const text = decodeExactly(bytes)
  if (!text.ok) {
    fail(`${path}: ${text.error} [not-utf8]`)
    return null
  }
  const result = readNative(text.value)
  if (result.ok) return result.value
  for (const p of result.error) fail(`${path}: ${p.at ? `${p.at}: ` : ''}${p.message} [${p.code}]`)
  return null
}
