/** How the grade is spread over the course outcomes, and whether it lies where it was meant to. */
import { formatHundredths } from '../numbers'
import { derive } from '../plan/derive'
import { indexCourse, PARTS } from '../plan/plan-index'
import { gradeTable } from './grade-table'
import { gradedParts } from './graded-parts'
import { largestRemainder } from './rounding'

/** One step of the derivation: this much of an assessment goes through this objective. */
export type SharePart = {
  readonly activityId: string
  /** Null: not through a rubric. */
  readonly criterionId: string | null
  readonly objectiveId: string | null
  /** In hundredths of a percent, not rounded. */
  readonly amount: number
}

export type OutcomeShare = {
  /** Of an outcome, or of the framework item in its place; null: what reaches none. */
  readonly laneId: string | null
  /** Hundredths of a percent of the final grade. */
  readonly graded: number
  /** Hundredths of a percent as stated; null where none is. */
  readonly intended: number | null
  readonly parts: readonly SharePart[]
}

export type GradeByOutcome = {
  /** In the order of the outcomes; what reaches none comes last, when there is any. They sum to the grade that is assigned. */
  readonly shares: readonly OutcomeShare[]
  /** Porter's index in [0, 1]; null until shares are intended and something is graded. */
  readonly agreement: number | null
  /** The agreement in a sentence; null where there is none. */
  readonly words: string | null
}

/** A difference between assessed and intended that is worth a thought, hundredths of a percent (Cairn default). */
export const DIFFERS_FROM = 6_00

/** Differences from here on are named in the sentence, in hundredths of a percent (Cairn default). */
const NAMED_FROM = 3_00
const NAMED_MOST = 3

/** What it takes to know through what an assessment reaches the outcomes. */
export const GRADED_PARTS = [PARTS.lanes, PARTS.alignments, PARTS.assessments, PARTS.rubrics, PARTS.criterionObjectives] as const

/**
 * Divides the share of each graded assessment over its criteria and objectives to the outcomes (graded-parts.ts); what reaches no outcome is a row of its own. Rounded once, by largest remainder, so that the rows sum exactly.
 */
export const gradeByOutcome = derive([gradeTable, ...GRADED_PARTS, PARTS.numbers], (blueprint): GradeByOutcome => {
  const index = indexCourse(blueprint)
  const table = gradeTable(blueprint)
  const parts = new Map<string | null, SharePart[]>(index.lanes.map((o) => [o.id, []]))
  parts.set(null, [])
  for (const { items } of table.rows)
    for (const { activity, effective } of items)
      if (effective > 0)
        for (const { criterionId, objectiveId, laneId, part } of gradedParts(index, activity.id))
          parts.get(laneId)?.push({ activityId: activity.id, criterionId, objectiveId, amount: effective * part })
  const keys = [...parts.keys()]
  const exact = keys.map((key) => (parts.get(key) ?? []).reduce((sum, p) => sum + p.amount, 0))
  const rounded = largestRemainder(table.totalEffective, exact)
  const intendedOf = new Map(index.lanes.map((o) => [o.id as string | null, o.intendedShare]))
  const shares = keys
    .map(
      (laneId, i): OutcomeShare => ({
        laneId,
        graded: rounded[i] ?? 0,
        intended: intendedOf.get(laneId) ?? null,
        parts: parts.get(laneId) ?? [],
      }),
    )
    .filter((s) => s.laneId !== null || s.graded > 0)
  const agreement = agreementOf(shares)
  return { shares, agreement, words: agreement === null ? null : inWords(agreement, shares, (id) => index.numberOf(id)) }
})

/** P = 1 - sum |x - y| / 2 over outcomes, each side a proportion of its sum (Porter 2002); unaligned is a cell with x = 0. */
function agreementOf(shares: readonly OutcomeShare[]): number | null {
  const intended = shares.reduce((sum, s) => sum + (s.intended ?? 0), 0)
  const graded = shares.reduce((sum, s) => sum + s.graded, 0)
  if (intended === 0 || graded === 0) return null
  return 1 - shares.reduce((sum, s) => sum + Math.abs((s.intended ?? 0) / intended - s.graded / graded), 0) / 2
}

function inWords(agreement: number, shares: readonly OutcomeShare[], numberOf: (id: string) => string): string {
  const off = shares
    .flatMap((s) => (s.laneId === null ? [] : [{ name: numberOf(s.laneId), by: s.graded - (s.intended ?? 0) }]))
    .filter((s) => Math.abs(s.by) >= NAMED_FROM)
    .sort((a, b) => Math.abs(b.by) - Math.abs(a.by))
    .slice(0, NAMED_MOST)
  const first = off[0]
  const named = off.map((s) => {
    const size = formatHundredths(Math.round(Math.abs(s.by) / 10) * 10, 1)
    return `${s.name} ${size}${s === first ? ' points' : ''} ${s.by < 0 ? 'short' : 'over'}`
  })
  const sentence = `${Math.round(agreement * 100)} % of the grade lies where intended`
  return named.length > 0 ? `${sentence}; ${named.join(', ')}.` : `${sentence}.`
}
