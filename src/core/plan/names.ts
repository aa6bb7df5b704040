/** What records are called in a state of the plan. */
import { anyRecord, type Blueprint, recordMap } from '../blueprint/blueprint'
import type { Names } from '../blueprint/field'
import { type AnyRecord, type KindName, type RecordRef, refsOf, specOf } from '../blueprint/kinds'
import { article, shortened } from '../blueprint/text'
import { LONGEST_SAID } from '../blueprint/types/text'
import { perPlan } from './derive'
import { indexFrameworks } from './framework-index'
import { moduleWordOf } from './module-word'
import { numberIn } from './numbering'
import { currentOffering } from './offering'

const numberOf = (blueprint: Blueprint, { kind, id }: RecordRef): string =>
  kind === 'frameworkItem' ? indexFrameworks(blueprint).codeOf(id) : numberIn(blueprint, kind, id)

/** What a record is called: `3b Measure surface velocity`, `module 3 Measuring flow`, `Labs`, `2.4 and 2a` for a link. */
export function recordName(blueprint: Blueprint, ref: RecordRef, record: AnyRecord): string {
  const spec = specOf(ref.kind)
  if (spec.ends && spec.ends.length > 1) {
    const ends = spec.ends.flatMap((end) => {
      const to = refsOf(ref.kind).find((r) => r.field === end)?.to
      const target = to && anyRecord(blueprint, { kind: to, id: String(record[end]) })
      return to && target ? shortName(blueprint, { kind: to, id: target.id }, target) : []
    })
    return ends.join(' and ') || spec.noun
  }
  if (spec.namedBy) {
    const owner = standsWith(blueprint, ref, record)
    const named = owner && anyRecord(blueprint, owner)
    return owner && named ? recordName(blueprint, owner, named) : article(spec.noun)
  }
  if (spec.single) return `the ${spec.noun}`
  const number = numberOf(blueprint, ref)
  const words = spec.nameField && record[spec.nameField]
  const named = [
    ref.kind === 'module' && number ? `${moduleWordOf(blueprint).one} ${number}` : number,
    typeof words === 'string' ? shortened(words, LONGEST_SAID) : '',
  ]
    .filter(Boolean)
    .join(' ')
  return named || spec.noun
}

/** The record that one is named by and shown with: itself, for most. Null where one of them is not there. */
export function standsWith(
  blueprint: Blueprint,
  ref: RecordRef,
  record: AnyRecord | undefined = anyRecord(blueprint, ref),
): RecordRef | null {
  const { namedBy } = specOf(ref.kind)
  if (!record || !namedBy) return record ? ref : null
  const to = refsOf(ref.kind).find((r) => r.field === namedBy)?.to
  const owner = to && { kind: to, id: String(record[namedBy]) }
  return owner && anyRecord(blueprint, owner) ? owner : null
}

/** Only the number where there is one, else the name. */
export function shortName(blueprint: Blueprint, ref: RecordRef, record: AnyRecord): string {
  const number = numberOf(blueprint, ref)
  return number ? (ref.kind === 'module' ? `${moduleWordOf(blueprint).one} ${number}` : number) : recordName(blueprint, ref, record)
}

/** The names around the values of a plan; kept as long as the plan is. */
export const namesIn = perPlan(
  (blueprint): Names => ({
    nameOf: (kind, id) => {
      const ref = { kind: kind as KindName, id }
      const record = anyRecord(blueprint, ref)
      return record ? shortName(blueprint, ref, record) : null
    },
    find: (kind, text) => {
      const wanted = text.trim().toLowerCase()
      const { nameField } = specOf(kind as KindName)
      for (const [id, record] of recordMap(blueprint, kind as KindName)) {
        if (nameField && String(record[nameField] ?? '').toLowerCase() === wanted) return id
        if (numberOf(blueprint, { kind: kind as KindName, id }).toLowerCase() === wanted) return id
      }
      return null
    },
    weekStart: currentOffering(blueprint)?.weekStart ?? 'monday',
  }),
)
