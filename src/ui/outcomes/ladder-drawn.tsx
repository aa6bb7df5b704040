/** The level ladder of an outcome: its objectives as steps over the modules by level. Hover, focus and click go with the list. */
import './outcomes.css'
import { scaleLinear } from 'd3-scale'
import { line } from 'd3-shape'
import { memo } from 'react'
import type { Band, Ladder, Step } from '../../core/alignment/ladder'
import { Chart } from '../parts/chart/chart'
import { Mark } from '../parts/chart/marks'
import { useModuleWord } from '../store/course-store'
import { useGo } from '../store/navigation'
import { lightObjective, usePicked } from './picked'

const ROW = 7
const PAD = 8
/** No wider, however wide the window: a climb reads best when it is steep. */
const WIDEST = 268

export type LadderProps = {
  readonly ladder: Ladder
  readonly modules: number
  readonly name: string
}
type Placed = Step & { readonly cx: number; readonly cy: number }

/** Steps of a band on the drawing. Those of one module at one level stand beside one another. */
function placedOf(band: Band, x: (module: number) => number, y: (rank: number) => number, width: number): readonly Placed[] {
  return band.steps.map((s) => {
    const same = band.steps.filter((o) => o.module === s.module && o.rank === s.rank)
    const cx = x(s.module) + (same.indexOf(s) - (same.length - 1) / 2) * 7
    return { ...s, cx: Math.min(width - 6, Math.max(6, cx)), cy: y(s.rank) }
  })
}

const stepLine = line<Placed>(
  (s) => s.cx,
  (s) => s.cy,
)

export const DrawnLadder = memo(function DrawnLadder({ ladder, modules, name }: LadderProps) {
  const { open } = useGo()
  const word = useModuleWord()
  const lit = usePicked((s) => (ladder.bands.some((b) => b.steps.some((step) => step.id === s.lit)) ? s.lit : null))
  const wanted = (band: Band): number => (ladder.wanted ? (band.levels as readonly string[]).indexOf(ladder.wanted) : -1)
  const says = (s: Step) => `${s.number}: ${s.level}, ${word.one} ${s.module + 1}`
  const draw = (given: number) => {
    const width = Math.min(WIDEST, given)
    const x = scaleLinear([-0.5, Math.max(1, modules) - 0.5], [PAD, width - PAD])
    let top = 0
    const content = ladder.bands.map((band) => {
      const rise = Math.max(1, band.levels.length - 1) * ROW
      const y = scaleLinear([0, Math.max(1, band.levels.length - 1)], [top + PAD + rise, top + PAD])
      top += rise + 2 * PAD
      const placed = placedOf(band, x, y, width)
      return (
        <g key={band.domain}>
          {band.levels.map((l, rank) => (
            <line
              key={l}
              x1={0}
              x2={width}
              y1={y(rank)}
              y2={y(rank)}
              stroke={rank === wanted(band) ? 'var(--moss)' : 'var(--line)'}
              strokeWidth={rank === wanted(band) ? 1.6 : 1}
              strokeDasharray={rank === wanted(band) ? '4 3' : undefined}
            />
          ))}
          <path d={stepLine(placed) ?? undefined} fill="none" stroke="var(--edge)" />
          {placed.map((s) => (
            <Mark
              key={s.id}
              id={s.id}
              says={says(s)}
              onOpen={() => open({ kind: 'objective', id: s.id })}
              onLit={(on) => lightObjective(on ? s.id : null)}
            >
              <circle
                className="ring"
                cx={s.cx}
                cy={s.cy}
                r={s.id === lit ? 5.5 : 4}
                fill={s.id === lit ? 'var(--ink)' : 'var(--surface)'}
                stroke="var(--ink)"
                strokeWidth="1.6"
              />
            </Mark>
          ))}
        </g>
      )
    })
    return { height: top, content }
  }
  const steps = ladder.bands.flatMap((b) => b.steps)
  return (
    <div className="ladder">
      <Chart
        small
        heading={`${name}: ${ladder.words}`}
        name={`${name} ladder`}
        table={{ head: ['Objective', word.One, 'Level'], rows: steps.map((s) => [s.number, s.module + 1, s.level]) }}
        draw={draw}
        note={<span className="muted">{ladder.words}</span>}
      />
    </div>
  )
})
