/** The colours of the pages that learners get: those that a course sets, the pairs in which they meet, and what of it is too faint. */
import type { Course } from '../blueprint/kinds'
import { type ColourUse, type Judged, judgeContrast, readColour } from './contrast'

export const COLOUR_FIELDS = [
  'colourPaper',
  'colourInk',
  'colourQuiet',
  'colourHeading',
  'colourLink',
  'colourAccent',
  'colourOnAccent',
] as const satisfies readonly (keyof Course)[]
export type ColourField = (typeof COLOUR_FIELDS)[number]
export type PageColours = Readonly<Record<ColourField, string>>

/** Where a course sets none: the light colours of Cairn's own pages. */
export const PAGE_COLOURS: PageColours = {
  colourPaper: '#ffffff',
  colourInk: '#20282b',
  colourQuiet: '#566166',
  colourHeading: '#20282b',
  colourLink: '#2c6a4f',
  colourAccent: '#2c6a4f',
  colourOnAccent: '#ffffff',
}

/** The colours of a course's pages; null where it sets none and they are as Cairn's are, light or dark. */
export function coloursOf(course: Course): PageColours | null {
  if (COLOUR_FIELDS.every((f) => course[f] === null)) return null
  return Object.fromEntries(COLOUR_FIELDS.map((f) => [f, course[f] ?? PAGE_COLOURS[f]])) as PageColours
}

/** Where two colours meet on a page, and what has to be seen there. */
const PAIRS: readonly { readonly pair: string; readonly colour: ColourField; readonly on: ColourField; readonly use: ColourUse }[] = [
  { pair: 'ink on paper', colour: 'colourInk', on: 'colourPaper', use: 'text' },
  { pair: 'quiet on paper', colour: 'colourQuiet', on: 'colourPaper', use: 'text' },
  // The lowest headings are no larger than text.
  { pair: 'heading on paper', colour: 'colourHeading', on: 'colourPaper', use: 'text' },
  { pair: 'link on paper', colour: 'colourLink', on: 'colourPaper', use: 'text' },
  { pair: 'text on accent', colour: 'colourOnAccent', on: 'colourAccent', use: 'text' },
  { pair: 'accent on paper', colour: 'colourAccent', on: 'colourPaper', use: 'shape' },
]

export type JudgedPair = Judged & {
  readonly pair: string
  readonly colour: string
  readonly on: string
  readonly use: ColourUse
  /** The field that the colour in front is of. */
  readonly field: ColourField
}

/** Every pair of the pages of a course, judged. */
export function paletteOf(course: Course): readonly JudgedPair[] {
  const colours = coloursOf(course) ?? PAGE_COLOURS
  return PAIRS.flatMap(({ pair, colour, on, use }): JudgedPair[] => {
    const [front, back] = [readColour(colours[colour]), readColour(colours[on])]
    if (!front || !back) return []
    return [{ pair, colour: colours[colour], on: colours[on], use, field: colour, ...judgeContrast(front, back.rgb, use) }]
  })
}

/** The nearest colours with which every pair passes: only those that have to change. What is behind is mended before what is in front. */
export function nearestColours(course: Course): Readonly<Partial<PageColours>> {
  const taken: Partial<Record<ColourField, string>> = {}
  for (let low: JudgedPair | undefined; ; ) {
    low = paletteOf({ ...course, ...taken }).find((p) => !p.passes && p.nearest && p.field !== 'colourOnAccent')
    low ??= paletteOf({ ...course, ...taken }).find((p) => !p.passes && p.nearest)
    if (!low?.nearest) return taken
    taken[low.field] = low.nearest.colour
  }
}

/** The names under which the style of the pages knows the colours. */
const PROPERTIES: Readonly<Record<ColourField, readonly string[]>> = {
  colourPaper: ['--surface'],
  colourInk: ['--ink'],
  colourQuiet: ['--muted'],
  colourHeading: ['--heading'],
  colourLink: ['--link'],
  colourAccent: ['--accent', '--line'],
  colourOnAccent: ['--on-accent'],
}

/** The colours as custom properties of the element that holds a page. */
export const colourProperties = (colours: PageColours): Readonly<Record<string, string>> =>
  Object.fromEntries(COLOUR_FIELDS.flatMap((f) => PROPERTIES[f].map((name) => [name, colours[f]])))

/** The same as CSS; a page with colours of its own is the same by day and by night. */
export const colourCss = (colours: PageColours): string =>
  `:root:root{color-scheme:only light;${Object.entries(colourProperties(colours))
    .map(([name, value]) => `${name}:${value}`)
    .join(';')}}`
