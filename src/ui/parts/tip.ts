/**
 * What is said beside something at the pointer and at the focus: an attribute, so that it costs nothing until somebody is there.
 * One part for the whole page shows them ({@link Tips} in tips.tsx).
 */
export const tip = (text: string | undefined): { readonly 'data-tip'?: string; readonly 'aria-description'?: string } =>
  text === undefined ? {} : { 'data-tip': text, 'aria-description': text }
