/**
 * The ladder of format versions. Native files, snapshots, log rows and queued changes carry `formatVersion`; what is older is
 * lifted one step at a time, each step pure. Steps have no gaps, which is checked when this module loads.
 */
import { err, ok, type Problem, type Result } from '../result'
import { toVersion4 } from './renamed'

export type JsonObject = { readonly [key: string]: unknown }
/** Lifts a file of version `from` to `from + 1`. */
export type Upgrade = { readonly from: number; readonly lift: (file: JsonObject) => JsonObject }

export const FORMAT_VERSION = 6
const UPGRADES: readonly Upgrade[] = [
  // 2 adds rubrics, series, the grade scale and what hours are estimated with: all of it may be left out.
  { from: 1, lift: (file) => file },
  // 3 adds frameworks, what is linked with their items, and what the plan hangs on: all of it may be left out.
  { from: 2, lift: (file) => file },
  // 4 renames how closely one reads, how hard a text is, and what writing is estimated with.
  {
    from: 3,
    lift: (file) => ({
      ...file,
      ...liftedList(file, 'activities', 'activity'),
      ...liftedList(file, 'assumptions', 'assumption'),
    }),
  },
  // 5 adds pictures: in rich text and as the cover; and whether an offering is planned, running or past. All of it may be left out.
  { from: 4, lift: (file) => file },
  // 6 adds all of a design sheet: instructions, materials, access, what builds on what, late work, own kinds. All of it may be left out.
  { from: 5, lift: (file) => file },
]

/** A list of a file with its records lifted; what is no list of records is left for the schema to refuse. */
function liftedList(file: JsonObject, key: string, kind: string): JsonObject {
  const list = file[key]
  if (!Array.isArray(list)) return {}
  return {
    [key]: list.map((record: unknown) => {
      if (typeof record !== 'object' || record === null || Array.isArray(record)) return record
      const { id, fields } = toVersion4(kind, (record as JsonObject)['id'], record as JsonObject, false)
      return 'id' in fields ? { ...fields, id } : fields
    }),
  }
}
checkLadder(UPGRADES, FORMAT_VERSION)

/** Throws when the steps do not lead from 1 to `current` one by one. */
export function checkLadder(upgrades: readonly Upgrade[], current: number): void {
  const wanted = Array.from({ length: current - 1 }, (_, i) => i + 1)
  const found = upgrades.map((u) => u.from)
  if (wanted.join() !== found.join()) throw new Error(`upgrades from ${found.join()} do not lead to version ${current}`)
}

/** Lifts a file to the current version, or says why it cannot be read. */
export function upgradeFile(
  file: JsonObject,
  upgrades: readonly Upgrade[] = UPGRADES,
  current: number = FORMAT_VERSION,
): Result<JsonObject, Problem> {
  const version = file['formatVersion']
  const problem = (code: string, message: string) => err({ code, message, at: 'formatVersion' })
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1)
    return problem('no-version', 'formatVersion is missing or is no whole number: is this a Cairn blueprint?')
  if (version > current)
    return problem('newer-version', `this file has format version ${version}; this Cairn reads up to ${current}. Update Cairn to open it`)
  return ok(upgrades.slice(version - 1).reduce((f, u) => ({ ...u.lift(f), formatVersion: u.from + 1 }), file))
}
