/** Where the performance stands in a line that begins with what is given, used or allowed: "Using a torque wrench tighten the bolts". */
import { AUXILIARIES, DETERMINERS, NUMBERS, POSSESSIVES, PREPOSITIONS, PRONOUNS } from './closed'
import type { Forms } from './forms'
import { phrasesAt, verbBehind } from './subject'
import { scoreVerb, type Token } from './verb-score'

/** Words that a condition in front may begin with. */
const OPENS =
  /^(?:given|using|provided|faced|once|when|while|after|before|during|based|following|working|wearing|standing|sitting|starting|supervised|having|acting|equipped|supplied|armed|asked|shown|told|as|if|on|upon|with|without|within|from|in|at|by|through|under|for|over|to|against|behind|despite)$/
/** Conditions in front are rarely longer (Cairn default). */
const WITHIN = 24
/** Without a comma only a clear verb will do (Cairn default). */
const CLEAR = 3.5

export type Fronted = {
  readonly at: number
  readonly third: boolean
  /** Where the condition ends. */
  readonly end: number
}

/** Where the verb stands, and whether in the third person; null where the line begins with no condition, or no verb stands behind it. */
export function frontedVerb(tokens: readonly Token[], forms: Forms): Fronted | null {
  const first = tokens[0]?.lower ?? ''
  if (!OPENS.test(first) || (first === 'to' && tokens[1]?.lower !== 'within' && tokens[1]?.lower !== 'the')) return null
  let clear: number | null = null
  for (let i = 2; i < Math.min(tokens.length, WITHIN); i++) {
    const [before, word] = [tokens[i - 1] as Token, tokens[i] as Token]
    if (word.isSign) continue
    if (before.text === ',' || before.text === ':' || isBoundary(word)) {
      const told = toldBy(tokens, i, forms)
      if (told) return { ...told, end: i }
    }
    if (before.text === ',' || before.text === ':') {
      const at = /ly$/.test(word.lower) && word.lower.length > 4 ? i + 1 : i
      const score = scoreVerb(tokens.slice(at), forms, 'first', ['base'])
      if (score && score.sum > 0) return { at, third: false, end: i }
    } else if (clear === null && mayGoOn(before)) {
      const score = scoreVerb(tokens.slice(i), forms, 'joined', ['base'])
      if (score && score.sum > CLEAR) clear = i
    }
  }
  return clear === null ? null : { at: clear, third: false, end: clear }
}

const isBoundary = ({ lower }: Token): boolean =>
  DETERMINERS.has(lower) || /^(?:you|they|learners|students|participants|trainees|candidates|apprentices)$/.test(lower)

/** Somebody who does it, behind the condition. */
function toldBy(tokens: readonly Token[], from: number, forms: Forms): { readonly at: number; readonly third: boolean } | null {
  const phrases = PRONOUNS.has(tokens[from]?.lower ?? '') ? [{ head: from, end: from + 1 }] : phrasesAt(tokens, from, forms)
  for (const phrase of phrases) {
    const found = verbBehind(tokens, phrase, forms)
    if (!found || found.isTeacher) continue
    const at = tokens.findIndex((t) => t.start === found.end)
    if (at > from) return { at, third: found.third }
  }
  return null
}

const mayGoOn = ({ lower, isSign }: Token): boolean =>
  !isSign &&
  !DETERMINERS.has(lower) &&
  !POSSESSIVES.has(lower) &&
  !NUMBERS.has(lower) &&
  !PREPOSITIONS.has(lower) &&
  !AUXILIARIES.has(lower) &&
  !PRONOUNS.has(lower) &&
  !/^(?:and|or|not|how|what|which|who|that|when|where|why)$/.test(lower)
