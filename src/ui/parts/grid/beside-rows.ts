/** Rows of records beside the plan: what one gesture writes in them is gathered, kept record by record, and can be put back. */
import { useMemo } from 'react'
import { useCourseStore } from '../../store/course-store'
import { useLatest } from '../use-latest'
import type { GridRow, RowKeeper } from './types'

type Kept<R> = {
  /** The record as it is shown now; undefined where there is none. */
  readonly find: (id: string) => R | undefined
  readonly put: (id: string, before: R | undefined, to: Partial<R>) => void
  readonly drop: (id: string) => void
  /** Asks before rows go for good. */
  readonly remove: (rows: readonly GridRow[]) => void
}
type Written<R> = { readonly id: string; readonly before: R | undefined; readonly to: Partial<R> }

export type BesideKeeper<R> = RowKeeper & {
  /** Gathers what a cell writes. */
  readonly set: (id: string, to: Partial<R>) => void
}

/** So many gestures can be taken back (Cairn default). */
const MOST_STEPS = 50

/** What a row shows, where its rows are made of records of one kind. */
export const shownIn = <R extends object>(row: GridRow): R | undefined => row.shows as R | undefined

/** The keeper of a table's rows; the same while the table stands. */
export function useBesideKeeper<R extends object>(kept: Kept<R>): BesideKeeper<R> {
  const store = useCourseStore()
  const find = useLatest(kept.find)
  const put = useLatest(kept.put)
  const drop = useLatest(kept.drop)
  const remove = useLatest(kept.remove)
  return useMemo(() => {
    let gathered = new Map<string, Partial<R>>()
    /** The gestures that can be taken back, the latest last. */
    let steps: readonly (readonly Written<R>[])[] = []
    let cells = 0
    const takeBack = (step = steps.at(-1)): boolean => {
      // What somebody wrote over it since is not taken back with it.
      const stands = step?.every(({ id, to }) => {
        const now = find(id)
        return now && Object.entries(to).every(([field, value]) => now[field as keyof R] === value)
      })
      if (!step || !steps.includes(step) || !stands) {
        store.say(step ? 'Something else was written there since. It is left as it is.' : 'Nothing to take back here.', true)
        return false
      }
      steps = steps.filter((s) => s !== step)
      for (const { id, before, to } of step) {
        if (!before) drop(id)
        else put(id, find(id), Object.fromEntries(Object.keys(to).map((f) => [f, before[f as keyof R]])) as Partial<R>)
      }
      return true
    }
    return {
      begin: () => {
        gathered = new Map()
      },
      stamp: () => cells,
      set: (id, to) => {
        cells++
        gathered.set(id, { ...gathered.get(id), ...to })
      },
      end: () => {
        if (gathered.size === 0) return null
        const step = [...gathered].map(([id, to]): Written<R> => ({ id, before: find(id), to }))
        steps = [...steps, step].slice(-MOST_STEPS)
        for (const { id, before, to } of step) put(id, before, to)
        return { label: 'Put back', run: () => void takeBack(step) }
      },
      takeBack: () => takeBack(),
      remove,
    }
  }, [store, find, put, drop, remove])
}
