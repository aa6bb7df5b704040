/** The words that somebody has marked in a part of the page, in a text or in a field of it. */
import { MOST_QUOTE } from '../../core/beside/review-records'

/** Null where nothing is marked there. */
export function markedWords(within: Element | null): string | null {
  const active = document.activeElement
  const isField = active instanceof HTMLInputElement || active instanceof HTMLTextAreaElement
  if (isField && within?.contains(active) && active.selectionStart !== null && active.selectionEnd !== null)
    return trimmed(active.value.slice(active.selectionStart, active.selectionEnd))
  const selection = window.getSelection()
  return selection?.anchorNode && within?.contains(selection.anchorNode) ? trimmed(selection.toString()) : null
}

const trimmed = (text: string): string | null => text.trim().replace(/\s+/g, ' ').slice(0, MOST_QUOTE) || null
