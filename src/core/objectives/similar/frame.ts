/** What a statement asks for, as it is compared: the performances, and each word of what they are about with the part that it plays. */
import type { Level } from '../../blueprint/kinds/levels'
import { type VerbEntry, verbEntry } from '../lexicon'
import { numberingEnd, openingEnd } from '../openings'
import { readStatement, type StatementVerb } from '../statement'
import { onTagger } from '../tagging'
import { tokensOf } from '../words/verb-score'
import { EMPTY, NUMBERS, OPENS_CLAUSE, ROLES, VAGUE } from './lists'
import { meanings } from './meanings'

/** `object`; what acts and what is done in a clause inside it; `condition`; or the preposition before it. */
export type Part = string
export type FrameWord = {
  readonly lemma: string
  /** As it is written, in small letters. */
  readonly text: string
  readonly part: Part
  /** How much it counts. */
  readonly weight: number
  /** It is in a condition or in how well. */
  readonly isOuter: boolean
  readonly isVerb: boolean
}
export type Predicate = { readonly lemma: string; readonly entry: VerbEntry | undefined }
export type Frame = {
  readonly predicates: readonly Predicate[]
  readonly words: readonly FrameWord[]
  readonly numbers: readonly string[]
  readonly isNegated: boolean
  readonly level: Level | null
  /** It names what nobody sees. */
  readonly isMental: boolean
}

const NEGATIONS: ReadonlySet<string> = new Set(['not', 'never', 'without', 'no'])

/** How much words count (Cairn defaults; tried on labelled pairs of statements). */
const WEIGHT = { word: 1, head: 1.4, innerVerb: 1.3, inFront: 0.4, outer: 0.7, vague: 0.5 }

const frames = new Map<string, Frame>()
/** Statements kept; then the memory starts anew (Cairn default). */
const MOST_FRAMES = 5000
onTagger(() => frames.clear())

export function frameOf(text: string): Frame {
  const known = frames.get(text)
  if (known) return known
  if (frames.size >= MOST_FRAMES) frames.clear()
  const frame = readFrame(text)
  frames.set(text, frame)
  return frame
}

function readFrame(text: string): Frame {
  const read = readStatement(text)
  const outer = [...read.conditions, ...read.criteria]
  const isIn = (at: number) => outer.some((s) => at >= s.start && at < s.end)
  const isPassive = read.flaws.some((f) => f.code === 'passive')
  // "A map is produced by each group": what it is about stands in front.
  const begin = isPassive ? numberingEnd(text) : (read.verbs[0]?.start ?? openingEnd(text).end)
  const inFront = tokensOf(text.slice(0, begin))
    .filter((t) => isIn(t.start) && !t.isSign)
    .map((t) => t.lower)
    .filter((t) => isTelling(t) && !ROLES.has(t) && t !== 'given')
    .map((t) => ({ lemma: meanings.lemma(t), text: t, part: 'condition', weight: WEIGHT.inFront, isOuter: true, isVerb: false }))
  const predicates = read.verbs.flatMap((v) => predicatesOf(text, v))
  const told = objectWords(text, begin, read.verbs).filter((w) => !isPassive || w.part !== 'by')
  const all = withCompounds(withHeads(told))
  // "Analyses sonnets": what may be a verb at the beginning of a line that has none.
  const first = /^\P{L}*([\p{L}-]+)/u.exec(text.slice(begin))?.[1]?.toLowerCase() ?? ''
  const verb = predicates.length > 0 || meanings.verb(first) === first ? null : meanings.verb(first)
  const bare = verb === null ? [] : [{ lemma: verb, entry: verbEntry(verb) }]
  const words = verb === null ? all : all.slice(1)
  return {
    predicates: predicates.length > 0 ? predicates : bare,
    words: [
      ...words.map((w) => {
        const isOuter = isIn(w.start)
        const vague = VAGUE.has(w.lemma) && w.part !== 'object' ? WEIGHT.vague : 1
        return { ...w, isOuter, weight: w.weight * vague * (isOuter ? WEIGHT.outer : 1) }
      }),
      ...inFront,
    ],
    numbers: numbersIn(text),
    isNegated: tokensOf(text).some((t) => NEGATIONS.has(t.lower) && !isIn(t.start)),
    level: read.level,
    isMental: read.verbs.some((v) => !v.entry.observable),
  }
}

const isTelling = (word: string): boolean => word.length > 1 && !EMPTY.has(word) && !NUMBERS.has(word) && !/^\d/.test(word)

/** A verb, and with its particle where that makes one of its own. */
function predicatesOf(text: string, { start, end, entry }: StatementVerb): Predicate[] {
  const particle = /\s([a-z]+)$/.exec(text.slice(start, end))?.[1] ?? /^\s+([a-z]+)\b/.exec(text.slice(end))?.[1]
  const both = `${entry.lemma.split(' ')[0]}_${particle}`
  const own = { lemma: entry.lemma.replace(' ', '_'), entry }
  return particle !== undefined && meanings.has(both, 'v') ? [own, { lemma: both, entry: verbEntry(both.replace('_', ' ')) }] : [own]
}

/** Behind these stands what something is: the word before is no verb. */
const BE: ReadonlySet<string> = new Set('is are was were can could may must should will has have do does'.split(' '))

/** "Distinguish fact from opinion", "differentiate between facts and opinions": both are what it is about. */
const TELLING_APART: ReadonlySet<string> = new Set('distinguish differentiate compare contrast tell discriminate'.split(' '))
const BETWEEN: ReadonlySet<string> = new Set(['from', 'between', 'with'])

type Placed = FrameWord & { readonly start: number }

/** The words behind the first verb, each with the part that it plays. */
function objectWords(text: string, from: number, verbs: readonly StatementVerb[]): Placed[] {
  const tokens = tokensOf(text.slice(from)).map((t) => ({ ...t, start: t.start + from }))
  const words: Placed[] = []
  const tellsApart = verbs.some((v) => TELLING_APART.has(v.entry.lemma))
  let part = 'object'
  const add = (lemma: string, text: string, start: number, weight: number = WEIGHT.word, isVerb = false) =>
    words.push({ lemma, text, part: isVerb ? 'act' : part, weight, isOuter: false, isVerb, start })
  for (const [i, { lower, start, isSign }] of tokens.entries()) {
    if (isSign || verbs.some((v) => start >= v.start && start < v.end)) continue
    if (OPENS_CLAUSE.has(lower)) part = 'subject'
    else if (ROLES.has(lower)) part = tellsApart && BETWEEN.has(lower) ? 'object' : lower === 'into' || lower === 'onto' ? 'to' : lower
    else if (isTelling(lower)) {
      // "how tides form": behind what acts stands what it does.
      const verb = part === 'subject' && words.some((w) => w.part === 'subject') ? meanings.verb(lower) : null
      if (verb !== null && !BE.has(tokens[i + 1]?.lower ?? '')) {
        add(verb, lower, start, WEIGHT.innerVerb, true)
        part = 'inner object'
      } else for (const piece of piecesOf(lower)) add(meanings.lemma(piece), piece, start)
    }
  }
  return words
}

/** A compound with a hyphen that no dictionary has is its parts. */
const piecesOf = (word: string): readonly string[] => {
  const isKnown = (['n', 'v', 'a'] as const).some((p) => meanings.has(word, p) || meanings.has(word.replaceAll('-', ''), p))
  return /^[a-z]+-[a-z]+$/.test(word) && !isKnown ? word.split('-') : [word]
}

/** The last word before another part counts more: it names what the others tell more of. */
const withHeads = (words: readonly Placed[]): Placed[] =>
  words.map((w, i) => (w.part === 'object' && words[i + 1]?.part !== 'object' ? { ...w, weight: WEIGHT.head } : w))

/** "work book" as "workbook", where the dictionary has that. */
function withCompounds(words: Placed[]): Placed[] {
  const joined: Placed[] = []
  for (const word of words) {
    const before = joined.at(-1)
    const both = `${before?.lemma}${word.lemma}`
    if (before && before.part === word.part && meanings.has(both, 'n'))
      joined[joined.length - 1] = { ...word, lemma: both, text: `${before.text} ${word.text}` }
    else joined.push(word)
  }
  return joined
}

const numbersIn = (text: string): readonly string[] =>
  [...text.toLowerCase().matchAll(/(?<![\w-])(?:\d+(?:[.,]\d+)?|[a-z]+)(?![\w-])/g)].flatMap(([word]) => {
    const number = /^\d/.test(word) ? word : NUMBERS.get(word)
    return number === undefined || number === '1' ? [] : [number]
  })
