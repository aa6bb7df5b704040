import { expect } from 'chai'
import { BY_HAND, factsOf } from '../../support/by-hand'

describe('files that people wrote by hand', () => {
  it('are at least twenty', () => expect(BY_HAND.length).to.be.at.least(20))
  for (const file of BY_HAND)
    it(`are read: ${file}`, () => {
      const facts = factsOf(file)
      expect(facts.length).to.be.greaterThan(0)
      expect(facts.filter((f) => !f.right)).to.deep.equal([])
    })
})
