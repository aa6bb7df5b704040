/** Finds the verbs of objectives, in British or American spelling and in the forms they stand in. */
import type { Level } from '../blueprint/kinds/levels'
import { type Taught, taughtVerbs } from './tagging'
import { GROUPS, MEANT, UNOBSERVABLE } from './verbs'

export type VerbEntry = {
  readonly lemma: string
  /** In order of likelihood; empty where a verb says none. */
  readonly levels: readonly Level[]
  readonly observable: boolean
  /** Its level is a guess: a word that is not in the lexicon, or a state of mind. */
  readonly guessed?: boolean
  /** A course has taught it: it is a verb wherever it stands first. */
  readonly isTaught?: boolean
  /** Verbs that could stand in its place: near-synonyms, or what to write instead of one that cannot be observed. */
  readonly instead: readonly string[]
}

const LETTER: Readonly<Record<string, Level>> = {
  R: 'remember',
  U: 'understand',
  A: 'apply',
  N: 'analyse',
  E: 'evaluate',
  C: 'create',
  i: 'imitate',
  m: 'manipulate',
  a: 'articulated',
  r: 'receive',
  s: 'respond',
  v: 'value',
  o: 'organise',
}

const ENTRIES = new Map<string, VerbEntry>()
for (const [letters, verbs] of GROUPS) {
  const group = verbs.split(' ')
  const levels = [...letters].map((l) => LETTER[l] as Level)
  for (const lemma of group) ENTRIES.set(lemma, { lemma, levels, observable: true, instead: group.filter((v) => v !== lemma) })
}
for (const [lemma, instead] of Object.entries(UNOBSERVABLE))
  ENTRIES.set(lemma, { lemma, levels: MEANT[lemma] ? [LETTER[MEANT[lemma]] as Level] : [], observable: false, instead, guessed: true })

/** How many verbs the lexicon holds. */
export const LEXICON_SIZE = ENTRIES.size

/** A word in the spelling of the lexicon. */
const spelled = (word: string): readonly string[] => {
  const lower = word.toLowerCase()
  return [
    lower,
    lower.replace(/yze$/, 'yse').replace(/ize$/, 'ise'),
    lower.replace(/([^l])l$/, '$1ll'),
    lower === 'practice' ? 'practise' : lower,
    lower.replace(/maneuver/, 'manoeuvre').replace(/mold/, 'mould'),
  ]
}

let taught: { readonly from: readonly Taught[]; readonly entries: ReadonlyMap<string, VerbEntry> } = { from: [], entries: new Map() }

/** The entry of a verb that a course has taught; it comes before all others. */
function taughtEntry(lemma: string): VerbEntry | undefined {
  const verbs = taughtVerbs()
  if (taught.from !== verbs) taught = { from: verbs, entries: entriesOf(verbs) }
  return taught.entries.get(lemma)
}

function entriesOf(verbs: readonly Taught[]): ReadonlyMap<string, VerbEntry> {
  return new Map(
    verbs.map(({ word, level, unseen }) => {
      const lemma = word.toLowerCase()
      const known = ENTRIES.get(lemma)
      const entry = { lemma, levels: level ? [level] : [], observable: !unseen, instead: known?.instead ?? [], isTaught: true }
      return [lemma, entry]
    }),
  )
}

/** The entry of a base form; undefined when it is no known verb. */
export function verbEntry(word: string): VerbEntry | undefined {
  const own = taughtVerbs().length > 0 ? taughtEntry(word.toLowerCase()) : undefined
  if (own) return own
  for (const form of spelled(word)) {
    const found = ENTRIES.get(form)
    if (found) return found
  }
  return undefined
}

const IRREGULAR: Readonly<Record<string, string>> = {
  written: 'write',
  given: 'give',
  shown: 'show',
  chosen: 'choose',
  drawn: 'draw',
  built: 'build',
  made: 'create',
  taught: 'teach',
  found: 'find',
  read: 'read',
  set: 'set',
  cut: 'cut',
  put: 'place',
  understood: 'understand',
  known: 'know',
  learnt: 'learn',
  told: 'tell',
  sung: 'sing',
  thrown: 'throw',
  sewn: 'sew',
  woven: 'weave',
  taken: 'take',
  done: 'perform',
}

/** The entry of "calculated", "calculating" or "calculates"; undefined when no known verb has that form. */
export function inflectedEntry(word: string): VerbEntry | undefined {
  const lower = word.toLowerCase()
  const irregular = IRREGULAR[lower]
  if (irregular) return verbEntry(irregular)
  for (const [ending, backs] of [
    [/ied$/, ['y']],
    [/ies$/, ['y']],
    [/(ed|ing)$/, ['', 'e']],
    [/es$/, ['', 'e']],
    [/s$/, ['']],
  ] as const) {
    if (!ending.test(lower)) continue
    const stem = lower.replace(ending, '')
    for (const back of backs) {
      const found = verbEntry(stem + back)
      if (found) return found
    }
    const single = stem.replace(/([b-df-hj-np-tv-z])\1$/, '$1')
    const found = single !== stem && verbEntry(single)
    if (found) return found
  }
  return undefined
}

/** Verbs that are as often nouns: after "and" or "to" they are verbs only when an object with its article follows. */
export const ALSO_NOUNS: ReadonlySet<string> = new Set(
  `abstract account answer attribute audit bake balance bandage beat benchmark bill bolt bore bow budget buff
  build cast catch cause chair challenge champion change chant chart chip clamp cluster coach code comfort
  compress conduct contest contract contrast cook copy count craft cry cut damage dance debate decline design
  diagram dial discard dispute dive document draft dress drill drive drum duplicate edit experiment express
  factor feed file fillet film filter fit fix fold forecast form format found function fuse gauge glaze grade
  graft graph grill grip group guide hammer hand harvest help hem hold honour host hum interview invoice join
  jump key kick knot label lace land launch lead leap level lift light limit link list load lock log look mark
  massage match measure milk mimic mind minute mirror mix model monitor mould mount nail name note object offer
  order outline pair park pass pen pilot pioneer pipe place plan plane plant plaster play plot point polish pose
  position post practice practise praise price process profile program prototype purchase query question quote
  rank rate ready ream record reference register repair repeat report rescue research respect reverse review
  ride rivet roast roll row run sail sample sand saw scale schedule score screen screw script search season
  segment sequence serve service set shape share shave shoot show sketch slice slit sound splice splint spot
  sprint stack stage stain stamp staple state steam stem stew stir stitch store strike strip structure strum
  study support survey suture swab tack tag tailor tap taste test tie tile time title torque trace track trade
  trail train transfer trim tune turn tutor type value volley volunteer wash watch weave weld wire work wrap`.split(/\s+/),
)
