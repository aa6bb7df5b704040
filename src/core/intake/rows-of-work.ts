/** Rows of tables that list activities, one in a row or in lists, and the module that a row belongs to. */
import { readLinks } from '../alignment/proposals'
import { PURPOSES } from '../blueprint/kinds/activity'
import { type Draft, type DraftActivity, type DraftModule, draftActivity, type Mention, short } from './draft'
import { guessesOfItem } from './guesses'
import { CLOSED, kindIn, moduleRef, readItem, readStatement, sameCode, tidy } from './items'
import type { Place } from './place'
import { PAUSE } from './prose-work'
import { codeKey, readAmount, readCodes, readLetters, readWeekSpan, splitCode } from './quantities'
import { moduleNumberOf } from './table-kind'
import type { Row } from './table-row'
import { readWhen, type When } from './when'

/** Goes to the module that a row names; null where it names none. */
export function enterModule(draft: Draft, row: Row, place: Place): DraftModule | null {
  const named = row.all('module')
  const refs = named.flatMap((c) => moduleRef(c, draft.words) ?? [])
  const week = row.get('week')
  const weeks = week === null ? null : readWeekSpan(week)
  if (refs.length === 0) {
    if (weeks === null || (place.module !== null && row.header('week') === '')) return null
    // A list by weeks without modules: each week is one.
    if (row.column('module') !== undefined && place.module !== null) return null
    const inWeek = draft.modules.find((m) => m.weeks !== null && m.weeks.first <= weeks.first && weeks.last <= m.weeks.last)
    place.module = inWeek ?? draft.module({ number: null, title: null, weeks })
    return place.module
  }
  const number = refs.find((r) => r.number !== null)?.number ?? null
  const title = refs.find((r) => r.title !== null)?.title ?? null
  place.module = draft.module({ number, title, weeks: refs.find((r) => r.weeks !== null)?.weeks ?? weeks })
  row.useAll('module')
  row.became(place.module)
  return place.module
}

const TITLES = ['title', 'assessments', 'reading', 'statement'] as const

export function readActivityRow(draft: Draft, row: Row, place: Place): void {
  enterModule(draft, row, place)
  if (row.isOwn) return readOwnRow(draft, row, place)
  if (isListed(draft, row)) return readListed(draft, row)
  if (row.pairs().length > 0) return readPairs(draft, row, place)
  const role = TITLES.find((r) => row.get(r) !== null)
  if (role === undefined) return readModuleRow(draft, row, place)
  if (CLOSED.test(row.get(role) ?? '') && row.get('minutes') === null && row.get('points') === null && row.get('kind') === null) {
    return readClosedRow(draft, row)
  }
  if (PAUSE.test((row.get(role) ?? '').trim())) return row.rest('not understood', 'a break')
  const titleCell = row.use(role) as string
  const module =
    place.module ??
    moduleOfNumber(draft, row.get('number')) ??
    moduleOfCodes(draft, row) ??
    draft.module({ number: '1', title: null, weeks: null })
  const lines = splitList(titleCell)
  // A row that says how long it takes, or what it counts, is one piece of work, whatever its title lists.
  const isOne = (['minutes', 'points', 'percent', 'kind', 'due'] as const).some((r) => row.get(r) !== null)
  const several = !isOne && lines.length > 1 && lines.every((l) => l.length > 3)
  for (const line of several ? lines : [titleCell.replace(/\s*\n\s*/g, '; ')]) {
    const item = readItem(line, draft.order)
    const activity = draftActivity(item, row.at, place.piece)
    // Where the row has columns for them, what stands in its title belongs to the title: "Film (9 min)" is not what it takes.
    if (!several && (row.get('minutes') !== null || row.get('points') !== null)) Object.assign(activity, { title: tidy(line), notes: null })
    if (activity.title === '') continue
    if (!several) fillFromCells(draft, activity, row, place)
    const made = draft.activity(module, activity)
    if (place.module === null && row.get('number') === null) draft.guess(made, 'module', 'no module is named')
    guessesOfItem(draft, made, item)
    if (several) row.partBecame(made)
    else row.became(made)
  }
}

/** A code that work refers to and a statement, and nothing else: below the rows of work stands the list of objectives. */
const isListed = (draft: Draft, row: Row): boolean => {
  const [code = '', text = '', ...more] = row.texts()
  return more.length === 0 && text.split(/\s+/).length >= 2 && draft.referenced.has(codeKey(readCodes(code)?.[0] ?? code))
}

/** It is of the module whose work refers to it; of several, the course's. */
function readListed(draft: Draft, row: Row): void {
  const [code = '', text = ''] = row.texts()
  const own = draft.modules.filter((m) => m.activities.some((a) => a.objectives.some((o) => sameCode(o, code))))
  const [first] = own
  const statement = { ...readStatement(text), code: readCodes(code)?.[0] ?? code }
  row.wholeBecame(first ? draft.objective(first, statement, row.at) : draft.outcome(statement), first ? 'objective' : 'outcome')
}

/** `13-17 Jan`, `13 Jan – 17 Jan`: the first of the days. */
const firstDayOf = (date: string): string => {
  const oneMonth = /^(\d{1,2})\.?\s*[-–—]\s*\d{1,2}\.?\s+(\p{L}+\.?.*)$/u.exec(date.trim())
  return oneMonth ? `${oneMonth[1]} ${oneMonth[2]}` : (date.split(/\s*(?:[–—]|\bto\b|\s-\s)\s*/)[0] as string)
}

/**
 * A row with several pieces of work, each with its time. What the row says of all of them holds for each; its points go to the last,
 * and the guess is marked.
 */
function readPairs(draft: Draft, row: Row, place: Place): void {
  const module =
    place.module ??
    moduleOfNumber(draft, row.get('number')) ??
    moduleOfCodes(draft, row) ??
    draft.module({ number: '1', title: null, weeks: null })
  const pairs = row.pairs()
  const week = row.use('week')
  const span = week === null ? null : readWeekSpan(week)
  if (span && row.all('module').length > 0) draft.spans(module, span)
  const codes = row.useAll('objectives').flatMap((c) => readCodes(c) ?? splitList(c))
  const { outcomes, others } = outcomesIn(draft, row.useAll('outcomes'))
  pairs.forEach(({ title, minutes, use }, i) => {
    use()
    const item = readItem(title, draft.order)
    const activity: DraftActivity = {
      ...draftActivity(item, row.at, place.piece),
      title: tidy(title),
      notes: null,
      week: span?.last ?? null,
    }
    if (minutes) activity.minutes = minutes.value
    activity.objectives.push(...codes, ...others)
    activity.outcomes.push(...outcomes)
    if (i === pairs.length - 1) {
      fillAmounts(draft, activity, row)
      activity.notes =
        row
          .notes()
          .map(({ header, text }) => (header === '' ? text : `${header}: ${text}`))
          .join('\n') || null
      if (activity.points !== null) draft.guess(activity, 'points', 'its row names several pieces of work, and points once')
    }
    const made = draft.activity(module, activity)
    guessesOfItem(draft, made, item)
    if (i === pairs.length - 1) row.became(made)
    else row.partBecame(made)
  })
}

export function readClosedRow(draft: Draft, row: Row): void {
  row.wholeBecame(draft.closed(row.texts().join(' · '), row.at), 'a day without classes')
}

/** A row that names a module with what it holds as a whole. */
function readModuleRow(draft: Draft, row: Row, place: Place): void {
  if (place.module && row.all('module').length > 0 && row.get('minutes') === null) {
    row.use('week')
    for (const text of row.all('objectives'))
      if (readCodes(text) === null) {
        row.useAll('objectives')
        for (const line of splitList(text)) row.partBecame(draft.objective(place.module, readStatement(line), row.at))
      }
    row.became(place.module)
  } else row.rest('not understood', '')
}

/** A row that Cairn wrote: its title is its title, and what it leaves open is open. */
function readOwnRow(draft: Draft, row: Row, place: Place): void {
  const title = row.use('title')
  if (title === null || !place.module) return row.rest('not understood', '')
  const activity = { ...draftActivity(readItem('x'), row.at, place.piece), title, size: null }
  fillFromCells(draft, activity, row, place)
  row.became(draft.activity(place.module, activity, false))
}

/** The module that the codes of a row name, where no column does: `2.1` is of module 2. */
function moduleOfCodes(draft: Draft, row: Row): DraftModule | null {
  for (const text of row.all('objectives')) {
    const number = moduleNumberOf(readCodes(text)?.[0] ?? splitCode(text).code)
    if (number !== null) return draft.module({ number, title: null, weeks: null })
  }
  return null
}

/** `2.3` stands in module 2. */
function moduleOfNumber(draft: Draft, number: string | null): DraftModule | null {
  const match = /^[A-Za-z]?\s*(\d{1,2})[.-]\d{1,2}$/.exec(number ?? '')
  return match ? draft.module({ number: String(Number(match[1])), title: null, weeks: null }) : null
}

function fillFromCells(draft: Draft, activity: DraftActivity, row: Row, place: Place): void {
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
  fillWhen(draft, activity, row, place)
  readObjectives(draft, activity, row, place)
  activity.objectives.push(...row.marked('mark').map((c) => c.header))
  const served = row.useAll('outcomes')
  const { outcomes, others } = outcomesIn(draft, served)
  activity.outcomes = outcomes
  // Whole sentences there are what the work is for, as in a column of objectives.
  activity.objectives.push(...others)
  fillTime(draft, activity, row, place.module)
  fillAmounts(draft, activity, row)
  const notes = row.notes()
  if (notes.length > 0) activity.notes = notes.map(({ header, text }) => (header === '' ? text : `${header}: ${text}`)).join('\n')
}

/** Codes of outcomes in cells: `CO1, CO2`, or a code with its statement, which is an outcome then; and what is neither. */
function outcomesIn(draft: Draft, cells: readonly string[]): { readonly outcomes: string[]; readonly others: string[] } {
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

function fillWhen(draft: Draft, activity: DraftActivity, row: Row, place: Place): void {
  const week = row.use('week')
  const span = week === null ? null : readWeekSpan(week)
  if (week !== null && span === null) row.ask('week', 'which week this is')
  activity.week = span?.last ?? null
  // Modules whose rows name weeks span them.
  if (span && place.module && row.all('module').length > 0) draft.spans(place.module, span)
  const role = row.get('due') !== null ? 'due' : 'date'
  const text = row.use(role)
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

function fillAmounts(draft: Draft, activity: DraftActivity, row: Row): void {
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

/** A day on which nobody works, in a row of a schedule. */
const CLOSED_ROW = /\b(?:break|holidays?|recess|no class(?:es)?|vacation|reading week|closed|ferien|feiertag)\b/i

/** A row of a schedule or of a plan by modules: topic, objectives, and work named in lists. */
export function readPlanRow(draft: Draft, row: Row, place: Place): void {
  const before = place.module
  const named = row.all('module')
  const week = row.get('week')
  const weeks = week === null ? null : readWeekSpan(week)
  const date = row.get('date')
  // "9/4 (no class 9/2)": another day of the week.
  const without = /\(([^()]*)\)/.exec(date ?? '')?.[1] ?? ''
  if (CLOSED.test(without)) row.partBecame(draft.closed(without, row.at))
  const begins = date === null ? null : readWhen(firstDayOf(date), draft.order)
  if (isListed(draft, row)) return readListed(draft, row)
  if (
    row.texts().some((t) => CLOSED_ROW.test(t)) &&
    row.all('title').length + row.all('assessments').length + row.all('reading').length < 2 &&
    named.every((t) => CLOSED_ROW.test(t))
  ) {
    return readClosedRow(draft, row)
  }
  const module = enterModule(draft, row, place) ?? before
  if (!module) return row.rest('question', 'which module it belongs to')
  // What the row takes in all: a sum of what its lists tell.
  const [all] = row.times()
  if (all?.read && row.use('minutes') !== null)
    draft.totals.push({ what: 'minutes', value: all.read.value, module, part: true, ofGrades: false, piece: place.piece, at: row.at })
  if (weeks) {
    row.use('week')
    if (named.length > 0) draft.spans(module, weeks)
  }
  if (begins?.date) {
    const start = { week: weeks?.first ?? null, date: begins.date, read: date as string, at: row.at }
    draft.weekDates.push(start)
    row.use('date')
    row.became(start)
  }
  for (const text of row.all('objectives'))
    if (readCodes(text) === null) for (const line of splitList(text)) row.partBecame(draft.objective(module, readStatement(line), row.at))
  const goals = row.useAll('objectives')
  const own = goals.filter((t) => readCodes(t) === null).flatMap(splitList)
  // Codes of the row are those of its work.
  const codes = own.length > 0 ? [] : goals.flatMap((t) => readCodes(t) ?? [])
  for (const code of codes) draft.referenced.add(codeKey(code))
  // A row about one objective is about its work as well; points beside one assessment are its points.
  const only = own.length === 1 ? (own[0] as string) : null
  const graded = row.all('assessments').flatMap(splitList)
  const points = graded.length === 1 ? readAmount(row.get('points') ?? '', 'points') : null
  if (points) row.use('points')
  row.became(module)
  for (const role of ['reading', 'title', 'assessments', 'due'] as const)
    for (const text of row.useAll(role))
      for (const line of splitList(text)) {
        const item = readItem(line.replace(/\bdue\b\s*$/i, ''), draft.order)
        if (item.title === '' || /^(?:none|no (?:reading|work|assignment)|same|continued?)$/i.test(item.title)) continue
        const mention: Mention = {
          ...item,
          kind: item.kind ?? (role === 'reading' ? ('reading' as const) : null),
          amount: item.amount ?? (role === 'assessments' ? (points?.value ?? null) : null),
          codes: item.codes.length > 0 ? item.codes : only !== null ? [only] : codes,
          ofRow: item.codes.length === 0 && codes.length > 0,
          // What stands under Due, in the row of a week, is due in that week.
          when: item.when ?? (role !== 'due' ? null : weeks ? dueIn(weeks.last, weekText(week as string)) : begins),
          due: item.due ?? (role === 'due' && weeks ? weekText(week as string) : null),
          dueSaid: item.dueSaid || (role === 'due' && item.when !== null),
          week: weeks?.last ?? null,
          module,
          at: row.at,
          piece: place.piece,
        }
        draft.mentions.push(mention)
        row.partBecame(mention)
      }
  row.became(module)
}

const weekText = (cell: string): string => (/^\d/.test(cell) ? `week ${cell}` : cell)
/** A week as when something is due. */
const dueIn = (week: number, read: string): When => ({ read, date: null, otherDate: null, week, day: null, time: null, meeting: null })

/** A cell that holds a list: by lines, bullets or semicolons; one that holds none is itself. */
export function splitList(text: string): string[] {
  const lines = text
    .split(/\n|•|·\s|;\s+(?=\S)/)
    .map((l) => l.replace(/^\s*[-*–]\s+/, '').trim())
    .filter((l) => l !== '')
  return lines.length > 0 ? lines : [text.trim()]
}
