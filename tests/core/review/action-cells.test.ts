/** What is typed into the table of actions. */
import { expect } from 'chai'
import { aboutText, dayText, readAbout, readDay, readOutcome, readState, readWho } from '../../../src/core/review/action-cells'
import { aBlueprint, aModule, anActivity } from '../../support/course'

const PEOPLE = [
  { id: 'p1', name: 'Tove Rasmussen' },
  { id: 'p2', name: 'Tove Lindqvist' },
  { id: 'p3', name: 'Marek Dvořák' },
]

describe('cells of actions', () => {
  it('reads a day in the forms in which it is shown, without a year the nearest one, and none', () => {
    expect(readDay('2027-10-04', '2027-01-01')).to.deep.equal({ ok: true, value: '2027-10-04' })
    expect(readDay('4 Oct', '2027-01-01')).to.deep.equal({ ok: true, value: '2026-10-04' })
    expect(readDay('4 Oct', '2027-04-05')).to.deep.equal({ ok: true, value: '2027-10-04' })
    expect(readDay(' ', '2027-01-01')).to.deep.equal({ ok: true, value: null })
    const shown = dayText('2027-10-04')
    expect(readDay(shown, '1990-01-01')).to.deep.equal({ ok: true, value: '2027-10-04' })
  })

  it('refuses what is no day, and years that no course has, at the limit itself', () => {
    for (const text of ['31 Feb 2027', 'soon', '1899-12-31', '2201-01-01']) expect(readDay(text, '2027-01-01').ok, text).to.equal(false)
    for (const text of ['1900-01-01', '2200-12-31']) expect(readDay(text, '2027-01-01').ok, text).to.equal(true)
  })

  it('knows people by name or by how one begins, asks where several do, and takes who has no account', () => {
    expect(readWho('marek', PEOPLE)).to.deep.equal({ ok: true, value: { personId: 'p3', name: null } })
    expect(readWho('Tove Lindqvist', PEOPLE)).to.deep.equal({ ok: true, value: { personId: 'p2', name: null } })
    expect(readWho('tove', PEOPLE).ok).to.equal(false)
    expect(readWho('The library', PEOPLE)).to.deep.equal({ ok: true, value: { personId: null, name: 'The library' } })
    expect(readWho('', PEOPLE)).to.deep.equal({ ok: true, value: { personId: null, name: null } })
    expect(readWho('x'.repeat(120), PEOPLE).ok).to.equal(true)
    expect(readWho('x'.repeat(121), PEOPLE).ok).to.equal(false)
  })

  it('reads how far an action is and what came of it by the words that are shown', () => {
    expect(readState('Being done')).to.deep.equal({ ok: true, value: 'doing' })
    expect(readState('dropped')).to.deep.equal({ ok: true, value: 'dropped' })
    expect(readState('').ok).to.equal(false)
    expect(readState('later').ok).to.equal(false)
    expect(readOutcome('it was changed')).to.deep.equal({ ok: true, value: 'change' })
    expect(readOutcome('')).to.deep.equal({ ok: true, value: null })
    expect(readOutcome('better').ok).to.equal(false)
  })

  describe('what an action is about', () => {
    const plan = aBlueprint({
      module: [aModule('m1', { title: 'Flow, and what it moves', order: 'a' }), aModule('m2', { title: 'Depth', order: 'b' })],
      activity: [anActivity('a1', 'm1', { title: 'Gauge a stream' }), anActivity('a2', 'm2', { title: 'Draw, then compare' })],
    })
    const KINDS = ['module', 'activity'] as const

    it('is named by number, by name, each once, whatever the order', () => {
      const read = readAbout(plan, '2.1, 1.1; Depth', KINDS)
      expect(read).to.deep.equal({
        ok: true,
        value: [
          { kind: 'activity', id: 'a2' },
          { kind: 'activity', id: 'a1' },
          { kind: 'module', id: 'm2' },
        ],
      })
      expect(readAbout(plan, '1.1, 1.1', KINDS)).to.deep.equal({ ok: true, value: [{ kind: 'activity', id: 'a1' }] })
      expect(readAbout(plan, ' ', KINDS)).to.deep.equal({ ok: true, value: [] })
    })

    it('reads what it shows, names with commas too', () => {
      const records = [
        { kind: 'activity', id: 'a1' },
        { kind: 'module', id: 'm1' },
      ] as const
      expect(readAbout(plan, aboutText(plan, [...records]), KINDS)).to.deep.equal({ ok: true, value: records })
    })

    it('leaves out what is gone, and refuses what is not there by its words', () => {
      expect(aboutText(plan, [{ kind: 'activity', id: 'gone' }])).to.equal('')
      expect(aboutText(plan, [{ kind: 'no kind', id: 'a1' }])).to.equal('')
      expect(readAbout(plan, '1.1, 9.9', KINDS)).to.deep.equal({ ok: false, error: 'Nothing here is called “9.9”.' })
    })
  })
})
