/** A week told apart: its number in the course, and which of its module's it is. */
import type { DueRule } from '../blueprint/kinds/due-rule'
import { nthOf } from '../numbers'
import type { Term } from './term'

/** `week 5, 2nd of the module`: where the day of a rule lies. `word`: what the course calls a module. */
export function weekWords({ weeks }: Term, date: string, { week }: DueRule, word: string): string {
  const at = weeks.find((w) => w.first <= date && date <= w.last)
  const inCourse = at === undefined ? 'outside the weeks' : at.number === null ? 'in a break' : `week ${at.number}`
  return `${inCourse}, ${nthOf(week)} of the ${word}`
}
