/** Light or dark: as the system has it, or as somebody chose for the account. */

export const SCHEMES = ['system', 'light', 'dark'] as const
export type Scheme = (typeof SCHEMES)[number]
export const SCHEME_WORDS: Readonly<Record<Scheme, string>> = { system: 'As the system', light: 'Light', dark: 'Dark' }

export const schemeOf = (text: unknown): Scheme => SCHEMES.find((s) => s === text) ?? 'system'
