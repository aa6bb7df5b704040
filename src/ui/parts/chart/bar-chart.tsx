/** Bars side by side in a common scale, each of one or several parts, with a target as a mark or a band. */
import { max, sum } from 'd3-array'
import { scaleLinear } from 'd3-scale'
import { stack } from 'd3-shape'
import { shortened } from '../../../core/blueprint/text'
import { Chart, type ChartTable, type LegendEntry } from './chart'
import { Mark } from './marks'

export type BarPart = { readonly key: string; readonly value: number; readonly fill: string }
export type Bar = {
  readonly key: string
  readonly label: string
  /** Quiet, behind the label. */
  readonly about?: string
  readonly parts: readonly BarPart[]
  /** What was meant: a line across the bar. */
  readonly mark?: number | null
  /** The value in words, behind the bar, and whether it is away from what was meant. */
  readonly text: string
  readonly off?: boolean
  /** Said at the pointer and at the focus. */
  readonly says: string
  readonly onOpen?: () => void
}

type Props = {
  readonly heading: string
  readonly name: string
  /** Of the axis: `h`, `%`. */
  readonly unit: string
  readonly bars: readonly Bar[]
  /** The band that the bars should end in. */
  readonly band?: { readonly from: number; readonly to: number } | null
  readonly legend?: readonly LegendEntry[]
  readonly table: ChartTable
  readonly labelWidth?: number
  /** The scale goes at least so far, so that a small figure does not look large. */
  readonly least?: number
  readonly note?: React.ReactNode
}

const ROW = 28
const AXIS = 22
const VALUE = 92
/** Average width of a letter of labels. */
const LETTER = 7

export function BarChart({ bars, band, unit, labelWidth = 132, least = 1, ...frame }: Props) {
  const most =
    max([
      least,
      band?.to ?? 0,
      ...bars.map((b) =>
        Math.max(
          b.mark ?? 0,
          sum(b.parts, (p) => p.value),
        ),
      ),
    ]) ?? least
  const draw = (width: number) => {
    const x = scaleLinear()
      .domain([0, most])
      .nice(5)
      .range([labelWidth, Math.max(labelWidth + 60, width - VALUE)])
    const bottom = bars.length * ROW
    const ticks = x.ticks(Math.max(2, Math.floor((width - labelWidth - VALUE) / 70)))
    return {
      height: bottom + AXIS,
      content: (
        <>
          {ticks.map((t) => (
            <g key={t}>
              <line x1={x(t)} x2={x(t)} y1={0} y2={bottom} stroke="var(--line)" />
              <text className="quiet" x={x(t)} y={bottom + 15} textAnchor={t === 0 ? 'start' : 'middle'}>
                {x.tickFormat()(t)}
                {t === 0 ? ` ${unit}` : ''}
              </text>
            </g>
          ))}
          {band && (
            <rect x={x(band.from)} width={Math.max(2, x(band.to) - x(band.from))} height={bottom} fill="var(--moss)" opacity=".14" />
          )}
          {bars.map((bar, n) => (
            <BarRow key={bar.key} bar={bar} y={n * ROW} x={x} labelWidth={labelWidth} width={width} />
          ))}
        </>
      ),
    }
  }
  return <Chart {...frame} draw={draw} />
}

type RowProps = {
  readonly bar: Bar
  readonly y: number
  readonly x: (value: number) => number
  readonly labelWidth: number
  readonly width: number
}

function BarRow({ bar, y, x, labelWidth, width }: RowProps) {
  const keys = bar.parts.map((p) => p.key)
  const laid = stack<Readonly<Record<string, number>>>().keys(keys)([Object.fromEntries(bar.parts.map((p) => [p.key, p.value]))])
  const end = x(
    Math.max(
      0,
      sum(bar.parts, (p) => p.value),
    ),
  )
  const about = bar.about ? ` ${bar.about}` : ''
  const label = shortened(bar.label, Math.max(4, Math.floor(labelWidth / LETTER) - about.length))
  return (
    <g>
      <Mark id={bar.key} says={bar.says} onOpen={bar.onOpen}>
        <rect
          className="ring"
          x={1}
          y={y + 1}
          width={width - 2}
          height={ROW - 2}
          rx={4}
          fill="transparent"
          stroke="transparent"
          strokeWidth={2}
        />
        {laid.map((layer, i) => {
          const [from, to] = layer[0] as unknown as readonly [number, number]
          return (
            <rect
              key={layer.key}
              x={x(from)}
              y={y + 7}
              width={to > from ? Math.max(0.5, x(to) - x(from) - 0.6) : 0}
              height={14}
              fill={bar.parts[i]?.fill ?? 'var(--edge)'}
            />
          )
        })}
      </Mark>
      <g className="over">
        <text x={6} y={y + 19}>
          <tspan fontWeight={700}>{label}</tspan>
          <tspan fill="var(--muted)">{about}</tspan>
        </text>
        {bar.mark != null && <line x1={x(bar.mark)} x2={x(bar.mark)} y1={y + 3} y2={y + 25} stroke="var(--ink)" strokeWidth={2} />}
        <text className={bar.off ? 'off' : ''} x={Math.max(end, x(bar.mark ?? 0)) + 6} y={y + 19}>
          {bar.text}
        </text>
      </g>
    </g>
  )
}
