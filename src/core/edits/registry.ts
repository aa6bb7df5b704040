/**
 * Every edit of the plan by its code: what it is called in "Undone: ..." and in the history, from the facts that it carries. Nothing
 * worded is ever sent or stored. `{n cell}` is counted: 1 cell, 2 cells; `{n activity activities}` names both.
 */
import type { Change } from '../blueprint/change'
import { countOf } from '../numbers'

export const EDITS = {
  'create-course': 'course created',
  'import-course': 'course brought in',
  'copy-course': 'copied from {what}',
  'copy-in': 'copied in {what}',
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
  'add-offering': 'offering {what}',
  'add-rule': 'calendar entry added',
  'add-section': 'section added',
  'add-set': 'set {what}',
  'add-area': 'area added',
  'add-point': 'point added',
  'match-points': 'match of {what}',
  'take-newer': '{what}: {n point} taken over',
  'edit-text': 'wording of {what}',
  'set-field': '{what}',
  'set-level': 'level of {what}',
  'link-outcomes': 'outcomes of {what}',
  'edit-cells': '{n cell}',
  'paste-cells': 'pasted {n cell}',
  'fill-down': 'filled down {n cell}',
  'clear-cells': 'cleared {n cell}',
  'confirm-proposals': 'proposals confirmed in {n activity activities}',
  'follow-pattern': 'pattern applied to {what}',
  'fill-pattern': 'empty parts filled',
  'copy-module': 'copy of {what}',
  'second-pass': 'second pass of {n activity activities}',
  'add-link': '{what} builds on another',
  'cut-link': 'cut between {what}',
  'set-stages': 'matrix: {n cell}',
  'save-columns': 'columns {what}',
  move: 'moved {what}',
  remove: 'removed {what}',
  'accept-finding': 'finding kept as it is',
  'reopen-finding': 'finding opened again',
  'apply-fix': 'fix: {what}',
  'resolve-conflict': 'conflict resolved',
  'bring-back': 'brought back',
  restore: 'restored {what}',
  'copy-rubric': 'copy of {what}',
  'replace-text': 'replaced {what} in {n place}',
} as const satisfies Readonly<Record<string, string>>

export type EditCode = keyof typeof EDITS

/** The facts that a label names: `{what}` a text or number, `{n ...}` a count. */
type Facts<L extends string> = L extends `${string}{${infer Inner}}${infer Rest}`
  ? (Inner extends `${infer Name} ${string}` ? { readonly [N in Name]: number } : { readonly [N in Inner]: string | number }) & Facts<Rest>
  : object
export type EditFacts<C extends EditCode> = Facts<(typeof EDITS)[C]> & Change['params']

/** What a change did. One of a code that this version does not know, by the code itself. */
export function labelOf(change: Pick<Change, 'code' | 'params'>): string {
  const text: string = Object.hasOwn(EDITS, change.code) ? EDITS[change.code as EditCode] : change.code.replaceAll('-', ' ')
  return text.replace(/\{(\w+)(?: (\w+))?(?: (\w+))?\}/g, (_, name: string, one?: string, many?: string) => {
    const value = change.params[name] ?? ''
    return one ? countOf(Number(value), one, many) : String(value)
  })
}
