import './calendar.css'
import { offTarget, offTargetText, type WeeklyTarget } from '../../core/hours/by-week'

/** Learner hours of a week as a bar, with the upper end of the target as a mark. */
export function HoursBar({ hours, most, target, counts }: { hours: number; most: number; target: WeeklyTarget; counts: boolean }) {
  const off = offTarget(hours, target, counts)
  if (hours === 0 && !off) return <span className="muted">–</span>
  return (
    <span className={`hours-bar${off ? ' over' : ''}`}>
      <span className="track" aria-hidden="true">
        <span style={{ width: `${(hours / most) * 100}%` }} />
        {target !== null && <i style={{ left: `${(target.max / most) * 100}%` }} />}
      </span>
      {hours.toFixed(1)} h{off && <span className="visually-hidden">{offTargetText(hours, target, counts)}</span>}
    </span>
  )
}
