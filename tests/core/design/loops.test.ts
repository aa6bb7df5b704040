import { expect } from 'chai'
import fc from 'fast-check'
import { loopsOf } from '../../../src/core/design/loops'

const links = (text: string) => text.split(' ').map((pair) => ({ from: pair[0] as string, to: pair[1] as string }))
const loops = (text: string) =>
  loopsOf(links(text))
    .map((l) => l.sort().join(''))
    .sort()

describe('loops of links', () => {
  it('are found of two and more, and apart from what only leads to them', () => {
    expect(loops('ab bc ca cd de')).to.deep.equal(['abc'])
    expect(loops('ab ba cd dc bc')).to.deep.equal(['ab', 'cd'])
    expect(loops('ab bc ac')).to.deep.equal([])
    // Two that share a record are one.
    expect(loops('ab ba bc cb')).to.deep.equal(['abc'])
  })
  it('are those sets whose records reach one another, whatever the links', () => {
    const node = fc.constantFrom(...'abcdef')
    fc.assert(
      fc.property(fc.array(fc.record({ from: node, to: node }), { maxLength: 14 }), (all) => {
        const reaches = (from: string, to: string, seen = new Set<string>()): boolean =>
          all.some((l) => l.from === from && (l.to === to || (!seen.has(l.to) && reaches(l.to, to, seen.add(l.to)))))
        const inLoop = [...'abcdef'].filter((x) => [...'abcdef'].some((y) => x !== y && reaches(x, y) && reaches(y, x)))
        expect(loopsOf(all).flat().sort()).to.deep.equal(inLoop)
      }),
      { seed: 3, numRuns: 300 },
    )
  })
  it('are looked for in a chain as long as a course', () => {
    const chain = Array.from({ length: 20_000 }, (_, i) => ({ from: String(i), to: String(i + 1) }))
    expect(loopsOf(chain)).to.deep.equal([])
    expect(loopsOf([...chain, { from: '20000', to: '0' }])[0]).to.have.length(20_001)
  })
})
