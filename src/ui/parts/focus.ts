/** Whether what is shown anew may take the focus: it is nowhere, or in the work itself, not beside it in the panel or the strip. */
export const focusIsFree = (): boolean => {
  const active = document.activeElement
  return !active || active === document.body || active.closest('.panel, .strip') === null
}
