/** Cairn's own file as people hand it on: JSON, or an archive with it. Every failure says what is wrong, and where. */
import { unzipSync } from 'fflate'
import type { Blueprint } from '../blueprint/blueprint'
import { decodeExactly } from '../intake/decode'
import { err, ok, type Problem, type Result } from '../result'
import { MAX_FILE_BYTES, readNative } from './native'

export type PlanFile = {
  readonly blueprint: Blueprint
  /** The file's JSON, as it stands in it. */
  readonly text: string
  /** The bytes of the files that come with it, by id. */
  readonly files: ReadonlyMap<string, Uint8Array>
}

const problem = (code: string, message: string): Result<never, readonly Problem[]> => err([{ code, message, at: '' }])

/** Reads `.cairn.json`, or the one in a `.zip`. */
export function readPlanFile(name: string, bytes: Uint8Array): Result<PlanFile, readonly Problem[]> {
  if (bytes.length === 0) return problem('empty-file', 'this file is empty')
  const packed = bytes[0] === 0x50 && bytes[1] === 0x4b
  if (!packed && bytes.length > MAX_FILE_BYTES) return problem('too-large', `the file is larger than ${MAX_FILE_BYTES / 1e6} MB`)
  const unpacked = packed ? fromArchive(bytes) : ok({ json: bytes, files: new Map<string, Uint8Array>() })
  if (!unpacked.ok) return unpacked
  const { json, files } = unpacked.value
  const decoded = decodeExactly(json)
  if (!decoded.ok) return problem('not-utf8', decoded.error)
  const text = decoded.value
  if (!/^\s*\{/.test(text.replace(/^\uFEFF/, '')))
    return problem('not-a-blueprint', `${name} is no course file of Cairn: what is in it begins otherwise`)
  const read = readNative(text)
  return read.ok ? ok({ blueprint: read.value, text, files }) : read
}

/** An archive holds at most so much (Cairn default). */
const MOST_UNPACKED = 500_000_000
const A_FILE = /^files\/([A-Za-z0-9_-]{1,40})\.(png|jpg)$/

function fromArchive(
  bytes: Uint8Array,
): Result<{ readonly json: Uint8Array; readonly files: ReadonlyMap<string, Uint8Array> }, readonly Problem[]> {
  let unpacked = 0
  try {
    const parts = unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        const isJson = /(^|\/)[^/]*\.json$/i.test(name)
        if (!isJson && !A_FILE.test(name)) return false
        unpacked += isJson && originalSize > MAX_FILE_BYTES ? MOST_UNPACKED + 1 : originalSize
        return unpacked <= MOST_UNPACKED
      },
    })
    if (unpacked > MOST_UNPACKED) return problem('too-large', 'what is in this archive is larger than a course of Cairn can be')
    const names = Object.keys(parts).filter((n) => n.endsWith('.json'))
    const own = names.find((n) => n.endsWith('.cairn.json')) ?? (names.length === 1 ? names[0] : undefined)
    if (own === undefined) return problem('no-course', 'there is no course of Cairn in this archive')
    const files = new Map(
      Object.entries(parts).flatMap(([n, body]) => (A_FILE.test(n) ? [[A_FILE.exec(n)?.[1] as string, body] as const] : [])),
    )
    return ok({ json: parts[own] as Uint8Array, files })
  } catch {
    return problem('damaged', 'this archive is damaged: it cannot be unpacked')
  }
}
