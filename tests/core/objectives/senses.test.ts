/** The table of senses, and how near words are by it. */
import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect } from 'chai'
import { meanings } from '../../../src/core/objectives/similar/meanings'

const TABLE = 'src/core/objectives/similar/senses-table.ts'

describe('the table of senses', () => {
  it('is made from its source byte for byte, with its notice at its head', () => {
    const folder = mkdtempSync(join(tmpdir(), 'cairn-senses-'))
    const made = join(folder, 'table.ts')
    execFileSync(process.execPath, ['scripts/words/build-senses.mjs', made])
    expect(readFileSync(made, 'utf8') === readFileSync(TABLE, 'utf8')).to.equal(true)
    expect(readFileSync(TABLE, 'utf8').slice(0, 2500)).to.contain('Copyright 2011 by Princeton University')
    rmSync(folder, { recursive: true })
  }).timeout(120_000)
  for (const [first, second, part, relation] of [
    ['repair', 'mend', 'v', 'near'],
    ['rain', 'rainfall', 'n', 'near'],
    ['analyse', 'analysis', null, 'near'],
    ['illness', 'disease', 'n', 'kind'],
    ['encode', 'decode', 'v', 'opposite'],
    ['import', 'export', 'v', 'opposite'],
    ['open', 'close', 'v', 'opposite'],
    ['careful', 'uncareful', 'a', 'opposite'],
    ['sock', 'bridge', 'n', 'far'],
    ['xyzzy', 'plugh', null, 'far'],
    ['constructor', 'toString', null, 'far'],
    ['tide', 'tide', null, 'same'],
  ] as const)
    it(`says that ${first} and ${second} are ${relation}, both ways`, () => {
      expect(meanings.nearness(first, second, part).relation).to.equal(relation)
      expect(meanings.nearness(second, first, part)).to.deep.equal(meanings.nearness(first, second, part))
    })
  it('gives the base form of words, known or not', () =>
    expect(['tides', 'swimming', "poem's", 'analyses', 'xyzzy'].map(meanings.lemma)).to.deep.equal([
      'tide',
      'swimming',
      'poem',
      'analysis',
      'xyzzy',
    ]))
  it('links words that stand for one another by a key that they share', () => {
    const share = (a: string, b: string) => meanings.keys(a).some((k: string | number) => meanings.keys(b).includes(k))
    expect([share('repair', 'mend'), share('illness', 'disease'), share('analyse', 'analysis'), share('sock', 'theory')]).to.deep.equal([
      true,
      true,
      true,
      false,
    ])
  })
})
