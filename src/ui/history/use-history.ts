/** Reads the log backwards, page by page, until enough of it is what is looked for. */
import { useCallback, useEffect, useRef, useState } from 'react'
import type { Blueprint } from '../../core/blueprint/blueprint'
import type { RecordRef } from '../../core/blueprint/kinds'
import { shortDate } from '../../core/calendar/plain-date'
import { labelOf } from '../../core/edits/registry'
import { type DescribedLine, describeChange } from '../../core/history/describe'
import { Gathering, type Sitting } from '../../core/history/gather'
import { planBefore } from '../../core/history/past'
import { touches } from '../../core/history/touches'
import type { HistoryContents, HistoryPage } from '../../server/history'
import { useCourseStore } from '../store/course-store'
import type { LoggedChange } from '../store/session'
import type { Back } from './back-dialog'

export type Entry = Sitting<LoggedChange>

/** What is looked for; empty or null is everything. The day is the reader's own, `2026-10-14`. */
export type Wanted = { readonly who: string; readonly day: string; readonly words: string; readonly record: RecordRef | null }

/** So many lines of one change are told; the others are counted. */
const MOST_LINES = 12
/** So many entries are looked for at a time. */
const ENOUGH = 40
/** The longest that reading keeps the page from answering. */
const SLICE_MS = 30

/** The reader's own day of an instant, `2026-10-14`. */
export function dayOf(at: string): string {
  const date = new Date(at)
  const two = (n: number) => String(n).padStart(2, '0')
  return `${date.getFullYear()}-${two(date.getMonth() + 1)}-${two(date.getDate())}`
}

/** `Wed 14 Oct 2026`. */
export const dayTitle = (day: string): string => `${shortDate(day)} ${day.slice(0, 4)}`

const wordsOf = (text: string): string[] => text.toLowerCase().split(/\s+/).filter(Boolean)
const holds = (text: string, words: readonly string[]): boolean => words.every((w) => text.toLowerCase().includes(w))

/** The lines of an entry that are looked for, and how many of its records they leave out. */
export function linesOf(
  { change, before, after }: Entry,
  { words, record }: Pick<Wanted, 'words' | 'record'>,
): { lines: DescribedLine[]; more: number } {
  const operations = record ? change.operations.filter((o) => touches(o, record, before, after)) : change.operations
  const wanted = wordsOf(words)
  const all = describeChange(operations, before, after, wanted.length === 0 ? MOST_LINES : undefined)
  const named = wanted.length === 0 ? [] : all.filter((l) => holds(l.text, wanted))
  const lines = (named.length > 0 ? named : all).slice(0, MOST_LINES)
  return { lines, more: change.operations.length - lines.length }
}

function matches(entry: Entry, { who, day, words, record }: Wanted): boolean {
  const { change, before, after } = entry
  if (who !== '' && change.authorId !== who) return false
  if (day !== '' && dayOf(change.at) !== day) return false
  if (record && !change.operations.some((o) => touches(o, record, before, after))) return false
  const wanted = wordsOf(words)
  if (wanted.length === 0 || holds(labelOf(change), wanted)) return true
  const told = describeChange(change.operations, before, after).map((l) => l.text)
  return holds([labelOf(change), ...told].join(' '), wanted)
}

/** One change of the log that was read, whether it is shown or not. */
export type Read = Pick<LoggedChange, 'revision' | 'authorId' | 'author'>

/** How far the log was read: the plan before the oldest change seen, and what was found. */
class Reading {
  private readonly gathering = new Gathering<LoggedChange>()
  private readonly found = new Set<Entry>()
  /** The plan at the end of each day that was reached. */
  readonly dayEnds = new Map<string, Omit<Back, 'label'>>()
  /** All that was read, newest first. */
  readonly read: Read[] = []
  more = true

  constructor(
    private readonly courseId: string,
    private readonly wanted: Wanted,
    private plan: Blueprint,
    /** The oldest revision that was read. */
    public revision: number,
  ) {}

  get entries(): Entry[] {
    return [...this.found].sort((a, b) => b.change.revision - a.change.revision)
  }

  /** Reads on until so many entries more are found, or the log or the reading ends. Calls `progress` at each page. */
  async on(signal: AbortSignal, progress: () => void): Promise<void> {
    const enough = this.found.size + ENOUGH
    while (this.more && this.found.size < enough && !signal.aborted) {
      const response = await fetch(`/api/courses/${encodeURIComponent(this.courseId)}/history?before=${this.revision}`, { signal })
      if (!response.ok) throw new Error(String(response.status))
      const page = (await response.json()) as HistoryPage
      let begun = performance.now()
      for (const change of page.changes) {
        this.take(change)
        if (performance.now() - begun < SLICE_MS) continue
        await new Promise((done) => setTimeout(done))
        if (signal.aborted) return
        begun = performance.now()
      }
      this.more = page.more && !this.behind()
      progress()
    }
  }

  private take(change: LoggedChange): void {
    const before = planBefore(this.plan, change.operations)
    const day = dayOf(change.at)
    if (!this.dayEnds.has(day)) this.dayEnds.set(day, { plan: this.plan, revision: change.revision })
    this.read.push({ revision: change.revision, authorId: change.authorId, author: change.author })
    const { sitting, replaces } = this.gathering.add(change, before, this.plan)
    if (replaces) this.found.delete(replaces)
    if (matches(sitting, this.wanted)) this.found.add(sitting)
    this.plan = before
    this.revision = change.revision
  }

  /** Whether the day that is looked for has been passed. */
  private behind(): boolean {
    const earliest = [...this.dayEnds.keys()].at(-1) ?? ''
    return this.wanted.day !== '' && earliest !== '' && earliest < this.wanted.day
  }
}

export type HistoryState = {
  readonly entries: readonly Entry[]
  readonly state: 'loading' | 'ready' | 'failed'
  /** Whether the log goes on. */
  readonly more: boolean
  /** Down to which revision was looked. */
  readonly revision: number
  /** The newest revision when reading began. */
  readonly newest: number
  readonly dayEnds: ReadonlyMap<string, Omit<Back, 'label'>>
  readonly read: readonly Read[]
}

export function useHistory(
  wanted: Wanted,
): HistoryState & { readonly loadMore: () => void; readonly reload: () => void; readonly stop: () => void } {
  const store = useCourseStore()
  const reading = useRef<Reading | null>(null)
  const abort = useRef<AbortController | null>(null)
  const [shown, setShown] = useState<HistoryState>({
    entries: [],
    state: 'loading',
    more: false,
    revision: 0,
    newest: store.state.session.revision,
    dayEnds: new Map(),
    read: [],
  })
  const readOn = useCallback(async (from: Reading, newest: number) => {
    abort.current?.abort()
    const { signal } = (abort.current = new AbortController())
    const show = (state: HistoryState['state']) =>
      setShown({ entries: from.entries, state, more: from.more, revision: from.revision, newest, dayEnds: from.dayEnds, read: from.read })
    show('loading')
    try {
      await from.on(signal, () => signal.aborted || show('loading'))
      if (!signal.aborted) show('ready')
    } catch {
      if (!signal.aborted) show('failed')
    }
  }, [])
  const { who, day, words, record } = wanted
  const key = record ? `${record.kind}:${record.id}` : ''
  const begin = useCallback(() => {
    const { confirmed, revision } = store.state.session
    const [kind, id] = key.split(':') as [RecordRef['kind'], string]
    const from = new Reading(store.courseId, { who, day, words, record: key ? { kind, id } : null }, confirmed, revision + 1)
    reading.current = from
    void readOn(from, revision)
  }, [store, readOn, who, day, words, key])
  useEffect(() => {
    begin()
    return () => abort.current?.abort()
  }, [begin])
  return {
    ...shown,
    reload: begin,
    loadMore: () => reading.current && void readOn(reading.current, shown.newest),
    stop: () => {
      abort.current?.abort()
      setShown((s) => ({ ...s, state: 'ready' }))
    },
  }
}

/** What the log can be filtered by; null until it is known. */
export function useContents(revision: number): HistoryContents | null {
  const store = useCourseStore()
  const [contents, setContents] = useState<HistoryContents | null>(null)
  useEffect(() => {
    const abort = new AbortController()
    fetch(`/api/courses/${encodeURIComponent(store.courseId)}/history/contents`, { signal: abort.signal })
      .then((r) => (r.ok ? r.json() : null))
      .then((c) => c && setContents(c as HistoryContents))
      .catch(() => undefined)
    return () => abort.abort()
  }, [store, revision])
  return contents
}
