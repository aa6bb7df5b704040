/**
 * What was written beside the plan and is not at the server yet: kept in this browser by course and account, shown at once, and
 * sent in order as soon as the server is reached. What will never do is set aside with its reason, and stays until it is let go.
 */

import { mergeFields } from '../../core/beside/merge-fields'
import { besideKind } from '../../core/beside/registry'
import type { AnyRecord } from '../../core/blueprint/kinds'
import type { BesideRecord } from '../../server/beside'
import { ApiError } from './api'
import { besideCalls, type Listed, type WrittenBeside, withRecord } from './beside-calls'
import { queries } from './queries'

export type UnsentEntry = WrittenBeside & {
  readonly kind: string
  readonly values: AnyRecord
  /** When it was written: an ISO instant. */
  readonly at: string
  /** What the record held when it was written; null for a new one. Where it is given, what somebody else wrote meanwhile is merged. */
  readonly seen?: AnyRecord | null
  /** Why it will never do. */
  readonly refused?: string
}

/** Answers after which the same is tried again later: not reached, too many, overloaded. */
const LATER = [0, 429, 502, 503, 504]

/** What is written is painted before it is sent (Cairn default). */
const SOON_MS = 50

export class Unsent {
  private entries: readonly UnsentEntry[] = []
  private readonly heard = new Set<() => void>()
  /** What those know who are told a moment later. */
  private settled: readonly UnsentEntry[] = []
  private readonly heardAside = new Set<() => void>()
  private settling: ReturnType<typeof setTimeout> | undefined
  private sending = false
  private soon: ReturnType<typeof setTimeout> | undefined
  private last = 0

  constructor(
    private readonly courseId: string,
    private readonly account: string,
    private readonly kept: Storage = localStorage,
  ) {
    this.entries = this.read()
    this.settled = this.entries
    // Who hands in and closes the page at once has handed in.
    window.addEventListener('pagehide', () => {
      if (this.soon === undefined) return
      clearTimeout(this.soon)
      this.soon = undefined
      void this.send()
    })
  }

  private get key(): string {
    return `cairn unsent ${this.courseId} ${this.account}`
  }

  private read(): readonly UnsentEntry[] {
    try {
      const kept: unknown = JSON.parse(this.kept.getItem(this.key) ?? '[]')
      return Array.isArray(kept) ? (kept as UnsentEntry[]) : []
    } catch {
      return []
    }
  }

  /** Other windows of this browser write here too: each change is made to what is kept now. */
  private change(alter: (entries: readonly UnsentEntry[]) => readonly UnsentEntry[]): void {
    this.entries = alter(this.read())
    try {
      if (this.entries.length === 0) this.kept.removeItem(this.key)
      else this.kept.setItem(this.key, JSON.stringify(this.entries))
    } catch {
      // A browser without room holds it as long as the page is open.
    }
    this.tell()
  }

  private tell(): void {
    for (const tell of this.heard) tell()
    this.settling ??= setTimeout(() => {
      this.settling = undefined
      this.settled = this.entries
      for (const tell of this.heardAside) tell()
    }, SOON_MS)
  }

  readonly list = (): readonly UnsentEntry[] => this.entries

  readonly listen = (tell: () => void): (() => void) => {
    this.heard.add(tell)
    // What another window wrote, or sent.
    const elsewhere = (e: StorageEvent) => {
      if (e.key !== this.key) return
      this.entries = this.read()
      this.tell()
    }
    window.addEventListener('storage', elsewhere)
    return () => {
      window.removeEventListener('storage', elsewhere)
      this.heard.delete(tell)
    }
  }

  readonly listAside = (): readonly UnsentEntry[] => this.settled
  /** For who shows what others write: told when that has been painted where it was written. */
  readonly listenAside = (tell: () => void): (() => void) => {
    this.heardAside.add(tell)
    return () => this.heardAside.delete(tell)
  }

  /** Takes something that was written, in the place of what waits under the same id, and sends it soon. */
  write(kind: string, id: string, values: AnyRecord, base: number | null, seen?: AnyRecord | null): void {
    const at = this.moment()
    this.change((all) => {
      // What waits under the same id was written over what it had seen.
      const waits = all.find((e) => e.id === id)
      const began =
        waits && 'seen' in waits ? { seen: waits.seen ?? null, base: waits.base } : seen === undefined ? { base } : { base, seen }
      return [...all.filter((e) => e.id !== id), { kind, id, values, at, ...began }]
    })
    this.soon ??= setTimeout(() => {
      this.soon = undefined
      void this.send()
    }, SOON_MS)
  }

  /** Now; each later than the one before, since what is in flight is told by it. */
  private moment(): string {
    this.last = Math.max(Date.now(), this.last + 1)
    return new Date(this.last).toISOString()
  }

  letGo(id: string): void {
    this.change((all) => all.filter((e) => e.id !== id))
  }

  /** Sends what waits, one after the other; ends at the first that is to be tried later. */
  async send(): Promise<void> {
    if (this.sending) return
    this.sending = true
    try {
      for (let next = this.next(); next; next = this.next()) if (!(await this.sendOne(next))) return
    } finally {
      this.sending = false
    }
  }

  private next(): UnsentEntry | undefined {
    return this.read().find((e) => !e.refused)
  }

  private async sendOne(entry: UnsentEntry): Promise<boolean> {
    const calls = besideCalls<BesideRecord>(this.courseId, entry.kind, this.account)
    let revision = entry.base
    try {
      const stored = await calls.put(entry)
      revision = stored.revision
      // Known before it waits no more: it is never out of sight.
      queries.setQueryData<Listed<BesideRecord>>(calls.key, (known) => known && withRecord(known, stored))
    } catch (error) {
      if (!(error instanceof ApiError) || LATER.includes(error.problem.status)) return false
      const { status, title, stored } = error.problem
      // Another window of this browser has sent it.
      const sent = status === 409 && Object.entries(entry.values).every(([f, v]) => (stored as AnyRecord | null)?.[f] === v)
      const theirs = status === 409 ? (stored as BesideRecord | null) : null
      if (!sent && theirs && entry.seen !== undefined) {
        const merged = {
          values: mergeFields(entry.seen, entry.values, theirs, besideKind(entry.kind)?.keepsBoth ?? []),
          base: theirs.revision,
          seen: theirs,
        }
        this.change((all) => all.map((e) => (e.id === entry.id && e.at === entry.at ? { ...e, ...merged } : e)))
        return true
      }
      if (!sent) {
        this.change((all) => all.map((e) => (e.id === entry.id && e.at === entry.at ? { ...e, refused: title } : e)))
        return true
      }
    }
    // What was written since rests on what is stored now.
    this.change((all) =>
      all.flatMap((e) => (e.id !== entry.id ? e : e.at === entry.at ? [] : 'seen' in e ? { ...e, base: revision, seen: entry.values } : e)),
    )
    // More or less of other kinds may be seen now; what others wrote of this one is announced.
    const moved = besideKind(entry.kind)?.uncovers ?? []
    await Promise.all(moved.map((kind) => queries.invalidateQueries({ queryKey: besideCalls(this.courseId, kind, this.account).key })))
    return true
  }
}
