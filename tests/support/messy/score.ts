/** How much of the truth a reading holds: facts found, right, wrong and unmarked, told, kept. */

import type { Source } from '../../../src/core/intake/blocks'
import { nameKey, titleKey } from '../../../src/core/intake/quantities'
import { readFile, readText } from '../../../src/core/intake/read-file'
import { understand } from '../../../src/core/intake/understand'
import type { Understanding, UnderstoodActivity, UnderstoodModule } from '../../../src/core/intake/understanding'
import { rng } from '../rng'
import { HABITS } from './habits'
import { dateOf, HELD_BACK, LAYOUTS, type Rendered } from './layouts'
import { workbookOf } from './pieces'
import { TRADE_COUNT, type TrueCourse, trueCourse } from './truth'

export type Tally = { facts: number; right: number; wrong: number; tell: number; told: number; kept: number; held: number }
export type Case = { readonly name: string; readonly heldBack: boolean; readonly course: TrueCourse; readonly rendered: Rendered }
/** One fact that did not come out right. */
export type Miss = { readonly what: string; readonly wanted: string; readonly got: string; readonly marked: boolean }

/** Sources of every layout with trades and habits drawn by seed; what is held back stands in none of the others. */
export function* cases(seeds: readonly number[], heldBack: boolean): Generator<Case> {
  const all = (n: number, held: readonly number[]) => Array.from({ length: n }, (_, i) => i).filter((i) => held.includes(i) === heldBack)
  const trades = all(TRADE_COUNT, HELD_BACK.trades)
  const habits = all(HABITS.length, HELD_BACK.habits)
  for (const at of all(LAYOUTS.length, HELD_BACK.layouts))
    for (const seed of seeds) {
      const random = rng(seed * 1009 + at * 31)
      const layout = LAYOUTS[at] as (typeof LAYOUTS)[number]
      const trade = trades[Math.floor(random() * trades.length)] as number
      const habit = HABITS[habits[Math.floor(random() * habits.length)] as number] as (typeof HABITS)[number]
      const course = trueCourse(trade, random)
      yield { name: `${layout.name}/${habit.name}/${seed}`, heldBack, course, rendered: layout.make(course, habit, random) }
    }
}

/** The pieces of a case, read as files and pasted texts. */
export const sourcesOf = ({ rendered }: Case): Promise<Source[]> =>
  Promise.all(
    rendered.pieces.map(async ({ name, content }) => {
      if (typeof content === 'string' && name === 'pasted text') return readText(name, content)
      const read = readFile(name, typeof content === 'string' ? new TextEncoder().encode(content) : await workbookOf(content))
      if (!read.ok) throw new Error(`${name}: ${read.error.message}`)
      return read.value
    }),
  )

export const readCase = async (c: Case): Promise<Understanding> => understand(await sourcesOf(c))

const same = (a: string, b: string): boolean => nameKey(a).replace(/[.,;:]+$/, '') === nameKey(b).replace(/[.,;:]+$/, '')

/** Counts facts; `misses` collects those that are not right. */
export function score({ course, rendered }: Case, read: Understanding, misses: Miss[] = []): Tally {
  const tally: Tally = { facts: 0, right: 0, wrong: 0, tell: 0, told: 0, kept: 0, held: 0 }
  const { shows } = rendered
  const all = JSON.stringify(read)
  const said = [...read.problems.map((p) => p.message), ...read.guesses.map((g) => g.why), ...read.notUnderstood.map((n) => n.text)].join(
    '\n',
  )
  const fact = (what: string, wanted: string, got: string | null, marked: boolean) => {
    tally.facts++
    if (got !== null && wanted === got) return void tally.right++
    if (got !== null && !marked) tally.wrong++
    misses.push({ what, wanted, got: got ?? '(none)', marked })
  }
  if (shows.outcomes) for (const o of course.outcomes) fact('outcome', o, read.outcomes.some((x) => same(x.statement, o)) ? o : null, false)
  course.modules.forEach((m, k) => {
    const module = moduleFor(read, m.title, k, shows.weeks !== true)
    const at = (a: UnderstoodActivity): number => read.modules.findIndex((x) => x.activities.includes(a))
    if (shows.weeks)
      fact(
        'weeks',
        `${m.title} ${m.first}-${m.last}`,
        module?.weeks ? `${m.title} ${module.weeks.first}-${module.weeks.last}` : null,
        false,
      )
    if (shows.objectives)
      for (const o of m.objectives) {
        const found = read.modules.find((x) => x.objectives.some((y) => same(y.statement, o.statement)))
        const own = found?.objectives.find((y) => same(y.statement, o.statement))
        fact('objective', o.statement, own ? o.statement : null, false)
        fact('objective in module', m.title, found ? (found === module ? m.title : found.title) : null, false)
        if (shows.outcomeLinks)
          fact(
            'outcomes of objective',
            linkText(o.outcomes.map((i) => course.outcomes[i] ?? '')),
            own ? linkText(own.outcomes.map((c) => read.outcomes.find((x) => x.code === c)?.statement ?? c)) : null,
            false,
          )
      }
    for (const a of m.activities) {
      const all = read.modules.flatMap((x) => x.activities).filter((x) => same(x.title, a.title))
      const own = all.find((x) => module?.activities.includes(x)) ?? all[0]
      const path = own ? `modules[${at(own)}].activities[${read.modules[at(own)]?.activities.indexOf(own)}]` : ''
      const marked = (field: string) =>
        read.guesses.some((g) => g.path === `${path}.${field}`) ||
        (own !== undefined && read.problems.some((p) => p.message.includes(a.title.slice(0, 40))))
      fact('activity', a.title, own ? a.title : null, false)
      if (all.length > 1) tally.wrong++
      fact(
        'activity in module',
        m.title,
        own ? (module?.activities.includes(own) ? m.title : (read.modules[at(own)]?.title ?? '')) : null,
        false,
      )
      if (shows.minutes) fact('minutes', String(a.minutes), own?.minutes == null ? null : String(own.minutes), marked('minutes'))
      if (shows.points && a.points !== null)
        fact('points', String(a.points), own?.points == null ? null : String(own.points / 100), marked('points'))
      if (shows.points && a.points === null && own?.points != null) fact('no points', '', String(own.points / 100), marked('points'))
      if (shows.kinds) fact('kind', a.kind, own?.kind ?? null, marked('kind'))
      if (shows.links)
        fact(
          'links',
          linkText(a.objectives.map((i) => m.objectives[i]?.statement ?? '')),
          own ? linkText(own.objectives.map((c) => statementOf(read, own, c))) : null,
          marked('objectives'),
        )
      if (shows.due && a.due) fact('due', dateOf(course, a.due.week, a.due.day), dueText(course, own), marked('due'))
      if (shows.due && !a.due && own && dueText(course, own) !== null) fact('no due', '', dueText(course, own), marked('due'))
    }
  })
  for (const text of rendered.tell) {
    tally.tell++
    if (said.includes(text)) tally.told++
    else misses.push({ what: 'told', wanted: text, got: '', marked: false })
  }
  for (const text of rendered.kept) {
    tally.kept++
    if (all.includes(text)) tally.held++
    else misses.push({ what: 'kept', wanted: text, got: '', marked: false })
  }
  return tally
}

const linkText = (list: readonly string[]): string =>
  list
    .map((t) => titleKey(t))
    .sort()
    .join(' + ')
const moduleFor = (read: Understanding, title: string, k: number, byNumber: boolean): UnderstoodModule | undefined =>
  read.modules.find((x) => same(x.title, title)) ?? (byNumber ? read.modules.find((x) => x.number === String(k + 1)) : undefined)
const statementOf = (read: Understanding, activity: UnderstoodActivity, code: string): string => {
  const own = read.modules.find((m) => m.activities.includes(activity))
  return (
    (own?.objectives ?? []).find((o) => o.code === code)?.statement ??
    read.modules.flatMap((m) => m.objectives).find((o) => o.code === code)?.statement ??
    code
  )
}

/** The day that a reading gives an activity, as a date of the course. */
function dueText(course: TrueCourse, activity: UnderstoodActivity | undefined): string | null {
  const due = activity?.dueAt ?? null
  if (due === null) return null
  if (due.date) return due.date.length === 10 ? due.date : `${course.firstDay.slice(0, 5)}${due.date.replace(/^-+/, '')}`
  if (due.day !== null) return dateOf(course, due.week ?? 0, due.day)
  return null
}
