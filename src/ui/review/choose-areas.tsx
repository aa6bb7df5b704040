/** Which areas of a set are rated: a box each, with how many of its points are asked. */
import { CheckInput } from '../parts/choice-input'

type Props = {
  readonly areas: readonly { readonly id: string; readonly title: string; readonly points: readonly unknown[] }[]
  /** The ids of those left out. */
  readonly left: ReadonlySet<string>
  readonly onLeave: (left: ReadonlySet<string>) => void
  readonly label: string
}

export const ChooseAreas = ({ areas, left, onLeave, label }: Props) => (
  <div className="areas-of-seat" role="group" aria-label={label}>
    {areas.map(({ id, title, points }) => (
      <CheckInput
        key={id}
        label={`${title}, ${points.length}`}
        checked={!left.has(id)}
        onCheck={(on) => onLeave(new Set([...[...left].filter((l) => l !== id), ...(on ? [] : [id])]))}
      />
    ))}
  </div>
)
