/** The level ladder of an outcome: its objectives as steps over the modules by level. Hover and click go with the list. */
import './outcomes.css'
import { scaleLinear } from 'd3-scale'
import { memo } from 'react'
import type { Ladder } from '../../core/alignment/ladder'
import { useGo } from '../store/navigation'
import { lightObjective, usePicked } from './picked'

const ROW = 7
const PAD = 8
const WIDTH = 268

type Props = {
  readonly ladder: Ladder
  readonly modules: number
  readonly name: string
}

export const LevelLadder = memo(function LevelLadder({ ladder, modules, name }: Props) {
  const { open } = useGo()
  const lit = usePicked((s) => (ladder.bands.some((b) => b.steps.some((step) => step.id === s.lit)) ? s.lit : null))
  const x = scaleLinear([-0.5, Math.max(1, modules) - 0.5], [PAD, WIDTH - PAD])
  return (
    <div className="ladder">
      {ladder.bands.map((band) => {
        const height = (band.levels.length - 1) * ROW + 2 * PAD
        const y = scaleLinear(
          [0, Math.max(1, band.levels.length - 1)],
          [height - PAD, height - PAD - Math.max(1, band.levels.length - 1) * ROW],
        )
        // Steps of one module stand beside one another.
        const placed = band.steps.map((s) => {
          const same = band.steps.filter((o) => o.module === s.module && o.rank === s.rank)
          const at = same.indexOf(s)
          const cx = x(s.module) + (at - (same.length - 1) / 2) * 7
          return { ...s, cx: Math.min(WIDTH - 6, Math.max(6, cx)), cy: y(s.rank) }
        })
        const wanted = ladder.wanted ? (band.levels as readonly string[]).indexOf(ladder.wanted) : -1
        return (
          <svg
            key={band.domain}
            width={WIDTH}
            height={height}
            viewBox={`0 0 ${WIDTH} ${height}`}
            role="img"
            aria-label={`${name}: ${ladder.words}`}
          >
            <title>{band.domain === 'cognitive' ? ladder.words : `${band.domain}: ${ladder.words}`}</title>
            {band.levels.map((l, rank) => (
              <line
                key={l}
                x1={0}
                x2={WIDTH}
                y1={y(rank)}
                y2={y(rank)}
                stroke={rank === wanted ? 'var(--moss)' : 'var(--line)'}
                strokeWidth={rank === wanted ? 1.6 : 1}
                strokeDasharray={rank === wanted ? '4 3' : undefined}
              />
            ))}
            <polyline points={placed.map((s) => `${s.cx},${s.cy}`).join(' ')} fill="none" stroke="var(--edge)" />
            {placed.map((s) => (
              <circle
                key={s.id}
                cx={s.cx}
                cy={s.cy}
                r={s.id === lit ? 5.5 : 4}
                fill={s.id === lit ? 'var(--ink)' : 'var(--surface)'}
                stroke="var(--ink)"
                strokeWidth="1.6"
                style={{ cursor: 'pointer' }}
                data-step={s.id}
                onMouseEnter={() => lightObjective(s.id)}
                onMouseLeave={() => lightObjective(null)}
                onClick={() => open({ kind: 'objective', id: s.id })}
              >
                <title>{`${s.number}: ${s.level}`}</title>
              </circle>
            ))}
          </svg>
        )
      })}
      <span className="muted">{ladder.words}</span>
    </div>
  )
})
