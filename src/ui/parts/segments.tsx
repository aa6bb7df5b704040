/** A few views of one thing, side by side, one of them chosen. */
import './segments.css'
export function Segments<V extends string>({
  label,
  value,
  options,
  onChoose,
}: {
  readonly label: string
  readonly value: V
  readonly options: readonly { readonly value: V; readonly label: string }[]
  readonly onChoose: (value: V) => void
}) {
  return (
    <div className="segments" role="group" aria-label={label}>
      {options.map((o) => (
        <button key={o.value} type="button" aria-pressed={o.value === value} onClick={() => onChoose(o.value)}>
          {o.label}
        </button>
      ))}
    </div>
  )
}
