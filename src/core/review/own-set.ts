/** The set that ships with Cairn. */
import { RULES } from '../findings/registry'
import { type ReadSet, readSetJson } from './read-set'

const CODES: ReadonlySet<string> = new Set(RULES.map((r) => r.code))
/** Whether a rule of this code is here. */
export const isRule = (code: string): boolean => CODES.has(code)

/** The set that ships, fetched when it is first asked for; with what of it is still to come here. */
export async function ownSet(): Promise<ReadSet> {
  const { default: file } = await import('./own-set.json')
  const read = readSetJson(file, { name: '', isRule })
  if (!read.ok) throw new Error(read.error.message)
  return read.value
}
