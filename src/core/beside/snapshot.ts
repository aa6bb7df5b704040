/** A snapshot: the whole plan as it was, under a name. What it holds is stored once by its content (server/snapshots.ts). */
import { may } from '../access/abilities'
import { int, line, lines, optional } from '../blueprint/field'
import { type BesideRecord, defineBeside } from './beside'
import { roundSpec } from './review-records'

export const snapshot = defineBeside({
  spec: {
    name: 'snapshot',
    plural: 'snapshots',
    noun: 'snapshot',
    family: 'beside',
    nameField: 'name',
    fields: {
      name: line(100),
      note: optional(lines(1000)),
      /** The SHA-256 of what it holds, in hexadecimal. */
      content: line(64),
      /** The version of the format in which that is kept. */
      formatVersion: int(1, 10_000),
      /** The revision of the plan that it is. */
      planRevision: int(0, 2_147_483_647),
    },
  },
  reads: ['reviewRound'],
  policy: {
    mayRead: (viewer) => may(viewer.role, 'plan.read'),
    // The server makes them, with what they hold; here they are renamed and removed, by who made one, or by a designer.
    mayWrite: (viewer, stored, wanted, around) => {
      if (!stored || !may(viewer.role, 'snapshot.make')) return false
      if (viewer.role !== 'designer' && stored.authorId !== viewer.id) return false
      if (!wanted && around(roundSpec).some((r) => r.snapshotId === stored.id)) return 'A round of review rates this snapshot: it stays.'
      return !wanted || (['content', 'formatVersion', 'planRevision'] as const).every((f) => wanted[f] === stored[f])
    },
  },
})
export type Snapshot = BesideRecord<typeof snapshot.spec>
