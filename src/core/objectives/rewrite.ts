/** Other wordings of a statement: with a verb one can see, in the active voice, as two lines, at another level. */

import { capital } from '../blueprint/text'
import { inflectedEntry } from './lexicon'
import { openingEnd } from './openings'
import { readStatement, type Statement, type StatementVerb } from './statement'

const matchCase = (model: string, word: string): string => (/^\p{Lu}/u.test(model) ? capital(word) : word)
/** An acronym or a name keeps its capital in the middle of a line. */
const small = (text: string): string => (/^\p{Lu}(?:\p{Lu}|\P{L})/u.test(text) ? text : text.charAt(0).toLowerCase() + text.slice(1))

/** The statement with its flawed wording replaced: one for each verb or form that could stand instead, likeliest first. */
export function rewordings(text: string): readonly string[] {
  const statement = readStatement(text)
  const verb = statement.verbs.find((v) => !v.entry.observable)
  if (verb) return verb.entry.instead.map((v) => withVerb(text, verb, v))
  const flaw = statement.flaws[0]
  if (flaw?.code === 'teacher-centred') return fromTeaching(text)
  if (flaw?.code === 'passive') return fromPassive(text, statement)
  if (flaw?.code === 'task-not-result') return fromTask(text, flaw.span.end)
  if (flaw?.code === 'no-verb') return fromGerund(text)
  return []
}

/** The statement with another verb, in the person of its own. */
export function withVerb(text: string, verb: StatementVerb, word: string): string {
  const isThird = verb.text.toLowerCase() !== verb.entry.lemma && /s\b/.test(verb.text.split(' ')[0] ?? '') && !/s$/.test(verb.entry.lemma)
  return text.slice(0, verb.start) + matchCase(verb.text, isThird ? thirdPerson(word) : word) + text.slice(verb.end)
}
/** "identifies", "assesses", "names". */
const thirdPerson = (verb: string): string =>
  verb.replace(/^\S+/, (w) => (/[^aeiou]y$/.test(w) ? `${w.slice(0, -1)}ies` : /(?:s|x|z|ch|sh)$/.test(w) ? `${w}es` : `${w}s`))

/** What the teaching is about, as something to explain: the words behind "overview of", "about", "to" and the like. */
function fromTeaching(text: string): readonly string[] {
  const does = /\b(?:students?|learners?|participants?|trainees?|pupils?|you|them)\s+(?:to|how to)\s+(\p{L}.*)$/iu.exec(text)?.[1]
  if (does && readStatement(does).flaws.length === 0) return [capital(does)]
  const topic =
    /\b(?:(?:overview|introduction|foundation|grounding|basics)\s+(?:of|to|in)|introduced to|exposed to|about|covers?|look at|in|with|to)\s+(?:the )?(\p{L}[^.]*)/iu.exec(
      text.replace(/^\s*(?:in\s+)?(?:this|the|our)\s+\p{L}+/iu, ''),
    )?.[1]
  const bare = topic
    ?.replace(/^(?:an?\s+)?(?:overview|introduction|foundation|grounding|basics|knowledge|understanding)\s+(?:of|to|in)\s+(?:the\s+)?/i, '')
    .trim()
  return bare ? ['Explain', 'Describe', 'Apply'].map((v) => `${v} ${small(bare)}`) : []
}

/** "The budget is calculated": "Calculate the budget". */
function fromPassive(text: string, statement: Statement): readonly string[] {
  const [flaw] = statement.flaws
  const verb = statement.verbs[0]
  if (!flaw || !verb) return []
  const subject = text
    .slice(openingEnd(text).end, flaw.span.start)
    .replace(/\s+(?:will|can|should|must|may)\s*$/i, '')
    .trim()
  const rest = text.slice(flaw.span.end).replace(/^\s+by\s+(?:the\s+|each\s+)?\p{L}+/iu, '')
  return subject === '' ? [] : [`${capital(verb.entry.lemma)} ${small(subject)}${rest}`]
}

/** "Complete the quiz on infection control": what the task is about, as something to show. */
function fromTask(text: string, end: number): readonly string[] {
  const topic = /^\s+(?:on|about|covering|for)\s+(\p{L}[^.]*)/iu.exec(text.slice(end))?.[1]
  return topic ? ['Explain', 'Apply', 'Describe'].map((v) => `${v} ${topic.trim()}`) : []
}

/** "Working with maps": "Work with maps". */
function fromGerund(text: string): readonly string[] {
  const { end } = openingEnd(text)
  const word = /^(\p{L}+ing)\b/iu.exec(text.slice(end))?.[1]
  const entry = word ? inflectedEntry(word) : undefined
  return word && entry?.observable ? [text.slice(0, end) + matchCase(word, entry.lemma) + text.slice(end + word.length)] : []
}

/** A statement of two performances as two statements, or null. "Collect and interpret a sample": both get the object. */
export function splitPerformances(text: string): readonly [string, string] | null {
  const { verbs, flaws } = readStatement(text)
  const [first, second] = verbs
  if (!first || !second || !flaws.some((f) => f.code === 'double-performance')) return null
  const before = text.slice(0, first.start)
  const between = text.slice(first.end, second.start)
  const after = text.slice(second.end)
  const object = between
    .replace(/,?\s+(?:and|or|and\/or|&)\s+(?:then\s+|to\s+|also\s+)?(?:\p{L}+ly\s+)?$/iu, '')
    .replace(/^[\s,]+$|[,;]\s*(?:then\s*)?$/, '')
  const one = object.trim() === '' ? before + first.text + after : before + first.text + object
  return [one.trim().replace(/[.;,]?$/, ''), (before + matchCase(first.text, second.text.toLowerCase()) + after).trim()]
}

/** Parts of a statement for those who start from nothing; every part but the behaviour may be empty. */
export type StatementParts = {
  readonly audience: string
  readonly condition: string
  readonly behaviour: string
  readonly criterion: string
}

/** A statement built of its parts: "Given a map, learners will locate three wells within 5 m". Empty without a behaviour. */
export function buildStatement({ audience, condition, behaviour, criterion }: StatementParts): string {
  const [who, when, what, well] = [audience, condition, behaviour, criterion].map((part) => part.trim().replace(/[.,;]+$/, '')) as [
    string,
    string,
    string,
    string,
  ]
  if (what === '') return ''
  const main = who === '' ? what : `${small(who)} will ${small(what)}`
  return `${capital(when === '' ? main : `${when}, ${small(main)}`)}${well === '' ? '' : ` ${small(well)}`}`
}
