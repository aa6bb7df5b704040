/**
 * Reads an objective: its governing verbs, their level, and what is wrong with the wording. Position and our own lexicon
 * decide; nothing here knows English beyond that. Offsets are UTF-16 positions in the statement as given.
 */
import type { ThinkingLevel } from '../blueprint/kinds/outcome'
import { insteadOf, UNOBSERVABLE_PHRASES, type VerbEntry, verbEntry } from './lexicon'

export type Span = { readonly start: number; readonly end: number }
export type StatementVerb = Span & { readonly text: string; readonly entry: VerbEntry }
export type StatementFlaw = 'unobservable-verb' | 'no-verb' | 'double-performance' | 'too-long'

export type Statement = {
  readonly verbs: readonly StatementVerb[]
  /** The highest level among the governing verbs; null when none says. */
  readonly level: ThinkingLevel | null
  /** What stands before the verb and says under which conditions ("Given a calibrated probe,"). */
  readonly condition: Span | null
  readonly flaws: readonly { readonly code: StatementFlaw; readonly span: Span }[]
}

const LEVELS: readonly ThinkingLevel[] = ['remember', 'understand', 'apply', 'analyse', 'evaluate', 'create']
/** Words in the performance clause above which it is hard to keep in mind (Cairn default). */
export const MAX_WORDS = 30

const LEAD_IN =
  /^\s*(?:(?:by|at|upon|on|after)\s[^,]{0,80},\s*)?(?:(?:the\s+)?(?:learners?|students?|participants?|trainees?|you)\s+(?:will|should|can|must|are|is)\s+(?:be\s+)?(?:able\s+to\s+)?|(?:to\s+)?be\s+able\s+to\s+|to\s+)?/i
/** Pairs that name one performance: they could hardly be passed apart (Cairn default). */
const ONE_PERFORMANCE = new Set(
  [
    'compare contrast',
    'collect record',
    'measure record',
    'record report',
    'plan carry',
    'plan conduct',
    'identify describe',
    'name label',
    'read interpret',
    'select use',
    'choose use',
    'set run',
    'draw label',
    'assemble test',
    'plot interpret',
    'recommend defend',
    'recommend justify',
  ].map((p) => p.split(' ').sort().join(' ')),
)

const memo = new Map<string, Statement>()
/** Distinct statements kept; then the memory starts anew (Cairn default). */
const MEMO_LIMIT = 5000

/** Reads a statement. Kept by text, so that an analysis of the whole course reads each wording once. */
export function readStatement(text: string): Statement {
  const known = memo.get(text)
  if (known) return known
  if (memo.size >= MEMO_LIMIT) memo.clear()
  const read = analyse(text)
  memo.set(text, read)
  return read
}

function analyse(text: string): Statement {
  const from = LEAD_IN.exec(text)?.[0].length ?? 0
  const first = verbAt(text, from) ?? verbAfterCondition(text, from)
  const words = text.slice(first?.start ?? from).match(/[\p{L}\p{N}’'-]+/gu)?.length ?? 0
  const length = words > MAX_WORDS ? [{ code: 'too-long' as const, span: { start: from, end: text.length } }] : []
  if (!first) {
    const flaws = text.trim() === '' ? [] : [{ code: 'no-verb' as const, span: wordSpan(text, from) }, ...length]
    return { verbs: [], level: null, condition: null, flaws }
  }
  const second = first.entry.observable ? joinedVerb(text, first) : undefined
  const verbs = second ? [first, second] : [first]
  const levels = verbs.flatMap((v) => v.entry.level ?? [])
  const unobservable = verbs.filter((v) => !v.entry.observable)
  const pair = second && [first.entry.lemma, second.entry.lemma].sort().join(' ')
  return {
    verbs,
    level: levels.sort((a, b) => LEVELS.indexOf(b) - LEVELS.indexOf(a))[0] ?? null,
    condition: first.start > from ? { start: from, end: first.start } : null,
    flaws: [
      ...unobservable.map(({ start, end }) => ({ code: 'unobservable-verb' as const, span: { start, end } })),
      ...(pair && unobservable.length === 0 && !ONE_PERFORMANCE.has(pair)
        ? [{ code: 'double-performance' as const, span: { start: first.start, end: (second as StatementVerb).end } }]
        : []),
      ...length,
    ],
  }
}

function wordSpan(text: string, from: number): Span {
  const word = /\S+/.exec(text.slice(from))
  return word ? { start: from + word.index, end: from + word.index + word[0].length } : { start: 0, end: text.length }
}

/** The verb that stands right at an offset, an adverb before it allowed ("critically evaluate"). */
function verbAt(text: string, offset: number): StatementVerb | undefined {
  const rest = text.slice(offset)
  const lower = rest.toLowerCase()
  const phrase = UNOBSERVABLE_PHRASES.find((p) => lower.startsWith(p) && !/\p{L}/u.test(lower[p.length] ?? ''))
  if (phrase) {
    const entry = verbEntry(phrase)
    if (entry) return { start: offset, end: offset + phrase.length, text: rest.slice(0, phrase.length), entry }
  }
  const adverb = /^(?:\p{L}+ly|also|then)\s+/iu.exec(rest)?.[0].length ?? 0
  for (const skip of adverb ? [0, adverb] : [0]) {
    const word = /^[\p{L}-]+/u.exec(rest.slice(skip))?.[0]
    const entry = word && verbEntry(word)
    if (word && entry) return { start: offset + skip, end: offset + skip + word.length, text: word, entry }
  }
  return undefined
}

/** "Given a calibrated probe, measure ...": the verb after the first comma behind which one stands. */
function verbAfterCondition(text: string, from: number): StatementVerb | undefined {
  for (const comma of text.slice(from).matchAll(/[,:]\s+/g)) {
    const found = verbAt(text, from + comma.index + comma[0].length)
    if (found) return found
  }
  return undefined
}

/** A second governing verb: right after "and" (or "or"), and followed by an object, so that noun pairs do not count. */
function joinedVerb(text: string, first: StatementVerb): StatementVerb | undefined {
  for (const and of text.slice(first.end).matchAll(/(?:,)?\s+(?:and|or|and\/or|&)\s+(?:then\s+)?/gi)) {
    const at = first.end + and.index + and[0].length
    const found = verbAt(text, at)
    if (!found) continue
    const directly = text.slice(first.end, first.end + and.index).trim() === ''
    const object = /^\s+(?:the|a|an|its|their|it|them|how|why|what|which|at|on|each|two|three|your|one|whether|in|to|from|out)\b/i.test(
      text.slice(found.end),
    )
    if (directly || object) return found
  }
  return undefined
}

const matchCase = (model: string, word: string): string => (/^\p{Lu}/u.test(model) ? word.charAt(0).toUpperCase() + word.slice(1) : word)

/** The statement with its unobservable verb replaced: one wording for each verb that could stand instead. */
export function rewordings(text: string): readonly string[] {
  const statement = readStatement(text)
  const verb = statement.verbs.find((v) => !v.entry.observable)
  if (!verb) return []
  return insteadOf(verb.entry.lemma).map((v) => text.slice(0, verb.start) + matchCase(verb.text, v) + text.slice(verb.end))
}

/** A statement of two performances as two statements, or null. "Collect and interpret a sample": both get the object. */
export function splitPerformances(text: string): readonly [string, string] | null {
  const { verbs, flaws } = readStatement(text)
  const [first, second] = verbs
  if (!first || !second || !flaws.some((f) => f.code === 'double-performance')) return null
  const before = text.slice(0, first.start)
  const between = text.slice(first.end, second.start)
  const after = text.slice(second.end)
  const object = between.replace(/,?\s+(?:and|or|and\/or|&)\s+(?:then\s+)?$/i, '')
  const one = object.trim() === '' ? before + first.text + after : before + first.text + object
  return [one.trim().replace(/[.;,]?$/, ''), (before + matchCase(first.text, second.text) + after).trim()]
}
