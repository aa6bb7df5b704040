/** From pieces that were brought to one tree, with what they disagree about. */

import { countOf } from '../numbers'
import { groupBy } from '../plan/group-by'
import { sizeInTitle } from '../plan/size-in-title'
import { type Answers, correctionsIn, NO_ANSWERS } from './answers'
import { withoutAsides } from './aside'
import type { Source } from './blocks'
import { findContradictions } from './contradictions'
import { type Correction, pathsAfter, withCorrections } from './corrections'
import { daysOf, weeksFromDates, weeksFromLengths, weeksFromWork } from './days'
import { Draft, type DraftActivity, type DraftModule, type DraftObjective, draftActivity, type Habits, short } from './draft'
import { guessesOf, guessesOfItem } from './guesses'
import { habitsOf } from './habits'
import { kindIn, readStatement, sameCode } from './items'
import type { LedgerLine } from './ledger'
import { likest } from './likeness'
import { checkNumbers, settleLetters } from './numbering'
import { outlined } from './outline'
import { pathsOf } from './paths'
import { readScale } from './pieces'
import type { Place } from './place'
import { codeKey, nameKey, readCodes, splitCode, titleKey } from './quantities'
import { readLine } from './read-prose'
import { readTable } from './read-table'
import type { Understanding, UnderstoodDay, UnderstoodModule } from './understanding'

/** The tree, and what became of everything that came in. */
export type Reading = {
  readonly understanding: Understanding
  readonly ledger: readonly LedgerLine[]
  /** The same line by line, for what is too long to stand in memory as a whole. */
  readonly ledgerLines: () => Iterable<LedgerLine>
}

/** Reads every piece into one tree. Order matters little: what a later piece says of the same thing fills the first. */
export const understand = (sources: readonly Source[], answers: Answers = NO_ANSWERS): Understanding =>
  readSources(sources, answers).understanding

/** As `understand`, with the ledger. */
export function readSources(sources: readonly Source[], answers: Answers = NO_ANSWERS): Reading {
  const habits = habitsOf(sources, answers.dates)
  // What stands in a table may be told by a list behind it: then everything is read once more.
  const first = draftOf(sources, habits, answers)
  const draft = first.isSettled ? first : draftOf(sources, { ...habits, found: first.found }, answers)
  settleLetters(draft)
  settlePieces(draft)
  placeMentions(draft)
  resolveReferences(draft)
  weeksFromDates(draft)
  weeksFromLengths(draft)
  weeksFromWork(draft)
  const days = daysOf(draft)
  checkNumbers(draft)
  findContradictions(draft)
  const modules = orderedModules(draft)
  const tree = {
    title: draft.title,
    outcomes: draft.outcomes,
    modules: modules.map((m, i) => moduleOf(draft, m, i, days)),
    categories: draft.categories,
    calendar: draft.weekDates,
    pieces: draft.pieces,
  }
  const pathOf = pathsOf(draft, modules)
  const read = {
    ...tree,
    problems: draft.problems,
    guesses: guessesOf(draft, tree, pathOf),
    tables: draft.tables,
    notUnderstood: [...draft.ledger.open, ...draft.left],
  }
  const steps = correctionsIn(answers)
  return {
    understanding: withCorrections(read, steps),
    // A long file has hundreds of thousands of entries: they are written out where somebody asks.
    ledgerLines: () => ledgerAfter(draft.ledger.lines(pathOf), read, steps),
    get ledger() {
      return [...this.ledgerLines()]
    },
  }
}

/** The ledger once the tree has been corrected: rows have moved, and lines are decoration by somebody's word. */
function* ledgerAfter(lines: Iterable<LedgerLine>, read: Understanding, steps: readonly Correction[]): Generator<LedgerLine> {
  if (steps.length === 0) return yield* lines
  const now = pathsAfter(read, steps)
  const nothing = new Set(steps.flatMap((s) => (s.do === 'line' && s.is === 'nothing' ? [s.at] : [])))
  for (const line of lines)
    yield line.fate === 'not understood' && nothing.has(line.at.replace(/, column [A-Z]+$/, ''))
      ? { ...line, fate: 'decoration' as const, what: 'somebody said so' }
      : { ...line, paths: line.paths.flatMap((path) => now(path) ?? []) }
}

/** Letters of the grade told line by line are one scale; a heading without a text below it says nothing. */
function settlePieces(draft: Draft): void {
  const steps = readScale(draft.scaleLines.map((l) => l.text).join(', '))
  const [first] = draft.scaleLines
  if (steps && first && steps.length === draft.scaleLines.length) {
    const piece = { kind: 'scale' as const, steps, at: first.at }
    draft.pieces.push(piece)
    for (const line of draft.scaleLines) line.became(piece)
  }
  for (const piece of [...draft.pieces])
    if (piece.kind === 'text' && piece.text === '') {
      draft.pieces.splice(draft.pieces.indexOf(piece), 1)
      draft.leave(piece.title, piece.at)
    }
}

/** What each piece says, one after another. */
function draftOf(sources: readonly Source[], habits: Habits, answers: Answers): Draft {
  const draft = new Draft(habits, answers)
  for (const whole of sources) {
    const source = withoutAsides(draft, whole, answers)
    for (const { code, message, at } of source.cut ?? []) draft.problem(code, message, at)
    const place: Place = { module: null, section: null, week: null, piece: source.name }
    outlined(source.blocks, habits.words).forEach((block, i) => {
      if (block.type === 'table')
        readTable(draft, block, { ...place, piece: `${source.name} ${i}`, ...(block.name === null ? {} : { section: null, module: null }) })
      else readLine(draft, block, place)
    })
  }
  return draft
}

/** By number where all have one, else as they came. */
function orderedModules(draft: Draft): DraftModule[] {
  const filled = draft.modules.filter((m) => m.title !== null || m.objectives.length > 0 || m.activities.length > 0 || m.number !== null)
  if (!filled.every((m) => m.number !== null)) return filled
  const place = ({ role }: DraftModule) => (role === 'start' ? 0 : role ? 2 : 1)
  const among = (a: DraftModule, b: DraftModule) =>
    a.role ? (a.number as string).localeCompare(b.number as string) : Number(a.number) - Number(b.number)
  return filled.toSorted((a, b) => place(a) - place(b) || among(a, b))
}

function moduleOf(draft: Draft, m: DraftModule, i: number, days: ReadonlyMap<DraftActivity, UnderstoodDay>): UnderstoodModule {
  return {
    number: m.number ?? String(i + 1),
    title: m.title ?? (m.number !== null ? `Module ${m.number}` : m.weeks ? `Week ${m.weeks.first}` : `Module ${i + 1}`),
    weeks: m.weeks,
    ...(m.role ? { role: m.role } : {}),
    objectives: m.objectives.map(({ code, statement, outcomes }) => ({ code, statement, outcomes })),
    activities: m.activities.map(({ piece: _piece, outcomes: _outcomes, when: _when, ...activity }, k) => {
      const own = m.activities[k] as DraftActivity
      // Nobody is graded for answering questions about the course: what its title made a survey is one of something else.
      const isOther = activity.kind === 'survey' && (activity.points ?? 0) > 0 && draft.guesses.get(own)?.has('kind')
      const kind = isOther ? ('assignment' as const) : activity.kind
      const size = activity.size === null ? null : sizeInTitle({ ...activity, kind })
      return { ...activity, kind, size, dueAt: days.get(own) ?? null }
    }),
  }
}

/** Work that a schedule names: the activity that is meant, or a new one. */
function placeMentions(draft: Draft): void {
  const named = activitiesByName(draft)
  for (const mention of draft.mentions) {
    const found = named(mention.title, mention.module, mention.piece)
    const given = { ...draftActivity(mention, mention.at, mention.piece), week: mention.week }
    if (found) {
      draft.fill(found, given)
      draft.merged.set(mention, found)
    } else if (mention.module) {
      const ofColumn = given.kind === null && mention.kind !== kindIn(mention.title) ? mention.kind : null
      const made = draft.activity(mention.module, { ...given, kind: ofColumn ?? given.kind })
      if (ofColumn !== null) draft.guess(made, 'kind', 'the column that it stands in says so')
      guessesOfItem(draft, made, mention)
      if (mention.ofRow) draft.guess(made, 'objectives', 'its row names them, for all of its work')
      draft.merged.set(mention, made)
    }
  }
  // Grade entries that name one piece of work give it their points.
  const all = activitiesByName(draft)
  for (const work of draft.graded) {
    const found = all(work.title, null, '')
    if (found) {
      draft.fill(found, work)
      draft.merged.set(work, found)
    } else {
      draft.problem('work-not-placed', `${short(work.title)} is graded, and no module has it.`, work.at)
      draft.leave(work.title, work.at)
    }
  }
  const open: Draft['categories'] = []
  for (const entry of draft.categories) {
    const found = entry.count === null || entry.count === 1 ? all(entry.title, null, '') : undefined
    if (found) {
      draft.fill(found, { title: entry.title, points: entry.points, percent: entry.share, at: entry.at })
      found.category = entry.title
    } else if (entry.share === null && entry.points !== null) open.push(entry)
  }
  keepGradeTable(draft, open)
}

/** Points of a grade table that no work has: the plan counts points of work alone, and the syllabus keeps what the table says. */
function keepGradeTable(draft: Draft, entries: Draft['categories']): void {
  const [first] = entries
  if (!first) return
  const lines = entries.map(({ title, points, count }) => {
    const each = count !== null && count > 1 ? ` (${count} of them)` : ''
    return `${title}${each}: ${countOf((points ?? 0) / 100, 'point')}`
  })
  draft.pieces.push({ kind: 'text', title: 'Grading', text: lines.join('\n'), at: first.at })
}

/**
 * Finds the activity of another piece that a title means: the same name, or, where it is one alone, the same letters, or a title
 * that begins with it. The module that is named comes first.
 */
function activitiesByName(draft: Draft) {
  type Entry = { readonly activity: DraftActivity; readonly module: DraftModule; readonly key: string }
  const all = draft.modules.flatMap((module) => module.activities.map((activity) => ({ activity, module, key: titleKey(activity.title) })))
  const byName = groupBy(all, (e) => nameKey(e.activity.title))
  const byKey = groupBy(all, (e) => e.key)
  return (title: string, module: DraftModule | null, piece: string): DraftActivity | undefined => {
    const key = titleKey(title)
    const elsewhere = (list: readonly Entry[] = []) => list.filter((e) => e.activity.piece !== piece)
    const first = (list: readonly Entry[]) => (list.find((e) => e.module === module) ?? list[0])?.activity
    const same = elsewhere(byName.get(nameKey(title)))
    if (same.length > 0) return first(same)
    if (key.length < 3) return undefined
    const alike = elsewhere(byKey.get(key))
    if (alike.length > 0) return first(alike)
    // "Quiz 2" is "Quiz 2: Sites", but not "Quiz 21".
    const near = elsewhere(all).filter(({ key: other }) => {
      const [short, long] = key.length < other.length ? [key, other] : [other, key]
      return short.length >= 4 && /\d$/.test(short) && long.startsWith(short) && !/^\d/.test(long.slice(short.length))
    })
    return near.length === 1 ? near[0]?.activity : undefined
  }
}

/** Codes and whole statements in activities become codes of objectives; statements that no list has become objectives. */
function resolveReferences(draft: Draft): void {
  numberObjectives(draft)
  for (const module of draft.modules)
    for (const objective of module.objectives)
      objective.outcomes = objective.outcomes.flatMap((ref) =>
        outcomeFor(draft, ref, objective.at, objective.code ?? short(objective.statement)),
      )
  for (const module of draft.modules) {
    // The same words in the same module mean the same, in however many rows they stand.
    const resolved = new Map<string, Resolved>()
    for (const activity of module.activities)
      activity.objectives = [
        ...new Set(
          activity.objectives.flatMap((ref) => {
            const found = resolved.get(ref) ?? objectiveFor(draft, module, ref, activity.at)
            resolved.set(ref, found)
            if (found.outcome) activity.outcomes = [...new Set([...activity.outcomes, found.outcome])]
            if (found.unknown)
              draft.problem(
                'unknown-objective',
                `${short(activity.title)} refers to objective ${found.unknown}, which no list has.`,
                activity.at,
              )
            if (found.guess) draft.guess(activity, 'objectives', found.guess)
            if (found.left) draft.leave(`${activity.title}: ${ref}`, activity.at)
            const stages = Object.hasOwn(activity.stages, ref) ? activity.stages[ref] : undefined
            if (stages) for (const code of found.codes) activity.stages[code] = stages
            return found.codes
          }),
        ),
      ]
  }
  keepOutcomes(draft)
  const byCode = new Map<string | null, DraftObjective>()
  for (const objective of draft.modules.flatMap((m) => m.objectives)) if (!byCode.has(objective.code)) byCode.set(objective.code, objective)
  for (const activity of draft.modules.flatMap((m) => m.activities))
    for (const code of activity.objectives) {
      const objective = byCode.get(code)
      if (objective && (objective.outcomes.length === 0 || objective.at === FROM_ROWS)) {
        objective.at = FROM_ROWS
        objective.outcomes = [
          ...new Set([...objective.outcomes, ...activity.outcomes.flatMap((ref) => outcomeFor(draft, ref, activity.at, code))]),
        ]
      }
    }
}

/** Outcomes that work names, and no objective of it could serve, stay in its notes: no other field has them. */
function keepOutcomes(draft: Draft): void {
  for (const activity of draft.modules.flatMap((m) => m.activities)) {
    if (activity.objectives.length > 0 || activity.outcomes.length === 0) continue
    const codes = activity.outcomes.join(', ')
    if (!activity.notes?.includes(codes)) activity.notes = [activity.notes, `Outcomes: ${codes}`].filter(Boolean).join('\n')
  }
}

/** Codes that a reference means; the code that no list has; or that it is too little to be a statement. */
type Resolved = { readonly codes: readonly string[]; readonly guess?: string } & {
  readonly unknown?: string
  readonly left?: true
  readonly outcome?: string
}

function objectiveFor(draft: Draft, module: DraftModule, ref: string, at: string): Resolved {
  const objectives = draft.modules.flatMap((m) => m.objectives)
  const near = [...module.objectives, ...objectives]
  const asCode = readCodes(ref)
  const [code] = asCode ?? []
  if (asCode !== null && code !== undefined) {
    const exact = [...new Set(near)].filter((o) => o.code !== null && codeKey(o.code) === codeKey(code))
    const like = exact.length > 0 ? exact : [...new Set(near)].filter((o) => o.code !== null && sameCode(o.code, code))
    const [found] = like
    const outcome = found ? undefined : draft.outcomes.find((o) => o.code !== null && codeKey(o.code) === codeKey(code))
    if (outcome?.code) return { codes: [], outcome: outcome.code }
    // A code that the module itself does not have, and several others do, may be of any of them.
    const isOpen = found !== undefined && !module.objectives.includes(found) && like.length > 1
    return {
      codes: [found?.code ?? code],
      ...(!found && objectives.length > 0 ? { unknown: code } : {}),
      ...(isOpen ? { guess: `${code} is of several modules: ${like.map((o) => short(o.statement)).join(' / ')}` } : {}),
    }
  }
  const lettered = /^[a-z]$/.test(ref) ? module.objectives.find((o) => o.code === ref) : undefined
  if (lettered) return { codes: [ref] }
  const letter = /^[a-z]$/i.test(ref) ? draft.outcomes.find((o) => o.code?.toLowerCase() === ref.toLowerCase()) : undefined
  if (letter?.code) return { codes: [], outcome: letter.code }
  const key = titleKey(ref)
  const match =
    near.find((o) => titleKey(o.statement) === key) ??
    near.find((o) => key.length > 12 && titleKey(`${o.code ?? ''}${o.statement}`).endsWith(key)) ??
    near.find((o) => key.length > 12 && (key.endsWith(titleKey(o.statement)) || titleKey(o.statement).startsWith(key)))
  if (match) return { codes: [match.code as string] }
  const split = splitCode(ref)
  if (split.code !== null) {
    const named = near.find((o) => o.code !== null && sameCode(o.code, split.code as string))
    return { codes: [(named ?? draft.objective(module, readStatement(ref), at)).code as string] }
  }
  const like = likest(ref, [...new Set(near)], (o) => o.statement)
  if (like) {
    const others = like.others.length === 0 ? '' : `; it may be ${like.others.map((o) => o.code).join(' or ')}`
    return { codes: [like.found.code as string], guess: `“${short(ref)}” is read as ${like.found.code}, which it is like${others}` }
  }
  if (ref.split(/\s+/).length < 3) return { codes: [], left: true }
  const made = draft.objective(module, { code: null, statement: ref, refs: [] }, at)
  numberObjectives(draft)
  return { codes: [made.code as string] }
}

/** Marks objectives whose outcomes stand only in rows of activities. */
const FROM_ROWS = 'rows'

/** Objectives without a code get one of their module and a letter. */
function numberObjectives(draft: Draft): void {
  orderedModules(draft).forEach((module, i) => {
    const taken = new Set(module.objectives.flatMap((o) => (o.code === null ? [] : [codeKey(o.code)])))
    let letter = 0
    for (const objective of module.objectives) {
      if (objective.code !== null) continue
      while (taken.has(`${module.number ?? i + 1}${letterOf(letter)}`)) letter++
      objective.code = `${module.number ?? i + 1}${letterOf(letter)}`
      taken.add(objective.code)
    }
  })
  draft.outcomes.forEach((o, i) => {
    o.code ??= `CO${i + 1}`
  })
}

const letterOf = (n: number): string =>
  n < 26 ? String.fromCharCode(97 + n) : `${letterOf(Math.floor(n / 26) - 1)}${String.fromCharCode(97 + (n % 26))}`

function outcomeFor(draft: Draft, ref: string, at: string, objective: string): string[] {
  const known =
    draft.outcomes.find((o) => o.code !== null && codeKey(o.code) === codeKey(ref)) ??
    draft.outcomes.find((o) => o.code !== null && sameCode(o.code, ref))
  if (known?.code) return [known.code]
  const byText = draft.outcomes.find((o) => titleKey(o.statement) === titleKey(ref))
  if (byText?.code) return [byText.code]
  if (draft.outcomes.length > 0) draft.problem('unknown-outcome', `Objective ${objective} refers to outcome ${ref}, which no list has.`, at)
  return readCodes(ref) ? [ref] : []
}
