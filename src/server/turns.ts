/** Who may work now of those who wait: so many at once, one of each person and each course, and whoever waited longest for a turn first. */

export class TooManyWaiting extends Error {}

export type TurnOf = {
  /** Of each of these one at a time; the first is who asks. */
  readonly of: readonly string[]
  /** Ends the wait. */
  readonly signal?: AbortSignal
  /** Waits however many wait before. */
  readonly patient?: boolean
}

type Waiting = { readonly of: readonly string[]; readonly begin: () => void }

export class Turns {
  private readonly waiting: Waiting[] = []
  private readonly busy = new Set<string>()
  /** When who asks had the last turn, by a count; forgotten when nobody waits. */
  private readonly last = new Map<string, number>()
  private turn = 0
  private working = 0

  constructor(
    /** How many work at once. */
    private readonly places: number,
    /** How many turns one person or course may wait for. */
    private readonly mostWaiting: number,
  ) {}

  get length(): { readonly working: number; readonly waiting: number } {
    return { working: this.working, waiting: this.waiting.length }
  }

  /**
   * Waits for a turn of somebody in something (a person and a course). Returns what ends it. Rejects with {@link TooManyWaiting}, and with
   * the reason of the signal where that comes first.
   */
  take({ of, signal, patient }: TurnOf): Promise<() => void> {
    return new Promise((resolve, reject) => {
      if (signal?.aborted) return reject(signal.reason)
      if (!patient && of.some((key) => this.waiting.filter((w) => w.of.includes(key)).length >= this.mostWaiting))
        return reject(new TooManyWaiting())
      const left = () => {
        this.waiting.splice(this.waiting.indexOf(one), 1)
        reject(signal?.reason)
      }
      const one: Waiting = {
        of,
        begin: () => {
          signal?.removeEventListener('abort', left)
          resolve(this.begun(of))
        },
      }
      signal?.addEventListener('abort', left, { once: true })
      this.waiting.push(one)
      this.next()
    })
  }

  private begun(of: readonly string[]): () => void {
    let ended = false
    return () => {
      if (ended) return
      ended = true
      this.working--
      for (const key of of) this.busy.delete(key)
      this.last.set(of[0] ?? '', ++this.turn)
      this.next()
      if (this.working === 0 && this.waiting.length === 0) this.last.clear()
    }
  }

  private next(): void {
    while (this.working < this.places) {
      const free = this.waiting.filter(({ of }) => !of.some((key) => this.busy.has(key)))
      const [first] = free.sort((a, b) => this.lastOf(a) - this.lastOf(b))
      if (!first) return
      this.waiting.splice(this.waiting.indexOf(first), 1)
      this.working++
      for (const key of first.of) this.busy.add(key)
      first.begin()
    }
  }

  private lastOf({ of }: Waiting): number {
    return this.last.get(of[0] ?? '') ?? 0
  }
}
