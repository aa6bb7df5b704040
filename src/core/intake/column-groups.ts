/** What columns hold by how their cells stand to each other: rows are grouped, days are numbered, times pair up. */
import { profileOf } from './column-profile'
import { type Column, isMeeting } from './column-roles'
import type { Rows } from './find-header'
import { kindIn, readItem } from './items'

/**
 * Columns that are filled in the first row and then now and then, while the titles go on: what they say holds for the rows below it,
 * as a module does.
 */
export function withModules(columns: readonly Column[], rows: Rows): readonly Column[] {
  const title = columns.findIndex((c) => c.role === 'title')
  if (title < 0 || columns.some((c) => c.role === 'module')) return columns
  const filled = (x: number) => rows.filter((r) => (r[title] ?? '').trim() !== '').map((r) => (r[x] ?? '').trim() !== '')
  const named = columns.flatMap((c, x) => {
    const there = x < title && (c.role === 'unknown' || c.role === 'number') ? filled(x) : []
    const n = there.filter(Boolean).length
    return there[0] && n >= 1 && n <= there.length * 0.6 ? [x] : []
  })
  const pattern = named.length === 0 ? '' : filled(named[0] as number).join()
  return columns.map((c, x) =>
    named.includes(x) && filled(x).join() === pattern
      ? { ...c, role: 'module' as const, guess: `“${c.header}” is read so because it is filled where a part begins` }
      : c,
  )
}

/**
 * Texts that stay the same for several rows and never come back, where no column names modules: rows are grouped by them. They stand
 * before the titles.
 */
export function withRuns(columns: readonly Column[], rows: Rows): readonly Column[] {
  const title = columns.findIndex((c) => c.role === 'title')
  if (title < 1 || columns.some((c) => c.role === 'module')) return columns
  const at = columns.findIndex((c, x) => {
    if (c.role !== 'unknown' || x > title) return false
    const cells = rows.filter((r) => (r[title] ?? '').trim() !== '').map((r) => (r[x] ?? '').trim())
    const runs = cells.filter((text, y) => text !== cells[y - 1])
    const p = profileOf(cells)
    return (
      runs.length >= 2 &&
      new Set(runs).size === runs.length &&
      runs.length <= cells.length * 0.7 &&
      !runs.includes('') &&
      p.words <= 8 &&
      p.kinds < 0.7
    )
  })
  return columns.map((c, x) =>
    x === at ? { ...c, role: 'module' as const, guess: `“${c.header}” is read so because rows are grouped by it` } : c,
  )
}

/** Longer texts that stay for several rows, change wherever the parts do and never come back say what is learnt in those rows. */
export function withParallel(columns: readonly Column[], rows: Rows): readonly Column[] {
  const module = columns.findIndex((c) => c.role === 'module')
  if (module < 0 || columns.some((c) => c.role === 'objectives' || c.role === 'statement' || c.role === 'outcomes')) return columns
  const cells = (x: number) => rows.filter((r) => r.some((c) => c.trim() !== '')).map((r) => (r[x] ?? '').trim())
  const changes = (x: number) => cells(x).map((c, y, all) => y === 0 || c !== all[y - 1])
  const own = changes(module)
  if (own.every(Boolean)) return columns
  const at = columns.findIndex((c, x) => {
    const p = profileOf(cells(x))
    const isText = p.n === own.length && p.words >= 3 && Math.max(p.amounts, p.times, p.whens, p.kinds) < 0.3
    const there = changes(x)
    const runs = cells(x).filter((_, y) => there[y])
    const stays = runs.length <= own.length * 0.7 && new Set(runs).size === runs.length
    return c.role === 'unknown' && isText && stays && own.every((change, y) => !change || there[y])
  })
  const guess = `“${columns[at]?.header}” is read so because it stays the same over several rows of work`
  return columns.map((c, x) => (x === at ? { ...c, role: 'objectives' as const, guess } : c))
}

/** Statements that stay the same for several rows, beside texts that differ, are what the rows are grouped by. */
export function groupedStatements(columns: Column[], rows: Rows): void {
  const at = columns.findIndex((c) => c.role === 'statement')
  const cells = rows.map((r) => (r[at] ?? '').trim()).filter((c) => c !== '')
  const runs = cells.filter((text, y) => text !== cells[y - 1])
  const others = columns.filter((c) => c.role === 'unknown' || c.role === 'title' || c.role === 'objectives').length
  if (at < 0 || columns.some((c) => c.role === 'module') || others === 0) return
  if (runs.length < 2 || new Set(runs).size !== runs.length || runs.length > cells.length * 0.7) return
  const own = columns[at] as Column
  columns[at] = { ...own, role: 'module', guess: `“${own.header}” is read so because rows are grouped by it` }
}

const minuteOfDay = (text: string): number | null => {
  const found = /^(\d{1,2})[:.](\d{2})$/.exec(text.trim())
  return found ? Number(found[1]) * 60 + Number(found[2]) : null
}
/** "Start | End": two columns of times of day side by side, the second later in every row. */
export function clockPairs(columns: Column[], rows: Rows): void {
  const at = columns.findIndex((_, x) => {
    const pairs = rows.map((r) => [(r[x] ?? '').trim(), (r[x + 1] ?? '').trim()]).filter((p) => p[0] !== '' && p[1] !== '')
    return (
      pairs.length >= 2 &&
      pairs.every(([from = '', to = '']) => {
        const [a, b] = [minuteOfDay(from), minuteOfDay(to)]
        return a !== null && b !== null && a < b
      })
    )
  })
  const [from, to] = [columns[at], columns[at + 1]]
  if (at < 0) return clockAlone(columns, rows)
  if (from && to) columns.splice(at, 2, { ...from, role: 'begins', guess: null }, { ...to, role: 'ends', guess: null })
}

/** "Time | Mins": times of day that go up beside a column of how long things take. */
function clockAlone(columns: Column[], rows: Rows): void {
  if (columns.filter((c) => c.role === 'minutes').length < 2) return
  const at = columns.findIndex((c, x) => {
    const times = rows
      .map((r) => (r[x] ?? '').trim())
      .filter((t) => t !== '')
      .map(minuteOfDay)
    return c.role === 'minutes' && times.length >= 3 && times.every((t, i) => t !== null && t > (times[i - 1] ?? 0))
  })
  const own = columns[at]
  if (own) columns[at] = { ...own, role: 'begins', guess: null }
}

/** "Day | Topic": where days are numbered and stand in several rows, they are the parts, and topics what is done. */
export function topicsInDays(columns: Column[], rows: Rows): void {
  const cells = (x: number) => rows.map((r) => (r[x] ?? '').trim()).filter((c) => c !== '')
  const day = columns.findIndex((_, x) => {
    const own = cells(x)
    return (
      own.length >= 3 && new Set(own).size < own.length && own.every((c) => /^(?:day|session|meeting|evening|morning)\s+\d{1,2}$/i.test(c))
    )
  })
  if (day < 0) return
  columns.forEach((c, x) => {
    if (x === day) columns[x] = { ...c, role: 'module' }
    else if (c.role === 'module' && new Set(cells(x)).size >= cells(x).length * 0.7) columns[x] = { ...c, role: 'title' }
  })
}

/** "Session | Date | Exercise": meetings that are counted are the parts where nothing else names any. */
export function meetingsAsParts(columns: Column[]): void {
  if (columns.some((c) => c.role === 'module' || c.role === 'week' || c.role === 'statement')) return
  const at = columns.findIndex((c) => c.role === 'number' && isMeeting(c.header))
  const own = columns[at]
  if (own && columns.some((c) => c.role === 'title' || c.role === 'assessments')) columns[at] = { ...own, role: 'module' }
}

/** "We will" in a schedule of days or weeks that names no topic otherwise: a text of its own in nearly each row. */
export function topicsOfSchedule(columns: Column[], rows: Rows): void {
  const has = (...roles: Column['role'][]) => columns.some((c) => roles.includes(c.role))
  if (!has('date', 'week') || !has('reading', 'assessments', 'due') || has('module', 'title', 'statement', 'minutes')) return
  const filled = rows.filter((r) => r.filter((c) => c.trim() !== '').length >= 2)
  const at = columns.findIndex((c, x) => {
    const p = profileOf(filled.map((r) => (r[x] ?? '').trim()))
    return c.role === 'unknown' && p.n >= filled.length * 0.8 && p.distinct >= 0.8 && p.words >= 1 && p.numbers + p.whens + p.times < 0.2
  })
  const own = columns[at]
  if (own) columns[at] = { ...own, role: 'module', guess: `“${own.header}” is read so because it has a text of its own for each day` }
}

/** "Description" beside the titles of work with times or points: what more is said of it. */
export function descriptionsOfWork(columns: Column[]): void {
  const has = (...roles: Column['role'][]) => columns.some((c) => roles.includes(c.role))
  if (!has('title') || !has('minutes', 'points', 'kind')) return
  columns.forEach((c, x) => {
    if (c.role === 'statement' && /^description/i.test(c.header)) columns[x] = { ...c, role: 'note' }
  })
}

/** "Practice" over texts that differ, in a table with a row for each week or module: work of that kind. */
export function workByKind(columns: Column[], rows: Rows): void {
  if (
    !columns.some((c) => c.role === 'module' || c.role === 'week') ||
    !columns.some((c) => c.role === 'reading' || c.role === 'assessments')
  )
    return
  columns.forEach((c, x) => {
    const p = profileOf(rows.map((r) => (r[x] ?? '').trim()))
    // "Practice (min)" over "Measure five dishes (20)" holds no times.
    const isOpen = c.role === 'unknown' || (c.role === 'minutes' && p.times + p.numbers < 0.4)
    if (!isOpen || kindIn(c.header) === null) return
    if (p.words >= 1.3 && p.distinct >= 0.7 && Math.max(p.amounts, p.times, p.whens) < 0.5)
      columns[x] = { ...c, role: 'title', guess: `“${c.header}” is read so because it names a kind of work` }
  })
}

/** "Trainer input" over "Short talk 15 min": texts that tell their own times are work. */
export function workWithTimes(columns: Column[], rows: Rows): void {
  columns.forEach((c, x) => {
    if (c.role !== 'unknown') return
    const items = rows.map((r) => (r[x] ?? '').trim()).flatMap((t) => (t === '' ? [] : [readItem(t)]))
    const timed = items.filter((i) => i.minutes !== null && i.title !== '').length
    if (timed < 2 || timed < items.length * 0.7) return
    columns[x] = { ...c, role: 'assessments', guess: `“${c.header}” is read so because its texts tell how long they take` }
  })
}

/** Names of lessons in the rows of units: where a second column of modules has a text of its own in each row, it tells what is done. */
export function lessonsInUnits(columns: readonly Column[], rows: Rows): readonly Column[] {
  if (columns.some((c) => c.role === 'title' || c.role === 'reading' || c.role === 'statement')) return columns
  const filled = rows.filter((r) => r.filter((c) => c.trim() !== '').length >= 2)
  const modules = columns.flatMap((c, x) => (c.role === 'module' ? [x] : []))
  const [unit, lesson] = modules
  if (unit === undefined || lesson === undefined || modules.length > 2) return columns
  const named = filled.filter((r) => (r[lesson] ?? '').trim() !== '')
  const cells = (x: number) => named.map((r) => (r[x] ?? '').trim())
  const own = profileOf(cells(lesson))
  const units = new Set(cells(unit).filter((c) => c !== ''))
  if (own.distinct < 0.9 || own.n < filled.length * 0.8 || own.words < 1.5 || units.size > own.n * 0.7) return columns
  return columns.map((c, x) => (x === lesson ? { ...c, role: 'title' as const } : c))
}

/** "Online | Mins | Lab | Mins": texts right before a time of their own are work like the first. */
export function withPairs(columns: readonly Column[], rows: Rows): readonly Column[] {
  const isPair = (x: number) => columns[x + 1]?.role === 'minutes'
  if (!columns.some((c, x) => c.role === 'title' && isPair(x))) return columns
  return columns.map((c, x) => {
    if (!['unknown', 'kind', 'note', 'module'].includes(c.role) || !isPair(x)) return c
    const p = profileOf(rows.map((r) => (r[x] ?? '').trim()))
    const isWork = p.words >= 1.5 && p.distinct >= 0.7
    return isWork ? { ...c, role: 'title' as const, guess: `“${c.header}” is read so because a time of its own stands beside it` } : c
  })
}
