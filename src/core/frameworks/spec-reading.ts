/** A specification while it is read: where the reading stands, what it has made, and what became of each line. */
import { z } from 'zod'
import type { ItemKind } from '../blueprint/kinds/framework'
import type { LedgerLine } from '../intake/ledger'
import { PLAIN_SCHEME, type Scheme } from './spec-codes'
import { LIST_KINDS, opensList, type Section } from './spec-headings'
import { type Join, joiner } from './spec-join'
import type { SpecLine } from './spec-lines'
import { anyOfIn, timesIn } from './spec-words'
import type { TreeProblem } from './tree'

/** An item being written. */
export type Open = {
  code: string | null
  /** Its own number among its siblings, where it has one. */
  readonly number: number | null
  statement: string
  readonly kind: ItemKind
  readonly children: Open[]
  readonly notes: string[]
  readonly guess: string | null
  readonly at: string
  readonly line: SpecLine
}
/** What a line may go on with: an item, a note of one, the title, or what was not understood. */
type Last = Open | 'note' | 'title' | 'left' | null

/** What somebody says stands below headings that Cairn does not know. A reading can be repeated with it. */
export const specAnswersSchema = z
  .strictObject({ headings: z.record(z.string(), z.enum(['element', ...LIST_KINDS, 'leave out'])).default({}) })
  .readonly()
export type SpecAnswers = z.infer<typeof specAnswersSchema>
export const NO_SPEC_ANSWERS: SpecAnswers = { headings: {} }

export class Reading {
  readonly roots: Open[] = []
  readonly problems: TreeProblem[] = []
  /** What became of each line, and the item that it went into. */
  readonly ledger: { readonly line: Omit<LedgerLine, 'paths'>; readonly of: Open | null }[] = []
  readonly left: { text: string; at: string; under?: string }[] = []
  /** The heading that nobody knows, while its lines wait. */
  strange: string | null = null
  title: string | null = null
  code: string | null = null
  issuer: string | null = null
  version: string | null = null
  section: Section | null = null
  /** The heading that opened it, until something stands below it. */
  heading: string | null = null
  /** Parts that the heading named. */
  headingNames: readonly Section[] = []
  /** Headings of a table's columns, while its rows are read. */
  columns: readonly (Section | null)[] | null = null
  area: Open | null = null
  element: Open | null = null
  criterion: Open | null = null
  /** The sentence that opens the list being read: an item of its own, or a note of each item below it. */
  lead: Open | string | null = null
  /** Whether bullets stand below the lead. */
  leadBullets = false
  /** The item whose range the next bullets say. */
  ranged: Open | null = null
  last: Last = null
  lastLine: SpecLine | null = null
  next: SpecLine | null = null
  /** The title stood in a line without a code: one with a code may take its place. */
  uncoded = false

  constructor(
    readonly scheme: Scheme = PLAIN_SCHEME,
    readonly join: Join = joiner([]),
    readonly answers: SpecAnswers = NO_SPEC_ANSWERS,
  ) {}

  /** Says what became of a line. */
  became(line: Pick<SpecLine, 'text' | 'at'>, fate: LedgerLine['fate'], what: string, of: Open | null = null): void {
    this.ledger.push({ line: { at: line.at, text: line.text, fate, what }, of })
  }
  leave(line: Pick<SpecLine, 'text' | 'at'>): void {
    this.left.push({ text: line.text, at: line.at, ...(this.strange === null ? {} : { under: this.strange }) })
    this.last = 'left'
    this.became(line, 'not understood', '')
  }
  decoration(line: Pick<SpecLine, 'text' | 'at'>, why: string): void {
    this.last = null
    this.became(line, 'decoration', why)
  }

  open(kind: ItemKind, code: string | null, statement: string, line: SpecLine, into: Open[], number: number | null = null): Open {
    const item: Open = { code, number, statement, kind, children: [], notes: [], guess: null, at: line.at, line }
    into.push(item)
    this.last = item
    this.ranged = null
    this.became(line, 'read', kind, item)
    return item
  }
  /** A line that says more about an item. */
  note(item: Open, text: string, line: SpecLine): void {
    const before = item.notes.at(-1)
    if (before && opensList(before)) item.notes[item.notes.length - 1] = `${before} ${text}`
    else if (this.ranged === item && before && line.bullet) item.notes[item.notes.length - 1] = `${before}; ${text}`
    else item.notes.push(text)
    this.last = 'note'
    this.noted = item
    this.became(line, 'read', 'note', item)
  }
  noted: Open | null = null

  /** Takes an item back that turned out to be none. */
  takeBack(item: Open): void {
    for (const list of [this.roots, ...(typeof this.lead === 'object' && this.lead ? [this.lead.children] : [])]) {
      const at = list.lastIndexOf(item)
      if (at >= 0) list.splice(at, 1)
    }
  }

  startSection(section: Section, line: SpecLine | null, names: readonly Section[] = [section]): void {
    this.section = section
    this.heading = line?.text ?? null
    this.headingNames = names
    this.strange = null
    this.lead = null
    this.ranged = null
    this.last = null
    if (section !== 'elements') this.criterion = null
    if (line) this.became(line, 'decoration', 'heading')
  }

  startElement(code: string | null, statement: string, line: SpecLine, number: number | null = null): Open {
    this.section ??= 'elements'
    this.element = this.open('element', code, statement, line, this.area?.children ?? this.roots, number)
    this.criterion = null
    this.heading = null
    return this.element
  }
  startCriterion(code: string | null, statement: string, line: SpecLine, number: number | null = null): Open {
    const into = this.element ?? this.elementOfUnit(line)
    this.criterion = this.open('performance criterion', code, statement, line, into.children, number)
    return this.criterion
  }
  /** Criteria without an element stand below the unit itself. */
  private elementOfUnit(line: SpecLine): Open {
    this.element = {
      code: null,
      number: null,
      statement: this.title ?? 'Criteria',
      kind: 'element',
      children: [],
      notes: [],
      guess: 'no element stands above the criteria: they stand below the title',
      at: line.at,
      line,
    }
    this.roots.push(this.element)
    return this.element
  }

  /** Takes a sentence that opens a list. One that asks for a number of its parts is an item itself. */
  startLead(kind: ItemKind, code: string | null, text: string, line: SpecLine): void {
    this.leadBullets = false
    this.heading = null
    if (anyOfIn(text) !== null || timesIn(text) !== null || code !== null) {
      this.lead = this.open(kind, code, text, line, this.roots)
      return
    }
    this.lead = text
    this.last = null
    this.became(line, 'read', 'note of each item below')
  }
}
