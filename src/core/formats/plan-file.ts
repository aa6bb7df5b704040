/** Cairn's own file as people hand it on: JSON, or an archive with it. Every failure says what is wrong, and where. */
import { unzipSync } from 'fflate'
import type { Blueprint } from '../blueprint/blueprint'
import { decodeText } from '../intake/decode'
import { err, ok, type Problem, type Result } from '../result'
import { MAX_FILE_BYTES, readNative } from './native'

export type PlanFile = {
  readonly blueprint: Blueprint
  /** The file's JSON, as it stands in it. */
  readonly text: string
}

const problem = (code: string, message: string): Result<never, readonly Problem[]> => err([{ code, message, at: '' }])

/** Reads `.cairn.json`, or the one in a `.zip`. */
export function readPlanFile(name: string, bytes: Uint8Array): Result<PlanFile, readonly Problem[]> {
  if (bytes.length === 0) return problem('empty-file', 'this file is empty')
  if (bytes.length > MAX_FILE_BYTES) return problem('too-large', `the file is larger than ${MAX_FILE_BYTES / 1e6} MB`)
  const packed = bytes[0] === 0x50 && bytes[1] === 0x4b
  const json = packed ? fromArchive(bytes) : ok(bytes)
  if (!json.ok) return json
  const text = decodeText(json.value)
  if (!/^\s*\{/.test(text.replace(/^\uFEFF/, '')))
    return problem('not-a-blueprint', `${name} is no course file of Cairn: what is in it begins otherwise`)
  const read = readNative(text)
  return read.ok ? ok({ blueprint: read.value, text }) : read
}

function fromArchive(bytes: Uint8Array): Result<Uint8Array, readonly Problem[]> {
  let tooLarge = false
  try {
    const parts = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        if (!/(^|\/)[^/]*\.json$/i.test(name)) return false
        tooLarge ||= originalSize > MAX_FILE_BYTES
        return !tooLarge
      },
    })
    if (tooLarge) return problem('too-large', `the course in this archive is larger than ${MAX_FILE_BYTES / 1e6} MB`)
    const names = Object.keys(parts)
    const own = names.find((n) => n.endsWith('.cairn.json')) ?? (names.length === 1 ? names[0] : undefined)
    return own === undefined ? problem('no-course', 'there is no course of Cairn in this archive') : ok(parts[own] as Uint8Array)
  } catch {
    return problem('damaged', 'this archive is damaged: it cannot be unpacked')
  }
}
