import { expect } from 'chai'
import {
  hear,
  initialsOf,
  PRESENCE_TTL_MS,
  type Presence,
  type Present,
  peoplePresent,
  presenceSchema,
  stillPresent,
} from '../../src/core/access/presence'

const says = (window: string, rest: Partial<Presence> = {}): Presence => ({
  window,
  person: 'tove',
  name: 'Tove Rasmussen',
  role: 'expert',
  view: 'map',
  place: null,
  field: null,
  says: 'here',
  ...rest,
})

describe('who is where', () => {
  it('is what each window said last', () => {
    let present: readonly Present[] = hear([], says('a'), 0)
    present = hear(present, says('a', { view: 'outcomes', place: 'objective o1' }), 10)
    expect(present.map((p) => [p.window, p.view, p.place, p.heard])).to.deep.equal([['a', 'outcomes', 'objective o1', 10]])
    expect(hear(present, says('a', { says: 'gone' }), 20)).to.deep.equal([])
    expect(hear(present, says('b', { says: 'gone' }), 20)).to.equal(present)
  })
  it('lasts for its time to live', () => {
    const present = hear(hear([], says('a'), 0), says('b'), 1000)
    expect(stillPresent(present, PRESENCE_TTL_MS - 1)).to.equal(present)
    expect(stillPresent(present, PRESENCE_TTL_MS).map((p) => p.window)).to.deep.equal(['b'])
  })
  it('shows each person once, where they were last, and not oneself', () => {
    const present = [
      says('a'),
      says('b', { view: 'brief' }),
      says('c', { person: 'ines', name: 'Ines Okafor' }),
      says('d', { person: 'me', name: 'Me' }),
    ].reduce<readonly Present[]>((all, m, i) => hear(all, m, i), [])
    expect(peoplePresent(present, 'me').map((p) => [p.person, p.view])).to.deep.equal([
      ['ines', 'map'],
      ['tove', 'brief'],
    ])
  })
  it('fits into one notification, whatever somebody is called', () => {
    const longest = says('w'.repeat(40), {
      person: 'p'.repeat(80),
      name: '𐍈'.repeat(60),
      view: 'v'.repeat(40),
      place: '漢'.repeat(140),
      field: '漢'.repeat(80),
    })
    expect(new TextEncoder().encode(JSON.stringify(presenceSchema.parse(longest))).length).to.be.below(7000)
    expect(presenceSchema.safeParse(says('<b>')).success).to.equal(false)
    expect(presenceSchema.safeParse({ ...says('a'), more: 1 }).success).to.equal(false)
  })
  it('has initials', () => {
    expect(['Tove Rasmussen', 'ines', 'Anna Maria von Berg', '', '𐍈u 𐍈v'].map(initialsOf)).to.deep.equal(['TR', 'I', 'AM', '', '𐍈'])
  })
})
