/** Where things stand in the tree: `modules[0].activities[2].minutes`. */
import { ACTIVITY_KINDS } from '../blueprint/kinds/activity'
import type { Draft, DraftModule } from './draft'
import { MERGES } from './understanding'

/** The path of each thing of the draft in the tree; of what was merged, that of what it became. */
export function pathsOf(draft: Draft, modules: readonly DraftModule[]): (thing: object) => string | undefined {
  const paths = new Map<object, string>([[draft, 'title']])
  for (const [i, o] of draft.outcomes.entries()) paths.set(o, `outcomes[${i}]`)
  for (const [i, c] of draft.categories.entries()) paths.set(c, `categories[${i}]`)
  for (const [i, p] of draft.pieces.entries()) paths.set(p, `pieces[${i}]`)
  for (const [i, w] of draft.weekDates.entries()) paths.set(w, `calendar[${i}]`)
  for (const [i, m] of modules.entries()) {
    paths.set(m, `modules[${i}]`)
    for (const [k, o] of m.objectives.entries()) paths.set(o, `modules[${i}].objectives[${k}]`)
    for (const [k, a] of m.activities.entries()) paths.set(a, `modules[${i}].activities[${k}]`)
  }
  return (thing) => paths.get(thing) ?? paths.get(draft.merged.get(thing) ?? thing)
}

/** The steps of a path; null where it is none. */
const stepsOf = (path: string): string[] | null =>
  /^[a-zA-Z]+(?:\[\d+\])?(?:\.[a-zA-Z]+(?:\[\d+\])?)*$/.test(path) ? path.split(/[.[\]]+/).filter((s) => s !== '') : null

/** What stands at a path of the tree. */
export function valueAt(tree: object, path: string): unknown {
  let at: unknown = tree
  for (const step of stepsOf(path) ?? [])
    at = typeof at === 'object' && at !== null && Object.hasOwn(at, step) ? (at as Record<string, unknown>)[step] : undefined
  return at
}

const isText = (value: unknown): boolean => typeof value === 'string' && value.trim() !== ''
const orNull = (is: (value: unknown) => boolean) => (value: unknown) => value === null || is(value)
const isCount = orNull((value) => typeof value === 'number' && Number.isInteger(value) && value >= 0)
const isLine = orNull((value) => typeof value === 'string')
const isCodes = (value: unknown): boolean => Array.isArray(value) && value.every((v) => typeof v === 'string')
const isSpan = (value: unknown): boolean => {
  const span = typeof value === 'object' && value !== null ? (value as { first?: unknown; last?: unknown }) : {}
  return typeof span.first === 'number' && typeof span.last === 'number' && span.first >= 1 && span.first <= span.last
}
/** Values that can be answered, by their fields. */
const VALUES: Readonly<Record<string, (value: unknown) => boolean>> = {
  ...{ title: isText, statement: isText },
  ...{ number: isLine, code: isLine, part: isLine, category: isLine, due: isLine, notes: isLine },
  ...{ minutes: isCount, points: isCount, percent: isCount, week: isCount, share: isCount, count: isCount },
  ...{ objectives: isCodes, outcomes: isCodes, weeks: orNull(isSpan), merge: (value: unknown) => MERGES.some((m) => m === value) },
  kind: orNull((value) => ACTIVITY_KINDS.some((kind) => kind === value)),
}

/** Whether a value is one that a field of the tree may have. */
export const fitsField = (field: string, value: unknown): boolean => Object.hasOwn(VALUES, field) && VALUES[field]?.(value) === true
