/** Whose first steps were put away: kept by the account, and in the browser for as long as there is no line. */
import { seenOf, seenText } from '../../core/access/seen'
import type { Workspace } from '../../core/workspaces'
import { askAuth } from '../home/ask-auth'

const KEPT = 'cairn-seen'

/** What was put away, here or in another browser of the account. */
export function seen(): readonly Workspace[] {
  let here = ''
  try {
    here = localStorage.getItem(KEPT) ?? ''
  } catch {
    // A browser that keeps nothing has what the account says.
  }
  return seenOf(`${here},${document.documentElement.dataset['seen'] ?? ''}`)
}

export function putAway(workspace: Workspace): void {
  const text = seenText([...seen(), workspace])
  document.documentElement.dataset['seen'] = text
  try {
    localStorage.setItem(KEPT, text)
  } catch {
    // The account has it.
  }
  // Without a line it stays put away here, and is told to the account with the next one.
  void askAuth('update-user', { seen: text })
}
