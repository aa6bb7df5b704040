/** What a generated course really is: the truth that a reading of its messy forms is measured against. */
import { TRADES } from './trades'

export type TrueActivity = {
  readonly title: string
  readonly kind: string
  readonly minutes: number
  /** Points, decimal; null where it is not graded. */
  readonly points: number | null
  /** Places of its objectives in its module. */
  readonly objectives: readonly number[]
  /** Day 1 is Monday, week of the course. */
  readonly due: { readonly week: number; readonly day: number } | null
}
export type TrueModule = {
  readonly title: string
  readonly first: number
  readonly last: number
  readonly objectives: readonly { readonly statement: string; readonly outcomes: readonly number[] }[]
  readonly activities: readonly TrueActivity[]
}
export type TrueCourse = {
  readonly title: string
  /** A Monday. */
  readonly firstDay: string
  readonly outcomes: readonly string[]
  readonly modules: readonly TrueModule[]
}

export const TRADE_COUNT = TRADES.trim().split(/^= /m).slice(1).length

type Random = () => number
export const pick = <T>(random: Random, list: readonly T[]): T => list[Math.floor(random() * list.length)] as T
const some = (random: Random, n: number, most: number): number[] => {
  const order = Array.from({ length: n }, (_, i) => [random(), i] as const).sort((a, b) => a[0] - b[0])
  return order
    .slice(0, 1 + Math.floor(random() * Math.min(most, n)))
    .map(([, i]) => i)
    .sort((a, b) => a - b)
}
const MINUTES = [10, 15, 20, 25, 30, 40, 45, 50, 60, 75, 90, 105, 120, 150, 180, 240] as const
const GRADED = new Set(['quiz', 'exam', 'assignment', 'project', 'lab', 'peer review', 'case'])

/** A course of a trade with times, points, links and due dates drawn anew. */
export function trueCourse(trade: number, random: Random): TrueCourse {
  const [title = '', ...lines] = (TRADES.trim().split(/^= /m)[trade + 1] ?? '').trim().split('\n')
  const of = (mark: string, list: readonly string[]) => list.filter((l) => l.startsWith(mark)).map((l) => l.slice(mark.length).trim())
  const starts = lines.flatMap((l, i) => (l.startsWith('#') ? [i] : []))
  const outcomes = of('>', lines)
  let week = 1
  const modules = starts.map((start, k): TrueModule => {
    const own = lines.slice(start + 1, starts[k + 1])
    const first = week
    const last = first + (random() < 0.35 ? 1 : 0)
    week = last + 1
    const objectives = of('-', own).map((statement) => ({ statement, outcomes: some(random, outcomes.length, 2) }))
    const activities = of('+', own).map((line): TrueActivity => {
      const [kind = '', ...name] = line.split(': ')
      const graded = GRADED.has(kind) && random() < 0.9
      return {
        title: name.join(': '),
        kind,
        minutes: pick(random, MINUTES),
        points: graded ? pick(random, [5, 10, 12.5, 15, 20, 25, 30, 40, 50, 100]) : null,
        objectives: some(random, objectives.length, 2),
        due: graded || random() < 0.3 ? { week: first + Math.floor(random() * (last - first + 1)), day: pick(random, [3, 4, 5, 7]) } : null,
      }
    })
    return { title: (lines[start] ?? '').slice(1).trim(), first, last, objectives, activities }
  })
  return { title, firstDay: pick(random, ['2027-09-06', '2027-01-11', '2027-02-22', '2026-10-05']), outcomes, modules }
}
