/** The control of a field by its type: a type that has none here does not compile. */
import Autocomplete from '@mui/material/Autocomplete'
import Checkbox from '@mui/material/Checkbox'
import FormControlLabel from '@mui/material/FormControlLabel'
import FormGroup from '@mui/material/FormGroup'
import FormLabel from '@mui/material/FormLabel'
import TextField from '@mui/material/TextField'
import type { ComponentType } from 'react'
import { recordMap } from '../../core/blueprint/blueprint'
import type { Field, FieldTypeName } from '../../core/blueprint/field'
import { fieldText, readField } from '../../core/blueprint/field-text'
import { type AnyRecord, isKindName, type KindName } from '../../core/blueprint/kinds'
import type { RichText } from '../../core/blueprint/rich-text'
import { capital } from '../../core/blueprint/text'
import type { FieldByType } from '../../core/blueprint/types/define-type'
import { fieldTitle } from '../../core/history/describe'
import { namesIn } from '../../core/plan/names'
import { useNonce } from '../frame/nonce'
import { useCourse, useCourseStore } from '../store/course-store'
import { CheckInput } from './choice-input'
import { MomentInput } from './date-input'
import { DraftField } from './draft-field'
import { SelectInput } from './input'
import { RichField } from './rich-field'

type ControlProps<F> = {
  readonly field: F
  readonly label: string
  readonly value: unknown
  readonly disabled: boolean
  /** Writes a value; the record's other fields stay. */
  readonly write: (value: unknown) => void
}

/** Whatever is typed as text: the type reads it, in the names of this plan. */
function TypedControl({ field, label, value, disabled, write }: ControlProps<Field>) {
  const names = useCourse((s) => namesIn(s.view))
  return (
    <DraftField
      label={label}
      lines={field.type === 'text' && field.lines}
      value={fieldText(field, value, names)}
      placeholder={field.optional ? 'open' : ''}
      disabled={disabled}
      onCommit={(typed) => {
        const read = readField(field, typed, names)
        if (!read.ok) return read.error
        write(read.value)
        return null
      }}
    />
  )
}

/** A colour as it is written, beside what it looks like. */
function ColourControl(props: ControlProps<FieldByType['colour']>) {
  return (
    <div className="colour-control">
      <span className="swatch" style={{ background: (props.value as string | null) ?? 'transparent' }} aria-hidden="true" />
      <TypedControl {...props} />
    </div>
  )
}

function Moment({ field, label, value, disabled, write }: ControlProps<FieldByType['date'] | FieldByType['time']>) {
  const take = (moment: string | null) => {
    write(moment)
    return null
  }
  return (
    <MomentInput
      kind={field.type}
      label={label}
      value={value as string | null}
      clearable={field.optional ?? false}
      disabled={disabled}
      onCommit={take}
    />
  )
}

function YesNo({ label, value, disabled, write }: ControlProps<FieldByType['bool']>) {
  return (
    <div>
      <CheckInput label={label} checked={value === true} disabled={disabled} onCheck={write} />
    </div>
  )
}

function OneOf({ field, label, value, disabled, write }: ControlProps<FieldByType['enum']>) {
  return (
    <SelectInput
      label={label}
      value={String(value ?? '')}
      disabled={disabled}
      options={[...(field.optional ? [{ value: '', label: 'open' }] : []), ...field.values.map((v) => ({ value: v, label: v }))]}
      onChoose={(v) => write(v === '' ? null : v)}
    />
  )
}

function SomeOf({ field, label, value, disabled, write }: ControlProps<FieldByType['list']>) {
  const chosen = (value ?? []) as readonly string[]
  return (
    <FormGroup style={{ marginBottom: 8 }} role="group" aria-label={label}>
      <FormLabel component="span">{label}</FormLabel>
      {field.values.map((v) => (
        <FormControlLabel
          key={v}
          label={v}
          control={
            <Checkbox
              size="small"
              checked={chosen.includes(v)}
              disabled={disabled}
              onChange={(e) => write(field.values.filter((x) => (x === v ? e.target.checked : chosen.includes(x))))}
            />
          }
        />
      ))}
    </FormGroup>
  )
}

/** Every zone that this machine's calendar knows, found by typing. */
export function ZoneControl({ label, value, disabled, write }: Omit<ControlProps<FieldByType['zone']>, 'field'>) {
  const zones = [...new Set(['UTC', ...Intl.supportedValuesOf('timeZone'), String(value)])]
  return (
    <Autocomplete
      className="input"
      size="small"
      disableClearable
      options={zones}
      value={String(value)}
      disabled={disabled}
      onChange={(_, zone) => write(zone)}
      renderInput={(params) => <TextField {...params} label={label} />}
    />
  )
}

function AnotherRecord({ field, label, value, disabled, write }: ControlProps<FieldByType['ref']>) {
  const view = useCourse((s) => s.view)
  const names = namesIn(view)
  const to = field.to as KindName
  const others = [...recordMap(view, to).keys()].map((id) => ({ value: id, label: names.nameOf(to, id) ?? id }))
  return (
    <SelectInput
      label={label}
      value={String(value ?? '')}
      disabled={disabled}
      options={[...(field.optional ? [{ value: '', label: 'none' }] : []), ...others]}
      onChoose={(v) => write(v === '' ? null : v)}
    />
  )
}

function Rich({ field, label, value, disabled, write }: ControlProps<FieldByType['rich']>) {
  const nonce = useNonce()
  const shown = { label, nonce, readOnly: disabled, forLearners: field.learners === true }
  return <RichField {...shown} value={value as RichText | null} onCommit={write} />
}

const CONTROLS = {
  text: TypedControl,
  int: TypedControl,
  hundredths: TypedControl,
  date: Moment,
  time: Moment,
  colour: ColourControl,
  object: TypedControl,
  rich: Rich,
  bool: YesNo,
  enum: OneOf,
  list: SomeOf,
  'line list': TypedControl,
  zone: ZoneControl,
  ref: AnotherRecord,
  // A place is changed by moving, a list of facts where it is shown.
  order: () => null,
  'object list': () => null,
} satisfies { readonly [N in FieldTypeName]: ComponentType<ControlProps<FieldByType[N]>> }

/** The control of one field of a record of the plan. `what` is the record's name, for the list of steps. */
export function FieldControl({
  kind,
  record,
  name,
  field,
  what,
}: {
  readonly kind: KindName
  readonly record: AnyRecord
  readonly name: string
  readonly field: Field
  readonly what: string
}) {
  const store = useCourseStore()
  const Control = CONTROLS[field.type] as ComponentType<ControlProps<Field>>
  return (
    <Control
      field={field}
      label={capital(fieldTitle(name, kind))}
      value={record[name]}
      disabled={!isKindName(kind) || !store.may(kind, name)}
      write={(value) =>
        store.edit(
          field.type === 'text' || field.type === 'rich' ? 'edit-text' : 'set-field',
          { what: `${fieldTitle(name, kind)} of ${what}` },
          (edit) => edit.set(kind, record.id, { [name]: value }),
        )
      }
    />
  )
}
