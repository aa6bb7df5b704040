/** Rows of tables that list outcomes, objectives, what the grade consists of, and sums. */

import { type Draft, type DraftModule, short } from './draft'
import { readDuration } from './duration'
import { splitList } from './fill-activity'
import { readStatement } from './items'
import type { Place } from './place'
import { dropIn, gradeTitle, isTotal } from './prose-grades'
import { nameKey, readAmount, readCodes, splitCode } from './quantities'
import { enterModule } from './rows-of-work'
import { sectionOf } from './sections'
import { moduleNumberOf } from './table-kind'
import type { Row } from './table-row'

/** The number that stands in a row of sums, whatever column. */
export function readTotals(draft: Draft, row: Row, place: Place, ofGrades: boolean): void {
  const label = row.texts().slice(0, 2).find(isTotal) ?? ''
  const module = /grand|course|overall|all modules/i.test(label) ? null : place.module
  const add = (what: 'points' | 'minutes' | 'percent', value: number | null | undefined) => {
    if (value != null)
      draft.totals.push({ what, value, module, part: /\bsub|^sum\b/i.test(label), ofGrades, piece: place.piece, at: row.at })
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

/** "Objectives | A1 | Read a payslip", and the rows below it that go on with A2: goals among rows of work. False for other rows. */
export function readGoalRow(
  draft: Draft,
  texts: readonly string[],
  place: Place,
  at: string,
  became: (thing: object, what: string) => void,
) {
  const section = sectionOf(texts[0] ?? '')
  const isLabel = (section === 'objectives' || section === 'outcomes') && (texts[0] ?? '').split(/\s+/).length <= 3
  const rest = isLabel ? texts.slice(1) : texts
  const [code = '', statement = code] = rest
  const isGoal =
    (isLabel || place.goals !== undefined) &&
    rest.length >= (isLabel ? 1 : 2) &&
    rest.length <= 2 &&
    (rest.length === 1 || readCodes(code)?.length === 1) &&
    statement.split(/\s+/).length >= 2
  if (!isGoal) {
    place.goals = undefined
    return false
  }
  if (isLabel) place.goals = section === 'outcomes' && place.module === null ? 'outcomes' : 'objectives'
  const read = rest.length === 2 ? { ...readStatement(statement), code } : readStatement(statement)
  if (place.module && place.goals === 'objectives') became(draft.objective(place.module, read, at), 'objective')
  else became(draft.outcome(read), 'outcome')
  return true
}

export function readOutcomeRow(draft: Draft, row: Row): void {
  const roles = ['statement', 'outcomes', 'objectives', 'title', 'number'] as const
  const cells = roles.flatMap((role) => row.all(role))
  const statement = cells.toSorted((a, b) => b.length - a.length)[0]
  if (statement === undefined || statement.split(/\s+/).length < 2) return row.rest('not understood', '')
  const code = cells.find((c) => c !== statement && c.length <= 12) ?? null
  const read = readStatement(statement)
  for (const role of roles) if (row.all(role).every((c) => c === statement || c === code)) row.useAll(role)
  row.became(draft.outcome({ ...read, code: code ?? read.code }))
}

export function readObjectiveRow(draft: Draft, row: Row, place: Place): void {
  const module = enterModule(draft, row, place) ?? place.module
  const lists = [...row.all('statement'), ...row.all('objectives')]
  const statements = lists.filter((c) => readCodes(c) === null)
  const code = [...row.all('number'), ...lists].find((c) => !statements.includes(c) && readCodes(c)?.length === 1) ?? null
  if (statements.length === 0) return row.rest('not understood', '')
  const target = module ?? moduleOfCode(draft, code ?? splitCode(statements[0] as string).code)
  if (!target) return row.rest('question', 'which module it belongs to')
  const refs = row.useAll('outcomes').flatMap((c) => readCodes(c) ?? [c])
  row.useAll('statement')
  row.useAll('objectives')
  if (row.all('number').includes(code ?? '')) row.use('number')
  const lines = statements.flatMap(splitList)
  for (const line of lines) {
    const read = readStatement(line)
    const statement = {
      code: lines.length === 1 ? (code ?? read.code) : read.code,
      statement: read.statement,
      refs: [...read.refs, ...refs],
    }
    row.partBecame(draft.objective(target, statement, row.at))
  }
  row.became(target)
}

/** The module that a code such as `3b` or `MLO 3.2` belongs to. */
function moduleOfCode(draft: Draft, code: string | null): DraftModule | null {
  const number = moduleNumberOf(code)
  return number === null ? null : draft.module({ number, title: null, weeks: null })
}

/** A row that names a piece of work beside its category: its points are its own, the share is that of the category. */
function readGradedWork(draft: Draft, row: Row, category: string): void {
  const share = row.get('percent')
  const percent = share === null ? null : (readAmount(share, 'percent')?.value.value ?? null)
  let entry = draft.categories.find((c) => nameKey(c.title) === nameKey(category))
  if (!entry) {
    entry = { title: category, share: percent, points: null, count: null, at: row.at }
    draft.categories.push(entry)
  }
  if (percent === entry.share) row.use('percent')
  row.use('category')
  row.became(entry)
  const points = row.get('points')
  const read = points === null ? null : readAmount(points, 'points')
  if (read) row.use('points')
  const work = {
    title: (row.use('title') ?? row.use('assessments')) as string,
    category,
    points: read?.value.kind === 'points' ? read.value.value : null,
    number: row.use('number'),
    at: row.at,
  }
  draft.graded.push(work)
  row.became(work)
}

export function readGradeRow(draft: Draft, row: Row, place: Place): void {
  const category = row.get('category')
  if (category !== null && (row.get('title') ?? row.get('assessments')) !== null) return readGradedWork(draft, row, category)
  const role = (['title', 'category', 'assessments', 'kind', 'statement'] as const).find((r) => row.get(r) !== null)
  // What it shows beside it, in full, is an outcome.
  const shown = role === undefined ? undefined : row.all('outcomes').find((c) => readCodes(c) === null && c.split(/\s+/).length >= 3)
  if (shown !== undefined) {
    row.use('outcomes')
    row.partBecame(draft.outcome(readStatement(shown)))
  }
  const cell = role ? row.get(role) : row.texts()[0]
  if (cell == null) return
  const share = row.get('percent')
  const points = row.get('points')
  const read = share === null ? null : readAmount(share, 'percent')
  const pointsRead = points === null ? null : readAmount(points, 'points')
  const { drop, rest } = dropIn(cell)
  const { title, count, each } = gradeTitle(rest)
  const counted = row.get('count')
  const n = counted === null ? count : Number(/\d+/.exec(counted)?.[0] ?? Number.NaN) || null
  if (title === '' || (read === null && pointsRead === null && n === null)) return row.rest('not understood', '')
  const perItem = /\beach\b|\bper\b/i.test(`${row.header('points')} ${points ?? ''}`)
  const value =
    pointsRead?.value.kind === 'points'
      ? pointsRead.value.value * (perItem && n !== null ? n : 1)
      : each !== null && n !== null
        ? each * n
        : null
  const percent = read?.value.kind === 'percent' ? read.value.value : pointsRead?.value.kind === 'percent' ? pointsRead.value.value : null
  const entry = { title, share: percent, points: value, count: n, at: row.at, ...drop }
  draft.categories.push(entry)
  for (const r of ['percent', 'points', 'count'] as const) row.use(r)
  if (share !== null && read === null) {
    draft.problem('points-not-read', `${short(cell)}: “${short(share)}” is no share.`, row.at)
    row.ask('percent', 'what share this is')
  }
  if (points !== null && pointsRead === null) {
    draft.problem('points-not-read', `${short(cell)}: “${short(points)}” is no number of points.`, row.at)
    row.ask('points', 'how many points this is')
  }
  if (read?.guess) draft.guess(entry, 'share', read.guess)
  if (pointsRead?.guess) draft.guess(entry, 'points', pointsRead.guess)
  for (const r of [read, pointsRead]) if (r?.guess) draft.problem('number-guessed', `${short(cell)}: ${r.guess}.`, row.at)
  if (role) row.use(role)
  else row.wholeBecame(entry, 'title')
  row.became(entry)
  place.section = place.section ?? 'grading'
}
