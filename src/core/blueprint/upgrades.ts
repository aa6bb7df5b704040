/**
 * The ladder of format versions. Native files, snapshots, log rows and queued changes carry `formatVersion`; what is older is
 * lifted one step at a time, each step pure. Steps have no gaps, which is checked when this module loads.
 */
import { err, ok, type Problem, type Result } from '../result'

export type JsonObject = { readonly [key: string]: unknown }
/** Lifts a file of version `from` to `from + 1`. */
export type Upgrade = { readonly from: number; readonly lift: (file: JsonObject) => JsonObject }

export const FORMAT_VERSION = 3
const UPGRADES: readonly Upgrade[] = [
  // 2 adds rubrics, series, the grade scale and what hours are estimated with: all of it may be left out.
  { from: 1, lift: (file) => file },
  // 3 adds frameworks, what is linked with their items, and what the plan hangs on: all of it may be left out.
  { from: 2, lift: (file) => file },
]
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
