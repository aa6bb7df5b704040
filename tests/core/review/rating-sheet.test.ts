/** The rating sheet of a seat: out, filled in, and back by code. */
import { expect } from 'chai'
import ExcelJS from 'exceljs'
import fc from 'fast-check'
import Papa from 'papaparse'
import { RATING_VALUES } from '../../../src/core/beside/review-records'
import { readRatingSheet, type SheetRating, sheetCsv, sheetRows } from '../../../src/core/review/rating-sheet'
import { sheetWorkbook } from '../../../src/core/review/write-rating-sheet-xlsx'

const CODES = ['A-1', 'A-2', 'B-10']
const read = (content: string | Uint8Array) => {
  const result = readRatingSheet('sheet', content, CODES)
  if (!result.ok) throw new Error(result.error.message)
  return result.value
}
const POINTS = CODES.map((code) => ({ code, statement: `=Statement of ${code}, "quoted"\nsecond line` }))
const blank = { value: null, seen: null, where: null, change: null }

describe('a rating sheet', () => {
  it('goes out as CSV and XLSX and comes back the same, whatever is written in it', async () => {
    const text = fc.option(
      fc.string({ maxLength: 40, unit: 'binary' }).map((s) => s.replace(/\p{C}/gu, '').trim()),
      { nil: null },
    )
    const said = fc.record({ value: fc.option(fc.constantFrom(...RATING_VALUES), { nil: null }), seen: text, where: text, change: text })
    await fc.assert(
      fc.asyncProperty(fc.array(said, { minLength: 3, maxLength: 3 }), async (ratings) => {
        const of = new Map(CODES.map((c, i) => [c, ratings[i]]))
        const rows = sheetRows(POINTS, (code) => of.get(code))
        // What is empty says nothing; a text that begins with an apostrophe before such a sign is read as guarded.
        const kept = CODES.flatMap((code, i): SheetRating[] => {
          const open = (v: string | null | undefined) => (v ? v.replace(/^'(?=[=+\-@])/, '') : null)
          const r = ratings[i]
          const rating = { code, value: r?.value ?? null, seen: open(r?.seen), where: open(r?.where), change: open(r?.change) }
          return rating.value || rating.seen || rating.where || rating.change ? [rating] : []
        })
        expect(read(sheetCsv(rows))).to.deep.equal({ ratings: kept, problems: [] })
        expect(read(await sheetWorkbook('Round', rows))).to.deep.equal({ ratings: kept, problems: [] })
      }),
      { numRuns: 30 },
    )
  })

  it('is read by other programs, with the words of a rating to choose from', async () => {
    const rows = sheetRows(POINTS, () => ({ value: 'partly' }))
    const parsed = Papa.parse<string[]>(sheetCsv(rows).replace('\uFEFF', '').trim()).data
    expect([parsed[0], parsed[1]?.slice(0, 3)]).to.deep.equal([
      ['code', 'statement', 'rating', 'seen', 'where', 'change'],
      ['A-1', `'=Statement of A-1, "quoted"\nsecond line`, 'Partly'],
    ])
    const book = new ExcelJS.Workbook()
    await book.xlsx.load((await sheetWorkbook('Round', rows)).buffer as never)
    expect(book.getWorksheet('Ratings')?.getCell('C2').dataValidation.formulae).to.deep.equal([
      '"In place,Partly,Not in place,Not applicable,Not yet"',
    ])
  })

  it('takes columns in any order and case, words or the keys of the window, and tells what it does not know', () => {
    const { ratings, problems } = read(
      [
        'Rating;CODE;Seen;Remarks',
        'in  PLACE;a-1;Well;x',
        '3;A-2;;',
        'splendid;B-10;All of it;',
        'partly;C-9;;',
        'partly;A-1;again;',
        ';;;',
      ].join('\r\n'),
    )
    expect(ratings).to.deep.equal([
      { ...blank, code: 'A-1', value: 'in place', seen: 'Well' },
      { ...blank, code: 'A-2', value: 'not in place' },
      { ...blank, code: 'B-10', seen: 'All of it' },
    ])
    expect(problems.map((p) => `${p.at} ${p.code}`)).to.deep.equal(['row 4 word-unknown', 'row 5 code-unknown', 'row 6 code-twice'])
  })

  it('keeps 4,000 letters and tells of one more; a table without codes or ratings is none', () => {
    const long = (n: number) => read(`code,rating,seen\nA-1,partly,${'x'.repeat(n)}`)
    expect(long(4000).ratings[0]?.seen).to.have.length(4000)
    expect([long(4001).ratings[0]?.seen, long(4001).problems.map((p) => p.code)]).to.deep.equal([null, ['too-long']])
    for (const none of ['', 'code,statement\nA-1,x', 'rating\npartly', '<html>', '{"a": 1}'])
      expect(readRatingSheet('x', none, CODES).ok, none).to.equal(false)
    expect(readRatingSheet('x', new Uint8Array([0x50, 0x4b, 3, 4, 9, 9]), CODES).ok).to.equal(false)
  })
})
