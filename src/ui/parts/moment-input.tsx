/** A date or a time of day with its picker. */
import { AdapterLuxon } from '@mui/x-date-pickers/AdapterLuxon'
import { DatePicker } from '@mui/x-date-pickers/DatePicker'
import { LocalizationProvider } from '@mui/x-date-pickers/LocalizationProvider'
import { TimeField } from '@mui/x-date-pickers/TimeField'
import { DateTime } from 'luxon'
import { useRef, useState } from 'react'
import type { MomentInputProps } from './date-input'

/** No course lies outside (Cairn default). */
const [FIRST, LAST] = [DateTime.local(1900, 1, 1), DateTime.local(2200, 12, 31)]
const NO_VALUE = { date: 'A day, such as 14 10 2027, from 1900 to 2200.', time: 'A time of day, such as 23 59.' }

const momentOf = (kind: 'date' | 'time', value: string | null): DateTime | null =>
  value === null || value === '' ? null : kind === 'date' ? DateTime.fromISO(value) : DateTime.fromISO(`2000-01-01T${value}`)
const textOf = (kind: 'date' | 'time', moment: DateTime): string => moment.toFormat(kind === 'date' ? 'yyyy-MM-dd' : 'HH:mm')
const whole = (kind: 'date' | 'time', moment: DateTime): boolean =>
  moment.isValid && (kind === 'time' || (moment >= FIRST && moment <= LAST))

/** What is typed stays the field's own until it is a whole value and the field is left, or Enter is pressed. */
function useDraft({ kind, value, clearable, onCommit }: MomentInputProps) {
  const [draft, setDraft] = useState<DateTime | null | undefined>(undefined)
  const [refused, setRefused] = useState<string | null>(null)
  const latest = useRef(draft)
  latest.current = draft
  const set = (next: DateTime | null | undefined) => {
    latest.current = next
    setDraft(next)
    setRefused(null)
  }
  const finish = () => {
    const typed = latest.current
    if (typed === undefined) return
    if (typed === null ? !clearable : !whole(kind, typed)) return setRefused(NO_VALUE[kind])
    const text = typed === null ? null : textOf(kind, typed)
    const why = text === (value || null) ? null : onCommit(text)
    setRefused(why)
    if (why === null) set(undefined)
  }
  return {
    shown: draft === undefined ? momentOf(kind, value) : draft,
    refused,
    set,
    finish,
    drop: () => {
      const open = latest.current !== undefined || refused !== null
      set(undefined)
      return open
    },
    changed: draft !== undefined,
  }
}

export function MomentInput(props: MomentInputProps) {
  const { label, kind, disabled, hideLabel, width, error } = props
  const draft = useDraft(props)
  const [open, setOpen] = useState(false)
  const said = draft.refused ?? error
  const field = {
    fullWidth: width === undefined,
    size: 'small' as const,
    error: Boolean(said),
    'data-draft': draft.changed || undefined,
    onBlur: () => {
      if (!open) draft.finish()
    },
    onKeyDown: (e: React.KeyboardEvent) => {
      if (e.key === 'Enter') draft.finish()
      if (e.key === 'Escape' && draft.drop()) e.stopPropagation()
    },
    style: width === undefined ? undefined : { width },
    slotProps: { inputLabel: { shrink: true } },
  }
  const shared = { label: hideLabel ? undefined : label, value: draft.shown, disabled: disabled ?? false }
  return (
    <div className={`input moment${props.boxed === false ? ' bare' : ''}`}>
      <LocalizationProvider dateAdapter={AdapterLuxon} adapterLocale="en-GB" localeText={{ fieldMonthPlaceholder: () => 'MMM' }}>
        {kind === 'date' ? (
          <DatePicker
            {...shared}
            format="dd MMM yyyy"
            minDate={FIRST}
            maxDate={LAST}
            open={open}
            onOpen={() => setOpen(true)}
            onClose={() => {
              setOpen(false)
              draft.finish()
            }}
            onChange={(next) => draft.set(next)}
            slotProps={{ textField: field as object, openPickerButton: { 'aria-label': `Choose ${label.toLowerCase()}` } }}
          />
        ) : (
          <TimeField {...shared} ampm={false} format="HH:mm" onChange={(next) => draft.set(next)} {...(field as object)} />
        )}
      </LocalizationProvider>
      {said && (
        <p className="form-error" role="alert">
          {said}
        </p>
      )}
    </div>
  )
}
