/** Sets in the plan: taken whole and given back the same, points coded, moved, matched, and a newer file point by point. */
import { expect } from 'chai'
import { applyEffective } from '../../../src/core/blueprint/apply'
import type { Blueprint } from '../../../src/core/blueprint/blueprint'
import { editPlan, type PlanEdit } from '../../../src/core/blueprint/edit'
import { readNative, writeNative } from '../../../src/core/formats/native'
import { ownSet } from '../../../src/core/review/own-set'
import { matchesOf, plainSet, planSets, pointsOfSet } from '../../../src/core/review/plan-sets'
import type { ReviewSet, SetPoint } from '../../../src/core/review/review-set'
import {
  addArea,
  addPoint,
  addSet,
  BLANK_SET,
  differencesOf,
  matchByCodes,
  moveArea,
  movePoint,
  placePoint,
  setFromFramework,
  takeDifferences,
  writeCode,
} from '../../../src/core/review/set-edits'
import { aBlueprint, counter } from '../../support/course'

const edited = (plan: Blueprint, work: (e: PlanEdit) => void): Blueprint => applyEffective(plan, editPlan(plan, work))
const aPoint = (code: string, statement: string, more: Partial<SetPoint> = {}): SetPoint => ({
  code,
  statement,
  priority: 'should',
  why: null,
  where: null,
  basis: null,
  weight: null,
  tags: [],
  findings: [],
  looksAt: [],
  asLearner: null,
  ...more,
})
const OURS: ReviewSet = {
  ...BLANK_SET,
  title: 'Ours',
  key: 'ours',
  version: '1',
  rule: { mustNeeds: 'partly', shouldNeeds: null, scoreFrom: 72.5 },
  areas: [
    {
      title: 'Aims',
      points: [aPoint('A-1', 'Aims are told', { weight: 1.5, findings: ['no-verb', 'not-here'] }), aPoint('A-2', 'Few aims')],
    },
    { title: 'Work', points: [aPoint('W-1', 'Work is paced', { priority: 'must', looksAt: ['activity:lab'], tags: ['action'] })] },
  ],
}
const THEIRS: ReviewSet = {
  ...BLANK_SET,
  title: 'Theirs',
  areas: [{ title: 'All', points: [aPoint('T1', 'Goals stand first'), aPoint('T2', 'Pace')] }],
}
const plan = edited(aBlueprint({}), (e) => {
  addSet(e, OURS, counter('o'))
  addSet(e, THEIRS, counter('t'))
})
const codes = (of: Blueprint, at = 0) => planSets(of)[at]?.areas.map((a) => [a.record.title, a.points.map((p) => p.code)])
const idOf = (of: Blueprint, code: string): string => [...of.reviewPoint.values()].find((p) => p.code === code)?.id ?? ''

describe('sets of points in a plan', () => {
  it('are given back as they were taken, over a file too; the one that ships loses nothing', async () => {
    const { set } = await ownSet()
    const all = edited(plan, (e) => void addSet(e, set, counter('s')))
    expect(planSets(all).map(plainSet)).to.deep.equal([OURS, THEIRS, set])
    const again = readNative(writeNative(all))
    expect(again.ok && planSets(again.value).map(plainSet)).to.deep.equal([OURS, THEIRS, set])
  })

  it('code new points with what is free in their set, and keep codes apart in one set alone', () => {
    const more = edited(plan, (e) => {
      const [aims] = planSets(e.now)[0]?.areas ?? []
      addPoint(e, aims?.record.id ?? '', 'Aims are few', counter('n'))
      addPoint(e, addArea(e, 'o1', 'Übung', counter('x')) as string, 'Much of it', counter('y'))
    })
    expect(codes(more)).to.deep.equal([
      ['Aims', ['A-1', 'A-2', 'A-3']],
      ['Work', ['W-1']],
      ['Übung', ['U-1']],
    ])
    const said: unknown[] = []
    const renamed = edited(more, (e) => {
      said.push(
        writeCode(e, idOf(more, 'A-3'), 'W-1'),
        writeCode(e, idOf(more, 'A-3'), 'T1'),
        writeCode(e, idOf(more, 'A-2'), 'x'.repeat(21)),
      )
    })
    expect(said[0]).to.equal('W-1 is the code of another point of this set.')
    expect(said[1]).to.equal(null)
    expect(said[2]).to.be.a('string')
    expect(codes(renamed)?.[0]).to.deep.equal(['Aims', ['A-1', 'A-2', 'T1']])
    expect(edited(plan, (e) => expect(addPoint(e, 'nowhere', 'x', counter())).to.equal(null))).to.equal(plan)
  })

  it('move points over the borders of areas, and areas among themselves', () => {
    const down = edited(plan, (e) => movePoint(e, idOf(plan, 'A-2'), 1))
    expect(codes(down)).to.deep.equal([
      ['Aims', ['A-1']],
      ['Work', ['A-2', 'W-1']],
    ])
    const up = edited(down, (e) => {
      movePoint(e, idOf(plan, 'A-2'), -1)
      movePoint(e, idOf(plan, 'A-1'), -1)
      moveArea(e, planSets(e.now)[0]?.areas[1]?.record.id ?? '', -1)
      moveArea(e, planSets(e.now)[0]?.areas[0]?.record.id ?? '', -1)
    })
    expect(codes(up)).to.deep.equal([
      ['Work', ['W-1']],
      ['Aims', ['A-1', 'A-2']],
    ])
    const placed = edited(plan, (e) => placePoint(e, idOf(plan, 'W-1'), planSets(plan)[0]?.areas[0]?.record.id ?? '', 1))
    expect(codes(placed)?.[0]).to.deep.equal(['Aims', ['A-1', 'W-1', 'A-2']])
  })

  it('say which points of two sets ask the same; never of one set; a removed point takes its matches along', () => {
    const said: unknown[] = []
    const matched = edited(plan, (e) => {
      said.push(matchByCodes(e, idOf(plan, 'A-1'), 't1; T2'), matchByCodes(e, idOf(plan, 'A-2'), 'A-1'), matchByCodes(e, 'gone', 'T1'))
    })
    expect(said).to.deep.equal([null, 'No point of another set has the code A-1.', 'This point is gone.'])
    const of = (p: Blueprint, code: string) => matchesOf(p, idOf(p, code)).map((m) => `${m.set.record.title} ${m.point.code}`)
    expect(of(matched, 'A-1')).to.deep.equal(['Theirs T1', 'Theirs T2'])
    expect(of(matched, 'T2')).to.deep.equal(['Ours A-1'])
    // From the other side, the same match is one.
    expect(edited(matched, (e) => matchByCodes(e, idOf(plan, 'T2'), 'A-1')).pointMatch.size).to.equal(2)
    expect(
      of(
        edited(matched, (e) => matchByCodes(e, idOf(plan, 'A-1'), 'T2')),
        'A-1',
      ),
    ).to.deep.equal(['Theirs T2'])
    const without = edited(matched, (e) => e.remove({ kind: 'reviewPoint', id: idOf(plan, 'A-1') }))
    expect(without.pointMatch.size).to.equal(0)
    expect(edited(matched, (e) => e.remove({ kind: 'reviewSet', id: 'o1' })).reviewPoint.size).to.equal(2)
  })

  it('tell of a newer file what is new, differs and is gone, and take over what is chosen', () => {
    const newer: ReviewSet = {
      ...OURS,
      version: '2',
      areas: [
        { title: 'Aims', points: [aPoint('A-1', 'Aims are told', { weight: 2, findings: ['no-verb', 'not-here'] })] },
        {
          title: 'Marks',
          points: [
            aPoint('W-1', 'Work is paced', { priority: 'must', looksAt: ['activity:lab'], tags: ['action'] }),
            aPoint('M-1', 'Marks are told'),
          ],
        },
      ],
    }
    const differences = differencesOf(plan, 'o1', newer)
    expect(differences.map((d) => [d.code, d.change, d.fields])).to.deep.equal([
      ['A-1', 'differs', ['weight']],
      ['W-1', 'differs', ['area']],
      ['M-1', 'new', []],
      ['A-2', 'gone', []],
    ])
    const all = edited(plan, (e) => void takeDifferences(e, 'o1', newer, differences, counter('z')))
    expect(differencesOf(all, 'o1', newer)).to.deep.equal([])
    expect(planSets(all)[0]?.record.version).to.equal('2')
    expect(codes(all)).to.deep.equal([
      ['Aims', ['A-1']],
      ['Work', []],
      ['Marks', ['W-1', 'M-1']],
    ])
    // The point is the one that it was: what points at it holds.
    expect(idOf(all, 'W-1')).to.equal(idOf(plan, 'W-1'))
    const some = edited(plan, (e) => void takeDifferences(e, 'o1', newer, differences.slice(0, 1), counter('z')))
    expect(pointsOfSet(planSets(some)[0] as never).map((p) => [p.code, p.weight])).to.deep.equal([
      ['A-1', 200],
      ['A-2', null],
      ['W-1', null],
    ])
    expect(differencesOf(plan, 'gone', newer)).to.deep.equal([])
  })

  it('are made of a framework: its areas, its codes, what is not required is a should', () => {
    const item = (id: string, parentId: string | null, code: string | null, required: boolean, order: string) => ({
      id,
      frameworkId: 'f',
      parentId,
      code,
      statement: `Item ${id}`,
      kind: 'outcome' as const,
      required,
      anyOf: null,
      times: null,
      contexts: null,
      notes: null,
      sourceId: null,
      order,
    })
    const framed = aBlueprint({
      framework: [{ id: 'f', title: 'Standards', code: null, issuer: null, version: '3', source: null, sourceId: null, order: 'a0' }],
      frameworkItem: [
        item('a', null, '1', true, 'a0'),
        item('b', 'a', '1.1', true, 'a0'),
        item('c', 'b', '1.1', false, 'a0'),
        item('d', null, null, true, 'a1'),
      ],
    })
    const set = setFromFramework(framed, 'f')
    expect(set?.areas.map((a) => [a.title, a.points.map((p) => [p.code, p.statement, p.priority])])).to.deep.equal([
      ['Standards', [['S-1', 'Item d', 'must']]],
      [
        'Item a',
        [
          ['1.1', 'Item b', 'must'],
          ['I-1', 'Item c', 'should'],
        ],
      ],
    ])
    expect(setFromFramework(framed, 'none')).to.equal(null)
  })
})
