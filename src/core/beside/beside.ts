/**
 * Data beside the plan: about a course, but no part of its blueprint. A kind of it is declared like a plan kind, with the fields that
 * follow, and with a policy: who may see and write which record. One service, one pair of endpoints and one query of the interface
 * serve all of them (server/beside.ts, ui/store/beside.ts). They take no part in undo and do not move the plan's revision.
 */
import type { Fields } from '../blueprint/field'
import type { KindSpec, RecordOf } from '../blueprint/kind'
import type { Role } from '../roles'

/** Who looks or writes. */
export type Viewer = {
  readonly id: string
  readonly role: Role
  /** The seat that somebody without an account came in by; its id is then that of nobody. */
  readonly seatId?: string
}

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

/** All records of another kind in the same course, whoever sees them: what a policy rests on. */
export type Around = <N extends string, F extends Fields>(spec: KindSpec<N, F>) => readonly BesideRecord<KindSpec<N, F>>[]

export type Policy<R> = {
  readonly mayRead: (viewer: Viewer, record: R, around: Around) => boolean
  /**
   * `stored` is null where a record is made, `wanted` where one is removed. A sentence refuses as `false` does, and says why: it tells
   * nothing that the viewer does not see.
   */
  readonly mayWrite: (viewer: Viewer, stored: R | null, wanted: R | null, around: Around) => boolean | string
  /** Fields of a record that this viewer does not see. */
  readonly hides?: (viewer: Viewer, record: R, around: Around) => readonly string[]
}

export type BesideKind<N extends string = string, F extends Fields = Fields> = {
  readonly spec: KindSpec<N, F> & { readonly family: 'beside' }
  readonly policy: Policy<BesideRecord<KindSpec<N, F>>>
  /** The names of the kinds that the policy looks at besides. */
  readonly reads?: readonly string[]
  /** Whoever came by the link of a seat is served it, as far as its policy goes. */
  readonly forSeats?: true
  /** Findings rest on it: the counts of the course are worked out anew when one is written. */
  readonly counts?: true
  /** Texts of which both stand where two windows wrote them apart. */
  readonly keepsBoth?: readonly (keyof F & string)[]
  /** A record of it goes with the one of this kind that this field names. */
  readonly partOf?: { readonly kind: string; readonly field: keyof F & string }
  /** Names of kinds of which a viewer may see more, or less, when one of this kind is written: they are announced as written too. */
  readonly uncovers?: readonly string[]
}

/** What a kind of data beside the plan is made of, where its policy stands elsewhere. */
export const besideSpec = <const N extends string, const F extends Fields>(spec: KindSpec<N, F> & { readonly family: 'beside' }) => spec

/** Declares a kind of data beside the plan. It has no references: what it is about may be removed, and it stays. */
export function defineBeside<const N extends string, const F extends Fields>(kind: BesideKind<N, F>): BesideKind<N, F> {
  const ref = Object.entries(kind.spec.fields).find(([, f]) => f.type === 'ref' || f.type === 'order')
  if (ref) throw new Error(`${kind.spec.name}.${ref[0]}: data beside the plan refers by text, and has no order`)
  return kind
}
