/** Changes in words, from their code and facts: nothing worded is ever sent or stored. */
import type { Change } from '../../core/blueprint/change'
import { countOf } from '../../core/numbers'

const LABELS: Readonly<Record<string, string>> = {
  'create-course': 'course created',
  'import-course': 'course brought in',
  'add-outcome': 'outcome added',
  'add-objective': 'objective added',
  'add-module': 'module added',
  'add-activity': 'activity added',
  'add-category': 'category added',
  'bring-in': 'brought in {n record}',
  'make-skeleton': 'skeleton of {n module}',
  'make-series': 'series of {n activity activities}',
  'repeat-series': 'series repeated in {n module}',
  'leave-series': '{what} out of its series',
  'spread-series': '{what} of a series',
  'join-objectives': 'joined {what} to the line above',
  'merge-objectives': 'made one of {what}',
  'bring-framework': 'framework {what}',
  'link-items': 'links of {what}',
  'add-evidence': 'evidence point added',
  'add-rubric': 'rubric added',
  'add-level': 'level added to {what}',
  'add-scale': 'grade scale',
  'add-part': 'part added',
  'add-rule': 'calendar entry added',
  'add-section': 'section added',
  'edit-text': 'wording of {what}',
  'set-field': '{what}',
  'set-level': 'level of {what}',
  'link-outcomes': 'outcomes of {what}',
  'edit-cells': '{n cell}',
  'paste-cells': 'pasted {n cell}',
  'fill-down': 'filled down {n cell}',
  'clear-cells': 'cleared {n cell}',
  move: 'moved {what}',
  remove: 'removed {what}',
  'accept-finding': 'finding kept as it is',
  'reopen-finding': 'finding opened again',
  'apply-fix': 'fix: {what}',
  'resolve-conflict': 'conflict resolved',
  'bring-back': 'brought back',
  restore: 'restored {what}',
}

/** What a change did, for "Undone: ..." and the history. `{n cell}` is counted: 1 cell, 2 cells. */
export function labelOf(change: Pick<Change, 'code' | 'params'>): string {
  const text = LABELS[change.code] ?? change.code.replaceAll('-', ' ')
  return text.replace(/\{(\w+)(?: (\w+))?(?: (\w+))?\}/g, (_, name: string, one?: string, many?: string) => {
    const value = change.params[name] ?? ''
    return one ? countOf(Number(value), one, many) : String(value)
  })
}
