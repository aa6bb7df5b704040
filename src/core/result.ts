/** Expected failures are values: callers look at `ok` before they touch the rest. */
export type Result<T, E> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly error: E }

export const ok = <T>(value: T): Result<T, never> => ({ ok: true, value })
export const err = <E>(error: E): Result<never, E> => ({ ok: false, error })

/** A problem at the edge of the core: a code to compare, a sentence for people, and the place it was found. */
export type Problem = { readonly code: string; readonly message: string; readonly at: string }

/** Why something was not done, as one sentence for people; null when it was. */
export type Refused = string | null

/** A problem as a sentence, with its place. */
export const problemText = ({ message, at }: Problem): string => (at ? `${at}: ${message}` : message)
