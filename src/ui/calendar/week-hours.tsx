/** Learner hours of a week by purpose, over the band of the target. */
import './calendar.css'
import { scaleLinear } from 'd3-scale'
import { PURPOSES } from '../../core/blueprint/kinds/activity'
import { offTarget, offTargetText, type WeekHours, type WeeklyTarget } from '../../core/hours/by-week'
import { PURPOSE_COLOUR } from '../parts/marks'

const WIDTH = 150
const HEIGHT = 30

export function WeekHoursBar({ week, most, target }: { week: WeekHours | undefined; most: number; target: WeeklyTarget }) {
  const hours = (week?.minutes ?? 0) / 60
  const x = scaleLinear([0, most], [0, WIDTH])
  const parts = [...PURPOSES, null].flatMap((p) => {
    const minutes = week?.byPurpose.get(p) ?? 0
    return minutes > 0 ? [{ p, hours: minutes / 60 }] : []
  })
  let at = 0
  const counts = week?.week.number !== null
  const off = offTarget(hours, target, counts)
  return (
    <span className="week-hours">
      <svg width={WIDTH} height={HEIGHT} aria-hidden="true">
        {target && (
          <rect
            x={x(target.min ?? target.max) - (target.min === null ? 1 : 0)}
            width={Math.max(2, x(target.max) - x(target.min ?? target.max))}
            height={HEIGHT}
            fill="var(--moss-soft)"
            stroke="var(--line)"
          />
        )}
        {parts.map(({ p, hours: h }) => {
          const from = at
          at += h
          return (
            <rect
              key={p ?? 'none'}
              x={x(from)}
              y={8}
              width={Math.max(0.5, x(h) - 0.6)}
              height={14}
              fill={p === null ? 'var(--edge)' : PURPOSE_COLOUR[p]}
              opacity={0.8}
            />
          )
        })}
      </svg>
      <span className={off ? 'weight check' : ''}>{hours > 0 ? hours.toFixed(1) : '–'}</span>
      {off && <span className="visually-hidden">{offTargetText(hours, target, counts)}</span>}
    </span>
  )
}
