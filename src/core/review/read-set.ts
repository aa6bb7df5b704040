/** Sets of quality points as they come: JSON, CSV, XLSX. Whatever cannot be taken is told with its place. */
import Papa from 'papaparse'
import { MOST, MUST_NEEDS, SHOULD_NEEDS } from '../blueprint/kinds/review-set'
import { decodeText } from '../intake/decode'
import { unguarded } from '../intake/own-headers'
import { isZipped, readFile, refusalOf } from '../intake/read-file'
import { err, ok, type Problem, type Result } from '../result'
import { hostileShape } from '../shape'
import { freeCode } from './free-code'
import { NO_AREA, NO_RULE, type ReviewSet, type SetArea, type SetPoint, type SetRule } from './review-set'
import { type RawPoint, type TakenPoint, takePoint } from './take-point'

export const SET_FORMAT = 'cairn-review-set'
export const SET_VERSION = 1
/** The most levels of a set file (Cairn default). */
const MOST_DEPTH = 20
/** The most bytes of a set or review file (Cairn default). */
export const MOST_SET_BYTES = 20_000_000

export type ReadSet = { readonly set: ReviewSet; readonly problems: readonly Problem[] }
export type SetReading = {
  /** What the set is called where it does not say so itself. */
  readonly name: string
  /** Whether a rule of this code is here. */
  readonly isRule: (code: string) => boolean
}
type Tell = (problem: Problem) => void

/** Reads a file by what it is. */
export function readSetFile(bytes: Uint8Array, reading: SetReading): Result<ReadSet, Problem> {
  const refused = refusalOf(bytes)
  if (refused) return err({ ...refused, at: '' })
  if (!isZipped(bytes)) return readSetText(decodeText(bytes), reading)
  const read = readFile(reading.name, bytes)
  if (!read.ok) return err({ ...read.error, at: '' })
  for (const block of read.value.blocks) {
    if (block.type !== 'table') continue
    const set = fromRows(block.rows, block.numbers, reading)
    if (set) return set
  }
  return err(NO_STATEMENTS)
}

/** Reads a text: JSON where it looks like it, else a table. */
export function readSetText(text: string, reading: SetReading): Result<ReadSet, Problem> {
  const bare = text.replace(/^\uFEFF/, '')
  if (/^\s*[{[]/.test(bare)) {
    try {
      return readSetJson(JSON.parse(bare), reading)
    } catch (error) {
      return err({ code: 'not-json', message: `this is not readable JSON: ${(error as Error).message}`, at: '' })
    }
  }
  return (
    fromRows(
      delimitedRows(bare, (h) => columnOf(h) !== undefined),
      undefined,
      reading,
    ) ?? err(NO_STATEMENTS)
  )
}

const NO_STATEMENTS: Problem = { code: 'no-statements', message: 'there is no column called statement', at: 'row 1' }

// — tables —

const COLUMNS: Readonly<Record<string, keyof SetPoint | 'area'>> = {
  code: 'code',
  area: 'area',
  statement: 'statement',
  why: 'why',
  where: 'where',
  priority: 'priority',
  weight: 'weight',
  tags: 'tags',
  findings: 'findings',
  looksat: 'looksAt',
  basis: 'basis',
  aslearner: 'asLearner',
}
/** Case and spacing aside. */
const columnOf = (header: string) => COLUMNS[header.toLowerCase().replace(/[\s_-]+/g, '')]

/** The cells of a delimited text; the sign between them is the one with which the header has most columns that are known. */
export function delimitedRows(text: string, isColumn: (header: string) => boolean): readonly (readonly string[])[] {
  const read = [',', ';', '\t'].map((delimiter) => Papa.parse<string[]>(text, { delimiter, skipEmptyLines: false }).data)
  const known = (rows: readonly (readonly string[])[]) => (rows.find(isFilled) ?? []).filter((c) => isColumn(c.trim())).length
  return read.reduce((best, rows) => (known(rows) > known(best) ? rows : best))
}
const isFilled = (row: readonly string[]): boolean => row.some((c) => c.trim() !== '')

/** Null where the first row that holds anything names no statements. */
function fromRows(
  rows: readonly (readonly string[])[],
  numbers: readonly number[] | undefined,
  reading: SetReading,
): Result<ReadSet, Problem> | null {
  const head = rows.findIndex(isFilled)
  const header = (rows[head] ?? []).map((c) => c.trim())
  const columns = header.map(columnOf)
  if (!columns.includes('statement')) return null
  const problems: Problem[] = []
  const place = (row: number) => `row ${(numbers?.[row] ?? row) + 1}`
  for (const name of new Set(header.filter((h, i) => h !== '' && !columns[i])))
    problems.push({ code: 'column-unknown', message: `“${name}” is no column of a set: it is left out`, at: place(head) })
  const points: RawPoint[] = []
  const areas: string[] = []
  let area = NO_AREA
  rows.forEach((row, at) => {
    if (at <= head || !isFilled(row)) return
    const values: Record<string, unknown> = {}
    columns.forEach((column, i) => {
      const cell = unguarded((row[i] ?? '').trim())
      if (column && cell !== '' && values[column] === undefined) values[column] = split(column, cell)
    })
    area = typeof values['area'] === 'string' ? values['area'] : area
    if (!areas.includes(area)) areas.push(area)
    points.push({ area, place: areas.indexOf(area), values, at: () => place(at) })
  })
  const blank = { key: null, title: reading.name, version: null, language: null, note: null, rule: NO_RULE }
  const read = gathered(blank, points, reading, problems, areas)
  // An area of which nothing came in is named by no row.
  return read.ok ? ok({ ...read.value, set: { ...read.value.set, areas: read.value.set.areas.filter((a) => a.points.length > 0) } }) : read
}

/** Several values of one cell. */
const split = (column: keyof SetPoint | 'area', cell: string): unknown =>
  column === 'findings' ? cell.split(/[;,\s]+/) : column === 'tags' || column === 'looksAt' ? cell.split(/[;,]/) : cell

// — JSON —

type Json = Readonly<Record<string, unknown>>
const isObject = (value: unknown): value is Json => typeof value === 'object' && value !== null && !Array.isArray(value)
const TOP_KEYS = ['format', 'formatVersion', 'key', 'title', 'version', 'language', 'note', 'rule', 'areas']
const POINT_KEYS = ['code', 'statement', 'priority', 'why', 'where', 'basis', 'weight', 'tags', 'findings', 'looksAt', 'asLearner']

/** Reads a set that is JSON already; `from` is where it stands in the file. */
export function readSetJson(raw: unknown, reading: SetReading, from = ''): Result<ReadSet, Problem> {
  const hostile = hostileShape(raw, MOST_DEPTH)
  if (hostile) return err(hostile)
  if (!isObject(raw) || raw['format'] !== SET_FORMAT)
    return err({ code: 'other-format', message: `this is no set of quality points: its format is not ${SET_FORMAT}`, at: `${from}format` })
  const version = raw['formatVersion']
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1)
    return err({ code: 'other-format', message: 'it does not say of which version it is', at: `${from}formatVersion` })
  if (version > SET_VERSION)
    return err({ code: 'newer-version', message: 'this set was written by a newer version of Cairn', at: `${from}formatVersion` })
  const problems: Problem[] = []
  const tell: Tell = (problem) => void problems.push(problem)
  const told = new Set<string>()
  const known = (value: Json, keys: readonly string[], level: string, at: string) => {
    for (const key of Object.keys(value)) {
      if (keys.includes(key) || told.has(`${level} ${key}`)) continue
      told.add(`${level} ${key}`)
      tell({ code: 'key-unknown', message: `“${key}” is no part of a set: it is left out`, at: `${at}${key}` })
    }
  }
  known(raw, TOP_KEYS, 'set', from)
  const text = (field: string, most: number): string | null => {
    const value = raw[field]
    if (value === undefined || value === null) return null
    if (typeof value === 'string' && value.trim().length <= most) return value.trim() === '' ? null : value.trim()
    const code = typeof value === 'string' ? 'too-long' : 'value-wrong'
    tell({ code, message: `${field} ${code === 'too-long' ? `has more than ${most} letters` : 'is no text'}`, at: `${from}${field}` })
    return null
  }
  const head = {
    key: text('key', MOST.title),
    title: text('title', MOST.title) ?? reading.name,
    version: text('version', MOST.title),
    language: text('language', MOST.title),
    note: text('note', MOST.text),
    rule: isObject(raw['rule']) ? ruleOf(raw['rule'], `${from}rule.`, tell) : NO_RULE,
  }
  if (isObject(raw['rule'])) known(raw['rule'], ['mustNeeds', 'shouldNeeds', 'scoreFrom'], 'rule', `${from}rule.`)
  else if (raw['rule'] !== undefined && raw['rule'] !== null)
    tell({ code: 'value-wrong', message: 'rule is not an object', at: `${from}rule` })
  const areas = Array.isArray(raw['areas']) ? (raw['areas'] as readonly unknown[]) : []
  const points: RawPoint[] = []
  const titles: string[] = []
  areas.forEach((area, a) => {
    const at = `${from}areas[${a}]`
    if (!isObject(area)) return tell({ code: 'value-wrong', message: 'an area is an object', at })
    known(area, ['title', 'points'], 'area', `${at}.`)
    const named = area['title']
    if (named !== undefined && named !== null && typeof named !== 'string')
      tell({ code: 'value-wrong', message: 'title is no text', at: `${at}.title` })
    titles.push(typeof named === 'string' && named.trim() !== '' ? named.trim() : NO_AREA)
    const place = titles.length - 1
    const list = Array.isArray(area['points']) ? (area['points'] as readonly unknown[]) : []
    list.forEach((point, p) => {
      const here = `${at}.points[${p}]`
      if (!isObject(point)) return tell({ code: 'value-wrong', message: 'a point is an object: it is left out', at: here })
      known(point, POINT_KEYS, 'point', `${here}.`)
      points.push({ area: titles[place] ?? NO_AREA, place, values: point, at: (field) => `${here}.${field}` })
    })
  })
  return gathered(head, points, reading, problems, titles)
}

function ruleOf(rule: Json, at: string, tell: Tell): SetRule {
  const one = <T extends string>(field: string, of: readonly T[]): T | null => {
    const value = rule[field]
    if (value === undefined || value === null) return null
    const known = of.find((v) => v === value)
    if (!known) tell({ code: 'value-wrong', message: `${field} is one of ${of.join(', ')}`, at: `${at}${field}` })
    return known ?? null
  }
  const score = rule['scoreFrom']
  const isScore = typeof score === 'number' && score >= 0 && score <= 100
  if (score !== undefined && score !== null && !isScore)
    tell({ code: 'value-wrong', message: 'scoreFrom is a number from 0 to 100', at: `${at}scoreFrom` })
  return { mustNeeds: one('mustNeeds', MUST_NEEDS), shouldNeeds: one('shouldNeeds', SHOULD_NEEDS), scoreFrom: isScore ? score : null }
}

// — both —

/** Takes the points, gives codes to those without, and gathers them by area. */
function gathered(
  head: Omit<ReviewSet, 'areas'>,
  raw: readonly RawPoint[],
  { isRule }: SetReading,
  before: readonly Problem[],
  titles: readonly string[],
): Result<ReadSet, Problem> {
  if (raw.length > MOST.points) return err({ code: 'too-many', message: `a set has ${MOST.points} points at most`, at: '' })
  const problems = [...before]
  const tell: Tell = (problem) => void problems.push(problem)
  const taken = raw.flatMap((point) => takePoint(point, isRule, tell) ?? [])
  if (taken.length === 0) return err({ code: 'no-point', message: 'there is no point in it', at: problems[0]?.at ?? '' })
  tellSame(taken, tell)
  const codes = codesOf(taken, tell)
  const inArea = (place: number): readonly SetPoint[] =>
    taken.flatMap(({ area: _area, place: own, at: _at, ...point }, i) => (own === place ? [{ ...point, code: codes[i] as string }] : []))
  return ok({ set: { ...head, areas: titles.map((title, place): SetArea => ({ title, points: inArea(place) })) }, problems })
}

/** Tells statements that come twice, case and spaces aside. */
function tellSame(points: readonly TakenPoint[], tell: Tell): void {
  const seen = new Set<string>()
  for (const { statement, at } of points) {
    const words = statement.toLowerCase().replace(/\s+/g, ' ')
    if (seen.has(words)) tell({ code: 'statement-twice', message: 'this statement comes twice', at: at('statement') })
    seen.add(words)
  }
}

/** A code for each point: as given, the first of two; the others row by row, from the first letter of their area. */
function codesOf(points: readonly TakenPoint[], tell: Tell): readonly string[] {
  const used = new Set<string>()
  const kept = points.map(({ code }) => {
    if (code === null || used.has(code)) return null
    used.add(code)
    return code
  })
  return points.map(({ code, area, at }, i) => {
    const own = kept[i]
    if (own) return own
    const made = freeCode(area, used)
    used.add(made)
    if (code !== null) tell({ code: 'code-twice', message: `${code} is the code of another point: this one is ${made}`, at: at('code') })
    else tell({ code: 'code-missing', message: `no code of ${MOST.code} letters at most is given: ${made}`, at: at('code') })
    return made
  })
}
