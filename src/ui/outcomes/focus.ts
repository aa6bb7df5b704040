/** Where the caret goes among the lines. */

/** Puts the caret into the line that a selector names, once it is drawn. */
export const focusLine = (selector: string, atEnd = true) =>
  requestAnimationFrame(() => {
    const field = document.querySelector<HTMLTextAreaElement>(`${selector} textarea`)
    field?.focus()
    if (field && atEnd) field.setSelectionRange(field.value.length, field.value.length)
  })
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
