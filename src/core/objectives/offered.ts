/** Verbs to offer for a level, and what each takes for its object: "calculate the flow", and never "calculate the poem". */
import type { Level } from '../blueprint/kinds/levels'
import { verbEntry } from './lexicon'
import { type ObjectKind, tagger } from './tagging'

/** Kinds of things that nouns name, by WordNet's files. */
const FILES = {
  act: [4],
  living: [5, 20],
  thing: [6],
  quality: [7, 25],
  body: [8],
  idea: [9, 16],
  words: [10],
  event: [11],
  feeling: [12],
  food: [13],
  people: [14, 18],
  place: [15, 17],
  process: [19, 22],
  money: [21],
  amount: [23, 24],
  state: [26],
  stuff: [27],
  time: [28],
} as const
type Thing = keyof typeof FILES

/** What a verb takes: things of these kinds; `how` a clause as well, `many` only several. `any` is all kinds. */
const ABSTRACT = 'idea words act quality process state amount money event feeling'
const TAKES = {
  list: 'any many',
  name: 'any',
  define: 'idea quality process state',
  identify: 'any',
  match: 'any many',
  label: 'thing body place living',
  locate: 'thing body place living',
  explain: `${ABSTRACT} how`,
  describe: 'any how',
  summarise: 'words event process idea how',
  outline: 'idea words process event how',
  interpret: '',
  discuss: `${ABSTRACT} how`,
  classify: 'any many',
  calculate: 'money',
  solve: '',
  demonstrate: 'act process how',
  apply: '',
  prepare: 'food',
  measure: '',
  operate: 'thing',
  draw: 'thing body place',
  produce: 'food',
  use: 'thing stuff',
  compare: 'any many',
  examine: 'any how',
  analyse: 'idea words act process state event amount how',
  distinguish: 'any many',
  categorise: 'any many',
  investigate: 'event state process how',
  trace: 'process event',
  contrast: 'any many',
  assess: 'any how',
  evaluate: 'idea words act quality process state thing how',
  justify: 'act idea',
  recommend: 'act thing food',
  critique: 'words idea act',
  prioritise: 'act idea state many',
  defend: 'idea act',
  judge: 'quality words act thing food how',
  design: 'thing act place',
  develop: 'idea words process',
  compose: '',
  propose: 'act words',
  construct: '',
  devise: 'process',
  plan: '',
  copy: 'act thing words',
  imitate: 'act',
  mirror: 'act',
  assemble: 'thing',
  install: 'thing',
  adjust: 'thing amount quality',
  align: 'thing',
  calibrate: 'thing',
  perform: 'act',
  combine: 'any many',
  coordinate: 'act people event many',
  adapt: 'act process thing words',
  conduct: 'act event',
  attend: 'event',
  acknowledge: 'idea state feeling words',
  follow: 'words idea',
  answer: '',
  advocate: 'idea act quality',
  share: 'idea feeling words',
  reconcile: 'idea many',
  uphold: 'idea words quality',
  champion: 'idea act',
  lead: 'people event',
} as const satisfies Record<string, string>
type OfferedVerb = keyof typeof TAKES

/** Verbs that many planners know, for each level, the likeliest first (Cairn defaults). */
const OFFERED: Readonly<Record<Level, readonly OfferedVerb[]>> = {
  remember: ['list', 'name', 'define', 'identify', 'match', 'label', 'locate'],
  understand: ['explain', 'describe', 'summarise', 'outline', 'interpret', 'discuss', 'classify'],
  apply: ['calculate', 'solve', 'demonstrate', 'apply', 'prepare', 'measure', 'draw', 'use', 'produce'],
  analyse: ['compare', 'distinguish', 'examine', 'analyse', 'categorise', 'investigate', 'trace', 'contrast'],
  evaluate: ['assess', 'evaluate', 'justify', 'recommend', 'critique', 'prioritise', 'defend', 'judge'],
  create: ['design', 'develop', 'compose', 'propose', 'construct', 'devise', 'plan'],
  imitate: ['copy', 'imitate', 'mirror'],
  manipulate: ['assemble', 'operate', 'install', 'adjust'],
  precise: ['align', 'calibrate', 'perform'],
  articulated: ['combine', 'coordinate', 'adapt'],
  natural: ['perform', 'conduct', 'operate'],
  receive: ['attend', 'acknowledge'],
  respond: ['follow', 'answer', 'discuss'],
  value: ['advocate', 'defend', 'share'],
  organise: ['reconcile', 'uphold', 'prioritise'],
  characterise: ['uphold', 'champion', 'lead'],
}

const set = (text: string): ReadonlySet<string> => new Set(text.split(' '))
const TEXTS = set(
  'letter essay poem song report email message speech summary article story review brief script reply headline memo notice budget',
)
const OCCASIONS = set(
  'meeting visit trip campaign party exhibition workshop tour journey wedding conference lesson menu route course session interview',
)
const SCHEMES = set('plan scheme method test game strategy solution timetable schedule rota policy procedure programme system')

/** Nouns that a verb takes besides, whatever kind they are of. */
const ALSO: Partial<Record<OfferedVerb, ReadonlySet<string>>> = {
  solve: new Set('problem equation puzzle case riddle exercise dilemma task mystery'.split(' ')),
  answer: new Set('question query letter email message call complaint enquiry inquiry'.split(' ')),
  calculate: new Set(
    'mean average rate ratio percentage dose dosage load volume area length cost price pay wage tax interest slope flow'.split(' '),
  ),
  measure: new Set(
    'flow pressure temperature volume length distance depth width height weight speed velocity level time acidity'.split(' '),
  ),
  apply: set('rule method law principle formula technique criterion standard theory model policy procedure concept code scale test'),
  compose: TEXTS,
  interpret: set(
    'graph chart table map result finding reading plan drawing signal poem text statement data datum measurement rule law contract symbol diagram score curve',
  ),
  use: set('scale key code formula rule list method technique index dictionary'),
  prepare: new Set([...TEXTS, ...OCCASIONS]),
  produce: TEXTS,
  plan: OCCASIONS,
  design: OCCASIONS,
  devise: SCHEMES,
  propose: SCHEMES,
  construct: new Set('argument model timeline table graph proof frame wall bridge shelter prototype diagram scale index'.split(' ')),
}
const KIND_OF_FILE: ReadonlyMap<number, Thing> = new Map(
  (Object.keys(FILES) as Thing[]).flatMap((thing) => FILES[thing].map((file) => [file, thing] as const)),
)

/** Whether a verb takes what stands behind it. */
function takes(verb: OfferedVerb, object: ObjectKind): boolean {
  const wanted = TAKES[verb].split(' ')
  if (object.clause !== null) return wanted.includes('how') && (object.clause === 'how' || WEIGHING.has(verb))
  if (wanted.includes('many') && !object.isMany) return false
  // One names and matches what is there: "the parts", and not "a buttonhole".
  if (OF_CERTAIN.has(verb) && !object.isMany && !object.isCertain) return false
  if (ALSO[verb]?.has(object.head)) return true
  const thing = KIND_OF_FILE.get(object.file)
  return wanted.includes('any') || (thing !== undefined && wanted.includes(thing))
}
/** Verbs that answer a question of yes or no. */
const WEIGHING: ReadonlySet<string> = new Set(['examine', 'investigate', 'assess', 'evaluate', 'judge', 'discuss'])
const OF_CERTAIN: ReadonlySet<string> = new Set(['list', 'name', 'identify', 'match', 'label', 'locate'])
/** Words behind an object that belong to it, and words that do where it is nobody. */
const BELONGS: ReadonlySet<string> = new Set(['', 'of', 'that', 'which', 'whose', 'between', 'among', 'and', 'or', '.', ',', ';'])
const BELONGS_TO_THINGS: ReadonlySet<string> = new Set(['in', 'for'])

/**
 * Verbs to offer for a level before an object that begins at an offset, in the place of a verb: near-synonyms of its own first, then
 * those that take such an object. None where what stands behind belongs to the verb that was there: "rub butter into flour".
 * Without the table of words, all of the level.
 */
export function verbsFor(level: Level, text: string, from: number, lemma?: string): readonly string[] {
  const near = lemma === undefined ? [] : synonyms(level, lemma)
  return fitting([...new Set([...near, ...OFFERED[level]])], text, from).filter((verb) => verb !== lemma)
}

/** As {@link verbsFor}, of those that stand for the verb that is there. */
export const nearVerbs = (level: Level, text: string, from: number, lemma: string): readonly string[] =>
  fitting(synonyms(level, lemma), text, from)

/** Verbs of one group of thinking stand for one another; those of the hand are families of doings. */
function synonyms(level: Level, lemma: string): OfferedVerb[] {
  const entry = verbEntry(lemma)
  const isOne = entry?.levels[0] === level && THINKING.has(level)
  return isOne ? entry.instead.filter((verb): verb is OfferedVerb => Object.hasOwn(TAKES, verb)) : []
}
const THINKING: ReadonlySet<Level> = new Set<Level>(['remember', 'understand', 'analyse', 'evaluate', 'create'])

/** Verbs of a level, for whoever words the line anew. */
export const verbsOf = (level: Level): readonly string[] => OFFERED[level]

/** What belongs to the verb that was there: where to, from where, with what, in which way. */
const OF_THE_VERB =
  /\b(?:to (?:an?|the|its|their|your|his|her|someone|somebody)|into|onto|from|by|with|side by side|in your|aloud|by heart|by hand|in turn|in pairs)\b/i
const CLAUSE = /\b(?:that|which|who|whose|how|why|what|when|where|whether)\b/i

function fitting(verbs: readonly OfferedVerb[], text: string, from: number): readonly OfferedVerb[] {
  if (tagger === null) return verbs
  const object = tagger.objectKind(text, from)
  const rest = text.slice(from)
  if (object === null || object.isTrailed || OF_THE_VERB.test(rest.slice(0, CLAUSE.exec(rest)?.index ?? rest.length))) return []
  if (object.clause === null && !BELONGS.has(object.behind) && (object.isPerson || !BELONGS_TO_THINGS.has(object.behind))) return []
  return verbs.filter((verb) => takes(verb, object))
}
