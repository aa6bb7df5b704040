/** Operations of an earlier format version, lifted to this one: of log rows, and of changes that waited while Cairn was brought up to date. */
import { err, ok, type Result } from '../result'
import type { Records } from './blueprint'
import type { Change, Operation } from './change'
import { type AnyRecord, fieldsOf, isKindName } from './kinds'
import { toVersion4 } from './renamed'
import { parseChange } from './schema'
import { storableChange } from './storable'
import { emptyValue } from './types/forms'
import { FORMAT_VERSION } from './upgrades'

/** A record of an earlier version: renamed words, and what stands where nothing was said in fields that it was written before. */
function liftRecord(kind: Operation['kind'], record: AnyRecord): AnyRecord {
  const { id, fields } = toVersion4(kind, record.id, record)
  const missing = fieldsOf(kind).flatMap(([name, field]) => {
    const value = Object.hasOwn(fields, name) ? undefined : emptyValue(field)
    return value === undefined ? [] : [[name, value] as const]
  })
  return fields === record && missing.length === 0 ? record : ({ ...fields, id, ...Object.fromEntries(missing) } as AnyRecord)
}

function liftOperation(o: Operation): Operation {
  if (!isKindName(o.kind)) return o
  if (o.op !== 'update') return { ...o, record: liftRecord(o.kind, o.record) }
  const [from, to] = [toVersion4(o.kind, o.id, o.from), toVersion4(o.kind, o.id, o.to)]
  return from.fields === o.from && to.fields === o.to ? o : { ...o, id: String(to.id), from: from.fields, to: to.fields }
}

/**
 * Operations as this version writes them. Versions 2 and 3 added kinds, and fields that may be left out, so a whole record gets
 * those it lacks; version 4 renamed words, in whole records and in updates.
 */
export const liftOperations = (operations: readonly Operation[], from: number): readonly Operation[] =>
  from >= FORMAT_VERSION ? operations : operations.map(liftOperation)

/** Whole records of an earlier version, by kind, as this one holds them. What this version does not know stays as it is. */
export const liftRecords = (records: Readonly<Record<string, readonly AnyRecord[]>>): Records =>
  Object.fromEntries(
    Object.entries(records).map(([kind, list]) => [kind, isKindName(kind) ? list.map((r) => liftRecord(kind, r)) : list]),
  ) as Records

/** A change that was kept by some version, as this one sends it; or why it cannot be. */
export function readKeptChange(kept: { readonly formatVersion: number; readonly change: Change }): Result<Change, string> {
  if (kept.formatVersion > FORMAT_VERSION) return err('It was made with a newer version of Cairn.')
  try {
    const parsed = parseChange(storableChange({ ...kept.change, operations: liftOperations(kept.change.operations, kept.formatVersion) }))
    return parsed.ok ? ok(parsed.value) : err(`This version of Cairn cannot store it: ${parsed.error[0]?.message ?? 'it cannot be read'}.`)
  } catch {
    return err('It cannot be read.')
  }
}
