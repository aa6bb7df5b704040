import type { Column, Role } from './column-roles'
import { readDuration } from './duration'
import { readItem } from './items'
import type { Fate } from './ledger'
import { unguarded } from './own-headers'
import type { Read } from './quantities'
import type { Region } from './regions'

/** What people write where there is nothing to say. */
const NOTHING = /^(?:[-–—/.]+|n\/?a|none|nil|tbd|tba|\?+)$/i

/** The columns of a table by their roles, worked out once for all its rows. */
export class RowShape {
  private readonly byRole = new Map<Role, number[]>()
  /** `isOwn`: Cairn wrote the table; its texts are what they say and nothing more. */
  constructor(
    readonly columns: readonly Column[],
    readonly isOwn = false,
    readonly gradesApart = false,
  ) {
    for (const [x, { role }] of columns.entries()) {
      const known = this.byRole.get(role)
      if (known) known.push(x)
      else this.byRole.set(role, [x])
    }
  }
  /** Columns of work with a column of its time right behind each, where there are several. */
  get pairs(): readonly { readonly title: number; readonly minutes: number }[] {
    const pairs = this.columns.flatMap((c, x) =>
      c.role === 'title' && this.columns[x + 1]?.role === 'minutes' ? [{ title: x, minutes: x + 1 }] : [],
    )
    return pairs.length > 1 ? pairs : []
  }
  of(role: Role): readonly number[] {
    return this.byRole.get(role) ?? NONE
  }
}
const NONE: readonly number[] = []

/** A row seen through the roles of its columns; what is used of it is accounted for. */
export class Row {
  private used = new Set<number>()
  readonly cells: readonly string[]
  readonly at: string
  /** What each cell says, empty where it says that there is nothing. */
  private readonly said: readonly string[]
  constructor(
    private readonly region: Region,
    private readonly y: number,
    private readonly shape: RowShape,
  ) {
    this.cells = region.rows[y] as readonly string[]
    this.at = region.at[y] as string
    this.said = this.cells.map((cell, x) => {
      const text = shape.isOwn ? unguarded(cell.trim()) : cell.trim()
      if (shape.isOwn || text.length > 4 || !NOTHING.test(text)) return text
      this.entry(x)?.became('decoration', 'nothing entered')
      return ''
    })
  }
  get isOwn(): boolean {
    return this.shape.isOwn
  }
  /** Whether the table names graded work in a column of its own, beside the work that leads to it. */
  get gradesApart(): boolean {
    return this.shape.gradesApart
  }
  get isColoured(): boolean {
    return this.region.coloured[this.y] === true
  }
  get columns(): readonly Column[] {
    return this.shape.columns
  }
  private entry(x: number) {
    return this.region.entries[this.y]?.[x]
  }
  private placesOf(role: Role): readonly number[] {
    const places = this.shape.of(role)
    return places.length === 0 ? NONE : places.filter((x) => (this.said[x] ?? '') !== '')
  }
  private text(x: number): string {
    return this.said[x] ?? ''
  }
  /** All cells of a role, in order, those that hold something. Looks only. */
  all(role: Role): string[] {
    return this.placesOf(role).map((x) => this.text(x))
  }
  get(role: Role): string | null {
    for (const x of this.shape.of(role)) if (this.text(x) !== '') return this.text(x)
    return null
  }
  /** As `all`, and remembers that they were used. */
  useAll(role: Role): string[] {
    return this.placesOf(role).map((x) => {
      this.used.add(x)
      return this.text(x)
    })
  }
  /** As `get`, and remembers that it was used. */
  use(role: Role): string | null {
    const [x] = this.placesOf(role)
    if (x === undefined) return null
    this.used.add(x)
    return this.text(x)
  }
  /** As `get`, of a cell that only says what the row is. */
  label(role: Role): string | null {
    const [x] = this.placesOf(role)
    if (x === undefined) return null
    this.entry(x)?.became('decoration', 'says what the row is')
    return this.text(x)
  }
  /** Work and its time, cell by cell, where each kind of work has columns of its own. */
  pairs(): { readonly title: string; readonly minutes: Read<number> | null; readonly use: () => void }[] {
    return this.shape.pairs.flatMap(({ title, minutes }) => {
      if (this.text(title) === '') return []
      const read = readDuration(this.text(minutes), this.columns[minutes]?.unit ?? 'minutes')
      const use = () => {
        this.used.add(title)
        if (read) this.used.add(minutes)
      }
      return [{ title: this.text(title), minutes: read, use }]
    })
  }
  /** Takes back that the first cell of a role was used: something is asked about it instead. */
  ask(role: Role, what: string): void {
    const [x] = this.placesOf(role)
    if (x === undefined) return
    this.used.delete(x)
    this.entry(x)?.became('question', what)
  }
  /** What was used so far became this. */
  became(thing: object): void {
    for (const x of this.used) this.entry(x)?.became('read', this.columns[x]?.role ?? 'text', thing)
    this.used = new Set()
  }
  /** What was used so far became this too; more is to come. */
  partBecame(thing: object): void {
    for (const x of this.used) this.entry(x)?.became('read', this.columns[x]?.role ?? 'text', thing)
  }
  /** Each time in the row, read in the unit of its column. */
  times(): { readonly text: string; readonly read: Read<number> | null }[] {
    const minutes = this.placesOf('minutes')
    const [from, to] = [this.get('begins'), this.get('ends')]
    if (minutes.length === 0 && from !== null && to !== null) {
      const item = readItem(`${from}-${to} x`)
      return [{ text: `${from}–${to}`, read: item.minutes === null ? null : { value: item.minutes, guess: null } }]
    }
    return minutes.map((x) => ({
      text: this.text(x),
      read: readDuration(this.text(x), this.columns[x]?.unit ?? 'minutes'),
    }))
  }
  /** All of the row became this. */
  wholeBecame(thing: object, what: string): void {
    for (const x of this.cells.keys()) this.entry(x)?.became('read', what, thing)
    this.used = new Set()
  }
  /** What is left of the row, cell by cell. */
  rest(fate: Fate, what: string): void {
    for (const x of this.cells.keys()) {
      const entry = this.entry(x)
      if (entry && entry.fate === null) entry.became(fate, what)
    }
  }
  /** Cells of columns whose header is known to hold notes, with their header. */
  notes(): { header: string; text: string }[] {
    return this.columns.flatMap((c, x) => {
      // Materials beside work that has a title of its own are noted with it.
      const isNote = c.role === 'note' || (c.role === 'reading' && this.get('title') !== null && !this.used.has(x))
      if (!isNote || this.text(x) === '' || this.entry(x)?.fate) return []
      this.used.add(x)
      return [{ header: c.header, text: this.text(x) }]
    })
  }
  /** Columns of a role with something in this row. */
  marked(role: Role): Column[] {
    return this.placesOf(role).map((x) => {
      this.used.add(x)
      return this.columns[x] as Column
    })
  }
  /** Distinct texts of the row: a title merged over all columns is one. */
  texts(): string[] {
    return [...new Set(this.cells.map((c) => c.trim()).filter((c) => c !== ''))]
  }
  unit(role: Role): Column['unit'] {
    return this.column(role)?.unit ?? 'minutes'
  }
  column(role: Role): Column | undefined {
    return this.columns[this.shape.of(role)[0] ?? -1]
  }
  header(role: Role): string {
    return this.column(role)?.header ?? ''
  }
}
