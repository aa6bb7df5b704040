/** The port to the table of words, and what a course has taught: what the reading of statements asks, and who is told when it changes. */

import type { Level } from '../blueprint/kinds/levels'
import type { Clauses, Span } from './clauses'

/** What speaks for a verb (above zero) or against one. */
export type Weight = { readonly what: string; readonly by: number }
/** What an object is. */
export type ObjectKind = {
  /** "how tides form", "whether to repair a roof". */
  readonly clause: 'how' | 'whether' | null
  /** Several; and whether it is a certain one: "the parts". */
  readonly isMany: boolean
  readonly isCertain: boolean
  readonly isPerson: boolean
  /** It ends in a word that tells how it becomes: "a pose steady". */
  readonly isTrailed: boolean
  /** The base form of what it is, and the kind of thing that names, by WordNet's file. */
  readonly head: string
  readonly file: number
  /** The word behind it, in small letters; empty where none is. */
  readonly behind: string
}
/** What a table of words says where lexicon and position leave a statement open. */
export type Tagger = {
  /** How much a word that stands first is a verb there: above zero it is one; with what decided. Null where it can be none. */
  readonly score: (text: string, word: Span) => { readonly sum: number; readonly why: readonly Weight[] } | null
  /** The verb that a word is a form of, and whether it mostly names what is seen: of the hand, of the body, of change; null for no verb. */
  readonly verb: (word: string) => { readonly lemma: string; readonly isDoing: boolean } | null
  /** Whether what stands behind an offset is a thing that one can take in the hand. */
  readonly isThing: (text: string, from: number) => boolean
  /** What stands behind an offset as an object; null where a preposition or nothing does. */
  readonly objectKind: (text: string, from: number) => ObjectKind | null
  /** Whether a word is the participle of a verb: `hung`, `planished`. */
  readonly isParticiple: (word: string) => boolean
  /** Where the words end that name a state of mind, from an offset on; null where none stands there. */
  readonly mindEnd: (text: string, from: number) => number | null
  /** Where a task of the course ends that stands at an offset; null where none does. */
  readonly taskEnd: (text: string, from: number, third: boolean) => number | null
  /** As `taskEnd`, where the line names work of the course by its title, in small letters. */
  readonly ownTaskEnd: (text: string, from: number, titles: ReadonlySet<string>) => number | null
  /** The next performance behind the verb that ends at an offset; null where there is none. */
  readonly joined: (text: string, from: number, lemma: string, third: boolean) => Span | null
  /** Where the words of a verb end: behind its particle in "work out". */
  readonly verbEnd: (text: string, word: Span, lemma: string) => number
  /** The parts behind a verb that ends at an offset, up to other performances. */
  readonly adjuncts: (text: string, from: number, lemma: string, others: readonly number[]) => Clauses
  /** Whether a condition in front says how well. */
  readonly isHowWell: (text: string) => boolean
  /** The performance behind a condition that the line begins with; null where there is none. */
  readonly fronted: (
    text: string,
    from: number,
  ) => { readonly start: number; readonly third: boolean; readonly conditionEnd: number } | null
  /** What tells that the line is about the course or who teaches it, with the verb; null for any other line. */
  readonly teaching: (text: string, from: number) => (Span & { readonly verb: Span | null }) | null
  /** Who does it, from an offset on: where the verb stands behind them, whether in the third person, and whether it is who teaches. */
  readonly opening: (
    text: string,
    from: number,
  ) => {
    readonly end: number
    readonly third: boolean
    readonly isTeacher: boolean
    readonly isLed: boolean
    readonly verb: Span | null
    readonly subject: Span | null
  } | null
}
/** The table that is asked now; null while none is here. */
export let tagger: Tagger | null = null
let version = 0
/** Another number when another tagger is used, or other verbs are taught: statements may read otherwise then. */
export const taggerVersion = (): number => version * MOST_SETS + ((TAUGHT_SETS.get(taughtNow) ?? 0) % MOST_SETS)
const MOST_SETS = 1_000_000
const listeners = new Set<() => void>()
/** Tells when another tagger is used; answers how to stop that. */
export function onTagger(listener: () => void): () => void {
  listeners.add(listener)
  return () => listeners.delete(listener)
}
/** From now on asks this tagger where lexicon and position leave it open; null asks none, and such a word counts as the noun it looks like. */
export function useTagger(next: Tagger | null): void {
  if (next !== null && next === tagger) return
  tagger = next
  readOtherwise()
}

/** Tells everybody that statements read otherwise from now on. */
export function readOtherwise(): void {
  version++
  readAnew()
}

/** A verb as a course has taught it. */
export type Taught = { readonly word: string; readonly level: Level | null; readonly unseen: boolean }
/** What courses have taught so far, numbered: who goes back and forth between two finds each as it was. */
const TAUGHT_SETS = new Map<string, number>([['[]', 0]])
let taughtNow = '[]'
let taughtList: readonly Taught[] = []
/** The verbs that are read as a course has taught them. */
export const taughtVerbs = (): readonly Taught[] => taughtList
let sets = 0
/** Sets remembered (Cairn default); older ones count as new when they come again. */
const KEPT_SETS = 200
/** From now on reads verbs as a course has taught them. */
export function readAsTaught(verbs: Iterable<Taught>): void {
  const list = [...verbs].map(({ word, level, unseen }) => ({ word, level, unseen }))
  const key = JSON.stringify(list)
  if (key === taughtNow) return
  taughtNow = key
  if (!TAUGHT_SETS.has(key)) TAUGHT_SETS.set(key, ++sets)
  for (const old of TAUGHT_SETS.keys()) {
    if (TAUGHT_SETS.size <= KEPT_SETS) break
    if (old !== key) TAUGHT_SETS.delete(old)
  }
  taughtList = list
  readAnew()
}
function readAnew(): void {
  for (const listener of listeners) listener()
}
