import { expect } from 'chai'
import { sameButCommas } from '../../../src/core/findings/kept'

describe('a finding that was kept', () => {
  it('stays kept when only commas, full stops and spaces change', () => {
    expect(sameButCommas('["Explain tides, briefly"]', '["Explain tides briefly."]')).to.equal(true)
    expect(sameButCommas('["Explain  tides"]', '["Explain tides"]')).to.equal(true)
  })
  it('comes back when a word or a number changes', () => {
    expect(sameButCommas('["Explain tides"]', '["Explain the tides"]')).to.equal(false)
    expect(sameButCommas('["2.5"]', '["25"]')).to.equal(false)
    expect(sameButCommas('["a","b"]', '["a b"]')).to.equal(false)
  })
})
