/** Where the pieces that were brought say different things about the course. */
import { capital } from '../blueprint/text'
import { formatHundredths } from '../numbers'
import { type Draft, type DraftActivity, type DraftModule, type StatedTotal, short } from './draft'
import { kindIn } from './items'
import { titleKey } from './quantities'

/** Adds to the problems of a draft what its pieces disagree about. */
export function findContradictions(draft: Draft): void {
  compareCounts(draft)
  compareTotals(draft)
  compareShares(draft)
  findSpellings(draft)
}

const WORDS_OF: Readonly<Record<string, string>> = {
  quiz: 'quizzes',
  lab: 'labs',
  discussion: 'discussions',
  reflection: 'reflections',
  exam: 'exams',
  assignment: 'assignments',
  practice: 'exercises',
}
const wordFor = (kind: string): string => WORDS_OF[kind] ?? `${kind}s`

/** "The schedule names 4 quizzes, the grade table 5." */
function compareCounts(draft: Draft): void {
  const scheduled = new Set(draft.mentions.map((m) => m.piece))
  for (const entry of draft.categories) {
    if (entry.count === null || entry.count < 2) continue
    const stem = stemOf(entry.title)
    const kind = kindIn(entry.title)
    const belongs = (title: string, own: string | null) =>
      titleKey(title).includes(stem) || (kind !== null && own === kind && kindIn(entry.title.split(' ').at(-1) ?? '') === kind)
    const activities = draft.modules.flatMap((m) => m.activities).filter((a) => belongs(a.title, a.kind))
    const named = new Set(draft.mentions.filter((m) => belongs(m.title, m.kind)).map((m) => titleKey(m.title)))
    const noun = kind !== null && titleKey(wordFor(kind)).startsWith(stem.slice(0, 4)) ? wordFor(kind) : entry.title.toLowerCase()
    const some = (n: number) => (n === 1 ? `1 ${kind !== null && noun === wordFor(kind) ? kind : noun.replace(/s$/, '')}` : `${n} ${noun}`)
    if (named.size > 0 && named.size !== entry.count)
      draft.problem('count-differs', `The schedule names ${some(named.size)}, the grade table ${entry.count}.`, entry.at)
    const listed = activities.filter((a) => !scheduled.has(a.piece))
    for (const a of activities) a.category ??= entry.title
    if (listed.length > 0 && listed.length !== entry.count && named.size !== listed.length)
      draft.problem('count-differs', `The modules hold ${some(listed.length)}, the grade table ${entry.count}.`, entry.at)
    if (listed.length > 0 && named.size > 0 && listed.length !== named.size)
      draft.problem('count-differs', `The modules hold ${some(listed.length)}, the schedule ${named.size}.`, entry.at)
  }
}

/** `quiz` for `Weekly Quizzes`: what titles of its items begin with. */
function stemOf(title: string): string {
  const last = titleKey(title.split(/\s+/).at(-1) ?? title)
  return (
    last
      .replace(/zzes$/, 'z')
      .replace(/ies$/, 'y')
      .replace(/(?:ses|s)$/, (e) => (e === 'ses' ? 's' : '')) || titleKey(title)
  )
}

/** "Points sum to 240, stated 250." */
function compareTotals(draft: Draft): void {
  const all = draft.modules.flatMap((m) => m.activities)
  for (const total of draft.totals) {
    compareWithActivities(draft, total, all)
    const sums = sumsFor(draft, total, all)
    if (sums.length === 0 || sums.some((s) => Math.abs(s - total.value) < 1)) continue
    const sum = sums[0] as number
    const of = total.ofGrades ? ' of the grade table' : ''
    const scope = total.module && total.part ? ` of ${nameOf(total.module)}` : of
    const words = { points: 'points', minutes: 'minutes', percent: 'shares' }[total.what]
    const write = (n: number) => (total.what === 'minutes' ? String(n) : `${formatHundredths(n)}${total.what === 'percent' ? ' %' : ''}`)
    draft.problem('total-differs', `${capital(words)}${scope} sum to ${write(sum)}, stated ${write(total.value)}.`, total.at)
  }
}

/** The total of a grade table against the points that its work has elsewhere, where all of it is listed there. */
function compareWithActivities(draft: Draft, total: StatedTotal, all: readonly DraftActivity[]): void {
  if (!total.ofGrades || total.what !== 'points') return
  const listed = draft.categories.every((c) => all.some((a) => a.category === c.title && a.points !== null))
  const sum = all.reduce((n, a) => n + (a.points ?? 0), 0)
  if (listed && sum > 0 && sum !== total.value)
    draft.problem(
      'points-differ',
      `Points of all activities sum to ${formatHundredths(sum)}, stated ${formatHundredths(total.value)} in the grade table.`,
      total.at,
    )
}

const nameOf = (m: DraftModule): string => (m.number === null ? (m.title ?? 'a module') : `module ${m.number}`)

/** What a stated total may be the sum of, the nearest first: rows of its own piece, of its module, of everything. */
function sumsFor(draft: Draft, total: StatedTotal, all: readonly DraftActivity[]): number[] {
  const sum = (list: readonly { readonly points: number | null; readonly minutes?: number | null; readonly percent?: number | null }[]) =>
    list.reduce(
      (n, a) => n + ((total.what === 'points' ? a.points : total.what === 'minutes' ? (a.minutes ?? null) : (a.percent ?? null)) ?? 0),
      0,
    )
  const entries = draft.categories.map((c) => ({ points: c.points, percent: c.share }))
  const ofModule = total.module ? [sum(total.module.activities)] : []
  if (total.ofGrades && total.what !== 'minutes') return [sum(entries)].filter((s) => s > 0)
  // Several totals are those of modules; a single one is that of the whole.
  const several = draft.totals.filter((t) => t.what === total.what && t.module !== null).length > 1
  const sums = [
    ...(total.part ? ofModule : []),
    sum(all.filter((a) => a.piece === total.piece)),
    ...(several ? ofModule : []),
    sum(all),
    ...ofModule,
  ].filter((s) => s > 0)
  return [...new Set(sums)]
}

/** Shares of a grade table that do not sum to 100. */
function compareShares(draft: Draft): void {
  const shares = draft.categories.flatMap((c) => (c.share === null ? [] : [c.share]))
  const sum = shares.reduce((a, b) => a + b, 0)
  // Extra credit on top is usual; so are tables that list an entry with its parts: those sum to 200.
  const told = draft.problems.some((p) => p.code === 'total-differs' && p.message.startsWith('Shares'))
  if (shares.length > 1 && sum !== 100_00 && sum !== 200_00 && !told)
    draft.problem('shares-not-100', `The shares of the grade sum to ${formatHundredths(sum)} %, not 100 %.`, draft.categories[0]?.at ?? '')
}

/** Names with fewer letters and digits differ by their signs (Cairn default). */
const SHORTEST_NAME = 4

/** One name in two spellings within or between pieces, where both became activities. */
function findSpellings(draft: Draft): void {
  const seen = new Map<string, DraftActivity>()
  for (const activity of draft.modules.flatMap((m) => m.activities)) {
    const key = titleKey(activity.title)
    // C and C++ are no two spellings of one name.
    if (key.length < SHORTEST_NAME) continue
    const first = seen.get(key)
    if (first && first.title !== activity.title) draft.spelling(first.title, activity.title, activity.at)
    if (!first) seen.set(key, activity)
  }
  for (const { first, second, at, more } of draft.spellings.values())
    draft.problem(
      'two-spellings',
      `One name in two spellings: ${short(first)} / ${short(second)}${more > 0 ? `, and ${more} more like it` : ''}.`,
      at,
    )
}
