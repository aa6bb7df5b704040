/** Every field type, once. Adding one: its file beside this one, and its line here. */
import { boolType } from './bool'
import { choiceType } from './choice'
import { colourType } from './colour'
import { dateType } from './date'
import type { FieldByType, FieldType, FieldTypeName } from './define-type'
import { hundredthsType } from './hundredths'
import { intType } from './int'
import { lineListType } from './line-list'
import { listType } from './list'
import { objectType } from './object'
import { objectListType } from './object-list'
import { orderType } from './order'
import { refType } from './ref'
import { richType } from './rich'
import { textType } from './text'
import { timeType } from './time'
import { zoneType } from './zone'

export const FIELD_TYPES = {
  text: textType,
  rich: richType,
  int: intType,
  hundredths: hundredthsType,
  bool: boolType,
  date: dateType,
  time: timeType,
  zone: zoneType,
  colour: colourType,
  enum: choiceType,
  list: listType,
  'line list': lineListType,
  ref: refType,
  order: orderType,
  object: objectType,
  'object list': objectListType,
} satisfies { readonly [N in FieldTypeName]: FieldType<FieldByType[N]> }

export const FIELD_TYPE_NAMES = Object.keys(FIELD_TYPES) as readonly FieldTypeName[]
