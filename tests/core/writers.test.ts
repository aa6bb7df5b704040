/** Who writes what: by kind, and of some kinds by field. */
import { expect } from 'chai'
import { forbiddenKind, mayWrite } from '../../src/core/access/abilities'
import type { Change } from '../../src/core/blueprint/change'

const update = (kind: string, to: object): Change =>
  ({
    id: 'c1',
    code: 'test',
    params: {},
    onConflict: 'refuse',
    operations: [{ op: 'update', kind, id: 'm1', from: {}, to }],
  }) as unknown as Change

describe('a role', () => {
  it('writes the fields of a kind that are given to it, and no others', () => {
    expect([mayWrite('expert', 'module'), mayWrite('expert', 'module', 'overview'), mayWrite('expert', 'module', 'title')]).to.deep.equal([
      false,
      true,
      false,
    ])
    expect(forbiddenKind('expert', update('module', { overview: null, closing: null }))).to.equal(null)
    expect(forbiddenKind('expert', update('module', { overview: null, title: 'x' }))).to.equal('module')
    expect(forbiddenKind('reviewer', update('module', { overview: null }))).to.equal('module')
  })
  it('makes and removes no record of a kind of which it writes fields alone', () => {
    for (const op of ['create', 'remove'])
      expect(forbiddenKind('expert', { operations: [{ op, kind: 'module', record: { id: 'm9' } }] } as unknown as Change)).to.equal(
        'module',
      )
  })
  it('writes what a design sheet holds as an expert, and its habits as a designer alone', () => {
    for (const kind of [
      'material',
      'remedy',
      'accessItem',
      'storyRow',
      'buildsOn',
      'milestone',
      'variant',
      'product',
      'unlockTerm',
    ] as const)
      expect(mayWrite('expert', kind), kind).to.equal(true)
    for (const kind of [
      'session',
      'modulePart',
      'ownKind',
      'kindDefault',
      'columnSet',
      'columnOfSet',
      'recallObjective',
      'recallModule',
      'extraPlace',
    ] as const)
      expect([mayWrite('expert', kind), mayWrite('designer', kind)], kind).to.deep.equal([false, true])
  })
})
