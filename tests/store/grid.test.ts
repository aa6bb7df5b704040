import { expect } from 'chai'
import Papa from 'papaparse'
import type { Blueprint } from '../../src/core/blueprint/blueprint'
import { readPasted } from '../../src/core/edits/pasted'
import { arranged, sortedBy } from '../../src/ui/parts/grid/arranged'
import { copied } from '../../src/ui/parts/grid/clipboard'
import { ToldRows } from '../../src/ui/parts/grid/told-rows'
import type { GridColumn, GridRow } from '../../src/ui/parts/grid/types'
import { sameRows } from '../../src/ui/parts/grid/use-rows'
import { cleared, filledDown, pastedWrites } from '../../src/ui/parts/grid/writes'
import { aBlueprint } from '../support/course'

const plan = aBlueprint()
const CELLS: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  a: { title: 'Rain', minutes: '90', kind: 'lab' },
  b: { title: 'Flow, "base"', minutes: '5', kind: 'quiz' },
  c: { title: 'Two\nlines', minutes: '', kind: 'lab' },
  d: { title: 'Peak', minutes: '12,5', kind: '' },
}
const column = (id: string, name: 'text' | 'number' = 'text', written = true): GridColumn => ({
  id,
  header: id,
  cell: { name },
  text: (_: Blueprint, row) => CELLS[row.id]?.[id] ?? '',
  Cell: () => null,
  ...(written ? { write: () => null } : {}),
})
const TITLE = column('title')
const MINUTES = column('minutes', 'number')
const KIND: GridColumn = { ...column('kind'), chosen: (_, row) => `id of ${CELLS[row.id]?.kind}` }
const NUMBER = column('number', 'text', false)
const data = (key: string): GridRow => ({ key, type: 'data', id: key })
const head = (key: string): GridRow => ({ key: `head ${key}`, type: 'head', id: key })
const label = (key: string): GridRow => ({ key: `label ${key}`, type: 'label', id: key })
const fresh = (key: string): GridRow => ({ key: `new ${key}`, type: 'new', id: key })
const keys = (rows: readonly GridRow[]) => rows.map((r) => r.key)

describe('cells written together', () => {
  it('are copied as spreadsheets read them: quotes, commas and line ends come back whole', () => {
    const text = copied(plan, [data('a'), head('m'), data('b'), data('c')], [TITLE, MINUTES])
    expect(Papa.parse(text, { delimiter: '\t' }).data).to.deep.equal([
      ['Rain', '90'],
      ['Flow, "base"', '5'],
      ['Two\nlines', ''],
    ])
  })
  it('are cleared where they can be written, in rows that are records', () => {
    expect(cleared([data('a'), fresh('m')], [NUMBER, TITLE])).to.deep.equal([{ rowKey: 'a', columnId: 'title', text: '' }])
  })
  it('are filled down from the first record, with what a choice stands for', () => {
    expect(filledDown(plan, [head('m'), data('a'), data('b'), data('d')], [NUMBER, KIND])).to.deep.equal([
      { rowKey: 'b', columnId: 'kind', text: 'lab', chosen: 'id of lab' },
      { rowKey: 'd', columnId: 'kind', text: 'lab', chosen: 'id of lab' },
    ])
    expect(filledDown(plan, [data('a')], [KIND]), 'one row has nothing below').to.deep.equal([])
    expect(filledDown(plan, [], [KIND])).to.deep.equal([])
  })
  const columns = [NUMBER, TITLE, MINUTES, KIND]
  const below = [data('a'), label('p'), data('b'), fresh('m'), head('n'), data('d')]
  const into = columns.map(({ id, header, write }) => ({ id, header, isWritten: write !== undefined }))
  const pasted = (text: string, range: Parameters<typeof pastedWrites>[1], rows: readonly GridRow[], from: number) =>
    pastedWrites(readPasted(text, { all: into, shown: into, from }), range, rows)
  const one = { rows: [data('a')], columns: [TITLE] }
  it('run down over the records of the group, and past its last into new rows', () => {
    const writes = pasted('x\t1\ny\t2\nz\t3\nw\t4\n', one, below, 1)
    expect(writes.map((w) => `${w.rowKey}|${w.columnId}=${w.text}`)).to.deep.equal([
      'a|title=x',
      'a|minutes=1',
      'b|title=y',
      'b|minutes=2',
      'new m\n2|title=z',
      'new m\n2|minutes=3',
      'new m\n3|title=w',
      'new m\n3|minutes=4',
    ])
  })
  it('end with the group where it has no empty row, and at the last column', () => {
    const writes = pasted('x\ty\tz\tw\nq', { rows: [data('b')], columns: [MINUTES] }, [data('b'), head('n'), data('d')], 2)
    expect(writes.map((w) => `${w.rowKey}|${w.columnId}=${w.text}`)).to.deep.equal(['b|minutes=x', 'b|kind=y'])
  })
  it('are one value in a whole range', () => {
    const range = { rows: [data('a'), head('n'), data('d')], columns: [NUMBER, TITLE, MINUTES] }
    expect(pasted('7', range, below, 0).map((w) => `${w.rowKey}|${w.columnId}=${w.text}`)).to.deep.equal([
      'a|title=7',
      'a|minutes=7',
      'd|title=7',
      'd|minutes=7',
    ])
  })
  it('are not pasted over a group’s title, nor at nothing', () => {
    expect(pasted('x', one, [head('n')], 1)).to.deep.equal([])
    expect(pasted('x', one, [], 1)).to.deep.equal([])
  })
})

describe('rows sorted and filtered', () => {
  const rows = [
    head('m'),
    label('p'),
    data('a'),
    data('b'),
    label('q'),
    data('c'),
    fresh('m'),
    head('n'),
    label('r'),
    data('d'),
    fresh('n'),
  ]
  it('stay in their groups, in the order given', () => {
    expect(keys(arranged(rows, [data('d'), data('c'), data('b'), data('a')], false))).to.deep.equal([
      'head m',
      'label p',
      'b',
      'a',
      'label q',
      'c',
      'new m',
      'head n',
      'label r',
      'd',
      'new n',
    ])
  })
  it('leave out groups without any, and the empty rows', () => {
    expect(keys(arranged(rows, [data('c')], true))).to.deep.equal(['head m', 'label q', 'c'])
    expect(keys(arranged(rows, [], true))).to.deep.equal([])
  })
  it('take the lines of a record with it', () => {
    const under = (key: string, of: string): GridRow => ({ key, type: 'label', id: key, under: of })
    const items = [data('a'), under('a1', 'a'), under('a2', 'a'), data('b'), data('c'), under('c1', 'c'), fresh('f')]
    expect(keys(arranged(items, [data('c'), data('b'), data('a')], false))).to.deep.equal(['c', 'c1', 'b', 'a', 'a1', 'a2', 'new f'])
    expect(keys(arranged(items, [data('c')], true))).to.deep.equal(['c', 'c1'])
  })
  it('leave a fixed row where it is', () => {
    const levels: GridRow = { key: 'levels', type: 'data', id: '', fixed: true }
    expect(keys(arranged([levels, data('a'), data('b')], [data('b'), data('a')], false))).to.deep.equal(['levels', 'b', 'a'])
  })
  it('are compared by number where the cell is one; what is open has no value', () => {
    expect(['a', 'b', 'c', 'd'].map((id) => sortedBy(MINUTES, plan, data(id)))).to.deep.equal([90, 5, undefined, 12.5])
    expect(sortedBy(TITLE, plan, data('a'))).to.equal('Rain')
  })
})

describe('rows told to the address', () => {
  it('are no wish when they come back from it, also when others were told meanwhile', () => {
    const told = new ToldRows()
    expect(told.isWish('a'), 'named in the address at first').to.equal(true)
    told.tell('b')
    told.tell('c')
    expect(told.isWish('b')).to.equal(false)
    expect(told.isWish('c')).to.equal(false)
    expect(told.isWish('a'), 'the browser’s back key, a link').to.equal(true)
  })
  it('were overtaken where only the last comes back', () => {
    const told = new ToldRows()
    told.tell('a')
    told.tell('b')
    expect(told.isWish('b')).to.equal(false)
    expect(told.isWish('a'), 'named by somebody').to.equal(true)
  })
  it('are not chased by one that is removed, told away and back again before the address follows', () => {
    // On c, which goes: the table tells b in its place. Then c is there again, and the address still names it.
    const told = new ToldRows()
    told.isWish('c')
    told.tell('b')
    expect(told.isWish('c'), 'c again, b not yet named').to.equal(false)
    expect(told.isWish('b')).to.equal(false)
    expect(told.isWish('b'), 'b went and came back').to.equal(true)
  })
  it('end to be waited for when the address names something else, or nothing', () => {
    const told = new ToldRows()
    told.tell('a')
    expect(told.isWish('z')).to.equal(true)
    told.tell('a')
    expect(told.isWish(null)).to.equal(true)
    expect(told.isWish('a')).to.equal(true)
  })
})

describe('rows that follow from the plan', () => {
  it('are the same objects while they are alike, and the same list where all are', () => {
    const old = [head('m'), data('a'), data('b')]
    expect(sameRows(old, [head('m'), data('a'), data('b')])).to.equal(old)
    const next = sameRows(old, [head('m'), data('b'), data('c')])
    expect(next).to.not.equal(old)
    expect([next[0] === old[0], next[1] === old[2]]).to.deep.equal([true, true])
    expect(sameRows(old, [head('m'), { ...data('a'), id: 'else' }, data('b')])[1]?.id).to.equal('else')
    expect(sameRows(old, [head('m')])).to.have.length(1)
  })
})
