/** Rating: areas and filters, points with what Cairn found and what was seen, and the object beside them. All of it by keys. */

import { type KeyboardEvent, type ReactNode, type RefObject, useCallback, useEffect, useMemo, useRef } from 'react'
import { type Blueprint, recordMap } from '../../core/blueprint/blueprint'
import { isKindName, nounsOf, type RecordRef, type ReviewPointRecord } from '../../core/blueprint/kinds'
import type { Finding } from '../../core/findings/finding'
import { listOf } from '../../core/numbers'
import { askedAreas } from '../../core/review/asked'
import { evidenceIn } from '../../core/review/evidence'
import { matchesOf } from '../../core/review/plan-sets'
import { mergedWord, VALUE_KEYS } from '../../core/review/words'
import { takeFix } from '../parts/findings'
import { useLatest } from '../parts/use-latest'
import { Waiting } from '../parts/waiting'
import { useCourse, useCourseStore } from '../store/course-store'
import { useParam } from '../store/navigation'
import { cite } from './evidence-field'
import { NoRound } from './no-round'
import { ObjectView } from './object-view'
import { type RatingChange, useOwnRatings } from './own-ratings'
import { PointRow } from './point-row'
import { Areas, FilterBar, type Filters, passes } from './rate-areas'
import { Refused } from './refused'
import { RoundBar } from './round-bar'
import { type OpenRound, type ShownReview, useOpenRound, useReview } from './use-review'

export function Rate({ views }: { readonly views: ReactNode }) {
  const review = useReview('own')
  const { open, failed } = useOpenRound(review)
  const begun = useRef(false)
  return (
    <div className="work">
      <RoundBar review={review} open={open} views={views} heading="Rate" />
      {review.failed && <p className="form-error">The review could not be fetched. Check the connection.</p>}
      {failed && <p className="form-error">The set that this round rates could not be read from its snapshot.</p>}
      <Refused review={review} />
      {!review.loading && !review.failed && !review.round && <NoRound review={review} onBegin={() => (begun.current = true)} />}
      {review.round && !open && !failed && <Waiting lines={8} />}
      {open && <RateRound key={open.round.id} review={review} open={open} begun={begun} />}
    </div>
  )
}

type RoundProps = { readonly review: ShownReview; readonly open: OpenRound; readonly begun: RefObject<boolean> }
/** `begun`: whoever sees it has just begun it, and goes on with its first point. */
function RateRound({ review, open, begun }: RoundProps) {
  const store = useCourseStore()
  const { round } = open
  const seat = review.ownSeat
  const ratings = useOwnRatings(review, seat)
  const [area, setArea] = useParam('area')
  const [priority, setPriority] = useParam('priority')
  const [tag, setTag] = useParam('principle')
  const [looks, setLooks] = useParam('looks')
  const [left, setLeft] = useParam('left')
  const [focused, setFocused] = useParam('point')
  const filters: Filters = { priority, tag, looks, left: left !== '' }
  const view = useCourse((s) => s.view)
  const analysis = useCourse((s) => s.analysis)
  const reviewed = useCourse((s) => s.reviewed)
  const evidenceOf = useMemo(() => (analysis ? evidenceIn(view, analysis) : null), [view, analysis])
  const all = useMemo(() => askedAreas(open.round, open.set, seat?.points), [open, seat])
  const isLive = round.kind === 'self-check'
  const togetherOf = (p: ReviewPointRecord) => {
    const found = reviewed?.roundId === round.id ? reviewed.figures.rounds.at(-1)?.points.find((x) => x.code === p.code) : undefined
    return found ? mergedWord(found.merged) : ''
  }
  const isRated = (p: ReviewPointRecord) => (seat ? Boolean(ratings.own.get(p.id)?.value) : togetherOf(p) !== mergedWord(null))
  // What is rated stays in sight until the filters are set anew.
  const isShown = (p: ReviewPointRecord) => passes(p, filters) && (!filters.left || !isRated(p) || p.id === focused)
  const shown = all
    .filter((a) => area === '' || a.id === area)
    .map((a) => ({ ...a, points: a.points.filter(isShown) }))
    .filter((a) => a.points.length > 0)
  const flat = shown.flatMap((a) => a.points)
  const current = flat.find((p) => p.id === focused) ?? flat[0]
  const mayRate = seat !== null && !seat.withdrawn && (round.state === 'comparing' || (round.state === 'open' && seat.handedInAt === null))
  const list = useRef<HTMLDivElement>(null)
  const focusRow = useCallback((id: string) => list.current?.querySelector<HTMLElement>(`[data-row="${CSS.escape(id)}"]`)?.focus(), [])
  useEffect(() => {
    // With the seat one's keys count; it comes a moment after the round.
    if (!begun.current || !current || !seat) return
    begun.current = false
    focusRow(current.id)
  }, [seat, current, focusRow])
  const staleOf = (p: ReviewPointRecord) =>
    (reviewed?.roundId === round.id && reviewed.stale.find((s) => s.code === p.code && s.seat === seat?.id)) || null
  const evidence = useMemo(() => (current && evidenceOf?.(current.findings)) ?? null, [current, evidenceOf])
  const findings = useMemo(() => (analysis && current ? findingsOf(analysis.findings, current) : NO_FINDINGS), [analysis, current])
  const rate = (p: ReviewPointRecord, to: RatingChange) => mayRate && ratings.rate(p, to)

  const onKeyDown = (e: KeyboardEvent) => {
    const inOpened = (e.target as HTMLElement).closest('.point-more') !== null
    // What was written is kept; Escape that had something to leave as it was comes here the second time.
    if (current && inOpened && (e.key === 'Escape' || (e.key === 'Enter' && (e.ctrlKey || e.metaKey)))) {
      e.preventDefault()
      e.stopPropagation()
      return focusRow(current.id)
    }
    if (!current || !(e.target as HTMLElement).matches('[data-row]') || e.ctrlKey || e.metaKey || e.altKey) return
    const at = flat.indexOf(current)
    const go = (to: ReviewPointRecord | undefined) => {
      if (!to) return
      setFocused(to.id)
      requestAnimationFrame(() => focusRow(to.id))
    }
    const value = VALUE_KEYS[e.key]
    const keys: Readonly<Record<string, () => void>> = {
      ArrowDown: () => go(flat[at + 1]),
      ArrowUp: () => go(flat[at - 1]),
      Home: () => go(flat[0]),
      End: () => go(flat.at(-1)),
      n: () => go([...flat.slice(at + 1), ...flat.slice(0, at)].find((p) => !ratings.own.get(p.id)?.value)),
      w: () => list.current?.querySelector<HTMLElement>(`[data-point="${CSS.escape(current.id)}"] textarea`)?.focus(),
      e: () => list.current?.querySelector<HTMLElement>(`[data-point="${CSS.escape(current.id)}"] .evidence-field input`)?.focus(),
      s: () => rate(current, { mark: ratings.own.get(current.id)?.mark === 'strength' ? null : 'strength' }),
      i: () => rate(current, { mark: ratings.own.get(current.id)?.mark === 'improvement' ? null : 'improvement' }),
      x: () => {
        const fix = findings.flatMap((f) => f.fixes)[0]
        if (fix) takeFix(store, fix)
      },
      Enter: () => document.querySelector<HTMLElement>('.object-view button')?.focus(),
    }
    const run = value ? () => rateByKey(value) : keys[e.key.length === 1 ? e.key.toLowerCase() : e.key]
    if (!run) return
    e.preventDefault()
    run()
  }
  const rateByKey = (value: NonNullable<RatingChange['value']>) => {
    if (!current) return
    rate(current, { value })
    // Why it does not apply is asked at once: without a reason it does not count.
    if (value === 'not applicable')
      requestAnimationFrame(() => list.current?.querySelector<HTMLElement>(`[data-point="${CSS.escape(current.id)}"] textarea`)?.focus())
  }
  // A key draws the point that is rated and no other: what the others are given stays the same.
  const onFocus = useLatest((p: ReviewPointRecord) => {
    if (p.id !== current?.id || focused === '') setFocused(p.id)
  })
  const onRate = useLatest(rate)
  const onHolds = useLatest((p: ReviewPointRecord) => ratings.stillHolds(p))
  const onCite = useLatest((ref: RecordRef, quote: string | null) => {
    if (current) rate(current, { evidence: [...(ratings.own.get(current.id)?.evidence ?? []), cite(ref, quote)] })
  })
  const onBack = useLatest(() => void (current && focusRow(current.id)))
  const set = {
    priority: useLatest(setPriority),
    tag: useLatest(setTag),
    looks: useLatest(setLooks),
    left: useLatest((on: boolean) => setLeft(on ? '1' : '')),
  }
  const offered = useMemo(() => (current ? objectsOf(isLive ? view : open.plan, current) : []), [current, isLive, view, open.plan])
  return (
    <div className="rate-cols">
      <nav className="rate-areas" aria-label="Areas">
        <Areas {...{ all, area, setArea, isRated }} />
        <FilterBar
          {...{ all, priority, tag, looks, left: filters.left }}
          onPriority={set.priority}
          onTag={set.tag}
          onLooks={set.looks}
          onLeft={set.left}
        />
      </nav>
      <div className="rate-list" ref={list} onKeyDown={onKeyDown}>
        {flat.length === 0 && <p className="empty">No point is left by these filters.</p>}
        {shown.map((a) => (
          <section key={a.id} aria-label={a.title}>
            <h2>{a.title}</h2>
            <ul className="points">
              {a.points.map((p) => (
                <PointRow
                  key={p.id}
                  point={p}
                  text={(round.kind === 'learners' && p.asLearner) || p.statement}
                  isOpen={p === current}
                  rating={ratings.own.get(p.id)}
                  together={seat ? null : togetherOf(p)}
                  stale={staleOf(p)}
                  twin={p === current && !ratings.own.get(p.id)?.value ? twinOf(view, review, p) : null}
                  evidence={p === current ? evidence : null}
                  findings={p === current ? findings : NO_FINDINGS}
                  plan={isLive ? view : open.plan}
                  mayRate={mayRate}
                  seatId={seat?.id ?? null}
                  onFocus={onFocus}
                  onRate={onRate}
                  onHolds={seat && ratings.own.has(p.id) ? onHolds : null}
                />
              ))}
            </ul>
          </section>
        ))}
      </div>
      <ObjectView
        snapshotId={isLive ? null : round.snapshotId}
        plan={isLive ? view : open.plan}
        offered={offered}
        looksAt={current ? looksAtWords(current) : ''}
        onCite={mayRate && current ? onCite : null}
        onBack={onBack}
      />
    </div>
  )
}

const NO_FINDINGS: readonly Finding[] = []
/** So many are shown at a point, with what mends them (Cairn default). */
const MOST_FINDINGS = 5
const findingsOf = (all: readonly Finding[], { findings }: ReviewPointRecord): readonly Finding[] =>
  all.filter((f) => f.accepted === null && f.weight !== 'open' && findings.includes(f.code)).slice(0, MOST_FINDINGS)

/** What oneself said of a point in another set that asks the same. */
function twinOf(plan: Blueprint, review: ShownReview, { id }: ReviewPointRecord) {
  for (const { point } of matchesOf(plan, id)) {
    const rating = review.records.ratings.find((r) => r.pointId === point.id && r.value !== null && review.isOwnSeat(r.seatId))
    if (rating) return { code: point.code, rating }
  }
  return null
}

/** The kinds of records that a point looks at, in words. */
const looksAtWords = ({ looksAt }: ReviewPointRecord): string =>
  listOf([...new Set(looksAt.map((l) => l.split(':')[0] ?? '').filter(isKindName))].map(nounsOf))

/** So many objects are offered beside a point (Cairn default). */
const MOST_OFFERED = 60
/** The records that a point looks at, kind by kind. */
function objectsOf(plan: Blueprint, point: ReviewPointRecord): readonly RecordRef[] {
  return point.looksAt
    .flatMap((text): RecordRef[] => {
      const [kind = '', of] = text.split(':')
      if (!isKindName(kind)) return []
      return [...recordMap(plan, kind).values()]
        .filter((r) => of === undefined || (r as { readonly kind?: unknown }).kind === of)
        .map(({ id }) => ({ kind, id }))
    })
    .slice(0, MOST_OFFERED)
}
