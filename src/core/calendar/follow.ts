/** What could follow when a module gets longer or a term begins on another day. Nothing follows by itself: it is offered. */
import { type Blueprint, recordsOf } from '../blueprint/blueprint'
import type { PlanEdit } from '../blueprint/edit'
import type { CalendarRule, Module } from '../blueprint/kinds'
import { MOST_WEEKS } from '../blueprint/kinds/due-rule'
import { addDays } from './plain-date'

type Weeks = Pick<Module, 'firstWeek' | 'lastWeek'>
const endOf = ({ firstWeek, lastWeek }: Weeks): number | null => lastWeek ?? firstWeek

/**
 * By how many weeks the end of a module moved, and the modules that began after its old end; null where none did, or where one
 * would come to lie outside the weeks that a course can have.
 */
export function laterModules(plan: Blueprint, was: Weeks & { readonly id: string }, is: Weeks) {
  const [before, after] = [endOf(was), endOf(is)]
  if (before === null || after === null || before === after) return null
  const step = after - before
  const modules = recordsOf(plan, 'module').filter((m) => m.id !== was.id && (m.firstWeek ?? 0) > before)
  const fits = modules.every((m) => (m.firstWeek ?? 0) + step >= 1 && (endOf(m) ?? 0) + step <= MOST_WEEKS)
  return modules.length > 0 && fits ? { step, modules } : null
}

/** Moves modules by so many weeks. */
export function moveModules(edit: PlanEdit, ids: readonly string[], step: number): void {
  for (const id of ids) {
    const m = edit.now.module.get(id)
    if (m && m.firstWeek !== null)
      edit.set('module', id, { firstWeek: m.firstWeek + step, lastWeek: m.lastWeek === null ? null : m.lastWeek + step })
  }
}

/** The breaks and closed days of an offering, by date. */
export const rulesOf = (plan: Blueprint, offeringId: string): CalendarRule[] =>
  recordsOf(plan, 'calendarRule')
    .filter((r) => r.offeringId === offeringId)
    .sort((a, b) => (a.firstDate + a.id < b.firstDate + b.id ? -1 : 1))

/** Moves breaks and closed days by so many days. */
export function moveRules(edit: PlanEdit, ids: readonly string[], days: number): void {
  for (const id of ids) {
    const r = edit.now.calendarRule.get(id)
    if (r) edit.set('calendarRule', id, { firstDate: addDays(r.firstDate, days), lastDate: addDays(r.lastDate, days) })
  }
}
