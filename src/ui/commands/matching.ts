/** What the palette finds: commands, records of the course, other courses, by the words that are typed. */
import type { RecordRef } from '../../core/blueprint/kinds'
import type { Command } from './command'

export type Entry = { readonly key: string; readonly text: string } & (
  | { readonly sort: 'command'; readonly command: Command }
  | { readonly sort: 'record'; readonly noun: string; readonly ref: RecordRef }
  | { readonly sort: 'course'; readonly id: string }
)
/** The head under which an entry is shown. */
export type Shown = Entry & { readonly under: (typeof HEADS)[keyof typeof HEADS] }

const HEADS = { recent: 'Recent', command: 'Commands', record: 'In this course', course: 'My other courses' } as const
const SORTS = ['command', 'record', 'course'] as const

/** So many are shown at once (Cairn default). */
const SHOWN = 60

/**
 * Entries in which all typed words stand, each sort together, the one with the best of all first: what the typed stands for, then
 * what begins with it, then the rest; among equals what was taken lately. While nothing is typed, what was taken lately leads.
 */
export function matching(entries: readonly Entry[], typed: string, recent: readonly string[]): Shown[] {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean)
  const lately = new Map(recent.map((key, i) => [key, i]))
  const isMeant = (e: Entry) => e.sort === 'command' && e.command.short !== undefined && e.command.short === typed.trim()
  const begins = (e: Entry) => words[0] !== undefined && e.text.toLowerCase().startsWith(words[0])
  const rank = (e: Entry) => (isMeant(e) ? 0 : begins(e) ? 1 : 2)
  const age = (e: Entry) => lately.get(e.key) ?? recent.length
  const hits = entries.filter((e) => isMeant(e) || words.every((w) => e.text.toLowerCase().includes(w)))
  if (words.length === 0) {
    const led = hits.filter((e) => lately.has(e.key)).sort((a, b) => age(a) - age(b))
    const rest = hits.filter((e) => !lately.has(e.key)).map((e) => ({ ...e, under: HEADS[e.sort] }))
    return [...led.map((e) => ({ ...e, under: HEADS.recent })), ...inSorts(rest, () => 0)].slice(0, SHOWN)
  }
  const best = new Map(SORTS.map((sort) => [sort, Math.min(...hits.filter((e) => e.sort === sort).map(rank), Number.MAX_VALUE)]))
  const sorted = hits.toSorted((a, b) => rank(a) - rank(b) || age(a) - age(b)).map((e) => ({ ...e, under: HEADS[e.sort] }))
  return inSorts(sorted, (sort) => best.get(sort) ?? Number.MAX_VALUE).slice(0, SHOWN)
}

/** Each sort together, the best first, as they are otherwise. */
const inSorts = (entries: readonly Shown[], best: (sort: Entry['sort']) => number): Shown[] =>
  entries.toSorted((a, b) => best(a.sort) - best(b.sort) || SORTS.indexOf(a.sort) - SORTS.indexOf(b.sort))
