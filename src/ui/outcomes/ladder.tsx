/** The level ladder of an outcome, in a place that is kept for it: what draws comes after the lines. */
import { laterFrom } from '../parts/later'
import type { LadderProps } from './ladder-drawn'

const DrawnLadder = laterFrom(
  () => import('./ladder-drawn'),
  (m) => m.DrawnLadder,
)

export const LevelLadder = (props: LadderProps) => (
  <div className="ladder-place">
    <DrawnLadder {...props} />
  </div>
)
