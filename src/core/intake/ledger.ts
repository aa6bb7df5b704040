/**
 * What became of everything that came in: each filled cell and each line ends in exactly one place. What no reader has claimed is
 * not understood, so that nothing can get lost by being forgotten.
 */
import type { Table } from './blocks'
import { columnLetters } from './regions'

/** Read as a named thing; known decoration; a question that somebody should answer; not understood. */
export type Fate = 'read' | 'decoration' | 'question' | 'not understood'

const NOTHING: readonly object[] = []

/** A cell or a line while reading goes on. */
export class Entry {
  fate: Fate | null = null
  /** What it was read as, why it says nothing, or what is asked. */
  what = ''
  /** The things of the draft that it became: none, one as a rule, or several. */
  private things: object | object[] | null = null
  get of(): readonly object[] {
    return this.things === null ? NOTHING : Array.isArray(this.things) ? this.things : [this.things]
  }
  constructor(
    readonly text: string,
    /** The line or the row that it stands in. */
    readonly place: string,
    /** Of a cell: the column, from 0. */
    readonly column: number | null,
  ) {}
  get at(): string {
    return this.column === null ? this.place : `${this.place}, column ${columnLetters(this.column)}`
  }
  /** Says what became of it. What is read stays read; it may be read as several things. */
  became(fate: Fate, what: string, of?: object): void {
    if (this.fate === null || (fate === 'read' && this.fate !== 'read')) {
      this.fate = fate
      this.what = what
    }
    if (!of || this.of.includes(of)) return
    this.things = this.things === null ? of : [...this.of, of]
  }
}

/** One line of the ledger as data. */
export type LedgerLine = {
  readonly at: string
  readonly text: string
  readonly fate: Fate
  readonly what: string
  /** Where in the tree it stands now, such as `modules[0].activities[2]`. */
  readonly paths: readonly string[]
}

export type EntryGrid = readonly (readonly (Entry | undefined)[])[]

export class Ledger {
  readonly entries: Entry[] = []
  private readonly grids = new Map<Table, EntryGrid>()

  line(text: string, at: string): Entry {
    const entry = new Entry(text, at, null)
    this.entries.push(entry)
    return entry
  }

  /** The entries of a table's filled cells, row by row; copies of a merged cell have none of their own. */
  gridOf(table: Table): EntryGrid {
    const known = this.grids.get(table)
    if (known) return known
    const grid = table.rows.map((cells, y) => {
      const place = `${table.at}, row ${y + 1}`
      return cells.map((text, x) => {
        if (text.trim() === '' || table.copies?.has(`${y}:${x}`)) return undefined
        const entry = new Entry(text, place, x)
        this.entries.push(entry)
        return entry
      })
    })
    this.grids.set(table, grid)
    return grid
  }

  /** Gives a table that is a part of another the entries of its rows. */
  take(table: Table, grid: EntryGrid): void {
    this.grids.set(table, grid)
  }

  /** What nobody claimed, the cells of a row together. */
  get open(): { text: string; at: string }[] {
    const left: { texts: string[]; at: string }[] = []
    for (const entry of this.entries) {
      if (entry.fate !== null && entry.fate !== 'not understood') continue
      const last = left.at(-1)
      if (last && last.at === entry.place && entry.column !== null) last.texts.push(entry.text)
      else left.push({ texts: [entry.text], at: entry.place })
    }
    return left.map(({ texts, at }) => ({ text: texts.map((t) => t.replace(/\s+/g, ' ').trim()).join(' · '), at }))
  }

  /** Line by line: a long file has hundreds of thousands. */
  *lines(pathOf: (thing: object) => string | undefined): Generator<LedgerLine> {
    for (const { at, text, fate, what, of } of this.entries)
      yield { at, text, fate: fate ?? 'not understood', what, paths: of.flatMap((thing) => pathOf(thing) ?? []) }
  }
}
