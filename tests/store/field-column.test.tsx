/** Columns that are made of declared fields, tried with a kind that Cairn does not have: it has a field of every type. */
import { expect } from 'chai'
import { applyEffective } from '../../src/core/blueprint/apply'
import { anyRecord, type Blueprint, recordMap } from '../../src/core/blueprint/blueprint'
import { editPlan } from '../../src/core/blueprint/edit'
import { declareKind, type KindName } from '../../src/core/blueprint/kinds'
import type { Refused } from '../../src/core/result'
import { copied } from '../../src/ui/parts/grid/clipboard'
import { fieldColumn } from '../../src/ui/parts/grid/field-column'
import type { GridRow, Written } from '../../src/ui/parts/grid/types'
import { filledDown } from '../../src/ui/parts/grid/writes'
import { counter } from '../support/course'
import { filled } from '../support/random-edits'
import { rng } from '../support/rng'
import { visit, visitActivity } from '../support/toy-kinds'

const VISIT = 'fieldVisit' as KindName

describe('columns of declared fields', () => {
  const undeclare: (() => void)[] = []
  let plan: Blueprint
  let row: GridRow
  beforeEach(() => {
    undeclare.push(declareKind(visit), declareKind(visitActivity))
    const random = filled(rng(7), counter('v'))
    const [id = ''] = recordMap(random, VISIT).keys()
    row = { key: id, type: 'data', id }
    const to = {
      place: 'Weir',
      seats: 12,
      cost: 1250,
      outdoors: true,
      day: '2027-09-05',
      leaves: '08:30',
      weather: 'dry',
      needs: ['boots'],
    }
    plan = applyEffective(
      random,
      editPlan(random, (e) => e.set(VISIT, id, to as never)),
    )
  })
  afterEach(() => {
    for (const undo of undeclare.splice(0).reverse()) undo()
  })
  const column = (name: string) => fieldColumn(VISIT, name)
  /** What the field holds after something was written into its cell, or why it was refused. */
  const written = (name: string, what: Written): unknown => {
    let refused: Refused = null
    const operations = editPlan(plan, (e) => {
      refused = column(name).write?.(e, row, what) ?? null
    })
    return refused ?? anyRecord(applyEffective(plan, operations), { kind: VISIT, id: row.id })?.[name]
  }

  it('are edited as their type says', () => {
    const types = Object.keys(visit.fields).map((name) => [name, column(name).cell.name])
    expect(Object.fromEntries(types)).to.deep.equal({
      moduleId: 'choice',
      activityId: 'choice',
      place: 'text',
      what: 'text',
      packing: 'text',
      seats: 'number',
      cost: 'number',
      outdoors: 'check',
      day: 'date',
      leaves: 'time',
      zone: 'choice',
      weather: 'choice',
      needs: 'choices',
      groups: 'text',
      order: 'text',
    })
  })
  it('read as text what the plan holds, and copy it so', () => {
    const names = ['place', 'seats', 'cost', 'day', 'leaves', 'weather', 'needs']
    expect(copied(plan, [row], names.map(column))).to.equal('Weir\t12\t12.5\t2027-09-05\t08:30\tdry\tboots')
  })
  it('take typed text, in the field’s own terms', () => {
    expect(written('seats', { text: '30' })).to.equal(30)
    expect(written('cost', { text: '7.25' })).to.equal(725)
    expect(written('day', { text: '2027-10-01' })).to.equal('2027-10-01')
    expect(written('leaves', { text: '6:15 pm' })).to.equal('18:15')
    expect(written('weather', { text: 'we' })).to.equal('wet')
    expect(written('needs', { text: 'lunch; helmet' })).to.deep.equal(['helmet', 'lunch'])
    expect(written('outdoors', { text: 'no' })).to.equal(false)
  })
  it('take what was chosen for what it stands for, whatever it is called', () => {
    const [other = ''] = [...plan.module.keys()].filter((id) => id !== anyRecord(plan, { kind: VISIT, id: row.id })?.['moduleId'])
    expect(written('moduleId', { text: 'anything', chosen: other })).to.equal(other)
    expect(written('needs', { text: '', chosen: ['boots', 'lunch'] })).to.deep.equal(['boots', 'lunch'])
    expect(written('needs', { text: '', chosen: [] })).to.deep.equal([])
    expect(written('outdoors', { text: '', chosen: false })).to.equal(false)
  })
  it('say what cannot be stored, and store nothing of it', () => {
    for (const [name, text] of [
      ['seats', '401'],
      ['day', '31 Nov'],
      ['leaves', '25:00'],
      ['weather', 'snow'],
      ['needs', 'boots, rope'],
    ] as const)
      expect(written(name, { text }), name).to.be.a('string').and.match(/\w/)
  })
  it('tell dates and times as they will be shown while they are typed', () => {
    expect(column('leaves').hint?.(plan, row, '6pm')).to.equal('18:00')
    expect(column('day').hint?.(plan, row, '2027-09-06')).to.equal('2027-09-06')
    expect(column('seats').hint?.(plan, row, '12')).to.equal(null)
    expect(column('seats').hint?.(plan, row, '900')).to.match(/0 to 400/)
  })
  it('are filled down with what a choice stands for; the name of a record stays when many are cleared', () => {
    const other: GridRow = { key: 'other', type: 'data', id: 'other' }
    expect(filledDown(plan, [row, other], [column('needs')])).to.deep.equal([
      { rowKey: 'other', columnId: 'needs', text: 'boots', chosen: ['boots'] },
    ])
    expect(['place', 'day', 'needs'].map((name) => column(name).kept?.(row))).to.deep.equal([true, false, false])
  })
})
