import { expect } from 'chai'
import fc from 'fast-check'
import type { Change } from '../../../src/core/blueprint/change'
import { readKeptChange } from '../../../src/core/blueprint/change-upgrades'
import { parseChange } from '../../../src/core/blueprint/schema'
import { storableChange, storableValue } from '../../../src/core/blueprint/storable'
import { fitted, isStorable, shortened, storable } from '../../../src/core/blueprint/text'
import { FORMAT_VERSION } from '../../../src/core/blueprint/upgrades'
import { readNative, writeNative } from '../../../src/core/formats/native'
import { ownPath } from '../../../src/core/own-path'
import { aBlueprint, aCourse } from '../../support/course'

const HALF = 'Keep \ud83d'
const NUL = 'a\u0000b'
const richOf = (text: string) => ({ type: 'doc', content: [{ type: 'paragraph', content: [{ type: 'text', text }] }] })
const change = (over: Partial<Change>): Change => ({
  id: 'c1',
  code: 'apply-fix',
  params: {},
  onConflict: 'refuse',
  operations: [{ op: 'update', kind: 'course', id: 'course', from: { subtitle: null }, to: { subtitle: 'x' } }],
  ...over,
})
const any = fc.string({ unit: 'binary', maxLength: 60 })

describe('text that can be stored', () => {
  it('holds no NUL and no half of a letter; all else is as it was', () => {
    expect([HALF, NUL, 'a\u001bb', '👩🏽‍🔬'].map(isStorable)).to.deep.equal([false, false, true, true])
    expect([HALF, NUL].map(storable)).to.deep.equal(['Keep \ufffd', 'ab'])
    fc.assert(fc.property(any, (t) => isStorable(storable(t)) && (!isStorable(t) || storable(t) === t)))
  })
  it('shows letters as they are written and hides none; a flag made of tag signs stays', () => {
    const tags = (text: string) => [...text].map((c) => String.fromCodePoint(0xe0000 + (c.codePointAt(0) ?? 0))).join('')
    // Black flag, the tags of a region, and the tag that ends them (UTS 51, annex C).
    const flag = `\u{1f3f4}${tags('gbsct')}\u{e007f}`
    const hidden = `Read this${tags('or not')}`
    expect(['a\u202eb', '\u202d', hidden, flag].map(isStorable)).to.deep.equal([false, false, false, true])
    expect(['a\u202eb', hidden, `${flag} ${hidden}`].map(storable)).to.deep.equal(['ab', 'Read this', `${flag} Read this`])
    for (const text of ['a\u202eb', hidden]) {
      const to = { description: richOf(text) }
      const read = parseChange(change({ operations: [{ op: 'update', kind: 'course', id: 'course', from: { description: null }, to }] }))
      expect(read.ok ? [] : read.error.map((p) => p.message)[0]).to.match(/hidden sign/)
    }
  })
  it('is cut between letters as people see them, never within one', () => {
    // A scientist of four code points and a joiner: 7 UTF-16 units (2 + 2 + 1 + 2).
    expect(fitted('ab👩🏽‍🔬', 8)).to.equal('ab')
    expect(fitted('ab👩🏽‍🔬', 9)).to.equal('ab👩🏽‍🔬')
    expect(fitted('e\u0301e\u0301', 3)).to.equal('e\u0301')
    expect([shortened('abcdef', 6), shortened('abcdefg', 6), shortened('abcd👩🏽‍🔬', 6)]).to.deep.equal(['abcdef', 'abcde…', 'abcd…'])
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', maxLength: 700 }), fc.integer({ min: 0, max: 800 }), (t, most) => {
        const cut = fitted(t, most)
        return cut.length <= most && t.startsWith(cut) && (cut === t || isStorable(cut))
      }),
    )
  })
  it('is what a change is refused for on the wire, with the place, and is made of one before it is queued', () => {
    const bad = [
      [change({ params: { what: HALF } }), /^params.what$/],
      [change({ params: { what: NUL } }), /^params.what$/],
      [
        change({
          operations: [{ op: 'update', kind: 'course', id: 'course', from: { description: null }, to: { description: richOf(HALF) } }],
        }),
        /^operations\[0\]\.to\.description\.content/,
      ],
      [
        change({
          operations: [{ op: 'update', kind: 'course', id: 'course', from: { description: null }, to: { description: richOf(NUL) } }],
        }),
        /^operations\[0\]\.to\.description\.content/,
      ],
    ] as const
    for (const [made, place] of bad) {
      const parsed = parseChange(made)
      expect(parsed.ok ? '' : parsed.error[0]?.at).to.match(place)
      expect(parseChange(storableChange(made)).ok).to.equal(true)
      // One that an earlier version queued goes out as well.
      expect(readKeptChange({ formatVersion: FORMAT_VERSION, change: made }).ok).to.equal(true)
    }
    expect(parseChange(storableChange(change({ params: { what: 'x'.repeat(900) } }))).ok).to.equal(true)
  })
  it('leaves values alone that can be stored, by identity', () => {
    const value = { a: [richOf('fine')], b: 1, c: null }
    expect(storableValue(value)).to.equal(value)
    fc.assert(fc.property(fc.jsonValue(), (v) => Object.is(storableValue(v), v)))
  })
  it('comes out of a file that held something else', () => {
    const plan = aBlueprint({ course: [aCourse({ description: richOf('here') as never })] })
    const file = writeNative(plan).replace('"text": "here"', '"text": "a\\u0000b\\ud83d"')
    const read = readNative(file)
    expect(read.ok && read.value.course.get('course')?.description).to.deep.equal(richOf('ab\ufffd'))
  })
})

describe('where signing in leads', () => {
  for (const path of ['/', '/courses/a/map?at=activity:a1#x', '/courses/ü'])
    it(`to ${path}, a path of Cairn`, () => expect(decodeURI(ownPath(path))).to.equal(path))
  for (const path of [
    null,
    '',
    'https://x.example',
    '//x.example',
    '/\\x.example',
    '/\t/x.example',
    '/\n/x.example',
    '\t//x.example',
    '/\r\\x.example',
    '/.//x.example',
    '/a/..//x.example',
    'javascript:alert(1)',
  ])
    it(`not to ${JSON.stringify(path)}`, () => {
      const to = ownPath(path)
      expect(new URL(to, 'http://cairn.test').origin).to.equal('http://cairn.test')
      expect(to).to.equal('/')
    })
})
