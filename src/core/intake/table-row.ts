import type { Column, Role } from './columns'

/** A row seen through the roles of its columns. */
export class Row {
  constructor(
    readonly cells: readonly string[],
    private readonly columns: readonly Column[],
  ) {}
  /** All cells of a role, in order, those that hold something. */
  all(role: Role): string[] {
    return this.columns.flatMap((c, i) => {
      const text = (this.cells[i] ?? '').trim()
      return c.role === role && text !== '' && !/^(?:[-–—/]+|n\/?a|none|tbd|tba|\?+)$/i.test(text) ? [text] : []
    })
  }
  get(role: Role): string | null {
    return this.all(role)[0] ?? null
  }
  /** Distinct texts of the row: a title merged over all columns is one. */
  texts(): string[] {
    return [...new Set(this.cells.map((c) => c.trim()).filter((c) => c !== ''))]
  }
  unit(role: Role): Column['unit'] {
    return this.columns.find((c) => c.role === role)?.unit ?? 'minutes'
  }
  /** Texts of columns whose header said nothing known. */
  header(role: Role): string {
    return this.columns.find((c) => c.role === role)?.header ?? ''
  }
}
