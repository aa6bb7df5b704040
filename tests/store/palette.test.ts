import { expect } from 'chai'
import { type Entry, matching } from '../../src/ui/commands/matching'

const command = (id: string, text: string, short?: string): Entry => ({
  sort: 'command',
  key: id,
  text,
  command: { id, title: text, ...(short ? { short } : {}), run: () => undefined },
})
const record = (id: string, text: string): Entry => ({ sort: 'record', key: id, text, noun: 'activity', ref: { kind: 'activity', id } })
const course = (id: string, text: string): Entry => ({ sort: 'course', key: id, text, id })
const entries = [
  command('map', 'Go to Map', '3'),
  command('undo', 'Undo'),
  record('a1', '3.1 Map the weeds'),
  record('a2', '3.2 Walk'),
  course('c1', 'MUS 110 Writing Museum Labels'),
  course('c2', 'SOL 1 Mapping roofs'),
]
const found = (typed: string, ...recent: string[]) => matching(entries, typed, recent).map((e) => `${e.under}: ${e.key}`)

describe('what the palette finds', () => {
  it('is all of it while nothing is typed, what was taken lately first, the last of all', () =>
    expect(found('', 'c2', 'a2')).to.deep.equal([
      'Recent: c2',
      'Recent: a2',
      'Commands: map',
      'Commands: undo',
      'In this course: a1',
      'My other courses: c1',
    ]))
  it('is a command that a digit stands for, before what begins with it', () =>
    expect(found('3')).to.deep.equal(['Commands: map', 'In this course: a1', 'In this course: a2']))
  it('has each sort together, the one with the best first', () => expect(found('mapping')).to.deep.equal(['My other courses: c2']))
  it('begins with what was taken lately among equals, and never leaves out words for it', () => {
    expect(found('3.', 'a2')).to.deep.equal(['In this course: a2', 'In this course: a1'])
    expect(found('walk', 'a1')).to.deep.equal(['In this course: a2'])
  })
  it('is another course by its code', () => expect(found('mus 110')).to.deep.equal(['My other courses: c1']))
  it('is nothing where no words stand', () => expect(found('zebra', 'a1')).to.deep.equal([]))
})
