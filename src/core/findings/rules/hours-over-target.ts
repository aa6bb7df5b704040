import { courseOf } from '../../blueprint/blueprint'
import { hoursByWeek, isOver } from '../../hours/by-week'
import { moduleWordOf } from '../../plan/module-word'
import { MINUTES } from '../context'
import { mapRule } from '../rule'

export const hoursOverTarget = mapRule('hours-over-target', {
  reads: [moduleWordOf, ...MINUTES, 'module.firstWeek', 'module.lastWeek', 'course.weeklyHoursMin', 'course.weeklyHoursMax'],
  find: ({ blueprint, index }) => {
    const { weeklyHoursMin, weeklyHoursMax } = blueprint.course.has('course') ? courseOf(blueprint) : {}
    if (weeklyHoursMax == null) return []
    const weekly = hoursByWeek(blueprint).moduleWeekly
    return index.modules.flatMap((m) => {
      const hours = weekly.get(m.id)
      if (hours == null || !isOver(hours, weeklyHoursMax / 100)) return []
      return [
        {
          weight: 'check' as const,
          records: [{ kind: 'module' as const, id: m.id }],
          named: { module: index.numberOf(m.id), hours, least: weeklyHoursMin ?? null, most: weeklyHoursMax },
          facts: [Math.round(hours * 60), weeklyHoursMax],
        },
      ]
    })
  },
})
