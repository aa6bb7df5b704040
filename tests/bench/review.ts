/** A review of a course ten times larger: 60 points, 20 seats, 10 citations each; beside one analysis of the same course. */

import { RATING_VALUES } from '../../src/core/beside/review-records'
import { applyEffective } from '../../src/core/blueprint/apply'
import { recordsOf } from '../../src/core/blueprint/blueprint'
import { editPlan } from '../../src/core/blueprint/edit'
import { type Analysis, analyse } from '../../src/core/findings/analyse'
import { loadMeanings } from '../../src/core/findings/load-tagger'
import { readNative } from '../../src/core/formats/native'
import { readReview } from '../../src/core/formats/review-file'
import { isRule } from '../../src/core/review/own-set'
import { baseOf, watching } from '../../src/core/review/rests-on'
import { reviewFigures } from '../../src/core/review/review-figures'
import { demoFile, enlarge } from './enlarge'
import { byTurns, judged, median, ms, ratio, type Section, timed } from './measure'

const [POINTS, SEATS, CITATIONS] = [60, 20, 10]
const ON = '2027-01-01'

/** A plan that shares nothing with another: what is kept of one is not measured as nothing. */
const planOf = (text: string) => {
  const read = readNative(text)
  if (!read.ok) throw new Error(read.error[0]?.message)
  return read.value
}

export async function benchReview(): Promise<Section> {
  await loadMeanings()
  const text = enlarge(demoFile(), 10)
  const activities = recordsOf(planOf(text), 'activity').map((a) => a.id)
  const codes = ['no-overview', 'objective-not-assessed', 'no-instructions', 'heading-skips']
  const set = {
    format: 'cairn-review-set',
    formatVersion: 1,
    title: 'Sixty points',
    areas: [
      {
        title: 'All',
        points: Array.from({ length: POINTS }, (_, p) => ({
          code: `P-${p}`,
          statement: `Point ${p}`,
          priority: ['must', 'should', 'could'][p % 3],
          findings: [codes[p % codes.length]],
        })),
      },
    ],
  }
  const ratings = (seat: number) =>
    set.areas[0]?.points.map(({ code }, p) => ({
      point: code,
      value: RATING_VALUES[(p * 7 + seat * 3) % 3],
      evidence: Array.from({ length: CITATIONS }, (_, c) => ({
        kind: 'activity',
        id: activities[(p * 31 + seat * 17 + c * 5) % activities.length],
      })),
    }))
  const seats = Array.from({ length: SEATS }, (_, s) => ({ id: `s${s}`, name: `Reader ${s}`, handedIn: ON, ratings: ratings(s) }))
  const file = JSON.stringify({
    format: 'cairn-review',
    formatVersion: 1,
    set,
    rounds: [{ id: 'r', title: 'Peers', kind: 'peer', merge: 'majority', state: 'comparing', snapshot: JSON.parse(text), seats }],
  })
  const fresh = () => {
    const read = readReview(file, isRule)
    if (!read.ok) throw new Error(read.error.message)
    return { review: read.value.review, now: planOf(text) }
  }
  const { review, now: plan } = fresh()
  const snapshot = review.rounds[0]?.snapshot as typeof plan
  // What the interface keeps anyway: analyses. An edit of one title leaves them as they are.
  const kept = new Map<string, Analysis>()
  const snapshots = new Set([snapshot])
  const analysisOf = (of: typeof plan, day: string | null): Analysis => {
    const key = `${snapshots.has(of)} ${day}`
    const known = kept.get(key) ?? analyse(of, day)
    kept.set(key, known)
    return known
  }
  const [was, is] = [baseOf(snapshot, analysisOf), baseOf(plan, analysisOf)]
  const rated = review.rounds[0]?.seats.flatMap((s) => s.ratings) ?? []
  const stale = () => {
    const watch = watching(was, is)
    return rated.filter((r) => watch(r, codes) !== null).length
  }
  const plans = Array.from({ length: 12 }, () => planOf(text))
  const edited = plans.map((_, n) => {
    const title = `Edited ${n}`
    return applyEffective(
      plan,
      editPlan(plan, (edit) => edit.set('activity', activities[n] as string, { title })),
    )
  })
  reviewFigures(review, { plan, on: ON, analysisOf })
  const unknown = Array.from({ length: 3 }, fresh)
  for (const { review: of } of unknown) snapshots.add(of.rounds[0]?.snapshot as typeof plan)
  const first = await timed(3, (n) => reviewFigures(unknown[n]?.review ?? review, { plan: unknown[n]?.now ?? plan, on: ON, analysisOf }))
  const times = await byTurns(7, {
    analysis: (n) => analyse(plans[n + 5] as typeof plan, ON),
    figures: (n) => reviewFigures(review, { plan: edited[n + 5] as typeof plan, on: ON, analysisOf }),
    stale,
  })
  const of = (name: string) => median(times[name] ?? [])
  return {
    title: 'A review',
    how: `${POINTS} points, ${SEATS} seats, ${CITATIONS} citations a rating, in a course of ${plan.activity.size.toLocaleString('en')} activities; medians of 7 by turns, the plan one edit on each time. The analyses that the figures rest on are known, as in the interface; what was worked out of the snapshot is kept with it. At first: of a plan and a snapshot that nothing is known of but their analyses.`,
    lines: [
      { what: 'One analysis of the course', value: ms(of('analysis')) },
      { what: 'All figures of the review', value: ms(of('figures')) },
      { what: 'All figures at first', value: ms(median(first)) },
      judged('All figures, against one analysis', of('figures') / of('analysis'), 0.5, ratio),
      judged('What is stale, once digests and findings are known', of('stale'), 20, ms),
    ],
  }
}
