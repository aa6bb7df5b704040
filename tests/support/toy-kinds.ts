/** Kinds that Cairn does not have, for what must follow from a declaration alone. */
import { defineBeside } from '../../src/core/beside/beside'
import {
  bool,
  colour,
  date,
  type Field,
  type FieldTypeName,
  hundredths,
  int,
  line,
  lineList,
  lines,
  object,
  objectList,
  oneOf,
  optional,
  order,
  ref,
  rich,
  someOf,
  time,
  zone,
} from '../../src/core/blueprint/field'
import { defineKind } from '../../src/core/blueprint/kind'

/** A field of every type: a type that is not here does not compile. */
export const SAMPLE_FIELDS = {
  text: line(12),
  rich: rich(),
  colour: colour(),
  int: int(1, 9),
  hundredths: hundredths(0, 100),
  bool: bool(),
  date: date(),
  time: time(),
  zone: zone(),
  enum: oneOf(['wet', 'dry', "half'wet"]),
  list: someOf(['one', 'two', 'three']),
  'line list': lineList(8, 3),
  ref: ref('module', 'remove'),
  order: order(),
  object: object({ count: int(1, 3), unit: oneOf(['pairs', 'groups']) }),
  'object list': objectList({ name: line(8), share: optional(hundredths(0, 10)) }, 2),
} satisfies { readonly [N in FieldTypeName]: Field }

/** A visit outside: something of every field type, within a module, and a link to activities. */
export const visit = defineKind({
  name: 'fieldVisit',
  plural: 'fieldVisits',
  noun: 'field visit',
  nameField: 'place',
  place: ['moduleId', 'order'],
  writers: ['reviewer'],
  fields: {
    moduleId: ref('module', 'remove'),
    activityId: optional(ref('activity', 'unlink')),
    place: line(),
    what: optional(rich()),
    packing: optional(lines()),
    seats: int(0, 400),
    cost: optional(hundredths(0, 1000)),
    outdoors: bool(),
    day: optional(date()),
    leaves: optional(time()),
    zone: zone(),
    weather: oneOf(['wet', 'dry', "half'wet"]),
    needs: someOf(['boots', 'helmet', 'lunch']),
    groups: optional(object({ count: int(1, 99), unit: oneOf(['pairs', 'groups']) })),
    order: order(),
  },
})

/** Which activities a visit serves: a link record. */
export const visitActivity = defineKind({
  name: 'visitActivity',
  plural: 'visitActivities',
  noun: 'visit link',
  ends: ['visitId', 'activityId'],
  fields: { visitId: ref('fieldVisit', 'remove'), activityId: ref('activity', 'remove'), why: optional(line()) },
})

/** A remark beside the plan. Its author and designers see it; only designers see `verdict`; authors change their own. */
export const remark = defineBeside({
  spec: {
    name: 'remark',
    plural: 'remarks',
    noun: 'remark',
    family: 'beside',
    fields: { about: line(80), text: lines(), verdict: optional(line(40)) },
  },
  policy: {
    mayRead: (viewer, record) => viewer.role === 'designer' || record.authorId === viewer.id,
    mayWrite: (viewer, stored, wanted) => {
      if (wanted?.text === 'fail') throw new Error('a policy with a fault')
      return viewer.role === 'designer' || stored === null || stored.authorId === viewer.id
    },
    hides: (viewer) => (viewer.role === 'designer' ? [] : ['verdict']),
  },
})

/** A long text about a module, which windows get only when they ask for it. */
export const fieldNote = defineKind({
  name: 'fieldNote',
  plural: 'fieldNotes',
  noun: 'field note',
  loads: 'when asked',
  nameField: 'title',
  fields: {
    moduleId: ref('module', 'remove'),
    activityId: optional(ref('activity', 'unlink')),
    title: line(),
    text: optional(rich()),
  },
})
