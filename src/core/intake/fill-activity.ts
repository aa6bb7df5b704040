/** What the cells of a row say of the activity in it. */

import { readLinks } from '../alignment/proposals'
import { PURPOSES } from '../blueprint/kinds/activity'
import { PASS_MARK } from './column-roles'
import { type Draft, type DraftActivity, type DraftModule, short } from './draft'
import { kindIn, readStatement } from './items'
import type { Place } from './place'
import { codeKey, readAmount, readCodes, readLetters, readWeekSpan } from './quantities'
import type { Row } from './table-row'
import { readWhen } from './when'

export function fillFromCells(draft: Draft, activity: DraftActivity, row: Row, place: Place): void {
  activity.number = row.use('number') ?? activity.number
  const kind = row.get('kind')
  const known = kind === null ? null : kindIn(kind)
  if (known !== null) row.use('kind')
  else if (kind !== null) row.ask('kind', 'which kind this is')
  activity.kind = known
  const purpose = row.get('purpose')
  const named = PURPOSES.find((p) => p === purpose?.toLowerCase())
  if (named) {
    activity.purpose = named
    row.use('purpose')
  } else if (purpose !== null) row.ask('purpose', 'which purpose this is')
  activity.part = row.use('part')
  activity.category = row.use('category')
  // Points and the day are those of the work that is graded, where the row names it apart.
  const isGraded = !row.gradesApart || row.get('assessments') === null
  fillWhen(draft, activity, row, place, isGraded)
  readObjectives(draft, activity, row, place)
  activity.objectives.push(...row.marked('mark').map((c) => c.header))
  const served = row.useAll('outcomes')
  const { outcomes, others } = outcomesIn(draft, served)
  activity.outcomes = outcomes
  // Whole sentences there are what the work is for, as in a column of objectives.
  activity.objectives.push(...others)
  fillTime(draft, activity, row, place.module)
  if (isGraded) fillAmounts(draft, activity, row)
  const notes = row.notes()
  amountInNotes(draft, activity, notes)
  if (notes.length > 0) activity.notes = notes.map(({ header, text }) => (header === '' ? text : `${header}: ${text}`)).join('\n')
}

/** Codes of outcomes in cells: `CO1, CO2`, or a code with its statement, which is an outcome then; and what is neither. */
export function outcomesIn(draft: Draft, cells: readonly string[]): { readonly outcomes: string[]; readonly others: string[] } {
  const outcomes: string[] = []
  const others: string[] = []
  for (const cell of cells) {
    const codes = readCodes(cell)
    if (codes) {
      outcomes.push(...codes)
      continue
    }
    for (const line of splitList(cell)) {
      const read = readStatement(line)
      if (read.code !== null && read.statement.split(/\s+/).length >= 2) outcomes.push(draft.outcome(read).code as string)
      else others.push(line)
    }
  }
  return { outcomes, others }
}

/** Points, day and objectives of graded work that stands beside the work that leads to it. */
export function fillGraded(draft: Draft, activity: DraftActivity, row: Row, place: Place): void {
  fillWhen(draft, activity, row, place)
  readObjectives(draft, activity, row, place)
  activity.objectives.push(...row.marked('mark').map((c) => c.header))
  const { outcomes, others } = outcomesIn(draft, row.useAll('outcomes'))
  activity.outcomes = outcomes
  activity.objectives.push(...others)
  fillAmounts(draft, activity, row)
}

function fillWhen(draft: Draft, activity: DraftActivity, row: Row, place: Place, withDay = true): void {
  const week = row.use('week')
  const span = week === null ? null : readWeekSpan(week)
  if (week !== null && span === null) row.ask('week', 'which week this is')
  activity.week = span?.last ?? null
  // Modules whose rows name weeks span them.
  if (span && place.module && row.all('module').length > 0) draft.spans(place.module, span)
  const role = row.get('due') !== null ? 'due' : 'date'
  const text = withDay || role === 'date' ? row.use(role) : null
  if (text === null) return
  const when = readWhen(text, draft.order)
  if (when) Object.assign(activity, { due: text, when })
  else {
    draft.problem('due-not-read', `${short(activity.title)}: “${short(text)}” is no day.`, row.at)
    row.ask(role, 'which day this is')
    activity.due = text
    activity.when = null
  }
}

function fillTime(draft: Draft, activity: DraftActivity, row: Row, module: DraftModule | null): void {
  const name = short(activity.title)
  // Two columns of times, as for class and for home, are added.
  const read = row.times().map((time) => lengthOfMedia(draft, activity, time))
  if (read.length === 0) return
  // "2 weeks" is how long the module takes.
  const weeks = read.length === 1 ? /^(\d{1,2})\s*(?:weeks?|wks?)$/i.exec(read[0]?.text ?? '')?.[1] : undefined
  if (weeks !== undefined && module) {
    draft.lengths.set(module, Number(weeks))
    row.useAll('minutes')
    return
  }
  const [bad] = read.filter((r) => r.read === null)
  if (bad) {
    draft.problem('time-not-read', `${name}: “${short(bad.text)}” is no time.`, row.at)
    row.ask('minutes', 'how long this takes')
    return
  }
  activity.minutes = read.reduce((sum, r) => sum + (r.read?.value ?? 0), 0)
  for (const role of ['minutes', 'begins', 'ends'] as const) row.useAll(role)
  for (const r of read)
    if (r.read?.guess) {
      draft.problem('number-guessed', `${name}: ${r.read.guess}.`, row.at)
      draft.guess(activity, 'minutes', r.read.guess)
    }
  if (read.length > 1) draft.guess(activity, 'minutes', `${read.map((r) => r.text).join(' and ')} are added`)
  const column = row.column('minutes')
  if (column && !column.unitSaid && /^[\d.,]+$/.test(read[0]?.text ?? ''))
    draft.guess(activity, 'minutes', `“${column.header}” does not say whether it counts minutes or hours: read as minutes`)
  if (column?.guess) draft.guess(activity, 'minutes', column.guess)
}

/** "6:30" beside a film is six minutes and a half, not hours. */
function lengthOfMedia(draft: Draft, activity: DraftActivity, time: ReturnType<Row['times']>[number]): ReturnType<Row['times']>[number] {
  const clock = activity.kind === 'video' || activity.kind === 'audio' ? /^(\d{1,2}):([0-5]\d)$/.exec(time.text) : null
  if (!clock || Number(clock[1]) === 0) return time
  draft.guess(activity, 'minutes', `“${time.text}” is read as minutes and seconds, as of a recording`)
  return { ...time, read: { value: Math.max(1, Math.round(Number(clock[1]) + Number(clock[2]) / 60)), guess: null } }
}

/** "20 pts" alone in a column of notes. */
function amountInNotes(draft: Draft, activity: DraftActivity, notes: { header: string; text: string }[]): void {
  if (activity.points !== null || activity.percent !== null) return
  const at = notes.findIndex((n) => !PASS_MARK.test(n.header) && /^\d+(?:[.,]\d+)?\s*(?:p(?:oin)?ts?\.?|marks?|%)$/i.test(n.text))
  const read = at < 0 ? null : readAmount(notes[at]?.text as string, 'points')
  if (!read) return
  activity[read.value.kind] = read.value.value
  draft.guess(activity, read.value.kind, `“${notes[at]?.header}” says so`)
  notes.splice(at, 1)
}

export function fillAmounts(draft: Draft, activity: DraftActivity, row: Row): void {
  const name = short(activity.title)
  for (const role of ['points', 'percent'] as const) {
    const text = row.use(role)
    if (text === null || /^(?:no|ungraded|not graded|formative|pass\/?fail|complete)\b/i.test(text)) continue
    const read = readAmount(text, role)
    if (read === null) {
      draft.problem('points-not-read', `${name}: “${short(text)}” is no number of points.`, row.at)
      row.ask(role, 'how many points this is')
      continue
    }
    if (read.guess) {
      draft.problem('number-guessed', `${name}: ${read.guess}.`, row.at)
      draft.guess(activity, read.value.kind, read.guess)
    }
    activity[read.value.kind] = read.value.value
    const guess = row.column(role)?.guess
    if (guess) draft.guess(activity, read.value.kind, guess)
  }
}

/** Codes, whole statements, or a code in one column and its statement in the next. */
function readObjectives(draft: Draft, activity: DraftActivity, row: Row, place: Place): void {
  const cells = row.useAll('objectives').filter((cell) => {
    // `1a PA`: what the work does for an objective, in the letters of its stages.
    const { links, unknown } = readLinks(cell)
    const staged = unknown.length === 0 && links.some((l) => l.stages.length > 0)
    for (const { number, stages } of staged ? links : []) {
      activity.objectives.push(number)
      if (stages.length > 0) activity.stages[number] = stages
    }
    return !staged
  })
  const lettered = cells.flatMap((c) => readLetters(c) ?? [])
  activity.objectives.push(...lettered)
  const codes = cells.filter((c) => readCodes(c) !== null)
  const statements = cells.filter((c) => readCodes(c) === null && readLetters(c) === null)
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
  const named = codes.flatMap((c) => readCodes(c) ?? [])
  for (const name of named) draft.referenced.add(codeKey(name))
  activity.objectives.push(...named)
  const guess = row.column('objectives')?.guess
  if (guess && activity.objectives.length > 0) draft.guess(activity, 'objectives', guess)
}

/** A cell that holds a list: by lines, bullets or semicolons; one that holds none is itself. */
export function splitList(text: string): string[] {
  const lines = text
    .split(/\n|•|·\s|;\s+(?=\S)/)
    .map((l) => l.replace(/^\s*[-*–]\s+/, '').trim())
    .filter((l) => l !== '')
  return lines.length > 0 ? lines : [text.trim()]
}
