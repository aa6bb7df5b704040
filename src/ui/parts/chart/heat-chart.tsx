/** Counts in a grid of rows and columns, darker where there are more. A cell of none is empty: a hole is seen as a hole. */
import { max } from 'd3-array'
import { scaleBand, scaleLinear } from 'd3-scale'
import type { ReactNode } from 'react'
import { shortened } from '../../../core/blueprint/text'
import { Chart, type LegendEntry } from './chart'
import { Mark } from './marks'

export type HeatRow = {
  readonly key: string
  readonly label: string
  /** Drawn before the label, around the origin. */
  readonly sign?: ReactNode
  readonly counts: readonly number[]
  /** A line over it parts it from the rows above. */
  readonly begins?: boolean
}
type Props = {
  readonly heading: string
  readonly name: string
  readonly columns: readonly { readonly key: string; readonly label: string; readonly title: string }[]
  readonly rows: readonly HeatRow[]
  /** The head of the column of labels, in the table. */
  readonly rowHead: string
  /** What a cell says. */
  readonly says: (row: number, column: number) => string
  readonly onOpen?: (row: number, column: number) => void
  /** The head of a last row with the sums of the columns. */
  readonly foot?: string
  readonly legend?: readonly LegendEntry[]
  readonly note?: ReactNode
}

const ROW = 26
const HEAD = 24
const SUM = 46
const WIDEST_LABEL = 260
/** Average width of a letter of labels. */
const LETTER = 7
/** A cell that narrows below this becomes a strip that scrolls sideways (Cairn default). */
const LEAST_CELL = 26

export function HeatChart({ columns, rows, rowHead, says, onOpen, foot, ...frame }: Props) {
  const most = max(rows, (r) => max(r.counts) ?? 0) || 1
  // No darker than that its number still stands out, in light and in dark.
  const shade = scaleLinear()
    .domain([1, Math.max(2, most)])
    .range([0.1, 0.4])
  const labelWidth = Math.min(WIDEST_LABEL, 26 + LETTER * Math.max(8, ...rows.map((r) => r.label.length)))
  const sums = foot ? columns.map((_, n) => rows.reduce((all, r) => all + (r.counts[n] ?? 0), 0)) : []
  const whole = sums.reduce((all, n) => all + n, 0)
  const total = (r: HeatRow) => r.counts.reduce((n, c) => n + c, 0)
  const draw = (width: number) => {
    const x = scaleBand(
      columns.map((c) => c.key),
      [labelWidth, Math.max(width - SUM, labelWidth + columns.length * LEAST_CELL)],
    ).padding(0.06)
    return {
      height: HEAD + (rows.length + (foot ? 1 : 0)) * ROW + 7,
      content: (
        <>
          {columns.map((c) => (
            <text key={c.key} className="strong" x={(x(c.key) ?? 0) + x.bandwidth() / 2} y={16} textAnchor="middle">
              {shortened(c.label, Math.max(2, Math.floor(x.bandwidth() / LETTER)))}
              <title>{c.title}</title>
            </text>
          ))}
          {rows.map((row, r) => {
            const y = HEAD + r * ROW
            return (
              <g key={row.key}>
                {row.begins && <line x1={0} x2={width} y1={y - 1} y2={y - 1} stroke="var(--edge)" />}
                {row.sign && <g transform={`translate(12 ${y + 13})`}>{row.sign}</g>}
                <text x={row.sign ? 26 : 4} y={y + 18}>
                  {shortened(row.label, Math.floor((labelWidth - 26) / LETTER) + 2)}
                </text>
                {columns.map((c, n) => {
                  const count = row.counts[n] ?? 0
                  const left = x(c.key) ?? 0
                  return (
                    <g key={c.key}>
                      <Mark id={`${row.key} ${c.key}`} says={says(r, n)} onOpen={count > 0 && onOpen ? () => onOpen(r, n) : undefined}>
                        <rect
                          className="ring"
                          x={left}
                          y={y + 1}
                          width={x.bandwidth()}
                          height={ROW - 3}
                          rx={3}
                          fill={count === 0 ? 'var(--surface)' : 'var(--moss)'}
                          fillOpacity={count === 0 ? 1 : shade(count)}
                          stroke="var(--line)"
                        />
                      </Mark>
                      {count > 0 && (
                        <text x={left + x.bandwidth() / 2} y={y + 17} textAnchor="middle" className="strong over">
                          {count}
                        </text>
                      )}
                    </g>
                  )
                })}
                <text className="quiet" x={width - 4} y={y + 17} textAnchor="end">
                  {total(row)}
                </text>
              </g>
            )
          })}
          {foot && (
            <g transform={`translate(0 ${HEAD + rows.length * ROW + 3})`}>
              <line x1={0} x2={width} y1={-1} y2={-1} stroke="var(--edge)" />
              <text className="strong" x={4} y={18}>
                {foot}
              </text>
              {columns.map((c, n) => (
                <text key={c.key} className="strong" x={(x(c.key) ?? 0) + x.bandwidth() / 2} y={18} textAnchor="middle">
                  {sums[n]}
                </text>
              ))}
              <text className="strong" x={width - 4} y={18} textAnchor="end">
                {whole}
              </text>
            </g>
          )}
        </>
      ),
    }
  }
  const table = {
    head: [rowHead, ...columns.map((c) => c.title), 'All'],
    rows: [...rows.map((r) => [r.label, ...r.counts, total(r)]), ...(foot ? [[foot, ...sums, whole]] : [])],
  }
  return <Chart {...frame} table={table} draw={draw} />
}
