/** A text that was being typed when its window went away at once, and what becomes of it. */
import type { Blueprint } from '../../core/blueprint/blueprint'
import { recordMap } from '../../core/blueprint/blueprint'
import { fieldText, readField } from '../../core/blueprint/field-text'
import { fieldOf, isKindName, type KindName, specOf } from '../../core/blueprint/kinds'

export type LeftDraft = {
  /** One a window and place. */
  readonly key: string
  /** The window that it was typed in; empty: none that is still there. */
  readonly window: string
  /** Kind, id and field where it was typed; null where it was no field of the plan. */
  readonly of: string | null
  /** What the field is called on the screen. */
  readonly label: string
  readonly text: string
  /** What stood in the field when the typing began. */
  readonly began: string
}

/** The field that a draft was typed into; null where there is none of that kind. */
export function fieldOfDraft(of: string | null): { readonly kind: KindName; readonly id: string; readonly field: string } | null {
  const [kind = '', id = '', field = ''] = of?.split(' ') ?? []
  return isKindName(kind) && id !== '' && Object.hasOwn(specOf(kind).fields, field) ? { kind, id, field } : null
}

/** What a field of the plan says, as it is typed; null where there is no such record. */
export function storedText(plan: Blueprint, of: string | null): string | null {
  const at = fieldOfDraft(of)
  const record = at && recordMap(plan, at.kind).get(at.id)
  return record ? fieldText(fieldOf(at.kind, at.field), (record as Readonly<Record<string, unknown>>)[at.field]) : null
}

/** `stored`: the plan says it. `write`: nothing was written there since, and it can be stored. `tell`: somebody has to see to it. */
export type Outcome =
  | { readonly is: 'stored' }
  | { readonly is: 'write'; readonly kind: KindName; readonly id: string; readonly field: string; readonly value: unknown }
  | { readonly is: 'tell' }

/** What becomes of a draft in the plan as it is now. Texts go where they were typed; a number half typed is told and no more. */
export function outcomeOf(plan: Blueprint, { of, text, began }: LeftDraft, may: (kind: KindName, field: string) => boolean): Outcome {
  const now = storedText(plan, of)
  if (text.trim() === '' || now === text.trim()) return { is: 'stored' }
  const at = fieldOfDraft(of)
  const spec = at && fieldOf(at.kind, at.field)
  if (!at || spec?.type !== 'text' || now !== began || !may(at.kind, at.field)) return { is: 'tell' }
  const read = readField(spec, text)
  return read.ok ? { is: 'write', ...at, value: read.value } : { is: 'tell' }
}
