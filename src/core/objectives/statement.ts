/**
 * Reads an objective: its governing verbs with their level, the conditions, how well, and what is wrong with the wording.
 * Our lexicon and the position of words decide; a tagger of parts of speech is asked only where they leave it open.
 * Offsets are UTF-16 positions in the statement as given.
 */
import type { Domain, Level, ThinkingLevel } from '../blueprint/kinds/levels'
import { domainOf, highestOf } from '../blueprint/kinds/levels'
import { type Clauses, clausesAfter, type Span, shownBy } from './clauses'
import { idiomLevel } from './idioms'
import { type Knowledge, knowledgeOf } from './knowledge'
import { ALSO_NOUNS, inflectedEntry, type VerbEntry, verbEntry } from './lexicon'
import { numberingEnd, openingEnd, opensObject, type StateOfMind, stateOfMindAt, taskAt, taskVerb, teacherCentred } from './openings'
import { settle } from './settle'
import { onTagger, tagger, type Weight } from './tagging'

export type { Span }
export type StatementVerb = Span & { readonly text: string; readonly entry: VerbEntry }
export const STATEMENT_FLAWS = [
  'unobservable-verb',
  'no-verb',
  'double-performance',
  'teacher-centred',
  'task-not-result',
  'passive',
  'too-long',
] as const
export type StatementFlaw = (typeof STATEMENT_FLAWS)[number]

/** Whether a line is rather a heading; perhaps where its words leave it open. */
export type Heading = 'yes' | 'perhaps' | 'no'
/** What the lines around a line are, where they are of one list. */
export type Around = 'verbs' | 'headings'

export type Statement = {
  /** Who does it, where the line says so. */
  readonly subject: Span | null
  readonly heading: Heading
  /** The governing verbs in the order they stand. */
  readonly verbs: readonly StatementVerb[]
  /** The highest level among the governing verbs, within its learning domain; null when none says. */
  readonly level: Level | null
  readonly domain: Domain | null
  /** Levels it might be instead, two at most; empty where verb and object settle it. */
  readonly alternatives: readonly Level[]
  readonly uncertain: boolean
  readonly object: Span | null
  /** Under which conditions: "Given a calibrated probe", "without notes". */
  readonly conditions: readonly Span[]
  /** How well: "within 5 %". */
  readonly criteria: readonly Span[]
  /** To which end: "to judge its quality". */
  readonly aim: Span | null
  readonly knowledge: Knowledge | null
  readonly flaws: readonly { readonly code: StatementFlaw; readonly span: Span }[]
}

/** Words in the performance above which it is hard to keep in mind (Cairn default). */
export const MAX_WORDS = 30

/** Pairs that name one performance: they could hardly be passed apart (Cairn default). */
const ONE_PERFORMANCE = new Set(
  (
    'compare contrast,collect record,measure record,gather record,observe record,record report,plan carry,plan conduct,plan run,identify describe,' +
    'name label,identify label,read interpret,select use,choose use,select apply,choose apply,set run,draw label,assemble test,plot interpret,' +
    'recommend defend,recommend justify,select justify,choose justify,choose defend,propose justify,propose defend,locate describe,install test,' +
    'install configure,design conduct,collect analyse,find fix,detect correct,diagnose repair,prepare present,weigh mix,cut join,collect organise,' +
    'write present,read summarise,draft revise,search retrieve,find use,mix pour,measure mark'
  )
    .split(',')
    .map((p) => p.split(' ').sort().join(' ')),
)
/** Verbs whose work on "its ..." or "whether ..." closes the first performance rather than opening another (Cairn default). */
const CLOSING = new Set(
  'decide judge record report check conclude state say justify defend locate find choose recommend select determine set verify support note log document'.split(
    ' ',
  ),
)
/** Performances that are only the means when an infinitive follows. */
const LIGHT = new Set(['use', 'apply', 'employ', 'utilise', 'perform', 'demonstrate', 'show'])

const memo = new Map<string, Statement>()
/** Distinct statements kept; then the memory starts anew (Cairn default). */
const MEMO_LIMIT = 5000
onTagger(() => memo.clear())

/**
 * Reads a statement. Kept by text, so that an analysis of the whole course reads each wording once. `around` is what the lines of its
 * list are: it settles a line that may be a heading.
 */
export function readStatement(text: string, around: Around | null = null): Statement {
  const key = around === null ? text : `${around}\n${text}`
  const known = memo.get(key)
  if (known) return known
  if (memo.size >= MEMO_LIMIT) memo.clear()
  lean = around === 'verbs' ? -OPEN : around === 'headings' ? OPEN : 0
  const read = withHeading(text, analyse(text), around)
  memo.set(key, read)
  return read
}

/** Within this of zero, what stands first may be a verb or a noun (Cairn default). */
const OPEN = 1
/** What a word must score to be a verb where it stands first: less among verbs, more among headings. */
let lean = 0
const isVerbFirst = (text: string, word: Span): boolean =>
  verbEntry(text.slice(word.start, word.end))?.isTaught === true || (tagger?.score(text, word)?.sum ?? -OPEN * 2) > lean

/** What decided whether the first word is a verb; empty where nothing was weighed. */
export function weightsOf(text: string): readonly Weight[] {
  const first = wordAt(text, numberingEnd(text))
  return (first && tagger?.score(text, first)?.why) || []
}

function withHeading(text: string, read: Statement, around: Around | null): Statement {
  const begin = numberingEnd(text)
  const first = wordAt(text, begin)
  const subject = read.subject ?? subjectIn(text, read)
  const isNone = read.flaws.some((f) => f.code === 'no-verb')
  const startsWithVerb = first !== null && read.verbs[0]?.start === first.start
  if (!first || !tagger || (!isNone && !startsWithVerb)) return { ...read, subject, heading: isNone ? 'yes' : 'no' }
  const sum = tagger.score(text, first)?.sum ?? null
  const isOpen = sum !== null && Math.abs(sum) < OPEN && around === null
  const heading = isOpen ? 'perhaps' : isNone ? 'yes' : 'no'
  return { ...read, subject, heading, uncertain: read.uncertain || (isOpen && !isNone) }
}

const LEARNERS =
  /^(?:(?:by|at|on|upon|after|in)\b[^,]{0,100},\s*)?((?:(?:the|all|each|every|our)\s+)?(?:successful\s+)?(?:learners?|students?|participants?|trainees?|candidates?|graduates?|apprentices?|pupils?|you|they|I|we))\s/i
/** The words for who does it: before the verb, or before "can". */
function subjectIn(text: string, read: Statement): Span | null {
  const begin = numberingEnd(text)
  const found = tagger?.opening(text, begin)?.subject ?? null
  if (found && read.verbs.some((v) => v.start >= found.end)) return found
  const named = LEARNERS.exec(text.slice(begin))
  const start = named ? begin + named[0].length - (named[1] as string).length - 1 : 0
  const isBefore = read.verbs[0] === undefined || read.verbs[0].start > start
  return named?.[1] && isBefore ? { start, end: start + named[1].length } : null
}

const NO_CLAUSES: Clauses = { conditions: [], criteria: [], aim: null, objectEnd: 0 }
const empty = (flaws: Statement['flaws']): Statement => ({
  subject: null,
  heading: 'no',
  verbs: [],
  level: null,
  domain: null,
  alternatives: [],
  uncertain: flaws.length > 0,
  object: null,
  conditions: [],
  criteria: [],
  aim: null,
  knowledge: null,
  flaws,
})

const firstLetter = (text: string): number => Math.max(0, text.search(/\p{L}/u))
const wordAt = (text: string, offset: number): Span | null => {
  const found = /^[^\p{L}]{0,3}([\p{L}][\p{L}’'-]*)/u.exec(text.slice(offset))
  return found?.[1] ? { start: offset + found[0].length - found[1].length, end: offset + found[0].length } : null
}

function analyse(text: string): Statement {
  if (text.trim() === '') return { ...empty([]), uncertain: false }
  if (!/\p{L}/u.test(text)) return empty([{ code: 'no-verb', span: { start: 0, end: text.length } }])
  const { end: from, third, teacher } = openingOf(text)
  const about = tagger?.teaching(text, numberingEnd(text)) ?? teacher ?? teacherCentred(text)
  if (about) return aboutTeaching(text, about)
  const lexicalState = stateOfMindAt(text, from)
  const task = lexicalState ? null : (taskAt(text, from) ?? taskIn(text, from, third))
  const state = lexicalState ?? (task ? null : mindIn(text, from))
  if (state) {
    const shown = shownBy(text, state.end)
    const entry = shown ? inflectedEntry(shown.word) : undefined
    if (shown && entry) return assembled(text, [{ start: shown.start, end: shown.end, text: shown.word, entry }])
    const words = text.slice(state.start, state.end)
    const unseen = stateEntry(words, state)
    return assembled(text, [{ start: state.start, end: state.end, text: words, entry: unseen }])
  }
  if (task) {
    const one = taskVerb(text, task)
    const at = { ...one, end: tagger?.verbEnd(text, one, text.slice(one.start, one.end).toLowerCase()) ?? one.end }
    const words = text.slice(at.start, at.end)
    const entry = verbEntry(words) ?? { lemma: words.toLowerCase(), levels: [], observable: true, instead: [] }
    const read = assembled(text, [{ ...at, text: words, entry }])
    return {
      ...read,
      level: null,
      domain: null,
      alternatives: [],
      uncertain: false,
      knowledge: null,
      conditions: [],
      criteria: [],
      aim: null,
      flaws: [{ code: 'task-not-result', span: task }],
    }
  }
  const first = verbAt(text, from, third) ?? verbAfterCondition(text, from)
  if (first) return assembled(text, governing(text, first), leading(text, from, first))
  const passive = passiveOf(text)
  if (passive) return assembled(text, [passive.verb], [], [{ code: 'passive', span: passive.span }])
  const words = wordCount(text.slice(from))
  return empty([
    { code: 'no-verb', span: wordSpan(text, from) },
    ...(words > MAX_WORDS ? [{ code: 'too-long' as const, span: { start: from, end: text.length } }] : []),
  ])
}

/** A line about the course: its verb is shown, and has no level. */
function aboutTeaching(text: string, about: Span & { readonly verb?: Span | null }): Statement {
  const single = about.verb ? text.slice(about.verb.start, about.verb.end) : ''
  const lemma = (verbEntry(single) ?? inflectedEntry(single))?.lemma ?? tagger?.verb(single)?.lemma ?? single
  const end = about.verb && tagger ? tagger.verbEnd(text, about.verb, lemma) : about.verb?.end
  const words = about.verb ? text.slice(about.verb.start, end) : ''
  const entry = verbEntry(words) ?? inflectedEntry(words) ?? unknown(words)
  const verbs = about.verb ? [{ start: about.verb.start, end: end ?? about.verb.end, text: words, entry: { ...entry, levels: [] } }] : []
  return { ...empty([{ code: 'teacher-centred', span: { start: about.start, end: about.end } }]), verbs, uncertain: false }
}

/** A task by the kind of its words. */
function taskIn(text: string, from: number, third: boolean): Span | null {
  const end = tagger?.taskEnd(text, from, third) ?? null
  return end === null ? null : { start: from, end }
}

/** A state of mind by the kind of its words; what to write instead is not known then. */
function mindIn(text: string, from: number): StateOfMind | null {
  const end = tagger?.mindEnd(text, from) ?? null
  // "Love and loss in the sonnets" begins with a noun.
  const first = wordAt(text, from)
  const isNoun = first !== null && from === firstLetter(text) && end !== null && end <= first.end + 1 && !isVerbFirst(text, first)
  return end === null || isNoun ? null : { start: from, end, instead: ['explain', 'describe', 'summarise'], meant: 'understand' }
}

/** Where the statement itself begins: by its words, else by who does it. */
function openingOf(text: string): {
  readonly end: number
  readonly third: boolean
  readonly teacher?: Span & { readonly verb: Span | null }
} {
  const lexical = openingEnd(text)
  const begin = numberingEnd(text)
  const first = wordAt(text, begin)
  // "Trainee teachers time an activity" is about teachers; a verb that stands first has nobody before it.
  if (!tagger || !first || (lexical.end > begin && !lexical.third)) return lexical
  const found = tagger.opening(text, begin)
  const words = text.slice(first.start, first.end)
  if (!found?.isLed && isVerbFirst(text, first)) return { end: begin, third: /s$/i.test(words) && !verbEntry(words) }
  if (!found) return lexical
  return found.isTeacher ? { ...lexical, teacher: { start: begin, end: found.end, verb: found.verb } } : found
}

/** The conditions before the performance: "Given a map,", and what a light verb works with ("Use a model to"). */
function leading(text: string, from: number, first: StatementVerb): readonly Span[] {
  const main = performanceOf(text, first)
  const fronted = tagger?.fronted(text, from)
  const end = fronted && fronted.start === first.start ? fronted.conditionEnd : first.start
  const before = /^\s*(?:\p{L}+ly|also|then)?\s*$/iu.test(text.slice(from, end)) ? [] : [spanUpTo(text, from, end)]
  return main === first ? before : [...before, spanUpTo(text, first.start, main.start)]
}
const spanUpTo = (text: string, start: number, end: number): Span => ({
  start,
  end: start + text.slice(start, end).replace(/[\s,:]*(?:\s(?:in order )?to\s*)?$/i, '').length,
})

function assembled(text: string, verbs: readonly StatementVerb[], lead: readonly Span[] = [], more: Statement['flaws'] = []): Statement {
  const first = verbs[0] as StatementVerb
  const last = verbs.at(-1) as StatementVerb
  const unseen = verbs.filter((v) => !v.entry.observable)
  const together = chained(text, verbs)
  const behind = together ? last.end : first.end
  const others = together ? [] : verbs.slice(1).map((v) => v.start)
  const clauses =
    more.length > 0
      ? NO_CLAUSES
      : (tagger?.adjuncts(text, behind, first.entry.lemma, others) ?? clausesAfter(text, behind, first.entry.lemma))
  const isWell = (span: Span): boolean => tagger?.isHowWell(text.slice(span.start, span.end)) ?? false
  const conditions = [...lead.filter((span) => !isWell(span)), ...clauses.conditions]
  const criteria = [...lead.filter(isWell), ...clauses.criteria]
  const settled = verbs.map((v) => {
    if (v.entry.isTaught) return { level: v.entry.levels[0] ?? null, alternatives: [], isGuess: false }
    const idiom = idiomLevel(v.entry.lemma, text.slice(v.start + (/^\S+/.exec(v.text)?.[0].length ?? 0)))
    return idiom && v.entry.observable
      ? { level: idiom, alternatives: [], isGuess: false }
      : { ...settle(v.entry, text.slice(v.end), criteria.length > 0), isGuess: v.entry.guessed === true && !isHandled(text, v) }
  })
  const level = highestOf(settled.flatMap((s) => s.level ?? []))
  const alternatives = settled.find((s) => s.level === level)?.alternatives ?? []
  const object =
    clauses.objectEnd > last.end ? { start: last.end + (/^\s*/.exec(text.slice(last.end))?.[0].length ?? 0), end: clauses.objectEnd } : null
  const pairs = verbs.slice(1).some((v, i) => {
    const before = verbs[i] as StatementVerb
    const isOne = ONE_PERFORMANCE.has([before.entry.lemma, v.entry.lemma].sort().join(' '))
    return !isOne && (before.entry.observable || v.entry.observable)
  })
  const long = wordCount(text.slice(first.start)) - clauses.conditions.reduce((n, c) => n + wordCount(text.slice(c.start, c.end)), 0)
  return {
    subject: null,
    heading: 'no',
    verbs,
    level,
    domain: level && domainOf(level),
    alternatives,
    uncertain: level === null || alternatives.length > 0 || settled.some((s) => s.isGuess),
    object,
    conditions,
    criteria,
    aim: clauses.aim,
    knowledge: unseen.length > 0 && level === null ? null : knowledgeOf(level, object ? text.slice(object.start, object.end) : ''),
    flaws: [
      ...unseen.map(({ start, end }) => ({ code: 'unobservable-verb' as const, span: { start, end } })),
      ...(pairs ? [{ code: 'double-performance' as const, span: { start: first.start, end: last.end } }] : []),
      ...more,
      ...(long > MAX_WORDS ? [{ code: 'too-long' as const, span: { start: first.start, end: text.trimEnd().length } }] : []),
    ],
  }
}

/** What is done to a thing that one can take is done with the hands, whatever the verb. */
const isHandled = (text: string, verb: StatementVerb): boolean => verb.entry.observable && (tagger?.isThing(text, verb.end) ?? false)

const stateEntry = (words: string, state: StateOfMind): VerbEntry => ({
  lemma: words.toLowerCase(),
  levels: [state.meant],
  observable: false,
  instead: state.instead,
  guessed: true,
})

const wordCount = (text: string): number => text.match(/[\p{L}\p{N}’'-]+/gu)?.length ?? 0

function wordSpan(text: string, from: number): Span {
  const word = /\S+/.exec(text.slice(from))
  return word ? { start: from + word.index, end: from + word.index + word[0].length } : { start: 0, end: text.length }
}

const entryOf = (text: string, word: Span, third: boolean): VerbEntry | undefined => {
  const words = text.slice(word.start, word.end)
  return verbEntry(words) ?? (third && /(?:s|ing)$/i.test(words) ? inflectedEntry(words) : undefined)
}

/** An unknown word may be a verb: of plausible form, first in its line, with more behind it. */
function mayBeVerb(text: string, word: Span, afterLeadIn?: boolean): boolean {
  const words = text.slice(word.start, word.end)
  if (!/^[\p{L}-]{2,}$/u.test(words) || /^\s*$/.test(text.slice(word.end)) || /^\s*[:,?]/.test(text.slice(word.end))) return false
  if (NEVER_VERBS.has(words.toLowerCase())) return false
  if (afterLeadIn !== undefined) return afterLeadIn ? /s$/i.test(words) : true
  return !/(?:ing|tion|sion|ment|ness|ity|ship|ism|ology|ance|ence|s|ed|al|ous|ic|ly)$/i.test(words)
}
const NEVER_VERBS = new Set(
  'the a an this that these those what why how who when where which is are was were it its they he she i we you your their our my and or but of in on at for with without by from to as if not no yes there here one two three week module unit chapter lesson part page course day introduction overview due see note some all each every many most more very basic advanced new old given using working'.split(
    ' ',
  ),
)

/** The verb that stands right at an offset, an adverb before it allowed ("critically evaluate"). */
function verbAt(text: string, offset: number, third = false): StatementVerb | undefined {
  const rest = text.slice(offset)
  const adverb = /^(?:\p{L}+ly|also|then)\s+(?:and\s+\p{L}+ly\s+)?/iu.exec(rest)?.[0].length ?? 0
  for (const skip of adverb ? [0, adverb] : [0]) {
    const word = wordAt(text, offset + skip)
    if (!word) continue
    const entry = entryOf(text, word, third)
    const words = text.slice(word.start, word.end)
    const behind = text.slice(word.end)
    const initial = word.start === firstLetter(text)
    if (entry) {
      if (initial && tagger && !isVerbFirst(text, word)) continue
      if (/^\s*[:?]/.test(behind)) continue
      return { ...word, text: words, entry }
    }
    const lead = word.start > firstLetter(text)
    if (skip === 0 && !adverb && (lead ? mayBeVerb(text, word, third) : mayStandFirst(text, word, behind)))
      return { ...word, text: words, entry: unknown(words) }
  }
  return undefined
}
/** Whether an unknown word is a verb first in its line: by the table of words, else by its form and an article behind it. */
const mayStandFirst = (text: string, word: Span, behind: string): boolean =>
  tagger ? isVerbFirst(text, word) : mayBeVerb(text, word) && opensArticle(behind)
/**
 * A verb that the lexicon does not have: most are the doings of a trade. Where the table of words says that it mostly names what is seen,
 * its level stands; else it is a guess and marked so.
 */
function unknown(word: string): VerbEntry {
  const found = tagger?.verb(word) ?? null
  return { lemma: found?.lemma ?? word.toLowerCase(), levels: ['apply'], observable: true, instead: [], guessed: found?.isDoing !== true }
}
/** An article or a number right behind an unknown first word makes it a verb: "Decant the wine". */
const opensArticle = (text: string): boolean =>
  /^\s+(?:the|an?|your|their|its|his|her|each|every|two|three|four|five|how|why|whether)\s/i.test(text)

/** "Given a calibrated probe, measure ...": the verb after the first comma behind which one stands. */
function verbAfterCondition(text: string, from: number): StatementVerb | undefined {
  if (tagger) {
    const found = tagger.fronted(text, from)
    const word = found && wordAt(text, found.start)
    const words = word ? text.slice(word.start, word.end) : ''
    const state = found && stateOfMindAt(text, found.start)
    if (state) return { ...state, text: text.slice(state.start, state.end), entry: stateEntry(text.slice(state.start, state.end), state) }
    if (word) return { ...word, text: words, entry: entryOf(text, word, found.third) ?? unknown(words) }
  }
  const commas = [...text.slice(from).matchAll(/[,:]\s+/g)]
  for (const [i, comma] of commas.entries()) {
    const at = from + comma.index + comma[0].length
    const state = stateOfMindAt(text, at)
    if (state) {
      const words = text.slice(state.start, state.end)
      return { ...state, text: words, entry: stateEntry(words, state) }
    }
    const found = verbAt(text, at)
    // "Minerals, rocks and soils": without a condition before it, a word after a comma is one of a list.
    if (
      found &&
      (known(found) || i === commas.length - 1) &&
      conditional(text, from) &&
      (!ALSO_NOUNS.has(found.entry.lemma) || opensObject(text.slice(found.end)) || i === commas.length - 1)
    )
      return found
  }
  return undefined
}
const conditional = (text: string, from: number): boolean =>
  /^\s*(?:given|provided|using|with|without|from|in|on|when|while|after|before|during|working|under|based|following|as|having|at|by|through|for|if)\b/i.test(
    text.slice(from),
  ) || /^\s*(?:[\p{L} ]{0,40}):\s/u.test(text.slice(from))

/** All governing verbs, from the first: through light verbs to the infinitive, through "and" to the next. */
function governing(text: string, first: StatementVerb): readonly StatementVerb[] {
  const main = withParticle(text, performanceOf(text, first))
  const verbs = [main]
  for (let next = nextVerb(text, main); next && verbs.length < 4; next = nextVerb(text, next)) verbs.push(next)
  return verbs
}

/** The performance of a light verb is the infinitive behind it. */
const performanceOf = (text: string, first: StatementVerb): StatementVerb =>
  LIGHT.has(first.entry.lemma) ? (infinitiveAfter(text, first) ?? first) : first

/** "Use a model to explain flow": explain. */
function infinitiveAfter(text: string, light: StatementVerb): StatementVerb | undefined {
  for (const to of text.slice(light.end).matchAll(/(?<!\b(?:how|what|when|where|whether|which))\s(?:in order )?to\s+/gi)) {
    const at = light.end + to.index + to[0].length
    const found = verbAt(text, at)
    if (!found?.entry.observable) continue
    const behind = text.slice(found.end)
    // What is used is used for something: "use a sheet to forecast costs". What is applied may be applied to a thing.
    const used = light.entry.lemma !== 'apply' && /^\s+(?!(?:of|in|for|and|or|on|with|by)\b)\p{L}/iu.test(behind)
    if (!ALSO_NOUNS.has(found.entry.lemma) || used || opensObject(behind)) return found
  }
  return undefined
}

/** Where the main clause ends: what follows belongs to a condition, an aim or a relative clause. */
const SUBORDINATE =
  /\s(?:that|which|who|whose|so that|by \p{L}+ing|(?:how|whether|what|when|where) to|in order to|when|while|if|given|using)\s/iu

/** A further governing verb: right behind the last, or after "and" with an object of its own. */
function nextVerb(text: string, last: StatementVerb): StatementVerb | undefined {
  if (tagger) {
    const found = tagger.joined(text, last.end, last.entry.lemma, isThird(last))
    const words = found && text.slice(found.start, found.end)
    return found && words
      ? withParticle(text, { ...found, text: words, entry: verbEntry(words) ?? inflectedEntry(words) ?? unknown(words) })
      : undefined
  }
  const chain = /^(?:\s*,\s*(?:and|or|then)?\s*|\s+(?:and|or|and\/or|&|then|and then)\s+)/i.exec(text.slice(last.end))
  const third = isThird(last)
  const direct = chain && verbAt(text, last.end + chain[0].length, third)
  if (direct && known(direct) && !(ALSO_NOUNS.has(direct.entry.lemma) && /^\s*(?:$|[.,;])/.test(text.slice(direct.end)))) return direct
  const clause = text.slice(last.end)
  const limit = SUBORDINATE.exec(clause)?.index ?? clause.length
  const aim = clausesAfter(text, last.end, last.entry.lemma).aim
  for (const and of clause.matchAll(/\s*,?\s+(?:and|or|and\/or|&)\s+(?:then\s+|to\s+|also\s+)?|\s*[,;]\s+then\s+/gi)) {
    if (and.index > limit || (aim && last.end + and.index > aim.start)) return undefined
    const found = verbAt(text, last.end + and.index + and[0].length, third)
    if (!found) continue
    const behind = text.slice(found.end)
    if (!known(found)) continue
    if (/^\s*(?:$|[.,;])/.test(behind)) continue
    if (ALSO_NOUNS.has(found.entry.lemma) && !opensObject(behind)) continue
    if (dependent(found, behind)) return undefined
    return found
  }
  return undefined
}
/** "shapes a loaf": in the form that goes with somebody who does it. */
const isThird = ({ text }: StatementVerb): boolean => {
  const [word = ''] = text.split(' ')
  return /s$/i.test(word) && verbEntry(word) === undefined
}
/** "Work out" is one verb. */
function withParticle(text: string, verb: StatementVerb): StatementVerb {
  const end = tagger && verb.entry.observable ? tagger.verbEnd(text, verb, verb.entry.lemma) : verb.end
  return end === verb.end ? verb : { ...verb, end, text: text.slice(verb.start, end) }
}
const known = (verb: StatementVerb): boolean => !verb.entry.observable || (verb.entry.guessed !== true && verb.entry.levels.length > 0)

/** Whether a second verb only closes the first performance: "and justify it", "and decide whether it passes". */
const dependent = (verb: StatementVerb, behind: string): boolean =>
  /^\s+(?:it|them|one|each other|what happens)\b/i.test(behind) ||
  (CLOSING.has(verb.entry.lemma) &&
    /^\s+(?:its|their|whether|what|which|why|how|your|the (?:choice|decision|results?|answers?|outcome|findings)|one|on|if)\b/i.test(
      behind,
    ))

/** Whether the verbs stand right beside one another and share their object. */
const chained = (text: string, verbs: readonly StatementVerb[]): boolean =>
  verbs
    .slice(1)
    .every((v, i) =>
      /^[\s,]*(?:and|or|&|then|and\/or)?[\s,]*(?:then\s)?(?:\p{L}+ly\s)?$/iu.test(text.slice((verbs[i] as StatementVerb).end, v.start)),
    )

/** "The effects are explained": a participle after a form of "to be", where no active verb governs. */
function passiveOf(text: string): { readonly verb: StatementVerb; readonly span: Span } | null {
  const found =
    /\b(?:is|are|was|were|be|been|being|gets?)\s+(?:\p{L}+ly\s+)?(\p{L}+(?:ed|en|n|t|ne|wn|ung|ut|ught))\b/iu.exec(text) ??
    (tagger &&
      /\b(?:is|are|was|were)\s+(?:\p{L}+ly\s+)?(read|put|set|cut|hung|made|held|kept|laid|led|sold|said|shed|spread|split|found|bound|ground|wound)\b/iu.exec(
        text,
      ))
  if (!found?.[1]) return null
  const entry = inflectedEntry(found[1]) ?? (tagger?.isParticiple(found[1]) ? unknown(found[1]) : undefined)
  if (!entry || /\?\s*$/.test(text)) return null
  const end = found.index + found[0].length
  return { verb: { start: end - found[1].length, end, text: found[1], entry }, span: { start: found.index, end } }
}

/** The level on the six-step scale of thinking, also for skills of the hand, which put into practice what is known; null for attitudes. */
export const thinkingLevel = (level: Level | null): ThinkingLevel | null =>
  level === null ? null : domainOf(level) === 'cognitive' ? (level as ThinkingLevel) : domainOf(level) === 'psychomotor' ? 'apply' : null
