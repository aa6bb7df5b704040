/** Reads a sheet: its tables one by one, each in the form that explains it. */

import type { Table } from './blocks'
import { recordWord } from './column-profile'
import { type Column, roleOf } from './column-roles'
import { columnsByCells, columnsWithoutHeader } from './columns'
import { type Draft, type DraftModule, short } from './draft'
import { findHeader, type Header } from './find-header'
import { EVERYWHERE, moduleRef, weekHead } from './heads'
import { CLOSED, readStatement, tidy } from './items'
import { nextHeader, sameHeader } from './next-header'
import { isDerived, isOwnActivities } from './own-headers'
import { readRubric, readScale } from './pieces'
import type { Place } from './place'
import { isTotal } from './prose-grades'
import { readWeekSpan, splitCode } from './quantities'
import { readLine } from './read-prose'
import { type Region, regionsOf, turned } from './regions'
import { readGoalRow, readGradeRow, readObjectiveRow, readOutcomeRow, readTotals } from './rows-of-goals'
import { readPlanRow } from './rows-of-plan'
import { enterModule, readActivityRow, readClosedRow } from './rows-of-work'
import { sectionOf } from './sections'
import { codesOfModules, countedColumns, kindOf, namesGradedWork, otherKinds, type TableKind } from './table-kind'
import { Row, RowShape } from './table-row'

export function readTable(draft: Draft, table: Table, place: Place): void {
  if (table.name !== null) enterSheet(draft, table.name, place)
  for (const region of regionsOf(table, draft.ledger.gridOf(table)))
    if (!skipDerived(region) && !readScaleTable(draft, region)) readFrom(draft, uprightOf(draft, region), place, 0)
}

/** What the name of a sheet tells: a module, or what it lists. */
function enterSheet(draft: Draft, name: string, place: Place): void {
  place.section = sectionOf(name)
  const head = draft.head(name)
  const week = head ? null : weekHead(name)
  place.module = head ? draft.module(head) : week ? draft.module({ number: null, title: week.title, weeks: week.weeks }) : null
}

/** A table that lies on its side, its headers in the first column and its modules across, set upright. */
function uprightOf(draft: Draft, region: Region): Region {
  const first = region.rows.map((r) => (r[0] ?? '').trim()).filter((c) => c !== '')
  const [top = []] = region.rows.filter((r) => r.some((c) => c.trim() !== ''))
  const across = top
    .slice(1)
    .map((c) => c.trim())
    .filter((c) => c !== '')
  const isPart = (c: string) => draft.head(c) !== null || weekHead(c) !== null
  const known = first.filter((c) => roleOf(c) !== null || isPart(c)).length
  if (across.length < 2 || !across.every(isPart) || first.length < 2 || known < first.length * 0.6) return region
  const upright = turned(region)
  // The corner says nothing, or what stands across: a header of modules either way.
  const [head = []] = upright.rows
  return { ...upright, rows: [head.map((c, i) => (i === 0 ? 'Module' : c)), ...upright.rows.slice(1)] }
}

/** `above`: the header of the part above, which may come again. */
function readFrom(draft: Draft, region: Region, place: Place, start: number, above: Header | null = null): void {
  const header = sameHeader(region.rows, start, above) ?? findHeader(region.rows, start, draft.known.isHead)
  if (!header) return readWithoutHeader(draft, region, place, start)
  const end = nextHeader(region.rows, header, draft.known.isHead)
  for (let i = start; i < header.first; i++) if (!isRubricTitle(region, header, i)) readTitleRow(draft, region, i, place, false)
  for (let i = header.first; i < header.from; i++) for (const entry of region.entries[i] ?? []) entry?.became('decoration', 'header')
  const before = place.module
  const { columns } = readBody(draft, region, header, place, end)
  // Modules that rows named are those of the rows.
  const module = columns.some((c) => c.role === 'module') ? before : place.module
  if (end < region.rows.length) readFrom(draft, region, { ...place, module, section: null }, end, header)
}

function readBody(draft: Draft, region: Region, header: Header, place: Place, end: number): Pick<Header, 'columns'> {
  const at = region.at[header.first] ?? ''
  const rows = region.rows.slice(header.from, end)
  const answers = draft.answers
  const isOwn = isOwnActivities(header.columns.map((c) => c.header))
  const byCells = (isOwn ? header.columns : columnsByCells(header.columns, rows, draft.known)).map((c, x) => ({
    ...c,
    role: answers.columns[`${at}, ${x + 1}`] ?? c.role,
  }))
  const kind = answers.tables[at] ?? kindOf({ columns: byCells }, place, rows)
  const columns = kind === 'grades' ? countedColumns(byCells, rows) : byCells
  draft.byCells += columns.filter((c) => c.guess !== null || c.role === 'unknown').length
  for (const { header: text, role } of columns)
    if (text !== '' && role !== 'unknown' && role !== 'mark' && roleOf(text) === null) draft.headers.set(text.toLowerCase(), role)
  draft.tables.push({
    at,
    as: kind,
    others: otherKinds(columns, kind),
    columns: columns.map((c, x) => ({ at: `${at}, ${x + 1}`, header: c.header, role: c.role })),
  })
  // A list of objectives of several modules is of none of them, wherever it stands.
  if (kind === 'objectives' && columns.every((c) => c.role !== 'module') && codesOfModules(rows).size > 1)
    place = { ...place, module: null }
  if (kind === 'rubric' && readRubricTable(draft, region, header, end, at)) return { columns }
  const shape = new RowShape(columns, isOwn, !isOwn && kind === 'activities' && namesGradedWork(columns, rows))
  for (let y = header.from; y < end; y++) {
    if (kind === 'text') readTitleRow(draft, region, y, place, true)
    else readRow(draft, new Row(region, y, shape), kind, place)
  }
  if (kind !== 'text') askForColumns(draft, region, columns, header, end, at)
  return { columns }
}

/** A sheet that follows from the plan says nothing new. */
function skipDerived(region: Region): boolean {
  if (!isDerived((region.rows[0] ?? []).map((c) => c.trim()))) return false
  for (const row of region.entries) for (const entry of row) entry?.became('decoration', 'worked out from the plan')
  return true
}

/** The name of a rubric right above its header. */
const isRubricTitle = (region: Region, header: Header, y: number): boolean =>
  y === header.first - 1 &&
  /^criteri(?:on|a)\b/i.test(header.columns[0]?.header ?? '') &&
  (region.rows[y] ?? []).filter((c) => c.trim() !== '').length === 1

/** A rubric as one piece, named above its header or by its sheet; false where it has no levels. */
function readRubricTable(draft: Draft, region: Region, header: Header, end: number, at: string): boolean {
  const title = isRubricTitle(region, header, header.first - 1) ? (region.rows[header.first - 1] ?? []).join('').trim() : null
  const name =
    title !== null ? title : region.name !== null && !/^(?:sheet|tabelle|feuil)\s*\d*$/i.test(region.name) ? region.name : 'Rubric'
  const piece = readRubric(
    name,
    header.columns.map((c) => c.header),
    region.rows.slice(header.from, end),
    at,
  )
  if (!piece) return false
  draft.pieces.push(piece)
  for (let y = title === null ? header.from : header.first - 1; y < end; y++)
    for (const entry of region.entries[y] ?? []) entry?.became('read', 'rubric', piece)
  return true
}

/** A table of letters and the percents that they stand for, whole; false where it is anything else. */
function readScaleTable(draft: Draft, region: Region): boolean {
  const rows = region.rows.map((r) => r.map((c) => c.trim()).filter((c) => c !== ''))
  const filled = rows.filter((r) => r.length > 0)
  const data = filled.filter((r) => r.length === 2 && /\d/.test(r[1] as string))
  if (data.length < 3 || filled.length > data.length + 2) return false
  const steps = readScale(data.map((r) => r.join(' ')).join(', '))
  if (steps?.length !== data.length) return false
  const piece = { kind: 'scale' as const, steps, at: region.at[0] ?? '' }
  draft.pieces.push(piece)
  rows.forEach((row, y) => {
    const isStep = data.includes(row)
    for (const entry of region.entries[y] ?? [])
      entry?.became(isStep ? 'read' : 'decoration', isStep ? 'grade scale' : 'header', isStep ? piece : undefined)
  })
  return true
}

/** Columns of which nobody knows what they hold are asked about, once each. */
function askForColumns(draft: Draft, region: Region, columns: readonly Column[], header: Header, end: number, at: string): void {
  for (const [x, column] of columns.entries()) {
    const open: string[] = []
    for (let y = header.from; y < end; y++) {
      const entry = region.entries[y]?.[x]
      if (!entry || entry.fate !== null) continue
      open.push(short(entry.text.replace(/\s+/g, ' ').trim()))
      entry.became('question', `what column ${column.header || x + 1} holds`)
    }
    if (open.length === 0 || column.role !== 'unknown') continue
    const samples = [...new Set(open)].slice(0, 3).join(', ')
    draft.problem(
      'unknown-column',
      `What “${column.header || `column ${x + 1}`}” holds is not known: ${samples}${open.length > 3 ? ` and so on, ${open.length} cells` : ''}.`,
      `${at}, ${x + 1}`,
    )
  }
}

/** Rows without a header: a table by what stands in it, else titles, labelled facts and lines. */
function readWithoutHeader(draft: Draft, region: Region, place: Place, start: number): void {
  // A heading above rows says what they list.
  const [lone = '', more] = (region.rows[start] ?? []).map((c) => c.trim()).filter((c) => c !== '')
  if (more === undefined && sectionOf(lone) !== null && start + 1 < region.rows.length) {
    readTitleRow(draft, region, start, place, true)
    return readWithoutHeader(draft, region, place, start + 1)
  }
  const rows = region.rows.slice(start)
  const columns =
    rows.length >= 3 && place.section !== 'objectives' && place.section !== 'outcomes'
      ? columnsWithoutHeader(rows, draft.known.isHead)
      : null
  if (!columns) {
    for (let y = start; y < region.rows.length; y++) readTitleRow(draft, region, y, place, true)
    return
  }
  readBody(draft, region, { first: start, from: start, columns }, place, region.rows.length)
}

/** A row above the header, or of a table without one: title, module, labelled facts, or a line of text. */
function readTitleRow(draft: Draft, region: Region, y: number, place: Place, loose: boolean): void {
  const at = region.at[y] as string
  const entries = (region.entries[y] ?? []).filter((e) => e !== undefined)
  const texts = (region.rows[y] as readonly string[]).map((c) => c.trim()).filter((c) => c !== '')
  if (texts.length === 0) return
  const became = (thing: object, what: string) => {
    for (const entry of entries) entry.became('read', what, thing)
  }
  const [label = '', value = ''] = texts
  if (!loose && readGoalRow(draft, texts, place, at, became)) return
  if (/^(?:course(?: title| name)?|title)\s*:?$/i.test(label) && value !== '' && draft.title === null) {
    draft.title = tidy(value)
    return became(draft, 'title')
  }
  if (value !== '' && texts.length === 2 && draft.isModuleLabel(label)) {
    const ref = moduleRef(value, draft.words)
    if (!ref) return
    place.module =
      place.module && (ref.number === null || ref.number === place.module.number) ? retitle(place.module, ref.title) : draft.module(ref)
    return became(place.module, 'module')
  }
  if (/^(?:weeks?|duration|wochen?|taught in weeks?)\s*:?$/i.test(label) && place.module && readWeekSpan(value)) {
    place.module.weeks ??= readWeekSpan(value)
    return became(place.module, 'weeks')
  }
  const isGoals = place.section === 'objectives' || place.section === 'outcomes'
  const text =
    texts.length > 1 && (splitCode(`${label} x`).code !== null || (isGoals && /^\d{1,2}[.)]?$/.test(label)))
      ? `${label} ${texts.slice(1).join(' ')}`
      : texts.join(loose ? ' — ' : ' ')
  if (text.length > 4000) return
  const listed = isGoals && splitCode(text).code !== null
  readLine(draft, { type: 'line', text, item: listed || loose, at }, place, entries)
}

function retitle(module: DraftModule, title: string | null): DraftModule {
  if (title !== null && (module.title === null || module.title === title)) module.title = title
  return module
}

/** Notes that stand among the rows. */
const NOTE =
  /^(?:\*+|†|‡|note\b|notes\b|nb\b|n\.b\.|legend|key:|source|remember|to ?do\b|see (?:also|sheet|tab)|hint|reminder|draft\b.*:|updated|last (?:edited|change))/i

function readRow(draft: Draft, row: Row, kind: TableKind, place: Place): void {
  const texts = row.texts()
  const [first = ''] = texts
  if (texts.length === 0) return
  if (row.isOwn) return readActivityRow(draft, row, place)
  if (kind === 'activities' && readGoalRow(draft, texts, place, row.at, (thing, what) => row.wholeBecame(thing, what))) return
  if (texts.slice(0, 2).some(isTotal) && !/\bmodules?\b.*:/i.test(first)) {
    readTotals(draft, row, place, kind === 'grades')
    return row.rest('decoration', 'a sum')
  }
  if (NOTE.test(first) && row.get('minutes') === null && row.get('points') === null) return row.rest('not understood', 'a note')
  if (row.isColoured && texts.length === 1 && draft.head(first) === null && weekModule(first) === null)
    return row.rest('not understood', 'a coloured note')
  if (texts.length === 1 && kind !== 'modules' && readLoneCell(draft, row, kind, place, first)) return
  switch (kind) {
    case 'outcomes':
      return readOutcomeRow(draft, row)
    case 'objectives':
      return readObjectiveRow(draft, row, place)
    case 'modules': {
      const module = enterModule(draft, row, place)
      return module ? row.became(module) : undefined
    }
    case 'grades':
      return readGradeRow(draft, row, place)
    case 'plan':
      return readPlanRow(draft, row, place)
    case 'records':
      return readRecordRow(draft, row, place)
    case 'activities':
      return isEverywhere(row) ? readWorkOfCourse(draft, row, place) : readActivityRow(draft, row, place)
    case 'rubric':
      return row.rest('not understood', 'a rubric')
    case 'text':
      return
  }
}

/** "All" where a module should stand. */
const isEverywhere = (row: Row): boolean => row.all('module').some((cell) => EVERYWHERE.test(cell.trim()))

/** Graded work of the whole course is an entry of the grade; other work stands somewhere, and somebody should look at that. */
function readWorkOfCourse(draft: Draft, row: Row, place: Place): void {
  row.useAll('module')
  if (row.get('percent') !== null) readGradeRow(draft, row, place)
  else readActivityRow(draft, row, { ...place, module: null })
}

/** A row with one cell: a module that begins, an objective of it, or a note. False where it is a row like the others. */
function readLoneCell(draft: Draft, row: Row, kind: TableKind, place: Place, text: string): boolean {
  const head = draft.head(text) ?? (kind === 'activities' ? weekModule(text) : null)
  if (head) {
    place.module = draft.module(head)
    row.wholeBecame(place.module, 'module')
    return true
  }
  if (CLOSED.test(text) && text.length <= 60) {
    readClosedRow(draft, row)
    return true
  }
  if (kind === 'activities' && row.get('title') === null) {
    const { code, rest } = splitCode(text)
    if (place.module && code !== null && rest.split(/\s+/).length >= 3)
      row.wholeBecame(draft.objective(place.module, readStatement(text), row.at), 'objective')
    else row.rest('not understood', '')
    return true
  }
  const isProse = text.length > 140 || (kind === 'activities' && /[.;]$/.test(text) && text.split(' ').length > 8)
  if (isProse) row.rest('not understood', '')
  return isProse
}

const weekModule = (text: string): ReturnType<Draft['head']> => {
  const week = weekHead(text)
  return week && { number: null, title: week.title, weeks: week.weeks }
}

/** Columns that may hold the text of such a row. */
const TEXTS = ['title', 'statement', 'reading', 'assessments'] as const

/** A row that says in a column of its own what it is. */
function readRecordRow(draft: Draft, row: Row, place: Place): void {
  const label = row.label('record') ?? ''
  const word = recordWord(label)
  const own = /\d[\d.]*$/.exec(label)?.[0] ?? null
  const role = TEXTS.find((r) => row.get(r) !== null)
  const text = role && row.get(role)
  if (word === null || !role || text == null) return row.rest('not understood', '')
  if (/module|unit|topic|section|lesson/.test(word) && !/outcome|objective|goal/.test(word)) {
    const ref = moduleRef(text, draft.words)
    if (!ref) return
    place.module = draft.module({ ...ref, number: ref.number ?? own })
    row.use(role)
    return row.became(place.module)
  }
  if (/outcome|objective|goal/.test(word)) {
    row.use(role)
    const ofCourse = /course|program/.test(word) || (/outcome/.test(word) && place.module === null) || place.module === null
    const read = readStatement(text)
    const code = row.use('number') ?? read.code ?? own
    return row.became(ofCourse ? draft.outcome({ ...read, code }) : draft.objective(place.module as DraftModule, { ...read, code }, row.at))
  }
  readActivityRow(draft, row, place)
}
