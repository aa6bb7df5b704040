import type { Objective, Outcome } from '../../blueprint/kinds'
import { rewordings, splitPerformances } from '../../objectives/rewrite'
import { readStatement } from '../../objectives/statement'
import { ordersOf } from '../../plan/orders'
import type { Context, Rule } from '../context'
import type { Fix, RuleFinding, Weight } from '../finding'

type Line = { readonly kind: 'outcome' | 'objective'; readonly record: Outcome | Objective }

const linesOf = ({ index }: Context): Line[] => [
  ...index.outcomes.map((record) => ({ kind: 'outcome' as const, record })),
  ...index.objectives.map((record) => ({ kind: 'objective' as const, record })),
]

/** One rule on the wording of outcomes and objectives. Prescribed wording is its owner's: noted, without a fix. */
function wordingRule(
  code: ReturnType<typeof readStatement>['flaws'][number]['code'],
  why: string,
  weightOf: (line: Line) => Weight,
  message: (line: Line, words: string, number: string) => string,
  fixes: (line: Line) => Fix[],
): Rule {
  return {
    code,
    workspace: 'outcomes',
    reads: [ordersOf, 'outcome.statement', 'outcome.origin', 'objective.statement', 'objective.origin'],
    why,
    find: (context) =>
      linesOf(context).flatMap((line): RuleFinding[] => {
        const { statement, id, origin } = line.record
        const flaw = readStatement(statement).flaws.find((f) => f.code === code)
        if (!flaw) return []
        return [
          {
            weight: weightOf(line),
            records: [{ kind: line.kind, id }],
            field: 'statement',
            span: flaw.span,
            message: message(line, statement.slice(flaw.span.start, flaw.span.end), context.index.numberOf(id)),
            facts: [statement],
            fixes: origin === 'prescribed' ? [] : fixes(line),
          },
        ]
      }),
  }
}

const reword = (line: Line, statement: string): Fix => ({
  code: 'reword',
  label: statement,
  steps: [{ do: 'set', kind: line.kind, id: line.record.id, to: { statement } }],
})

export const unobservableVerb = wordingRule(
  'unobservable-verb',
  'What cannot be seen cannot be assessed, and learners cannot tell whether they have got there.',
  () => 'check',
  (_, words) => `“${words}” names a state of mind, not something you can see. What would a learner do to show it?`,
  (line) => rewordingsOf(line),
)

/** Fixes that put each offered wording in the line's place. */
const rewordingsOf = (line: Line): Fix[] => rewordings(line.record.statement).map((statement) => reword(line, statement))

export const noVerb = wordingRule(
  'no-verb',
  'A topic says what a lesson covers, not what a learner can do afterwards.',
  () => 'check',
  (_, words) => `No verb that Cairn knows stands where the performance should (“${words}”). What will a learner do?`,
  rewordingsOf,
)

export const teacherCentred = wordingRule(
  'teacher-centred',
  'What the teacher or the course does can be done without anybody learning it.',
  () => 'check',
  (_, words) => `“${words}” says what the course does. What can a learner do afterwards?`,
  rewordingsOf,
)

export const taskNotResult = wordingRule(
  'task-not-result',
  'A task can be ticked off without being able to do anything new, and it changes when the task does.',
  () => 'check',
  (_, words) => `“${words}” is a task of the course. What does a learner show by it?`,
  rewordingsOf,
)

export const passive = wordingRule(
  'passive',
  'In the passive it is open who does it: the learner, or the lesson.',
  () => 'check',
  (_, words) => `“${words}” does not say who does it. Begin with what the learner does.`,
  rewordingsOf,
)

export const doublePerformance = wordingRule(
  'double-performance',
  'Two performances in one line cannot be passed, or failed, one by one.',
  (line) => (line.kind === 'outcome' ? 'idea' : 'check'),
  (line) => {
    const verbs = readStatement(line.record.statement).verbs.map((v) => v.text.toLowerCase())
    return `Two performances: ${verbs.join(' and ')}. A learner could do one without the other.`
  },
  (line) => {
    const parts = line.kind === 'objective' ? splitPerformances(line.record.statement) : null
    if (!parts) return []
    const [first, second] = parts
    const step = { do: 'split-objective' as const, id: line.record.id, first, second }
    return [{ code: 'split', label: `Split into “${first}” and “${second}”`, steps: [step] }]
  },
)

export const tooLong = wordingRule(
  'too-long',
  'A long line is read once and then skipped.',
  () => 'idea',
  () => 'More than 30 words. What can go into the condition, or into the activity?',
  () => [],
)

/** Competency units say under which conditions and how well; elsewhere it is a matter of style, and these rules are off. */
function missingPart(code: string, part: 'conditions' | 'criteria', why: string, message: (number: string) => string): Rule {
  return {
    code,
    workspace: 'outcomes',
    reads: [ordersOf, 'objective.statement'],
    why,
    find: ({ index }) =>
      index.objectives
        .filter((o) => {
          const read = readStatement(o.statement)
          return read.flaws.length === 0 && read.verbs.length > 0 && read[part].length === 0
        })
        .map((o) => ({
          weight: 'idea' as const,
          records: [{ kind: 'objective' as const, id: o.id }],
          field: 'statement',
          message: message(index.numberOf(o.id)),
          facts: [o.statement],
        })),
  }
}

export const noCondition = missingPart(
  'no-condition',
  'conditions',
  'An assessor needs to know with what, and in which situation, it is shown.',
  (number) => `${number} says no condition: given what, using what, where?`,
)
export const noHowWell = missingPart(
  'no-how-well',
  'criteria',
  'Without a measure two assessors judge the same work differently.',
  (number) => `${number} does not say how well: within what, according to what, how many?`,
)
