/** The tree while it is being understood: every reader writes into it, and what several pieces name becomes one. */

import type { ActivityKind, Purpose, Stage } from '../blueprint/kinds/activity'
import { type Answers, NO_ANSWERS } from './answers'
import type { Role } from './column-roles'
import type { Known } from './columns'
import { type ModuleRef, moduleHead } from './heads'
import { type Item, kindIn, type Statement, sameCode, tidy } from './items'
import { Ledger } from './ledger'
import { readClosed, type UnderstoodPiece } from './pieces'
import { codeKey, nameKey, titleKey, type WeekSpan } from './quantities'
import type { IntakeProblem, UnderstoodCategory, UnderstoodTable, UnderstoodWeek } from './understanding'
import type { DateOrder, When } from './when'

export type DraftObjective = { code: string | null; statement: string; outcomes: string[]; at: string }
export type DraftActivity = {
  number: string | null
  title: string
  kind: ActivityKind | null
  purpose: Purpose | null
  stages: Record<string, readonly Stage[]>
  /** Codes or whole statements, as written; resolved when all pieces are read. */
  objectives: string[]
  /** Outcomes named in its row: they are those of its objectives where no list says so. */
  outcomes: string[]
  minutes: number | null
  points: number | null
  percent: number | null
  part: string | null
  category: string | null
  due: string | null
  when: When | null
  week: number | null
  notes: string | null
  /** None in a table that Cairn wrote; else what its title tells. */
  size?: null
  at: string
  /** The piece it came from. */
  piece: string
}
/** Called by a letter, not by a number. */
export const isLettered = ({ number }: Pick<DraftModule, 'number'>): boolean => number !== null && /^[A-Z]$/.test(number)

export type DraftModule = {
  number: string | null
  title: string | null
  weeks: WeekSpan | null
  objectives: DraftObjective[]
  activities: DraftActivity[]
  /** A group outside the sequence. */
  role?: 'start' | 'throughout'
}

/** A sum as somebody typed it, and what it is the sum of. */
export type StatedTotal = {
  readonly what: 'points' | 'minutes' | 'percent'
  readonly value: number
  readonly module: DraftModule | null
  /** A sum of the module alone, by its own words. */
  readonly part: boolean
  /** It stands in a grade table: what it sums are the entries there. */
  readonly ofGrades: boolean
  /** The piece it stands in; its rows are what it sums. */
  readonly piece: string
  readonly at: string
}

/** Work that a schedule or a grade table names. */
export type Mention = Item & {
  readonly week: number | null
  readonly module: DraftModule | null
  readonly at: string
  readonly piece: string
  /** Its codes are those of its row, which tells several pieces of work. */
  readonly ofRow?: boolean
}

/** What was found out about all sources before any of them is read. */
export type Habits = {
  readonly order: DateOrder
  /** Words that number the parts of the course: `block` in "Block 3: Flow". */
  readonly words: ReadonlySet<string>
  /** Whether the lines that begin with a week are rows of it, several to a week. */
  readonly weeksAreRows: boolean
  /** Whether the lines that begin with a date are the meetings that the course consists of. */
  readonly datesAreHeads: boolean
  /** Codes and headers that a first reading has found anywhere: a table may stand before the list that its codes are from. */
  readonly found: Found | null
}
export type Found = {
  /** What lists of objectives say, in the letters of their words. */
  readonly statements: ReadonlySet<string>
  readonly outcomes: ReadonlySet<string>
  readonly objectives: ReadonlySet<string>
  readonly headers: ReadonlyMap<string, Role>
}

export type DraftOutcome = { code: string | null; statement: string }

export class Draft {
  title: string | null = null
  readonly ledger = new Ledger()
  readonly outcomes: DraftOutcome[] = []
  readonly order: DateOrder
  readonly words: ReadonlySet<string>
  readonly weeksAreRows: boolean
  readonly datesAreHeads: boolean
  constructor(
    private readonly habits: Habits = { order: null, words: new Set(), weeksAreRows: false, datesAreHeads: false, found: null },
    readonly answers: Answers = NO_ANSWERS,
  ) {
    this.order = habits.order
    this.words = habits.words
    this.weeksAreRows = habits.weeksAreRows
    this.datesAreHeads = habits.datesAreHeads
  }
  /** Rubrics, scales and texts; a text grows while its lines are read. */
  readonly pieces: UnderstoodPiece[] = []
  /** Lines that each tell one letter of a scale. */
  readonly scaleLines: { readonly text: string; readonly at: string; readonly became: (piece: UnderstoodPiece) => void }[] = []
  /** Codes of objectives that work refers to. */
  readonly referenced = new Set<string>()
  /** What columns under a header were in tables before. */
  readonly headers = new Map<string, Role>()
  /** Work that a grade table lists under its categories. */
  readonly graded: { readonly title: string; readonly category: string; readonly points: number | null; readonly at: string }[] = []
  /** Weeks of the course and the days that they begin on. */
  readonly weekDates: UnderstoodWeek[] = []
  readonly tables: UnderstoodTable[] = []
  /** Values that were concluded, by the thing and its field. */
  readonly guesses = new Map<object, Map<string, string>>()
  /** Marks a value as concluded; the first reason stands. */
  guess(thing: object, field: string, why: string): void {
    const own = this.guesses.get(thing) ?? new Map<string, string>()
    this.guesses.set(thing, own)
    if (!own.has(field)) own.set(field, why)
  }
  /** What a thing that was read became part of: a mention its activity, a double the first of its name. */
  readonly merged = new Map<object, object>()

  /** Whether a code is that of an outcome or an objective read so far, and a text opens a module. */
  readonly known: Known = {
    listsObjectives: () => (this.habits.found?.objectives.size ?? 0) > 0,
    roleOf: (header: string) => {
      const key = header.toLowerCase()
      const answered = Object.hasOwn(this.answers.headers, key) ? this.answers.headers[key] : undefined
      return answered ?? this.headers.get(key) ?? this.habits.found?.headers.get(key)
    },
    isStatement: (text: string) => this.habits.found?.statements.has(titleKey(text)) === true,
    isHead: (text: string) => this.head(text) !== null,
    isOutcome: (code: string) =>
      this.habits.found?.outcomes.has(codeKey(code)) ?? this.outcomes.some((o) => o.code !== null && codeKey(o.code) === codeKey(code)),
    isObjective: (code: string) =>
      this.habits.found?.objectives.has(codeKey(code)) ??
      this.modules.some((m) => m.objectives.some((o) => o.code !== null && codeKey(o.code) === codeKey(code))),
  }

  /** Whether tables say by themselves what they hold: a single one, each of whose columns has a header that is known. */
  get isSettled(): boolean {
    return this.tables.length === 0 || (this.tables.length === 1 && this.byCells === 0)
  }
  /** Columns that their cells decided, or nobody. */
  byCells = 0

  /** What lists have given codes to, and what columns were, for reading once more. */
  get found(): Found {
    const keys = (list: readonly { readonly code: string | null }[]) =>
      new Set(list.flatMap((o) => (o.code === null ? [] : [codeKey(o.code)])))
    const objectives = this.modules.flatMap((m) => m.objectives)
    const statements = new Set(objectives.map((o) => titleKey(o.statement)))
    return { outcomes: keys(this.outcomes), objectives: keys(objectives), statements, headers: this.headers }
  }

  /** A line that opens a module, also by the word that this course numbers its parts with. */
  head(text: string): ModuleRef | null {
    return moduleHead(text, this.words)
  }
  /** `Module:` as the label of a fact. */
  isModuleLabel(label: string): boolean {
    const word = label.replace(/\s*(?:title|name|no\.?)?\s*:?\s*$/i, '').toLowerCase()
    return /^(?:module|unit|topic|lesson)$/.test(word) || this.words.has(word)
  }
  readonly modules: DraftModule[] = []
  readonly categories: UnderstoodCategory[] = []
  readonly totals: StatedTotal[] = []
  readonly mentions: Mention[] = []
  readonly problems: IntakeProblem[] = []
  /** Parts of what was read that nobody knows what to do with. */
  readonly left: { text: string; at: string }[] = []

  private readonly told = new Set<string>()
  problem(code: string, message: string, at: string): void {
    const key = `${code} ${message}`
    if (this.told.has(key)) return
    this.told.add(key)
    this.problems.push({ code, message, at })
  }

  /** One name in two spellings; those that differ by their number alone are told once. */
  spelling(first: string, second: string, at: string): void {
    const key = `${first} / ${second}`.replace(/\d+/g, '#')
    const same = this.spellings.get(key)
    if (!same) this.spellings.set(key, { first, second, at, more: 0 })
    else if (same.first !== first) same.more++
  }
  readonly spellings = new Map<string, { first: string; second: string; at: string; more: number }>()

  /** A day without classes: a piece where it names its date; null where it does not. */
  /** Days without classes: those that name no date are a text about them. */
  closed(text: string, at: string): UnderstoodPiece {
    const piece = readClosed(text, at, this.order) ?? { kind: 'text' as const, title: 'Days without classes', text, at }
    this.pieces.push(piece)
    return piece
  }

  leave(text: string, at: string): void {
    const t = text.replace(/\s+/g, ' ').trim()
    if (t !== '') this.left.push({ text: t, at })
  }

  /** The module that a reference names, made where there is none yet. */
  module(ref: ModuleRef): DraftModule {
    const module = this.moduleNamed(ref)
    if (isLettered(module)) this.justLettered.push(module)
    else {
      if (module.number === '1') for (const m of this.justLettered) this.beforeFirst.add(m)
      this.justLettered.length = 0
    }
    return module
  }
  /** Lettered modules that were named last, and those that were ever named right before module 1. */
  private readonly justLettered: DraftModule[] = []
  readonly beforeFirst = new Set<DraftModule>()

  private moduleNamed(ref: ModuleRef): DraftModule {
    const found = this.findModule(ref)
    if (found) {
      if (ref.number !== null && found.number === null) found.number = ref.number
      if (ref.title !== null && (found.title === null || titleKey(found.title) === titleKey(`module${found.number}`)))
        found.title = ref.title
      if (ref.dates) this.dates.set(found, ref.dates)
      if (ref.length) this.lengths.set(found, ref.length)
      if (ref.weeks !== null) found.weeks = found.weeks === null ? ref.weeks : joined(found.weeks, ref.weeks)
      return found
    }
    const made: DraftModule = { number: ref.number, title: ref.title, weeks: ref.weeks, objectives: [], activities: [] }
    this.modules.push(made)
    if (ref.dates) this.dates.set(made, ref.dates)
    if (ref.length) this.lengths.set(made, ref.length)
    return made
  }
  /** Weeks that modules take, where they do not say which. */
  readonly lengths = new Map<DraftModule, number>()
  /** First and last days of modules. */
  readonly dates = new Map<DraftModule, readonly [string, string]>()

  private findModule(ref: ModuleRef): DraftModule | undefined {
    const byNumber = ref.number === null ? undefined : this.modules.find((m) => m.number === ref.number)
    if (byNumber) return byNumber
    const key = ref.title === null ? '' : titleKey(ref.title)
    const byTitle =
      key === ''
        ? undefined
        : this.modules.find((m) => m.title !== null && titleKey(m.title) === key && (ref.number === null || m.number === null))
    if (byTitle) return byTitle
    const weeks = ref.weeks
    if (ref.number !== null || ref.title !== null || weeks === null) return undefined
    return this.modules.find((m) => m.weeks !== null && m.weeks.first <= weeks.first && weeks.last <= m.weeks.last)
  }

  /** Widens the weeks of a module by those of one of its rows. */
  spans(module: DraftModule, weeks: WeekSpan): void {
    module.weeks = module.weeks === null ? weeks : joined(module.weeks, weeks)
  }

  outcome({ code, statement }: Pick<Statement, 'code' | 'statement'>): DraftOutcome {
    const known = this.outcomes.find((o) => nameKey(o.statement) === nameKey(statement))
    if (known) {
      known.code ??= code
      return known
    }
    const clash = code === null ? undefined : this.outcomes.find((o) => o.code !== null && codeKey(o.code) === codeKey(code))
    if (clash) this.problem('code-twice', `Outcome ${code} has two wordings: “${short(clash.statement)}” and “${short(statement)}”.`, '')
    const made = { code, statement }
    this.outcomes.push(made)
    return made
  }

  objective(module: DraftModule, { code, statement, refs }: Statement, at: string): DraftObjective {
    const stated = this.stated(module)
    const known = stated.get(nameKey(statement))
    if (known) {
      if (known.code === null) known.code = code
      for (const ref of refs) if (!known.outcomes.some((r) => sameCode(r, ref))) known.outcomes.push(ref)
      return known
    }
    const clash = code === null ? undefined : module.objectives.find((o) => o.code !== null && codeKey(o.code) === codeKey(code))
    if (clash) this.problem('code-twice', `Objective ${code} has two wordings: “${short(clash.statement)}” and “${short(statement)}”.`, at)
    const made = { code, statement, outcomes: [...refs], at }
    module.objectives.push(made)
    stated.set(nameKey(statement), made)
    return made
  }

  private readonly statements = new Map<DraftModule, Map<string, DraftObjective>>()
  private stated(module: DraftModule): Map<string, DraftObjective> {
    const known = this.statements.get(module) ?? new Map<string, DraftObjective>()
    this.statements.set(module, known)
    return known
  }

  private readonly named = new Map<DraftModule, Map<string, { readonly list: DraftActivity[]; readonly read: Map<string, number> }>>()

  /**
   * Adds an activity. Where another piece has brought one of the same name in the same module, that is filled up instead: the first
   * of a piece is the first there is, its second the second. Two rows of one piece are never one thing.
   */
  activity(module: DraftModule, given: DraftActivity, mayGuess = true): DraftActivity {
    const names = this.named.get(module) ?? new Map<string, { list: DraftActivity[]; read: Map<string, number> }>()
    this.named.set(module, names)
    const key = nameKey(given.title)
    const { list, read } = names.get(key) ?? { list: [], read: new Map<string, number>() }
    names.set(key, { list, read })
    const nth = read.get(given.piece) ?? 0
    read.set(given.piece, nth + 1)
    const known = list[nth]
    const guessed = this.guesses.get(given)
    this.guesses.delete(given)
    if (known) {
      // What was known is no guess.
      for (const [field, why] of guessed ?? []) if (isOpen(known, field)) this.guess(known, field, why)
      this.fill(known, given)
      this.merged.set(given, known)
      return known
    }
    const made = { ...given, kind: given.kind ?? (mayGuess ? kindIn(given.title) : null) }
    this.merged.set(given, made)
    if (guessed) this.guesses.set(made, guessed)
    if (given.kind === null && made.kind !== null) this.guess(made, 'kind', 'its title says so')
    module.activities.push(made)
    list.push(made)
    return made
  }

  /** Fills what is open from a second mention, and says where the two disagree. */
  fill(known: DraftActivity, given: Partial<DraftActivity> & { readonly title: string; readonly at: string }): void {
    if (given.title !== known.title && titleKey(given.title) === titleKey(known.title)) this.spelling(known.title, given.title, given.at)
    for (const field of ['points', 'minutes'] as const) {
      const value = given[field] ?? null
      if (value === null) continue
      if (known[field] !== null && known[field] !== value)
        this.problem(
          `${field}-differ`,
          `${known.title}: ${amount(field, known[field] as number)} in ${known.at}, ${amount(field, value)} in ${given.at}.`,
          given.at,
        )
      else known[field] = value
    }
    known.purpose ??= given.purpose ?? null
    known.stages = { ...given.stages, ...known.stages }
    known.percent ??= given.percent ?? null
    if (known.when === null && given.when) Object.assign(known, { when: given.when, due: given.due })
    known.due ??= given.due ?? null
    if (given.notes) known.notes = known.notes === null ? given.notes : `${known.notes}\n${given.notes}`
    known.week ??= given.week ?? null
    known.category ??= given.category ?? null
    known.kind ??= given.kind ?? null
    for (const ref of given.objectives ?? []) if (!known.objectives.includes(ref)) known.objectives.push(ref)
  }
}

const isOpen = (thing: object, field: string): boolean => (thing as Record<string, unknown>)[field] === null

const joined = (a: WeekSpan, b: WeekSpan): WeekSpan => ({ first: Math.min(a.first, b.first), last: Math.max(a.last, b.last) })
const amount = (field: 'points' | 'minutes', value: number): string => (field === 'points' ? `${value / 100} points` : `${value} min`)
export const short = (text: string): string => (text.length > 60 ? `${text.slice(0, 59)}…` : text)

/** An activity from an item of a line. */
export const draftActivity = (item: Item, at: string, piece: string): DraftActivity => ({
  number: item.number,
  title: tidy(item.title),
  // The kind that the title tells is concluded where the activity is made: a guess.
  kind: item.kindSaid,
  purpose: null,
  stages: {},
  objectives: [...item.codes],
  outcomes: [],
  minutes: item.minutes,
  points: item.amount?.kind === 'points' ? item.amount.value : null,
  percent: item.amount?.kind === 'percent' ? item.amount.value : null,
  part: null,
  category: null,
  due: item.due,
  when: item.when,
  week: null,
  notes: item.note,
  at,
  piece,
})
