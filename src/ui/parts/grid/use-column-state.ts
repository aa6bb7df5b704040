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
import { useCallback, useEffect, useMemo, useState } from 'react'
import { useCourse } from '../../store/course-store'
import { arranged, sortedBy } from './arranged'
import { keepColumns, keptColumns } from './kept-columns'
import type { GridColumn, GridRow } from './types'

/** What a column without a width of its own keeps when the panel takes room; the table then scrolls sideways. */
export const LEAST_WIDTH = 250
/** A column is not drawn narrower or wider than this, in pixels (Cairn defaults). */
export const NARROWEST = 40
export const WIDEST = 900

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

export function useColumnState(keptAs: string | undefined, columns: readonly GridColumn[], rows: readonly GridRow[]) {
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
    initialState: useMemo(() => keptColumns(keptAs, columns), [keptAs]),
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
  const shown = useMemo(
    () => table.getVisibleLeafColumns().flatMap((c) => byId.get(c.id) ?? []),
    [byId, columnVisibility, columnOrder, columnPinning, columnDefs],
  )
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
  return {
    table,
    byId,
    shown,
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
