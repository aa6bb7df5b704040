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
    pageWords: _words,
    pageSet: _set,
    writing: _writing,
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
  it('take up the words that version 4 renamed, in whole records and in updates, and in both of an update', () => {
    const lifted = liftOperations(
      [
        { op: 'create', kind: 'activity', record: { ...anActivity('a1', 'm1'), pace: 'study', difficulty: 'dense' } as never },
        {
          op: 'update',
          kind: 'activity',
          id: 'a1',
          from: { pace: 'study', difficulty: 'easy' },
          to: { pace: 'skim', difficulty: 'normal' },
        },
        { op: 'create', kind: 'assumption', record: { id: 'report-250--assumption', name: 'report-250', value: 6000 } as never },
        { op: 'update', kind: 'assumption', id: 'report-250--assumption', from: { value: 6000 }, to: { value: 3000 } },
        { op: 'remove', kind: 'assumption', record: { id: 'study--assumption', name: 'study', value: 15_000 } as never },
      ],
      3,
    )
    // 60 minutes for 250 words are 250 words an hour, 30 minutes 500.
    expect(lifted).to.deep.equal([
      { op: 'create', kind: 'activity', record: anActivity('a1', 'm1', { pace: 'learn', difficulty: 'hard' }) },
      {
        op: 'update',
        kind: 'activity',
        id: 'a1',
        from: { pace: 'learn', difficulty: 'easy' },
        to: { pace: 'skim', difficulty: 'ordinary' },
      },
      { op: 'create', kind: 'assumption', record: { id: 'report-words--assumption', name: 'report-words', value: 25_000 } },
      { op: 'update', kind: 'assumption', id: 'report-words--assumption', from: { value: 25_000 }, to: { value: 50_000 } },
      { op: 'remove', kind: 'assumption', record: { id: 'learn--assumption', name: 'learn', value: 15_000 } },
    ])
    expect(liftOperations(lifted, 3), 'lifting twice does no more').to.deep.equal(lifted)
    for (const o of lifted) expect(readKeptChange({ formatVersion: 3, change: change([o]) }).ok, o.kind).to.equal(true)
  })
  it('with a writing time of nothing become as many words as can be said', () => {
    const none = { id: 'argued-250--assumption', name: 'argued-250', value: 0 }
    const [lifted] = liftOperations([{ op: 'create', kind: 'assumption', record: none as never }], 3)
    expect(lifted && lifted.op === 'create' && lifted.record['value']).to.equal(10_000_000)
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
