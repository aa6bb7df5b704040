import { expect } from 'chai'
import { applyEffective } from '../../../src/core/blueprint/apply'
import { editPlan } from '../../../src/core/blueprint/edit'
import { bringFramework, treeOfFramework } from '../../../src/core/frameworks/edits'
import { readItemRows, writeItemsCsv } from '../../../src/core/frameworks/items-table'
import { plainText } from '../../../src/core/frameworks/plain-text'
import { readFramework, readFrameworkText } from '../../../src/core/frameworks/read-framework'
import { readSpecification } from '../../../src/core/frameworks/read-specification'
import { type FrameworkTree, walkTree } from '../../../src/core/frameworks/tree'
import { removeRow, rowsOfTree, shiftRow, treeOfRows } from '../../../src/core/frameworks/tree-rows'
import { writeCase } from '../../../src/core/frameworks/write-case'
import { aBlueprint, counter } from '../../support/course'

const item = (identifier: string, fullStatement: string, over = {}) => ({ identifier, fullStatement, ...over })
const child = (of: string, parent: string, sequenceNumber?: number) => ({
  associationType: 'isChildOf',
  originNodeURI: { identifier: of, uri: '' },
  destinationNodeURI: { identifier: parent, uri: '' },
  ...(sequenceNumber ? { sequenceNumber } : {}),
})
const pack = (
  CFItems: unknown[],
  CFAssociations: unknown[] = [],
  CFDocument: unknown = { identifier: 'doc', title: 'Standards', creator: 'Board' },
) => JSON.stringify({ CFDocument, CFItems, CFAssociations })
const read = (text: string): FrameworkTree => {
  const result = readFrameworkText(text)
  if (!result.ok) throw new Error(result.error.message)
  return result.value
}
const outline = (tree: Pick<FrameworkTree, 'items'>) =>
  walkTree(tree.items).map(({ item: i, depth }) => `${'-'.repeat(depth)}${i.code ?? i.statement}`)

describe('competency exchange JSON', () => {
  it('is read as a tree: document, items in their sequence, relations', () => {
    const tree = read(
      pack(
        [
          item('b', 'Second', { humanCodingScheme: '2' }),
          item('a', 'First', { humanCodingScheme: '1' }),
          item('a1', 'Part', { humanCodingScheme: '1.1' }),
        ],
        [
          child('b', 'doc', 2),
          child('a', 'doc', 1),
          child('a1', 'a'),
          { ...child('a1', 'b'), associationType: 'exactMatchOf' },
          { ...child('b', 'x'), associationType: 'isRelatedTo' },
        ],
      ),
    )
    expect(outline(tree).sort()).to.deep.equal(['-1.1', '1', '2'])
    expect(tree).to.include({ title: 'Standards', issuer: 'Board', sourceId: 'doc' })
    expect(tree.relations).to.deep.equal([
      { from: 'a1', to: 'b', relation: 'same' },
      { from: 'b', to: 'x', relation: 'related' },
    ])
  })

  it('says by item what is wrong, and takes in the others', () => {
    const tree = read(
      pack(
        [
          item('a', 'A'),
          item('b', 'B'),
          item('c', 'C'),
          item('a', 'A again'),
          { fullStatement: 'no identifier' },
          item('d', ''),
          item('e', 'x'.repeat(5000)),
          7,
        ],
        [
          child('a', 'b'),
          child('b', 'a'),
          child('c', 'gone'),
          child('nobody', 'a'),
          child('c', 'a'),
          child('c', 'b'),
          { associationType: 'isChildOf' },
          { ...child('a', 'c'), associationType: 'precedes' },
        ],
      ),
    )
    expect(tree.problems.map((p) => p.code).sort()).to.deep.equal(
      [
        'identifier-twice',
        'bad-item',
        'bad-item',
        'missing-parent',
        'missing-child',
        'two-parents',
        'bad-association',
        'association-left',
        'cycle',
        'no-statement',
        'cut-field',
      ].sort(),
    )
    expect(tree.notUnderstood.length).to.equal(3)
    expect(
      walkTree(tree.items)
        .map(({ item: i }) => i.statement.slice(0, 3))
        .sort(),
    ).to.deep.equal(['A', 'B', 'C', 'xxx'])
  })

  it('takes words out of HTML, and leaves what is no HTML alone', () => {
    expect(plainText('<p>Measure <b>flow</b> &amp; depth</p><p>safely</p>')).to.equal('Measure flow & depth\nsafely')
    expect(plainText('a < b & c > d')).to.equal('a < b & c > d')
    expect(plainText('<script>alert(1)</script><img src=x onerror=alert(1)>Name parts')).to.equal('Name parts')
    expect(plainText('plain')).to.equal('plain')
  })

  it('is read in other encodings, with its mark, and within a wrapper', () => {
    const text = pack([item('a', 'Maße prüfen')])
    const utf16 = new Uint8Array([0xff, 0xfe, ...Buffer.from(text, 'utf16le')])
    for (const bytes of [
      new TextEncoder().encode(`\ufeff${text}`),
      utf16,
      new Uint8Array(Buffer.from(text, 'latin1')),
      new TextEncoder().encode(`{"CFPackage":${text}}`),
    ]) {
      const result = readFramework('f.json', bytes)
      expect(result.ok && result.value.items[0]?.statement).to.equal('Maße prüfen')
    }
  })

  it('goes out and comes back the same: codes, kinds, parts, what is required, identifiers', () => {
    const tree = {
      ...readSpecification(
        'Unit AB1 Bake\n1. Mix\n1.1 Weigh\n1.2 Knead (optional)\n2. Bake\n2.1 Bake\nPerformance evidence\n- baked on three occasions',
      ),
      sourceId: '3f1c7a52-0a44-4c0e-8a77-0d9d2f6c1e11',
    }
    const course = aBlueprint()
    let id = ''
    const withIt = applyEffective(
      course,
      editPlan(course, (e) => void (id = bringFramework(e, tree, counter()).frameworkId)),
    )
    const made = { base: 'course', stamp: '2027-01-01T00:00:00Z' }
    const out = writeCase(treeOfFramework(withIt, id) as FrameworkTree, made)
    const back = read(out)
    const facts = (t: Pick<FrameworkTree, 'items'>) =>
      walkTree(t.items).map(({ item: i, depth }) => [depth, i.code, i.statement, i.kind, i.required, i.times])
    expect(facts(back)).to.deep.equal(facts(tree))
    expect(back.sourceId).to.equal(tree.sourceId)
    expect(back.problems).to.deep.equal([])
    const parsed = JSON.parse(out)
    expect(new Set(parsed.CFItems.map((i: { identifier: string }) => i.identifier)).size).to.equal(6)
    for (const i of parsed.CFItems)
      expect(i.identifier).to.match(/^[0-9a-f]{8}-[0-9a-f]{4}-[1-8][0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/)
    // Brought in again under the identifiers it went out with, it leaves with the same.
    const again = applyEffective(
      course,
      editPlan(course, (e) => void (id = bringFramework(e, back, counter('x')).frameworkId)),
    )
    expect(JSON.parse(writeCase(treeOfFramework(again, id) as FrameworkTree, made)).CFItems).to.deep.equal(parsed.CFItems)
  })

  it('keeps relations within the course, and counts those that lead out of it', () => {
    const tree = read(
      pack(
        [item('a', 'A'), item('b', 'B')],
        [
          { ...child('a', 'b'), associationType: 'exactMatchOf' },
          { ...child('a', 'zzz'), associationType: 'exactMatchOf' },
        ],
      ),
    )
    const course = aBlueprint()
    let left = 0
    const now = applyEffective(
      course,
      editPlan(course, (e) => void (left = bringFramework(e, tree, counter()).relationsLeft)),
    )
    expect([now.itemRelation.size, left]).to.deep.equal([1, 1])
  })
})

describe('a table of items', () => {
  it('is read by its header, parents by code, what is wrong by row', () => {
    const tree = readItemRows(
      [
        ['My list', ''],
        ['Code', 'Statement', 'Parent', 'Type', 'Required'],
        ['1', 'Prepare', '', 'element', ''],
        ['1.1', 'Sweep', '1', '', 'no'],
        ['1.1', 'Again', '1', '', ''],
        ['9', 'Stray', '8', '', ''],
        ['x', '', '', '', ''],
        ['a', 'Round', 'b', '', ''],
        ['b', 'And round', 'a', '', ''],
      ],
      't',
    ) as FrameworkTree
    expect(outline(tree)).to.deep.equal(['1', '-1.1', '-1.1', '9', 'a', '-b'])
    expect(tree.problems.map((p) => p.code)).to.deep.equal(['code-twice', 'missing-parent', 'cycle'])
    expect(walkTree(tree.items)[1]?.item).to.include({ kind: 'performance criterion', required: false })
    expect(tree.notUnderstood).to.deep.equal([{ text: 'x', at: 't row 7' }])
  })

  it('goes out as CSV and comes back the same, formulas defused', () => {
    const tree = readSpecification('1. Mix\n1.1 Weigh\n1.2 =SUM(A1)\n2. Bake\n2.1 Bake, and cool')
    const back = readFrameworkText(writeItemsCsv(tree.items))
    if (!back.ok) throw new Error(back.error.message)
    const facts = (t: Pick<FrameworkTree, 'items'>) => walkTree(t.items).map(({ item: i, depth }) => [depth, i.code, i.statement, i.kind])
    expect(facts(back.value)).to.deep.equal(facts(tree))
    expect(writeItemsCsv(tree.items)).to.include("'=SUM")
  })
})

describe('the rows of a tree', () => {
  const rows = rowsOfTree(readSpecification('1. Mix\n1.1 Weigh\n1.2 Knead\n2. Bake').items)
  const lines = (list: typeof rows | readonly (typeof rows)[number][]) => list.map((r) => `${'-'.repeat(r.depth)}${r.item.code}`)
  it('come back as the tree they were made of', () =>
    expect(outline({ items: treeOfRows(rows) })).to.deep.equal(['1', '-1.1', '-1.2', '2']))
  it('move in and out with their parts', () => {
    expect(lines(shiftRow(rows, 3, 1))).to.deep.equal(['1', '-1.1', '-1.2', '-2'])
    expect(lines(shiftRow(rows, 2, -1))).to.deep.equal(['1', '-1.1', '1.2', '2'])
    expect(shiftRow(rows, 0, -1)).to.equal(rows)
    expect(shiftRow(rows, 0, 1)).to.equal(rows)
  })
  it('bring their parts up when they are taken out', () => expect(lines(removeRow(rows, 0))).to.deep.equal(['1.1', '1.2', '2']))
})
