/** What reviews say, in one place. */
import type { MARKS, MERGES, RATING_VALUES, ROUND_KINDS, ROUND_STATES } from '../beside/review-records'
import { countOf, listOf } from '../numbers'
import type { Evidence } from './evidence'
import type { Staleness } from './rests-on'
import type { Merged } from './values'
import type { Reason, Verdict } from './verdict'

type Value = (typeof RATING_VALUES)[number]
/** The key that gives each value. */
export const VALUE_KEYS: Readonly<Record<string, Value>> = {
  '1': 'in place',
  '2': 'partly',
  '3': 'not in place',
  '4': 'not applicable',
  '5': 'cannot be judged yet',
}
export const VALUE_WORDS: Readonly<Record<Value, string>> = {
  'in place': 'In place',
  partly: 'Partly',
  'not in place': 'Not in place',
  'not applicable': 'Not applicable',
  'cannot be judged yet': 'Not yet',
}
export const mergedWord = (merged: Merged): string =>
  merged === null ? 'not judged' : merged === 'disagree' ? 'disagree' : VALUE_WORDS[merged].toLowerCase()
export const MARK_WORDS: Readonly<Record<(typeof MARKS)[number], string>> = { strength: 'Strength', improvement: 'Improvement' }
export const KIND_WORDS: Readonly<Record<(typeof ROUND_KINDS)[number], string>> = {
  'self-check': 'Self-check',
  peer: 'Peers',
  outside: 'From outside',
  learners: 'Learners',
}
export const STATE_WORDS: Readonly<Record<(typeof ROUND_STATES)[number], string>> = {
  open: 'open',
  comparing: 'in comparison',
  closed: 'closed',
}
export const MERGE_WORDS: Readonly<Record<(typeof MERGES)[number], string>> = {
  strictest: 'the strictest counts',
  majority: 'what most say counts',
  agreed: 'only what all say counts',
}
export const VERDICT_WORDS: Readonly<Record<Verdict, string>> = {
  ready: 'Ready',
  'not ready': 'Not ready',
  undecided: 'Not decided yet',
}
export const REASON_WORDS: Readonly<Record<Reason, string>> = {
  stale: 'rests on what has changed',
  'not-judged': 'is not judged',
  disagree: 'is disagreed about',
  'must-open': 'every course needs it',
  'should-open': 'has no action with a name and a day',
  'should-overdue': 'its action is overdue',
  'score-low': 'the score is too low',
}

const COUNTED = [
  ['fix', 'to fix'],
  ['check', 'to check'],
  ['idea', 'ideas'],
  ['open', 'open'],
] as const

/** What Cairn found about a point, as a sentence; empty where nothing is bound to it. */
export function evidenceSentence(e: Evidence, bound: number): string {
  const missing = [
    ...(e.unknown.length > 0 ? [`${countOf(e.unknown.length, 'rule')} ${e.unknown.length === 1 ? 'is' : 'are'} not here yet`] : []),
    ...(e.off.length > 0 ? [`${countOf(e.off.length, 'rule')} ${e.off.length === 1 ? 'is' : 'are'} switched off`] : []),
    ...(e.kept > 0 ? [`${e.kept} kept with a reason`] : []),
  ]
  const ends = missing.length > 0 ? `; ${listOf(missing)}` : ''
  const looked = bound - e.unknown.length - e.off.length
  switch (e.state) {
    case 'none':
      return ''
    case 'found':
      return `${listOf(COUNTED.flatMap(([w, word]) => (e[w] > 0 ? [`${e[w]} ${word}`] : [])))}${ends}.`
    case 'partly':
      return looked === 0 ? `Nothing was looked for: ${listOf(missing)}.` : `${looked} of ${countOf(bound, 'rule')} found nothing${ends}.`
    case 'empty':
      return `There is nothing yet that ${bound === 1 ? 'its rule looks' : 'its rules look'} at${ends}.`
    case 'clear':
      return `${bound === 1 ? 'Its rule' : `All ${bound} rules`} found nothing${ends}.`
  }
}

/** What differs of what a rating rests on, as a sentence. */
export function staleSentence(
  { changed, removed, appeared, gone }: Staleness,
  nameOf: (kind: string, id: string) => string | null,
): string {
  const named = (refs: Staleness['changed']) => listOf(refs.slice(0, 3).map((r) => nameOf(r.kind, r.id) ?? r.kind))
  const parts = [
    changed.length > 0 ? `${named(changed)} changed` : null,
    removed.length > 0 ? `${countOf(removed.length, 'cited record')} removed` : null,
    appeared.length > 0 ? `${countOf(appeared.length, 'finding')} new` : null,
    gone.length > 0 ? `${countOf(gone.length, 'finding')} gone` : null,
  ].filter((p) => p !== null)
  return `Since it was rated: ${parts.join('; ')}.`
}
