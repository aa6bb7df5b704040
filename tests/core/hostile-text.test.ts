import { expect } from 'chai'
import Papa from 'papaparse'
import { applyChange } from '../../src/core/blueprint/apply'
import { type Blueprint, blueprintOf } from '../../src/core/blueprint/blueprint'
import { fittedText, longestText } from '../../src/core/blueprint/field-text'
import { type AnyRecord, fieldsOf, KIND_NAMES, type KindName, specOf } from '../../src/core/blueprint/kinds'
import { parseChange } from '../../src/core/blueprint/schema'
import { analyse } from '../../src/core/findings/analyse'
import { readNative, sameBlueprint, writeNative } from '../../src/core/formats/native'
import { writeActivitiesCsv } from '../../src/core/formats/table-csv'
import { writeMappingCsv } from '../../src/core/frameworks/mapping'
import { describeChange } from '../../src/core/history/describe'
import { assembleSyllabus } from '../../src/core/syllabus/assemble'
import { syllabusHtml } from '../../src/core/syllabus/html'
import { aBlueprint, aFramework, aModule, anActivity, anItem, anObjective, anOutcome } from '../support/course'

/** What people paste by mistake, and what others send on purpose. */
const HOSTILE: Readonly<Record<string, string>> = {
  markup: '<img src=x onerror=alert(1)>',
  script: '</title><script>alert(1)</script>',
  'an entity': '&lt;script&gt;&#x3c;b&#x3e;',
  'a formula': '=HYPERLINK("http://x.example","y")',
  'another formula': "@SUM(1+1)*cmd|' /C calc'!A0",
  'a key of objects': '__proto__',
  'a direction that is isolated': 'abc\u2067dcb\u2069',
  'a quote of the database': "'; drop table outcome; --",
  'a template': '${7*7}{{7*7}}',
  'a path': '../../etc/passwd',
  'an emoji of several parts': '👩🏽‍🔬👨‍👩‍👧',
}
/** What no text field holds: refused on the wire, mended where it is typed. */
const UNCLEAN: Readonly<Record<string, string>> = {
  'a null character': 'a\u0000b',
  'half a pair': 'a\ud800b',
  'an escape character': 'a\u001bb',
  'a direction override': 'abc\u202Edcb',
  'outer space': '  a  ',
  'a letter in two parts': 'e\u0301',
}

const textFields = KIND_NAMES.flatMap((kind) =>
  fieldsOf(kind).flatMap(([field, spec]) => (spec.type === 'text' ? [{ kind, field, spec }] : [])),
)

/** A valid value for every field of a kind, references pointing nowhere. */
function recordOf(kind: KindName): AnyRecord {
  const values = fieldsOf(kind).map(([name, f]) => {
    if (f.optional) return [name, null]
    switch (f.type) {
      case 'text':
        return [name, 'Text']
      case 'int':
      case 'hundredths':
        return [name, f.min]
      case 'bool':
        return [name, false]
      case 'enum':
        return [name, f.values[0]]
      case 'list':
      case 'line list':
      case 'object list':
        return [name, []]
      case 'date':
        return [name, '2027-09-06']
      case 'time':
        return [name, '12:00']
      case 'zone':
        return [name, 'UTC']
      case 'order':
        return [name, 'a0']
      case 'rich':
        return [name, { type: 'doc' }]
      case 'ref':
        return [name, 'x']
      case 'object':
        return [name, {}]
      default:
        throw new Error(`no value for ${name}`)
    }
  })
  return { id: specOf(kind).single ? kind : 'r1', ...Object.fromEntries(values) } as AnyRecord
}
const setting = (kind: KindName, field: string, value: unknown) => ({
  id: 'c1',
  code: 'edit-text',
  params: {},
  onConflict: 'refuse',
  operations: [
    {
      op: 'update',
      kind,
      id: recordOf(kind).id,
      from: { [field]: (recordOf(kind) as Record<string, unknown>)[field] },
      to: { [field]: value },
    },
  ],
})
const moves = (kind: KindName, field: string): boolean =>
  (specOf(kind).place ?? []).includes(field) || (specOf(kind).ends ?? []).includes(field)

describe('hostile text', () => {
  for (const { kind, field, spec } of textFields.filter((f) => f.spec.schemes && !moves(f.kind, f.field)))
    it(`${kind}.${field} takes addresses alone, and none that runs a script`, () => {
      for (const text of [
        ...Object.values(HOSTILE),
        'javascript:alert(1)',
        'JavaScript://x',
        'data:text/html,x',
        'https://',
        'https://a b',
      ])
        expect(parseChange(setting(kind, field, fittedText(kind, field, text.slice(0, spec.max)))).ok, text.slice(0, 40)).to.equal(false)
      expect(parseChange(setting(kind, field, 'https://pages.example/1?a=b#c')).ok).to.equal(true)
    })
  for (const { kind, field, spec } of textFields.filter((f) => !f.spec.schemes && !moves(f.kind, f.field))) {
    it(`${kind}.${field} keeps text as it is, up to its limit, and refuses what no text holds`, () => {
      for (const [what, text] of Object.entries(HOSTILE)) {
        const fitting = text.slice(0, spec.max)
        const stored = fittedText(kind, field, fitting)
        const parsed = parseChange(setting(kind, field, stored))
        expect(parsed.ok, `${what}: ${parsed.ok ? '' : parsed.error[0]?.message}`).to.equal(true)
      }
      for (const [what, text] of Object.entries(UNCLEAN)) {
        expect(parseChange(setting(kind, field, text)).ok, what).to.equal(false)
        const mended = fittedText(kind, field, text)
        expect(mended === null || parseChange(setting(kind, field, mended)).ok, what).to.equal(true)
      }
      expect(parseChange(setting(kind, field, 'x'.repeat(longestText(kind, field) + 1))).ok).to.equal(false)
      expect(fittedText(kind, field, 'x'.repeat(1_000_000))?.length).to.equal(longestText(kind, field))
      expect(parseChange(setting(kind, field, { toString: 'x' })).ok).to.equal(false)
    })
  }

  for (const [what, text] of Object.entries(HOSTILE))
    it(`${what} is harmless on the way through: analysis, syllabus, tables, log, file`, () => {
      const plan: Blueprint = aBlueprint({
        module: [aModule('m1', { title: text, subtitle: text })],
        outcome: [anOutcome('co1', { statement: text })],
        objective: [anObjective('o1', 'm1', { statement: text })],
        activity: [anActivity('a1', 'm1', { title: text, notes: text })],
        framework: [aFramework('f1', { title: text })],
        frameworkItem: [anItem('i1', 'f1', { statement: text, code: text.slice(0, 60) })],
      })
      expect(() => analyse(plan, '2027-01-01')).to.not.throw()
      const html = syllabusHtml(assembleSyllabus(plan))
      expect(html).to.not.match(/<img|<script|onerror=alert\(1\)>/)
      for (const csv of [writeActivitiesCsv(plan), writeMappingCsv(plan)])
        for (const row of Papa.parse<string[]>(csv.replace(/^\uFEFF/, '')).data)
          for (const cell of row) expect(cell, 'a cell that would be a formula').to.not.match(/^[=@+]|^-(?!$)/)
      const back = readNative(writeNative(plan))
      expect(back.ok && sameBlueprint(back.value, plan)).to.equal(true)
      const change = {
        id: 'c',
        code: 'remove',
        params: {},
        onConflict: 'skip' as const,
        operations: [{ op: 'remove' as const, kind: 'outcome' as const, record: plan.outcome.get('co1') as unknown as AnyRecord }],
      }
      const applied = applyChange(plan, change)
      if (!applied.ok) throw new Error('not applied')
      expect(describeChange(applied.effective, plan, applied.blueprint)[0]?.text).to.contain(text.slice(0, 20))
    })

  it('is no way into the shape of objects', () => {
    for (const key of ['__proto__', 'constructor', 'prototype']) {
      const file = `{"format":"cairn-blueprint","formatVersion":3,"course":{"${key}":{"polluted":true}}}`
      const read = readNative(file)
      expect(read.ok).to.equal(false)
      expect(({} as Record<string, unknown>)['polluted']).to.equal(undefined)
      expect(parseChange(JSON.parse(`{"id":"c","code":"x","params":{"${key}":"y"},"onConflict":"refuse","operations":[]}`)).ok).to.equal(
        false,
      )
      expect(parseChange(setting('outcome', key, 'x')).ok).to.equal(false)
    }
    expect(() => blueprintOf({ outcome: [anOutcome('__proto__')] })).to.not.throw()
  })

  it('of absurd size is refused, and what fits is analysed', () => {
    for (const size of [1_000_000, 5_000_000]) expect(parseChange(setting('outcome', 'statement', 'x'.repeat(size))).ok).to.equal(false)
    for (const text of ['('.repeat(100_000), ' to '.repeat(50_000), 'and '.repeat(50_000), '<'.repeat(100_000)]) {
      const statement = fittedText('objective', 'statement', text) ?? ''
      const plan = aBlueprint({ module: [aModule('m1')], objective: [anObjective('o1', 'm1', { statement })] })
      expect(analyse(plan, null).findings.some((f) => f.records[0]?.id === 'o1')).to.equal(true)
    }
  })
})
