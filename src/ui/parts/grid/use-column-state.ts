/**
 * Which columns are shown, in what order, how wide, and which stay in sight; by which the rows are sorted and filtered. The
 * records stay in their groups: sorting goes on within each, and a group without a row that passes the filters is left out.
 */
import {
  type ColumnFiltersState,
  columnFilteringFeature,
  columnOrderingFeature,
  columnPinningFeature,
  columnResizingFeature,
  columnSizingFeature,
  columnVisibilityFeature,
  createFilteredRowModel,
  createSortedRowModel,
  filterFn_includesString,
  rowSortingFeature,
  type SortingState,
  sortFn_alphanumeric,
  tableFeatures,
  useTable,
} from '@tanstack/react-table'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { columnsText, readColumnsText, type SetColumn } from '../../../core/edits/column-sets'
import { useCourse } from '../../store/course-store'
import { useParam } from '../../store/navigation'
import { arranged, sortedBy } from './arranged'
import { type Arrangement, arrangementOf, asGiven, keepColumns, keptColumns } from './kept-columns'
import type { GridColumn, GridProps, GridRow } from './types'

/** What a column without a width of its own keeps when the panel takes room; the table then scrolls sideways. */
export const LEAST_WIDTH = 250
/** A column is not drawn narrower or wider than this, in pixels (Cairn defaults). */
export const NARROWEST = 40
export const WIDEST = 800
/** Milliseconds after which a choice of columns is told to the address (Cairn default). */
const REST = 300

const features = tableFeatures({
  columnVisibilityFeature,
  columnOrderingFeature,
  columnSizingFeature,
  columnResizingFeature,
  columnPinningFeature,
  columnFilteringFeature,
  rowSortingFeature,
  sortedRowModel: createSortedRowModel(),
  filteredRowModel: createFilteredRowModel(),
})

export function useColumnState({ keptAs, sets, columns, rows }: Pick<GridProps, 'keptAs' | 'sets' | 'columns' | 'rows'>) {
  const address = useColumnsInAddress(sets !== undefined)
  const [sorting, setSorting] = useState<SortingState>([])
  const [columnFilters, setColumnFilters] = useState<ColumnFiltersState>([])
  const isArranged = sorting.length > 0 || columnFilters.length > 0
  // What stands in the cells matters only to an order by it.
  const plan = useCourse((s) => (isArranged ? s.view : null))
  const data = useMemo(() => rows.filter((r) => r.type === 'data' && !r.fixed), [rows, plan])
  const columnDefs = useMemo(
    () =>
      columns.map((column) => ({
        id: column.id,
        size: column.width ?? LEAST_WIDTH,
        minSize: NARROWEST,
        maxSize: WIDEST,
        accessorFn: (row: GridRow) => sortedBy(column, plan, row),
        filterFn: filterFn_includesString,
        sortFn: sortFn_alphanumeric,
        sortUndefined: 'last' as const,
      })),
    [columns, plan],
  )
  const table = useTable({
    features,
    columns: columnDefs,
    data: data as GridRow[],
    getRowId: (row) => row.key,
    columnResizeMode: 'onChange',
    initialState: useMemo(() => firstArrangement(keptAs, sets, columns, address.given), [keptAs]),
    state: { sorting, columnFilters },
    onSortingChange: setSorting,
    onColumnFiltersChange: setColumnFilters,
  })
  const { columnVisibility, columnOrder, columnSizing, columnPinning } = table.state
  useEffect(
    () => keepColumns(keptAs, { columnVisibility, columnOrder, columnSizing, columnPinning }),
    [keptAs, columnVisibility, columnOrder, columnSizing, columnPinning],
  )
  const byId = useMemo(() => new Map(columns.map((c) => [c.id, c])), [columns])
  const shown = useMemo(() => {
    // Those that stay in sight stand first, in the order in which they stay.
    const ids = table.getVisibleLeafColumns().map((c) => c.id)
    const first = columnPinning.start.filter((id) => ids.includes(id))
    return [...first, ...ids.filter((id) => !first.includes(id))].flatMap((id) => byId.get(id) ?? [])
  }, [byId, columnVisibility, columnOrder, columnPinning, columnDefs])
  const passed = isArranged ? table.getRowModel().rows : null
  const shownRows = useMemo(
    () =>
      passed
        ? arranged(
            rows,
            passed.map((r) => r.original),
            columnFilters.length > 0,
          )
        : rows,
    [rows, passed, columnFilters],
  )
  const startOf = useCallback(
    (column: GridColumn): number | undefined => {
      const own = table.getColumn(column.id)
      return own?.getIsPinned() ? own.getStart('start') : undefined
    },
    [table, columnPinning, columnSizing, columnVisibility, columnDefs],
  )
  const chosen = useMemo(
    () => shown.map((c): SetColumn => ({ id: c.id, width: columnSizing[c.id] ?? null, frozen: columnPinning.start.includes(c.id) })),
    [shown, columnSizing, columnPinning],
  )
  useEffect(() => {
    const first = sets?.[0]
    if (first) address.tell(columnsText(chosen) === columnsText(first.columns) ? '' : columnsText(chosen))
  }, [chosen])
  return {
    table,
    byId,
    shown,
    /** The columns that are shown, as a set would keep them. */
    chosen,
    /** Shows just these. */
    show: (wanted: readonly SetColumn[]) => {
      const to = arrangementOf(columns, wanted)
      table.setColumnVisibility(to.columnVisibility)
      table.setColumnOrder(to.columnOrder)
      table.setColumnSizing(to.columnSizing)
      table.setColumnPinning(to.columnPinning)
    },
    /** As the table was at first. */
    showFirst: () => {
      const to = sets?.[0] ? arrangementOf(columns, sets[0].columns) : asGiven(columns)
      table.setColumnVisibility(to.columnVisibility)
      table.setColumnOrder(to.columnOrder)
      table.setColumnSizing(to.columnSizing)
      table.setColumnPinning(to.columnPinning)
    },
    rows: shownRows,
    isSorted: sorting.length > 0,
    isFiltered: columnFilters.length > 0,
    /** Back to the order of the plan, with every row. */
    asPlanned: () => {
      setSorting([])
      setColumnFilters([])
    },
    /** The width that a column was given; undefined where it takes what is left. */
    widthOf: (column: GridColumn): number | undefined => columnSizing[column.id] ?? column.width,
    /** Where a column stays while the table scrolls sideways, in pixels from its start; undefined where it scrolls along. */
    startOf,
  }
}

export type ColumnState = ReturnType<typeof useColumnState>

/** The arrangement that the address names, else the one kept here, else the first set, else as the columns are given. */
function firstArrangement(
  keptAs: string | undefined,
  sets: GridProps['sets'],
  columns: readonly GridColumn[],
  inAddress: string,
): Arrangement {
  const named = inAddress === '' ? null : readColumnsText(inAddress, new Set(columns.map((c) => c.id)), { min: NARROWEST, max: WIDEST })
  if (named) return arrangementOf(columns, named)
  return keptColumns(keptAs, sets?.[0] ? arrangementOf(columns, sets[0].columns) : asGiven(columns))
}

/** The columns in the address of a view whose table has sets; they follow what is chosen when it rests. */
function useColumnsInAddress(isKept: boolean) {
  const [given, set] = useParam('columns')
  const latest = useRef(set)
  latest.current = set
  const waiting = useRef<ReturnType<typeof setTimeout>>(undefined)
  useEffect(() => () => clearTimeout(waiting.current), [])
  const tell = (text: string) => {
    clearTimeout(waiting.current)
    if (isKept && text !== given) waiting.current = setTimeout(() => latest.current(text), REST)
  }
  // Tables without sets have no part in it.
  return { given: isKept ? given : '', tell }
}
