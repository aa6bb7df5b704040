/** Whether two statements ask for the same: how near their performances are, and how far their words stand for one another. */
import { type Frame, type FrameWord, frameOf, type Predicate } from './frame'
import { CONTRARIES, LIGHT, MAKING, NOUN_CLUSTERS, TELLING, VERB_CLUSTERS } from './lists'
import { meanings } from './meanings'
import type { Relation } from './senses'

export type Comparison = {
  readonly same: boolean
  /** The share of their words that stand for one another, 0 to 1, by weight. */
  readonly share: number
  /** Pairs of words that stand for one another and are not the same word. */
  readonly likened: readonly (readonly [string, string])[]
  /** Words of either that nothing in the other stands for. */
  readonly onlyFirst: readonly string[]
  readonly onlySecond: readonly string[]
}

/** How near two performances are, by what links them (Cairn defaults; tried on labelled pairs of statements). */
const ACTS = {
  same: 1,
  near: 0.95,
  cluster: 0.85,
  making: 0.9,
  telling: 0.85,
  family: 0.45,
  level: 0.35,
  light: 0.3,
  derived: 0.9,
  kind: 0.95,
}
/** The share of words that must stand for one another, by how near the performances are (Cairn defaults). */
const NEED = { same: 0.56, near: 0.46, kind: 0.85, mental: 0.85 }
/** Prepositions that say the opposite of the same word: into a language, from it. */
const OPPOSED_PARTS = new Set(
  ['with without', 'to from', 'before after', 'above below', 'over under', 'inside outside'].flatMap((p) => [
    p,
    p.split(' ').reverse().join(' '),
  ]),
)
/** Performances further apart are others, whatever they are about (Cairn default). */
const LEAST_ACTS = 0.5
/** How much more where something speaks against it (Cairn defaults). */
const MORE = { clash: 0.2, people: 0.35, sister: 0.2, bothOpen: 0.06, headElsewhere: 0.25 }
/** How much words count that play other parts (Cairn defaults). */
const OTHER_PART = { condition: 1, inner: 0.85, else: 0.8 }
/** From here on a word stands for the other by itself (Cairn default). */
const STRONG = 0.8
/** Nearness of two words that nouns planners use for one another have (Cairn default). */
const LISTED = 0.9
const THINKING: ReadonlySet<string> = new Set(['remember', 'understand', 'analyse', 'evaluate', 'create'])

type Pair = { readonly i: number; readonly j: number; readonly score: number; readonly relation: Relation; readonly by: number }

const NOTHING: Comparison = { same: false, share: 0, likened: [], onlyFirst: [], onlySecond: [] }

export function compare(first: string, second: string): Comparison {
  const [a, b] = [frameOf(first), frameOf(second)]
  const acts = nearestActs(a, b)
  if (acts === null || numbersDiffer(a, b) || a.isNegated !== b.isNegated) return NOTHING
  const named = withoutNamedActs(a, b, acts)
  if (named.by < LEAST_ACTS) return NOTHING
  const pairs = pairsOf(named.a, named.b)
  const taken = takenOf(pairs)
  if (isVetoed(pairs, taken, named.a, named.b)) return NOTHING
  // What only is about something near is not the same: one word at least must be.
  if (taken.length > 0 && !taken.some((p) => p.by >= STRONG)) return NOTHING
  const total = [...named.a, ...named.b].reduce((sum, w) => sum + w.weight, 0)
  const got = taken.reduce((sum, p) => sum + p.score * (weightAt(named.a, p.i) + weightAt(named.b, p.j)), 0)
  const share = total === 0 ? 1 : got / total
  const open = { a: named.a.filter((_, i) => !taken.some((p) => p.i === i)), b: named.b.filter((_, j) => !taken.some((p) => p.j === j)) }
  const isMental = a.isMental || b.isMental
  return {
    same: share >= needOf(named.by, isMental) + against(pairs, taken, named.a, named.b, open),
    share,
    likened: taken.flatMap((p) => {
      const [x, y] = [named.a[p.i], named.b[p.j]]
      return x === undefined || y === undefined || x.lemma === y.lemma ? [] : [[x.text, y.text] as const]
    }),
    onlyFirst: open.a.map((w) => w.text),
    onlySecond: open.b.map((w) => w.text),
  }
}

const weightAt = (words: readonly FrameWord[], at: number): number => words[at]?.weight ?? 0

function needOf(by: number, isMental: boolean): number {
  const need = by >= 0.9 ? NEED.same : by >= 0.6 ? NEED.near : NEED.kind
  return isMental ? Math.max(need, NEED.mental) : need
}

/** How near the performances are at best; null where they are opposites. */
function nearestActs(a: Frame, b: Frame): number | null {
  let best = 0
  for (const x of a.predicates)
    for (const y of b.predicates) {
      const by = actsBetween(x, y)
      if (by === null) return null
      best = Math.max(best, by)
    }
  return a.level !== null && a.level === b.level ? Math.max(best, ACTS.level) : best
}

function actsBetween(x: Predicate, y: Predicate): number | null {
  const [first, second] = [x.entry?.lemma ?? x.lemma, y.entry?.lemma ?? y.lemma]
  if (x.lemma === y.lemma || first === second) return ACTS.same
  const { relation, by } = meanings.nearness(x.lemma, y.lemma, 'v')
  if (relation === 'opposite') return null
  const found = [0]
  if (x.entry?.instead.includes(second) && x.entry.observable && y.entry?.observable) {
    // Groups of the hand are families of doings, not names for one, where the table tells them apart.
    const isTold = meanings.has(x.lemma, 'v') && meanings.has(y.lemma, 'v')
    const isOne = THINKING.has(x.entry.levels[0] ?? '') || relation === 'near' || relation === 'kind' || !isTold
    found.push(isOne ? ACTS.near : ACTS.family)
  }
  if (relation === 'near') found.push(by)
  if (relation === 'kind') found.push(by * ACTS.kind)
  const both = (set: ReadonlySet<string>) => (set.has(first) || set.has(x.lemma)) && (set.has(second) || set.has(y.lemma))
  if (VERB_CLUSTERS.some(both)) found.push(ACTS.cluster)
  if (both(MAKING)) found.push(ACTS.making)
  if (both(TELLING)) found.push(ACTS.telling)
  if (LIGHT.has(first) || LIGHT.has(second)) found.push(ACTS.light)
  if (meanings.derived(x.lemma).includes(y.lemma)) found.push(ACTS.derived)
  return Math.max(...found)
}

/** Two causes are not three; but one that counts may be meant by one that does not. */
function numbersDiffer(a: Frame, b: Frame): boolean {
  if (a.numbers.length === 0 || b.numbers.length === 0) return false
  return !a.numbers.every((n) => b.numbers.includes(n)) && !b.numbers.every((n) => a.numbers.includes(n))
}

/** "Conduct a client interview", "interview a client": what one says by its verb the other names by a noun, which then is no word of it. */
function withoutNamedActs(a: Frame, b: Frame, by: number): { a: readonly FrameWord[]; b: readonly FrameWord[]; by: number } {
  const ofLight = (light: Frame, other: Frame): Predicate | null => {
    const isLight = light.predicates.length > 0 && light.predicates.every((p) => LIGHT.has(p.lemma))
    return (isLight && other.predicates.find((p) => light.words.some((w) => w.part === 'object' && names(w.lemma, p)))) || null
  }
  if (by >= ACTS.near) return { a: a.words, b: b.words, by }
  const [first, second] = [ofLight(a, b), ofLight(b, a)]
  if (first) return { a: a.words.filter((w) => !names(w.lemma, first)), b: b.words, by: ACTS.near }
  if (second) return { a: a.words, b: b.words.filter((w) => !names(w.lemma, second)), by: ACTS.near }
  return { a: a.words, b: b.words, by }
}
/** Whether a noun names what a verb does, or a verb that could stand in its place. */
const names = (noun: string, { lemma, entry }: Predicate): boolean =>
  noun === lemma ||
  meanings.derived(lemma).includes(noun) ||
  meanings.nearness(lemma, noun, null).by >= LISTED ||
  (entry?.instead.some((v) => meanings.derived(v).includes(noun)) ?? false)

const INNER: ReadonlySet<string> = new Set(['object', 'inner object', 'subject', 'act'])
function partsFit(a: string, b: string): number {
  if (a === b || a === 'condition' || b === 'condition') return OTHER_PART.condition
  return INNER.has(a) && INNER.has(b) ? OTHER_PART.inner : OTHER_PART.else
}

const isListed = (a: string, b: string): boolean => NOUN_CLUSTERS.some((set) => set.has(a) && set.has(b))

/** Which words may stand for which, the nearest first. */
function pairsOf(a: readonly FrameWord[], b: readonly FrameWord[]): Pair[] {
  const pairs: Pair[] = []
  a.forEach((x, i) => {
    b.forEach((y, j) => {
      const found = betweenWords(x, y)
      if (found.relation === 'opposite') pairs.push({ i, j, score: -1, ...found })
      else if (found.relation === 'sister' && x.part === y.part) pairs.push({ i, j, score: 0.02, ...found })
      else if (found.by >= 0.3) pairs.push({ i, j, score: found.by * partsFit(x.part, y.part), ...found })
    })
  })
  return pairs.sort((m, n) => n.score - m.score)
}

function betweenWords(x: FrameWord, y: FrameWord): { readonly relation: Relation; readonly by: number } {
  const areNouns = meanings.has(x.lemma, 'n') && meanings.has(y.lemma, 'n') && !x.isVerb && !y.isVerb
  const found = isListed(x.lemma, y.lemma)
    ? { relation: 'near' as const, by: LISTED }
    : meanings.nearness(x.lemma, y.lemma, areNouns ? 'n' : null)
  if (OPPOSED_PARTS.has(`${x.part} ${y.part}`) && found.by > 0.7) return { relation: 'opposite', by: 0 }
  // Words that no table has are the same where one begins the other.
  const [short, long] = x.lemma.length < y.lemma.length ? [x.lemma, y.lemma] : [y.lemma, x.lemma]
  if (found.relation === 'far' && short.length > 4 && long.startsWith(short.slice(0, -1))) return { relation: 'near', by: LISTED }
  return found
}

/** Each word stands for one other at most: the nearest pairs first. */
function takenOf(pairs: readonly Pair[]): Pair[] {
  const [first, second] = [new Set<number>(), new Set<number>()]
  return pairs.filter((p) => {
    if (p.score <= 0.1 || first.has(p.i) || second.has(p.j)) return false
    first.add(p.i)
    second.add(p.j)
    return true
  })
}

/** Whether they say opposite things, or the same words with their parts exchanged. */
function isVetoed(pairs: readonly Pair[], taken: readonly Pair[], a: readonly FrameWord[], b: readonly FrameWord[]): boolean {
  const isFree = (p: Pair) => !taken.some((t) => t.i === p.i || t.j === p.j)
  if (pairs.some((p) => p.relation === 'opposite' && isFree(p))) return true
  const core = taken.filter((p) => p.by >= 0.85)
  const partOf = (words: readonly FrameWord[], at: number) => words[at]?.part ?? ''
  for (const m of core)
    for (const n of core) {
      const [a1, a2, b1, b2] = [partOf(a, m.i), partOf(a, n.i), partOf(b, m.j), partOf(b, n.j)]
      if (a1 !== a2 && a1 === b2 && a2 === b1 && a1 !== 'condition' && a2 !== 'condition') return true
    }
  const has = (words: readonly FrameWord[], lemma: string) => words.some((w) => w.lemma === lemma)
  const parts = ([x, y]: readonly [string, string], p: readonly FrameWord[], q: readonly FrameWord[]) =>
    has(p, x) && has(q, y) && !has(p, y) && !has(q, x)
  return CONTRARIES.some((c) => parts(c, a, b) || parts(c, b, a))
}

/** How much more must agree, for what speaks against it. */
function against(
  pairs: readonly Pair[],
  taken: readonly Pair[],
  a: readonly FrameWord[],
  b: readonly FrameWord[],
  open: { readonly a: readonly FrameWord[]; readonly b: readonly FrameWord[] },
): number {
  let more = 0
  // A word stands against another in the same place, and neither knows of the other: it is about something else.
  const isFull = (w: FrameWord) => w.weight >= 0.9 && !w.isOuter
  const clashes = (isOne: (w: FrameWord) => boolean) => open.a.some((x) => open.b.some((y) => x.part === y.part && isOne(x) && isOne(y)))
  if (clashes((w) => meanings.isPerson(w.lemma))) more += MORE.people
  else if (clashes(isFull)) more += MORE.clash
  else if (open.a.some((w) => w.weight >= 0.9) && open.b.some((w) => w.weight >= 0.9)) more += MORE.bothOpen
  const isOpen = (p: Pair) => !taken.some((t) => t.i === p.i || t.j === p.j)
  if (pairs.some((p) => p.relation === 'sister' && isOpen(p))) more += MORE.sister
  const isHead = (w: FrameWord | undefined) => w !== undefined && w.part === 'object' && w.weight >= 1.4
  const moved = taken.some((p) => isHead(a[p.i]) !== isHead(b[p.j]) && (a[p.i]?.part === 'object') !== (b[p.j]?.part === 'object'))
  if (moved && open.a.some(isHead) !== open.b.some(isHead)) more += MORE.headElsewhere
  return more
}
