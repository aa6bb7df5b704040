import './calendar.css'
import { isOver } from '../../core/hours/by-week'

/** Learner hours of a week as a bar, with the upper end of the target as a mark. */
export function HoursBar({ hours, most, target }: { hours: number; most: number; target: number | null }) {
  if (hours === 0) return <span className="muted">–</span>
  const over = isOver(hours, target)
  return (
    <span className={`hours-bar${over ? ' over' : ''}`}>
      <span className="track" aria-hidden="true">
        <span style={{ width: `${(hours / most) * 100}%` }} />
        {target !== null && <i style={{ left: `${(target / most) * 100}%` }} />}
      </span>
      {hours.toFixed(1)} h{over && <span className="visually-hidden">, over the target</span>}
    </span>
  )
}
