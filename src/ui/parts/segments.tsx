/** A few views of one thing, side by side, one of them chosen. */
import ToggleButton from '@mui/material/ToggleButton'
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup'
import './segments.css'

type Props<V extends string> = {
  readonly label: string
  readonly value: V
  readonly options: readonly { readonly value: V; readonly label: string }[]
  readonly onChoose: (value: V) => void
}

export const Segments = <V extends string>({ label, value, options, onChoose }: Props<V>) => (
  <ToggleButtonGroup
    className="segments"
    exclusive
    size="small"
    aria-label={label}
    value={value}
    onChange={(_, chosen: V | null) => chosen !== null && onChoose(chosen)}
  >
    {options.map((o) => (
      <ToggleButton key={o.value} value={o.value} disableRipple>
        {o.label}
      </ToggleButton>
    ))}
  </ToggleButtonGroup>
)
