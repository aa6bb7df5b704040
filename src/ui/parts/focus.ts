/** Whether what is shown anew may take the focus: it is nowhere, or in the work itself, not beside it in the panel or the strip. */
export const focusIsFree = (): boolean => {
  const active = document.activeElement
  return !active || active === document.body || active.closest('.panel, .strip') === null
}

/** What is written in; a tool above a text is not. */
const WRITTEN_IN = '[contenteditable="true"], [role="textbox"], input, textarea, select, td[tabindex="0"]'

/** Puts the focus where one begins to write in what was just opened, else on the first that can be pressed there. */
export function focusFirstIn(opened: HTMLElement | null): void {
  const first = opened?.querySelector<HTMLElement>(WRITTEN_IN) ?? opened?.querySelector<HTMLElement>('button')
  first?.focus()
  first?.scrollIntoView({ block: 'nearest' })
}

type Key = { readonly key: string; readonly defaultPrevented: boolean; readonly target: EventTarget }
/** Whether a key leads out of what somebody is in: Escape that nothing inside has used. A text with formats takes it and does nothing. */
export const leadsOut = ({ key, defaultPrevented, target }: Key): boolean =>
  key === 'Escape' && (!defaultPrevented || (target as HTMLElement).isContentEditable)
