import { int, line, oneOf, optional, order } from '../field'
import { defineKind } from '../kind'
import { MOST_WEEKS } from './due-rule'

export const module = defineKind({
  name: 'module',
  plural: 'modules',
  noun: 'module',
  nameField: 'title',
  numbered: true,
  place: ['order'],
  fields: {
    title: line(),
    subtitle: optional(line()),
    planning: oneOf(['sketch', 'planned']),
    firstWeek: optional(int(1, MOST_WEEKS)),
    lastWeek: optional(int(1, MOST_WEEKS)),
    order: order(),
  },
})
