/** Where things stand in the tree: `modules[0].activities[2].minutes`. */
import type { Draft, DraftModule } from './draft'
import type { Understanding } from './understanding'

/** The path of each thing of the draft in the tree; of what was merged, that of what it became. */
export function pathsOf(draft: Draft, modules: readonly DraftModule[]): (thing: object) => string | undefined {
  const paths = new Map<object, string>([[draft, 'title']])
  for (const [i, o] of draft.outcomes.entries()) paths.set(o, `outcomes[${i}]`)
  for (const [i, c] of draft.categories.entries()) paths.set(c, `categories[${i}]`)
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
  for (const step of stepsOf(path) ?? []) at = typeof at === 'object' && at !== null ? (at as Record<string, unknown>)[step] : undefined
  return at
}

/** The tree with values that somebody corrected; a path that leads nowhere, or a value of another type, is told. */
export function withValues(tree: Understanding, values: Readonly<Record<string, unknown>>): Understanding {
  const entries = Object.entries(values)
  if (entries.length === 0) return tree
  const next = structuredClone(tree) as Understanding & {
    problems: { code: string; message: string; at: string }[]
    guesses: { path: string }[]
  }
  for (const [path, value] of entries) {
    const steps = stepsOf(path) ?? []
    const last = steps.at(-1)
    const holder = valueAt(next, path.replace(/\.?[^.]+$/, ''))
    const before =
      last === undefined || typeof holder !== 'object' || holder === null ? undefined : (holder as Record<string, unknown>)[last]
    const fits =
      before !== undefined &&
      (before === null || value === null || (Array.isArray(before) ? Array.isArray(value) : typeof before === typeof value))
    if (fits && last !== undefined) (holder as Record<string, unknown>)[last] = value
    else next.problems.push({ code: 'answer-not-used', message: `The answer for ${path} fits nothing that was read.`, at: path })
  }
  return { ...next, guesses: next.guesses.filter((g) => !(g.path in values)) } as Understanding
}
