/** The rating sheet of a seat, for whoever works on paper or without a line: out as a table, and back by code. */

import { RATING_VALUES } from '../beside/review-records'
import { csvText } from '../csv'
import { decodeText } from '../intake/decode'
import { unguarded } from '../intake/own-headers'
import { isZipped, readFile, refusalOf } from '../intake/read-file'
import { err, ok, type Problem, type Result } from '../result'
import { delimitedRows } from './read-set'
import type { RatingValue } from './values'
import { VALUE_KEYS, VALUE_WORDS } from './words'

export const SHEET_COLUMNS = ['code', 'statement', 'rating', 'seen', 'where', 'change'] as const
type Column = (typeof SHEET_COLUMNS)[number]
/** What a sheet says about a point; what is open says nothing. */
export type SheetRating = {
  readonly code: string
  readonly value: RatingValue | null
  readonly seen: string | null
  readonly where: string | null
  readonly change: string | null
}
export type SheetRead = { readonly ratings: readonly SheetRating[]; readonly problems: readonly Problem[] }
type Said = Partial<Omit<SheetRating, 'code'>>

/** The most letters of what is written about a point (Cairn default). */
const MOST_WORDS = 4000

/** A row a point, in the order of {@link SHEET_COLUMNS}. */
export const sheetRows = (
  points: readonly { readonly code: string; readonly statement: string }[],
  saidOf: (code: string) => Said | undefined,
): readonly (readonly string[])[] =>
  points.map(({ code, statement }) => {
    const said = saidOf(code)
    return [code, statement, said?.value ? VALUE_WORDS[said.value] : '', said?.seen ?? '', said?.where ?? '', said?.change ?? '']
  })

/** RFC 4180, with a byte order mark; cells that a spreadsheet would run are guarded. */
export const sheetCsv = (rows: readonly (readonly string[])[]): string => csvText(SHEET_COLUMNS, rows)

const folded = (text: string): string =>
  text
    .trim()
    .toLowerCase()
    .replace(/[\s_-]+/g, ' ')
/** Every word and key that stands for a value. */
const VALUES: ReadonlyMap<string, RatingValue> = new Map([
  ...RATING_VALUES.map((v) => [v, v] as const),
  ...RATING_VALUES.map((v) => [folded(VALUE_WORDS[v]), v] as const),
  ...Object.entries(VALUE_KEYS),
])
const columnOf = (header: string): Column | undefined => SHEET_COLUMNS.find((c) => c === folded(header))

/** Reads a sheet that was filled in, as a file or pasted. `codes`: of the points that are asked. */
export function readRatingSheet(name: string, content: string | Uint8Array, codes: readonly string[]): Result<SheetRead, Problem> {
  if (typeof content === 'string') return fromTables([{ rows: delimitedRows(content, (h) => columnOf(h) !== undefined) }], codes)
  const refused = refusalOf(content)
  if (refused) return err({ ...refused, at: '' })
  if (!isZipped(content)) return readRatingSheet(name, decodeText(content), codes)
  const read = readFile(name, content)
  if (!read.ok) return err({ ...read.error, at: '' })
  return fromTables(
    read.value.blocks.flatMap((b) => (b.type === 'table' ? [b] : [])),
    codes,
  )
}

type Table = { readonly rows: readonly (readonly string[])[]; readonly numbers?: readonly number[] | undefined }

function fromTables(tables: readonly Table[], codes: readonly string[]): Result<SheetRead, Problem> {
  for (const { rows, numbers } of tables) {
    const head = rows.findIndex((r) => r.some((c) => c.trim() !== ''))
    const columns = (rows[head] ?? []).map(columnOf)
    if (!columns.includes('code') || !columns.includes('rating')) continue
    return ok(fromRows(rows.slice(head + 1), columns, codes, (at) => `row ${(numbers?.[head + 1 + at] ?? head + 1 + at) + 1}`))
  }
  return err({ code: 'no-ratings', message: 'there are no columns called code and rating', at: 'row 1' })
}

function fromRows(
  rows: readonly (readonly string[])[],
  columns: readonly (Column | undefined)[],
  codes: readonly string[],
  place: (row: number) => string,
): SheetRead {
  const problems: Problem[] = []
  const known = new Map(codes.map((c) => [folded(c), c]))
  const ratings = new Map<string, SheetRating>()
  rows.forEach((row, i): void => {
    const tell = (code: string, message: string): void => void problems.push({ code, message, at: place(i) })
    const cell = (column: Column): string => unguarded((row[columns.indexOf(column)] ?? '').trim())
    const text = (column: 'seen' | 'where' | 'change'): string | null => {
      const words = columns.includes(column) ? cell(column) : ''
      if (words.length <= MOST_WORDS) return words === '' ? null : words
      tell('too-long', `“${column}” has ${words.length} letters, and ${MOST_WORDS} at most are kept: it is left out`)
      return null
    }
    const given = cell('code')
    const word = cell('rating')
    if (given === '' && word === '') return
    const code = known.get(folded(given))
    if (code === undefined) return tell('code-unknown', `“${given}” is no code of a point that is asked: the row is left out`)
    if (ratings.has(code)) return tell('code-twice', `${code} stands here again: the first row is taken`)
    const value = VALUES.get(folded(word)) ?? null
    if (value === null && word !== '')
      tell('word-unknown', `“${word}” is no rating: in place, partly, not in place, not applicable, not yet`)
    ratings.set(code, { code, value, seen: text('seen'), where: text('where'), change: text('change') })
  })
  const said = [...ratings.values()].filter((r) => r.value !== null || r.seen !== null || r.where !== null || r.change !== null)
  return { ratings: said, problems }
}
