/** How several conditions are joined: all of them, or any. */
export const JOINS = ['all', 'any'] as const
