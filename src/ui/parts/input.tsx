/**
 * Fields on MUI's parts, with the label in their border. `boxed: false` is a field in a cell or a line: no border until it has the
 * focus. A label that is hidden is the field's name all the same.
 */
import FormControl from '@mui/material/FormControl'
import FormHelperText from '@mui/material/FormHelperText'
import InputBase, { type InputBaseProps } from '@mui/material/InputBase'
import InputLabel from '@mui/material/InputLabel'
import NativeSelect from '@mui/material/NativeSelect'
import OutlinedInput from '@mui/material/OutlinedInput'
import { type InputHTMLAttributes, memo, type ReactNode, useId } from 'react'
import './input.css'
import { type Option, optionElements } from './line-select'

type Frame = {
  readonly label: string
  readonly hideLabel?: boolean | undefined
  readonly boxed?: boolean | undefined
  readonly disabled?: boolean | undefined
  /** Why what stands in it cannot be taken. */
  readonly error?: string | null | undefined
  /** What helps to fill it in, while there is no error. */
  readonly hint?: ReactNode
  readonly width?: number | undefined
}

/** The label, the field and what is said under it, tied together for the ear. */
function Framed({ label, hideLabel, boxed = true, disabled, error, hint, width, children }: Frame & { children: Inside }) {
  const id = useId()
  const said = error ?? hint
  const inBorder = boxed && !hideLabel
  const aria = { 'aria-describedby': said ? `${id}-said` : undefined, 'aria-label': inBorder ? undefined : label }
  return (
    <FormControl
      className={`input${boxed ? '' : ' bare'}${hideLabel ? ' alone' : ''}`}
      fullWidth={width === undefined && !(boxed && hideLabel)}
      error={Boolean(error)}
      disabled={disabled ?? false}
      style={width === undefined ? undefined : { width }}
    >
      {inBorder && (
        <InputLabel shrink htmlFor={id}>
          {label}
        </InputLabel>
      )}
      {children(id, aria, (props) =>
        boxed ? <OutlinedInput notched={inBorder} label={inBorder ? label : undefined} {...props} /> : <InputBase {...props} />,
      )}
      {said && (
        <FormHelperText id={`${id}-said`} role={error ? 'alert' : undefined}>
          {said}
        </FormHelperText>
      )}
    </FormControl>
  )
}
type Aria = { readonly 'aria-describedby': string | undefined; readonly 'aria-label': string | undefined }
type Inside = (id: string, aria: Aria, input: (props: InputBaseProps) => ReactNode) => ReactNode

export type TextInputProps = Frame &
  Omit<InputBaseProps, 'error' | 'inputProps' | 'slotProps' | 'components' | 'componentsProps' | 'slots'> & {
    readonly right?: boolean | undefined
    /** What the element itself is given: `maxLength`, `list`, `spellCheck` and the like. */
    readonly element?: InputHTMLAttributes<HTMLInputElement> & { readonly [data: `data-${string}`]: unknown }
  }

/** One line of text, or several (`multiline`). */
export function TextInput({ label, hideLabel, boxed, disabled, error, hint, width, right, element, ...rest }: TextInputProps) {
  return (
    <Framed {...{ label, hideLabel, boxed, disabled, error, hint, width }}>
      {(id, aria, input) =>
        input({ id, ...rest, inputProps: { ...aria, ...element, className: `${element?.className ?? ''}${right ? ' r' : ''}` } })
      }
    </Framed>
  )
}

export type SelectInputProps<T extends string> = Frame & {
  readonly value: T | ''
  readonly options: readonly (Option & { readonly value: T | '' })[]
  readonly onChoose: (value: T | '') => void
  readonly name?: string
  readonly className?: string
  readonly element?: { readonly [data: `data-${string}`]: unknown }
}

/** A choice of one value; the list is the browser's own, which every key and reader knows. */
export const SelectInput = memo(ChoiceOfOne) as typeof ChoiceOfOne

function ChoiceOfOne<T extends string>({ value, options, onChoose, name, className, element, ...frame }: SelectInputProps<T>) {
  return (
    <Framed {...frame}>
      {(id, aria, input) => (
        <NativeSelect
          variant={frame.boxed === false ? 'standard' : 'outlined'}
          className={className}
          value={value}
          onChange={(e) => onChoose(e.target.value as T | '')}
          input={input({ name }) as never}
          inputProps={{ id, ...aria, ...element }}
        >
          {optionElements(options)}
        </NativeSelect>
      )}
    </Framed>
  )
}
