/** A course as the server sends it, and as a browser that kept it reads it again, maybe with another version of Cairn. */
import type { Records } from '../../core/blueprint/blueprint'
import { liftOperations, liftRecords } from '../../core/blueprint/change-upgrades'
import type { AnyRecord } from '../../core/blueprint/kinds'
import { FORMAT_VERSION } from '../../core/blueprint/upgrades'
import { ROLES } from '../../core/roles'
import { SPACE_STATES } from '../../core/spaces'
import { z } from '../../core/zod'
import type { LoggedChange } from './session'
import type { KeptPlan } from './shelf'
import type { Viewer } from './sync-state'

export type CourseBody = { readonly viewer: Viewer; readonly revision: number; readonly records: Records }

/** Until Cairn 0.2 a body did not say its version: it was 3. */
const FIRST_VERSION = 3
const shape = z.object({
  formatVersion: z._default(z.int().check(z.gte(1)), FIRST_VERSION),
  viewer: z.object({ id: z.string(), role: z.enum(ROLES), name: z.string(), email: z.string(), state: z.optional(z.enum(SPACE_STATES)) }),
  revision: z.int().check(z.gte(0)),
  records: z.record(z.string(), z.array(z.looseObject({ id: z.string() }))),
})

/** A kept course with what was accepted since, as this version holds them. Null where it cannot be read, or a newer one kept it. */
export function readKeptPlan({ body, changes }: KeptPlan): (CourseBody & { readonly changes: readonly LoggedChange[] }) | null {
  let json: unknown
  try {
    json = JSON.parse(body)
  } catch {
    return null
  }
  const read = shape.safeParse(json)
  if (!read.success || read.data.formatVersion > FORMAT_VERSION) return null
  const { viewer, revision, records } = read.data
  return {
    viewer,
    revision,
    records: liftRecords(records as unknown as Readonly<Record<string, readonly AnyRecord[]>>),
    // From whichever version: a whole record gets what it lacks.
    changes: changes.map((c) => ({ ...c, operations: liftOperations(c.operations, 0) })),
  }
}
