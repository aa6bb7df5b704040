import { findHeader, type Header } from './columns'
import { type Draft, type DraftModule, draftActivity, short } from './draft'
import { readDuration } from './duration'
import { kindIn, moduleHead, moduleRef, readItem, readStatement, tidy, weekHead } from './items'
import { readAmount, readCodes, readWeekSpan, splitCode } from './quantities'
import { gradeTitle, isTotal, type Place, readLine, type Section, sectionOf } from './read-prose'
import { countedColumns, kindOf, type Table, type TableKind, withoutYesNo } from './table-kind'
import { Row } from './table-row'

/** Reads a table, and each further table that stands under it in the same sheet. */
export function readTable(draft: Draft, table: Table, place: Place): void {
  if (table.name !== null) enterSheet(draft, table.name, place)
  readFrom(draft, table, place, 0)
}

/** What the name of a sheet tells: a module, or what it lists. */
function enterSheet(draft: Draft, name: string, place: Place): void {
  place.section = sectionOf(name)
  const head = moduleHead(name)
  const week = head ? null : weekHead(name)
  place.module = head ? draft.module(head) : week ? draft.module({ number: null, title: week.title, weeks: week.weeks }) : null
}

function readFrom(draft: Draft, table: Table, place: Place, start: number): void {
  const header = findHeader(table.rows, start)
  const end = header ? nextHeader(table.rows, header) : table.rows.length
  for (let i = start; i < (header?.first ?? end); i++)
    readTitleRow(draft, table.rows[i] as readonly string[], place, whereOf(table, i), header === null)
  if (!header) return
  const rows = table.rows.slice(header.from, end)
  const known = { ...header, columns: withoutYesNo(header.columns, rows) }
  const kind = kindOf(known, place, table)
  const columns = kind === 'grades' ? countedColumns(known.columns, rows) : known.columns
  rows.forEach((cells, i) => {
    readRow(draft, new Row(cells, columns), kind, place, whereOf(table, header.from + i))
  })
  if (end < table.rows.length) readFrom(draft, table, { ...place, section: null }, end)
}

const whereOf = (table: Table, row: number): string => `${table.at}, row ${row + 1}`

/** The row where another header begins; the end where there is none. */
function nextHeader(rows: readonly (readonly string[])[], header: Header): number {
  const own = new Set(header.columns.map((c) => c.header.toLowerCase()))
  for (let at = header.from + 1; at < rows.length; at++) {
    const row = rows[at] as readonly string[]
    const filled = row.map((c) => c.trim()).filter((c) => c !== '')
    if (filled.length < 2) continue
    const repeats = filled.length >= 3 && filled.every((c) => own.has(c.toLowerCase()))
    const gap = (rows[at - 1] ?? []).every((c) => c.trim() === '') || (rows[at - 1] ?? []).filter((c) => c.trim() !== '').length === 1
    if (!repeats && !gap) continue
    const found = findHeader(rows.slice(at, at + 1))
    if (found && (repeats || found.columns.filter((c) => c.role !== 'ignored').length >= Math.max(2, filled.length * 0.6))) {
      // A title row right above belongs to the table below it.
      const titled = (rows[at - 1] ?? []).filter((c) => c.trim() !== '').length === 1
      return titled && !repeats ? at - 1 : at
    }
  }
  return rows.length
}

/** A row above the header, or of a table without one: title, module, labelled facts, or a line of text. */
function readTitleRow(draft: Draft, cells: readonly string[], place: Place, at: string, loose: boolean): void {
  const texts = cells.map((c) => c.trim()).filter((c) => c !== '')
  if (texts.length === 0) return
  const [label = '', value = ''] = texts
  if (/^(?:course(?: title| name)?|title)\s*:?$/i.test(label) && value !== '') {
    draft.title ??= tidy(value)
    return
  }
  if (/^(?:module|unit|topic|lesson)(?: title| name)?\s*:?$/i.test(label) && value !== '') {
    const ref = moduleRef(value)
    if (ref) place.module = place.module && ref.number === null ? retitle(place.module, ref.title) : draft.module(ref)
    return
  }
  if (/^(?:weeks?|duration)\s*:?$/i.test(label) && place.module && readWeekSpan(value)) {
    place.module.weeks ??= readWeekSpan(value)
    return
  }
  const text =
    texts.length > 1 && splitCode(`${label} x`).code !== null ? `${label} ${texts.slice(1).join(' ')}` : texts.join(loose ? ' — ' : ' ')
  if (text.length > 4000) return draft.leave(text, at)
  const listed = (place.section === 'objectives' || place.section === 'outcomes') && splitCode(text).code !== null
  readLine(draft, { type: listed ? 'line' : 'line', text, item: listed || loose, at }, place)
}

function retitle(module: DraftModule, title: string | null): DraftModule {
  if (title !== null && (module.title === null || module.title === title)) module.title = title
  return module
}

/** Notes that stand among the rows. */
const NOTE =
  /^(?:\*+|†|‡|note\b|notes\b|nb\b|n\.b\.|legend|key:|source|remember|to ?do\b|see (?:also|sheet|tab)|hint|reminder|draft\b.*:|updated|last (?:edited|change))/i

function readRow(draft: Draft, row: Row, kind: TableKind, place: Place, at: string): void {
  const texts = row.texts()
  const [first = ''] = texts
  if (texts.length === 0) return
  if (texts.slice(0, 2).some(isTotal) && !/\bmodules?\b.*:/i.test(first)) return readTotals(draft, row, place, at, kind === 'grades')
  if (NOTE.test(first) && row.get('minutes') === null && row.get('points') === null) return draft.leave(texts.join(' · '), at)
  if (texts.length === 1 && kind !== 'modules') {
    const head = moduleHead(first) ?? (kind === 'activities' ? weekModule(first) : null)
    if (head) {
      place.module = draft.module(head)
      return
    }
    if (kind === 'activities' && row.get('title') === null) return readLabel(draft, first, place, at)
    if (first.length > 140 || (kind === 'activities' && /[.;]$/.test(first) && first.split(' ').length > 8)) return draft.leave(first, at)
  }
  switch (kind) {
    case 'outcomes':
      return readOutcomeRow(draft, row, at)
    case 'objectives':
      return readObjectiveRow(draft, row, place, at)
    case 'modules':
      return void enterModule(draft, row, place)
    case 'grades':
      return readGradeRow(draft, row, place, at)
    case 'plan':
      return readPlanRow(draft, row, place, at)
    case 'activities':
      return readActivityRow(draft, row, place, at)
  }
}

const weekModule = (text: string): ReturnType<typeof moduleHead> => {
  const week = weekHead(text)
  return week && { number: null, title: week.title, weeks: week.weeks }
}

/** A lone cell among activities: an objective, or the part that the next rows belong to. */
function readLabel(draft: Draft, text: string, place: Place, at: string): void {
  const { code, rest } = splitCode(text)
  if (place.module && code !== null && rest.split(/\s+/).length >= 3) return void draft.objective(place.module, readStatement(text), at)
  draft.leave(text, at)
}

/** The number that stands in a row, whatever column. */
function readTotals(draft: Draft, row: Row, place: Place, at: string, ofGrades: boolean): void {
  const label = row.texts().slice(0, 2).find(isTotal) ?? ''
  const module = /grand|course|overall|all modules/i.test(label) ? null : place.module
  const add = (what: 'points' | 'minutes' | 'percent', value: number | null | undefined) => {
    if (value != null) draft.totals.push({ what, value, module, part: /\bsub/i.test(label), ofGrades, piece: place.piece, at })
  }
  const points = row.get('points')
  const amount = points === null ? null : readAmount(points, 'points')
  if (amount) add(amount.value.kind, amount.value.value)
  const percent = row.get('percent')
  add('percent', percent === null ? null : readAmount(percent, 'percent')?.value.value)
  const minutes = row.get('minutes')
  add('minutes', minutes === null ? null : readDuration(minutes, row.unit('minutes'))?.value)
  if (amount === null && percent === null && minutes === null) {
    const inside = /(\d[\d.,]*)\s*(points?|pts)/i.exec(label)
    if (inside) add('points', readAmount(inside[1] as string, 'points')?.value.value)
  }
}

function readOutcomeRow(draft: Draft, row: Row, at: string): void {
  const cells = [...row.all('statement'), ...row.all('outcomes'), ...row.all('objectives'), ...row.all('title'), ...row.all('number')]
  const statement = cells.toSorted((a, b) => b.length - a.length)[0]
  if (statement === undefined || statement.split(/\s+/).length < 2) return draft.leave(row.texts().join(' · '), at)
  const code = cells.find((c) => c !== statement && c.length <= 12) ?? null
  const read = readStatement(statement)
  draft.outcome({ ...read, code: code ?? read.code })
}

function readObjectiveRow(draft: Draft, row: Row, place: Place, at: string): void {
  const module = enterModule(draft, row, place) ?? place.module
  const lists = [...row.all('statement'), ...row.all('objectives')]
  const statements = lists.filter((c) => readCodes(c) === null)
  const code = [...row.all('number'), ...lists].find((c) => !statements.includes(c) && readCodes(c)?.length === 1) ?? null
  const refs = row.all('outcomes').flatMap((c) => readCodes(c) ?? [c])
  if (statements.length === 0) return draft.leave(row.texts().join(' · '), at)
  const target = module ?? moduleOfCode(draft, code ?? splitCode(statements[0] as string).code)
  if (!target) return draft.leave(row.texts().join(' · '), at)
  const lines = statements.flatMap(splitList)
  for (const line of lines) {
    const read = readStatement(line)
    draft.objective(
      target,
      { code: lines.length === 1 ? (code ?? read.code) : read.code, statement: read.statement, refs: [...read.refs, ...refs] },
      at,
    )
  }
}

/** The module that a code such as `3b` or `MLO 3.2` belongs to. */
function moduleOfCode(draft: Draft, code: string | null): DraftModule | null {
  const number = /(\d{1,2})(?:[a-z]$|\.\d)/i.exec(code ?? '')?.[1]
  return number === undefined ? null : draft.module({ number: String(Number(number)), title: null, weeks: null })
}

/** Goes to the module that a row names; null where it names none. */
function enterModule(draft: Draft, row: Row, place: Place): DraftModule | null {
  const refs = row.all('module').flatMap((c) => moduleRef(c) ?? [])
  const week = row.get('week')
  const weeks = week === null ? null : readWeekSpan(week)
  if (refs.length === 0) {
    if (weeks === null || (place.module !== null && row.header('week') === '')) return null
    // A list by weeks without modules: each week is one.
    const inWeek = draft.modules.find((m) => m.weeks !== null && m.weeks.first <= weeks.first && weeks.last <= m.weeks.last)
    place.module = inWeek ?? draft.module({ number: null, title: null, weeks })
    return place.module
  }
  const number = refs.find((r) => r.number !== null)?.number ?? null
  const title = refs.find((r) => r.title !== null)?.title ?? null
  place.module = draft.module({ number, title, weeks: refs.find((r) => r.weeks !== null)?.weeks ?? weeks })
  return place.module
}

function readActivityRow(draft: Draft, row: Row, place: Place, at: string): void {
  enterModule(draft, row, place)
  const titleCell = row.get('title') ?? row.get('assessments') ?? row.get('reading') ?? row.get('statement')
  if (titleCell === null) {
    // A row that names a module with what it holds as a whole.
    if (row.all('module').length === 0 || row.get('minutes') !== null) draft.leave(row.texts().join(' · '), at)
    for (const text of row.all('objectives'))
      if (place.module && readCodes(text) === null)
        for (const line of splitList(text)) draft.objective(place.module, readStatement(line), at)
    return
  }
  const module = place.module ?? moduleOfNumber(draft, row.get('number')) ?? draft.module({ number: '1', title: null, weeks: null })
  const lines = splitList(titleCell)
  const several = lines.length > 1 && lines.every((l) => l.length > 3)
  for (const line of several ? lines : [titleCell.replace(/\s*\n\s*/g, ' ')]) {
    const activity = { ...draftActivity(readItem(line), at, place.piece) }
    // Where the row has columns for them, what stands in its title belongs to the title: "Film (9 min)" is not what it takes.
    if (!several && (row.get('minutes') !== null || row.get('points') !== null)) activity.title = tidy(line)
    if (activity.title === '') continue
    if (!several) fillFromCells(draft, activity, row, place)
    draft.activity(module, activity)
  }
}

/** `2.3` stands in module 2. */
function moduleOfNumber(draft: Draft, number: string | null): DraftModule | null {
  const match = /^[A-Za-z]?\s*(\d{1,2})[.-]\d{1,2}$/.exec(number ?? '')
  return match ? draft.module({ number: String(Number(match[1])), title: null, weeks: null }) : null
}

function fillFromCells(draft: Draft, activity: ReturnType<typeof draftActivity>, row: Row, place: Place): void {
  const { at } = activity
  const name = short(activity.title)
  activity.number = row.get('number') ?? activity.number
  const kind = row.get('kind')
  activity.kind = (kind === null ? null : kindIn(kind)) ?? activity.kind
  activity.part = row.get('part')
  activity.category = row.get('category')
  activity.due = row.get('due') ?? row.get('date') ?? activity.due
  activity.week = row.get('week') === null ? null : (readWeekSpan(row.get('week') as string)?.last ?? null)
  readObjectives(draft, activity, row, place)
  activity.outcomes = row.all('outcomes').flatMap((text) => readCodes(text) ?? [])
  const time = row.get('minutes')
  if (time !== null) {
    const read = readDuration(time, row.unit('minutes'))
    if (read === null) draft.problem('time-not-read', `${name}: “${short(time)}” is no time.`, at)
    else {
      if (read.guess) draft.problem('number-guessed', `${name}: ${read.guess}.`, at)
      activity.minutes = read.value
    }
  }
  for (const role of ['points', 'percent'] as const) {
    const text = row.get(role)
    if (text === null || /^(?:no|ungraded|not graded|formative|pass\/?fail|complete)\b/i.test(text)) continue
    const read = readAmount(text, role)
    if (read === null) draft.problem('points-not-read', `${name}: “${short(text)}” is no number of points.`, at)
    else {
      if (read.guess) draft.problem('number-guessed', `${name}: ${read.guess}.`, at)
      activity[read.value.kind] = read.value.value
    }
  }
  // Modules whose rows name weeks span them.
  if (place.module && activity.week !== null && row.all('module').length > 0) {
    const span = readWeekSpan(row.get('week') as string)
    if (span && place.module.weeks === null) place.module.weeks = span
  }
}

/** Codes, whole statements, or a code in one column and its statement in the next. */
function readObjectives(draft: Draft, activity: ReturnType<typeof draftActivity>, row: Row, place: Place): void {
  const cells = row.all('objectives')
  const codes = cells.filter((c) => readCodes(c) !== null)
  const statements = cells.filter((c) => readCodes(c) === null)
  const [code] = readCodes(codes[0] ?? '') ?? []
  if (
    place.module &&
    code !== undefined &&
    codes.length === 1 &&
    statements.length === 1 &&
    splitList(statements[0] as string).length === 1
  )
    draft.objective(place.module, { ...readStatement(statements[0] as string), code }, activity.at)
  else activity.objectives.push(...statements.flatMap(splitList))
  activity.objectives.push(...codes.flatMap((c) => readCodes(c) ?? []))
}

/** A row of a schedule or of a plan by modules: topic, objectives, and work named in lists. */
function readPlanRow(draft: Draft, row: Row, place: Place, at: string): void {
  const before = place.module
  const named = row.all('module')
  const week = row.get('week')
  const weeks = week === null ? null : readWeekSpan(week)
  if (named.some((t) => /\b(?:break|holiday|recess|no class(?:es)?|vacation|reading week|closed)\b/i.test(t))) {
    draft.leave(row.texts().join(' · '), at)
    return
  }
  const module = enterModule(draft, row, place) ?? before
  if (!module) return draft.leave(row.texts().join(' · '), at)
  for (const text of row.all('objectives'))
    if (readCodes(text) === null) for (const line of splitList(text)) draft.objective(module, readStatement(line), at)
  const own = row
    .all('objectives')
    .filter((t) => readCodes(t) === null)
    .flatMap(splitList)
  // A row about one objective is about its work as well; points beside one assessment are its points.
  const only = own.length === 1 ? (own[0] as string) : null
  const graded = row.all('assessments').flatMap(splitList)
  const points = graded.length === 1 ? readAmount(row.get('points') ?? '', 'points') : null
  for (const role of ['reading', 'title', 'assessments', 'due'] as const)
    for (const text of row.all(role))
      for (const line of splitList(text)) {
        const item = readItem(line.replace(/\bdue\b\s*$/i, ''))
        if (item.title === '' || /^(?:none|no (?:reading|work|assignment)|same|continued?)$/i.test(item.title)) continue
        const kind = item.kind ?? (role === 'reading' ? ('reading' as const) : null)
        draft.mentions.push({
          ...item,
          kind,
          amount: item.amount ?? (role === 'assessments' ? (points?.value ?? null) : null),
          codes: item.codes.length === 0 && only !== null ? [only] : item.codes,
          due: item.due ?? (role === 'due' ? row.get('date') : null),
          week: weeks?.last ?? null,
          module,
          at,
          piece: place.piece,
        })
      }
}

function readGradeRow(draft: Draft, row: Row, place: Place, at: string): void {
  const cell =
    row.get('title') ?? row.get('category') ?? row.get('assessments') ?? row.get('kind') ?? row.get('statement') ?? row.texts()[0]
  if (cell === undefined) return
  const share = row.get('percent')
  const points = row.get('points')
  const read = share === null ? null : readAmount(share, 'percent')
  const pointsRead = points === null ? null : readAmount(points, 'points')
  if (share !== null && read === null) draft.problem('points-not-read', `${short(cell)}: “${short(share)}” is no share.`, at)
  for (const r of [read, pointsRead]) if (r?.guess) draft.problem('number-guessed', `${short(cell)}: ${r.guess}.`, at)
  const { title, count, each } = gradeTitle(cell)
  const counted = row.get('count')
  const n = counted === null ? count : Number(/\d+/.exec(counted)?.[0] ?? Number.NaN) || null
  if (title === '' || (read === null && pointsRead === null && n === null)) return draft.leave(row.texts().join(' · '), at)
  const perItem = /\beach\b|\bper\b/i.test(`${row.header('points')} ${points ?? ''}`)
  const value =
    pointsRead?.value.kind === 'points'
      ? pointsRead.value.value * (perItem && n !== null ? n : 1)
      : each !== null && n !== null
        ? each * n
        : null
  const percent = read?.value.kind === 'percent' ? read.value.value : pointsRead?.value.kind === 'percent' ? pointsRead.value.value : null
  draft.categories.push({ title, share: percent, points: value, count: n, at })
  place.section = place.section ?? ('grading' as Section)
}

/** A cell that holds a list: by lines, bullets or semicolons; one that holds none is itself. */
export function splitList(text: string): string[] {
  const lines = text
    .split(/\n|•|·\s|;\s+(?=\S)/)
    .map((l) => l.replace(/^\s*[-*–]\s+/, '').trim())
    .filter((l) => l !== '')
  return lines.length > 0 ? lines : [text.trim()]
}
