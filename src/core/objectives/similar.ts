/**
 * Whether two statements ask for the same, also when reworded. The words of the object are compared by stem (Porter 1980, a
 * library), with room for compounds and other forms; the performances must be near: the same verb, near-synonyms or one level.
 * All thresholds are Cairn defaults.
 */
import { stemmer } from 'stemmer'
import { rankOf } from '../blueprint/kinds/levels'
import { openingEnd } from './openings'
import { readStatement, thinkingLevel } from './statement'

/** Words that say nothing about what is performed. */
const STOP = new Set(
  `a an the of in on at to for from by with and or as is are be been that this these those it its their your his her our one
  how why what which when where who whether into onto over under about between among within without using given each every all any
  some more most other such than then there can will should must able learner student participant you they we own new different
  various several following through during after before not`.split(/\s+/),
)
/** Words that planners use for one another; the first stands for all. */
const SAME_WORD = new Map(
  [
    'part component element piece section',
    'cause reason origin',
    'effect impact consequence result outcome influence',
    'method technique approach procedure way process',
    'error mistake slip fault',
    'stage phase step',
    'main major key principal primary chief',
    'important essential central',
    'danger hazard risk',
    'data figures readings',
    'text passage document',
    'kind type sort category class',
    'role function purpose',
    'difference distinction',
    'problem issue',
    'rule regulation law',
    'firm company business organisation organization',
    'customer client',
    'picture image photo photograph',
    'software program application',
    'tool instrument device',
    'child infant toddler',
    'turn become',
    'job task',
    'feature characteristic trait property attribute',
    'theory model',
    'use usage application',
    'plan scheme',
    'stream river creek',
    'rain rainfall',
    'illness disease',
    'mean average',
    'sign symptom indicator',
    'duty obligation responsibility',
    'goal aim objective target',
    'worker employee staff',
    'food meal dish',
    'car vehicle',
    'house home dwelling',
    'benefit advantage',
    'drawback disadvantage weakness',
  ].flatMap((line) => {
    const [first, ...rest] = line.split(' ') as [string, ...string[]]
    return rest.map((w) => [stemmer(w), stemmer(first)] as const)
  }),
)

type Gist = {
  /** Stems of what is performed upon, each once. */
  readonly words: ReadonlySet<string>
  readonly numbers: string
  readonly negated: boolean
  /** What the verb stands for: near-synonyms have one name. */
  readonly verbs: ReadonlySet<string>
  readonly rank: number | null
  /** Says only that something is made, or only that something is done: the object tells what. */
  readonly makes: boolean
  readonly light: boolean
  /** Stems of the verbs, to be found as nouns in another statement. */
  readonly doings: readonly string[]
}

/** Verbs that say of a piece of work only that it comes about. */
const MAKING = new Set('prepare create produce draft develop make construct compose build write formulate devise generate'.split(' '))
/** Verbs that say of a doing, named by a noun, only that it is done. */
const DOING = new Set('conduct perform do undertake make give take execute complete lead hold run'.split(' '))

const gists = new Map<string, Gist>()
const GIST_LIMIT = 5000

function gistOf(text: string): Gist {
  const known = gists.get(text)
  if (known) return known
  if (gists.size >= GIST_LIMIT) gists.clear()
  const read = readStatement(text)
  const verbs = new Set(read.verbs.map((v) => [v.entry.lemma, ...v.entry.instead].sort()[0] as string))
  let rest = text.slice(openingEnd(text).end)
  for (const v of read.verbs) rest = rest.replace(v.text, ' ')
  // A condition or "how well" makes no other objective of the same performance.
  const outer = [...read.conditions, ...read.criteria].map((s) => text.slice(s.start, s.end))
  const words = (from: string) =>
    (from.toLowerCase().match(/\p{L}[\p{L}'’-]*/gu) ?? []).filter((w) => !STOP.has(w)).map((w) => stemmer(w.replace(/['’]s$/, '')))
  let core = rest
  for (const clause of outer) core = core.replace(clause, ' ')
  const stems = words(core).length >= 2 ? words(core) : words(rest)
  const thinking = thinkingLevel(read.level)
  const gist: Gist = {
    words: new Set(stems.map((s) => SAME_WORD.get(s) ?? s)),
    numbers: (core.match(/\d+/g) ?? []).sort().join(' '),
    negated: /\b(?:not|no|never|non)\b/i.test(core),
    verbs,
    rank: thinking === null ? null : rankOf(thinking),
    makes: read.verbs.length > 0 && read.verbs.every((v) => MAKING.has(v.entry.lemma)),
    light: read.verbs.length === 1 && read.verbs.every((v) => DOING.has(v.entry.lemma)),
    doings: read.verbs.map((v) => stemmer(v.entry.lemma)),
  }
  gists.set(text, gist)
  return gist
}

/** Alike enough to be one word: a stem that begins the other ("rain", "rainfal"), or nearly the same letters. */
function sameWord(a: string, b: string): boolean {
  if (a === b) return true
  const [short, long] = a.length < b.length ? [a, b] : [b, a]
  return short.length >= 4 && long.startsWith(short) && long.length - short.length <= 5
}

/** How far two objects agree, 0 to 1: Dice's measure over their words. */
function agreement(a: ReadonlySet<string>, b: ReadonlySet<string>): number {
  if (a.size === 0 || b.size === 0) return a.size === b.size ? 1 : 0
  let common = 0
  for (const word of a) if (b.has(word) || [...b].some((other) => sameWord(word, other))) common++
  return Math.min(1, (2 * common) / (a.size + b.size))
}

const ALIKE = 0.7
/** Near performances may differ by one level when the objects agree this well. */
const VERY_ALIKE = 0.8

function alike(a: Gist, b: Gist): boolean {
  if (a.numbers !== b.numbers || a.negated !== b.negated) return false
  // "Interview a client", "conduct a client interview": one names by a noun what the other says by its verb.
  if (a.light !== b.light) {
    const [named, said] = a.light ? [a, b] : [b, a]
    if (said.doings.some((d) => named.words.has(d)) && agreement(named.words, new Set([...said.words, ...said.doings])) >= VERY_ALIKE)
      return true
  }
  const words = agreement(a.words, b.words)
  if (words < ALIKE) return false
  if (a.makes && b.makes && words >= VERY_ALIKE) return true
  if ([...a.verbs].some((v) => b.verbs.has(v))) return true
  // A verb that cannot be observed says no level: the object alone decides.
  if (a.rank === null || b.rank === null) return words >= VERY_ALIKE
  const apart = Math.abs(a.rank - b.rank)
  return apart === 0 || (apart === 1 && a.rank < 2 && b.rank < 2 && words >= VERY_ALIKE)
}

const plain = (text: string): string => text.trim().toLowerCase()

/** Whether two statements ask for the same. Two empty ones do not. */
export function isSame(first: string, second: string): boolean {
  const [a, b] = [plain(first), plain(second)]
  if (a === '' || b === '') return false
  return a === b || alike(gistOf(first), gistOf(second))
}

/** Pairs of positions whose statements ask for the same, the earlier one first. Grows with the pairs that share a word, not with all. */
export function similarPairs(statements: readonly string[]): readonly (readonly [number, number])[] {
  const byWord = new Map<string, number[]>()
  const read = statements.map((statement) => {
    const text = plain(statement)
    return text === '' ? null : { text, gist: gistOf(statement) }
  })
  const out: [number, number][] = []
  // How many words the statement at hand shares with each before it: one list for all, wiped where it was written.
  const shared = new Uint16Array(statements.length)
  for (const [i, now] of read.entries()) {
    if (!now) continue
    const touched: number[] = []
    // Words that begin alike may be one: four letters are the shortest that count.
    for (const word of new Set([...now.gist.words].map((w) => w.slice(0, 4)))) {
      const list = byWord.get(word)
      if (!list) byWord.set(word, [i])
      else {
        for (const j of list) if ((shared[j] = (shared[j] as number) + 1) === 1) touched.push(j)
        list.push(i)
      }
    }
    for (const j of touched) {
      const count = shared[j] as number
      shared[j] = 0
      const before = read[j] as NonNullable<(typeof read)[number]>
      if (count * 2 < ALIKE * 0.5 * (now.gist.words.size + before.gist.words.size)) continue
      if (before.text === now.text || alike(before.gist, now.gist)) out.push([j, i])
    }
  }
  return out
}
