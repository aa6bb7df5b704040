import { expect } from 'chai'
import { linkId } from '../../../src/core/blueprint/ids'
import { insertAt, isOrderKey, keyAtEnd, keysBetween } from '../../../src/core/blueprint/order'
import { parseChange } from '../../../src/core/blueprint/schema'
import { cleanText } from '../../../src/core/blueprint/text'
import { checkLadder, upgradeFile } from '../../../src/core/blueprint/upgrades'
import { aCourse, alignmentOf, anActivity } from '../../support/course'

const change = (operations: unknown[], over: object = {}) => ({
  id: 'c1',
  code: 'test',
  params: {},
  onConflict: 'refuse',
  operations,
  ...over,
})
const update = (from: object, to: object) => ({ op: 'update', kind: 'activity', id: 'a1', from, to })
const problem = (input: unknown) => {
  const result = parseChange(input)
  expect(result.ok).to.equal(false)
  return result.ok ? { code: '', at: '', message: '' } : (result.error[0] as { code: string; at: string; message: string })
}

describe('reading a change from outside', () => {
  it('takes a well-formed one as it is', () => {
    const input = change([update({ title: 'a' }, { title: 'b' }), { op: 'create', kind: 'activity', record: anActivity('a2', 'm1') }])
    expect(parseChange(input)).to.deep.equal({ ok: true, value: input })
  })

  for (const [what, input, at] of [
    ['a value of the wrong type', change([update({ minutes: 1 }, { minutes: 'x' })]), 'operations[0].to.minutes'],
    ['a field that there is not', change([update({ colour: 'a' }, { colour: 'b' })]), 'operations[0].from'],
    ['text that is not in stored form', change([update({ title: 'a' }, { title: ' b ' })]), 'operations[0].to.title'],
    ['text over its limit', change([update({ title: 'a' }, { title: 'x'.repeat(301) })]), 'operations[0].to.title'],
    [
      'a due rule of another shape',
      change([update({ dueRule: null }, { dueRule: { rule: 'moon', week: 1, day: 1 } })]),
      'operations[0].to.dueRule.rule',
    ],
    ['one record twice', change([update({ title: 'a' }, { title: 'b' }), update({ title: 'a' }, { title: 'c' })]), 'operations[1]'],
    ['half a move', change([update({ order: 'a0' }, { order: 'a1' })]), 'operations[0]'],
    ['other fields before than after', change([update({ title: 'a' }, { minutes: 2 })]), 'operations[0]'],
    ['the course record removed', change([{ op: 'remove', kind: 'course', record: aCourse() }]), 'operations[0]'],
    [
      'a link under another id',
      change([{ op: 'create', kind: 'alignment', record: { ...alignmentOf('a1', 'o1', 'assesses'), id: 'x' } }]),
      'operations[0].record.id',
    ],
    ['a kind that there is not', change([{ op: 'create', kind: 'spell', record: {} }]), 'operations[0].kind'],
    ['no operations', change([]), 'operations'],
    ['an id with other characters', { ...change([update({ title: 'a' }, { title: 'b' })]), id: 'a b' }, 'id'],
    [
      'an order key that is none',
      change([update({ moduleId: 'm1', partId: null, order: 'a0' }, { moduleId: 'm1', partId: null, order: '?' })]),
      'operations[0].to.order',
    ],
  ] as const)
    it(`refuses ${what} and says where`, () => expect(problem(input).at).to.equal(at))
})

describe('ids of links', () => {
  it('are made of their ends and fit, however long the ends are', () => {
    expect(linkId(['a1', 'o1'])).to.equal('a1--o1')
    const long = linkId(['x'.repeat(40), 'y'.repeat(40)])
    expect(long).to.match(/^[A-Za-z0-9_-]{1,40}$/)
    expect(long).to.not.equal(linkId(['x'.repeat(40), 'z'.repeat(40)]))
  })
  it('differ where the ends could be read two ways', () => {
    expect(linkId(['a-', 'b'])).to.not.equal(linkId(['a', '-b']))
    expect(linkId(['a--b', 'c'])).to.not.equal(linkId(['a', 'b--c']))
  })
})

describe('order keys', () => {
  it('stand between their neighbours by code unit', () => {
    const [a, b] = keysBetween(null, null, 2) as [string, string]
    const [between] = keysBetween(a, b, 1) as [string]
    expect(a < between && between < b).to.equal(true)
    expect(
      keyAtEnd([
        { id: 'x', order: a },
        { id: 'y', order: b },
      ]) > b,
    ).to.equal(true)
  })
  it('tell neighbours apart that two people gave one key', () => {
    const siblings = [
      { id: 'x', order: 'a1' },
      { id: 'y', order: 'a1' },
      { id: 'z', order: 'a2' },
    ]
    const { keys, rekeyed } = insertAt(siblings, 1, 1)
    const order = new Map([
      ...siblings.map((s) => [s.id, s.order] as const),
      ...rekeyed.map((r) => [r.id, r.order] as const),
      ['new', keys[0] as string] as const,
    ])
    expect([...order].sort((a, b) => (a[1] < b[1] ? -1 : 1)).map(([id]) => id)).to.deep.equal(['x', 'new', 'y', 'z'])
  })
  it('are told from other text', () => {
    expect(isOrderKey('a0')).to.equal(true)
    for (const bad of ['', 'x y', '?', 'z', 'a'.repeat(201)]) expect(isOrderKey(bad), bad).to.equal(false)
  })
})

describe('stored text', () => {
  it('is trimmed NFC without control characters, and null where nothing is left', () => {
    expect(cleanText('  cafe\u0301\u0007\r\nx ', true)).to.equal('caf\u00e9\nx')
    expect(cleanText('a\n\tb', false)).to.equal('a b')
    expect(cleanText(' \u0000 ', false)).to.equal(null)
    expect(cleanText('\ud800', false)).to.equal('\ufffd')
  })
})

describe('the ladder of format versions', () => {
  const upgrades = [
    { from: 1, lift: (f: object) => ({ ...f, b: 1 }) },
    { from: 2, lift: (f: object) => ({ ...f, c: 2 }) },
  ]
  it('lifts a file step by step', () => {
    expect(upgradeFile({ formatVersion: 1 }, upgrades, 3)).to.deep.equal({ ok: true, value: { formatVersion: 3, b: 1, c: 2 } })
    expect(upgradeFile({ formatVersion: 2 }, upgrades, 3)).to.deep.equal({ ok: true, value: { formatVersion: 3, c: 2 } })
  })
  it('has no gaps', () => {
    expect(() => checkLadder(upgrades, 3)).to.not.throw()
    expect(() => checkLadder([{ from: 2, lift: (f) => f }], 3)).to.throw('do not lead')
  })
  it('refuses what is newer or has no version', () => {
    for (const [file, code] of [
      [{ formatVersion: 4 }, 'newer-version'],
      [{}, 'no-version'],
      [{ formatVersion: 1.5 }, 'no-version'],
      [{ formatVersion: '1' }, 'no-version'],
    ] as const) {
      const result = upgradeFile(file, upgrades, 3)
      expect(!result.ok && result.error.code).to.equal(code)
    }
  })
})
