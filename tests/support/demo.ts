import { readFileSync } from 'node:fs'
import { type Blueprint, recordsOf } from '../../src/core/blueprint/blueprint'
import { KIND_NAMES } from '../../src/core/blueprint/kinds'
import { readNative } from '../../src/core/formats/native'

/** A demo course, by the name of its file. */
export function demoCourse(name: string): Blueprint {
  const read = readNative(readFileSync(`demo/${name}.json`, 'utf8'))
  if (!read.ok) throw new Error(`${name}: ${read.error[0]?.message}`)
  return read.value
}

/** A demo course as the server sends it. */
export const blueprintText = (name: string): string => {
  const plan = demoCourse(name)
  return JSON.stringify({ revision: 1, records: Object.fromEntries(KIND_NAMES.map((k) => [k, recordsOf(plan, k)])) })
}
