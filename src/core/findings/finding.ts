/** What the analysis noticed, in a form that can be sent, shown, compared and accepted. */
import type { RecordRef } from '../blueprint/kinds'
import type { Span } from '../objectives/statement'
import type { Workspace } from '../workspaces'
import type { FixStep } from './fix-edits'

/** Fix: two stated facts clash. Check: likely wrong. Idea: could be better. Open: not planned yet. */
export const WEIGHTS = ['fix', 'check', 'idea', 'open'] as const
export type Weight = (typeof WEIGHTS)[number]
export const WEIGHT_WORD: Readonly<Record<Weight, string>> = { fix: 'Fix', check: 'Check', idea: 'Idea', open: 'Open' }

export type Fix = { readonly code: string; readonly label: string; readonly steps: readonly FixStep[] }

/** What a rule reports; the engine adds key, weight word and acceptance. */
export type RuleFinding = {
  readonly weight: Weight
  /** The objects it names, the one to go to first. */
  readonly records: readonly RecordRef[]
  /** The field of the first record where it shows. */
  readonly field?: string
  /** Of a record that is shown as several cells: the record of the one it is about, such as a rubric level. */
  readonly cell?: string
  readonly span?: Span
  readonly message: string
  /** What it stands on: when these change, an accepted finding returns. */
  readonly facts: readonly (string | number | null)[]
  readonly fixes?: readonly Fix[]
}

export type Finding = Omit<RuleFinding, 'facts' | 'fixes' | 'field' | 'cell' | 'span'> & {
  readonly key: string
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
