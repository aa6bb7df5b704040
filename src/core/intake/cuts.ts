/** What is left out of what was brought because there is too much of it: never without being told, with its place and count. */
import { countOf, formatWhole } from '../numbers'
import { LIMITS } from './blocks'
import type { IntakeProblem } from './understanding'

const SAYS = {
  'cut-cell': (n: number) =>
    `${countOf(n, 'cell')} of more than ${formatWhole(LIMITS.cellCharacters)} characters: what goes beyond is left out.`,
  'cut-text': (n: number) => `More than ${formatWhole(LIMITS.characters)} characters in all: ${countOf(n, 'cell')} left out.`,
  'cut-cells': (n: number) => `More than ${formatWhole(LIMITS.cells)} cells in all: ${countOf(n, 'cell')} left out.`,
  'cut-lines': (n: number) => `More than ${formatWhole(LIMITS.lines)} lines: ${countOf(n, 'line')} left out.`,
  'cut-field': (n: number) => `${countOf(n, 'text')} longer than the plan can hold: what goes beyond is left out.`,
  'cut-far': (n: number) => `${countOf(n, 'cell')} far from the rest of the sheet left out.`,
} as const
type Cut = keyof typeof SAYS

/** Whether a problem is that something was left out: whoever goes on should say that they know. */
export const isCut = ({ code }: IntakeProblem): boolean => code in SAYS

export class Cuts {
  private readonly found = new Map<Cut, { n: number; readonly at: string }>()
  private characters = 0

  /** Counts what is left out; told at the first place. */
  leftOut(what: Cut, n: number, at: string): void {
    if (n <= 0) return
    const known = this.found.get(what)
    if (known) known.n += n
    else this.found.set(what, { n, at })
  }

  /** The text of a cell, as much of it as is kept. */
  cell(text: string, at: string): string {
    const kept = text.length > LIMITS.cellCharacters ? text.slice(0, LIMITS.cellCharacters) : text
    if (this.characters + kept.length > LIMITS.characters) {
      this.leftOut('cut-text', 1, at)
      return ''
    }
    this.characters += kept.length
    if (kept !== text) this.leftOut('cut-cell', 1, at)
    return kept
  }

  get problems(): IntakeProblem[] {
    return [...this.found].map(([code, { n, at }]) => ({ code, message: SAYS[code](n), at }))
  }
}
