/**
 * What somebody corrects in a reading, step by step, as data: a preview applies the steps as they are made, and `--answers` repeats
 * them. A step that fits nothing in the tree gives null.
 */
import { z } from 'zod'
import { longestText } from '../blueprint/field-text'
import { fitted } from '../blueprint/text'
import { sizeInTitle } from '../plan/size-in-title'
import {
  activityFrom,
  alikeTo,
  confirmAt,
  dueFrom,
  guessesWithout,
  joinActivity,
  moveRow,
  objectiveFrom,
  pathOfRow,
  type RowAt,
  removeModule,
  removeRow,
  setRow,
  splitActivity,
  swapRow,
} from './correct'
import { readStatement } from './items'
import { fitsField } from './paths'
import type { Understanding, UnderstoodActivity } from './understanding'

const count = z.number().int().min(0)
const row = z.strictObject({ module: count, rows: z.enum(['activities', 'objectives']), at: count })
const values = z.record(
  z.string(),
  z.union([z.string(), z.number(), z.null(), z.array(z.string()), z.strictObject({ first: count, last: count })]),
)
const text = z.string().max(10_000)

/** What a line that was left is, once somebody says so; `nothing` is decoration. */
export const LINE_KINDS = ['nothing', 'outcome', 'module', 'objective', 'activity'] as const

export const correctionSchema = z.discriminatedUnion('do', [
  z.strictObject({ do: z.literal('set'), path: text, to: values }),
  z.strictObject({ do: z.literal('set alike'), row, to: values }),
  z.strictObject({ do: z.literal('right'), path: text }),
  z.strictObject({ do: z.literal('take out'), path: text, text }),
  z.strictObject({ do: z.literal('move'), row, module: count }),
  z.strictObject({ do: z.literal('part'), row, first: text, second: text }),
  z.strictObject({ do: z.literal('join'), row }),
  z.strictObject({ do: z.literal('swap'), row }),
  z.strictObject({ do: z.literal('line'), at: text, text, is: z.enum(LINE_KINDS), module: count.optional() }),
])
export type Correction = z.infer<typeof correctionSchema>
type Step<D extends Correction['do']> = Extract<Correction, { do: D }>

const STEPS: { readonly [D in Correction['do']]: (tree: Understanding, step: Step<D>) => Understanding | null } = {
  set: (tree, { path, to }) => setAt(tree, path, to),
  'set alike': (tree, step) => {
    const own = tree.modules[step.row.module]?.activities[step.row.at]
    const rows = own && fits(step.to) ? alikeTo(tree, own) : []
    return rows.length === 0 ? null : rows.reduce((next, r) => setAt(next, pathOfRow(r), step.to) ?? next, tree)
  },
  right: (tree, { path }) => (placeOf(tree, path) ? confirmAt(tree, path) : null),
  'take out': takeOut,
  move: (tree, step) => changed(tree, moveRow(tree, step.row, step.module)),
  part: (tree, step) => (isWork(step.row) ? changed(tree, splitActivity(tree, step.row, step.first, step.second)) : null),
  join: (tree, step) => (isWork(step.row) ? changed(tree, joinActivity(tree, step.row)) : null),
  swap: (tree, step) => changed(tree, swapRow(tree, step.row)),
  line: putLine,
}

/** The tree after one correction; null where it fits nothing that was read. */
export function corrected(tree: Understanding, step: Correction): Understanding | null {
  const apply = STEPS[step.do] as (tree: Understanding, step: Correction) => Understanding | null
  return apply(tree, step)
}

/** The tree after corrections; those that fit nothing are told. */
export function withCorrections(tree: Understanding, steps: readonly Correction[]): Understanding {
  const unused: string[] = []
  let now = tree
  for (const step of steps) {
    const next = corrected(now, step)
    if (next) now = next
    else unused.push('path' in step ? step.path : 'row' in step ? pathOfRow(step.row) : step.at)
  }
  if (unused.length === 0) return now
  const problems = unused.map((at) => ({
    code: 'answer-not-used',
    message: `The answer for ${at} fits nothing that was read.`,
    at,
  }))
  return { ...now, problems: [...now.problems, ...problems] }
}

/** Where things stand once the tree has been corrected, by where they stood; what is gone stands nowhere. */
export function pathsAfter(tree: Understanding, steps: readonly Correction[]): (path: string) => string | undefined {
  if (steps.length === 0) return (path) => path
  const all = tree.modules.flatMap((m, module) =>
    (['objectives', 'activities'] as const).flatMap((rows) => m[rows].map((_, at) => pathOfRow({ module, rows, at }))),
  )
  // Guesses go with the rows that they are of, and so does anything else that is told of a row.
  const marked = { ...tree, guesses: all.map((path) => ({ path, value: null, why: path })) }
  const now = new Map(withCorrections(marked, steps).guesses.map(({ path, why }) => [why, path]))
  const rows = new Set(all)
  return (path) => (rows.has(path) ? now.get(path) : path)
}

const changed = (before: Understanding, after: Understanding): Understanding | null => (after === before ? null : after)
/** Only activities are parted and joined. */
const isWork = ({ rows }: RowAt): boolean => rows === 'activities'
const isThere = (tree: Understanding, { module, rows, at }: RowAt): boolean => tree.modules[module]?.[rows][at] !== undefined
const fits = (to: Step<'set'>['to']): boolean => Object.entries(to).every(([field, value]) => fitsField(field, value))

/** A list of the tree, or of a module, and a place in it. */
const PLACE = /^(?:(outcomes|categories|pieces|modules)\[(\d+)\]|modules\[(\d+)\]\.(activities|objectives)\[(\d+)\])$/
type Found = { readonly list: 'outcomes' | 'categories' | 'pieces' | 'modules'; readonly at: number } | RowAt
function placeOf(tree: Understanding, path: string): Found | null {
  const [, list, at, module, rows, k] = PLACE.exec(path) ?? []
  if (list !== undefined) {
    const found = { list: list as 'modules', at: Number(at) }
    return tree[found.list][found.at] === undefined ? null : found
  }
  const row = { module: Number(module), rows: rows as RowAt['rows'], at: Number(k) }
  return rows !== undefined && isThere(tree, row) ? row : null
}

function setAt(tree: Understanding, path: string, given: Step<'set'>['to']): Understanding | null {
  const place = placeOf(tree, path)
  // A day that is typed is read.
  const due = typeof given['due'] === 'string' || given['due'] === null ? dueFrom(given['due'] ?? '') : {}
  if (!place || !fits(given)) return null
  if ('rows' in place) {
    const own = tree.modules[place.module]?.[place.rows][place.at] as UnderstoodActivity
    const isField = (field: string) => (field === 'merge' && place.rows === 'activities') || Object.hasOwn(own, field)
    if (!Object.keys(given).every(isField)) return null
    // Of another kind, its words may tell another size.
    const size = place.rows === 'activities' && 'kind' in given ? { size: sizeInTitle({ ...own, ...given }) } : {}
    return setRow(tree, place, { ...given, ...due, ...size })
  }
  const { list, at } = place
  const own = tree[list][at] as object
  // Lists in a module are its rows.
  if (list === 'pieces' || Object.values(given).some(Array.isArray)) return null
  if (!Object.keys(given).every((field) => Object.hasOwn(own, field))) return null
  return {
    ...tree,
    [list]: (tree[list] as readonly object[]).map((thing, i) => (i === at ? { ...thing, ...given } : thing)),
    guesses: tree.guesses.filter((g) => !Object.keys(given).some((field) => g.path === `${path}.${field}`)),
  }
}

/** What is taken out stays among what was not understood. */
function takeOut(tree: Understanding, { path, text }: Step<'take out'>): Understanding | null {
  const place = placeOf(tree, path)
  if (!place) return null
  if ('rows' in place) return removeRow(tree, place, text)
  if (place.list === 'modules') return removeModule(tree, place.at, text)
  const { list, at } = place
  return {
    ...tree,
    [list]: (tree[list] as readonly object[]).filter((_, i) => i !== at),
    guesses: guessesWithout(tree.guesses, list, at),
    notUnderstood: [{ text, at: 'taken out' }, ...tree.notUnderstood],
  }
}

/** A line that was left, put where somebody says. */
function putLine(tree: Understanding, { at, text, is, module }: Step<'line'>): Understanding | null {
  const line = tree.notUnderstood.find((n) => n.at === at && n.text === text)
  const target = module === undefined ? undefined : tree.modules[module]
  if (!line || ((is === 'objective' || is === 'activity') && !target)) return null
  const rest = { ...tree, notUnderstood: tree.notUnderstood.filter((n) => n !== line) }
  if (is === 'nothing') return rest
  if (is === 'outcome') {
    const { statement } = readStatement(text)
    return { ...rest, outcomes: [...tree.outcomes, { code: `CO${tree.outcomes.length + 1}`, statement }] }
  }
  if (is === 'module') {
    const title = fitted(text, longestText('module', 'title'))
    const made = { number: String(tree.modules.length + 1), title, weeks: null, objectives: [], activities: [] }
    return { ...rest, modules: [...tree.modules, made] }
  }
  const modules = tree.modules.map((m, i) => {
    if (i !== module) return m
    return is === 'objective'
      ? { ...m, objectives: [...m.objectives, objectiveFrom(text, m)] }
      : { ...m, activities: [...m.activities, activityFrom(text)] }
  })
  return { ...rest, modules }
}
