import { date, line, lines, oneOf, optional } from '../field'
import { defineKind } from '../kind'

/** A design choice, or a finding that somebody accepted and why. */
export const decision = defineKind({
  name: 'decision',
  plural: 'decisions',
  inside: ['reason', 'author'],
  noun: 'decision',
  nameField: 'reason',
  fields: {
    kind: oneOf(['design choice', 'finding accepted']),
    reason: lines(),
    author: line(200),
    date: date(),
    /** The finding's key; not a reference: it sleeps when the finding is gone. */
    findingKey: optional(line(4000)),
    /** The facts the finding stood on when it was accepted; it returns when they change. */
    facts: optional(lines(8000)),
  },
})
