/** Writing the lists that activities and modules hold: one entry, one value of it, or the whole list as the text of a cell. */
import { blankOf } from '../blueprint/blank'
import { anyRecord, type Blueprint } from '../blueprint/blueprint'
import type { FieldValues } from '../blueprint/change'
import type { PlanEdit } from '../blueprint/edit'
import { readField } from '../blueprint/field-text'
import type { NewId } from '../blueprint/ids'
import { linkId } from '../blueprint/ids'
import { type AnyRecord, fieldOf, fieldsOf, leadsToItself, refsOf, specOf } from '../blueprint/kinds'
import { keyIn, keysBetween, type Ordered } from '../blueprint/order'
import { capital } from '../blueprint/text'
import { isEmptyCell } from '../edits/cells'
import { namesIn } from '../plan/names'
import { currentOffering } from '../plan/offering'
import { err, ok, type Refused, type Result } from '../result'
import { type EntryList, entriesOf, entryWords, isOfNumbers } from './entry-lists'
import { readUnlock } from './unlock'

/** What an entry is called until somebody says it. */
const UNNAMED = 'Untitled'

/** Values that a new entry needs and nobody has given: the first of a choice, a name to be written over. */
function givenFirst({ kind }: EntryList): FieldValues {
  return Object.fromEntries(
    fieldsOf(kind).flatMap(([name, f]) => {
      if (f.optional) return []
      if (f.type === 'enum') return [[name, f.values[0]]]
      return f.type === 'text' ? [[name, UNNAMED]] : []
    }),
  )
}

/** The place among its siblings of an entry that comes last; a part of a module stands where the course has it. */
function orderOf(edit: PlanEdit, list: EntryList, ownerId: string, values: FieldValues): FieldValues {
  if (list.isOrdered) return { order: keyIn(edit, list.kind, entriesOf(edit.now, list, ownerId) as unknown as Ordered[]) }
  if (list.kind !== 'modulePart') return {}
  return { order: edit.now.part.get(String(values.partId))?.order ?? '' }
}

/** Adds an entry, last in its list. Returns its id. */
export function addEntry(edit: PlanEdit, list: EntryList, ownerId: string, values: FieldValues, newId: NewId): string {
  const order = orderOf(edit, list, ownerId, values)
  const record = { ...blankOf(list.kind), ...givenFirst(list), ...values, [list.ownerField]: ownerId, ...order, id: newId() }
  return edit.create(list.kind, record as never)
}

/** Puts an entry at a place among the others of its list. */
export function placeEntry(edit: PlanEdit, list: EntryList, ownerId: string, id: string, place: number): void {
  const others = entriesOf(edit.now, list, ownerId).filter((e) => e.id !== id)
  if (list.isOrdered) edit.set(list.kind, id, { order: keyIn(edit, list.kind, others as unknown as Ordered[], place) })
}

/** Moves an entry one place up or down in its list. */
export function moveEntry(edit: PlanEdit, list: EntryList, ownerId: string, id: string, step: 1 | -1): void {
  const all = entriesOf(edit.now, list, ownerId)
  const at = all.findIndex((e) => e.id === id)
  const to = at + step
  if (at >= 0 && to >= 0 && to < all.length) placeEntry(edit, list, ownerId, id, to)
}

/**
 * Writes the other end of a link: it is made, or made anew with what else was said of it. Null for `id` where there is none yet.
 * Returns the id of the link, or why it cannot be.
 */
export function linkTo(edit: PlanEdit, list: EntryList, ownerId: string, id: string | null, end: string): Result<string, string> {
  const { kind, otherEnd } = list
  if (otherEnd === null) throw new Error(`${kind} is no link`)
  const old = id === null ? undefined : anyRecord(edit.now, { kind, id })
  if (old && old[otherEnd] === end) return ok(old.id)
  const ends = { [list.ownerField]: ownerId, [otherEnd]: end }
  if (leadsToItself(kind, ends)) return err(`${capital(specOf(list.owner).noun)} and what it is linked with are the same.`)
  const known = anyRecord(edit.now, { kind, id: linkId((specOf(kind).ends ?? []).map((e) => String((ends as FieldValues)[e]))) })
  if (known) return err('That stands in the list already.')
  if (old) edit.remove({ kind, id: old.id })
  const { id: _, ...said } = old ?? { id: '' }
  return ok(addEntry(edit, list, ownerId, { ...said, ...ends }, () => ''))
}

/** The other end that a text names, by number, name or choice. */
function endNamed(plan: Blueprint, list: EntryList, text: string): Result<string, string> {
  const field = fieldOf(list.kind, list.otherEnd ?? '')
  const read = readField(field, text, namesIn(plan))
  if (read.ok) return ok(String(read.value))
  const to = refsOf(list.kind).find((r) => r.field === list.otherEnd)?.to
  return err(to ? `There is no ${specOf(to).noun} ${text}.` : read.error)
}

/** Writes the other end of a link as typed or chosen; an empty one takes the link off. Returns its id, null where it is gone. */
export function writeOtherEnd(
  edit: PlanEdit,
  list: EntryList,
  ownerId: string,
  id: string | null,
  { text, chosen }: Said,
): Result<string | null, string> {
  if (isEmptyCell(text) && chosen === undefined) {
    if (id !== null) edit.remove({ kind: list.kind, id })
    return ok(null)
  }
  const end = typeof chosen === 'string' ? ok(chosen) : endNamed(edit.now, list, text)
  return end.ok ? linkTo(edit, list, ownerId, id, end.value) : end
}

/** What was typed and, where it was chosen from a list, the value that it stands for. */
type Said = { readonly text: string; readonly chosen?: unknown }

/**
 * Writes one value of an entry as it was typed or, where `chosen`, as it is stored. `id` is null where the entry is not there
 * yet: of a link, its other end makes it. Returns why it cannot be.
 */
export function writeEntry(edit: PlanEdit, list: EntryList, ownerId: string, id: string | null, name: string, written: Said): Refused {
  const { kind, otherEnd } = list
  const record = id === null ? undefined : anyRecord(edit.now, { kind, id })
  if (name === otherEnd) {
    const linked = writeOtherEnd(edit, list, ownerId, id, written)
    return linked.ok ? null : linked.error
  }
  if (!record) return `This ${specOf(kind).noun} is gone.`
  const field = fieldOf(kind, name)
  const isEmpty = (field.type !== 'text' || field.optional) && isEmptyCell(written.text)
  const read = written.chosen !== undefined ? ok(written.chosen) : readField(field, isEmpty ? '' : written.text, namesIn(edit.now))
  if (!read.ok) return name === specOf(kind).nameField && isEmptyCell(written.text) ? 'To remove it, use Ctrl+Delete.' : read.error
  edit.set(kind, record.id, { [name]: read.value })
  return null
}

/** What one piece of a cell says of an entry. */
function readPiece(plan: Blueprint, list: EntryList, ownerId: string, text: string): Result<FieldValues, string> {
  const { kind, otherEnd } = list
  if (kind === 'unlockTerm') {
    const read = readUnlock(text, namesIn(plan), currentOffering(plan)?.firstDay ?? null)
    return read.ok && read.value.earlierId === ownerId ? err('It would wait for itself.') : read
  }
  if (kind === 'remedy') return err('Where results lead is written in its rows: Enter in the cell opens them.')
  const [head = '', said] = list.isFixed ? text.split(/\s*:\s*/, 2) : [text]
  if (otherEnd === null) {
    const name = list.fields[0] ?? ''
    const read = readField(fieldOf(kind, name), text)
    return read.ok ? ok({ [name]: read.value }) : err(read.error)
  }
  const end = endNamed(plan, list, head)
  if (!end.ok) return end
  if (leadsToItself(kind, { [list.ownerField]: ownerId, [otherEnd]: end.value })) return err('It would be linked with itself.')
  if (kind === 'accessItem' && said !== undefined) {
    const state = readField(fieldOf(kind, 'state'), said)
    return state.ok ? ok({ need: end.value, state: state.value }) : err(state.error)
  }
  if (kind === 'modulePart') return ok({ partId: end.value, leftOut: said !== undefined && /^left out$/i.test(said) })
  return ok({ [otherEnd]: end.value })
}

/** What a cell says, entry by entry: parted by semicolons and lines, numbers by commas and spaces too. */
const piecesOf = (list: EntryList, text: string): string[] =>
  text
    .split(isOfNumbers(list) ? /[;,\s]+/ : list.kind === 'unlockTerm' ? /[;,\n]+/ : /[;\n]+/)
    .map((p) => p.trim())
    .filter((p) => p !== '' && !isEmptyCell(p))

/**
 * Writes a whole list from the text of a cell: entries that it names stay, in the order in which it names them; new ones are made,
 * others removed. Nothing is written where one of them cannot be read: the sentence comes back.
 */
export function writeEntries(edit: PlanEdit, list: EntryList, ownerId: string, text: string, newId: NewId): Refused {
  if (!anyRecord(edit.now, { kind: list.owner, id: ownerId })) return `This ${specOf(list.owner).noun} is gone.`
  const own = entriesOf(edit.now, list, ownerId)
  const left = new Map<string, AnyRecord[]>()
  const keyOf = (words: string): string => words.toLowerCase()
  for (const entry of own) {
    const key = keyOf(keyWords(edit.now, list, entry))
    left.set(key, [...(left.get(key) ?? []), entry])
  }
  const kept: { readonly id: string | null; readonly values: FieldValues }[] = []
  for (const piece of piecesOf(list, text)) {
    const known = left.get(keyOf(list.isFixed ? (piece.split(/\s*:/, 1)[0] ?? '') : piece))?.shift()
    if (known && !list.isFixed) {
      kept.push({ id: known.id, values: {} })
      continue
    }
    const read = readPiece(edit.now, list, ownerId, piece)
    if (!read.ok) return read.error
    kept.push({ id: known?.id ?? null, values: read.value })
  }
  const gone = [...left.values()].flat()
  if (gone.length > 0) edit.remove(...gone.map(({ id }) => ({ kind: list.kind, id })))
  const ids = kept.map(({ id, values }) => {
    if (id === null) return addEntry(edit, list, ownerId, values, newId)
    edit.set(list.kind, id, values)
    return id
  })
  if (list.isOrdered) putInOrder(edit, list, ids)
  return null
}

/** By what a piece of a cell is told to be an entry that is there. */
const keyWords = (plan: Blueprint, list: EntryList, entry: AnyRecord): string =>
  list.isFixed ? (entryWords(plan, list, entry).split(':', 1)[0] ?? '') : entryWords(plan, list, entry)

/** Gives entries the order in which they are named; where they have it, nothing is written. */
function putInOrder(edit: PlanEdit, { kind }: EntryList, ids: readonly string[]): void {
  const orders = ids.map((id) => String(anyRecord(edit.now, { kind, id })?.order))
  if (orders.every((o, i) => i === 0 || (orders[i - 1] as string) < o)) return
  const keys = keysBetween(null, null, ids.length)
  ids.forEach((id, i) => {
    edit.set(kind, id, { order: keys[i] as string })
  })
}
