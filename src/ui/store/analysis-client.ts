/** The main thread's side of the analysis worker: sends differences, takes differences, drops what is stale. */
import { type Blueprint, diffBlueprints, EMPTY_BLUEPRINT, type Records, refKey } from '../../core/blueprint/blueprint'
import { sameValue } from '../../core/blueprint/values'
import type { Analysis } from '../../core/findings/analyse'
import type { Finding } from '../../core/findings/finding'
import type { FromAnalysis, ToAnalysis, Trial } from '../../workers/analysis-messages'
import type { AskedReview, Reviewed } from '../../workers/review-of-plan'

/** While somebody types: so that a key is painted before the analysis takes a core (Cairn default). */
const SETTLE_MS = 40

/** So often the worker is started anew within so long (Cairn defaults): a plan that breaks it would break the next as well. */
const MOST_DEATHS = 3
const DEATHS_MS = 60_000

export type ReviewAsked = Omit<AskedReview, 'review' | 'quiet'>

export class AnalysisClient {
  private worker = this.start()
  /** When the worker had to be started anew, lately. */
  private deaths: readonly number[] = []
  private sent: Blueprint = EMPTY_BLUEPRINT
  private wanted: Blueprint = EMPTY_BLUEPRINT
  private offering: string | null = null
  private timer: ReturnType<typeof setTimeout> | undefined
  private sequence = 0
  private trials = 0
  private tried: ((answer: (Trial & { readonly trial: number }) | null) => void) | null = null
  private findings = new Map<string, Finding>()
  private byRecord = new Map<string, Finding[]>()
  private shown: Analysis | null = null

  /** What is asked about a review, and the snapshots that the worker has. */
  private looked: ReviewAsked | null = null
  private watched: ReviewAsked | null = null
  private review: AskedReview | null = null
  private reviews = 0
  private held = new Map<string, Records>()

  constructor(
    private readonly show: (analysis: Analysis, byRecord: ReadonlyMap<string, readonly Finding[]>) => void,
    private readonly showReview: (reviewed: Reviewed | null) => void,
  ) {}

  /** Asks for the figures of a round, kept up with the plan until something else is asked; null: for none. */
  askReview(of: ReviewAsked | null): void {
    this.looked = of
    this.tellAsked()
    if (!of) this.showReview(null)
  }

  /** Has the findings know of a round while nobody looks at one; null: of none. */
  watchReview(of: ReviewAsked | null): void {
    this.watched = of
    if (!this.looked) this.tellAsked()
  }

  private tellAsked(): void {
    this.flush()
    const of = this.looked ?? this.watched
    const fresh = of?.snapshots.filter(([id]) => !this.held.has(id)) ?? []
    for (const [id, records] of fresh) this.held.set(id, records)
    this.review = of && { ...of, quiet: !this.looked, snapshots: fresh, review: ++this.reviews }
    this.worker.postMessage({ review: true, asked: this.review } satisfies ToAnalysis)
  }

  private start(): Worker {
    const worker = new Worker(new URL('../../workers/analysis.worker.ts', import.meta.url), { type: 'module' })
    worker.addEventListener('message', ({ data }: MessageEvent<FromAnalysis>) => this.receive(data))
    worker.addEventListener('error', () => this.startAnew())
    return worker
  }

  /** A worker that broke is followed by another one, which is told the whole plan; not without end. */
  private startAnew(): void {
    const now = Date.now()
    this.worker.terminate()
    this.tried?.(null)
    this.deaths = [...this.deaths.filter((at) => now - at < DEATHS_MS), now]
    if (this.deaths.length > MOST_DEATHS) return
    this.worker = this.start()
    this.sent = EMPTY_BLUEPRINT
    this.findings = new Map()
    this.post()
    const review = this.review && { ...this.review, snapshots: [...this.held] }
    if (review) this.worker.postMessage({ review: true, asked: review } satisfies ToAnalysis)
  }

  /** Takes the newest blueprint. Keys that follow close on each other are analysed once; what is committed, at once. */
  send(blueprint: Blueprint, typing: boolean, offering: string | null): void {
    this.wanted = blueprint
    this.offering = offering
    if (!typing) clearTimeout(this.timer)
    if (!typing || this.timer === undefined) this.timer = setTimeout(() => this.post(), typing ? SETTLE_MS : 0)
  }

  private post(): void {
    this.timer = undefined
    if (this.wanted === this.sent) return
    const message: ToAnalysis = { sequence: ++this.sequence, diff: diffBlueprints(this.sent, this.wanted), offering: this.offering }
    this.sent = this.wanted
    this.worker.postMessage(message)
  }

  /** What would be found if the plan were another: null where a later trial was asked meanwhile, or nobody answers. */
  async try(blueprint: Blueprint): Promise<Trial | null> {
    this.flush()
    const trial = ++this.trials
    this.worker.postMessage({ trial, diff: diffBlueprints(this.sent, blueprint) } satisfies ToAnalysis)
    return new Promise((resolve) => {
      this.tried?.(null)
      this.tried = (answer) => resolve(answer?.trial === trial ? answer : null)
    })
  }

  private flush(): void {
    clearTimeout(this.timer)
    this.post()
  }

  private receive(answer: FromAnalysis): void {
    if ('trial' in answer) {
      if (answer.trial === this.trials) this.tried?.(answer)
      return
    }
    if ('reviewed' in answer) {
      if (this.looked && answer.reviewed.review === this.review?.review) this.showReview(answer.reviewed)
      return
    }
    const { sequence, set, order, open, counts, fixes } = answer
    for (const finding of set) this.findings.set(finding.key, finding)
    if (sequence !== this.sequence) return
    const findings = order.flatMap((key) => this.findings.get(key) ?? [])
    this.findings = new Map(findings.map((f) => [f.key, f]))
    if (this.shown && sameItems(this.shown.findings, findings) && sameValue(this.shown.open, open)) return
    const byRecord = new Map<string, Finding[]>()
    for (const finding of findings)
      for (const record of finding.records) {
        const key = refKey(record)
        const list = byRecord.get(key)
        if (list) list.push(finding)
        else byRecord.set(key, [finding])
      }
    // A record whose findings are as they were keeps its list, so that its line is not drawn again.
    for (const [key, list] of byRecord) {
      const before = this.byRecord.get(key)
      if (before && sameItems(before, list)) byRecord.set(key, before)
    }
    this.byRecord = byRecord
    // Sums that are as they were keep their identity, so that who shows them is not drawn again.
    const same = <T>(before: T | undefined, now: T): T => (sameValue(before, now) ? (before as T) : now)
    this.shown = { findings, open, counts: same(this.shown?.counts, counts), fixes: same(this.shown?.fixes, fixes) }
    this.show(this.shown, byRecord)
  }

  close(): void {
    this.tried?.(null)
    clearTimeout(this.timer)
    this.worker.terminate()
  }
}

const sameItems = (a: readonly Finding[], b: readonly Finding[]): boolean => a.length === b.length && a.every((f, i) => f === b[i])
