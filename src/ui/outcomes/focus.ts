/** Where the caret goes among the lines. */
import { flushSync } from 'react-dom'

/**
 * Puts the caret into the line that a selector names: at its end, at an offset, or where it was. To be called by what answers a
 * key, after the edit: the line is drawn and has the focus before the next key, however fast that comes.
 */
export function focusLine(selector: string, caret: 'end' | 'stay' | number = 'end'): void {
  const focus = (): boolean => {
    const field = document.querySelector<HTMLTextAreaElement>(`${selector} textarea`)
    field?.focus()
    if (!field || caret === 'stay') return field !== null
    const at = caret === 'end' ? field.value.length : caret
    field.setSelectionRange(at, at)
    return true
  }
  flushSync(() => {})
  if (!focus()) requestAnimationFrame(focus)
}
/** Puts the focus on the level of a record's line: where Tab leads from its text. To be called by what answers a key. */
export function focusLevel(kind: 'outcome' | 'objective', id: string): void {
  const focus = () => document.querySelector<HTMLElement>(`${lineSelector(kind, id)} [aria-label^="Thinking level"]`)?.focus()
  flushSync(() => {})
  focus()
}
/** The selector of a record's line. */
export const lineSelector = (kind: string, id: string) => `[data-record="${CSS.escape(`${kind} ${id}`)}"]`

/** Moves the focus to the line above or below, over module borders. */
export function focusNeighbour(field: HTMLElement, step: 1 | -1): void {
  const column = field.closest('[data-lines]')
  const lines = [...(column?.querySelectorAll<HTMLTextAreaElement>('textarea') ?? [])]
  lines[lines.indexOf(field as HTMLTextAreaElement) + step]?.focus()
}

/** Whether the caret stands on the first or last drawn line, so that an arrow leaves the field. */
export function atEdge(field: HTMLTextAreaElement, step: 1 | -1): boolean {
  const one = field.clientHeight < 40
  return one || (step === -1 ? field.selectionStart === 0 : field.selectionEnd === field.value.length)
}

/** The step of an arrow key that leaves a line; null for other keys and in the middle of a text of several lines. */
export function leavingStep(e: React.KeyboardEvent<HTMLTextAreaElement>): 1 | -1 | null {
  if (e.key !== 'ArrowUp' && e.key !== 'ArrowDown') return null
  const step = e.key === 'ArrowUp' ? -1 : 1
  return !e.shiftKey && !e.ctrlKey && !e.altKey && !e.metaKey && atEdge(e.currentTarget, step) ? step : null
}

/** The step of Alt and an arrow, which moves a line; null for other keys. */
export const movingStep = (e: React.KeyboardEvent): 1 | -1 | null =>
  e.altKey && !e.shiftKey && (e.key === 'ArrowUp' || e.key === 'ArrowDown') ? (e.key === 'ArrowUp' ? -1 : 1) : null
