/** How near two words are, by the senses that they have: the same, a kind of the other, come from one another, say the opposite. */
import type { Words } from '../words/words'

/** Parts of speech that senses are told apart by. */
export type Part = 'n' | 'v' | 'a'
const PARTS: readonly Part[] = ['n', 'v', 'a']

export type Relation = 'same' | 'near' | 'kind' | 'sister' | 'opposite' | 'far'
/** `by`, 0 to 1: how far one word stands for the other. */
export type Nearness = { readonly relation: Relation; readonly by: number }

const FAR: Nearness = { relation: 'far', by: 0 }
const SAME: Nearness = { relation: 'same', by: 1 }
const OPPOSITES: Nearness = { relation: 'opposite', by: 0 }

/** How much words stand for one another by what links them (Cairn defaults; tried on labelled pairs of statements). */
const BY = { derived: 0.95, synonym: 0.95, kind: 0.75, kindOfKind: 0.5, alike: 0.8, inHood: 0.8, sharedHood: 0.6, sister: 0.2 }
/** Of rarer senses less: by their rank (Cairn default). */
const OF_RANK = [1, 0.95, 0.9, 0.82] as const
const ofRank = (rank: number): number => OF_RANK[Math.min(rank, OF_RANK.length - 1)] as number
/** Words around a word come from its first senses (Cairn default). */
const HOOD_SENSES = 2

/** Letters that a word and another spelling of it, or what comes from it, begin with alike (Cairn default). */
const LEAST_SHARED = 4

/** Beginnings that turn a word round or elsewhere: encode, decode; import, export. */
const PREFIX = /^(?:en|de|un|dis|in|im|ex|out|over|under|mis|pre|post|anti|non|self)-?(?=[a-z]{4})/
const NEGATING = /^(?:un|dis|de|non|in|im)-?/

const LETTERS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789-_'
const VALUE = new Int16Array(128)
for (let i = 0; i < LETTERS.length; i++) VALUE[LETTERS.charCodeAt(i)] = i
/** A number of three letters at a place. */
const numberAt = (text: string, at: number): number =>
  ((VALUE[text.charCodeAt(at)] as number) << 12) |
  ((VALUE[text.charCodeAt(at + 1)] as number) << 6) |
  (VALUE[text.charCodeAt(at + 2)] as number)

export type SenseTables = { readonly SENSES: string; readonly KINDS: string; readonly DERIVED: string; readonly OPPOSITE: string }

export class Senses {
  private readonly placeOf: ReadonlyMap<string, number>
  private readonly words: readonly string[]
  /** For each word and part of speech where its senses begin in `senses`. */
  private readonly starts: Int32Array
  private readonly senses: Int32Array
  private readonly kindOf: Int32Array
  private readonly derivedOf: ReadonlyMap<number, readonly number[]>
  private readonly oppositeOf: ReadonlyMap<number, readonly number[]>
  private wordsOf: ReadonlyMap<number, readonly number[]> | null = null
  private readonly hoods = new Map<string, ReadonlySet<string>>()
  private readonly known = new Map<string, Nearness>()

  constructor(words: Words, tables: SenseTables) {
    this.words = words.lemmas()
    this.placeOf = new Map(this.words.map((w, i) => [w, i]))
    this.starts = new Int32Array(this.words.length * PARTS.length + 1)
    this.kindOf = kindsIn(tables.KINDS)
    this.senses = this.readSenses(tables.SENSES)
    this.derivedOf = pairsIn(tables.DERIVED)
    this.oppositeOf = pairsIn(tables.OPPOSITE)
  }

  private readSenses(text: string): Int32Array {
    const found = new Int32Array(text.length)
    let [size, next, word, part] = [0, 0, 0, 0]
    for (let at = 0; at < text.length; at++) {
      const sign = text[at] as string
      if (sign === '\n') continue
      if (sign === '.') found[size++] = next++
      else if (sign === ' ') this.starts[word * PARTS.length + ++part] = size
      else if (sign === ',') {
        for (let p = part + 1; p <= PARTS.length; p++) this.starts[word * PARTS.length + p] = size
        word++
        part = 0
      } else {
        found[size++] = numberAt(text, at)
        at += 2
      }
    }
    return found.slice(0, size)
  }

  /** Whether a word has senses of a part of speech. */
  has(word: string, part: Part): boolean {
    const [from, to] = this.range(word, part)
    return to > from
  }

  private range(word: string, part: Part): readonly [number, number] {
    const place = this.placeOf.get(word)
    if (place === undefined) return NOWHERE
    const at = place * PARTS.length + PARTS.indexOf(part)
    return [this.starts[at] as number, this.starts[at + 1] as number]
  }
  private sensesOf(word: string, part: Part): readonly number[] {
    return Array.from(this.senses.subarray(...this.range(word, part)))
  }
  private linked(links: ReadonlyMap<number, readonly number[]>, word: string): readonly string[] {
    return (links.get(this.placeOf.get(word) ?? -1) ?? []).map((i) => this.words[i] as string)
  }

  /** Words that come from a word, and those that it comes from: analyse, analysis. */
  derived(word: string): readonly string[] {
    return this.linked(this.derivedOf, word)
  }

  /** Words that mean what a sense means. */
  private meaning(sense: number): readonly string[] {
    if (this.wordsOf === null) {
      const all = new Map<number, number[]>()
      for (let word = 0; word < this.words.length; word++)
        for (let at = this.starts[word * PARTS.length] as number; at < (this.starts[(word + 1) * PARTS.length] as number); at++) {
          const own = all.get(this.senses[at] as number)
          if (own) own.push(word)
          else all.set(this.senses[at] as number, [word])
        }
      this.wordsOf = all
    }
    return (this.wordsOf.get(sense) ?? []).map((i) => this.words[i] as string)
  }

  /** A word with what comes from it, what its first senses are called as well, and what comes from that. */
  private around(word: string): ReadonlySet<string> {
    const known = this.hoods.get(word)
    if (known) return known
    const found = new Set([word, ...this.derived(word)])
    const add = (sense: number) => {
      for (const other of this.meaning(sense)) for (const w of [other, ...this.derived(other)]) found.add(w)
    }
    for (const part of PARTS)
      for (const sense of this.sensesOf(word, part).slice(0, HOOD_SENSES)) {
        add(sense)
        if (part === 'a' && (this.kindOf[sense] as number) >= 0) add(this.kindOf[sense] as number)
      }
    this.hoods.set(word, found)
    return found
  }
  /** What words that stand for one another share one of: senses, what those are kinds of, words that come from one another or are spelled alike. */
  keys(word: string): readonly (string | number)[] {
    const senses = PARTS.flatMap((part) => this.sensesOf(word, part))
    const start = word.slice(0, LEAST_SHARED)
    const kin = [...this.around(word)].filter((w) => w !== word && w.startsWith(start))
    return [word, ...this.derived(word), ...kin, ...senses, ...senses.map((s) => this.kindOf[s] as number).filter((s) => s >= 0)]
  }

  /** How near two words are, as a part of speech or as any. */
  nearness(first: string, second: string, part: Part | null = null): Nearness {
    if (first === second) return SAME
    const key = first < second ? `${first} ${second} ${part}` : `${second} ${first} ${part}`
    const known = this.known.get(key)
    if (known) return known
    const found = this.compare(first, second, part === null ? PARTS : [part])
    this.known.set(key, found)
    return found
  }

  private compare(a: string, b: string, parts: readonly Part[]): Nearness {
    if (a.replace(PREFIX, '') === b.replace(PREFIX, '') || this.linked(this.oppositeOf, a).includes(b)) return OPPOSITES
    if ((NEGATING.test(a) && a.replace(NEGATING, '') === b) || (NEGATING.test(b) && b.replace(NEGATING, '') === a)) return OPPOSITES
    let best = this.derived(a).includes(b) ? near('near', BY.derived) : FAR
    for (const part of parts)
      for (const [i, s] of this.sensesOf(a, part).entries())
        for (const [j, t] of this.sensesOf(b, part).entries()) {
          const found = this.betweenSenses(s, t, i, j, part)
          if (found.by > best.by) best = found
        }
    if (best.relation !== 'far') return best
    const [x, y] = [this.around(a), this.around(b)]
    if (x.has(b) || y.has(a)) return near('near', BY.inHood)
    return [...x].some((w) => y.has(w)) ? near('near', BY.sharedHood) : FAR
  }

  private betweenSenses(s: number, t: number, i: number, j: number, part: Part): Nearness {
    const ranked = ofRank(i) * ofRank(j)
    if (s === t) return near('near', BY.synonym * ranked)
    const [up, other] = [this.kindOf[s] as number, this.kindOf[t] as number]
    const isFirst = i < 2 && j < 2
    if (part === 'a') return up === t || other === s ? near('near', BY.alike * ranked) : FAR
    if (up === t || other === s) return near('kind', BY.kind * ranked)
    if (isFirst && up >= 0 && (this.kindOf[up] === t || (other >= 0 && this.kindOf[other] === s))) return near('kind', BY.kindOfKind)
    return isFirst && up >= 0 && up === other ? near('sister', BY.sister) : FAR
  }
}
const NOWHERE = [0, 0] as const
const near = (relation: Relation, by: number): Nearness => ({ relation, by })

function kindsIn(text: string): Int32Array {
  const found = new Int32Array(text.length)
  let size = 0
  for (let at = 0; at < text.length; at++) {
    const sign = text[at] as string
    if (sign === ',' || sign === '\n') continue
    if (sign === '.') found[size++] = -1
    else {
      found[size++] = numberAt(text, at)
      at += 2
    }
  }
  return found.slice(0, size)
}

function pairsIn(text: string): Map<number, number[]> {
  const found = new Map<number, number[]>()
  const link = (from: number, to: number) => {
    const own = found.get(from)
    if (own) own.push(to)
    else found.set(from, [to])
  }
  let before = 0
  for (const entry of text.split(/[,\n]+/)) {
    if (entry === '') continue
    const first = before + numberAt(entry, 0)
    const second = first + numberAt(entry, 3)
    link(first, second)
    link(second, first)
    before = first
  }
  return found
}
