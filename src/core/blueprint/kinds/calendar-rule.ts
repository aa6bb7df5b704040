import { date, line, oneOf, ref } from '../field'
import { defineKind } from '../kind'

/** `closed`: the institution is shut that day; `break`: no teaching, and a whole week of it is not counted. */
export const CALENDAR_RULE_KINDS = ['closed', 'break'] as const

export const calendarRule = defineKind({
  name: 'calendarRule',
  plural: 'calendarRules',
  noun: 'calendar rule',
  nameField: 'title',
  fields: {
    offeringId: ref('offering', 'remove'),
    kind: oneOf(CALENDAR_RULE_KINDS),
    title: line(100),
    firstDate: date(),
    lastDate: date(),
  },
})
