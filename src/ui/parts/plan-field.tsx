/** A field over one value of the plan: what can be typed, and what cannot be stored, follow from the field's definition. */
import { fieldText, isTypedField, readField } from '../../core/blueprint/field-text'
import { fieldOf, type KindName, type RecordOfKind } from '../../core/blueprint/kinds'
import { useCourseStore } from '../store/course-store'
import { MomentInput } from './date-input'
import { DraftField } from './draft-field'
import { SelectInput } from './input'
import { fieldOptions } from './options'

type Shared<K extends KindName> = {
  readonly kind: K
  readonly record: { readonly id: string }
  readonly field: string & keyof RecordOfKind<K>
  readonly label: string
  /** The field's name in the list of steps: "Undone: points of 3.2". The label in small letters unless given. */
  readonly what?: string
  readonly hideLabel?: boolean
}
type Look = { readonly right?: boolean; readonly boxed?: boolean; readonly placeholder?: string; readonly unit?: string }

function useField<K extends KindName>({ kind, record, field, label, what }: Shared<K>) {
  const store = useCourseStore()
  const spec = fieldOf(kind, field)
  return {
    spec,
    stored: (record as Readonly<Record<string, unknown>>)[field],
    disabled: !store.may(kind, field),
    write: (to: Readonly<Record<string, unknown>>) =>
      void store.edit(spec.type === 'text' ? 'edit-text' : 'set-field', { what: what ?? label.toLowerCase() }, (edit) =>
        edit.set(kind, record.id, to),
      ),
  }
}

/**
 * A value that is typed: text, number, date or time. `check` may refuse a readable value with a sentence; `also` names fields
 * that change with it.
 */
export function PlanField<K extends KindName>(
  props: Shared<K> &
    Look & {
      readonly check?: (value: string | number | null) => string | null
      readonly also?: (value: string | number | null) => Readonly<Record<string, unknown>>
      readonly shown?: string
      /** After it was written, with its new value. */
      readonly written?: (value: string | number | null) => void
      /** What of the typed text is the value, where more stands around it. */
      readonly read?: (typed: string) => string
    },
) {
  const { spec, stored, disabled, write } = useField(props)
  if (!isTypedField(spec)) throw new Error(`${props.field} is not typed as text`)
  const text = props.shown ?? fieldText(spec, stored)
  const take = (typed: string): string | null => {
    const read = readField(spec, props.read ? props.read(typed) : typed)
    if (!read.ok) return read.error
    const value = read.value as string | number | null
    const refused = props.check?.(value) ?? null
    if (refused !== null) return refused
    write({ [props.field]: value, ...props.also?.(value) })
    props.written?.(value)
    return null
  }
  if (spec.type === 'date' || spec.type === 'time')
    return (
      <MomentInput
        kind={spec.type}
        label={props.label}
        hideLabel={props.hideLabel}
        boxed={props.boxed ?? true}
        value={text}
        clearable={spec.optional ?? false}
        disabled={disabled}
        onCommit={(moment) => take(moment ?? '')}
      />
    )
  return (
    <DraftField
      label={props.label}
      of={`${props.kind} ${props.record.id} ${props.field}`}
      {...(props.hideLabel ? { hideLabel: true } : {})}
      {...(props.right ? { right: true } : {})}
      boxed={props.boxed ?? true}
      lines={spec.type === 'text' && spec.lines}
      placeholder={props.placeholder ?? ''}
      value={text && props.unit ? `${text} ${props.unit}` : text}
      disabled={disabled}
      onCommit={take}
    />
  )
}

/** A value out of a few. An optional one has `none` first. */
export function PlanChoice<K extends KindName>(
  props: Shared<K> & {
    readonly labels?: Readonly<Record<string, string>>
    readonly none?: string
    readonly boxed?: boolean
  },
) {
  const { spec, stored, disabled, write } = useField(props)
  if (spec.type !== 'enum') throw new Error(`${props.field} is no choice`)
  return (
    <SelectInput
      label={props.label}
      {...(props.hideLabel ? { hideLabel: true } : {})}
      boxed={props.boxed ?? true}
      value={String(stored ?? '')}
      disabled={disabled}
      options={fieldOptions(props.kind, props.field, { ...(props.none ? { none: props.none } : {}), labels: props.labels })}
      onChoose={(value) => (value || spec.optional) && write({ [props.field]: value || null })}
    />
  )
}
