/** The table of words, unpacked: what parts of speech a word may be and how commonly, and what kind of thing or doing it names. */

/** Classes of nouns beside their files, in the order of their bits in the table. */
export const NOUN_CLASSES = ['mind', 'event', 'time', 'unit', 'fault', 'instrument'] as const
export type NounClass = (typeof NOUN_CLASSES)[number]

export type Word = {
  /** How commonly it is met as each part of speech, 0 for never; about the number of times in WordNet's tagged texts. */
  readonly noun: number
  readonly verb: number
  readonly adjective: number
  readonly adverb: boolean
  /** WordNet's files of its likeliest two senses as a noun; 0 where there is none. */
  readonly files: readonly [number, number]
  /** The part that the first file is of all, and that people are: 0, or from 0.25, 0.4, 0.6 on. */
  readonly fileShare: number
  readonly personShare: number
  readonly classes: readonly NounClass[]
  /** WordNet's file of its likeliest sense as a verb; null where it is none. */
  readonly verbFile: number | null
  /** As a verb it names what nobody sees: knowing, liking, hoping. */
  readonly mental: boolean
  /** As a verb it mostly names what is seen: of the body, of contact, change, motion and the like. */
  readonly doing: boolean
}

const LETTERS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789-_'
const NUMBER_OF = new Map([...LETTERS].map((letter, i) => [letter, i]))
const SHARES = [0, 0.25, 0.4, 0.6] as const
const share = (bits: number): number => SHARES[bits & 3] as number
/** The middle of what three bits stand for (scripts/words/pack.mjs). */
const heft = (bits: number): number => (bits === 0 ? 0 : 2 ** ((bits - 1) / 0.8) - 0.5)
const FIRST_VERB_FILE = 29

function wordOf(facts: string): Word {
  let at = 0
  const next = () => NUMBER_OF.get(facts[at++] ?? '') ?? 0
  const [counts, more] = [next(), next()]
  const isNoun = counts >> 3 > 0
  const isVerb = (counts & 7) > 0
  const files: [number, number] = isNoun ? [next(), next()] : [0, 0]
  const shares = isNoun ? next() : 0
  const bits = shares & 16 ? next() : 0
  return {
    noun: heft(counts >> 3),
    verb: heft(counts & 7),
    adjective: heft(more & 7),
    adverb: (more & 32) !== 0,
    files,
    fileShare: share(shares),
    personShare: share(shares >> 2),
    classes: bits === 0 ? NONE : NOUN_CLASSES.filter((_, i) => bits & (1 << i)),
    verbFile: isVerb ? next() + FIRST_VERB_FILE : null,
    mental: (more & 8) !== 0,
    doing: (more & 16) !== 0,
  }
}
const NONE: readonly NounClass[] = []

const entriesOf = (text: string): string[] => text.split(/[,\n]+/).filter((entry) => entry !== '')

/** Words by their lemma. What a word is, is worked out when it is asked for: most never are. */
export class Words {
  private readonly packed = new Map<string, string>()
  private readonly known = new Map<string, Word>()
  private readonly two = new Map<string, boolean>()

  constructor(table: string, phrasal: string) {
    let before = ''
    for (const line of entriesOf(table)) {
      const space = line.indexOf(' ')
      before = before.slice(0, NUMBER_OF.get(line[0] ?? '')) + line.slice(1, space)
      this.packed.set(before, line.slice(space + 1))
    }
    for (const line of entriesOf(phrasal)) this.two.set(line.replace('*', ''), line.endsWith('*'))
  }

  /** Every word in the order of the table, verbs of two words behind them as `point_out`. */
  lemmas(): string[] {
    return [...this.packed.keys(), ...[...this.two.keys()].map((w) => w.replace(' ', '_'))]
  }

  get size(): number {
    return this.packed.size
  }

  /** A word in its base form; undefined where the table does not have it. */
  get(lemma: string): Word | undefined {
    const known = this.known.get(lemma)
    if (known) return known
    const facts = this.packed.get(lemma)
    if (facts === undefined) return undefined
    const word = wordOf(facts)
    this.known.set(lemma, word)
    return word
  }

  /** Whether two words make a verb: `point out`; and whether it is one of the mind: `believe in`. */
  phrasal(verb: string, particle: string): { readonly mental: boolean } | null {
    const mental = this.two.get(`${verb} ${particle}`)
    return mental === undefined ? null : { mental }
  }
}
