/** Where things are: every workspace, selection and filter has an address that can be shared and reloaded. */
import { useCallback, useEffect } from 'react'
import { useLocation, useSearch } from 'wouter'
import type { KindName, RecordRef } from '../../core/blueprint/kinds'
import type { Workspace } from '../../core/workspaces'
import { kindView } from '../kind-views'
import { focusIsFree } from '../parts/focus'
import { useCourse, useCourseStore } from './course-store'

/** One text of a view, kept in the address; empty where it is not there. */
export function useParam(name: string): [string, (value: string) => void] {
  const [location, navigate] = useLocation()
  const given = new URLSearchParams(useSearch()).get(name) ?? ''
  const set = (next: string) => {
    const params = new URLSearchParams(window.location.search)
    next === '' ? params.delete(name) : params.set(name, next)
    const search = params.toString().replaceAll('%3A', ':')
    navigate(`${location}${search ? `?${search}` : ''}`, { replace: true })
  }
  return [given, set]
}

/** One choice of a view, kept in the address; what is not among `values` reads as the first of them. */
export function useChoice<V extends string>(name: string, values: readonly [V, ...V[]]): [V, (value: V) => void] {
  const [given, set] = useParam(name)
  return [values.find((v) => v === given) ?? values[0], (next) => set(next === values[0] ? '' : next)]
}

/** What stands in the address of every view. */
const EVERYWHERE = ['panel', 'offering']

export const PANEL_TABS = ['details', 'findings', 'comments'] as const
export type PanelTab = (typeof PANEL_TABS)[number]

/** The record that is selected, read from the address. */
export function useSelected(): RecordRef | null {
  const at = new URLSearchParams(useSearch()).get('at') ?? ''
  const [kind, id] = at.split(':')
  // Of a kind that this version does not know as well: its records are kept and can be looked at.
  return kind && id && /^[a-zA-Z]{1,40}$/.test(kind) ? { kind: kind as KindName, id } : null
}

export function usePanel(): PanelTab | null {
  const panel = new URLSearchParams(useSearch()).get('panel')
  return PANEL_TABS.find((t) => t === panel) ?? null
}

/**
 * The offering that the plan is seen in, in the address of every view: links that do not name it stay in it.
 * Gives how another one is chosen; the empty text is the first.
 */
export function useOfferingInAddress(): (id: string) => void {
  const store = useCourseStore()
  const [given, set] = useParam('offering')
  const chosen = useCourse((s) => s.offering)
  const [location] = useLocation()
  useEffect(() => {
    if (given !== '') store.chooseOffering(given)
    else if (chosen !== null) set(chosen)
  }, [given, location])
  return (id) => {
    store.chooseOffering(id === '' ? null : id)
    set(id)
  }
}

/** Selects, opens the panel, goes to a record in its workspace. */
export function useGo() {
  const [location, navigate] = useLocation()
  const set = useCallback(
    (to: { at?: RecordRef | null; panel?: PanelTab | null; workspace?: Workspace }, replace: boolean) => {
      const params = new URLSearchParams(window.location.search)
      // The choices of one view mean nothing in the next.
      if (to.workspace) for (const name of [...params.keys()]) if (!EVERYWHERE.includes(name)) params.delete(name)
      if (to.at !== undefined) to.at ? params.set('at', `${to.at.kind}:${to.at.id}`) : params.delete('at')
      if (to.panel !== undefined) to.panel ? params.set('panel', to.panel) : params.delete('panel')
      const search = params.toString().replaceAll('%3A', ':')
      navigate(`${to.workspace ? `/${to.workspace}` : location}${search ? `?${search}` : ''}`, { replace })
    },
    [location, navigate],
  )
  return {
    /** Selects where one is; leaves no step in the history. */
    select: useCallback((at: RecordRef | null) => set({ at }, true), [set]),
    panel: useCallback((panel: PanelTab | null) => set({ panel }, true), [set]),
    /** Goes to a view, such as `/help`. */
    go: useCallback((view: string) => navigate(view), [navigate]),
    /** Opens a record in the workspace it lives in; the browser's back key leads back. */
    open: useCallback(
      (at: RecordRef, workspace?: Workspace) => set({ at, workspace: workspace ?? kindView(at.kind).workspace }, false),
      [set],
    ),
  }
}

/** Brings the selected record into view and focuses it, when a workspace opens on it. */
export function useRevealSelected(ready: boolean): void {
  const selected = useSelected()
  const key = selected ? `${selected.kind} ${selected.id}` : ''
  useEffect(() => {
    if (!ready || !key) return
    const found = document.querySelector<HTMLElement>(`[data-record="${CSS.escape(key)}"]`)
    if (!found || found.contains(document.activeElement)) return
    found.scrollIntoView({ block: 'center' })
    const target = found.matches('[tabindex],button,textarea,input')
      ? found
      : (found.querySelector<HTMLElement>('textarea') ?? found.querySelector<HTMLElement>('input,button,[tabindex]'))
    if (focusIsFree()) target?.focus({ preventScroll: true })
  }, [ready, key])
}
