import { recordsOf } from '../../blueprint/blueprint'
import type { Objective, Outcome } from '../../blueprint/kinds'
import { ownTitle, readInList, withOwnWork } from '../../objectives/in-list'
import { rewordings, splitPerformances } from '../../objectives/rewrite'
import { MAX_WORDS, readStatement, type Statement } from '../../objectives/statement'
import { groupBy } from '../../plan/group-by'
import { ordersOf } from '../../plan/orders'
import type { Context } from '../context'
import type { RuleFinding } from '../finding'
import { outcomesRule } from '../rule'
import type { OUTCOMES_WORDS } from '../words/outcomes'

type Line = { readonly kind: 'outcome' | 'objective'; readonly record: Outcome | Objective; readonly read: Statement }

/** Outcomes of the course and objectives of each module, read as the lists that they are, with the course's own work in mind. */
function linesOf(context: Context): readonly Line[] {
  const known = linesKnown.get(context)
  if (known) return known
  const { index, blueprint } = context
  const titles = new Set([...recordsOf(blueprint, 'activity')].map((a) => ownTitle(a.title)).filter((t) => t !== ''))
  const readAll = (records: readonly (Outcome | Objective)[], kind: Line['kind']): Line[] => {
    const list = records.map((r) => r.statement)
    return records.map((record, i) => ({ kind, record, read: withOwnWork(record.statement, readInList(list, i), titles) }))
  }
  const byModule = groupBy(index.objectives, (o) => o.moduleId)
  const lines = [...readAll(index.outcomes, 'outcome'), ...[...byModule.values()].flatMap((list) => readAll(list, 'objective'))]
  linesKnown.set(context, lines)
  return lines
}
const linesKnown = new WeakMap<Context, readonly Line[]>()

type Flaw = ReturnType<typeof readStatement>['flaws'][number]
type LineCode = Flaw['code'] & keyof typeof OUTCOMES_WORDS
type LineFinding<C extends LineCode> = RuleFinding<(typeof OUTCOMES_WORDS)[C]>

/** What is wrong with the wording of outcomes and objectives: each line with a flaw, as `about` tells it. */
const flawed = <C extends LineCode>(
  code: C,
  about: (line: Line, flaw: Flaw) => Omit<LineFinding<C>, 'records' | 'field' | 'span' | 'facts'>,
) =>
  outcomesRule(code, {
    reads: [ordersOf, 'outcome.statement', 'outcome.origin', 'objective.statement', 'objective.origin', 'activity.title'],
    find: (context) =>
      linesOf(context).flatMap((line) => {
        const { statement, id } = line.record
        const flaw = line.read.flaws.find((f) => f.code === code)
        if (!flaw) return []
        const own = { records: [{ kind: line.kind, id }], field: 'statement', span: flaw.span, facts: [statement] }
        return [{ ...own, ...about(line, flaw) } as unknown as LineFinding<C>]
      }),
  })

/** Prescribed wording is its owner's: noted, without a fix. */
const ownFixes = <F>({ record }: Line, fixes: readonly F[]): readonly F[] => (record.origin === 'prescribed' ? [] : fixes)

/** A flaw that quotes the words it is about; its fixes put each offered wording in the line's place. */
const quoted = (code: 'unobservable-verb' | 'no-verb' | 'teacher-centred' | 'task-not-result' | 'passive') =>
  flawed(code, (line, { span }) => {
    const { statement, id } = line.record
    return {
      weight: 'check',
      named: { words: statement.slice(span.start, span.end), ...(line.read.heading === 'perhaps' ? { heading: true } : {}) },
      fixes: ownFixes(
        line,
        rewordings(statement).map((to) => ({
          code: 'reword',
          named: { statement: to },
          steps: [{ do: 'set', kind: line.kind, id, to: { statement: to } }],
        })),
      ),
    }
  })

export const unobservableVerb = quoted('unobservable-verb')
export const noVerb = quoted('no-verb')
export const teacherCentred = quoted('teacher-centred')
export const taskNotResult = quoted('task-not-result')
export const passive = quoted('passive')

export const doublePerformance = flawed('double-performance', (line) => {
  const { statement, id } = line.record
  const parts = line.kind === 'objective' ? splitPerformances(statement) : null
  return {
    weight: line.kind === 'outcome' ? 'idea' : 'check',
    named: { verbs: readStatement(statement).verbs.map((v) => v.text.toLowerCase()) },
    fixes: ownFixes(
      line,
      (parts ? [parts] : []).map(([first, second]) => ({
        code: 'split',
        named: { first, second },
        steps: [{ do: 'split-objective', id, first, second }],
      })),
    ),
  }
})

export const tooLong = flawed('too-long', () => ({ weight: 'idea', named: { most: MAX_WORDS } }))

/** Competency units say under which conditions and how well; elsewhere it is a matter of style, and these rules are off. */
const missingPart = (code: 'no-condition' | 'no-how-well', part: 'conditions' | 'criteria') =>
  outcomesRule(code, {
    reads: [ordersOf, 'objective.statement'],
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
          named: { objective: index.numberOf(o.id) },
          facts: [o.statement],
        })),
  })

export const noCondition = missingPart('no-condition', 'conditions')
export const noHowWell = missingPart('no-how-well', 'criteria')
