import type { Stage } from '../../blueprint/kinds/activity'
import { capital, shortened } from '../../blueprint/text'
import { countOf } from '../../numbers'
import type { ModuleWord } from '../../plan/module-word'
import type { Words } from '../words'

const TEACHES: Readonly<Record<Stage, string>> = { introduces: 'teaches', practises: 'practises', assesses: 'assesses' }
const TAUGHT: Readonly<Record<Stage, string>> = { introduces: 'taught', practises: 'practised', assesses: 'assessed' }

/** Some words of a line: those that are wrong with it. */
type Quoted = { readonly words: string }
/** A wording is offered by itself. */
const reword = ({ statement }: { readonly statement: string }) => statement

type Item = { readonly code: string; readonly statement: string; readonly framework: string }
const itemName = (item: Item) => `${item.code} “${shortened(item.statement, 60)}”`

type Gap = { readonly item: Item } | { readonly items: number; readonly framework: string }
const gap = (stage: Stage, why: string) => ({
  why,
  summary: (n: number) => `${countOf(n, 'framework item')} ${n === 1 ? 'is' : 'are'} not ${TAUGHT[stage]} yet`,
  says: (f: Gap) =>
    'item' in f
      ? `Nothing ${TEACHES[stage]} ${itemName(f.item)} of ${f.item.framework}.`
      : `${f.items} items of ${f.framework} are not ${TAUGHT[stage]}.`,
  fixes: {
    'link-item': ({ objective }: { readonly objective: string }) => `Link ${objective}, which asks for the same`,
    'cover-item': ({ module }: { readonly module: string }, word: ModuleWord) =>
      `Add a placeholder that ${TEACHES[stage]} it to ${word.one} ${module}`,
  },
})

/** What stands for what in two statements that ask for the same, and what only one of them says. */
function toldDifferences(f: {
  readonly objective: string
  readonly like: string
  readonly likened: readonly (readonly [string, string])[]
  readonly onlyHere: readonly string[]
  readonly onlyThere: readonly string[]
}): string {
  const quoted = (words: readonly string[]) => words.map((w) => `“${w}”`).join(', ')
  const likened = f.likened.map(([here, there]) => `“${here}” stands for “${there}”`).join(', ')
  const only = [
    f.onlyHere.length > 0 ? `only ${f.objective} says ${quoted(f.onlyHere)}` : '',
    f.onlyThere.length > 0 ? `only ${f.like} says ${quoted(f.onlyThere)}` : '',
  ]
  const parts = [likened, ...only].filter((p) => p !== '').join('; ')
  return parts === '' ? '' : ` ${capital(parts)}.`
}

export const OUTCOMES_WORDS = {
  'unobservable-verb': {
    why: 'What cannot be seen cannot be assessed, and learners cannot tell whether they have got there.',
    says: ({ words }: Quoted) => `“${words}” names a state of mind, not something you can see. What would a learner do to show it?`,
    fixes: { reword },
  },
  'no-verb': {
    why: 'A topic says what a lesson covers, not what a learner can do afterwards.',
    says: ({ words, heading }: Quoted & { readonly heading?: boolean }) =>
      `No verb that Cairn knows stands where the performance should (“${words}”). What will a learner do?${heading ? ' Is this a heading?' : ''}`,
    fixes: { reword },
  },
  'teacher-centred': {
    why: 'What the teacher or the course does can be done without anybody learning it.',
    says: ({ words }: Quoted) => `“${words}” says what the course does. What can a learner do afterwards?`,
    fixes: { reword },
  },
  'task-not-result': {
    why: 'A task can be ticked off without being able to do anything new, and it changes when the task does.',
    says: ({ words }: Quoted) => `“${words}” is a task of the course. What does a learner show by it?`,
    fixes: { reword },
  },
  passive: {
    why: 'In the passive it is open who does it: the learner, or the lesson.',
    says: ({ words }: Quoted) => `“${words}” does not say who does it. Begin with what the learner does.`,
    fixes: { reword },
  },
  'double-performance': {
    why: 'Two performances in one line cannot be passed, or failed, one by one.',
    says: ({ verbs }: { readonly verbs: readonly string[] }) =>
      `Two performances: ${verbs.join(' and ')}. A learner could do one without the other.`,
    fixes: {
      split: ({ first, second }: { readonly first: string; readonly second: string }) => `Split into “${first}” and “${second}”`,
    },
  },
  'too-long': {
    why: 'A long line is read once and then skipped.',
    says: ({ most }: { readonly most: number }) => `More than ${most} words. What can go into the condition, or into the activity?`,
  },
  'no-condition': {
    why: 'An assessor needs to know with what, and in which situation, it is shown.',
    says: ({ objective }: { readonly objective: string }) => `${objective} says no condition: given what, using what, where?`,
  },
  'no-how-well': {
    why: 'Without a measure two assessors judge the same work differently.',
    says: ({ objective }: { readonly objective: string }) =>
      `${objective} does not say how well: within what, according to what, how many?`,
  },
  'similar-objectives': {
    why: 'Two lines that ask for the same are practised and assessed twice, or one of them never.',
    says: (f: {
      readonly objective: string
      readonly like: string
      readonly statement: string
      readonly likened: readonly (readonly [string, string])[]
      readonly onlyHere: readonly string[]
      readonly onlyThere: readonly string[]
      readonly also: readonly string[]
      readonly more: number
    }) =>
      `${f.objective} asks for much the same as ${f.like}: “${f.statement}”.${toldDifferences(f)}${
        f.also.length === 0 ? '' : ` Also ${f.also.join(', ')}${f.more > 0 ? ` and ${f.more} more` : ''}.`
      }`,
    fixes: { merge: ({ statement }: { readonly statement: string }) => `Keep “${statement}” with the links of both` },
  },
  'outcome-level-not-reached': {
    why: 'If no step asks for as much as the outcome does, learners meet its level for the first time in the final task.',
    says: (f: { readonly outcome: string; readonly wanted: string; readonly highest: string }) =>
      `${f.outcome} asks learners to ${f.wanted}; its objectives go up to ${f.highest}.`,
  },
  'objective-above-outcome': {
    why: 'A step that asks for more than its outcome does is either more than the course promises, or the outcome says too little.',
    says: (f: { readonly objective: string; readonly level: string; readonly outcome: string; readonly wanted: string }) =>
      `${f.objective} asks learners to ${f.level}, ${f.outcome} only to ${f.wanted}.`,
  },
  'objective-not-assessed': {
    why: 'Without evidence nobody knows whether learners reach it.',
    summary: (n, of) => `${n} of ${countOf(of, 'objective')} ${n === 1 ? 'has' : 'have'} no assessment yet`,
    says: (f: { readonly objective: string; readonly statement: string }) => `Nothing assesses ${f.objective} ${f.statement}`,
  },
  'objective-without-outcome': {
    why: 'An objective that supports no outcome takes time from those that do.',
    summary: (n, of) => `${n} of ${countOf(of, 'objective')} ${n === 1 ? 'supports' : 'support'} no outcome yet`,
    says: (f: { readonly objective: string; readonly byFramework: boolean }) =>
      `${f.objective} ${f.byFramework ? 'serves no element of the framework that the plan hangs on' : 'supports no outcome'}.`,
  },
  'outcome-without-objective': {
    why: 'An outcome is reached in steps; without objectives the course promises it and does not lead there.',
    summary: (n, of) => `${n} of ${countOf(of, 'outcome')} ${n === 1 ? 'has' : 'have'} no objective yet`,
    says: ({ outcome }: { readonly outcome: string }) => `No objective leads to ${outcome}.`,
  },
  'item-not-taught': gap('introduces', 'A requirement that nothing introduces is met only by those who could do it before.'),
  'item-not-practised': gap('practises', 'Without practice the first try is the one that counts.'),
  'item-not-assessed': gap('assesses', 'Whoever owns the framework asks for evidence of each required item.'),
  'evidence-short': {
    why: 'The framework says on how many occasions it must be shown.',
    says: (f: { readonly item: Item; readonly wanted: number; readonly planned: number }) =>
      `${itemName(f.item)} of ${f.item.framework} must be shown on ${f.wanted} occasions; ${f.planned} ${f.planned === 1 ? 'is' : 'are'} planned.`,
    fixes: {
      'more-occasions': (f: { readonly occasions: number; readonly activity: string }) => `Plan ${f.occasions} occasions in ${f.activity}`,
    },
  },
} as const satisfies Words
