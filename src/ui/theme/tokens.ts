/** The colours of Cairn, once: Astro pages get them as custom properties, MUI as its palette. Pairs are checked in tests. */
export const LIGHT = {
  paper: '#FAF8F4',
  surface: '#FFFFFF',
  soft: '#F1EDE5',
  ink: '#20282B',
  muted: '#566166',
  line: '#DDD8CE',
  edge: '#8A8578',
  moss: '#2C6A4F',
  mossSoft: '#E7F0EA',
  river: '#24648C',
  riverSoft: '#EDF3F7',
  clay: '#A8482A',
  claySoft: '#FBF1EC',
  ochre: '#7D5F0E',
  ochreSoft: '#F8F2DF',
  plum: '#6E4A7E',
  onMoss: '#FFFFFF',
} as const
export type Tokens = Readonly<Record<keyof typeof LIGHT, string>>
export const DARK: Tokens = {
  paper: '#171C1E',
  surface: '#1F2629',
  soft: '#283034',
  ink: '#ECE9E2',
  muted: '#A9B3B5',
  line: '#3A4448',
  edge: '#7C878A',
  moss: '#8CCBAA',
  mossSoft: '#24362D',
  river: '#8FC1E3',
  riverSoft: '#21313C',
  clay: '#F0A183',
  claySoft: '#3B2820',
  ochre: '#DDBB62',
  ochreSoft: '#353020',
  plum: '#C9A6D9',
  onMoss: '#12211A',
}

const declarations = (tokens: Tokens): string =>
  Object.entries(tokens)
    .map(([name, value]) => `--${name.replace(/[A-Z]/g, (c) => `-${c.toLowerCase()}`)}:${value}`)
    .join(';')

/**
 * Custom properties for both schemes; printed pages are always light. `data-shown` says which one is shown; a page without
 * scripts goes by the system.
 */
export const tokenCss = [
  `:root{color-scheme:light;${declarations(LIGHT)}}`,
  `@media screen{:root[data-shown=dark]{color-scheme:dark;${declarations(DARK)}}}`,
  `@media screen and (prefers-color-scheme:dark){:root:not([data-shown]){color-scheme:dark;${declarations(DARK)}}}`,
].join('')
