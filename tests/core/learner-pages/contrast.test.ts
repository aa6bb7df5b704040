/** Contrast: known values of WCAG 2.2, a second implementation, and the nearest colour that passes. */
import { expect } from 'chai'
import { wcagContrast } from 'culori'
import fc from 'fast-check'
import {
  contrastRatio,
  judgeContrast,
  judgeLines,
  laidOver,
  type Rgb,
  readColour,
  shownRatio,
  writeColour,
} from '../../../src/core/learner-pages/contrast'

const rgb = (text: string): Rgb => (readColour(text) as NonNullable<ReturnType<typeof readColour>>).rgb
const judged = (colour: string, on: string, use: 'text' | 'large' | 'shape' = 'text') =>
  judgeContrast(readColour(colour) as NonNullable<ReturnType<typeof readColour>>, rgb(on), use)
const anyRgb = fc.tuple(fc.nat(255), fc.nat(255), fc.nat(255))

describe('contrast', () => {
  it('reads the four ways of writing a colour, and nothing else', () => {
    expect(readColour('#fA0')).to.deep.equal({ rgb: [255, 170, 0], alpha: 255 })
    expect(readColour('#fa08')).to.deep.equal({ rgb: [255, 170, 0], alpha: 136 })
    expect(readColour('#0102fE')).to.deep.equal({ rgb: [1, 2, 254], alpha: 255 })
    expect(readColour('#0102fe00')).to.deep.equal({ rgb: [1, 2, 254], alpha: 0 })
    for (const text of ['', '#', '#ab', '#abcde', '#abcdefa', 'abc', '#ggg', '#abc ', 'red']) expect(readColour(text), text).to.equal(null)
  })

  it('is 21 of black on white, 1 of a colour on itself, and cuts what is shown', () => {
    expect(shownRatio(contrastRatio([0, 0, 0], [255, 255, 255]))).to.equal('21.00')
    expect(shownRatio(contrastRatio([9, 90, 200], [9, 90, 200]))).to.equal('1.00')
    // 4.478 would be rounded to 4.48: it is cut, and fails (a grey that is often named as the last one that does).
    expect(judged('#777', '#fff')).to.include({ shown: '4.47', passes: false, needed: 4.5 })
    expect(judged('#767676', '#ffffff')).to.include({ shown: '4.54', passes: true, nearest: null })
    expect(judged('#949494', '#ffffff', 'large')).to.include({ shown: '3.03', passes: true, needed: 3 })
    expect(judged('#959595', '#ffffff', 'shape')).to.include({ shown: '2.99', passes: false, needed: 3 })
  })

  it('agrees with another implementation, on 256 greys and on any two colours', () => {
    const same = (a: Rgb, b: Rgb) => expect(contrastRatio(a, b)).to.be.closeTo(wcagContrast(writeColour(a), writeColour(b)), 1e-9)
    for (let grey = 0; grey < 256; grey++) for (const on of [0, 119, 255]) same([grey, grey, grey], [on, on, on])
    fc.assert(fc.property(anyRgb, anyRgb, (a, b) => void same(a, b)))
  })

  it('lays a see-through colour over its background, unrounded', () => {
    // 128 of 255 black over white: 255 * 127 / 255 = 127.
    expect(laidOver({ rgb: [0, 0, 0], alpha: 128 }, [255, 255, 255])).to.deep.equal([127, 127, 127])
    // 1 of 255: 10 + (20 - 10) / 255.
    expect(laidOver({ rgb: [20, 20, 20], alpha: 1 }, [10, 10, 10])[0]).to.be.closeTo(10 + 10 / 255, 1e-12)
    expect(judged('#00000000', '#ffffff').ratio).to.equal(1)
  })

  it('names the first mix of black, then white, that passes', () => {
    // #777 is 119: one per cent of black makes 117.81, that is 118 (#767676), and passes.
    expect(judged('#777', '#fff').nearest).to.deep.equal({ colour: '#767676', shown: '4.54' })
    // On black white alone helps: 85 + 170 * 8 / 100 = 98.6, 99 is not enough for 4.5, seen from the ratio itself.
    const nearest = judged('#555', '#000').nearest?.colour as string
    expect(rgb(nearest)[0]).to.be.above(85)
    fc.assert(
      fc.property(anyRgb, anyRgb, (a, b) => {
        const { passes, nearest } = judgeContrast({ rgb: a, alpha: 255 }, b, 'text')
        if (passes) return nearest === null
        return nearest !== null && judged(nearest.colour, writeColour(b)).passes
      }),
    )
  })

  it('reads lines, leaves remarks and empty lines out, and tells what is none', () => {
    const lines = judgeLines([
      '# ours',
      '',
      '#000 #fff',
      '#777\t#fff  large # the quiet one',
      'red #fff',
      '#000',
      '#000 #ffffff80',
      '#000 #fff big',
      '#000 #fff text x',
    ])
    expect(lines.map((l) => ('problem' in l ? [l.line, l.problem] : [l.line, l.use, l.shown, l.passes]))).to.deep.equal([
      [3, 'text', '21.00', true],
      [4, 'large', '4.47', true],
      [5, '“red” is no colour: #rgb, #rgba, #rrggbb or #rrggbbaa'],
      [6, 'a background is missing'],
      [7, 'the background #ffffff80 is see-through'],
      [8, '“big” is no use: text, large, shape'],
      [9, 'there is more on the line: x'],
    ])
  })
})
