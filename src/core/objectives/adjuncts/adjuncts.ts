/** The parts around the performance by the kinds of their words: under which conditions, how well, and to which end. */
import type { Clauses, Span } from '../clauses'
import { verbEntry } from '../lexicon'
import { JOINING, QUESTION_WORDS } from '../words/closed'
import type { Forms } from '../words/forms'
import { phrasesAt } from '../words/subject'
import type { Token } from '../words/verb-score'
import { CONDITIONS } from './conditions'
import { HOW_WELL } from './how-well'
import { At, type Found, type Governing, type Kind, type Rule } from './place'

/** Files of things that hands take: artifact, body, food, animal, plant, substance, object, and what is done, found or felt by the body. */
const HANDLED = new Set([4, 5, 6, 7, 8, 10, 11, 13, 17, 18, 20, 26, 27])
/** Files of verbs of thinking: cognition, communication, perception. */
const THOUGHT = new Set([31, 32, 37, 39])

/** What a verb says of the adjuncts behind it. */
export function governingOf(tokens: readonly Token[], from: number, lemma: string, forms: Forms): Governing {
  const entry = verbEntry(lemma)
  const file = forms.words.get(lemma)?.verbFile ?? 0
  const object = phrasesAt(tokens, from, forms).at(-1)
  const kind = object ? (forms.nounOf(tokens[object.head]?.lower ?? '')?.word.files[0] ?? 0) : 0
  const [level = ''] = entry?.levels ?? []
  const thinks = entry ? /^(?:remember|understand|analyse|evaluate)$/.test(level) && !/^(?:locate|match)$/.test(lemma) : THOUGHT.has(file)
  return { lemma, thinks, hands: !thinks && HANDLED.has(kind), file, from, objectEnd: object?.end ?? from }
}

type Mark = { readonly kind: Kind | 'aim' | 'end'; readonly at: number; readonly end?: number }

/**
 * The adjuncts behind a verb whose words end at the token `from`. `stops` are the tokens of other performances, which end them. Offsets
 * are those of the tokens.
 */
export function adjunctsAfter(
  text: string,
  tokens: readonly Token[],
  from: number,
  lemma: string,
  stops: ReadonlySet<number>,
  forms: Forms,
): Clauses {
  const verb = governingOf(tokens, from, lemma, forms)
  const marks: Mark[] = []
  let inside: Kind | null = null
  let inClause = false
  for (let q = from; q < tokens.length; q++) {
    const t = tokens[q] as Token
    if (t.text === ')' || (t.text === '-' && inside !== null)) {
      if (inside !== null) marks.push({ kind: 'end', at: q })
      inside = null
      continue
    }
    // "Explains, without jargon, what it does": a clause behind a comma is the object again.
    if (t.text === ',' && inside !== null && QUESTION_WORDS.has(tokens[q + 1]?.lower ?? '')) {
      marks.push({ kind: 'end', at: q })
      inside = null
    }
    if (t.isSign) continue
    if (stops.has(q)) {
      marks.push({ kind: 'end', at: q })
      inside = null
      inClause = false
      continue
    }
    if (opensClause(t, q - from)) {
      inClause = true
      continue
    }
    const at = new At(tokens, q, forms, verb, inside, inClause)
    const well = first(HOW_WELL, at)
    if (well && (inside !== 'criterion' || well.end !== undefined || AGAIN.test(t.lower))) {
      marks.push({ kind: 'criterion', at: well.from, ...(well.end === undefined ? {} : { end: well.end }) })
      inside = well.end === undefined ? 'criterion' : null
      if (well.end !== undefined) q = well.end - 1
      continue
    }
    if (well) continue
    if (inside === 'condition' && !/^(?:given|using)$/.test(t.lower) && tokens[q - 1]?.text !== ',') continue
    const isLate = q > from || /^(?:in|with|under|from|given|using|without)$/.test(t.lower)
    const condition = isLate ? first(CONDITIONS, at) : null
    if (condition) {
      marks.push({ kind: 'condition', at: condition.from })
      inside = 'condition'
      continue
    }
    if (t.lower === 'that' && q > from && forms.nounOf(tokens[q - 1]?.lower ?? '')) inClause = true
    if (t.lower === 'to' && q > from && inside === null && !inClause && verbEntry(tokens[q + 1]?.lower ?? '')) {
      marks.push({ kind: 'aim', at: q })
      inClause = true
    }
  }
  return clausesOf(text, tokens, marks)
}

/** What opens a second "how well" inside one. */
const AGAIN = /^(?:without|within|according)$/
const opensClause = ({ lower }: Token, behind: number): boolean =>
  /^(?:how|why|what|whether|whose)$/.test(lower) ||
  (QUESTION_WORDS.has(lower) && lower !== 'when' && behind <= 1) ||
  (lower === 'that' && behind === 0)

function first(rules: readonly Rule[], at: At): Found {
  for (const [, holds] of rules) {
    const found = holds(at)
    if (found) return found === true ? { from: at.q } : found
  }
  return null
}

function clausesOf(text: string, tokens: readonly Token[], found: readonly Mark[]): Clauses {
  const marks = found.toSorted((a, b) => a.at - b.at)
  const spans: { kind: Mark['kind']; span: Span }[] = marks.flatMap((mark, i) => {
    if (mark.kind === 'end') return []
    let end = mark.end ?? marks[i + 1]?.at ?? tokens.length
    while (end > mark.at + 1 && isLoose(tokens[end - 1])) end--
    const last = tokens[end - 1]
    const begin = tokens[mark.at]
    return begin && last ? [{ kind: mark.kind, span: { start: begin.start, end: last.start + last.text.length } }] : []
  })
  const of = (kind: Mark['kind']) => spans.filter((s) => s.kind === kind).map((s) => s.span)
  const outer = marks.find((m) => m.end === undefined)
  let objectEnd = outer?.at ?? tokens.length
  while (objectEnd > 0 && isLoose(tokens[objectEnd - 1])) objectEnd--
  const last = tokens[objectEnd - 1]
  return {
    conditions: of('condition'),
    criteria: of('criterion'),
    aim: of('aim')[0] ?? null,
    objectEnd: last ? last.start + last.text.length : text.length,
  }
}

/** A sign or a joining word between two parts. */
const isLoose = (token: Token | undefined): boolean =>
  token !== undefined && ((token.isSign && token.text !== '%') || JOINING.has(token.lower))

/** Whether a condition that a line begins with says how well: "Within ten minutes, assemble a tent". */
export const isHowWellInFront = (text: string): boolean => IN_FRONT.test(text)
const AMOUNT = '(?:\\d[\\d.,]*|an?|half|one|two|three|four|five|six|seven|eight|nine|ten|twelve|fifteen|twenty|thirty|forty|sixty)'
const IN_FRONT = new RegExp(
  `^(?:(?:to )?within (?:${AMOUNT}|half|the (?:stated|given|set|agreed|time))\\b|(?:with|in|to|at|for) (?:at least|at most|no (?:more|fewer|less)|fewer|less|under|over|up to|not more)\\b|in (?:under|less)|at (?:a rate|${AMOUNT}\\b(?! (?:time|bench|desk|site|table)))|to (?:within|the nearest|an? (?:tolerance|accuracy))|with (?:no|zero|\\d|(?:an? )?(?:accuracy|precision))\\b(?! (?:help|notes|map|aids?|tools?|warning|access))|without (?:error|mistake|fault|hesitat|damag|spill|injur|delay|break)\\w*|in ${AMOUNT} (?:out )?of|according to|in (?:accordance|line|compliance) with|(?:correctly|accurately|safely) )`,
  'i',
)
