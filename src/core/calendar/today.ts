import type { Blueprint } from '../blueprint/blueprint'
import { currentOffering } from '../plan/offering'

/**
 * The day it is where the course runs, as an ISO date: the same for everybody who looks at it. Without an offering it is UTC's.
 * `now` is in milliseconds since 1970.
 */
export function dayOfCourse(blueprint: Blueprint, now: number): string {
  const timeZone = currentOffering(blueprint)?.timeZone ?? 'UTC'
  // Sweden's short date is the ISO date.
  return new Intl.DateTimeFormat('sv-SE', { timeZone, year: 'numeric', month: '2-digit', day: '2-digit' }).format(now)
}
