/** What was understood of what people brought, as JSON for other programs and as text for people. */
import type { Understanding } from '../intake/understanding'
import { countOf } from '../numbers'

const weeksOf = (weeks: { first: number; last: number } | null): string | null =>
  weeks === null ? null : weeks.first === weeks.last ? String(weeks.first) : `${weeks.first}-${weeks.last}`

/** The tree as plain data: points decimal, minutes whole, weeks as `3` or `3-4`. */
export function mapOf(understood: Understanding) {
  const decimal = (hundredths: number | null) => (hundredths === null ? null : hundredths / 100)
  return {
    title: understood.title,
    outcomes: understood.outcomes,
    modules: understood.modules.map((m) => ({
      number: m.number,
      title: m.title,
      weeks: weeksOf(m.weeks),
      objectives: m.objectives,
      activities: m.activities.map((a, i) => ({
        number: a.number ?? `${m.number ?? ''}.${i + 1}`,
        title: a.title,
        kind: a.kind,
        objectives: a.objectives,
        minutes: a.minutes,
        points: decimal(a.points),
        percent: decimal(a.percent),
        due: a.due,
        week: a.week,
      })),
    })),
    categories: understood.categories.map((c) => ({ title: c.title, share: decimal(c.share), points: decimal(c.points), count: c.count })),
    problems: understood.problems,
    notUnderstood: understood.notUnderstood,
  }
}

/** The tree as indented text. */
export function mapText(understood: Understanding): string {
  const lines: string[] = []
  if (understood.title) lines.push(understood.title, '')
  for (const o of understood.outcomes) lines.push(`${o.code}  ${o.statement}`)
  for (const m of understood.modules) {
    const weeks = weeksOf(m.weeks)
    lines.push('', `${m.number}  ${m.title}${weeks === null ? '' : ` (week ${weeks})`}`)
    for (const o of m.objectives) lines.push(`    ${o.code}  ${o.statement}${o.outcomes.length > 0 ? `  -> ${o.outcomes.join(', ')}` : ''}`)
    for (const a of m.activities) {
      const facts = [
        a.kind,
        a.objectives.length > 0 ? a.objectives.join(' ') : null,
        a.minutes === null ? null : `${a.minutes} min`,
        a.points === null ? null : `${a.points / 100} points`,
        a.percent === null ? null : `${a.percent / 100} %`,
      ].filter((f) => f !== null)
      lines.push(`    - ${a.title}${facts.length > 0 ? `  (${facts.join(', ')})` : ''}`)
    }
  }
  if (understood.problems.length > 0)
    lines.push('', 'Problems', ...understood.problems.map((p) => `  ${p.message}${p.at ? ` (${p.at})` : ''}`))
  if (understood.notUnderstood.length > 0)
    lines.push(
      '',
      `Not understood: ${countOf(understood.notUnderstood.length, 'line')}`,
      ...understood.notUnderstood.map((n) => `  ${n.text} (${n.at})`),
    )
  return `${lines.join('\n')}\n`
}
