/** Sets of quality points as a plan holds them, and as the plain sets that files and figures are about. */
import { type Blueprint, recordsOf } from '../blueprint/blueprint'
import type { ReviewAreaRecord, ReviewPointRecord, ReviewSetRecord } from '../blueprint/kinds'
import { byOrder } from '../blueprint/order'
import { derive } from '../plan/derive'
import { groupBy } from '../plan/group-by'
import type { ReviewSet, SetPoint } from './review-set'

export type PlanArea = { readonly record: ReviewAreaRecord; readonly points: readonly ReviewPointRecord[] }
export type PlanSet = { readonly record: ReviewSetRecord; readonly areas: readonly PlanArea[] }

/** The sets of a plan in order, with their areas and points. */
export const planSets = derive(['reviewSet', 'reviewArea', 'reviewPoint'], (plan: Blueprint): readonly PlanSet[] => {
  const points = groupBy(recordsOf(plan, 'reviewPoint'), (p) => p.areaId)
  const areas = groupBy(recordsOf(plan, 'reviewArea'), (a) => a.setId)
  return recordsOf(plan, 'reviewSet')
    .toSorted(byOrder)
    .map((record) => ({
      record,
      areas: (areas.get(record.id) ?? [])
        .toSorted(byOrder)
        .map((area) => ({ record: area, points: (points.get(area.id) ?? []).toSorted(byOrder) })),
    }))
})

/** A set of a plan; undefined where it is not there. */
export const planSet = (plan: Blueprint, id: string): PlanSet | undefined => planSets(plan).find((s) => s.record.id === id)
/** All points of a set in its order. */
export const pointsOfSet = ({ areas }: PlanSet): readonly ReviewPointRecord[] => areas.flatMap((a) => a.points)
/** The set that a point belongs to; undefined where one of the two is not there. */
export const setOfPoint = (plan: Blueprint, pointId: string): PlanSet | undefined =>
  planSets(plan).find((s) => pointsOfSet(s).some((p) => p.id === pointId))

const fromHundredths = (value: number | null): number | null => (value === null ? null : value / 100)

export const plainPoint = (p: ReviewPointRecord): SetPoint => ({
  code: p.code,
  statement: p.statement,
  priority: p.priority,
  why: p.why,
  where: p.where,
  basis: p.basis,
  weight: fromHundredths(p.weight),
  tags: p.tags,
  findings: p.findings,
  looksAt: p.looksAt,
  asLearner: p.asLearner,
})

/** The set as files and figures have it. */
export const plainSet = ({ record, areas }: PlanSet): ReviewSet => ({
  key: record.key,
  title: record.title,
  version: record.version,
  language: record.language,
  note: record.note,
  rule: { mustNeeds: record.mustNeeds, shouldNeeds: record.shouldNeeds, scoreFrom: fromHundredths(record.scoreFrom) },
  areas: areas.map((a) => ({ title: a.record.title, points: a.points.map(plainPoint) })),
})

/** The points that are said to ask the same as this one, each with its set. */
export function matchesOf(plan: Blueprint, pointId: string): readonly { readonly point: ReviewPointRecord; readonly set: PlanSet }[] {
  return recordsOf(plan, 'pointMatch').flatMap(({ fromId, toId }) => {
    const other = fromId === pointId ? toId : toId === pointId ? fromId : null
    const point = other === null ? undefined : plan.reviewPoint.get(other)
    const set = point && setOfPoint(plan, point.id)
    return point && set ? [{ point, set }] : []
  })
}
