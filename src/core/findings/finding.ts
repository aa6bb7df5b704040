/** What the analysis noticed, in a form that can be sent, shown, compared and accepted. */
import type { RecordRef } from '../blueprint/kinds'
import type { Span } from '../objectives/statement'
import type { Workspace } from '../workspaces'
import type { FixStep } from './fix-edits'
import type { RuleWords } from './words'

/** Fix: two stated facts clash. Check: likely wrong. Idea: could be better. Open: not planned yet. */
export const WEIGHTS = ['fix', 'check', 'idea', 'open'] as const
export type Weight = (typeof WEIGHTS)[number]
export const WEIGHT_WORD: Readonly<Record<Weight, string>> = { fix: 'Fix', check: 'Check', idea: 'Idea', open: 'Open' }

export type Fix = { readonly code: string; readonly label: string; readonly steps: readonly FixStep[] }

/** The facts that a sentence or a label is made of; nothing where it needs none. */
type Named<S> = S extends (facts: infer N, ...more: never[]) => string
  ? unknown extends N
    ? { readonly named?: never }
    : { readonly named: N }
  : never
/** The fixes that the words of a rule have labels for. */
type RuleFixes<F> = { [C in keyof F & string]: { readonly code: C; readonly steps: readonly FixStep[] } & Named<F[C]> }[keyof F & string]

type Reported = {
  readonly weight: Weight
  /** The objects it names, the one to go to first. */
  readonly records: readonly RecordRef[]
  /** The field of the first record where it shows. */
  readonly field?: string
  /** Of a record that is shown as several cells: the record of the one it is about, such as a rubric level. */
  readonly cell?: string
  readonly span?: Span
  /** What it stands on: when these change, an accepted finding returns. */
  readonly facts: readonly (string | number | null)[]
}

/** What a rule reports; the engine adds key, sentence, labels and acceptance. `W`: the words of the rule. */
export type RuleFinding<W extends RuleWords> = Reported & Named<W['says']> & { readonly fixes?: readonly RuleFixes<W['fixes']>[] }

/** The same of any rule. */
export type AnyRuleFinding = Reported & {
  readonly named?: unknown
  readonly fixes?: readonly { readonly code: string; readonly named?: unknown; readonly steps: readonly FixStep[] }[]
}

export type Finding = {
  readonly key: string
  readonly weight: Weight
  readonly records: readonly RecordRef[]
  readonly message: string
  readonly code: string
  readonly workspace: Workspace
  /** Why it matters, in one sentence. */
  readonly why: string
  readonly facts: string
  readonly fixes: readonly Fix[]
  readonly field: string | null
  readonly cell: string | null
  readonly span: Span | null
  /** The decision that keeps it as it is; it is then left out of the counts. */
  readonly accepted: { readonly decisionId: string; readonly reason: string; readonly author: string } | null
}

export const findingKey = (code: string, records: readonly RecordRef[]): string => [code, ...records.map((r) => r.id).sort()].join(' ')
