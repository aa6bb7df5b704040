import { int, line, oneOf, optional, order } from '../field'
import { defineKind } from '../kind'

export const module = defineKind({
  name: 'module',
  plural: 'modules',
  noun: 'module',
  place: ['order'],
  fields: {
    title: line(),
    subtitle: optional(line()),
    planning: oneOf(['sketch', 'planned']),
    firstWeek: optional(int(1, 60)),
    lastWeek: optional(int(1, 60)),
    order: order(),
  },
})
