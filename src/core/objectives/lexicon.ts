/**
 * Verbs that begin objectives, with the thinking level they most often stand for (Anderson & Krathwohl 2001; where lists in
 * teaching handbooks differ, the assignment is a Cairn default) and whether one can observe them. Base forms only: `lemmaOf`
 * finds the base of what was written.
 */
import { THINKING_LEVELS, type ThinkingLevel } from '../blueprint/kinds/outcome'

const BY_LEVEL: Readonly<Record<ThinkingLevel, string>> = {
  remember:
    'cite define enumerate label list match memorise name quote recall recite recognise record repeat reproduce spell state tabulate locate point select trace',
  understand:
    'associate clarify convert describe discuss estimate exemplify explain express extend generalise give illustrate infer interpret outline paraphrase predict report restate review rewrite summarise translate identify',
  apply:
    'administer adjust apply assemble calculate calibrate carry change chart choose code collect complete compute conduct determine connect convert cook demonstrate dissect draw dress employ establish execute file fit follow format graph handle implement install log maintain manipulate map measure mix model modify monitor navigate operate perform plot practise prepare present process produce program prove repair run sample schedule set show simulate sketch solve survey take teach tie time type use weigh weld write',
  analyse:
    'analyse break categorise classify compare contrast correlate debug deconstruct detect diagnose differentiate discriminate distinguish divide examine experiment find inspect investigate isolate organise question relate separate sort structure subdivide test track troubleshoot',
  evaluate:
    'appraise argue assess challenge check conclude critique criticise criticize decide defend dispute evaluate grade judge justify prioritise rank rate recommend reconcile revise score support validate value verify',
  create:
    'author build combine compile compose construct create design develop devise draft formulate generate hypothesise improve integrate invent negotiate plan propose rearrange reorganise reconstruct redesign storyboard synthesise',
}

/** Names a state of mind: what would a learner do to show it? With verbs to offer instead, likeliest first. */
const UNOBSERVABLE: Readonly<Record<string, readonly string[]>> = {
  understand: ['explain', 'summarise', 'compare'],
  know: ['state', 'describe', 'list'],
  learn: ['describe', 'explain', 'demonstrate'],
  appreciate: ['explain', 'justify', 'compare'],
  comprehend: ['explain', 'paraphrase', 'interpret'],
  grasp: ['explain', 'illustrate', 'apply'],
  realise: ['explain', 'describe', 'identify'],
  consider: ['compare', 'evaluate', 'discuss'],
  explore: ['compare', 'investigate', 'describe'],
  believe: ['defend', 'justify', 'argue'],
  think: ['argue', 'evaluate', 'explain'],
  see: ['identify', 'describe', 'explain'],
  master: ['perform', 'demonstrate', 'solve'],
  internalise: ['apply', 'justify', 'demonstrate'],
  acknowledge: ['describe', 'state', 'explain'],
  enjoy: ['choose', 'describe', 'recommend'],
  familiarise: ['identify', 'describe', 'locate'],
  remember: ['recall', 'list', 'state'],
  'be aware of': ['identify', 'describe', 'explain'],
  'be familiar with': ['identify', 'describe', 'locate'],
  'become familiar with': ['identify', 'describe', 'locate'],
  'become aware of': ['identify', 'describe', 'explain'],
  'have a knowledge of': ['state', 'describe', 'list'],
  'have an understanding of': ['explain', 'summarise', 'compare'],
  'gain an understanding of': ['explain', 'summarise', 'compare'],
  'develop an understanding of': ['explain', 'summarise', 'compare'],
  'demonstrate understanding of': ['explain', 'summarise', 'compare'],
  'demonstrate an understanding of': ['explain', 'summarise', 'compare'],
  'demonstrate knowledge of': ['state', 'describe', 'list'],
  'demonstrate awareness of': ['identify', 'describe', 'explain'],
  'show an understanding of': ['explain', 'summarise', 'compare'],
}

export type VerbEntry = { readonly lemma: string; readonly level: ThinkingLevel | null; readonly observable: boolean }

const ENTRIES = new Map<string, VerbEntry>()
for (const level of THINKING_LEVELS)
  for (const lemma of BY_LEVEL[level].split(' ')) if (!ENTRIES.has(lemma)) ENTRIES.set(lemma, { lemma, level, observable: true })
for (const lemma of Object.keys(UNOBSERVABLE)) ENTRIES.set(lemma, { lemma, level: null, observable: false })

/** The longest unobservable phrases, so that "have an understanding of" is found before "have". */
export const UNOBSERVABLE_PHRASES = Object.keys(UNOBSERVABLE)
  .filter((p) => p.includes(' '))
  .sort((a, b) => b.length - a.length)

/** Verbs to offer in place of an unobservable one, likeliest first. */
export const insteadOf = (lemma: string): readonly string[] => UNOBSERVABLE[lemma] ?? []

/** The entry of a word as written, in British or American spelling, base form or `-s`; undefined when it is no known verb. */
export function verbEntry(word: string): VerbEntry | undefined {
  const lower = word.toLowerCase()
  for (const form of [lower, lower.replace(/yze$/, 'yse').replace(/ize$/, 'ise'), lower === 'practice' ? 'practise' : lower]) {
    const found = ENTRIES.get(form)
    if (found) return found
  }
  return undefined
}

/** How many verbs the lexicon holds. */
export const LEXICON_SIZE = ENTRIES.size
