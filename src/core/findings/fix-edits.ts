/** What fixes are made of: each edit says which kind it writes and does it against the blueprint of the moment it is applied. */
import { anyRecord } from '../blueprint/blueprint'
import type { FieldValues } from '../blueprint/change'
import type { PlanEdit } from '../blueprint/edit'
import type { NewId } from '../blueprint/ids'
import type { AnyRecord, KindName } from '../blueprint/kinds'
import type { Stage } from '../blueprint/kinds/activity'
import type { RichText } from '../blueprint/rich-text'
import { addObjectives, mergeObjectives } from '../edits/objectives'
import { coverItem } from '../frameworks/edits'
import { type Mendable, mendText } from '../learner-pages/mend-text'
import { indexCourse } from '../plan/plan-index'

type FixEdit<P> = {
  /** The kind that it writes: whoever may not write it may not take the fix. */
  readonly writes: (params: P) => KindName
  /** Does it; what is gone meanwhile is left alone. */
  readonly run: (edit: PlanEdit, params: P, newId: NewId) => void
}
const defineFixEdit = <P>(edit: FixEdit<P>): FixEdit<P> => edit

/** Every edit that a fix may name, by its word in `do`. */
export const FIX_EDITS = {
  set: defineFixEdit<{ readonly kind: KindName; readonly id: string; readonly to: FieldValues }>({
    writes: ({ kind }) => kind,
    run: (edit, { kind, id, to }) => edit.set(kind, id, to),
  }),
  create: defineFixEdit<{ readonly kind: KindName; readonly record: AnyRecord }>({
    writes: ({ kind }) => kind,
    run: (edit, { kind, record }) => {
      if (!anyRecord(edit.now, { kind, id: record.id })) edit.create(kind, record as never)
    },
  }),
  remove: defineFixEdit<{ readonly kind: KindName; readonly id: string }>({
    writes: ({ kind }) => kind,
    run: (edit, { kind, id }) => edit.remove({ kind, id }),
  }),
  /** Splits an objective in two, links kept on both. */
  'split-objective': defineFixEdit<{ readonly id: string; readonly first: string; readonly second: string }>({
    writes: () => 'objective',
    run: (edit, { id, first, second }, newId) => splitObjective(edit, id, first, second, newId),
  }),
  /** Makes one objective of two: links of both stay. */
  'merge-objectives': defineFixEdit<{ readonly keep: string; readonly gone: string }>({
    writes: () => 'objective',
    run: (edit, { keep, gone }) => mergeObjectives(edit, keep, gone),
  }),
  /** Mends one sort of problem in a text, as it is then. */
  'mend-text': defineFixEdit<{ readonly kind: KindName; readonly id: string; readonly field: string; readonly code: Mendable }>({
    writes: ({ kind }) => kind,
    run: (edit, { kind, id, field, code }) => {
      const doc = anyRecord(edit.now, { kind, id })?.[field] as RichText | null | undefined
      if (doc) edit.set(kind, id, { [field]: mendText(doc, code) } as FieldValues)
    },
  }),
  /** Adds a placeholder activity that does this for a framework item. */
  'cover-item': defineFixEdit<{ readonly itemId: string; readonly moduleId: string; readonly stage: Stage }>({
    writes: () => 'activity',
    run: (edit, { itemId, moduleId, stage }, newId) => void coverItem(edit, itemId, moduleId, stage, newId),
  }),
} as const

type ParamsOf<E> = E extends FixEdit<infer P> ? P : never
/** One step of a fix: an edit with what it is done to. */
export type FixStep = { [N in keyof typeof FIX_EDITS]: { readonly do: N } & ParamsOf<(typeof FIX_EDITS)[N]> }[keyof typeof FIX_EDITS]

const editOf = (step: FixStep): FixEdit<FixStep> => FIX_EDITS[step.do] as unknown as FixEdit<FixStep>

/** The kind of record that a step writes. */
export const kindOfStep = (step: FixStep): KindName => editOf(step).writes(step)

/** Takes the steps of a fix, as an edit of the blueprint of this moment. */
export function applyFix(edit: PlanEdit, steps: readonly FixStep[], newId: NewId): void {
  for (const step of steps) editOf(step).run(edit, step, newId)
}

/** Two objectives from one: the first keeps its id, the second follows it; links are kept on both. */
function splitObjective(edit: PlanEdit, id: string, first: string, second: string, newId: NewId): void {
  const objective = edit.now.objective.get(id)
  if (!objective) return
  const index = indexCourse(edit.now)
  edit.set('objective', id, { statement: first })
  const [added] = addObjectives(edit, objective.moduleId, id, [second], newId)
  if (!added) return
  for (const outcome of index.outcomesOf(id)) edit.create('objectiveOutcome', { id: '', objectiveId: added, outcomeId: outcome.id })
  for (const a of index.alignmentsFor(id)) edit.create('alignment', { ...a, objectiveId: added })
}
