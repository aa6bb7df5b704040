/** How much of a specification's truth a reading holds: items found and not invented, in their places, unmixed, told. */

import { readFramework, readFrameworkText } from '../../../src/core/frameworks/read-framework'
import { type FrameworkTree, type TreeItem, walkTree } from '../../../src/core/frameworks/tree'
import { isWord } from '../../../src/core/objectives/tagger'
import { rng } from '../rng'
import { contentOf, FORMS, type RenderedSpec, SPECS_HELD_BACK } from './forms'
import { SPEC_HABITS } from './habits'
import { SPECS } from './truth'

export type SpecCase = { readonly name: string; readonly rendered: RenderedSpec }
export type SpecTally = {
  items: number
  found: number
  read: number
  /** Of the items found: under their parent, with their code, kind and notes. */
  placed: number
  mixed: number
  ask: number
  asked: number
}
export type SpecMiss = { readonly what: string; readonly wanted: string; readonly got: string }

export function* specCases(seeds: readonly number[], heldBack: boolean): Generator<SpecCase> {
  const all = (n: number, held: readonly number[]) => Array.from({ length: n }, (_, i) => i).filter((i) => held.includes(i) === heldBack)
  const units = all(SPECS.length, SPECS_HELD_BACK.units)
  const habits = all(SPEC_HABITS.length, SPECS_HELD_BACK.habits)
  for (const at of all(FORMS.length, SPECS_HELD_BACK.forms))
    for (const seed of seeds) {
      const random = rng(seed * 2003 + at * 37)
      const form = FORMS[at] as (typeof FORMS)[number]
      const spec = SPECS[units[Math.floor(random() * units.length)] as number] as (typeof SPECS)[number]
      const habit = SPEC_HABITS[habits[Math.floor(random() * habits.length)] as number] as (typeof SPEC_HABITS)[number]
      yield { name: `${form.name}/${habit.name}/${spec.code}/${seed}`, rendered: form.make(spec, habit, random) }
    }
}

export async function readSpec({ rendered }: SpecCase): Promise<FrameworkTree> {
  const content = await contentOf(rendered)
  const read =
    typeof content === 'string' ? readFrameworkText(content, { isWord }) : readFramework('specification.xlsx', content, { isWord })
  if (!read.ok) throw new Error(read.error.message)
  return read.value
}

const key = (text: string) => text.replace(' – ', ': ').replace(/\s+/g, ' ').replace(/[.;]$/, '').trim()

export function scoreSpec({ rendered }: SpecCase, tree: FrameworkTree, misses: SpecMiss[] = []): SpecTally {
  const tally: SpecTally = { items: 0, found: 0, read: 0, placed: 0, mixed: 0, ask: 0, asked: 0 }
  const parents = new Map<TreeItem, TreeItem>()
  const all = walkTree(tree.items).map(({ item }) => item)
  for (const item of all) for (const child of item.children) parents.set(child, item)
  // An element that stands for a unit without elements is none of its own.
  const read = all.filter((i) => !(i.kind === 'element' && i.at === ''))
  tally.read = read.length
  const used = new Set<TreeItem>()
  for (const wanted of rendered.items) {
    tally.items++
    const found = read.find((i) => !used.has(i) && key(i.statement) === key(wanted.statement))
    if (!found) {
      const like = read.find((i) => i.statement.includes(wanted.statement.slice(0, 20)))
      misses.push({ what: 'item', wanted: wanted.statement, got: like?.statement ?? '(none)' })
      continue
    }
    used.add(found)
    tally.found++
    const parent = parents.get(found)
    const said = `${found.kind} ${found.code ?? '-'} under ${wanted.parent === null ? '' : key(parent?.statement ?? '')}`
    const asked = `${wanted.kind} ${wanted.code ?? '-'} under ${wanted.parent === null ? '' : key(wanted.parent)}`
    const notes = wanted.notes.every((n) => (found.notes ?? '').includes(n.replace(/:$/, '')))
    if (said === asked && notes) tally.placed++
    else
      misses.push({
        what: 'place',
        wanted: `${wanted.statement}: ${asked} ${wanted.notes.join(' / ')}`,
        got: `${said} ${found.notes ?? ''}`,
      })
  }
  for (const item of read) {
    if (!used.has(item)) misses.push({ what: 'invented', wanted: '', got: `${item.kind}: ${item.statement}` })
    const foreign = rendered.foreign.find((f) => item.statement.toLowerCase().includes(f.toLowerCase()))
    if (foreign) {
      tally.mixed++
      misses.push({ what: 'mixed', wanted: foreign, got: item.statement })
    }
  }
  for (const heading of rendered.ask) {
    tally.ask++
    if (tree.problems.some((p) => p.message.includes(heading))) tally.asked++
    else misses.push({ what: 'ask', wanted: heading, got: '' })
  }
  return tally
}
