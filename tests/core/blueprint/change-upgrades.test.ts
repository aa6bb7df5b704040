import { expect } from 'chai'
import type { Change } from '../../../src/core/blueprint/change'
import { liftOperations, readKeptChange } from '../../../src/core/blueprint/change-upgrades'
import { FORMAT_VERSION } from '../../../src/core/blueprint/upgrades'
import { anActivity } from '../../support/course'

const change = (operations: Change['operations']): Change => ({ id: 'c1', code: 'test', params: {}, onConflict: 'refuse', operations })
/** An activity as the first version wrote it: without the fields that came with series and estimates. */
function early(): Record<string, unknown> {
  const {
    seriesId: _,
    size: _size,
    pace: _pace,
    difficulty: _difficulty,
    ...rest
  } = anActivity('a1', 'm1') as unknown as Record<string, unknown>
  return rest
}

describe('changes of earlier versions', () => {
  it('get the fields that their records lack, and can then be stored', () => {
    const kept = change([{ op: 'create', kind: 'activity', record: early() as never }])
    expect(readKeptChange({ formatVersion: FORMAT_VERSION, change: kept }).ok, 'not as they are').to.equal(false)
    const read = readKeptChange({ formatVersion: 1, change: kept })
    expect(read.ok && read.value.operations[0]).to.deep.equal({ op: 'create', kind: 'activity', record: anActivity('a1', 'm1') })
  })
  it('keep updates as they are: they name only what they change', () => {
    const update = { op: 'update', kind: 'activity', id: 'a1', from: { title: 'A' }, to: { title: 'B' } } as const
    expect(liftOperations([update], 1)).to.deep.equal([update])
  })
  it('of this version are the same operations, not copies', () => {
    const operations = change([{ op: 'create', kind: 'activity', record: anActivity('a1', 'm1') as never }]).operations
    expect(liftOperations(operations, FORMAT_VERSION)).to.equal(operations)
  })
  for (const [what, kept] of [
    ['a newer version', { formatVersion: FORMAT_VERSION + 1, change: change([]) }],
    ['a kind that is no more', { formatVersion: 1, change: change([{ op: 'create', kind: 'poster', record: { id: 'p' } } as never]) }],
    [
      'a field that is no more',
      { formatVersion: 1, change: change([{ op: 'update', kind: 'activity', id: 'a1', from: { hue: 'x' }, to: { hue: 'y' } } as never]) },
    ],
    ['nonsense', { formatVersion: 1, change: null as never }],
  ] as const)
    it(`say why ${what} cannot be sent`, () => {
      const read = readKeptChange(kept)
      expect(read.ok).to.equal(false)
      expect(read.ok ? '' : read.error).to.match(/\.$/)
    })
})
