/** Every figure that Cairn computes of a course, so that it can be checked from outside. Shares are percents, hours decimal. */
import { coverageOf } from '../alignment/coverage'
import { type Blueprint, courseOf } from '../blueprint/blueprint'
import { instantOf } from '../calendar/instant'
import { scheduleOf } from '../calendar/schedule'
import { lateMarks, lateWork } from '../design/late'
import { plannedLengths } from '../design/length'
import { mixOf, type Spread } from '../design/mix'
import { gradeByOutcome } from '../grading/by-outcome'
import { gradeTable } from '../grading/grade-table'
import { hoursByWeek } from '../hours/by-week'
import { contactHours, requiredHours } from '../hours/credit'
import { markingByWeek } from '../hours/marking'
import { assumptionsOf } from '../plan/assumptions'
import { estimateOf } from '../plan/estimate'
import { indexCourse } from '../plan/plan-index'
import { minutesFrom } from '../plan/whole-activity'

const percent = (hundredths: number): number => Math.round(hundredths) / 100
const places = (value: number, n: number): number => Math.round(value * 10 ** n) / 10 ** n

const amountsOf = (spread: Spread) =>
  Object.fromEntries(Object.entries(spread).map(([value, { activities, minutes }]) => [value, { activities, minutes: places(minutes, 2) }]))

/** The figures as plain data, named by the numbers that people see (`CO3`, `2a`, `2.4`) with the ids beside them. */
export function figuresOf(blueprint: Blueprint) {
  const index = indexCourse(blueprint)
  const table = gradeTable(blueprint)
  const byOutcome = gradeByOutcome(blueprint)
  const schedule = scheduleOf(blueprint)
  const hours = hoursByWeek(blueprint)
  const coverage = coverageOf(blueprint)
  const marking = markingByWeek(blueprint)
  const contact = contactHours(blueprint)
  const assume = assumptionsOf(blueprint)
  const required = requiredHours(courseOf(blueprint))
  const zone = schedule?.term.offering.timeZone ?? 'UTC'
  return {
    coverage: coverage.cells.map((c) => ({
      outcome: index.numberOf(c.laneId),
      module: index.numberOf(c.moduleId),
      activities: c.activityIds.map((id) => index.numberOf(id)),
      minutes: places(c.minutes, 2),
      share: places(c.share / 100, 4),
      stages: c.stages,
    })),
    objectives: index.objectives.map((o) => ({ id: o.id, number: index.numberOf(o.id), state: coverage.stateOf(o.id) })),
    grade: {
      mode: table.mode,
      total: percent(table.totalEffective),
      extraCredit: percent(table.totalExtra),
      missing: table.missingShare === null ? null : percent(table.missingShare),
      items: table.rows.flatMap((row) =>
        row.items.map((i) => ({
          id: i.activity.id,
          number: i.number,
          category: row.category?.title ?? null,
          points: i.points / 100,
          percent: percent(i.effective),
          percentWhenKept: places(i.whenKept / 100, 4),
          extraCredit: i.extra === null ? null : percent(i.extra),
        })),
      ),
    },
    gradeByOutcome: byOutcome.shares.map((s) => ({
      outcome: s.laneId === null ? null : index.numberOf(s.laneId),
      percent: percent(s.graded),
      intended: s.intended === null ? null : percent(s.intended),
    })),
    agreement: byOutcome.agreement === null ? null : places(byOutcome.agreement, 6),
    agreementInWords: byOutcome.words,
    due: index.activities.flatMap((a) => {
      const due = schedule?.dueOf(a.id)
      return due
        ? [{ id: a.id, number: index.numberOf(a.id), date: due.date, time: due.time, instant: instantOf(due.date, due.time, zone) }]
        : []
    }),
    unresolvedDue: (schedule?.unresolved ?? []).map((u) => ({ number: index.numberOf(u.activityId), why: u.why })),
    minutes: index.activities.map((a) => {
      const own = blueprint.activity.get(a.id) ?? a
      const from = minutesFrom(own, a)
      return {
        id: a.id,
        number: index.numberOf(a.id),
        minutes: a.minutes === null ? null : places(a.minutes, 4),
        from,
        how: from === 'estimate' ? (estimateOf(a, assume)?.how ?? null) : null,
      }
    }),
    openings: index.activities.flatMap((a) => {
      const date = schedule?.spanOf(a.moduleId)?.first
      return date === undefined ? [] : [{ id: a.id, number: index.numberOf(a.id), date }]
    }),
    hours: {
      total: places(hours.total / 60, 2),
      undated: places(hours.undated / 60, 2),
      weeks: hours.weeks.map((w) => ({ week: w.week.number, first: w.week.first, last: w.week.last, hours: places(w.minutes / 60, 2) })),
      required,
      contact: {
        instruction: places(contact.minutes.instruction / 60, 2),
        guided: places(contact.minutes.guided / 60, 2),
        independent: places(contact.minutes.independent / 60, 2),
        contactHours: places(contact.contactHours, 2),
        minutesOfAContactHour: contact.hourMinutes,
      },
      modules: [...hours.moduleWeekly].map(([id, weekly]) => ({
        module: index.numberOf(id),
        hoursAWeek: weekly === null ? null : places(weekly, 2),
      })),
    },
    mix: mixOf(blueprint).map(({ moduleId, interactions, timing, setting, grouping }) => ({
      module: moduleId,
      interactions: amountsOf(interactions),
      timing: amountsOf(timing),
      setting: amountsOf(setting),
      grouping: amountsOf(grouping),
    })),
    late: lateWork(blueprint).map(({ activityId, rule }) => ({
      id: activityId,
      marks: lateMarks(rule).map(({ days, kept }) => ({ days, percent: percent(kept) })),
    })),
    lengths: plannedLengths(blueprint).map(({ activityId, seconds, target }) => ({ id: activityId, seconds, target })),
    marking: marking && {
      enrolment: marking.enrolment,
      returnWorkingDays: marking.returnDays,
      total: places(marking.total / 60, 2),
      afterTheTerm: places(marking.after / 60, 2),
      weeks: marking.weeks.map((w) => ({ week: w.week.number, first: w.week.first, hours: places(w.minutes / 60, 2) })),
      work: marking.work.map((w) => ({
        number: index.numberOf(w.activityId),
        minutesEach: w.each,
        submissions: marking.enrolment,
        halfMinutes: Math.round(w.minutes * 2),
        hours: places(w.minutes / 60, 2),
        due: w.due,
        backBy: w.back,
      })),
    },
  }
}
