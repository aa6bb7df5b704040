/**
 * Data beside the plan: about a course, but no part of its blueprint. A kind of it is declared like a plan kind, with the fields that
 * follow, and with a policy: who may see and write which record. One service, one pair of endpoints and one query of the interface
 * serve all of them (server/beside.ts, ui/store/beside.ts). They take no part in undo and do not move the plan's revision.
 */
import type { Fields } from '../blueprint/field'
import type { KindSpec, RecordOf } from '../blueprint/kind'
import type { Role } from '../roles'

/** Who looks or writes. */
export type Viewer = { readonly id: string; readonly role: Role }

/** What the service adds to every record. */
export type BesideFacts = {
  /** The account that made it. */
  readonly authorId: string
  /** When it was made: an ISO instant. */
  readonly at: string
  /** The revision, among the records of this kind in this course, at which it was last written. */
  readonly revision: number
}
export type BesideRecord<K> = RecordOf<K> & BesideFacts

export type Policy<R> = {
  readonly mayRead: (viewer: Viewer, record: R) => boolean
  /** `stored` is null where a record is made, `wanted` where one is removed. */
  readonly mayWrite: (viewer: Viewer, stored: R | null, wanted: R | null) => boolean
  /** Fields of a record that this viewer does not see. */
  readonly hides?: (viewer: Viewer, record: R) => readonly string[]
}

export type BesideKind<N extends string = string, F extends Fields = Fields> = {
  readonly spec: KindSpec<N, F> & { readonly family: 'beside' }
  readonly policy: Policy<BesideRecord<KindSpec<N, F>>>
}

/** Declares a kind of data beside the plan. It has no references: what it is about may be removed, and it stays. */
export function defineBeside<const N extends string, const F extends Fields>(kind: BesideKind<N, F>): BesideKind<N, F> {
  const ref = Object.entries(kind.spec.fields).find(([, f]) => f.type === 'ref' || f.type === 'order')
  if (ref) throw new Error(`${kind.spec.name}.${ref[0]}: data beside the plan refers by text, and has no order`)
  return kind
}
