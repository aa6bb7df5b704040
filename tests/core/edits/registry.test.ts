/** What edits are called, also those that another version made. */
import { expect } from 'chai'
import { parseChange } from '../../../src/core/blueprint/schema'
import { EDITS, labelOf } from '../../../src/core/edits/registry'

describe('the name of an edit', () => {
  it('is made of its facts, counted ones in the right number', () => {
    for (const [code, text] of Object.entries(EDITS)) {
      const facts = [...text.matchAll(/\{(\w+)(?: \w+ \w+)?\}/g)].map((m) => m[1] as string)
      const label = labelOf({ code, params: Object.fromEntries(facts.map((f) => [f, 2])) })
      expect(label, code).to.not.match(/[{}]/)
      expect(label, code).to.not.equal('')
    }
  })
  it('of one that this version does not know is its code in words; facts that are missing are left out', () => {
    expect(labelOf({ code: 'weigh-the-kites', params: { kites: 3 } })).to.equal('weigh the kites')
    expect(labelOf({ code: 'constructor', params: {} })).to.equal('constructor')
    for (const code of Object.keys(EDITS)) expect(labelOf({ code, params: {} }), code).to.not.match(/undefined|NaN/)
  })
  it('may be any, as long as it is a code: what it does stands in its operations', () => {
    const operations = [{ op: 'update', kind: 'module', id: 'm1', from: { title: 'A' }, to: { title: 'B' } }]
    const made = (code: string) => parseChange({ id: 'c1', code, params: {}, onConflict: 'refuse', operations }).ok
    expect([made('weigh-the-kites'), made('Weigh kites'), made('')]).to.deep.equal([true, false, false])
  })
})
