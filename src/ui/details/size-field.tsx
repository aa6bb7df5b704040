/** How much there is of an activity: a number, and what it counts. */
import { useState } from 'react'
import type { Activity } from '../../core/blueprint/kinds'
import { SIZE_UNITS, type SizeUnit } from '../../core/blueprint/kinds/activity'
import { formatWhole } from '../../core/numbers'
import { proposedUnit, readSize } from '../../core/plan/estimate'
import { DraftField } from '../parts/draft-field'
import { SelectInput } from '../parts/input'

type Size = Activity['size']

export function SizeField({ activity, disabled, onSize }: { activity: Activity; disabled: boolean; onSize: (size: Size) => void }) {
  const { size } = activity
  // What the next number counts, while there is none.
  const [next, setNext] = useState<SizeUnit | null>(null)
  const unit = size?.unit ?? next ?? proposedUnit(activity.kind)
  const take = (text: string): string | null => {
    const typed = text.trim()
    if (typed === '') {
      onSize(null)
      return null
    }
    // A number alone counts what stands beside it; `17 pages` says it itself.
    const read = readSize(/^[\d.,\s]+$/.test(typed) ? `${typed.replace(/\s/g, '')} ${unit}` : typed)
    if (!read) return 'A whole number, such as 17; or with what it counts, such as 17 pages.'
    onSize(read)
    return null
  }
  return (
    <div className="pair">
      <DraftField
        label="Size"
        right
        value={size === null ? '' : formatWhole(size.amount)}
        placeholder="not said"
        disabled={disabled}
        onCommit={take}
      />
      <SelectInput
        label="Counted in"
        value={unit}
        disabled={disabled}
        options={SIZE_UNITS.map((u) => ({ value: u, label: u }))}
        onChoose={(to) => {
          if (to === '') return
          if (size) onSize({ ...size, unit: to })
          else setNext(to)
        }}
      />
    </div>
  )
}
