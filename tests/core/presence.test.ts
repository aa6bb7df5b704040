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

let counted = 0
const says = (window: string, rest: Partial<Presence> = {}): Presence => ({
  window,
  person: 'tove',
  name: 'Tove Rasmussen',
  role: 'expert',
  view: 'map',
  place: null,
  field: null,
  says: 'here',
  n: counted++,
  ...rest,
})

describe('who is where', () => {
  it('is what each window said last', () => {
    let present: readonly Present[] = hear([], says('a'), 0)
    present = hear(present, says('a', { view: 'outcomes', place: 'objective o1' }), 10)
    expect(present.map((p) => [p.window, p.view, p.place, p.heard])).to.deep.equal([['a', 'outcomes', 'objective o1', 10]])
    expect(peoplePresent(hear(present, says('a', { says: 'gone' }), 20), 'me')).to.deep.equal([])
    expect(peoplePresent(hear(present, says('b', { says: 'gone' }), 20), 'me')).to.have.length(1)
  })
  it('does not come back by a message that was overtaken', () => {
    const [first, second, left, again] = [says('a'), says('a'), says('a', { says: 'gone' }), says('a', { says: 'hello' })]
    const hears = (...messages: readonly Presence[]) =>
      peoplePresent(
        messages.reduce<readonly Present[]>((all, m, i) => hear(all, m, i), []),
        'me',
      ).length
    expect(hears(first, left, second)).to.equal(0)
    expect(hears(left, second)).to.equal(0)
    expect(hears(first, second, left, again)).to.equal(1)
    // The server says it of a window that could not say so itself; what it says afterwards counts again.
    const lost = { ...left, n: null }
    expect(hears(first, lost)).to.equal(0)
    expect(hears(second, lost, first)).to.equal(0)
    expect(hears(first, lost, second)).to.equal(1)
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
