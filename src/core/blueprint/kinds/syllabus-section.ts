import { line, optional, order, rich } from '../field'
import { defineKind } from '../kind'

/** A written section of the syllabus; generated ones need no record. */
export const syllabusSection = defineKind({
  name: 'syllabusSection',
  plural: 'syllabusSections',
  noun: 'syllabus section',
  called: { body: 'text' },
  nameField: 'title',
  writers: ['expert'],
  place: ['order'],
  fields: { title: line(), body: optional(rich({ learners: true })), order: order() },
})
