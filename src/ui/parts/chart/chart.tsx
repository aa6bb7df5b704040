/**
 * The frame of every chart: title, legend in words, the drawing with its marks, the same as a table, and the drawing as a file.
 * Layout is D3's scales and shapes or the core's; React draws.
 */
import DownloadIcon from '@mui/icons-material/FileDownloadOutlined'
import TableIcon from '@mui/icons-material/TableRowsOutlined'
import { type FocusEvent, type MouseEvent, type ReactNode, type RefObject, useId, useRef, useState } from 'react'
import { IconButton } from '../button'
import { MenuButton } from '../menu-button'
import './chart.css'
import { useMarks } from './marks'
import { savePicture } from './save-picture'
import { useWidth } from './use-width'

export type ChartTable = {
  readonly head: readonly string[]
  /** Numbers stand right. The first of each row is its head. */
  readonly rows: readonly (readonly (string | number)[])[]
}
export type LegendEntry = {
  readonly word: string
  /** A colour of the theme: a square of it; or a drawing. */
  readonly mark: string | ReactNode
}

type Props = {
  readonly heading: string
  /** Of the file it is saved as, without its end. */
  readonly name: string
  readonly legend?: readonly LegendEntry[]
  readonly table: ChartTable
  /** Draws into a width. Marks are `Mark`s. */
  readonly draw: (width: number) => { readonly height: number; readonly content: ReactNode }
  /** A sentence under it. */
  readonly note?: ReactNode
  /** One of many in a list: the heading is heard, not seen, and what can be done stands beside the note. */
  readonly small?: boolean
}

export function Chart({ heading, name, legend = [], table, draw, note, small = false }: Props) {
  const id = useId()
  const [asTable, setAsTable] = useState(false)
  const { box, width } = useWidth()
  const svg = useRef<SVGSVGElement>(null)
  const marks = useMarks(svg)
  const drawn = !asTable && width > 0 ? draw(width) : null
  const [used, setUsed] = useState(false)
  const actions = (!small || used || asTable) && (
    <ChartActions asTable={asTable} onTable={setAsTable} svg={svg} name={name} heading={heading} />
  )
  // Many small ones stand in sight: what can be done with one shows at the one in use.
  const use = small && {
    'aria-label': heading,
    onMouseEnter: () => setUsed(true),
    onMouseLeave: (e: MouseEvent<HTMLElement>) => setUsed(e.currentTarget.contains(document.activeElement)),
    onFocus: () => setUsed(true),
    onBlur: (e: FocusEvent<HTMLElement>) => setUsed(e.currentTarget.contains(e.relatedTarget)),
  }
  return (
    <section className={small ? 'chart small' : 'chart'} {...(use || { 'aria-labelledby': id })}>
      {!small && (
        <div className="chart-head">
          <h2 id={id}>{heading}</h2>
          <span className="grow" />
          {actions}
        </div>
      )}
      {legend.length > 0 && (
        <ul className="legend">
          {legend.map((l) => (
            <li key={l.word}>
              {typeof l.mark === 'string' ? <span className="swatch" style={{ background: l.mark }} /> : l.mark} {l.word}
            </li>
          ))}
        </ul>
      )}
      <div ref={box} className="chart-body">
        {asTable && <ChartAsTable heading={heading} table={table} />}
        {drawn && (
          <svg
            ref={svg}
            role="group"
            aria-label={heading}
            width={width}
            height={drawn.height}
            viewBox={`0 0 ${width} ${drawn.height}`}
            {...marks.props}
          >
            {marks.within(drawn.content)}
          </svg>
        )}
      </div>
      {small ? (
        <div className="chart-foot">
          {note}
          {actions}
        </div>
      ) : (
        note
      )}
    </section>
  )
}

type ActionsProps = {
  readonly asTable: boolean
  readonly onTable: (asTable: boolean) => void
  readonly svg: RefObject<SVGSVGElement | null>
  readonly name: string
  readonly heading: string
}

/** What can be done with any chart. */
export const ChartActions = ({ asTable, onTable, svg, name, heading }: ActionsProps) => (
  <span className="row no-print" style={{ gap: 2 }}>
    <IconButton name="As a table" aria-pressed={asTable} onClick={() => onTable(!asTable)}>
      <TableIcon />
    </IconButton>
    {!asTable && (
      <MenuButton
        className="chart-save"
        aria-label={`Save ${heading}`}
        entries={() =>
          (['svg', 'png'] as const).map((format) => ({
            key: format,
            label: `Save as ${format.toUpperCase()}`,
            run: () => void (svg.current && savePicture(svg.current, name, format)),
          }))
        }
      >
        <DownloadIcon fontSize="small" />
      </MenuButton>
    )}
  </span>
)

const ChartAsTable = ({ heading, table }: { heading: string; table: ChartTable }) => (
  <table className="sheet">
    <caption className="visually-hidden">{heading}</caption>
    <thead>
      <tr>
        {table.head.map((h, i) => (
          <th key={h} scope="col" className={typeof table.rows[0]?.[i] === 'number' ? 'r' : ''}>
            {h}
          </th>
        ))}
      </tr>
    </thead>
    <tbody>
      {table.rows.map((row, n) => (
        <tr key={n}>
          {row.map((cell, i) =>
            i === 0 ? (
              <th key={i} scope="row">
                {cell}
              </th>
            ) : (
              <td key={i} className={typeof cell === 'number' ? 'r' : ''}>
                {cell}
              </td>
            ),
          )}
        </tr>
      ))}
    </tbody>
  </table>
)
