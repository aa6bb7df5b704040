/** How much of what strangers bring is read right: generated sources with their truth, a third of the variety held back. */
import { cases, readCase, score, type Tally } from '../support/messy/score'
import { atLeast, judged, type Line, percent, type Section } from './measure'

const SEEDS = Array.from({ length: 25 }, (_, i) => i + 1)

async function tallied(heldBack: boolean): Promise<Tally & { readonly sources: number }> {
  const sum = { facts: 0, right: 0, wrong: 0, tell: 0, told: 0, kept: 0, held: 0 }
  let sources = 0
  for (const c of cases(SEEDS, heldBack)) {
    const tally = score(c, await readCase(c))
    for (const key of Object.keys(sum) as (keyof Tally)[]) sum[key] += tally[key]
    sources++
  }
  return { ...sum, sources }
}

export async function benchReading(): Promise<Section> {
  const lines: Line[] = []
  for (const heldBack of [false, true]) {
    const t = await tallied(heldBack)
    const of = heldBack ? 'held back' : 'looked at while it was made'
    lines.push(
      atLeast(`Facts right of ${t.facts} in ${t.sources} sources, ${of}`, t.right / t.facts, 0.97, percent),
      judged(`Facts wrong and unmarked, ${of}`, t.wrong / t.facts, 0.01, percent),
      atLeast(`Told of ${t.tell} things to tell, ${of}`, t.told / t.tell, 0.95, percent),
      { what: `Kept of ${t.kept} remarks, ${of}`, value: percent(t.held / t.kept) },
    )
  }
  return {
    title: 'Reading what strangers bring',
    how: 'Courses of nine trades in sixteen forms (long tables, blocks, matrices, schedules, prose, sheets a module, tables under each other, without headers, …) with the words, dates, numbers and codes of eight countries and schools, two of them in languages that no list of words knows; with notes, sums, merged cells, ranges and slips. A third (four forms, three trades, two schools) was held back: of it only these figures were looked at. A fact is a value at its place: an activity, its module, its times, points, links, due date; an objective and its outcomes; the weeks of a module. Wrong and unmarked: another value than the true one, without a guess or a problem that says so.',
    lines,
  }
}
