/** The values of a field that is a choice, as the lists of the interface show them. */
import { listedValues } from '../../core/blueprint/field'
import { fieldOf, type KindName, type RecordOfKind } from '../../core/blueprint/kinds'
import type { Option } from './line-select'

type Words = { readonly none?: string; readonly labels?: Readonly<Record<string, string>> | undefined }

/** Options of a choice field, `none` first where it may be left open. Throws where the field is no choice. */
export function fieldOptions<K extends KindName>(
  kind: K,
  field: string & keyof RecordOfKind<K>,
  { none = 'none', labels }: Words = {},
): readonly Option[] {
  const spec = fieldOf(kind, field)
  if (spec.type !== 'enum') throw new Error(`${field} is no choice`)
  return [
    ...(spec.optional ? [{ value: '', label: none }] : []),
    ...listedValues(spec).map(({ value, group }) => ({ value, label: labels?.[value] ?? value, ...(group ? { group } : {}) })),
  ]
}
