import { address, bool, int, line, lines, oneOf, optional, order, rich } from '../field'
import { defineKind } from '../kind'
import { MOST_WEEKS } from './due-rule'
import { JOINS } from './joins'

/** Groups outside the sequence: what stands before it, all along, behind it. */
export const MODULE_ROLES = ['start', 'throughout', 'end'] as const

export const module = defineKind({
  name: 'module',
  plural: 'modules',
  noun: 'module',
  nameField: 'title',
  called: {
    role: 'place in the course',
    pictureAlt: 'picture in words',
    pictureAddress: 'address of the picture',
    problemFirst: 'the problem comes before its means',
    unlockJoin: 'conditions needed',
  },
  numbered: true,
  fieldWriters: { expert: ['overview', 'closing', 'whatIsNew'] },
  place: ['order'],
  fields: {
    title: line(),
    subtitle: optional(line()),
    planning: oneOf(['sketch', 'planned']),
    overview: optional(rich({ learners: true })),
    closing: optional(rich({ learners: true })),
    whatIsNew: optional(lines(600)),
    /** Outside the sequence; open: in it. */
    role: optional(oneOf(MODULE_ROLES)),
    pictureShows: optional(lines(300)),
    pictureAlt: optional(lines(300)),
    pictureAddress: optional(address('https')),
    /** Its problem comes before what is needed to solve it. */
    problemFirst: bool(),
    unlockJoin: optional(oneOf(JOINS)),
    firstWeek: optional(int(1, MOST_WEEKS)),
    lastWeek: optional(int(1, MOST_WEEKS)),
    order: order(),
  },
})
