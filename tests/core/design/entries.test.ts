/** Lists that activities and modules hold: as the text of a cell and entry by entry. */
import { expect } from 'chai'
import { applyEffective } from '../../../src/core/blueprint/apply'
import { blankOf } from '../../../src/core/blueprint/blank'
import type { Blueprint } from '../../../src/core/blueprint/blueprint'
import { editPlan, type PlanEdit } from '../../../src/core/blueprint/edit'
import { idSource } from '../../../src/core/blueprint/ids'
import { specOf } from '../../../src/core/blueprint/kinds'
import { addEntry, moveEntry, placeEntry, writeEntries, writeEntry } from '../../../src/core/design/edit-entries'
import { entriesOf, entriesText, entryList, entryListsOf, fixedEnds } from '../../../src/core/design/entry-lists'
import type { Refused } from '../../../src/core/result'
import { aBlueprint, aModule, anActivity, anObjective } from '../../support/course'

const newId = idSource(Math.random)
const base = aBlueprint({
  part: [
    { ...blankOf('part'), id: 'p1', title: 'Prepare', order: 'a0' },
    { ...blankOf('part'), id: 'p2', title: 'Do', order: 'a1' },
  ],
  module: [aModule('m1'), aModule('m2'), aModule('m3')],
  objective: [anObjective('o1', 'm1'), anObjective('o2', 'm1')],
  activity: [anActivity('a1', 'm1'), anActivity('a2', 'm1'), anActivity('a3', 'm2')],
})
const done = (plan: Blueprint, work: (edit: PlanEdit) => void) => applyEffective(plan, editPlan(plan, work))
function written(plan: Blueprint, owner: 'activity' | 'module', kind: Parameters<typeof entryList>[1], id: string, text: string) {
  let refused: Refused = null
  const after = done(plan, (edit) => {
    refused = writeEntries(edit, entryList(owner, kind), id, text, newId)
  })
  return { after, refused, text: entriesText(after, entryList(owner, kind), id) }
}

describe('lists of entries', () => {
  it('follow from the kinds: each has its owner, its other end or its order', () => {
    for (const owner of ['activity', 'module'] as const)
      for (const list of entryListsOf(owner)) {
        expect(list.ownerField, list.kind).to.equal(`${owner}Id`)
        expect(list.isOrdered, list.kind).to.equal(specOf(list.kind).ends === undefined)
        expect(list.fields.length, list.kind).to.be.greaterThan(0)
      }
  })

  it('named entries are kept, made, put in order and removed by their names', () => {
    const one = written(base, 'activity', 'material', 'a1', 'Map sheet; Field notes')
    expect(one.text).to.equal('Map sheet; Field notes')
    const list = entryList('activity', 'material')
    const [map, notes] = entriesOf(one.after, list, 'a1')
    const two = written(one.after, 'activity', 'material', 'a1', 'field notes\nGauge readings; Map sheet')
    expect(two.text).to.equal('Field notes; Gauge readings; Map sheet')
    // What stays is the same record, with what else was said of it.
    const ids = entriesOf(two.after, list, 'a1').map((e) => e.id)
    expect([ids[0], ids[2]]).to.deep.equal([notes?.id, map?.id])
    expect(written(two.after, 'activity', 'material', 'a1', '–').text).to.equal('')
  })

  it('the same text writes nothing', () => {
    const one = written(base, 'activity', 'material', 'a1', 'A; A; B').after
    const list = entryList('activity', 'material')
    expect(editPlan(one, (edit) => void writeEntries(edit, list, 'a1', 'A; A; B', newId))).to.deep.equal([])
  })

  it('links are written by numbers; what is not there, or itself, is refused and nothing is written', () => {
    const one = written(base, 'activity', 'buildsOn', 'a3', '1.2 1.1')
    expect(one.text).to.equal('1.1, 1.2')
    expect(written(one.after, 'activity', 'buildsOn', 'a3', '1.1, 7.7')).to.deep.include({
      refused: 'There is no activity 7.7.',
      text: '1.1, 1.2',
    })
    expect(written(one.after, 'activity', 'buildsOn', 'a3', '2.1').refused).to.equal('It would be linked with itself.')
    expect(written(base, 'module', 'recallObjective', 'm2', '1b, 1a').text).to.equal('1a, 1b')
  })

  it('conditions to open are read as they are said', () => {
    const said = 'handed in 1.1, passed 1.2 from 60 %, from 4 Oct 2027'
    const one = written(base, 'activity', 'unlockTerm', 'a3', '1.1; passed 1.2 60%; from 4 Oct 2027')
    expect(one.refused).to.equal(null)
    expect(one.text.replaceAll('; ', ', ')).to.equal(said)
    expect(written(one.after, 'activity', 'unlockTerm', 'a3', one.text).text).to.equal(one.text)
    for (const wrong of ['some day', 'from some day', 'eaten 1.1', '9.9', 'passed 1.1 from 160 %', '2.1'])
      expect(written(base, 'activity', 'unlockTerm', 'a3', wrong).refused, wrong).to.be.a('string')
  })

  it('needs and parts have a line each, with their state', () => {
    const access = entryList('activity', 'accessItem')
    expect(fixedEnds(base, access)[0]).to.equal('captions')
    const one = written(base, 'activity', 'accessItem', 'a1', 'transcript: made; captions')
    expect(one.text).to.equal('captions: to do; transcript: made')
    expect(written(one.after, 'activity', 'accessItem', 'a1', 'captions: checked').text).to.equal('captions: checked')
    expect(written(base, 'module', 'modulePart', 'm1', 'Do: left out').text).to.equal('Do: left out')
  })

  it('an entry is added last, placed, moved, and its values written as typed', () => {
    const list = entryList('activity', 'storyRow')
    let ids: string[] = []
    const plan = done(base, (edit) => {
      ids = ['One', 'Two', 'Three'].map((scene) => addEntry(edit, list, 'a1', { scene }, newId))
    })
    expect(entriesText(plan, list, 'a1')).to.equal('One; Two; Three')
    const moved = done(plan, (edit) => {
      moveEntry(edit, list, 'a1', ids[2] as string, -1)
      placeEntry(edit, list, 'a1', ids[0] as string, 2)
      moveEntry(edit, list, 'a1', ids[0] as string, 1)
    })
    expect(entriesText(moved, list, 'a1')).to.equal('Three; Two; One')
    let refused: Refused = null
    const timed = done(plan, (edit) => {
      refused = writeEntry(edit, list, 'a1', ids[0] as string, 'seconds', { text: '45' })
    })
    expect([refused, timed.storyRow.get(ids[0] as string)?.seconds]).to.deep.equal([null, 45])
    done(plan, (edit) => {
      refused = writeEntry(edit, list, 'a1', ids[0] as string, 'seconds', { text: 'long' })
    })
    expect(refused).to.be.a('string')
  })

  it('another end of a link keeps what was said of it; an empty one takes it off', () => {
    const list = entryList('activity', 'buildsOn')
    let refused: Refused = null
    const one = done(base, (edit) => {
      refused = writeEntry(edit, list, 'a3', null, 'earlierId', { text: '1.1' })
    })
    const [first] = entriesOf(one, list, 'a3')
    const two = done(one, (edit) => {
      writeEntry(edit, list, 'a3', first?.id ?? '', 'carries', { text: 'the gauge' })
      refused = writeEntry(edit, list, 'a3', first?.id ?? '', 'earlierId', { text: '1.2' })
    })
    expect(refused).to.equal(null)
    expect(entriesOf(two, list, 'a3')).to.deep.include.members([
      { id: entriesOf(two, list, 'a3')[0]?.id, activityId: 'a3', earlierId: 'a2', carries: 'the gauge' },
    ])
    const [second] = entriesOf(two, list, 'a3')
    expect(
      entriesOf(
        done(two, (edit) => void writeEntry(edit, list, 'a3', second?.id ?? '', 'earlierId', { text: '' })),
        list,
        'a3',
      ),
    ).to.have.lengthOf(0)
  })

  it('refuses addresses that run something, takes five hundred entries, and loses links with what they lead to', () => {
    const list = entryList('activity', 'material')
    const many = Array.from({ length: 500 }, (_, i) => `Sheet ${i + 1}`).join('; ')
    const plan = written(base, 'activity', 'material', 'a1', many).after
    expect(entriesOf(plan, list, 'a1')).to.have.lengthOf(500)
    expect(entriesText(plan, list, 'a1')).to.equal(many)
    const [first] = entriesOf(plan, list, 'a1')
    let refused: Refused = null
    const tried = done(plan, (edit) => {
      refused = writeEntry(edit, list, 'a1', first?.id ?? '', 'address', { text: 'javascript:alert(1)' })
    })
    expect(refused).to.be.a('string')
    expect(tried.material.get(first?.id ?? '')?.address).to.equal(null)
    const linked = written(plan, 'activity', 'buildsOn', 'a3', '1.1 1.2').after
    const gone = done(linked, (edit) => edit.remove({ kind: 'activity', id: 'a1' }))
    expect(entriesText(gone, entryList('activity', 'buildsOn'), 'a3')).to.equal('1.1')
    expect(gone.material.size).to.equal(0)
  })
})
