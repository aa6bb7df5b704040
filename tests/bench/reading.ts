/** How much of what strangers bring is read right: generated sources with their truth, a third of the variety held back. */
import { BY_HAND, factsOf } from '../support/by-hand'
import { cases, readCase, score, type Tally } from '../support/messy/score'
import { readSpec, type SpecTally, scoreSpec, specCases } from '../support/specs/score'
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

/** What was right of files by hand on the day that they were written, before anything was done about them: what a stranger's next file may expect. */
const FIRST_SIGHT = [
  ['01 to 20', 340, 625],
  ['21 to 30', 179, 303],
  ['31 to 38, odd ones', 113, 242],
  ['39 to 43, usual ones', 150, 190],
  ['44 to 53', 199, 315],
  ['54 to 61, odd ones', 61, 208],
  ['62 to 67', 83, 176],
  ['68 to 71, usual ones', 156, 170],
  ['72 to 79', 182, 322],
  ['80 to 85', 164, 233],
  ['86 to 90', 213, 288],
  ['91 to 94, odd ones', 68, 153],
  ['95 to 99, usual ones', 205, 249],
  ['100 to 105, usual ones', 322, 397],
  ['106 to 111, usual ones', 192, 290],
  ['112 to 116, usual ones', 184, 263],
  ['117 to 121, usual ones', 190, 222],
  ['122 to 125, usual ones', 137, 178],
] as const

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
  const facts = BY_HAND.flatMap(factsOf)
  lines.push(
    atLeast(
      `Facts right of ${facts.length} in ${BY_HAND.length} files by hand, now`,
      facts.filter((f) => f.right).length / facts.length,
      0.92,
      percent,
    ),
    ...FIRST_SIGHT.map(([files, right, of]) => ({
      what: `Of these ${files}, when they were read for the first time`,
      value: percent(right / of),
    })),
  )
  return {
    title: 'Reading what strangers bring',
    how: 'Courses of nine trades in sixteen forms (long tables, blocks, matrices, schedules, prose, sheets a module, tables under each other, without headers, …) with the words, dates, numbers and codes of eight countries and schools, two of them in languages that no list of words knows; with notes, sums, merged cells, ranges and slips. A third (four forms, three trades, two schools) was held back: of it only these figures were looked at. A fact is a value at its place: an activity, its module, its times, points, links, due date; an objective and its outcomes; the weeks of a module. The files by hand were written as different people would, in batches, and each batch was read once before it was looked at. Wrong and unmarked: another value than the true one, without a guess or a problem that says so.',
    lines,
  }
}

async function talliedSpecs(heldBack: boolean): Promise<SpecTally & { readonly texts: number }> {
  const sum: SpecTally = { items: 0, found: 0, read: 0, placed: 0, mixed: 0, ask: 0, asked: 0 }
  let texts = 0
  for (const c of specCases(SEEDS, heldBack)) {
    const tally = scoreSpec(c, await readSpec(c))
    for (const key of Object.keys(sum) as (keyof SpecTally)[]) sum[key] += tally[key]
    texts++
  }
  return { ...sum, texts }
}

export async function benchSpecifications(): Promise<Section> {
  const lines: Line[] = []
  for (const heldBack of [false, true]) {
    const t = await talliedSpecs(heldBack)
    const of = heldBack ? 'held back' : 'looked at while it was made'
    lines.push(
      atLeast(`Items found of ${t.items} in ${t.texts} texts, ${of}`, t.found / t.items, 0.95, percent),
      atLeast(`Items read that the text has (precision), ${of}`, t.found / t.read, 0.95, percent),
      { what: `Found under the right item, with its number, kind and notes, ${of}`, value: percent(t.placed / t.items) },
      atLeast(`Statements without foreign lines, ${of}`, 1 - t.mixed / t.read, 1, percent),
    )
    if (t.ask > 0) lines.push(atLeast(`Asked about of ${t.ask} unknown headings, ${of}`, t.asked / t.ask, 0.95, percent))
  }
  return {
    title: 'Reading specifications',
    how: 'Units of nine trades in sixteen forms (typed with and without empty lines, tables, several criteria in a cell, pages with heads and feet, two columns, quoted mail, a workbook, numbers on lines of their own, …) as seven institutions number and name their parts. A third (five forms, three units, two institutions) was held back: of it only these figures were looked at. An item counts where its words are exactly its own.',
    lines,
  }
}
