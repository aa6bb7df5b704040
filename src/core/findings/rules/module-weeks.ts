import { termOf } from '../../calendar/schedule'
import { ordersOf } from '../../plan/orders'
import type { Rule } from '../context'

export const moduleWeeksOutside: Rule = {
  code: 'module-weeks-outside',
  workspace: 'calendar',
  reads: [ordersOf, termOf, 'module.firstWeek', 'module.lastWeek'],
  why: 'A module without weeks in the term has no dates, and neither has anything in it.',
  find: ({ index, schedule }) => {
    if (!schedule) return []
    const last = Math.max(0, ...schedule.term.weeks.map((w) => w.number ?? 0))
    return index.modules.flatMap((m) => {
      const end = m.lastWeek ?? m.firstWeek
      if (m.firstWeek === null || end === null) return []
      const reversed = end < m.firstWeek
      if (!reversed && end <= last) return []
      return [
        {
          weight: 'fix' as const,
          records: [{ kind: 'module' as const, id: m.id }],
          field: 'weeks',
          message: reversed
            ? `Module ${index.numberOf(m.id)} ends in week ${end}, before it begins in week ${m.firstWeek}.`
            : `Module ${index.numberOf(m.id)} runs to week ${end}; the term has ${last} weeks.`,
          facts: [m.firstWeek, end, last],
          fixes:
            !reversed && m.firstWeek <= last
              ? [
                  {
                    code: 'set-weeks',
                    label: `End it in week ${last}`,
                    steps: [{ do: 'set' as const, kind: 'module' as const, id: m.id, to: { lastWeek: last } }],
                  },
                ]
              : [],
        },
      ]
    })
  },
}
