/** A set of quality points as the command line prints it. */
import { countOf } from '../numbers'
import { problemText } from '../result'
import type { ReadSet } from './read-set'

/** Keys are fixed: programs read them. */
export const setReport = ({ set, problems }: ReadSet) => ({
  title: set.title,
  version: set.version,
  rule: set.rule,
  areas: set.areas,
  problems: problems.map(({ at, code, message }) => ({ at, code, message })),
})

/** The points by area, and what could not be taken. */
export function setText({ set, problems }: ReadSet): string {
  const areas = set.areas.map(
    ({ title, points }) =>
      `${title}\n${points.map((p) => `  ${p.code.padEnd(6)} ${p.priority.padEnd(6)} ${p.statement.replace(/\s+/g, ' ')}`).join('\n')}\n`,
  )
  const count = set.areas.reduce((sum, a) => sum + a.points.length, 0)
  const told = problems.map((p) => `${problemText(p)} [${p.code}]\n`).join('')
  return `${set.title}${set.version ? `, ${set.version}` : ''}: ${countOf(count, 'point')}\n\n${areas.join('\n')}\n${told}`
}
