/** Yes or no, and one of a few: apart from what is written, since most views have none of them. */
import Checkbox from '@mui/material/Checkbox'
import FormControl from '@mui/material/FormControl'
import FormControlLabel from '@mui/material/FormControlLabel'
import FormLabel from '@mui/material/FormLabel'
import Radio from '@mui/material/Radio'
import RadioGroup from '@mui/material/RadioGroup'
import type { InputHTMLAttributes, ReactNode } from 'react'
import './input.css'

/** Yes or no, with its words behind it. */
export const CheckInput = ({ label, checked, disabled, hideLabel, onCheck, element }: CheckInputProps) => (
  <FormControlLabel
    className="check"
    label={hideLabel ? <span className="visually-hidden">{label}</span> : label}
    control={
      <Checkbox
        size="small"
        checked={checked}
        disabled={disabled ?? false}
        slotProps={{ input: { ...element } }}
        onChange={(e) => onCheck(e.target.checked)}
      />
    }
  />
)
type CheckInputProps = {
  readonly label: ReactNode
  readonly checked: boolean
  readonly disabled?: boolean
  readonly hideLabel?: boolean
  readonly onCheck: (checked: boolean) => void
  readonly element?: InputHTMLAttributes<HTMLInputElement>
}

/** One of a few, all in sight. */
export const RadioInput = <T extends string>({ label, value, options, onChoose }: RadioInputProps<T>) => (
  <FormControl className="input">
    <FormLabel>{label}</FormLabel>
    <RadioGroup aria-label={label} value={value} onChange={(_, chosen) => onChoose(chosen as T)}>
      {options.map((o) => (
        <FormControlLabel key={o.value} className="check" value={o.value} label={o.label} control={<Radio size="small" />} />
      ))}
    </RadioGroup>
  </FormControl>
)
type RadioInputProps<T extends string> = {
  readonly label: string
  readonly value: T
  readonly options: readonly { readonly value: T; readonly label: string }[]
  readonly onChoose: (value: T) => void
}
