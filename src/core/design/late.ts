/** What late work keeps: a percent for each started day behind the due moment and its grace. */
import { type Blueprint, courseOf, recordsOf } from '../blueprint/blueprint'
import type { Assessment } from '../blueprint/kinds'
import { countOf } from '../numbers'

/** Percents in hundredths, as they are stored. */
export type LateRule = {
  readonly perDay: number
  readonly graceHours: number
  /** The most that lateness takes. */
  readonly most: number
  /** Days after which nothing is taken; null: there is no such day. */
  readonly cutoffDays: number | null
}
export type LateMark = { readonly days: number /** Hundredths of a percent that are kept. */; readonly kept: number }

const ALL = 100_00

/** The rule of a piece of work: its own, the course's, or null where none holds. */
export function lateRuleOf(blueprint: Blueprint, assessment: Assessment): LateRule | null {
  return assessment.lateRule === 'none' ? null : lateRuleIn(assessment.lateRule === 'own' ? assessment : courseOf(blueprint))
}

/** The rule that a course or an assessment states; null where it says nothing that takes anything. */
export function lateRuleIn(says: Pick<Assessment, 'latePercent' | 'lateGraceHours' | 'lateMost' | 'lateCutoffDays'>): LateRule | null {
  if (says.latePercent === null && says.lateCutoffDays === null) return null
  return {
    perDay: says.latePercent ?? 0,
    graceHours: says.lateGraceHours ?? 0,
    most: says.lateMost ?? ALL,
    cutoffDays: says.lateCutoffDays,
  }
}

/** What is kept after `n` started days behind due and grace, in hundredths of a percent. */
export const keptAfter = (rule: LateRule, n: number): number =>
  n <= 0 ? ALL : rule.cutoffDays !== null && n > rule.cutoffDays ? 0 : ALL - Math.min(n * rule.perDay, rule.most)

/** Each day from which on less is kept, up to the one from which on it stays so. */
export function lateMarks(rule: LateRule): LateMark[] {
  const marks: LateMark[] = []
  // From here on nothing changes: all that may be taken is, and the last day has passed.
  const worn = rule.perDay > 0 ? Math.ceil(Math.min(rule.most, ALL) / rule.perDay) : 0
  const days = [...Array.from({ length: worn }, (_, i) => i + 1), ...(rule.cutoffDays === null ? [] : [rule.cutoffDays + 1])]
  let before = ALL
  for (const n of [...new Set(days)].sort((a, b) => a - b)) {
    const kept = keptAfter(rule, n)
    if (kept !== before) marks.push({ days: n, kept })
    before = kept
  }
  return marks
}

/** "1 day 90 %, 2 days 80 %, after 5 days nothing". */
export const lateText = (rule: LateRule): string =>
  lateMarks(rule)
    .map(({ days, kept }) => (kept === 0 ? `after ${countOf(days - 1, 'day')} nothing` : `${countOf(days, 'day')} ${kept / 100} %`))
    .join(', ')

/** Pieces of work with a rule that takes something, by their activities. */
export const lateWork = (blueprint: Blueprint): { readonly activityId: string; readonly rule: LateRule }[] =>
  recordsOf(blueprint, 'assessment').flatMap((a) => {
    const rule = lateRuleOf(blueprint, a)
    return rule ? [{ activityId: a.activityId, rule }] : []
  })
