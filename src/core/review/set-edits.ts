/** What designers do with sets of quality points, as edits. */
import { blankOf } from '../blueprint/blank'
import type { Blueprint } from '../blueprint/blueprint'
import type { PlanEdit } from '../blueprint/edit'
import { fittedText, readValue } from '../blueprint/field-text'
import type { NewId } from '../blueprint/ids'
import type { ReviewPointRecord } from '../blueprint/kinds'
import { MOST } from '../blueprint/kinds/review-set'
import { byOrder, keyIn, keysBetween } from '../blueprint/order'
import { cleanText } from '../blueprint/text'
import { countOf } from '../numbers'
import type { Refused } from '../result'
import { freeCode } from './free-code'
import { matchesOf, planSet, planSets, pointsOfSet, setOfPoint } from './plan-sets'
import { EMPTY_SET, NO_RULE, type ReviewSet, type SetPoint } from './review-set'
import { looksAtOf } from './take-point'

const hundredthsOf = (value: number | null): number | null => (value === null ? null : Math.round(value * 100))
const listed = (values: readonly string[]): readonly string[] =>
  [...new Set(values.flatMap((v) => cleanText(v.replace(/[,;]/g, ' '), false) ?? []))].filter((v) => v.length <= 60).slice(0, 60)

/** The values of a point as the plan holds them. */
const pointValues = (p: SetPoint) => ({
  statement: fittedText('reviewPoint', 'statement', p.statement) ?? p.code,
  why: fittedText('reviewPoint', 'why', p.why ?? ''),
  where: fittedText('reviewPoint', 'where', p.where ?? ''),
  basis: fittedText('reviewPoint', 'basis', p.basis ?? ''),
  asLearner: fittedText('reviewPoint', 'asLearner', p.asLearner ?? ''),
  priority: p.priority,
  weight: hundredthsOf(p.weight),
  tags: p.tags,
  findings: listed(p.findings),
  looksAt: listed(p.looksAt),
})

/** A set to begin on from nothing. */
export const BLANK_SET: ReviewSet = { ...EMPTY_SET, title: 'Own points' }

/** Adds a set with all that it holds. Returns its id. */
export function addSet(edit: PlanEdit, set: ReviewSet, newId: NewId): string {
  const text = (field: 'key' | 'version' | 'language' | 'note', value: string | null) => fittedText('reviewSet', field, value ?? '')
  const setId = edit.create('reviewSet', {
    id: newId(),
    title: fittedText('reviewSet', 'title', set.title) ?? 'Points',
    key: text('key', set.key),
    version: text('version', set.version),
    language: text('language', set.language),
    note: text('note', set.note),
    mustNeeds: set.rule.mustNeeds,
    shouldNeeds: set.rule.shouldNeeds,
    scoreFrom: hundredthsOf(set.rule.scoreFrom),
    order: keyIn(
      edit,
      'reviewSet',
      planSets(edit.now).map((s) => s.record),
    ),
  })
  const areaKeys = keysBetween(null, null, set.areas.length)
  set.areas.forEach((area, i) => {
    const areaId = edit.create('reviewArea', {
      id: newId(),
      setId,
      title: fittedText('reviewArea', 'title', area.title) ?? 'General',
      order: areaKeys[i] as string,
    })
    const keys = keysBetween(null, null, area.points.length)
    edit.createAll(
      'reviewPoint',
      area.points.map((p, at) => ({
        ...pointValues(p),
        id: newId(),
        areaId,
        code: fittedText('reviewPoint', 'code', p.code) ?? freeCode(area.title, new Set()),
        order: keys[at] as string,
      })),
    )
  })
  return setId
}

/** Adds an area at the end of a set. Returns its id; null where the set is gone. */
export function addArea(edit: PlanEdit, setId: string, title: string, newId: NewId): string | null {
  const set = planSet(edit.now, setId)
  if (!set) return null
  return edit.create('reviewArea', {
    id: newId(),
    setId,
    title: fittedText('reviewArea', 'title', title) ?? 'General',
    order: keyIn(
      edit,
      'reviewArea',
      set.areas.map((a) => a.record),
    ),
  })
}

const codesOf = (plan: Blueprint, setId: string): ReadonlySet<string> => {
  const set = planSet(plan, setId)
  return new Set(set ? pointsOfSet(set).map((p) => p.code) : [])
}
const pointsIn = (plan: Blueprint, areaId: string): readonly ReviewPointRecord[] =>
  planSets(plan)
    .flatMap((s) => s.areas)
    .find((a) => a.record.id === areaId)?.points ?? []

/** Adds a point at the end of an area, with the first code that is free in its set. Returns its id; null where the area is gone. */
export function addPoint(edit: PlanEdit, areaId: string, statement: string, newId: NewId): string | null {
  const area = edit.now.reviewArea.get(areaId)
  if (!area) return null
  return edit.create('reviewPoint', {
    ...blankOf('reviewPoint'),
    id: newId(),
    areaId,
    code: freeCode(area.title, codesOf(edit.now, area.setId)),
    statement: fittedText('reviewPoint', 'statement', statement) ?? 'Untitled',
    priority: 'should',
    order: keyIn(edit, 'reviewPoint', pointsIn(edit.now, areaId)),
  })
}

/** Sets the code of a point, unless another of its set has it. */
export function writeCode(edit: PlanEdit, id: string, text: string): Refused {
  const read = readValue('reviewPoint', 'code', text)
  if (!read.ok) return read.error
  const set = setOfPoint(edit.now, id)
  const other = set && pointsOfSet(set).find((p) => p.code === read.value && p.id !== id)
  if (other) return `${other.code} is the code of another point of this set.`
  edit.set('reviewPoint', id, { code: read.value })
  return null
}

/** Sets the kinds of records that a point looks at, by their names or words. */
export function writeLooksAt(edit: PlanEdit, id: string, text: string): Refused {
  const wanted = text.split(/[,;]+/).flatMap((t) => t.trim() || [])
  const found = wanted.map(looksAtOf)
  const unknown = wanted.find((_, i) => found[i] === null)
  if (unknown !== undefined) return `There is no kind of record “${unknown}”.`
  edit.set('reviewPoint', id, { looksAt: [...new Set(found.flatMap((f) => f ?? []))] })
  return null
}

/** Moves a point one place on, over the border of its area too. */
export function movePoint(edit: PlanEdit, id: string, step: 1 | -1): void {
  const point = edit.now.reviewPoint.get(id)
  const set = setOfPoint(edit.now, id)
  if (!point || !set) return
  const at = set.areas.findIndex((a) => a.record.id === point.areaId)
  const own = set.areas[at]?.points ?? []
  const to = own.findIndex((p) => p.id === id) + step
  if (to >= 0 && to < own.length) return placePoint(edit, id, point.areaId, to)
  const next = set.areas[at + step]
  if (next) placePoint(edit, id, next.record.id, step > 0 ? 0 : next.points.length)
}

/** Puts a point at a position among the others of an area. */
export function placePoint(edit: PlanEdit, id: string, areaId: string, position: number): void {
  if (!edit.now.reviewPoint.has(id) || !edit.now.reviewArea.has(areaId)) return
  const others = pointsIn(edit.now, areaId).filter((p) => p.id !== id)
  edit.set('reviewPoint', id, { areaId, order: keyIn(edit, 'reviewPoint', others, position) })
}

/** Moves an area one place on within its set. */
export function moveArea(edit: PlanEdit, id: string, step: 1 | -1): void {
  const area = edit.now.reviewArea.get(id)
  const areas = (area && planSet(edit.now, area.setId)?.areas.map((a) => a.record)) ?? []
  const to = areas.findIndex((a) => a.id === id) + step
  if (to < 0 || to >= areas.length) return
  const others = areas.filter((a) => a.id !== id)
  edit.set('reviewArea', id, { order: keyIn(edit, 'reviewArea', others, to) })
}

/** A set made of a framework: its top items are areas, what stands below them are points with its codes. Null: it is not there. */
export function setFromFramework(plan: Blueprint, frameworkId: string): ReviewSet | null {
  const framework = plan.framework.get(frameworkId)
  if (!framework) return null
  const items = [...plan.frameworkItem.values()].filter((i) => i.frameworkId === frameworkId).sort(byOrder)
  const childrenOf = (id: string | null) => items.filter((i) => i.parentId === id)
  const below = (id: string): typeof items => childrenOf(id).flatMap((i) => [i, ...below(i.id)])
  const used = new Set<string>()
  const pointOf = (item: (typeof items)[number], area: string): SetPoint => {
    const given = item.code !== null && item.code.length <= MOST.code && !used.has(item.code) ? item.code : null
    const code = given ?? freeCode(area, used)
    used.add(code)
    return {
      code,
      statement: item.statement,
      priority: item.required ? 'must' : 'should',
      why: item.notes,
      where: null,
      basis: null,
      weight: null,
      tags: [],
      findings: [],
      looksAt: [],
      asLearner: null,
    }
  }
  // A framework without levels is one area.
  const tops = childrenOf(null)
  const flat = tops.filter((t) => childrenOf(t.id).length === 0)
  const areas = tops
    .filter((t) => childrenOf(t.id).length > 0)
    .map((t) => {
      const title = fittedText('reviewArea', 'title', t.statement) ?? 'General'
      return { title, points: below(t.id).map((i) => pointOf(i, title)) }
    })
  const rest = flat.length > 0 ? [{ title: framework.title, points: flat.map((i) => pointOf(i, framework.title)) }] : []
  return {
    key: null,
    title: framework.title,
    version: framework.version,
    language: null,
    note: framework.source,
    rule: NO_RULE,
    areas: [...rest, ...areas],
  }
}

/** Says that two points of two sets ask the same, or takes that back. */
export function matchPoints(edit: PlanEdit, a: string, b: string, on: boolean): Refused {
  const [one, two] = [setOfPoint(edit.now, a), setOfPoint(edit.now, b)]
  if (!one || !two) return 'This point is gone.'
  if (one === two) return 'Points of one set are not matched with each other.'
  const found = [...edit.now.pointMatch.values()].filter((m) => (m.fromId === a && m.toId === b) || (m.fromId === b && m.toId === a))
  if (!on) edit.remove(...found.map(({ id }) => ({ kind: 'pointMatch' as const, id })))
  else if (found.length === 0) edit.create('pointMatch', { id: '', fromId: a, toId: b })
  return null
}

/** Matches a point with those of the other sets that have these codes, and with no others. */
export function matchByCodes(edit: PlanEdit, id: string, text: string): Refused {
  const own = setOfPoint(edit.now, id)
  if (!own) return 'This point is gone.'
  const others = planSets(edit.now)
    .filter((s) => s.record.id !== own.record.id)
    .flatMap(pointsOfSet)
  const wanted = text.split(/[,;]+/).flatMap((t) => t.trim() || [])
  const found = wanted.map((code) => others.find((p) => p.code.toLowerCase() === code.toLowerCase()))
  const missing = wanted.find((_, i) => !found[i])
  if (missing !== undefined) return others.length === 0 ? 'There is no other set.' : `No point of another set has the code ${missing}.`
  const before = matchesOf(edit.now, id).map((m) => m.point.id)
  const after = found.flatMap((p) => (p ? [p.id] : []))
  for (const gone of before.filter((x) => !after.includes(x))) matchPoints(edit, id, gone, false)
  for (const made of after.filter((x) => !before.includes(x))) matchPoints(edit, id, made, true)
  return null
}

export type PointDifference = {
  readonly code: string
  readonly change: 'new' | 'differs' | 'gone'
  /** What differs, by field; in the order of the set file. */
  readonly fields: readonly (keyof SetPoint | 'area')[]
  readonly newer: (SetPoint & { readonly area: string }) | null
  readonly id: string | null
}
const COMPARED = ['statement', 'priority', 'why', 'where', 'basis', 'weight', 'tags', 'findings', 'looksAt', 'asLearner'] as const

/** What a newer set says otherwise, point by point, in its order; what it does not have any more last. */
export function differencesOf(plan: Blueprint, setId: string, newer: ReviewSet): readonly PointDifference[] {
  const set = planSet(plan, setId)
  if (!set) return []
  const own = new Map(set.areas.flatMap((a) => a.points.map((p) => [p.code, { point: p, area: a.record.title }] as const)))
  const seen = new Set<string>()
  const told = newer.areas.flatMap((area) =>
    area.points.flatMap((p): readonly PointDifference[] => {
      seen.add(p.code)
      const here = own.get(p.code)
      const with_ = { ...p, area: area.title }
      if (!here) return [{ code: p.code, change: 'new', fields: [], newer: with_, id: null }]
      const values = pointValues(p)
      const fields = [
        ...COMPARED.filter((f) => JSON.stringify(values[f]) !== JSON.stringify(here.point[f])),
        ...(here.area === area.title ? [] : ['area' as const]),
      ]
      return fields.length > 0 ? [{ code: p.code, change: 'differs', fields, newer: with_, id: here.point.id }] : []
    }),
  )
  const gone = [...own.values()].filter(({ point }) => !seen.has(point.code))
  return [
    ...told,
    ...gone.map(({ point }): PointDifference => ({ code: point.code, change: 'gone', fields: [], newer: null, id: point.id })),
  ]
}

/** Takes over differences, and the version of the newer set. An area that is not there yet is made. */
export function takeDifferences(
  edit: PlanEdit,
  setId: string,
  newer: ReviewSet,
  chosen: readonly PointDifference[],
  newId: NewId,
): Refused {
  if (!edit.now.reviewSet.has(setId)) return 'This set is gone.'
  for (const { newer: point, id, change } of chosen) {
    if (change === 'gone' && id) edit.remove({ kind: 'reviewPoint', id })
    if (!point) continue
    const title = fittedText('reviewArea', 'title', point.area) ?? 'General'
    const areaId =
      planSet(edit.now, setId)?.areas.find((a) => a.record.title === title)?.record.id ?? (addArea(edit, setId, title, newId) as string)
    const at = id ?? addPoint(edit, areaId, point.statement, newId)
    if (at === null) continue
    if (edit.now.reviewPoint.get(at)?.areaId !== areaId) placePoint(edit, at, areaId, Number.MAX_SAFE_INTEGER)
    edit.set('reviewPoint', at, { ...pointValues(point), code: point.code })
  }
  const version = fittedText('reviewSet', 'version', newer.version ?? '')
  if (version !== null) edit.set('reviewSet', setId, { version })
  return null
}

/** How much a set holds, in words. */
export const sizeOf = (areas: number, points: number): string => `${countOf(points, 'point')} in ${countOf(areas, 'area')}`
