/** Rows as they follow from the plan: the same objects while nothing changes, so that only what is new is drawn. */
import { useMemo, useRef } from 'react'
import type { Blueprint } from '../../../core/blueprint/blueprint'
import { useCourse } from '../../store/course-store'
import type { GridRow } from './types'

export function useRows(rowsOf: (plan: Blueprint) => readonly GridRow[]): readonly GridRow[] {
  const view = useCourse((s) => s.view)
  const kept = useRef<readonly GridRow[]>([])
  kept.current = useMemo(() => sameRows(kept.current, rowsOf(view)), [view, rowsOf])
  return kept.current
}

const same = (a: GridRow | undefined, b: GridRow): boolean =>
  a !== undefined && a.type === b.type && a.id === b.id && a.under === b.under && a.shows === b.shows && a.fixed === b.fixed

/** The new rows, each as the old one of its key where they are alike; the old list where nothing changed. */
export function sameRows(old: readonly GridRow[], rows: readonly GridRow[]): readonly GridRow[] {
  const byKey = new Map(old.map((r) => [r.key, r]))
  const next = rows.map((r) => {
    const known = byKey.get(r.key)
    return known && same(known, r) ? known : r
  })
  return next.length === old.length && next.every((r, i) => r === old[i]) ? old : next
}
