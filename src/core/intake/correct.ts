/** Corrections of a reading, before anything of it is stored: each gives the tree anew. Guesses go with the rows that they are of. */
import { sizeInTitle } from '../plan/size-in-title'
import { readItem, readStatement } from './items'
import { titleKey } from './quantities'
import type { IntakeGuess, Understanding, UnderstoodActivity, UnderstoodModule, UnderstoodObjective } from './understanding'
import { readWhen } from './when'

export type Rows = 'activities' | 'objectives'
/** A row of a module. */
export type RowAt = { readonly module: number; readonly rows: Rows; readonly at: number }

export const pathOfRow = ({ module, rows, at }: RowAt): string => `modules[${module}].${rows}[${at}]`

const PATH = /^modules\[(\d+)\]\.(activities|objectives)\[(\d+)\](.*)$/
/** Guesses once rows have moved: `to` gives the new row of an old one, or null where it is gone. */
function guessesMoved(guesses: readonly IntakeGuess[], to: (row: RowAt) => RowAt | null): IntakeGuess[] {
  return guesses.flatMap((guess) => {
    const match = PATH.exec(guess.path)
    if (!match) return [guess]
    const row = to({ module: Number(match[1]), rows: match[2] as Rows, at: Number(match[3]) })
    return row === null ? [] : [{ ...guess, path: `${pathOfRow(row)}${match[4]}` }]
  })
}

const withModule = (tree: Understanding, at: number, to: (module: UnderstoodModule) => UnderstoodModule): Understanding => ({
  ...tree,
  modules: tree.modules.map((m, i) => (i === at ? to(m) : m)),
})

/** Sets values of a row; a value that somebody has set is no guess. */
export function setRow(tree: Understanding, row: RowAt, to: Partial<UnderstoodActivity & UnderstoodObjective>): Understanding {
  const path = pathOfRow(row)
  const set = new Set(Object.keys(to).map((field) => `${path}.${field === 'dueAt' ? 'due' : field}`))
  const next = withModule(tree, row.module, (m) => ({ ...m, [row.rows]: m[row.rows].map((r, i) => (i === row.at ? { ...r, ...to } : r)) }))
  return { ...next, guesses: tree.guesses.filter((g) => !set.has(g.path)) }
}

/** The guesses about the values of a thing are right. */
export const confirmAt = (tree: Understanding, path: string): Understanding => ({
  ...tree,
  guesses: tree.guesses.filter((g) => !(g.path.startsWith(`${path}.`) && /^\w+$/.test(g.path.slice(path.length + 1)))),
})

/** Guesses once one thing of a list is gone: its own are gone, and those of the things behind it move up. */
export function guessesWithout(guesses: readonly IntakeGuess[], list: string, at: number): IntakeGuess[] {
  return guesses.flatMap((guess) => {
    const [, own, index, rest] = /^(\w+)\[(\d+)\](.*)$/.exec(guess.path) ?? []
    if (own !== list || Number(index) < at) return [guess]
    return Number(index) === at ? [] : [{ ...guess, path: `${list}[${Number(index) - 1}]${rest}` }]
  })
}

/** Takes rows of a module out; what they said stands among what was not understood. */
export function removeRow(tree: Understanding, row: RowAt, text: string): Understanding {
  const next = withModule(tree, row.module, (m) => ({ ...m, [row.rows]: m[row.rows].filter((_, i) => i !== row.at) }))
  return {
    ...next,
    guesses: guessesMoved(tree.guesses, (r) => shifted(r, row, 1)),
    notUnderstood: text === '' ? tree.notUnderstood : [{ text, at: 'taken out' }, ...tree.notUnderstood],
  }
}

/** Where a row stands once `n` rows at `gone` have gone. */
const shifted = (row: RowAt, gone: RowAt, n: number): RowAt | null =>
  row.module !== gone.module || row.rows !== gone.rows || row.at < gone.at ? row : row.at < gone.at + n ? null : { ...row, at: row.at - n }

/** Takes a module out with all in it; what it was called stays among what was not understood. */
export function removeModule(tree: Understanding, at: number, text: string): Understanding {
  return {
    ...tree,
    modules: tree.modules.filter((_, i) => i !== at),
    guesses: guessesWithout(tree.guesses, 'modules', at),
    notUnderstood: [{ text, at: 'taken out' }, ...tree.notUnderstood],
  }
}

/** Puts a row at the end of another module. */
export function moveRow(tree: Understanding, row: RowAt, module: number): Understanding {
  const thing = tree.modules[row.module]?.[row.rows][row.at]
  const target = tree.modules[module]
  if (!thing || !target || module === row.module) return tree
  const at = target[row.rows].length
  const modules = tree.modules.map((m, i) =>
    i === row.module
      ? { ...m, [row.rows]: m[row.rows].filter((_, k) => k !== row.at) }
      : i === module
        ? { ...m, [row.rows]: [...m[row.rows], thing] }
        : m,
  )
  const isIt = (r: RowAt) => r.module === row.module && r.rows === row.rows && r.at === row.at
  return { ...tree, modules, guesses: guessesMoved(tree.guesses, (r) => (isIt(r) ? { ...row, module, at } : shifted(r, row, 1))) }
}

/** Parts an activity in two at a place of its title; what its row says stays with the first. */
export function splitActivity(tree: Understanding, row: RowAt, first: string, second: string): Understanding {
  const own = tree.modules[row.module]?.activities[row.at]
  if (!own || first.trim() === '' || second.trim() === '') return tree
  const rest = activityFrom(second.trim())
  const next = withModule(tree, row.module, (m) => ({
    ...m,
    activities: m.activities.flatMap((a, i) =>
      i === row.at
        ? [
            { ...a, title: first.trim() },
            { ...rest, objectives: a.objectives, at: a.at },
          ]
        : [a],
    ),
  }))
  return {
    ...next,
    guesses: guessesMoved(tree.guesses, (r) =>
      r.module === row.module && r.rows === 'activities' && r.at > row.at ? { ...r, at: r.at + 1 } : r,
    ),
  }
}

/** Joins an activity to the one before it: one title, times and points added. */
export function joinActivity(tree: Understanding, row: RowAt): Understanding {
  const list = tree.modules[row.module]?.activities ?? []
  const [first, second] = [list[row.at - 1], list[row.at]]
  if (!first || !second) return tree
  const sum = (a: number | null, b: number | null) => (a === null ? b : b === null ? a : a + b)
  const joined: UnderstoodActivity = {
    ...first,
    title: `${first.title} ${second.title}`,
    kind: first.kind ?? second.kind,
    objectives: [...new Set([...first.objectives, ...second.objectives])],
    minutes: sum(first.minutes, second.minutes),
    points: sum(first.points, second.points),
    percent: sum(first.percent, second.percent),
    due: first.due ?? second.due,
    dueAt: first.dueAt ?? second.dueAt,
    notes: [first.notes, second.notes].filter((n) => n !== null).join('\n') || null,
  }
  const next = withModule(tree, row.module, (m) => ({
    ...m,
    activities: m.activities.flatMap((a, i) => (i === row.at - 1 ? [joined] : i === row.at ? [] : [a])),
  }))
  return { ...next, guesses: guessesMoved(tree.guesses, (r) => shifted(r, row, 1)) }
}

/** An activity that is an objective, and the other way round. */
export function swapRow(tree: Understanding, row: RowAt): Understanding {
  const module = tree.modules[row.module]
  if (!module) return tree
  const thing = module[row.rows][row.at]
  if (!thing) return tree
  const without = removeRow(tree, row, '')
  return 'title' in thing
    ? withModule(without, row.module, (m) => ({ ...m, objectives: [...m.objectives, objectiveFrom(thing.title, m)] }))
    : withModule(without, row.module, (m) => ({ ...m, activities: [...m.activities, activityFrom(thing.statement)] }))
}

/** What a title is called without its number: `quiz` for `Quiz 2: Sites`. */
const familyOf = (title: string): string => titleKey(title.split(/[:–—(]|\d/)[0] ?? '')

/** Activities that are called alike: `Quiz 1`, `Quiz 2: Sites`. */
export function alikeTo(tree: Understanding, activity: UnderstoodActivity): RowAt[] {
  const family = familyOf(activity.title)
  if (family.length < 3) return []
  return tree.modules.flatMap((m, module) =>
    m.activities.flatMap((a, at) => (a !== activity && familyOf(a.title) === family ? [{ module, rows: 'activities' as const, at }] : [])),
  )
}

export function activityFrom(text: string): UnderstoodActivity {
  const item = readItem(text)
  return {
    number: item.number,
    title: item.title,
    kind: item.kind,
    purpose: null,
    stages: {},
    objectives: item.codes,
    minutes: item.minutes,
    size: sizeInTitle({ title: item.title, notes: item.note, kind: item.kind }),
    points: item.amount?.kind === 'points' ? item.amount.value : null,
    percent: item.amount?.kind === 'percent' ? item.amount.value : null,
    part: null,
    category: null,
    ...dueFrom(item.due ?? ''),
    week: null,
    notes: item.note,
    at: 'by hand',
  }
}

/** A day as typed into the preview; null as a day where the text is none. */
export function dueFrom(text: string): Pick<UnderstoodActivity, 'due' | 'dueAt'> {
  const when = readWhen(text, 'day first')
  return {
    due: text.trim() || null,
    dueAt: when && { date: when.date, week: when.week, day: when.day ?? (when.date === null ? 7 : null), time: when.time },
  }
}

export function objectiveFrom(text: string, module: UnderstoodModule): UnderstoodObjective {
  const { code, statement, refs } = readStatement(text)
  const letter = String.fromCharCode(97 + Math.min(25, module.objectives.length))
  return { code: code ?? `${module.number ?? ''}${letter}`, statement, outcomes: refs }
}
