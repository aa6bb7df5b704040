/** What a field type says twice, to the schemas and to PostgreSQL, is the same. */
import { expect } from 'chai'
import type { Field, FieldTypeName } from '../../src/core/blueprint/field'
import { defineKind } from '../../src/core/blueprint/kind'
import { type AnyRecord, declareKind, type KindName } from '../../src/core/blueprint/kinds'
import { typeOf } from '../../src/core/blueprint/types/define-type'
import { emptyValue, fileValue, recordValue } from '../../src/core/blueprint/types/forms'
import { FIELD_TYPE_NAMES } from '../../src/core/blueprint/types/index'
import { schemaOf } from '../../src/core/blueprint/types/schema-of'
import { openDatabase } from '../../src/server/db/client'
import { tableOf } from '../../src/server/db/tables'
import { valueFor } from '../support/random-values'
import { rng } from '../support/rng'
import { cloneDatabase, type TestDatabase } from '../support/server'
import { SAMPLE_FIELDS } from '../support/toy-kinds'
import { addTables } from '../support/toy-tables'

const EVERY = 'everyType' as KindName
const everyType = defineKind({ name: 'everyType', plural: 'everyTypes', noun: 'sample', fields: SAMPLE_FIELDS })
const NAMES = { nameOf: (_: string, id: string) => id, find: (_: string, text: string) => text, weekStart: 'monday' as const }

/** At the limit and past it; `loose`: the database lets it by, only the schema refuses it. */
const AT_THE_LIMIT: Readonly<
  Record<FieldTypeName, { readonly holds: readonly unknown[]; readonly refuses: readonly unknown[]; readonly loose?: readonly unknown[] }>
> = {
  text: { holds: ['a', 'a'.repeat(12), 'é😀'], refuses: ['', 'a'.repeat(13)], loose: [' a', 'a\nb', 'e\u0301'] },
  rich: {
    holds: [{ type: 'doc', content: [] }],
    refuses: [],
    loose: [{ type: 'page' }, { type: 'doc', content: [{ type: 'script' }] }, 'text'],
  },
  int: { holds: [1, 9], refuses: [0, 10, 2 ** 40] },
  hundredths: { holds: [0, 10_000], refuses: [-1, 10_001] },
  bool: { holds: [true, false], refuses: ['maybe'] },
  date: {
    holds: ['2027-02-28', '2028-02-29', '1900-01-01', '2200-12-31'],
    refuses: ['2027-02-29', '2027-13-01', '0000-01-01', 'soon'],
    // Every plan of a term is in reach; the database has days of any year.
    loose: ['1899-12-31', '2201-01-01', '0001-01-01', '9999-12-31'],
  },
  time: { holds: ['00:00', '23:59'], refuses: ['24:00', '9:00', '12:60', ''] },
  colour: { holds: ['#000000', '#20282b', '#ffffff'], refuses: ['#FFF', '#20282B', '20282b', '#20282b0', ''] },
  zone: { holds: ['UTC', 'Pacific/Auckland'], refuses: [], loose: ['Mars/Base'] },
  enum: { holds: ['wet', "half'wet"], refuses: ['snow', '', 'Wet'] },
  list: { holds: [[], ['one'], ['three', 'one']], refuses: [['four'], ['one', 'four']], loose: [['one', 'one']] },
  'line list': {
    holds: [[], ['one'], ['b', 'a', 'é😀'], ['12345678']],
    refuses: [['a', 'b', 'c', 'd'], ['x'.repeat(25)], [null]],
    loose: [['a', 'a'], [''], [' a'], ['a,b'], ['123456789']],
  },
  ref: { holds: ['m1', 'x'.repeat(40)], refuses: ['', 'x'.repeat(201)], loose: ['x'.repeat(41), 'a b'] },
  order: { holds: ['a0', 'Zz'], refuses: ['', 'a'.repeat(201)], loose: ['!'] },
  'object list': {
    holds: [
      [],
      [{ name: 'a', share: null }],
      [
        { name: 'b', share: 50 },
        { name: 'a', share: 1000 },
      ],
    ],
    refuses: [{ name: 'a', share: null }, 'a'],
    loose: [[{ name: 'a' }], [1], [{ name: 'a', share: null, more: 1 }], Array.from({ length: 3 }, () => ({ name: 'a', share: null }))],
  },
  object: { holds: [{ count: 1, unit: 'pairs' }], refuses: [], loose: [{ count: 4, unit: 'pairs' }, { count: 1 }] },
}

describe('a field type', () => {
  let database: TestDatabase
  let opened: ReturnType<typeof openDatabase>
  let undeclare: (() => void) | undefined
  before(async () => {
    database = await cloneDatabase()
    await addTables(database.url, () => {
      undeclare = declareKind(everyType)
    })
    opened = openDatabase(database.url)
  })
  after(async () => {
    undeclare?.()
    await opened.pool.end()
    await database.drop()
  })
  const random = rng(12)
  const made = (): AnyRecord =>
    ({
      id: 's1',
      ...Object.fromEntries(Object.entries(SAMPLE_FIELDS).map(([n, f]) => [n, valueFor(f, random, () => ['m1'])])),
    }) as AnyRecord
  /** Whether PostgreSQL takes a record; it is not kept. */
  const stores = async (record: AnyRecord): Promise<boolean> => {
    const back = new Error('taken back')
    try {
      await opened.db.transaction(async (tx) => {
        await tx.insert(tableOf(EVERY) as never).values({ courseId: 'c1', ...record } as never)
        throw back
      })
    } catch (error) {
      return error === back
    }
    return false
  }

  for (const name of FIELD_TYPE_NAMES) {
    const field: Field = SAMPLE_FIELDS[name]
    const fits = (value: unknown) => schemaOf(field, 'record').safeParse(value).success
    it(`${name}: schema and database hold the same`, async () => {
      const { holds, refuses, loose = [] } = AT_THE_LIMIT[name]
      const by = (value: unknown) => stores({ ...made(), [name]: value })
      for (const value of holds) expect([fits(value), await by(value)], JSON.stringify(value)).to.deep.equal([true, true])
      for (const value of refuses) expect([fits(value), await by(value)], JSON.stringify(value)).to.deep.equal([false, false])
      for (const value of loose) expect([fits(value), await by(value)], JSON.stringify(value)).to.deep.equal([false, true])
      expect([fits(null), await by(null)], 'null').to.deep.equal([false, false])
    })
    it(`${name}: goes to files and back, also where nothing is said`, () => {
      const file = schemaOf(field, 'file')
      for (let i = 0; i < 60; i++) {
        const value = valueFor(field, random, () => ['m1'])
        expect(fits(value), JSON.stringify(value)).to.equal(true)
        const written = fileValue(field, value)
        // Files have the place in the list instead of a key.
        if (name === 'order') expect(written).to.equal(undefined)
        else {
          expect(file.safeParse(JSON.parse(JSON.stringify({ v: written })).v).success, JSON.stringify(written)).to.equal(true)
          expect(recordValue(field, written)).to.deep.equal(value)
        }
      }
      const nothing = emptyValue(field)
      if (nothing !== undefined) {
        expect(fits(nothing)).to.equal(true)
        expect(recordValue(field, undefined)).to.deep.equal(nothing)
      }
      expect(emptyValue({ ...field, optional: true } as Field)).to.equal(null)
    })
    it(`${name}: what it says as text is read back, where it can be typed`, () => {
      const { fromText, toText } = typeOf(field)
      // An object of a kind says itself how it is typed; these do not.
      if (!fromText || name === 'object') return
      for (let i = 0; i < 60; i++) {
        const value = valueFor(field, random, () => ['m1'])
        const text = toText(field, value, NAMES)
        if (text === '') continue
        expect(fromText(field, text, NAMES), text).to.deep.equal({ ok: true, value })
      }
    })
  }
})
