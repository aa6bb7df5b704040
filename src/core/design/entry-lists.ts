/**
 * Lists of small records that an activity or a module holds: materials, milestones, what it builds on. What each consists of
 * follows from its kind; only which there are, and how an entry reads where no name says it, is told here.
 */
import { type Blueprint, recordsOf } from '../blueprint/blueprint'
import { fieldText } from '../blueprint/field-text'
import { type AnyRecord, fieldOf, fieldsOf, type KindName, nounsOf, refsOf, specOf } from '../blueprint/kinds'
import { byOrder, type Ordered } from '../blueprint/order'
import { capital, fitted } from '../blueprint/text'
import { derive, type Read } from '../plan/derive'
import { groupBy } from '../plan/group-by'
import { namesIn } from '../plan/names'
import { indexCourse } from '../plan/plan-index'
import { unlockWords } from './unlock'

export type ListOwner = 'activity' | 'module'
export type EntryList = {
  readonly kind: KindName
  readonly owner: ListOwner
  readonly ownerField: string
  readonly title: string
  /** Of links: the field of the other end, by which an entry is told from the others of its owner. */
  readonly otherEnd: string | null
  /** All other ends that there can be, where they are few and each has a line of its own. */
  readonly isFixed: boolean
  readonly isOrdered: boolean
  /** What of an entry is written, the field first by which it is called. */
  readonly fields: readonly string[]
}

const KINDS_OF: Readonly<Record<ListOwner, readonly KindName[]>> = {
  activity: ['material', 'buildsOn', 'unlockTerm', 'accessItem', 'milestone', 'storyRow', 'remedy', 'variant', 'product', 'extraPlace'],
  module: ['session', 'recallObjective', 'recallModule', 'unlockTerm', 'modulePart'],
}
/** What a list is called where the word for several of its kind would not say it. */
const TITLES: Readonly<Partial<Record<KindName, string>>> = {
  buildsOn: 'Builds on',
  unlockTerm: 'Opens when',
  accessItem: 'Access',
  storyRow: 'Storyboard',
  remedy: 'Where results lead',
  extraPlace: 'Shown also in',
  recallObjective: 'Recalls objectives',
  recallModule: 'Recalls modules',
  modulePart: 'Parts',
}
/** Other ends of which each has a line. */
const FIXED: readonly KindName[] = ['accessItem', 'modulePart']

function listOfKind(owner: ListOwner, kind: KindName): EntryList {
  const spec = specOf(kind)
  const ownerField = refsOf(kind).find((r) => r.to === owner)?.field ?? ''
  const otherEnd = spec.ends?.find((e) => e !== ownerField) ?? null
  // An activity and a module may both hold conditions: of each, the other's field stays empty.
  const owners = ['activityId', 'moduleId'].filter((f) => spec.place?.includes(f))
  const fields = fieldsOf(kind).flatMap(([name, f]) => (f.type === 'order' || name === ownerField || owners.includes(name) ? [] : [name]))
  return {
    kind,
    owner,
    ownerField,
    title: TITLES[kind] ?? capital(nounsOf(kind)),
    otherEnd,
    isFixed: FIXED.includes(kind),
    isOrdered: fieldsOf(kind).some(([, f]) => f.type === 'order') && otherEnd === null,
    fields: [...fields].sort((a, b) => Number(isFirst(b)) - Number(isFirst(a))),
  }
  function isFirst(name: string): boolean {
    return name === otherEnd || name === spec.nameField
  }
}

const LISTS: Readonly<Record<ListOwner, readonly EntryList[]>> = {
  activity: KINDS_OF.activity.map((kind) => listOfKind('activity', kind)),
  module: KINDS_OF.module.map((kind) => listOfKind('module', kind)),
}

/** The lists that records of a kind hold, in the order in which they are shown. */
export const entryListsOf = (owner: ListOwner): readonly EntryList[] => LISTS[owner]

/** The list of one kind; fails for a kind of which an owner holds none. */
export function entryList(owner: ListOwner, kind: KindName): EntryList {
  const list = LISTS[owner].find((l) => l.kind === kind)
  if (!list) throw new Error(`a ${owner} holds no ${kind}`)
  return list
}

/** Entries by their owner, for each list: kept while its kind stays as it is. */
const byOwner = new Map(
  [...LISTS.activity, ...LISTS.module].map((list) => [
    `${list.owner} ${list.kind}`,
    derive([list.kind as Read], (b) =>
      groupBy(
        (recordsOf(b, list.kind) as unknown as AnyRecord[]).filter((r) => r[list.ownerField] !== null),
        (r) => String(r[list.ownerField]),
        list.isOrdered ? (x, y) => byOrder(x as Ordered, y as Ordered) : undefined,
      ),
    ),
  ]),
)
const NONE: readonly AnyRecord[] = []

/** The entries of an owner, in their order; links by the place of their other end in the course. */
export function entriesOf(plan: Blueprint, list: EntryList, ownerId: string): readonly AnyRecord[] {
  const own = byOwner.get(`${list.owner} ${list.kind}`)?.(plan).get(ownerId) ?? NONE
  if (list.isOrdered || own.length < 2) return own
  const places = endPlaces(plan, list)
  return [...own].sort((a, b) => places(String(a[list.otherEnd ?? ''])) - places(String(b[list.otherEnd ?? ''])))
}

/** The other ends of a fixed list, in order. */
export function fixedEnds(plan: Blueprint, { kind, otherEnd }: EntryList): readonly string[] {
  const field = fieldOf(kind, otherEnd ?? '')
  return field.type === 'enum' ? field.values : indexCourse(plan).parts.map((p) => p.id)
}

function endPlaces(plan: Blueprint, list: EntryList): (end: string) => number {
  if (list.isFixed) {
    const all = fixedEnds(plan, list)
    return (end) => all.indexOf(end)
  }
  return indexCourse(plan).positionOf
}

/** The words before the sign that parts the entries of a cell, or that parts a need from its state. */
const plain = (text: string): string => text.replace(/[;\n]+/g, ',').trim()

/** An entry in a few words: what it is called, the number of its other end, a condition as it is said. */
export function entryWords(plan: Blueprint, list: EntryList, entry: AnyRecord): string {
  const names = namesIn(plan)
  const said = (name: string) => fieldText(fieldOf(list.kind, name), entry[name], names)
  if (list.kind === 'unlockTerm') return unlockWords(entry as never, names)
  if (list.kind === 'remedy') {
    const to = said('toActivityId') || said('toMaterialId') || said('note')
    return plain([said('below') && `below ${said('below')} %`, fitted(to, 60)].filter(Boolean).join(': ')) || 'where it leads is open'
  }
  if (list.kind === 'modulePart') return `${said('partId')}${entry.leftOut === true ? ': left out' : ''}`
  if (list.kind === 'accessItem') return `${said('need')}: ${said('state')}`
  const [first = ''] = list.fields
  return plain(said(first) || fitted(said(list.fields[1] ?? first), 40))
}

/** The entries of an owner as the text of one cell; semicolons part them, commas where they are numbers. */
export const entriesText = (plan: Blueprint, list: EntryList, ownerId: string): string =>
  entriesOf(plan, list, ownerId)
    .map((e) => entryWords(plan, list, e))
    .filter((words) => words !== '')
    .join(isOfNumbers(list) ? ', ' : '; ')

/** Links whose other ends have numbers. */
export const isOfNumbers = ({ kind, otherEnd }: EntryList): boolean => {
  const to = otherEnd === null ? null : refsOf(kind).find((r) => r.field === otherEnd)?.to
  return to != null && specOf(to).numbered === true
}
