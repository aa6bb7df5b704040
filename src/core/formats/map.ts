/** What was understood of what people brought, as JSON for other programs and as text for people. */

import { ruleText } from '../blueprint/kinds/due-rule'
import type { LedgerLine } from '../intake/ledger'
import { PIECE_SAYS, pieceText } from '../intake/pieces'
import { ruleOfDay } from '../intake/rule-of-day'
import type { Understanding, UnderstoodActivity, UnderstoodModule } from '../intake/understanding'
import { countOf } from '../numbers'
import { sizeText } from '../plan/estimate'

const weeksOf = (weeks: { first: number; last: number } | null): string | null =>
  weeks === null ? null : weeks.first === weeks.last ? String(weeks.first) : `${weeks.first}-${weeks.last}`

/** The day as a rule of the plan, such as `Sun wk 2`, where the weeks of the module are known. */
const dueRuleText = (a: UnderstoodActivity, m: UnderstoodModule): string | null => {
  const rule = a.dueAt && ruleOfDay(a.dueAt, m.weeks?.first ?? null, 'monday')
  return rule && ruleText(rule, 'monday')
}

/** What became of everything that came in, a line each. */
export function* ledgerText(ledger: Iterable<LedgerLine>): Generator<string> {
  yield '\nLedger\n'
  for (const { at, text, fate, what, paths } of ledger)
    yield `  ${fate.padEnd(14)} ${text.replace(/\s+/g, ' ')} (${at})${what ? `: ${what}` : ''}${paths.length > 0 ? ` -> ${paths.join(', ')}` : ''}\n`
}

/** An object as JSON with the ledger as its last field, a line of it in a line. */
export function* withLedgerJson(whole: object, ledger: Iterable<LedgerLine>): Generator<string> {
  yield `${JSON.stringify(whole, null, 2).replace(/\n?\}$/, '')},\n  "ledger": [`
  let isFirst = true
  for (const line of ledger) {
    yield `${isFirst ? '' : ','}\n    ${JSON.stringify(line)}`
    isFirst = false
  }
  yield `${isFirst ? '' : '\n  '}]\n}\n`
}

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
        purpose: a.purpose,
        objectives: a.objectives,
        stages: a.stages,
        minutes: a.minutes,
        size: a.size,
        points: decimal(a.points),
        percent: decimal(a.percent),
        due: a.due,
        dueRule: dueRuleText(a, m),
        dueDate: a.dueAt?.date ?? null,
        dueTime: a.dueAt?.time ?? null,
        week: a.week,
        notes: a.notes,
      })),
    })),
    categories: understood.categories.map((c) => ({
      title: c.title,
      share: decimal(c.share),
      points: decimal(c.points),
      count: c.count,
      drop: c.drop ?? null,
    })),
    calendar: understood.calendar.map(({ week, date }) => ({ week, date })),
    pieces: understood.pieces,
    problems: understood.problems,
    guesses: understood.guesses,
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
        a.size === null ? null : sizeText(a.size),
        a.points === null ? null : `${a.points / 100} points`,
        a.percent === null ? null : `${a.percent / 100} %`,
        a.due === null ? null : `due ${a.due}`,
      ].filter((f) => f !== null)
      lines.push(`    - ${a.title}${facts.length > 0 ? `  (${facts.join(', ')})` : ''}`)
    }
  }
  for (const [i, c] of understood.categories.entries()) {
    const facts = [
      c.share === null ? null : `${c.share / 100} %`,
      c.points === null ? null : `${c.points / 100} points`,
      c.count === null ? null : `${c.count} of them`,
      c.drop === undefined ? null : `lowest ${c.drop} dropped`,
    ].filter((f) => f !== null)
    lines.push(...(i === 0 ? ['', 'Grade'] : []), `  ${c.title}  (${facts.join(', ')})`)
  }
  if (understood.pieces.length > 0)
    lines.push('', 'Beside the plan', ...understood.pieces.map((p) => `  ${PIECE_SAYS[p.kind][0]}: ${pieceText(p)}`))
  if (understood.problems.length > 0)
    lines.push('', 'Problems', ...understood.problems.map((p) => `  ${p.message}${p.at ? ` (${p.at})` : ''}`))
  if (understood.guesses.length > 0)
    lines.push(
      '',
      `Guesses: ${understood.guesses.length}`,
      ...understood.guesses.map((g) => `  ${g.path} = ${JSON.stringify(g.value)}: ${g.why}`),
    )
  if (understood.notUnderstood.length > 0)
    lines.push(
      '',
      `Not understood: ${countOf(understood.notUnderstood.length, 'line')}`,
      ...understood.notUnderstood.map((n) => `  ${n.text} (${n.at})`),
    )
  return `${lines.join('\n')}\n`
}
