/** How well a colour stands out from its background, and the nearest colour that stands out enough. Source: WCAG 2.2. */

/** What a colour is used for: text, large text, or a shape that has to be seen. */
export const COLOUR_USES = ['text', 'large', 'shape'] as const
export type ColourUse = (typeof COLOUR_USES)[number]
/** WCAG 2.2, 1.4.3 for text and large text (from 24 px, bold from 18.66 px), 1.4.11 for shapes. */
export const NEEDED: Readonly<Record<ColourUse, number>> = { text: 4.5, large: 3, shape: 3 }

/** Red, green, blue, 0 to 255; not whole where a see-through colour was laid over another. */
export type Rgb = readonly [red: number, green: number, blue: number]
/** As it is written; `alpha` 255 is opaque. */
export type Colour = { readonly rgb: Rgb; readonly alpha: number }

/** Reads `#rgb`, `#rgba`, `#rrggbb`, `#rrggbbaa`, in either case; null for everything else. */
export function readColour(text: string): Colour | null {
  const digits = /^#([0-9a-f]{3,4}|[0-9a-f]{6}|[0-9a-f]{8})$/i.exec(text)?.[1]
  if (!digits) return null
  const long = digits.length < 6 ? [...digits].map((d) => d + d).join('') : digits
  const [red = 0, green = 0, blue = 0, alpha = 255] = (long.match(/../g) ?? []).map((pair) => Number.parseInt(pair, 16))
  return { rgb: [red, green, blue], alpha }
}

/** `#rrggbb` of whole channels. */
export const writeColour = (rgb: Rgb): string => `#${rgb.map((c) => c.toString(16).padStart(2, '0')).join('')}`

/** What is seen of a colour over an opaque background, unrounded. */
export const laidOver = ({ rgb, alpha }: Colour, background: Rgb): Rgb =>
  alpha === 255 ? rgb : mapped(rgb, (c, i) => (c * alpha + (background[i] as number) * (255 - alpha)) / 255)

/** Relative luminance, 0 to 1 (WCAG 2.2). */
export function luminance(rgb: Rgb): number {
  const [red, green, blue] = mapped(rgb, (channel) => {
    const c = channel / 255
    return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4
  })
  return 0.2126 * red + 0.7152 * green + 0.0722 * blue
}

/** The contrast ratio of two opaque colours, 1 to 21 (WCAG 2.2). */
export function contrastRatio(a: Rgb, b: Rgb): number {
  const [x, y] = [luminance(a), luminance(b)]
  return (Math.max(x, y) + 0.05) / (Math.min(x, y) + 0.05)
}

/** A ratio to two places, cut and not rounded, so that none looks better than it is: `4.47`. */
export function shownRatio(ratio: number): string {
  // What is below a hundredth by less than a calculation in doubles can tell is that hundredth: white on black is 21.
  return (Math.floor(ratio * 100 + 1e-9) / 100).toFixed(2)
}

export type Judged = {
  readonly ratio: number
  readonly shown: string
  readonly needed: number
  readonly passes: boolean
  /** The nearest colour that passes; null where this one does, or none can. */
  readonly nearest: { readonly colour: string; readonly shown: string } | null
}

/** Judges a colour on an opaque background for a use; unrounded. */
export function judgeContrast(colour: Colour, background: Rgb, use: ColourUse): Judged {
  const ratio = contrastRatio(laidOver(colour, background), background)
  const needed = NEEDED[use]
  const passes = ratio >= needed
  return { ratio, shown: shownRatio(ratio), needed, passes, nearest: passes ? null : nearestPassing(colour, background, needed) }
}

/** Half up, of a quotient of whole numbers. */
const halfUp = (over: number, under: number): number => Math.floor((2 * over + under) / (2 * under))

/** Mixes in black, then white, a per cent more each time, until it passes: the least change that does. */
function nearestPassing({ rgb, alpha }: Colour, background: Rgb, needed: number): Judged['nearest'] {
  const opaque = mapped(rgb, (c, i) => halfUp(c * alpha + (background[i] as number) * (255 - alpha), 255))
  for (let percent = 1; percent <= 100; percent++)
    for (const target of [0, 255]) {
      const mixed = mapped(opaque, (c) => halfUp(c * (100 - percent) + target * percent, 100))
      const ratio = contrastRatio(mixed, background)
      if (ratio >= needed) return { colour: writeColour(mixed), shown: shownRatio(ratio) }
    }
  return null
}

const mapped = ([red, green, blue]: Rgb, by: (channel: number, place: number) => number): Rgb => [by(red, 0), by(green, 1), by(blue, 2)]

export type ContrastLine =
  | ({ readonly line: number; readonly colour: string; readonly on: string; readonly use: ColourUse } & Judged)
  | { readonly line: number; readonly problem: string }

/**
 * Reads lines of colour, background and use (open: text), split by blanks; `# ` begins a remark, empty lines are left out. What is
 * no such line is told with why.
 */
export const judgeLines = (lines: readonly string[]): readonly ContrastLine[] =>
  lines.flatMap((text, i) => {
    const words = text
      .replace(/(^|\s)#(\s.*)?$/, '')
      .trim()
      .split(/\s+/)
      .filter(Boolean)
    return words.length === 0 ? [] : [judgeLine(i + 1, words)]
  })

function judgeLine(line: number, [colour = '', on = '', named = 'text', ...more]: readonly string[]): ContrastLine {
  const [front, back] = [readColour(colour), readColour(on)]
  const use = COLOUR_USES.find((u) => u === named.toLowerCase())
  const problem = !front
    ? `“${colour}” is no colour: #rgb, #rgba, #rrggbb or #rrggbbaa`
    : !back
      ? on === ''
        ? 'a background is missing'
        : `“${on}” is no colour: #rgb, #rgba, #rrggbb or #rrggbbaa`
      : back.alpha !== 255
        ? `the background ${on} is see-through`
        : !use
          ? `“${named}” is no use: ${COLOUR_USES.join(', ')}`
          : more.length > 0
            ? `there is more on the line: ${more.join(' ')}`
            : null
  if (problem !== null || !front || !back || !use) return { line, problem: problem ?? '' }
  return { line, colour, on, use, ...judgeContrast(front, back.rgb, use) }
}
