/** A choice in a line, of which there may be hundreds in sight: a plain element, as `LineButton` is. */
type LineSelectProps = {
  readonly label: string
  readonly value: string
  readonly options: readonly Option[]
  readonly disabled: boolean
  readonly onChoose: (value: string) => void
}

export const LineSelect = ({ label, value, options, disabled, onChoose }: LineSelectProps) => (
  <select aria-label={label} value={value} disabled={disabled} onChange={(e) => onChoose(e.target.value)}>
    {optionElements(options)}
  </select>
)

export type Option = { readonly value: string; readonly label: string; readonly group?: string }

/** Options under the heads of their groups; those of one group stand together. */
export const optionElements = (options: readonly Option[]) => {
  const groups = [...new Set(options.map((o) => o.group))]
  const within = (group: string | undefined) =>
    options
      .filter((o) => o.group === group)
      .map((o) => (
        <option key={o.value} value={o.value}>
          {o.label}
        </option>
      ))
  return groups.map((group) =>
    group === undefined ? (
      within(group)
    ) : (
      <optgroup key={group} label={group}>
        {within(group)}
      </optgroup>
    ),
  )
}
