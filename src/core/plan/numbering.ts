/** Numbers and neighbours of single records, for who looks at many plans and few records of each; else there is the course index. */
import type { Blueprint } from '../blueprint/blueprint'
import { linkId } from '../blueprint/ids'
import type { Activity, KindName, Module, Objective, Part } from '../blueprint/kinds'
import { byOrder, type Ordered } from '../blueprint/order'

/** The number of the n-th objective of a module as letters: a to z, then aa, ab. */
export function letters(position: number): string {
  let text = ''
  for (let n = position; n >= 0; n = Math.floor(n / 26) - 1) text = String.fromCharCode(97 + (n % 26)) + text
  return text
}

/** The name of the n-th group outside the sequence: A to Z, then AA, AB. */
export const capitals = (position: number): string => letters(position).toUpperCase()

const PLACE_OF_ROLE = { start: 0, throughout: 2, end: 2 } as const
const placeOf = ({ role }: Pick<Module, 'role'>): number => (role === null ? 1 : PLACE_OF_ROLE[role])
/** How modules follow each other: groups at the start, the sequence, the other groups; each in their order. */
export const byPlace = (a: Module, b: Module): number => placeOf(a) - placeOf(b) || byOrder(a, b)
/** Modules that are moved among one another: those of the same place in the course. */
export const standBeside = (a: Pick<Module, 'role'>, b: Pick<Module, 'role'>): boolean => placeOf(a) === placeOf(b)

export type NumberedKind = 'outcome' | 'module' | 'objective' | 'activity'
const NUMBERED: readonly string[] = ['outcome', 'module', 'objective', 'activity'] satisfies NumberedKind[]
export const isNumbered = (kind: KindName): kind is NumberedKind => NUMBERED.includes(kind)

/** A part as a module has it: in its own place there, where it has one. */
const placedIn = (blueprint: Blueprint, moduleId: string, part: Part): Ordered => ({
  id: part.id,
  order: blueprint.modulePart.get(linkId([moduleId, part.id]))?.order ?? part.order,
})

/** The course's parts in the order of a module. */
export const partsIn = (blueprint: Blueprint, moduleId: string): readonly string[] =>
  [...blueprint.part.values()]
    .map((p) => placedIn(blueprint, moduleId, p))
    .sort(byOrder)
    .map((p) => p.id)

/** How records of a kind follow each other in the course: by module, activities by part, then by their own order. */
function follows(blueprint: Blueprint, kind: NumberedKind): (a: Ordered, b: Ordered) => number {
  const moduleOf = (r: Ordered) => blueprint.module.get((r as Objective | Activity).moduleId) as Module
  const partOf = (r: Ordered) => {
    const part = blueprint.part.get((r as Activity).partId ?? '')
    return part && placedIn(blueprint, (r as Activity).moduleId, part)
  }
  const byPart = (a: Ordered, b: Ordered) => {
    const [x, y] = [partOf(a), partOf(b)]
    return x && y ? byOrder(x, y) : x ? -1 : y ? 1 : 0
  }
  if (kind === 'outcome') return byOrder
  if (kind === 'module') return (a, b) => byPlace(a as Module, b as Module)
  if (kind === 'objective') return (a, b) => byPlace(moduleOf(a), moduleOf(b)) || byOrder(a, b)
  return (a, b) => byPlace(moduleOf(a), moduleOf(b)) || byPart(a, b) || byOrder(a, b)
}

/** Records of a kind that have a place: those of a module that is not there have none. */
function placed(blueprint: Blueprint, kind: NumberedKind): Ordered[] {
  const all = [...blueprint[kind].values()] as Ordered[]
  return kind === 'outcome' || kind === 'module' ? all : all.filter((r) => blueprint.module.has((r as Objective | Activity).moduleId))
}

/** The number of a record in its plan, `CO3`, `2a`, `2.4`; empty where it has none. */
export function numberIn(blueprint: Blueprint, kind: KindName, id: string): string {
  if (!isNumbered(kind)) return ''
  const record = blueprint[kind].get(id) as Ordered | undefined
  if (!record) return ''
  const moduleId = kind === 'objective' || kind === 'activity' ? (record as Objective | Activity).moduleId : null
  const module = moduleId === null ? '' : numberIn(blueprint, 'module', moduleId)
  if (moduleId !== null && module === '') return ''
  const compare = follows(blueprint, kind)
  let before = 0
  const isOutside = (r: Ordered) => kind === 'module' && (r as Module).role !== null
  for (const other of blueprint[kind].values() as Iterable<Ordered>)
    if (
      isOutside(other) === isOutside(record) &&
      (moduleId === null || (other as Objective | Activity).moduleId === moduleId) &&
      compare(other, record) < 0
    )
      before++
  if (kind === 'outcome') return `${blueprint.course.get('course')?.outcomePrefix ?? 'CO'}${before + 1}`
  if (kind === 'module') return isOutside(record) ? capitals(before) : String(before + 1)
  return kind === 'objective' ? `${module}${letters(before)}` : `${module}.${before + 1}`
}

/** The record that comes next in the course, or null behind the last. */
export function nextIn(blueprint: Blueprint, kind: NumberedKind, id: string): Ordered | null {
  const all = placed(blueprint, kind)
  const record = all.find((r) => r.id === id)
  if (!record) return null
  const compare = follows(blueprint, kind)
  return all.reduce<Ordered | null>((next, r) => (compare(r, record) > 0 && (next === null || compare(r, next) < 0) ? r : next), null)
}
