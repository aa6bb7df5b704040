/** States of mind by the kind of their words: what nobody can see, however it is worded. */
import { ADVERBS, DETERMINERS, NUMBERS, POSSESSIVES } from './closed'
import type { Forms } from './forms'
import { phrasesAt } from './subject'
import type { Token } from './verb-score'

const set = (words: string): ReadonlySet<string> => new Set(words.split(' '))
const BEING = set('be become feel grow remain stay get')
/** To be one of these is to do something. */
const ABLE = set('able ready prepared capable qualified equipped')
const HAVING = set(
  'have hold gain acquire feel keep cultivate possess nurture deepen broaden lose get build develop show demonstrate display exhibit improve increase enhance strengthen obtain expand grow foster overcome share retain maintain',
)
const SHOWING = set('show demonstrate display exhibit')
/** Nouns of the mind that the table does not class so by most of their senses. */
const MIND = set(
  'understanding knowledge awareness appreciation comprehension familiarity insight grasp sense mastery feel feeling belief attitude mindset spirit ethos passion love joy pride interest curiosity confidence self-belief self-confidence regard esteem respect trust courage motivation enthusiasm faith taste liking sympathy empathy compassion conviction openness patience',
)
/** What is shown in what one does. */
const SHOWN = set('respect courtesy empathy compassion commitment tolerance integrity sensitivity care')
/** Things that are made, though the table finds them in the mind. */
const MADE = set(
  'strategy plan method theory idea concept model habit skill technique system view style design order form line position standard need program programme policy',
)
const BEHIND = /^(?:of|for|with|in|into|about|to|at|towards?|that|on|over)$/

/** How many of the tokens name a state of mind, from the first on; 0 where they name none. */
export function mindAt(tokens: readonly Token[], forms: Forms, isKnown: (lemma: string) => boolean): number {
  const [first] = tokens
  if (!first || first.isSign) return 0
  const lemmas = forms.verbsOf(first.lower).flatMap((f) => (f.form === 'base' || f.form === 's' ? [f.lemma] : []))
  const lemma = first.lower === 'be' ? 'be' : (lemmas.find((l) => BEING.has(l) || HAVING.has(l)) ?? lemmas[0])
  if (lemma === undefined) return 0
  const fixed = fixedAt(tokens, lemma)
  if (fixed > 0) return fixed
  const behind = (at: number): number => (BEHIND.test(tokens[at]?.lower ?? '') ? at + 1 : at)
  if (BEING.has(lemma)) {
    let at = 1
    while (tokens[at + 1] && (ADVERBS.has(tokens[at]?.lower ?? '') || /ly$|^(?:more|very|less|so|quite)$/.test(tokens[at]?.lower ?? '')))
      at++
    const state = tokens[at]
    if (state && !state.isSign && !ABLE.has(state.lower) && isQuality(state, forms, lemma !== 'get' && lemma !== 'grow'))
      return behind(at + 1)
    // "Be at ease with", "become a confident reader": what one is.
    if (state && /^(?:be|become|feel)$/.test(lemma) && /^(?:an?|at|in|part|one|like)$/.test(state.lower)) {
      const phrase = phrasesAt(tokens, /^an?$/.test(state.lower) ? at : at + 1, forms).at(-1)
      if (phrase) return behind(phrase.end)
    }
    if (lemma === 'be' || lemma === 'become') return 0
  }
  if (HAVING.has(lemma)) {
    const phrase = phrasesAt(tokens, 1, forms).at(-1)
    const head = phrase && forms.nounOf((tokens[phrase.head] as Token).lower)
    const isMind = head && !MADE.has(head.lemma) && (MIND.has(head.lemma) || head.word.classes.includes('mind'))
    if (phrase && head && isMind && !(SHOWING.has(lemma) && SHOWN.has(head.lemma))) return behind(phrase.end)
  }
  return !isKnown(lemma) && forms.words.get(lemma)?.mental === true ? behind(1) : 0
}

/** Wordings that name a state of mind as a whole: verbs, and the words behind them (Cairn's list). */
const FIXED: readonly (readonly [ReadonlySet<string>, RegExp])[] = [
  [set('bear keep have'), /^(?:\S+ ){0,4}?in mind\b/],
  [set('get'), /^to (?:know|like|understand|appreciate)\b/],
  [set('come'), /^to (?:see|know|value|appreciate|understand|believe|accept|love|enjoy|respect|realise|realize|recognise|recognize)\b/],
  [set('fall'), /^in love(?: with)?\b/],
  [set('hold keep'), /^(?:\S+ ){1,5}?in (?:high |great )?(?:esteem|regard|respect|contempt|awe)\b/],
  [set('put lose find see'), /^(?:oneself|themselves|yourself|himself|herself)\b/],
  [set('live stand abide'), /^by\b/],
  [set('look'), /^forward to\b/],
  [set('identify'), /^with\b/],
  [set('relate'), /^to\b/],
  [set('delight'), /^in\b/],
  [set('wonder marvel dream yearn long'), /^(?:at|about|of|for)\b/],
  [set('accept acknowledge'), /^that\b/],
  [set('take'), /^(?:an? |some |more )?(?:\S+ )?(?:pride|interest|joy|pleasure|delight|satisfaction|comfort|heart) in\b/],
  [set('have'), /^(?:(?:a|an|more|some|great) )*(?:\S+ )?(?:fun|faith|confidence|trust|regard|respect)(?: (?:in|with|for))?\b/],
  [set('embrace'), /^(?:the |an? |\S+ )?(?:difference|diversity|change|values?|idea|ethos|culture|challenge)s?\b/],
]
/** How many tokens such a wording takes; 0 where none stands there. */
function fixedAt(tokens: readonly Token[], lemma: string): number {
  const rest = tokens.slice(1).map((t) => t.lower)
  for (const [verbs, words] of FIXED) {
    const found = verbs.has(lemma) ? words.exec(rest.join(' ')) : null
    if (found) return 1 + found[0].trim().split(' ').length
  }
  return 0
}

/** An adjective, or a participle: `glad`, `acquainted`. */
function isQuality({ lower }: Token, forms: Forms, isBare: boolean): boolean {
  if (DETERMINERS.has(lower) || POSSESSIVES.has(lower) || NUMBERS.has(lower)) return false
  const adjective = forms.words.get(lower)?.adjective ?? 0
  // A noun would have its article there.
  if (adjective > 0 && (isBare || adjective >= (forms.nounOf(lower)?.word.noun ?? 0) * 0.5)) return true
  return forms.verbsOf(lower).some((f) => f.form === 'past')
}
