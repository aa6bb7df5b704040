import { expect } from 'chai'
import { TooManyWaiting, Turns } from '../../src/server/turns'

/** Runs what was begun by now. */
const settled = () => new Promise((done) => setImmediate(done))

/** Works whose ends are in the test's hands: what began, in order, and how to end it. */
function works(turns: Turns) {
  const began: string[] = []
  const ends = new Map<string, () => void>()
  const ask = (name: string, of: readonly string[], signal?: AbortSignal) =>
    turns.take({ of, ...(signal ? { signal } : {}) }).then((end) => {
      began.push(name)
      ends.set(name, end)
    })
  const end = async (name: string) => {
    ends.get(name)?.()
    await settled()
  }
  return { began, ask, end }
}

describe('turns', () => {
  it('are so many at once, and one of each person and of each course', async () => {
    const { began, ask, end } = works(new Turns(2, 8))
    for (const [name, ...of] of [
      ['a1', 'a', 'x'],
      ['a2', 'a', 'y'],
      ['b1', 'b', 'x'],
      ['b2', 'b', 'y'],
      ['c1', 'c', 'z'],
    ] as const)
      void ask(name, of)
    await settled()
    // a is at work, and so is x; b2 is free of both, and then both places are taken.
    expect(began).to.deep.equal(['a1', 'b2'])
    await end('a1')
    expect(began).to.deep.equal(['a1', 'b2', 'c1'])
    await end('b2')
    // a had a turn before b had: a2 waits for y no longer, and was asked for before.
    expect(began).to.deep.equal(['a1', 'b2', 'c1', 'a2'])
  })
  it('come round: who had none comes before who had one, whoever asked first', async () => {
    const { began, ask, end } = works(new Turns(1, 8))
    for (const name of ['a1', 'a2', 'a3', 'b1', 'c1']) void ask(name, [name.charAt(0)])
    await settled()
    for (const name of ['a1', 'b1', 'c1', 'a2', 'a3']) {
      expect(began.at(-1)).to.equal(name)
      await end(name)
    }
  })
  it('are waited for by so many of a person, and no more', async () => {
    const turns = new Turns(1, 2)
    const { began, ask, end } = works(turns)
    void ask('a1', ['a'])
    void ask('a2', ['a'])
    void ask('a3', ['a'])
    const refused = await ask('a4', ['a']).then(
      () => null,
      (error: unknown) => error,
    )
    expect(refused).to.be.instanceOf(TooManyWaiting)
    void ask('b1', ['b'])
    expect(turns.length).to.deep.equal({ working: 1, waiting: 3 })
    await settled()
    for (const name of ['a1', 'b1', 'a2', 'a3']) await end(name)
    expect(began).to.deep.equal(['a1', 'b1', 'a2', 'a3'])
    expect(turns.length).to.deep.equal({ working: 0, waiting: 0 })
  })
  it('that nobody waits for any more are passed over', async () => {
    const { began, ask, end } = works(new Turns(1, 8))
    void ask('a1', ['a'])
    const leaving = new AbortController()
    const left = ask('b1', ['b'], leaving.signal).catch(() => 'left')
    void ask('c1', ['c'])
    await settled()
    leaving.abort()
    expect(await left).to.equal('left')
    expect(await ask('d1', ['d'], AbortSignal.abort()).catch(() => 'left')).to.equal('left')
    await end('a1')
    // An end that comes twice frees no second place.
    await end('a1')
    expect(began).to.deep.equal(['a1', 'c1'])
  })
})
