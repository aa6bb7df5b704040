import { courseOf } from '../../blueprint/blueprint'
import { hoursByWeek, isOver } from '../../hours/by-week'
import { formatHundredths } from '../../numbers'
import { MINUTES, type Rule } from '../context'

/** `13½`, `8`: hours as people plan them. */
const halves = (hours: number): string => {
  const half = Math.round(hours * 2)
  return half % 2 === 0 ? String(half / 2) : `${Math.floor(half / 2)}½`
}

export const hoursOverTarget: Rule = {
  code: 'hours-over-target',
  workspace: 'map',
  reads: [...MINUTES, 'module.firstWeek', 'module.lastWeek', 'course.weeklyHoursMin', 'course.weeklyHoursMax'],
  why: 'Learners plan their weeks by the hours they were told; what does not fit in is skipped.',
  find: ({ blueprint, index }) => {
    const { weeklyHoursMin, weeklyHoursMax } = blueprint.course.has('course') ? courseOf(blueprint) : {}
    if (weeklyHoursMax == null) return []
    const weekly = hoursByWeek(blueprint).moduleWeekly
    const target =
      weeklyHoursMin == null
        ? `up to ${formatHundredths(weeklyHoursMax)}`
        : `${formatHundredths(weeklyHoursMin)} to ${formatHundredths(weeklyHoursMax)}`
    return index.modules.flatMap((m) => {
      const hours = weekly.get(m.id)
      if (hours == null || !isOver(hours, weeklyHoursMax / 100)) return []
      return [
        {
          weight: 'check' as const,
          records: [{ kind: 'module' as const, id: m.id }],
          message: `Module ${index.numberOf(m.id)} asks for about ${halves(hours)} hours a week; the target is ${target}.`,
          facts: [Math.round(hours * 60), weeklyHoursMax],
        },
      ]
    })
  },
}
