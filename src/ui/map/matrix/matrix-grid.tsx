/** The matrix itself: boxes with the roles of a grid, of which only those in sight are drawn. One element has the focus and names the cell. */
import './matrix.css'
import { useVirtualizer, type VirtualItem } from '@tanstack/react-virtual'
import { type ClipboardEvent, type KeyboardEvent, type MouseEvent, memo, useEffect, useMemo, useRef } from 'react'
import { STAGES, type Stage } from '../../../core/blueprint/kinds/activity'
import type { Matrix, MatrixRow } from '../../../core/design/matrix'
import { formatWhole } from '../../../core/numbers'
import { indexCourse } from '../../../core/plan/plan-index'
import { LineButton } from '../../parts/line-button'
import { useCourse } from '../../store/course-store'
import { COLUMN_WIDTH, type MatrixColumn, moduleSpans } from './matrix-columns'
import { cellId, gapOf, gapWords, lettersOf, MatrixCellBox, RowName, RowSums } from './matrix-parts'
import { type MatrixCursor, stepOf } from './use-matrix-cursor'

export const NAME_WIDTH = 290
const SUMS_WIDTH = 220
const ROW_HEIGHT = 32
const HEAD_HEIGHT = 60
const FOOT_HEIGHT = 30

export type NamedRow = MatrixRow & { readonly name: string; readonly depth: number }
type Props = {
  readonly label: string
  readonly rows: readonly NamedRow[]
  readonly columns: readonly MatrixColumn[]
  readonly folded: ReadonlySet<string>
  readonly matrix: Matrix
  readonly cursor: MatrixCursor
  readonly onFold: (moduleId: string) => void
  readonly onLetter: (stage: Stage) => void
  readonly onClear: () => void
  readonly onPaste: (text: string) => void
  readonly onOpen: () => void
}
const STAGE_OF_KEY: Readonly<Record<string, Stage>> = { i: 'introduces', p: 'practises', a: 'assesses' }

/** What each row holds, by column; of a folded module how often each letter. */
function useTexts({ matrix, columns, folded }: Pick<Props, 'matrix' | 'columns' | 'folded'>) {
  const moduleOf = useCourse((s) => s.view.activity)
  return useMemo(() => {
    const texts = new Map<string, Map<string, string>>()
    const counts = new Map<string, Map<string, Record<Stage, number>>>()
    for (const { row, column, stages } of matrix.cells) {
      const own = texts.get(row) ?? new Map<string, string>()
      texts.set(row, own.set(column, lettersOf(stages)))
      const moduleId = moduleOf.get(column)?.moduleId ?? ''
      if (!folded.has(moduleId)) continue
      const of = counts.get(row) ?? new Map<string, Record<Stage, number>>()
      const sums = of.get(moduleId) ?? { introduces: 0, practises: 0, assesses: 0 }
      for (const s of stages) sums[s]++
      counts.set(row, of.set(moduleId, sums))
    }
    for (const [row, of] of counts)
      for (const [moduleId, sums] of of) {
        const told = STAGES.flatMap((s) => (sums[s] > 0 ? `${sums[s]}${lettersOf([s])}` : []))
        const own = texts.get(row) ?? new Map<string, string>()
        texts.set(row, own.set(moduleId, told.join(' ')))
      }
    const served = new Map<string, number>()
    for (const own of texts.values()) for (const id of own.keys()) served.set(id, (served.get(id) ?? 0) + 1)
    return { texts, served }
  }, [matrix, columns, folded, moduleOf])
}

export function MatrixGrid(props: Props) {
  const { label, rows, columns, folded, cursor, onFold } = props
  const scroller = useRef<HTMLDivElement>(null)
  const { texts, served } = useTexts(props)
  const { current, box } = cursor
  const down = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW_HEIGHT,
    scrollPaddingStart: HEAD_HEIGHT,
    scrollPaddingEnd: FOOT_HEIGHT,
    overscan: 4,
  })
  const across = useVirtualizer({
    horizontal: true,
    count: columns.length,
    getScrollElement: () => scroller.current,
    estimateSize: (i) => COLUMN_WIDTH[columns[i]?.type ?? 'activity'],
    getItemKey: (i) => columns[i]?.id ?? i,
    scrollPaddingStart: NAME_WIDTH,
    scrollPaddingEnd: SUMS_WIDTH,
    overscan: 6,
  })
  useEffect(() => across.measure(), [columns])
  const width = across.getTotalSize()
  const spans = useMemo(() => moduleSpans(columns, folded), [columns, folded])
  const go = (to: Parameters<MatrixCursor['go']>[0], extend: boolean) => {
    cursor.go(to, extend)
    down.scrollToIndex(Math.max(0, Math.min(rows.length - 1, to.row)), { align: 'auto' })
    across.scrollToIndex(Math.max(0, Math.min(columns.length - 1, to.column)), { align: 'auto' })
  }
  const onKeyDown = gridKeys(props, go, scroller)
  const cellAt = (event: MouseEvent) => {
    const cell = (event.target as HTMLElement).closest<HTMLElement>('.mx-cell')
    const row = cell?.closest<HTMLElement>('[data-row]')
    return cell && row ? { row: Number(row.dataset.row), column: Number(cell.dataset.column) } : null
  }
  const active = rows[current.row]
  const activeColumn = columns[current.column]
  const visible = across.getVirtualItems()
  return (
    <div className="scroll-area matrix" ref={scroller}>
      <div
        role="grid"
        aria-label={label}
        aria-rowcount={rows.length + 2}
        aria-colcount={columns.length + 2}
        aria-multiselectable="true"
        aria-activedescendant={active && activeColumn ? cellId(active.id, activeColumn.id) : undefined}
        tabIndex={0}
        className="mx-ground"
        style={{ width: NAME_WIDTH + width + SUMS_WIDTH }}
        onKeyDown={onKeyDown}
        onCopy={(e) => copyBox(e, props, texts)}
        onPaste={(e) => {
          e.preventDefault()
          props.onPaste(e.clipboardData.getData('text/plain'))
        }}
        onMouseDown={(e) => {
          const cell = e.button === 0 ? cellAt(e) : null
          if (cell) go(cell, e.shiftKey)
        }}
        onPointerOver={(e) => {
          const cell = e.buttons === 1 ? cellAt(e) : null
          if (cell) cursor.go(cell, true)
        }}
        onDoubleClick={(e) => cellAt(e) && props.onOpen()}
      >
        <div role="row" className="mx-head" aria-rowindex={1} style={{ height: HEAD_HEIGHT }}>
          <div role="columnheader" className="mx-corner" style={{ width: NAME_WIDTH }}>
            {label}
          </div>
          <div className="mx-middle" role="presentation" style={{ width }}>
            {spans.map((span) => (
              <ModuleHead key={span.moduleId} {...span} onFold={onFold} toGrid={() => focusGrid(scroller.current)} />
            ))}
            {visible.map((c) => {
              const column = columns[c.index]
              return column && <ColumnHead key={column.id} column={column} left={c.start} place={c.index} />
            })}
          </div>
          <div role="columnheader" className="mx-sums">
            <span className="visually-hidden">Introduced, practised, assessed, minutes, percent of the grade</span>
            <span aria-hidden>I</span>
            <span aria-hidden>P</span>
            <span aria-hidden>A</span>
            <span aria-hidden className="wide">
              min
            </span>
            <span aria-hidden className="wide">
              %
            </span>
          </div>
        </div>
        <div role="presentation" style={{ height: down.getTotalSize(), position: 'relative' }}>
          {down.getVirtualItems().map((r) => {
            const row = rows[r.index]
            if (!row) return null
            const own = texts.get(row.id)
            const isIn = r.index >= box.top && r.index <= box.bottom
            return (
              <MatrixLine
                key={row.id}
                row={row}
                place={r.index}
                start={r.start}
                width={width}
                columns={columns}
                visible={visible}
                text={visible.map((c) => own?.get(columns[c.index]?.id ?? '') ?? '').join('\t')}
                active={r.index === current.row ? current.column : -1}
                from={isIn ? box.left : -1}
                to={isIn ? box.right : -1}
              />
            )
          })}
        </div>
        <div role="row" className="mx-foot" aria-rowindex={rows.length + 2} style={{ height: FOOT_HEIGHT }}>
          <div role="rowheader" className="mx-name">
            Served
          </div>
          <div className="mx-middle" role="presentation" style={{ width }}>
            {visible.map((c) => {
              const column = columns[c.index]
              return (
                column && (
                  <div key={column.id} role="gridcell" className="mx-total" style={{ left: c.start, width: c.size }}>
                    {served.get(column.id) ?? '·'}
                  </div>
                )
              )
            })}
          </div>
          <Sums rows={rows} />
        </div>
      </div>
    </div>
  )
}

type LineProps = {
  readonly row: NamedRow
  readonly place: number
  readonly start: number
  readonly width: number
  readonly columns: readonly MatrixColumn[]
  readonly visible: readonly VirtualItem[]
  /** What stands in its cells that are in sight, tabs between them. */
  readonly text: string
  /** The column of the active cell and of the marked range; -1 for none in this row. */
  readonly active: number
  readonly from: number
  readonly to: number
}

const sameRow = (a: NamedRow, b: NamedRow): boolean => {
  const { gap, ...rest } = a
  return gap.join() === b.gap.join() && (Object.keys(rest) as (keyof typeof rest)[]).every((key) => a[key] === b[key])
}

/** One row; it stays as it is while nothing in it differs, so that a letter draws its own row alone. */
const MatrixLine = memo(
  function MatrixLine({ row, place, start, width, columns, visible, text, active, from, to }: LineProps) {
    const texts = text.split('\t')
    return (
      <div
        role="row"
        aria-rowindex={place + 2}
        data-row={place}
        className={`mx-row gap-${gapOf(row)}`}
        style={{ transform: `translateY(${start}px)`, height: ROW_HEIGHT }}
      >
        <RowName number={row.number} name={row.name} depth={row.depth} />
        <div className="mx-middle" role="presentation" style={{ width }}>
          {visible.map((c, i) => {
            const column = columns[c.index]
            if (!column) return null
            return (
              <MatrixCellBox
                key={column.id}
                id={cellId(row.id, column.id)}
                text={texts[i] ?? ''}
                left={c.start}
                width={c.size}
                column={c.index}
                isActive={c.index === active}
                isMarked={from >= 0 && c.index >= from && c.index <= to}
                isCount={column.type === 'module'}
              />
            )
          })}
        </div>
        <RowSums
          introduces={row.introduces}
          practises={row.practises}
          assesses={row.assesses}
          minutes={row.minutes}
          share={row.share}
          state={row.state}
          lacks={gapWords(row)}
        />
      </div>
    )
  },
  (a, b) =>
    sameRow(a.row, b.row) &&
    a.place === b.place &&
    a.start === b.start &&
    a.width === b.width &&
    a.columns === b.columns &&
    a.visible === b.visible &&
    a.text === b.text &&
    a.active === b.active &&
    a.from === b.from &&
    a.to === b.to,
)

const focusGrid = (scroller: HTMLElement | null) => scroller?.querySelector<HTMLElement>('[role="grid"]')?.focus()

function Sums({ rows }: { readonly rows: readonly NamedRow[] }) {
  const sum = (of: (row: NamedRow) => number) => rows.reduce((all, r) => all + of(r), 0)
  return (
    <div role="gridcell" className="mx-sums">
      <span>{sum((r) => Number(r.introduces > 0))}</span>
      <span>{sum((r) => Number(r.practises > 0))}</span>
      <span>{sum((r) => Number(r.assesses > 0))}</span>
      <span className="wide">{formatWhole(sum((r) => r.minutes))}</span>
      <span className="wide">{(sum((r) => r.share) / 100).toFixed(1)}</span>
    </div>
  )
}

function ColumnHead({ column, left, place }: { readonly column: MatrixColumn; readonly left: number; readonly place: number }) {
  const number = useCourse((s) => (column.type === 'activity' ? indexCourse(s.view).numberOf(column.id) : ''))
  const title = useCourse((s) => indexCourse(s.view).activity(column.id)?.title ?? '')
  return (
    <div
      role="columnheader"
      aria-colindex={place + 2}
      className="mx-column"
      style={{ left, width: COLUMN_WIDTH[column.type] }}
      data-tip={title || undefined}
    >
      {number}
      {title && <span className="visually-hidden"> {title}</span>}
    </div>
  )
}

type HeadProps = ReturnType<typeof moduleSpans>[number] & { readonly onFold: (moduleId: string) => void; readonly toGrid: () => void }
function ModuleHead({ moduleId, from, width, isFolded, onFold, toGrid }: HeadProps) {
  const number = useCourse((s) => indexCourse(s.view).numberOf(moduleId))
  const title = useCourse((s) => s.view.module.get(moduleId)?.title ?? '')
  return (
    <div role="columnheader" className="mx-module-head" style={{ left: from, width }}>
      <LineButton
        className="mx-module"
        tip={`${number} ${title}: Enter ${isFolded ? 'shows its activities' : 'folds it to counts'}`}
        tabIndex={-1}
        data-module={moduleId}
        aria-expanded={!isFolded}
        onClick={() => onFold(moduleId)}
        onKeyDown={(e) => {
          const step = { ArrowLeft: -1, ArrowRight: 1 }[e.key]
          if (e.key === 'ArrowDown' || e.key === 'Escape') toGrid()
          else if (step) {
            const all = [...(e.currentTarget.closest('.mx-middle')?.querySelectorAll<HTMLElement>('[data-module]') ?? [])]
            all[all.indexOf(e.currentTarget) + step]?.focus()
          } else return
          e.preventDefault()
          e.stopPropagation()
        }}
      >
        {number} {width > 110 && title}
      </LineButton>
    </div>
  )
}

/** The keys of the matrix while it has the focus itself. */
function gridKeys(
  { rows, columns, cursor, onLetter, onClear, onOpen }: Props,
  go: (to: { readonly row: number; readonly column: number }, extend: boolean) => void,
  scroller: { readonly current: HTMLElement | null },
) {
  return (event: KeyboardEvent) => {
    if (event.target !== event.currentTarget || rows.length === 0) return
    const control = event.ctrlKey || event.metaKey
    const { current } = cursor
    const to = event.altKey ? null : stepOf(event.key, control, current, rows.length, columns.length)
    if (to) {
      event.preventDefault()
      if (to.row < 0 && current.row === 0 && !event.shiftKey && event.key === 'ArrowUp') {
        const moduleId = columns[current.column]?.moduleId
        scroller.current?.querySelector<HTMLElement>(`[data-module="${CSS.escape(moduleId ?? '')}"]`)?.focus()
        return
      }
      return go(to, event.shiftKey)
    }
    const stage = control || event.altKey ? undefined : STAGE_OF_KEY[event.key.toLowerCase()]
    if (stage) onLetter(stage)
    else if (event.key === 'Delete' || event.key === 'Backspace') onClear()
    else if (event.key === 'Enter') onOpen()
    else if (event.key === 'Escape') cursor.endRange()
    else return
    event.preventDefault()
  }
}

/** The marked cells as lines of letters, tabs between them. */
function copyBox(event: ClipboardEvent, { rows, columns, cursor }: Props, texts: ReadonlyMap<string, ReadonlyMap<string, string>>): void {
  const { box } = cursor
  event.preventDefault()
  const lines = rows
    .slice(box.top, box.bottom + 1)
    .map((r) => columns.slice(box.left, box.right + 1).map((c) => texts.get(r.id)?.get(c.id) ?? ''))
  event.clipboardData.setData('text/plain', lines.map((l) => l.join('\t')).join('\n'))
}
