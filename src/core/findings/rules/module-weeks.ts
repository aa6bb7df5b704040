import { termOf } from '../../calendar/schedule'
import { moduleWordOf } from '../../plan/module-word'
import { ordersOf } from '../../plan/orders'
import { calendarRule } from '../rule'

export const moduleWeeksOutside = calendarRule('module-weeks-outside', {
  reads: [moduleWordOf, ordersOf, termOf, 'module.firstWeek', 'module.lastWeek'],
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
          named: { module: index.numberOf(m.id), first: m.firstWeek, end, last },
          facts: [m.firstWeek, end, last],
          fixes:
            !reversed && m.firstWeek <= last
              ? [
                  {
                    code: 'set-weeks' as const,
                    named: { last },
                    steps: [{ do: 'set' as const, kind: 'module' as const, id: m.id, to: { lastWeek: last } }],
                  },
                ]
              : [],
        },
      ]
    })
  },
})
