/** The areas of a set with how much of them is rated, and what narrows its points. */
import ButtonBase from '@mui/material/ButtonBase'
import { memo } from 'react'
import { isKindName, nounsOf, type ReviewPointRecord } from '../../core/blueprint/kinds'
import { PRIORITIES } from '../../core/blueprint/kinds/review-set'
import type { askedAreas } from '../../core/review/asked'
import { CheckInput } from '../parts/choice-input'
import { SelectInput } from '../parts/input'
import { useLatest } from '../parts/use-latest'

export type Filters = { readonly priority: string; readonly tag: string; readonly looks: string; readonly left: boolean }

export const passes = (p: ReviewPointRecord, { priority, tag, looks }: Filters): boolean =>
  (priority === '' || p.priority === priority) &&
  (tag === '' || p.tags.some((t) => t === tag)) &&
  (looks === '' || p.looksAt.some((l) => l.split(':')[0] === looks))

type AreasProps = {
  readonly all: ReturnType<typeof askedAreas>
  readonly area: string
  readonly setArea: (id: string) => void
  readonly isRated: (p: ReviewPointRecord) => boolean
}

export function Areas({ all, area, setArea, isRated }: AreasProps) {
  const choose = useLatest(setArea)
  return (
    <ul className="plain-list">
      {[{ id: '', title: 'All areas', points: all.flatMap((a) => a.points) }, ...all].map((a) => (
        <li key={a.id}>
          <Area
            {...{ id: a.id, title: a.title, choose }}
            isCurrent={a.id === area}
            rated={a.points.filter(isRated).length}
            of={a.points.length}
          />
        </li>
      ))}
    </ul>
  )
}

type AreaProps = {
  readonly id: string
  readonly title: string
  readonly isCurrent: boolean
  readonly rated: number
  readonly of: number
  readonly choose: (id: string) => void
}

const Area = memo(function Area({ id, title, isCurrent, rated, of, choose }: AreaProps) {
  return (
    <ButtonBase className="area" aria-current={isCurrent} onClick={() => choose(id)}>
      <span className="grow">{title}</span>
      <span className="muted">
        {rated} of {of}
      </span>
    </ButtonBase>
  )
})

type FilterBarProps = Filters & {
  readonly all: ReturnType<typeof askedAreas>
  readonly onPriority: (value: string) => void
  readonly onTag: (value: string) => void
  readonly onLooks: (value: string) => void
  readonly onLeft: (on: boolean) => void
}

const TAGS = [
  { value: '', label: 'Any principle' },
  { value: 'engagement', label: 'Engagement' },
  { value: 'representation', label: 'Representation' },
  { value: 'action', label: 'Action and expression' },
]

export const FilterBar = memo(function FilterBar({ all, priority, tag, looks, left, onPriority, onTag, onLooks, onLeft }: FilterBarProps) {
  const kinds = [...new Set(all.flatMap((a) => a.points.flatMap((p) => p.looksAt.map((l) => l.split(':')[0] ?? ''))))].filter(isKindName)
  const hasTags = all.some((a) => a.points.some((p) => p.tags.length > 0))
  return (
    <>
      <SelectInput
        label="Priority"
        value={priority}
        options={[{ value: '', label: 'Any priority' }, ...PRIORITIES.map((p) => ({ value: p as string, label: p }))]}
        onChoose={onPriority}
      />
      {hasTags && <SelectInput label="Principle" value={tag} options={TAGS} onChoose={onTag} />}
      {kinds.length > 0 && (
        <SelectInput
          label="Looks at"
          value={looks}
          options={[{ value: '', label: 'Anything' }, ...kinds.map((k) => ({ value: k as string, label: nounsOf(k) }))]}
          onChoose={onLooks}
        />
      )}
      <CheckInput label="Not rated yet" checked={left} onCheck={onLeft} />
    </>
  )
})
