/** What a change did, in words people use: worded when read, from its operations and the plan before and after it. */
import { anyRecord, type Blueprint } from '../blueprint/blueprint'
import { type Operation, operationId } from '../blueprint/change'
import type { Field } from '../blueprint/field'
import { fieldText, isTypedField } from '../blueprint/field-text'
import { type AnyRecord, fieldOf, type KindName, type RecordRef, refsOf, specOf } from '../blueprint/kinds'
import { isNumbered, nextIn, numberIn } from '../blueprint/numbering'
import { type RichText, richToPlain } from '../blueprint/rich-text'
import { shortened } from '../blueprint/text'
import { ruleText } from '../calendar/schedule'
import { indexFrameworks } from '../frameworks/framework-index'

export type DescribedLine = RecordRef & { readonly text: string }

const LONGEST = 60

const cut = (text: string): string => shortened(text, LONGEST)

/** Two texts cut where they differ: long ones that begin alike from the word before. */
function cutBoth(from: string, to: string): readonly [string, string] {
  let same = 0
  while (same < from.length && from[same] === to[same]) same++
  const word = from.lastIndexOf(' ', from.lastIndexOf(' ', same - 1) - 1) + 1
  const short = (text: string) => cut(word > LONGEST / 2 && text.length > LONGEST ? `…${text.slice(word)}` : text)
  return [short(from), short(to)]
}

/** What a record is called in a state of the plan: `3b Measure surface velocity`, `module 3 Measuring flow`, `Labs`. */
export function recordName(blueprint: Blueprint, ref: RecordRef, record: AnyRecord): string {
  const spec = specOf(ref.kind)
  if (spec.ends && spec.ends.length > 1)
    return spec.ends
      .flatMap((end) => {
        const to = refsOf(ref.kind).find((r) => r.field === end)?.to
        const target = to && anyRecord(blueprint, { kind: to, id: String(record[end]) })
        return to && target ? shortName(blueprint, { kind: to, id: target.id }, target) : []
      })
      .join(' and ')
  if (ref.kind === 'assessment') {
    const activity = anyRecord(blueprint, { kind: 'activity', id: String(record['activityId']) })
    return activity ? recordName(blueprint, { kind: 'activity', id: activity.id }, activity) : 'an assessment'
  }
  if (ref.kind === 'course') return 'the course'
  const number = numberOf(blueprint, ref)
  const words = record['title'] ?? record['statement'] ?? record['term'] ?? record['letter'] ?? record['text']
  const named = [ref.kind === 'module' && number ? `module ${number}` : number, typeof words === 'string' ? cut(words) : '']
    .filter(Boolean)
    .join(' ')
  return named || spec.noun
}

const numberOf = (blueprint: Blueprint, { kind, id }: RecordRef): string =>
  kind === 'frameworkItem' ? indexFrameworks(blueprint).codeOf(id) : numberIn(blueprint, kind, id)

/** Only the number where there is one, else the name. */
export function shortName(blueprint: Blueprint, ref: RecordRef, record: AnyRecord): string {
  const number = numberOf(blueprint, ref)
  return number ? (ref.kind === 'module' ? `module ${number}` : number) : recordName(blueprint, ref, record)
}

/** `intendedShare` as words: "intended share". */
const fieldWord = (field: string): string => field.replace(/Id$/, '').replace(/[A-Z]/g, (c) => ` ${c.toLowerCase()}`)

/** `intendedShare` in words, for a label. */
export const fieldTitle = (field: string): string => fieldWord(field)

/** A field's whole value as text: for reading two of them side by side. Empty is `nothing`. */
export function wholeValueText(blueprint: Blueprint, kind: KindName, field: string, value: unknown): string {
  const spec = fieldOf(kind, field)
  if (value === null || value === undefined) return 'nothing'
  if (spec.type === 'rich') return richToPlain(value as RichText)
  return spec.type === 'text' ? String(value) : valueText(blueprint, spec, value)
}

function valueText(blueprint: Blueprint, field: Field, value: unknown): string {
  if (value === null || value === undefined) return 'nothing'
  if (isTypedField(field)) return field.type === 'text' ? `“${cut(fieldText(field, value))}”` : fieldText(field, value)
  switch (field.type) {
    case 'bool':
      return value ? 'yes' : 'no'
    case 'list':
      return (value as readonly string[]).join(', ') || 'nothing'
    case 'ref': {
      const ref = { kind: field.to as KindName, id: String(value) }
      const record = anyRecord(blueprint, ref)
      return record ? shortName(blueprint, ref, record) : 'something removed'
    }
    case 'object': {
      const facts = value as Readonly<Record<string, unknown>>
      if ('rule' in facts) return ruleText(facts as Parameters<typeof ruleText>[0], 'monday')
      return Object.values(facts).reverse().join(' ')
    }
    case 'rich':
      return `“${cut(richToPlain(value as RichText))}”`
    default:
      return String(value)
  }
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
  const renamed = Object.hasOwn(o.to, 'statement') || Object.hasOwn(o.to, 'title')
  const name = was ? (renamed ? shortName : recordName)(before, ref, was) : specOf(o.kind).noun
  const place: readonly string[] = specOf(o.kind).place ?? []
  const fields = Object.keys(o.to).filter((f) => !place.includes(f))
  const moved = place.length > 0 && Object.keys(o.to).some((f) => place.includes(f))
  const said = fields.map((f) => {
    const spec = fieldOf(o.kind, f)
    const [old, now] = [o.from[f], o.to[f]]
    if (old && now && (spec.type === 'rich' || spec.type === 'text')) {
      const [a, b] = [old, now].map((v) => wholeValueText(before, o.kind, f, v)) as [string, string]
      if (a === b) return `${fieldWord(f)} in other form`
      const [from, to] = cutBoth(a, b)
      return `${fieldWord(f)} “${from}” to “${to}”`
    }
    return `${fieldWord(f)} ${valueText(before, spec, old)} to ${valueText(after, spec, now)}`
  })
  return [moved ? `moved ${name}${is ? placeText(after, ref, was, is) : ''}` : null, said.length > 0 ? `${name}: ${said.join('; ')}` : null]
    .filter(Boolean)
    .join('; ')
}

/** Where a record stands now: before which other, or into which module. */
function placeText(after: Blueprint, ref: RecordRef, was: AnyRecord | undefined, is: AnyRecord): string {
  const owner = refsOf(ref.kind).find((r) => ['moduleId', 'parentId', 'rubricId'].includes(r.field) && was?.[r.field] !== is[r.field])
  if (owner && typeof is[owner.field] === 'string') {
    const target = anyRecord(after, { kind: owner.to, id: String(is[owner.field]) })
    return target ? ` to ${shortName(after, { kind: owner.to, id: target.id }, target)}` : ''
  }
  if (!isNumbered(ref.kind)) return ''
  const next = nextIn(after, ref.kind, ref.id)
  const record = next && anyRecord(after, { kind: ref.kind, id: next.id })
  return record ? ` before ${shortName(after, { kind: ref.kind, id: record.id }, record)}` : ' to the end'
}
