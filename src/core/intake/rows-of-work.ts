/** Rows of tables that list activities, one in a row or in lists, and the module that a row belongs to. */
import { type Draft, type DraftActivity, type DraftModule, draftActivity } from './draft'
import { fillAmounts, fillFromCells, fillGraded, outcomesIn, splitList } from './fill-activity'
import { guessesOfItem } from './guesses'
import { moduleRef } from './heads'
import { CLOSED, readItem, readStatement, sameCode, tidy } from './items'
import type { Place } from './place'
import { PAUSE } from './prose-work'
import { codeKey, readCodes, readWeekSpan, splitCode } from './quantities'
import { moduleNumberOf } from './table-kind'
import type { Row } from './table-row'

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
  const graded = role === 'title' && row.gradesApart ? row.get('assessments') : null
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
    if (several || graded !== null) row.partBecame(made)
    else row.became(made)
  }
  if (graded !== null) readGradedWork(draft, row, place, module)
}

/** What the same row names under assessments: work of its own, which has the points and the day. */
function readGradedWork(draft: Draft, row: Row, place: Place, module: DraftModule): void {
  const lines = splitList(row.use('assessments') as string)
  for (const [i, line] of lines.entries()) {
    const item = readItem(line, draft.order)
    const activity = draftActivity(item, row.at, place.piece)
    if (activity.title === '') continue
    if (i === 0) fillGraded(draft, activity, row, place)
    const made = draft.activity(module, activity)
    guessesOfItem(draft, made, item)
    row.partBecame(made)
  }
  row.became(module)
}

/** A code that work refers to and a statement, and nothing else: below the rows of work stands the list of objectives. */
export const isListed = (draft: Draft, row: Row): boolean => {
  const [code = '', text = '', ...more] = row.texts()
  return more.length === 0 && text.split(/\s+/).length >= 2 && draft.referenced.has(codeKey(readCodes(code)?.[0] ?? code))
}

/** It is of the module whose work refers to it; of several, the course's. */
export function readListed(draft: Draft, row: Row): void {
  const [code = '', text = ''] = row.texts()
  const own = draft.modules.filter((m) => m.activities.some((a) => a.objectives.some((o) => sameCode(o, code))))
  const [first] = own
  const statement = { ...readStatement(text), code: readCodes(code)?.[0] ?? code }
  row.wholeBecame(first ? draft.objective(first, statement, row.at) : draft.outcome(statement), first ? 'objective' : 'outcome')
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
