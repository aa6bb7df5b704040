/** What a change did, in words people use: worded when read, from its operations and the plan before and after it. */
import { anyRecord, type Blueprint } from '../blueprint/blueprint'
import { type Operation, operationId } from '../blueprint/change'
import { type AnyRecord, isKindName, type KindName, type RecordRef, refsOf, specOf } from '../blueprint/kinds'
import { type RichText, richToPlain } from '../blueprint/rich-text'
import { shortened } from '../blueprint/text'
import { typeOf } from '../blueprint/types/define-type'
import { LONGEST_SAID } from '../blueprint/types/text'
import { namesIn, recordName, shortName } from '../plan/names'
import { isNumbered, nextIn } from '../plan/numbering'

export type DescribedLine = RecordRef & { readonly text: string }

/** Two texts cut where they differ: long ones that begin alike from the word before. */
function cutBoth(from: string, to: string): readonly [string, string] {
  let same = 0
  while (same < from.length && from[same] === to[same]) same++
  const word = from.lastIndexOf(' ', from.lastIndexOf(' ', same - 1) - 1) + 1
  const short = (text: string) =>
    shortened(word > LONGEST_SAID / 2 && text.length > LONGEST_SAID ? `…${text.slice(word)}` : text, LONGEST_SAID)
  return [short(from), short(to)]
}

/** What a field is called: as its kind says, else its name in words: `intendedShare` is "intended share". */
export const fieldTitle = (field: string, kind?: string): string =>
  (kind !== undefined && isKindName(kind) ? (specOf(kind).called as Readonly<Record<string, string>> | undefined)?.[field] : undefined) ??
  field.replace(/Id$/, '').replace(/[A-Z]/g, (c) => ` ${c.toLowerCase()}`)

/** A field's whole value as text: for reading two of them side by side. Empty is `nothing`. */
export function wholeValueText(blueprint: Blueprint, kind: KindName, field: string, value: unknown): string {
  const spec = specOf(kind).fields[field]
  if (value === null || value === undefined) return 'nothing'
  if (spec?.type === 'rich') return richToPlain(value as RichText)
  return spec?.type === 'text' ? String(value) : valueText(blueprint, kind, field, value)
}

/** A value in the words of its field's type; one of a field that this version does not know, as it stands. */
function valueText(blueprint: Blueprint, kind: KindName, field: string, value: unknown): string {
  if (value === null || value === undefined) return 'nothing'
  const spec = specOf(kind).fields[field]
  if (!spec) return shortened(typeof value === 'string' ? value : JSON.stringify(value), LONGEST_SAID)
  return typeOf(spec).describe(spec, value, namesIn(blueprint))
}

/** One line for each operation, at most `most`, likeliest subjects first; links after what they link. */
export function describeChange(
  operations: readonly Operation[],
  before: Blueprint,
  after: Blueprint,
  most: number = Number.POSITIVE_INFINITY,
): DescribedLine[] {
  const weight = (o: Operation) => (specOf(o.kind).ends ? 1 : 0)
  return operations
    .toSorted((a, b) => weight(a) - weight(b))
    .slice(0, most)
    .map((o) => ({ kind: o.kind, id: operationId(o), text: describeOperation(o, before, after) }))
}

function describeOperation(o: Operation, before: Blueprint, after: Blueprint): string {
  const ref = { kind: o.kind, id: operationId(o) }
  const link = (specOf(o.kind).ends?.length ?? 0) > 1
  if (o.op === 'create') return `${link ? 'linked' : 'added'} ${recordName(after, ref, o.record)}`
  if (o.op === 'remove') return `${link ? 'unlinked' : 'removed'} ${recordName(before, ref, o.record)}`
  const was = anyRecord(before, ref)
  const is = anyRecord(after, ref)
  // Words that changed are said once.
  const { nameField } = specOf(o.kind)
  const renamed = nameField !== undefined && Object.hasOwn(o.to, nameField)
  const name = was ? (renamed ? shortName : recordName)(before, ref, was) : specOf(o.kind).noun
  const place: readonly string[] = specOf(o.kind).place ?? []
  const fields = Object.keys(o.to).filter((f) => !place.includes(f))
  const moved = place.length > 0 && Object.keys(o.to).some((f) => place.includes(f))
  const said = fields.map((f) => {
    const type = specOf(o.kind).fields[f]?.type
    const [old, now] = [o.from[f], o.to[f]]
    if (old && now && (type === 'rich' || type === 'text')) {
      const [a, b] = [old, now].map((v) => wholeValueText(before, o.kind, f, v)) as [string, string]
      if (a === b) return `${fieldTitle(f, o.kind)} in other form`
      const [from, to] = cutBoth(a, b)
      return `${fieldTitle(f, o.kind)} “${from}” to “${to}”`
    }
    return `${fieldTitle(f, o.kind)} ${valueText(before, o.kind, f, old)} to ${valueText(after, o.kind, f, now)}`
  })
  return [moved ? `moved ${name}${is ? placeText(after, ref, was, is) : ''}` : null, said.length > 0 ? `${name}: ${said.join('; ')}` : null]
    .filter(Boolean)
    .join('; ')
}

/** Where a record stands now: before which other, or into which module. */
function placeText(after: Blueprint, ref: RecordRef, was: AnyRecord | undefined, is: AnyRecord): string {
  const placing = refsOf(ref.kind).filter((r) => r.spec.onRemove === 'remove')
  const owner = placing.find((r) => was?.[r.field] !== is[r.field])
  if (owner && typeof is[owner.field] === 'string') {
    const target = anyRecord(after, { kind: owner.to, id: String(is[owner.field]) })
    return target ? ` to ${shortName(after, { kind: owner.to, id: target.id }, target)}` : ''
  }
  if (!isNumbered(ref.kind)) return ''
  const next = nextIn(after, ref.kind, ref.id)
  const record = next && anyRecord(after, { kind: ref.kind, id: next.id })
  return record ? ` before ${shortName(after, { kind: ref.kind, id: record.id }, record)}` : ' to the end'
}
