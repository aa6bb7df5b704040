/** Runs the analysis in the browser, off the main thread, on a blueprint of its own. */
import { type BlueprintDiff, EMPTY_BLUEPRINT, patchBlueprint } from '../core/blueprint/blueprint'
import { sameValue } from '../core/blueprint/values'
import { dayOfCourse } from '../core/calendar/today'
import { Analyser } from '../core/findings/analyse'
import { NOTHING_BESIDE } from '../core/findings/beside-facts'
import { compareFindings } from '../core/findings/compare'
import type { Finding } from '../core/findings/finding'
import { loadMeanings } from '../core/findings/load-tagger'
import { inOffering } from '../core/plan/offering'
import type { FromAnalysis, ToAnalysis } from './analysis-messages'
import type { AskedReview } from './review-of-plan'

const analyser = new Analyser()
let blueprint = EMPTY_BLUEPRINT
/** The offering that the plan is seen in, where one was chosen. */
let offering: string | null = null
let last = 0
let known = new Map<string, Finding>()
/** The table of words is larger than all the rest: it comes once the first findings stand (Cairn default), and reads everything again. */
const TABLE_AFTER_MS = 2500
let isAsked = false

const post = (message: FromAnalysis) => self.postMessage(message)

self.addEventListener('message', ({ data }: MessageEvent<ToAnalysis>) => {
  if ('review' in data) {
    return void takeReview(data.asked)
  }
  if ('trial' in data) return post({ trial: data.trial, ...tried(data.diff) })
  blueprint = patchBlueprint(blueprint, data.diff)
  offering = data.offering
  last = data.sequence
  report()
  if (isAsked) return
  isAsked = true
  setTimeout(() => {
    loadMeanings()
      .then(() => {
        reviewing?.forgetReadings()
        report()
      })
      .catch(() => {
        // Without a connection it is asked for again at the next change; until then the lexicon decides.
        isAsked = false
      })
  }, TABLE_AFTER_MS)
})

function report(): void {
  findAnew()
  if (!isQuiet) return tellReview()
  clearTimeout(quietly)
  quietly = setTimeout(tellReview, QUIET_MS)
}

function findAnew(): void {
  const plan = inOffering(blueprint, offering)
  const { findings, ...rest } = analyser.analyse(plan, dayOfCourse(plan, Date.now()), beside)
  post({
    ...rest,
    sequence: last,
    set: findings.filter((f) => known.get(f.key) !== f && !sameValue(known.get(f.key), f)),
    order: findings.map((f) => f.key),
  })
  known = new Map(findings.map((f) => [f.key, f]))
}

/** After the findings, which somebody waits for. */
function tellReview(): void {
  const plan = inOffering(blueprint, offering)
  const now = reviewing?.reviewNow(plan)
  if (now) post({ reviewed: now.reviewed })
  const facts = now?.beside ?? NOTHING_BESIDE
  if (sameValue(facts, beside)) return
  beside = facts
  findAnew()
}
/** What is known from beside the plan. */
let beside = NOTHING_BESIDE
/** A review that nobody looks at is worked out when the plan has been left alone for so long (Cairn default). */
const QUIET_MS = 1500
let isQuiet = false
let quietly: ReturnType<typeof setTimeout> | undefined

/** Fetched when a review is first looked at. */
let reviewing: typeof import('./review-of-plan') | null = null
let fetching: Promise<typeof import('./review-of-plan')> | null = null
async function takeReview(asked: AskedReview | null): Promise<void> {
  // One promise for all that is asked meanwhile: it is taken in the order in which it came.
  fetching ??= import('./review-of-plan')
  reviewing = await fetching
  isQuiet = asked?.quiet ?? false
  reviewing.askReview(asked)
  tellReview()
}

/** What a change would do to the findings. */
function tried(diff: BlueprintDiff) {
  const live = (list: readonly Finding[]) => list.filter((f) => f.accepted === null && f.weight !== 'open')
  const changed = inOffering(patchBlueprint(blueprint, diff), offering)
  const after = live(analyser.analyse(changed, dayOfCourse(changed, Date.now()), beside).findings)
  return compareFindings(live([...known.values()]), after)
}
