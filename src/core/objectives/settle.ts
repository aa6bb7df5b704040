/** Which level a verb stands for beside its object, where the verb alone leaves it open. All patterns are Cairn defaults. */
import type { Level } from '../blueprint/kinds/levels'
import type { VerbEntry } from './lexicon'

type Pattern = readonly [RegExp, Level]

const JUDGING =
  /\band (?:justify|defend|say why|give (?:your |their )?reasons|explain (?:your|the) (?:choice|decision)|choose|decide|recommend|judge)\b|\bwhether\b|\bmost (?:appropriate|suitable|effective)\b|\bbest\b/i
const DEEPER =
  /\b(?:assumptions?|bias(?:es)?|flaws?|fallac\w+|causes?|sources? of|patterns?|relationships?|issues?|weakness\w*|gaps?|needs?|motives?|errors?|trends?|themes?|where|why)\b/i
const WITH_TOOL = /\b(?:with|using|by means of) (?:an?|the|two)\b|\bfrom (?:an?|the) (?:key|sample|specimen)|\bkit\b/i
const THINGS =
  /\b(?:parts?|components?|terms?|symbols?|names?|cuts?|keywords?|examples?|stages?|steps?|tools?|types?|features?|bones?|structures?|elements?|members?|layers?|colou?rs?|letters?|notes?|equipment|ingredients?|hazards?|dates?|capitals?)\b/i
const NUMERIC =
  /\b(?:values?|rates?|mass|concentrations?|amounts?|probabilit\w+|numbers?|areas?|volumes?|averages?|means?|distances?|lengths?|costs?|dos(?:e|age)s?|angles?|slopes?|speeds?|size|ratio|percent\w*|weight|sum)\b/i
/** What one cannot take in the hand. */
const ABSTRACT =
  /^(?:\s+(?:the|an?|your|their|its|one|two|three|several|new|own|different|multiple|[\w-]+(?:al|ic|ive|ed)))*\s+(?:[\w-]+ )?(?:costs?|budgets?|strateg\w+|polic\w+|brands?|arguments?|ideas?|sources?|data\w*|files?|complaints?|conflicts?|changes?|business\w*|process\w*|schedules?|texts?|equations?|expressions?|sentences?|codes?|programs?|models?|functions?|formula\w*|sets?|images?|records?|accounts?|prices?|risks?|quer\w+|errors?|exceptions?|teams?|meetings?|class\w*|fractions?|numbers?|terms?|polynomials?|matri\w+|lists?|arrays?|strings?|servers?|networks?|software|systems?|firewalls?|packages?|plans?|designs?|theor\w+|methods?|concepts?|evidence|findings|perspectives|roles?|services?|applications?|libraries|queues?|stakeholders?|emotions?|projects?|recipes?|parameters?|values|settings|lesson\w*|messages?|goals?)\b/i
/** What the body does, whatever the verb. */
const BODILY =
  /\b(?:recovery position|technique of|strokes?|grip|stance|posture|manoeuvres?|maneuvers?|lift|scales?(?= in | of [A-G]\b| hands)|chords?|dance|stretch\w*|compressions?|cpr|sutures?|incisions?|injections?|napp(?:y|ies)|diapers?|dressings?|bandages?|beat pattern|knots?|stitch\w*|handstand|cartwheel|somersault|venipuncture|cannulation)\b/i

const SETTLED: Readonly<Record<string, readonly Pattern[]>> = {
  identify: [
    [WITH_TOOL, 'apply'],
    [DEEPER, 'analyse'],
    [THINGS, 'remember'],
  ],
  recognise: [
    [DEEPER, 'analyse'],
    [/./, 'remember'],
  ],
  select: [
    [JUDGING, 'evaluate'],
    [/\bfor (?:an?|the|each)\b|\busing\b|\bwith\b|\bfrom\b/i, 'apply'],
  ],
  determine: [
    [/\b(?:whether|if)\b|\bbest\b/i, 'evaluate'],
    [/\b(?:causes?|which|why|how|relationships?|sources?|factors?)\b/i, 'analyse'],
    [NUMERIC, 'apply'],
  ],
  compare: [
    [JUDGING, 'evaluate'],
    [
      /\b(?:in terms of|using|with (?!each)|by (?:their|its)|and contrast|spread|distortion|results|structure|approach\w*|models?|methods?)\b/i,
      'analyse',
    ],
  ],
  discuss: [
    [/\bcritically\b/i, 'evaluate'],
    [/./, 'understand'],
  ],
  interpret: [
    [/\bto (?:find|identify|determine)\b/i, 'analyse'],
    [/\b(?:data ?sets?|results of)\b/i, 'analyse'],
    [/\b(?:symbols?|drawings?|blueprints?|schematics?|orders?)\b/i, 'apply'],
    [/./, 'understand'],
  ],
  infer: [[/\border of\b|\bcauses?\b|\bfrom (?:an?|the)\b/i, 'analyse']],
  predict: [
    [/\b(?:using|with) (?:an?|the)\b/i, 'apply'],
    [/./, 'understand'],
  ],
  estimate: [
    [/\busing\b/i, 'apply'],
    [/./, 'understand'],
  ],
  classify: [
    [/\b(?:with|using) (?:an?|the)\b|\bin (?:an?|the) (?:worked )?(?:case|set|sample)\b/i, 'apply'],
    [/./, 'understand'],
  ],
  connect: [[/\b(?:wires?|cables?|pipes?|hoses?|leads?|batter\w+|panels?|pumps?|circuits?)\b/i, 'manipulate']],
  link: [[/\bto\b/i, 'understand']],
  report: [
    [/\b(?:results|findings|data|using)\b|\bchange\b/i, 'apply'],
    [/./, 'understand'],
  ],
  cite: [
    [/\b(?:style|format)\b|\bsources|\bcases\b/i, 'apply'],
    [/./, 'remember'],
  ],
  model: [
    [BODILY, 'manipulate'],
    [/\b(?:flow|growth|data|process|system|situation)\b/i, 'apply'],
  ],
  adapt: [[/\bfor\b|\bto\b/i, 'apply']],
  modify: [[/./, 'apply']],
  produce: [
    [/\b(?:copy|copies|sample|weld|print|sound|tone)\b/i, 'apply'],
    [/./, 'create'],
  ],
  generate: [
    [/\b(?:report|table|list|key)s?\b/i, 'apply'],
    [/./, 'create'],
  ],
  construct: [[/\b(?:graphs?|histograms?|tables?|charts?|diagrams?|plots?|intervals?|triangles?|bisectors?)\b/i, 'apply']],
  build: [
    [/\bfrom (?:an?|the) (?:kit|plans?|drawings?|instructions)\b/i, 'apply'],
    [/\bcircuits?\b/i, 'apply'],
  ],
  draft: [[/\b(?:minutes|from a template)\b/i, 'apply']],
  write: [
    [/^\s+(?:an?|the|two|three) (?:[\w-]+ ){0,2}(?:essays?|reports?|memos?|proposals?|letters?|articles?|poems?|stor\w+)\b/i, 'create'],
    [
      /\b(?:functions?|loops?|code|quer\w+|scripts?|equations?|formula\w*|notes?|labels?|sentences?|unit tests?|methods?|numbers?|procedures?)\b/i,
      'apply',
    ],
    [
      /\b(?:essays?|reports?|stor\w+|poems?|memos?|proposals?|plans?|papers?|songs?|letters?|articles?|scripts?|programs?|reviews?|briefs?|pages?|arguments?)\b/i,
      'create',
    ],
  ],
  plan: [[/./, 'create']],
  prepare: [
    [/\b(?:plans?|proposals?|strateg\w+|presentations?|campaigns?|portfolios?)\b/i, 'create'],
    [/./, 'apply'],
  ],
  test: [
    [/\b(?:hypothes\w+|claims?|theor\w+|whether)\b/i, 'evaluate'],
    [/\b(?:with|using|in|on|for)\b/i, 'apply'],
  ],
  monitor: [
    [/\b(?:patients?|temperature|progress|levels?|flow|signs?)\b/i, 'apply'],
    [/./, 'evaluate'],
  ],
  review: [
    [/\b(?:critically|colleague|peer|pull request|drafts?|against|contracts?|proposals?|for)\b/i, 'evaluate'],
    [/./, 'understand'],
  ],
  revise: [[/./, 'evaluate']],
  edit: [
    [/\b(?:images?|videos?|audio|files?|photos?)\b/i, 'apply'],
    [/./, 'evaluate'],
  ],
  proofread: [[/./, 'evaluate']],
  reconcile: [
    [/\b(?:statements?|accounts?|ledgers?|balances?|records?)\b/i, 'apply'],
    [/./, 'evaluate'],
  ],
  weigh: [
    [/\b(?:loyalt\w+|dut(?:y|ies)|values|interests of the public)\b/i, 'organise'],
    [/\b(?:against|evidence|options?|arguments?|benefits?|risks?|claims?|pros)\b/i, 'evaluate'],
    [/./, 'apply'],
  ],
  inspect: [
    [JUDGING, 'evaluate'],
    [/\bagainst\b|\baccording to\b/i, 'evaluate'],
  ],
  trace: [
    [/\b(?:causes?|outbreaks?|execution|errors?|origins?|faults?|influences?|development|source)\b/i, 'analyse'],
    [/\b(?:path|flow|route|pathway|cycle|blood)\b/i, 'understand'],
  ],
  sequence: [[/./, 'analyse']],
  distinguish: [[/^\s+between [\w-]+ (?:and|from) [\w-]+(?: [\w-]+)?$/i, 'understand']],
  arrange: [
    [/\b(?:voices?|song|piece|music|tune|melod\w+|composition|flowers|poem)\b/i, 'create'],
    [/./, 'apply'],
  ],
  combine: [[/\b(?:sources?|ideas?|evidence|perspectives|elements|theor\w+|findings|methods|data)\b/i, 'create']],
  respond: [[/\b(?:questions?|emails?|emergenc\w+|incident|alarm|argument)\b/i, 'apply']],
  defend: [[/\b(?:presumption|rights?|value|principles? of|dignity|freedom)\b/i, 'value']],
  support: [
    [/\b(?:claims?|arguments?|positions?|conclusions?|thesis|evidence)\b/i, 'evaluate'],
    [/\b(?:child|patient|client|customer|user|family)\w*\b/i, 'apply'],
  ],
  share: [[/\b(?:files?|documents?|folder|data|results)\b/i, 'apply']],
  respect: [[/./, 'value']],
  show: [[/\brespect|courtesy|empathy|compassion|care for|commitment|tolerance|sensitivity/i, 'value']],
  demonstrate: [[/\b(?:respect|courtesy|empathy|compassion|commitment|tolerance|integrity|sensitivity)\b/i, 'value']],
  follow: [[/\b(?:demonstration|after the|trainer|lead of)\b/i, 'imitate']],
  season: [[/./, 'manipulate']],
  troubleshoot: [[/^,? (?:using|with)\b/i, 'apply']],
}
for (const [lemma, as] of [
  ['choose', 'select'],
  ['pick', 'select'],
  ['ascertain', 'determine'],
  ['spot', 'recognise'],
  ['deduce', 'infer'],
  ['forecast', 'predict'],
  ['anticipate', 'predict'],
  ['approximate', 'estimate'],
  ['tailor', 'adapt'],
  ['accommodate', 'adapt'],
  ['examine', 'inspect'],
  ['exhibit', 'show'],
] as const)
  (SETTLED as Record<string, readonly Pattern[]>)[lemma] = SETTLED[as] as readonly Pattern[]

export type Settled = { readonly level: Level | null; readonly alternatives: readonly Level[] }

/** Two other levels are offered at most: more would be no help (Cairn default). */
const MAX_ALTERNATIVES = 2

/**
 * The level of a verb with its object and clauses (`rest`, what stands behind the verb) and whether a "how well" is stated:
 * the first pattern that fits, else the likeliest with the others as alternatives.
 */
export function settle(entry: VerbEntry, rest: string, exact: boolean): Settled {
  const pattern = SETTLED[entry.lemma]?.find(([shape]) => shape.test(rest))
  const first = pattern?.[1] ?? entry.levels[0] ?? null
  const level = inDomain(first, rest, exact)
  if (level !== first || pattern || level === null) return { level, alternatives: [] }
  return { level, alternatives: entry.levels.slice(1, 1 + MAX_ALTERNATIVES) }
}

const DOES: ReadonlySet<Level | null> = new Set(['apply', 'manipulate', 'articulated', 'imitate'])

/** Doing with the hands or with symbols: the object says which; the manner says how far (Dave 1970). */
function inDomain(level: Level | null, rest: string, exact: boolean): Level | null {
  if (!DOES.has(level)) return level
  const hands = level !== 'apply'
  if (hands && ABSTRACT.test(rest)) return level === 'articulated' ? 'create' : 'apply'
  if (!hands && !BODILY.test(rest)) return level
  if (level === 'imitate' || level === 'articulated') return level
  if (/\bautomatic\w*|without thinking|effortless\w*|as second nature/i.test(rest)) return 'natural'
  if (/\b(?:after|following) the (?:teacher|trainer|demonstration|instructor)|demonstrated by\b/i.test(rest)) return 'imitate'
  return exact ? 'precise' : 'manipulate'
}
