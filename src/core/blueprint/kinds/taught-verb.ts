import { bool, line, oneOf, optional } from '../field'
import { defineKind } from '../kind'
import { LEVELS } from './levels'

/** A verb that this course uses, as somebody taught it: it holds for all lines, whatever the lexicon says. */
export const taughtVerb = defineKind({
  name: 'taughtVerb',
  plural: 'taughtVerbs',
  noun: 'taught verb',
  nameField: 'word',
  ends: ['word'],
  fields: {
    /** In its base form, in small letters. */
    word: line(60),
    /** Open: it says none. Its domain is that of the level. */
    level: optional(oneOf(LEVELS)),
    /** Nobody can see it: it is a state of mind. */
    unseen: bool(),
  },
})
