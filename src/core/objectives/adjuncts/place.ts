/** A place in a statement where an adjunct may begin, with what the rules ask of the words there. */
import { DETERMINERS, NUMBERS, POSSESSIVES, PREPOSITIONS } from '../words/closed'
import type { Forms } from '../words/forms'
import { isPerson, phrasesAt } from '../words/subject'
import type { Token } from '../words/verb-score'

export type Kind = 'condition' | 'criterion'
/** What the governing verb says of the adjuncts behind it. */
export type Governing = {
  readonly lemma: string
  /** It is done in thought: then few prepositions open a condition. */
  readonly thinks: boolean
  /** It is done with the hands to a thing: then every adjunct behind the thing counts. */
  readonly hands: boolean
  /** WordNet's file of the verb; 0 where no list has it. */
  readonly file: number
  /** Where its words and where its object end, as places of tokens. */
  readonly from: number
  readonly objectEnd: number
}

const set = (words: string): ReadonlySet<string> => new Set(words.split(' '))
const HARD =
  /^(?:[±+-]?\d.*|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|fifteen|twenty|thirty|forty|fifty|sixty|eighty|ninety|hundred|half|zero|(?:twenty|thirty|forty|fifty|sixty|seventy|eighty|ninety)-\w+)$/
const VAGUE = set('several many few more most less fewer enough various multiple')

export class At {
  private readonly phrases = new Map<number, Phrase | null>()
  constructor(
    readonly tokens: readonly Token[],
    readonly q: number,
    readonly forms: Forms,
    readonly verb: Governing,
    /** The adjunct that is open here, and whether a clause with a question word is. */
    readonly inside: Kind | null,
    readonly inClause: boolean,
  ) {}

  /** The word so many places on, in small letters; empty beyond the end. */
  w(n = 0): string {
    return this.tokens[this.q + n]?.lower ?? ''
  }
  /** The words from so many places on, with one space between them. */
  words(from = 1, count = 8): string {
    return this.tokens
      .slice(this.q + from, this.q + from + count)
      .map((t) => t.lower)
      .join(' ')
  }
  /** The place behind this one. */
  get next(): At {
    return new At(this.tokens, this.q + 1, this.forms, this.verb, this.inside, this.inClause)
  }
  get isFirst(): boolean {
    return this.q === this.verb.from
  }
  get isBehindObject(): boolean {
    return this.q >= this.verb.objectEnd
  }
  isWord(n: number): boolean {
    const token = this.tokens[this.q + n]
    return token !== undefined && !token.isSign
  }
  /** A number that counts, `several` aside. */
  isExact(n: number): boolean {
    return HARD.test(this.w(n))
  }
  isNumber(n: number): boolean {
    const word = this.w(n)
    return /^[±+-]?\d/.test(word) || (NUMBERS.has(word) && !VAGUE.has(word)) || /^(?:an?|half|zero|no)$/.test(word) || HARD.test(word)
  }
  isDeterminer(n: number): boolean {
    return DETERMINERS.has(this.w(n))
  }
  opens(n: number): boolean {
    return DETERMINERS.has(this.w(n)) || POSSESSIVES.has(this.w(n)) || NUMBERS.has(this.w(n)) || /^\d/.test(this.w(n))
  }
  isPreposition(n: number): boolean {
    return PREPOSITIONS.has(this.w(n))
  }
  /** The noun phrase so many places on. */
  phrase(n = 1): Phrase | null {
    const known = this.phrases.get(n)
    if (known !== undefined) return known
    const made = this.readPhrase(n)
    this.phrases.set(n, made)
    return made
  }
  private readPhrase(n: number): Phrase | null {
    const found = phrasesAt(this.tokens, this.q + n, this.forms).at(-1)
    if (!found) return null
    const text = (this.tokens[found.head] as Token).lower
    const noun = this.forms.nounOf(text)
    return {
      lemma: noun?.lemma ?? text,
      files: noun ? noun.word.files.filter((f) => f > 0) : [],
      isPerson: isPerson(text, this.forms),
      classes: noun?.word.classes ?? [],
      plural: noun?.plural ?? false,
      end: found.end,
      length: found.end - this.q - n,
    }
  }
  isPersonAt(n: number): boolean {
    return isPerson(this.w(n), this.forms)
  }
  isVerb(n: number, form: 'base' | 's' | 'ing' | 'past'): boolean {
    return this.forms.verbsOf(this.w(n)).some((f) => f.form === form)
  }
  adjective(n: number): number {
    return this.forms.words.get(this.w(n))?.adjective ?? 0
  }
  isNoun(n: number): boolean {
    return this.forms.nounOf(this.w(n)) !== null
  }
}

export type Phrase = {
  readonly lemma: string
  /** WordNet's files of its likeliest senses. */
  readonly files: readonly number[]
  readonly isPerson: boolean
  readonly classes: readonly string[]
  readonly plural: boolean
  /** The place of the token behind it. */
  readonly end: number
  readonly length: number
}

/** Where an adjunct begins, and where it ends if that is known; null where the rule does not hold. */
export type Found = { readonly from: number; readonly end?: number } | null
export type Rule = readonly [name: string, holds: (at: At) => Found | boolean]
