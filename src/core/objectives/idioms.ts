/** Phrases whose meaning is not that of their verb: which level they stand for. All are Cairn defaults. */
import type { Level } from '../blueprint/kinds/levels'

const of = (verbs: string): ReadonlySet<string> => new Set(verbs.split(' '))
/** Verbs, what stands behind their first word, and the level; the first that fits holds. */
const IDIOMS: readonly (readonly [ReadonlySet<string>, RegExp, Level])[] = [
  [of('work figure find'), /^\s+out\b.*\b(?:why|which|where|whether|who|causes?|what)\b/i, 'analyse'],
  [of('work figure find'), /^\s+out\b/i, 'apply'],
  [
    of('find'),
    /^\s+(?:the|an?) (?:\S+ ){0,2}(?:faults?|leaks?|causes?|errors?|bugs?|flaws?|sources?|weakness\w*|gaps?|mistakes?|defects?)\b/i,
    'analyse',
  ],
  [of('find hear see'), /^\s+(?:why|where|which|whether)\b/i, 'analyse'],
  [of('tell'), /^\s+(?:\S+ ){1,5}(?:from|apart)\b|\bdifference\b/i, 'analyse'],
  [of('tell'), /\b(?:why|how|what|about|which|when|story)\b/i, 'understand'],
  [of('tell'), /./, 'remember'],
  [
    of('state express give put say'),
    /\bin (?:a sentence|your|their|his|her|one's|my|plain|simple)(?: own)? (?:words?|language|terms)\b|\bin a sentence\b/i,
    'understand',
  ],
  [of('say'), /\bwhy\b.*\bwhich\b|\bwhich\b.*\bwhy\b/i, 'evaluate'],
  [of('say'), /^\s+which\b/i, 'analyse'],
  [of('say'), /\b(?:what|why|how)\b/i, 'understand'],
  [of('put'), /^\s+(?:\S+ ){0,4}(?:in|into) (?:\S+ ){0,2}words\b/i, 'understand'],
  [of('put draw write make think'), /^\s+(?:together|up)\b/i, 'create'],
  [of('set put'), /\bside by side\b/i, 'analyse'],
  [of('set'), /^\s+(?:the |an? |one |clear )?(?:priorit|goal|target)/i, 'evaluate'],
  [of('sum'), /^\s+up\b/i, 'understand'],
  [of('point'), /^\s+out\b/i, 'remember'],
  [of('weigh'), /^\s+(?:up\b|whether\b|(?:two|three|several|the) (?:\S+ )?(?:offers?|options?|plans?|bids?|proposals?))/i, 'evaluate'],
  [of('take'), /^\s+issue\b/i, 'evaluate'],
  [
    of('unpick dissect unpack untangle tease pick'),
    /^\s+apart\b|\b(?:arguments?|claims?|texts?|cases?|polic\w+|reasoning|speech|editorial|data|problems?)\b/i,
    'analyse',
  ],
  [of('recount retell'), /./, 'understand'],
  [of('relate'), /^\s+(?:the|an?) (?:plot|story|events?|course|history)\b/i, 'understand'],
  [of('talk walk'), /\bthrough\b/i, 'understand'],
  [of('pick choose select'), /\b(?:and justif\w+|[a-z]{3,}est|most|best|which)\b/i, 'evaluate'],
  [of('account'), /^\s+for\b/i, 'understand'],
  [of('break'), /\bdown\b/i, 'analyse'],
  [of('give'), /^\s+(?:an? |two |three |the )?(?:reasons?|grounds?|examples?|account|explanation|definition)/i, 'understand'],
  [of('spot identify find'), /^\s+(?:\S+ ){0,2}(?:confounders?|weakest|strongest|missing|hidden|root)\b/i, 'analyse'],
  [of('spot'), /^\s+(?:\S+ ){0,3}(?:faults?|errors?|flaws?|mistakes?|bias\w*|fallac\w+|causes?|lameness)\b/i, 'analyse'],
]

/** The level of a verb with the words behind its first; null where they are no such phrase. */
export const idiomLevel = (lemma: string, behind: string): Level | null =>
  IDIOMS.find(([verbs, words]) => verbs.has(lemma) && words.test(behind))?.[2] ?? null
