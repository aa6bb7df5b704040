/**
 * Rows that a table told to the address, and that have not come back from it. What comes back is no wish of anybody's: without
 * this, two rows that follow each other quickly would chase each other for ever.
 */
export class ToldRows {
  private told: string[] = []
  private last: string | null = null

  /** The table went to a row, and the address changed for it. */
  tell(key: string): void {
    this.told.push(key)
  }

  /** Whether a row that is named now, or is there again, is to be gone to: somebody else named it. */
  isWish(named: string | null): boolean {
    const isNew = named !== this.last
    this.last = named
    if (!isNew) return this.told.length === 0
    const echo = named === null ? -1 : this.told.indexOf(named)
    // Those before it were overtaken; a name from elsewhere ends the waiting for all.
    this.told = echo >= 0 ? this.told.slice(echo + 1) : []
    return echo < 0
  }
}
