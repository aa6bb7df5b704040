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
  /** In whole hundredths of a percent; those of an outcome sum to its share. */
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
  /** The part of the whole grade that lies where it was intended, in [0, 1], from exact shares; null until shares are intended and something is graded. */
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
        parts: wholeParts(rounded[i] ?? 0, parts.get(laneId) ?? []),
      }),
    )
    .filter((s) => s.laneId !== null || s.graded > 0)
  const lanes = keys.flatMap((laneId, i): Lane[] =>
    laneId === null ? [] : [{ laneId, intended: intendedOf.get(laneId) ?? 0, exact: exact[i] ?? 0 }],
  )
  const agreement = agreementOf(lanes)
  return { shares, agreement, words: agreement === null ? null : inWords(agreement, lanes, (id) => index.numberOf(id)) }
})

/** Steps of a derivation in whole hundredths, so that they sum to what they lead to. */
function wholeParts(graded: number, parts: readonly SharePart[]): SharePart[] {
  const whole = largestRemainder(
    graded,
    parts.map((p) => p.amount),
  )
  return parts.map((p, i) => ({ ...p, amount: whole[i] ?? 0 }))
}

/** An outcome with its share as intended and as it comes out, in hundredths of a percent of the grade, not rounded. */
type Lane = { readonly laneId: string; readonly intended: number; readonly exact: number }

const WHOLE = 100_00
/**
 * P = 1 - sum |x - y| / 2 over outcomes, both sides of the whole grade (Porter 2002), where what is not aligned, not assigned or not
 * intended is a cell of its own: then it is the sum of the smaller of x and y.
 */
function agreementOf(lanes: readonly Lane[]): number | null {
  if (lanes.every((l) => l.intended === 0) || lanes.every((l) => l.exact === 0)) return null
  return lanes.reduce((sum, l) => sum + Math.min(l.intended, l.exact), 0) / WHOLE
}

function inWords(agreement: number, lanes: readonly Lane[], numberOf: (id: string) => string): string {
  const off = lanes
    .map((l) => ({ name: numberOf(l.laneId), by: l.exact - l.intended }))
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
