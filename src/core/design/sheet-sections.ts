/** How what a design sheet holds is grouped, for the details of a record and for the sheet of a module. */
import type { Blueprint } from '../blueprint/blueprint'
import { type AnyRecord, fieldOf, type KindName } from '../blueprint/kinds'
import { emptyValue } from '../blueprint/types/forms'
import { sameValue } from '../blueprint/values'
import { entriesOf, entryList, type ListOwner } from './entry-lists'

export type SheetSection = {
  readonly key: string
  readonly title: string
  readonly fields: readonly string[]
  /** Kinds of which the record holds a list. */
  readonly lists: readonly KindName[]
  /** Of an activity: which of the columns of its block it stands in. */
  readonly column?: number
}
/** The columns of the block of an activity. */
export const SHEET_COLUMNS = ['What it is', 'What learners do', 'How it is judged and answered', 'Access'] as const

const SECTIONS: Readonly<Record<ListOwner, readonly SheetSection[]>> = {
  activity: [
    {
      key: 'work',
      column: 1,
      title: 'What learners do',
      fields: ['instructions', 'interactions', 'timing', 'setting', 'grouping', 'isOptional', 'ownKindId', 'sessionId'],
      lists: ['material'],
    },
    { key: 'use', column: 0, title: 'Use outside the course', fields: ['realWork', 'laterUse'], lists: [] },
    {
      key: 'feedback',
      column: 2,
      title: 'Feedback',
      fields: ['feedbackFrom', 'feedbackForm', 'feedbackDays', 'feedbackMinutes', 'markingKey'],
      lists: ['remedy'],
    },
    { key: 'order', column: 0, title: 'Before and after', fields: ['unlockJoin'], lists: ['buildsOn', 'unlockTerm', 'extraPlace'] },
    { key: 'steps', column: 2, title: 'Milestones', fields: ['dueTime'], lists: ['milestone'] },
    { key: 'access', column: 3, title: 'Access', fields: [], lists: ['accessItem', 'variant', 'product'] },
    { key: 'story', column: 1, title: 'Storyboard', fields: [], lists: ['storyRow'] },
    { key: 'keep', column: 0, title: 'Other delivery, reuse', fields: ['otherDelivery', 'renew', 'reuseNote'], lists: [] },
  ],
  module: [
    { key: 'texts', title: 'Overview and closing', fields: ['overview', 'whatIsNew', 'closing'], lists: [] },
    { key: 'recall', title: 'What it recalls', fields: [], lists: ['recallObjective', 'recallModule'] },
    { key: 'sessions', title: 'Sessions', fields: [], lists: ['session'] },
    { key: 'parts', title: 'Parts', fields: [], lists: ['modulePart'] },
    { key: 'opens', title: 'What opens it', fields: ['unlockJoin'], lists: ['unlockTerm'] },
    { key: 'picture', title: 'Picture', fields: ['pictureShows', 'pictureAlt', 'pictureAddress'], lists: [] },
    { key: 'place', title: 'Place in the course', fields: ['role', 'problemFirst'], lists: [] },
  ],
}

/** The sections of a kind of record; none for a kind without a sheet. */
export const sheetSectionsOf = (kind: KindName): readonly SheetSection[] =>
  Object.hasOwn(SECTIONS, kind) ? SECTIONS[kind as ListOwner] : []

/** Whether something stands in a section. */
export function hasContent(plan: Blueprint, owner: ListOwner, section: SheetSection, record: AnyRecord): boolean {
  const isFilled = (name: string) => {
    const value = record[name] ?? null
    return value !== null && !sameValue(value, emptyValue(fieldOf(owner, name)) ?? null)
  }
  return section.fields.some(isFilled) || section.lists.some((kind) => entriesOf(plan, entryList(owner, kind), record.id).length > 0)
}
