/** Which objectives the list shows. */
import { useMemo } from 'react'
import { useLocation, useSearch } from 'wouter'
import type { Blueprint } from '../../core/blueprint/blueprint'
import type { Finding } from '../../core/findings/finding'
import { levelOf } from '../../core/objectives/level'
import { indexCourse } from '../../core/plan/plan-index'

export type Filter = {
  readonly text: string
  /** A level, `none` for those without one, or empty for all. */
  readonly level: string
  /** An outcome's id, `none`, or empty. */
  readonly outcome: string
  readonly module: string
  /** A finding's code, `any`, or empty. */
  readonly finding: string
}
export const NO_FILTER: Filter = { text: '', level: '', outcome: '', module: '', finding: '' }
const FIELDS = Object.keys(NO_FILTER) as (keyof Filter)[]

/** The filter, kept in the address. `also` sets another choice of the address in the same step. */
export function useFilter(): [Filter, (next: Filter, also?: Readonly<Record<string, string>>) => void] {
  const [location, navigate] = useLocation()
  const search = useSearch()
  const filter = useMemo(() => {
    const params = new URLSearchParams(search)
    return Object.fromEntries(FIELDS.map((f) => [f, params.get(f) ?? ''])) as Filter
  }, [search])
  const set = (next: Filter, also: Readonly<Record<string, string>> = {}) => {
    const params = new URLSearchParams(window.location.search)
    for (const [name, value] of Object.entries({ ...next, ...also })) value === '' ? params.delete(name) : params.set(name, value)
    const text = params.toString().replaceAll('%3A', ':')
    navigate(`${location}${text ? `?${text}` : ''}`, { replace: true })
  }
  return [filter, set]
}
export const isFiltering = (filter: Filter): boolean => Object.values(filter).some((v) => v !== '')

/** Ids of the objectives that a filter lets through; null when it lets all through. */
export function shownObjectives(
  view: Blueprint,
  filter: Filter,
  findingsOf: (objectiveId: string) => readonly Finding[],
): ReadonlySet<string> | null {
  if (!isFiltering(filter)) return null
  const index = indexCourse(view)
  const words = filter.text.toLowerCase().split(/\s+/).filter(Boolean)
  return new Set(
    index.objectives
      .filter((o) => {
        const text = `${index.numberOf(o.id)} ${o.statement}`.toLowerCase()
        const outcomes = index.outcomesOf(o.id)
        const findings = findingsOf(o.id).filter((f) => f.accepted === null)
        return (
          words.every((w) => text.includes(w)) &&
          (filter.level === '' || (levelOf(o) ?? 'none') === filter.level) &&
          (filter.outcome === '' || (filter.outcome === 'none' ? outcomes.length === 0 : outcomes.some((x) => x.id === filter.outcome))) &&
          (filter.module === '' || o.moduleId === filter.module) &&
          (filter.finding === '' || (filter.finding === 'any' ? findings.length > 0 : findings.some((f) => f.code === filter.finding)))
        )
      })
      .map((o) => o.id),
  )
}
