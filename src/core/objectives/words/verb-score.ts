/**
 * How much a word that stands where the performance should looks like a verb there: the sum of what speaks for and against it. Above
 * zero it is one. Weights were tried on labelled lines of a hundred trades.
 */
import {
  ABOUT_OTHERS,
  ADVERBS,
  AUXILIARIES,
  DETERMINERS,
  JOINING,
  NEVER_VERBS,
  NUMBERS,
  OF_OBJECTIVES,
  PARTICLES,
  POSSESSIVES,
  PREPOSITIONS,
  PRONOUNS,
  QUESTION_WORDS,
} from './closed'
import type { Form, Forms, VerbForm } from './forms'

/** What speaks for a verb (above zero) or against one, by how much, and why. */
export const WEIGHTS = {
  'nothing but a verb': [1.5, 'it has no other reading in the table'],
  'behind a lead-in': [4.5, 'a lead-in asks for a verb'],
  'behind its subject': [1.8, 'somebody who does it stands before it'],
  'a verb of objectives': [1.3, 'some verbs begin objectives far oftener than headings'],
  'last in the line': [-2, 'a word that may be a noun, with nothing behind it, names something'],
  'verb last in the line': [-0.5, 'a performance has an object as a rule'],
  'before a colon': [-4, 'what stands before a colon is a label'],
  'before a comma': [-1.8, 'a verb goes on to its object'],
  'before another verb in a row': [0.3, '"plan, run and record": verbs in a row'],
  'before an article': [3, 'an article opens the object of a verb'],
  'in no list, before an article': [1, 'nouns that no list has are rare there'],
  'before a number': [2.2, 'so does a number'],
  'before a form of "to be"': [-4, '"finds are washed": what is done to something'],
  'before "of"': [-5, '"of" follows a noun'],
  'before its particle': [2.2, '"point out" is a verb of two words'],
  'before a preposition': [-0.7, 'prepositions follow nouns as a rule'],
  'verb before a preposition': [0.6, 'a word that is no noun may be followed by one'],
  'before an adverb': [0.8, 'adverbs follow verbs'],
  'before a plural': [0.7, 'a plural needs no article and may be an object'],
  'before an adjective': [0.8, 'an adjective opens the object'],
  'before a noun': [-0.9, 'a noun before a noun makes one name of both'],
  'before food or a substance': [0.6, '"temper chocolate": what is not counted has no article'],
  'verb before a noun': [0.2, 'a word that is no noun takes the next as its object'],
  'before a capital': [0.5, 'a name may be the object'],
  'before "and" and a verb with an object': [2.2, '"collect and label the samples"'],
  'before "and"': [-1.8, '"cause and effect": nouns come in pairs'],
  'third person': [-0.4, 'a form in -s is as often a plural'],
  'an article further on': [1, 'sentences have articles, headings few'],
  'a manner further on': [0.6, '"with", "using", "within" tell how something is done'],
  'a measure further on': [1.6, '"at least", "no more than" tell how well'],
  'by hand': [1.7, '"by hand", "by ear" tell how something is done'],
  'an adverb further on': [0.6, 'adverbs tell how something is done'],
  'a full stop': [0.3, 'sentences end in one'],
  'written as a title': [-2.5, 'Words With Capitals are a heading'],
  'nothing but verbs': [-4, '"Plan, do, check": a slogan'],
  'a pair and no more': [-3, '"trial and error"'],
  'for people': [-1.6, '"Care plans for patients" is a heading'],
  'bare, before an adjective': [3, '"draft clear instructions": only a verb comes before it'],
  'bare, nouns behind a known verb': [2.6, 'three nouns in a row are a verb and a compound as a rule'],
  'bare, second about others': [-1.4, '"model types": the second says that the first is a name'],
  'bare, last about others': [-1.8, '"water management systems" is a heading'],
  'bare, a thing to handle': [1.6, '"fold napkins": a verb of the hand and a thing'],
  'bare, a plural behind a known verb': [0.5, '"list causes"'],
  'bare, a plural': [-1.2, '"sample sizes"'],
  'bare, a single noun': [-1.5, '"market share": a verb would have an article'],
} as const satisfies Record<string, readonly [by: number, why: string]>
export type WeightName = keyof typeof WEIGHTS

export type Token = {
  readonly text: string
  /** In small letters. */
  readonly lower: string
  readonly isSign: boolean
  /** Where it begins in the text. */
  readonly start: number
}
export type Score = { readonly sum: number; readonly lemma: string; readonly form: Form; readonly reasons: readonly WeightName[] }

/** Tokens: words with their hyphens and apostrophes, and each other sign. */
export const tokensOf = (text: string): Token[] =>
  [...text.matchAll(/[\p{L}\p{N}]+(?:['’\-/.][\p{L}\p{N}]+)*['’]?|[^\s\p{L}\p{N}]/gu)].map(({ 0: word, index }) => ({
    start: index,
    text: word,
    lower: word.toLowerCase().replace(/’/g, "'"),
    isSign: !/[\p{L}\p{N}]/u.test(word),
  }))

/** Files of things that one takes in the hand or handles: artifact, food, plant, animal, body, object, substance. */
export const THINGS = new Set([6, 13, 20, 5, 8, 17, 27])
/** Files of verbs of the hand: body, change, contact, consumption, creation, motion, possession. */
const HANDLING = new Set([29, 30, 34, 35, 36, 38, 40])
/** Files of nouns that need no article: food, substance, state, feeling, phenomenon, act of speaking. */
const MASS = new Set([13, 27, 26, 12, 22, 19])
const SUBSTANCES = new Set([13, 27])
/** How far the balance of readings may go either way (Cairn default). */
const MOST_BALANCE = 2.5

/** Where a word stands: at the very beginning of a line, behind a lead-in, behind the subject of its sentence, or joined to another verb. */
export type Place = 'first' | 'lead' | 'subject' | 'joined'

/**
 * Scores the first of the tokens as a verb where it stands, in one of these forms: as a rule its base form, and first in a line the third
 * person too. Null where it can be none.
 */
export function scoreVerb(tokens: readonly Token[], forms: Forms, place: Place, of: readonly Form[] = OF_PLACE[place]): Score | null {
  const [first, next] = tokens
  if (!first || first.isSign || NEVER_VERBS.has(first.lower)) return null
  const [best] = forms
    .verbsOf(first.lower)
    .filter((f) => of.includes(f.form))
    .toSorted((a, b) => b.weight - a.weight)
  if (!best) return unlisted(tokens, forms, of)
  const reasons: WeightName[] = []
  const noun = forms.nounOf(first.lower)
  const adjective = best.form === 'base' ? (forms.words.get(first.lower)?.adjective ?? 0) : 0
  const others = (noun?.word.noun ?? 0) + adjective
  const balance = Math.max(-MOST_BALANCE, Math.min(MOST_BALANCE, 0.8 * Math.log((best.weight + 0.5) / (others + 0.5))))
  const seen: Seen = { tokens, forms, best, isNoun: noun !== null, isPure: !noun && adjective === 0, add: (name) => reasons.push(name) }
  if (seen.isPure) reasons.push('nothing but a verb')
  if (best.form === 's' && place === 'first') reasons.push('third person')
  if (place === 'lead') reasons.push('behind a lead-in')
  if (place === 'subject') reasons.push('behind its subject')
  if (OF_OBJECTIVES.has(best.lemma)) reasons.push('a verb of objectives')
  byNext(seen, next)
  if (place === 'first') byRest(seen)
  return { sum: reasons.reduce((sum, name) => sum + WEIGHTS[name][0], balance), lemma: best.lemma, form: best.form, reasons }
}

/** A word that no list has, before an article or a number: it can only be a verb of some trade. */
function unlisted([first, next]: readonly Token[], forms: Forms, of: readonly Form[]): Score | null {
  const lower = first?.lower ?? ''
  const form = /[^s]s$/.test(lower) ? 's' : 'base'
  const isOpen = next !== undefined && !next.isSign && (opensObject(next) || isNumber(next))
  const isName =
    forms.nounOf(lower) !== null || forms.words.get(lower) !== undefined || /(?:ing|tion|ment|ness|ity|ly|ed|ism|ology)s?$/.test(lower)
  if (!isOpen || isName || !of.includes(form) || !/^[a-z][a-z-]{2,}$/.test(lower) || PREPOSITIONS.has(lower)) return null
  const name = 'in no list, before an article'
  return { sum: WEIGHTS[name][0], lemma: lower.replace(/s$/, ''), form, reasons: [name] }
}

const OF_PLACE: Readonly<Record<Place, readonly Form[]>> = {
  first: ['base', 's'],
  lead: ['base'],
  subject: ['base', 's'],
  joined: ['base'],
}

type Seen = {
  readonly tokens: readonly Token[]
  readonly forms: Forms
  readonly best: VerbForm
  readonly isNoun: boolean
  readonly isPure: boolean
  readonly add: (name: WeightName) => void
}

const opensObject = ({ lower }: Token): boolean =>
  DETERMINERS.has(lower) || POSSESSIVES.has(lower) || PRONOUNS.has(lower) || QUESTION_WORDS.has(lower) || /(?:'s|s')$/.test(lower)
const isNumber = ({ lower }: Token): boolean => NUMBERS.has(lower) || /^\d/.test(lower)
const hasForm = (forms: Forms, word: Token | undefined, form: Form): boolean =>
  word !== undefined && forms.verbsOf(word.lower).some((f) => f.form === form)

/** What the word right behind it says. */
function byNext({ tokens, forms, best, isNoun, isPure, add }: Seen, next: Token | undefined): void {
  const after = tokens[2]
  if (!next || (next.isSign && /[.;!]/.test(next.text))) return add(isPure ? 'verb last in the line' : 'last in the line')
  if (next.isSign) {
    if (/[:?]/.test(next.text)) return add('before a colon')
    return add(next.text === ',' && hasForm(forms, after, best.form) ? 'before another verb in a row' : 'before a comma')
  }
  if (opensObject(next)) return add('before an article')
  if (isNumber(next)) return add('before a number')
  if (AUXILIARIES.has(next.lower)) return add('before a form of "to be"')
  if (next.lower === 'of') return isNoun ? add('before "of"') : undefined
  if (PARTICLES.has(next.lower) && forms.words.phrasal(best.lemma, next.lower)?.mental === false) return add('before its particle')
  if (JOINING.has(next.lower)) {
    const object = tokens[3]
    const goesOn = hasForm(forms, after, best.form) && object !== undefined && (opensObject(object) || isNumber(object))
    return add(goesOn ? 'before "and" and a verb with an object' : 'before "and"')
  }
  if (PREPOSITIONS.has(next.lower)) return add(isNoun ? 'before a preposition' : 'verb before a preposition')
  if (/ly$/.test(next.lower) || ADVERBS.has(next.lower)) return add('before an adverb')
  const noun = forms.nounOf(next.lower)
  const adjective = forms.words.get(next.lower)?.adjective ?? 0
  if (noun?.plural) return add('before a plural')
  if (adjective > (noun?.word.noun ?? 0)) return add('before an adjective')
  const isUncounted = best.weight >= 9 && SUBSTANCES.has(noun?.word.files[0] ?? 0)
  if (noun && isNoun && isUncounted) return add('before food or a substance')
  if (noun || hasForm(forms, next, 'ing')) return add(isNoun ? 'before a noun' : 'verb before a noun')
  if (/^\p{Lu}/u.test(next.text)) add('before a capital')
}

const MANNER = new Set(['using', 'with', 'without', 'within', 'from', 'by', 'under'])
const MEASURE = new Set(['least', 'most', 'more', 'fewer', 'less'])
const BY_HAND = new Set(['hand', 'eye', 'ear', 'taste', 'sight', 'touch', 'feel', 'memory', 'heart', 'phone'])

/** What the rest of the line says: whether it is a sentence or a name. */
function byRest(seen: Seen): void {
  const { tokens, forms, add } = seen
  const rest = tokens.slice(1)
  const words = rest.filter((t) => !t.isSign)
  const has = (is: (token: Token, before: Token | undefined, i: number) => boolean) => rest.some((t, i) => is(t, rest[i - 1], i))
  const hasFinite = rest.some((t) => AUXILIARIES.has(t.lower))
  if (!hasFinite && has((t, _, i) => i > 0 && (DETERMINERS.has(t.lower) || POSSESSIVES.has(t.lower)))) add('an article further on')
  if (has((t, _, i) => i > 0 && MANNER.has(t.lower) && i < rest.length - 1)) add('a manner further on')
  if (has((t, before) => MEASURE.has(t.lower) && /^(?:at|no|not)$/.test(before?.lower ?? ''))) add('a measure further on')
  if (has((t, before) => t.lower === 'that' && before?.lower === 'so')) add('a measure further on')
  if (has((t, before) => BY_HAND.has(t.lower) && before?.lower === 'by')) add('by hand')
  if (has((t, _, i) => i > 0 && /ly$/.test(t.lower) && !forms.nounOf(t.lower))) add('an adverb further on')
  if (tokens.at(-1)?.text === '.') add('a full stop')
  const capitals = words.filter((t) => /^\p{Lu}\p{Ll}/u.test(t.text)).length
  const written = words.filter((t) => !PREPOSITIONS.has(t.lower) && !DETERMINERS.has(t.lower) && !JOINING.has(t.lower)).length
  if (capitals > 1 && capitals >= written) add('written as a title')
  if (rest.length === 2 && JOINING.has(rest[0]?.lower ?? '')) add('a pair and no more')
  if (rest.some((t) => t.text === ',') && rest.every((t) => t.isSign || JOINING.has(t.lower) || hasForm(forms, t, 'base')))
    add('nothing but verbs')
  const [people, forWhom] = [words.at(-1), words.at(-2)]
  if (
    forWhom?.lower === 'for' &&
    people &&
    (/^(?:all|everyone)$/.test(people.lower) || (forms.nounOf(people.lower)?.word.personShare ?? 0) >= 0.4)
  )
    add('for people')
  byBareLine(seen, words)
}

/** Lines without articles, numbers and prepositions, behind a word that may be a noun: headings and orders look alike there. */
function byBareLine({ forms, best, isNoun, add }: Seen, words: readonly Token[]): void {
  const [next] = words
  const last = words.at(-1)
  const isSentence = words.some(
    (t, i) =>
      opensObject(t) ||
      isNumber(t) ||
      (/ly$/.test(t.lower) && !forms.nounOf(t.lower)) ||
      (PREPOSITIONS.has(t.lower) && i > 0 && !/^(?:of|for|in)$/.test(t.lower)),
  )
  if (!isNoun || isSentence || !next || !last || JOINING.has(next.lower)) return
  const isKnown = best.weight >= 9
  const second = forms.nounOf(next.lower)
  const head = forms.nounOf(last.lower)
  const adjective = forms.words.get(next.lower)?.adjective ?? 0
  const file = head?.word.files[0] ?? 0
  if (adjective > (second?.word.noun ?? 0)) return add('bare, before an adjective')
  if (words.length >= 2 && second && (ABOUT_OTHERS.has(second.lemma) || hasForm(forms, next, 'ing')))
    return add('bare, second about others')
  const allNouns = words.length >= 2 && words.every((t) => forms.nounOf(t.lower))
  if (allNouns && isKnown && (head?.plural || !ABOUT_OTHERS.has(head?.lemma ?? ''))) return add('bare, nouns behind a known verb')
  if (!head || ABOUT_OTHERS.has(head.lemma)) return add('bare, last about others')
  if (!head.plural && !MASS.has(file)) return add('bare, a single noun')
  const verbFile = forms.words.get(best.lemma)?.verbFile ?? 0
  if (THINGS.has(file) && HANDLING.has(verbFile) && isKnown) return add('bare, a thing to handle')
  add(isKnown ? 'bare, a plural behind a known verb' : 'bare, a plural')
}
