/**
 * Dates and times of day: typed or picked, day first as everywhere in Cairn. What stands in them is ISO text (`2027-09-06`, `23:59`),
 * or null. The pickers are fetched when the first such field is drawn.
 */
import { laterFrom } from './later'

export type MomentInputProps = {
  readonly label: string
  readonly kind: 'date' | 'time'
  readonly value: string | null
  readonly disabled?: boolean
  readonly hideLabel?: boolean | undefined
  readonly boxed?: boolean
  readonly width?: number | undefined
  /** Whether it may be left empty. */
  readonly clearable?: boolean
  /** Takes a whole value: on leaving the field, on Enter, or when a day is picked. A sentence comes back when it cannot be stored. */
  readonly onCommit: (value: string | null) => string | null
  readonly error?: string | undefined
}

export const MomentInput = laterFrom(
  () => import('./moment-input'),
  (m) => m.MomentInput,
  <div className="input moment-waiting" />,
)
