/** Every pair of colours that the interface puts on each other, against WCAG 2.2: 4.5:1 for text (1.4.3), 3:1 for shapes (1.4.11). */
import { expect } from 'chai'
import { DARK, LIGHT, type Tokens } from '../../../src/ui/theme/tokens'

/** Relative luminance of WCAG 2.2. */
function luminance(hex: string): number {
  const [r, g, b] = [1, 3, 5].map((at) => {
    const c = Number.parseInt(hex.slice(at, at + 2), 16) / 255
    return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4
  }) as [number, number, number]
  return 0.2126 * r + 0.7152 * g + 0.0722 * b
}
const contrast = (a: string, b: string): number => {
  const [dark, light] = [luminance(a), luminance(b)].sort((x, y) => x - y) as [number, number]
  return (light + 0.05) / (dark + 0.05)
}

type Name = keyof Tokens
const GROUNDS: readonly Name[] = ['paper', 'surface', 'soft']
const TEXT: readonly (readonly [Name, readonly Name[]])[] = [
  ['ink', [...GROUNDS, 'mossSoft', 'riverSoft', 'claySoft', 'ochreSoft']],
  ['muted', [...GROUNDS, 'mossSoft', 'riverSoft', 'claySoft', 'ochreSoft']],
  ['moss', [...GROUNDS, 'mossSoft', 'claySoft', 'ochreSoft', 'riverSoft']],
  ['river', [...GROUNDS, 'riverSoft']],
  ['clay', [...GROUNDS, 'claySoft']],
  ['ochre', [...GROUNDS, 'ochreSoft']],
  ['onMoss', ['moss']],
  ['paper', ['ink']],
]
const SHAPES: readonly (readonly [Name, readonly Name[]])[] = [
  ['edge', ['paper', 'surface']],
  ['moss', GROUNDS],
  ['river', GROUNDS],
  ['ochre', GROUNDS],
  ['clay', GROUNDS],
  ['plum', GROUNDS],
  ['muted', GROUNDS],
]

describe('colours', () => {
  it('are measured as WCAG does: black on white 21, grey #767676 on white 4.54', () => {
    expect(contrast('#000000', '#FFFFFF')).to.be.closeTo(21, 0.001)
    expect(contrast('#767676', '#FFFFFF')).to.be.closeTo(4.54, 0.005)
  })
  for (const [scheme, tokens] of Object.entries({ light: LIGHT as Tokens, dark: DARK })) {
    for (const [pairs, least, what] of [
      [TEXT, 4.5, 'text'],
      [SHAPES, 3, 'shapes'],
    ] as const)
      for (const [front, grounds] of pairs)
        for (const ground of grounds)
          it(`${front} on ${ground} is enough for ${what} in ${scheme}`, () =>
            expect(contrast(tokens[front], tokens[ground])).to.be.at.least(least))
  }
})
