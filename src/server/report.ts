/** The report of a round of review, and how it is set: off the thread of the server, or here, for the command line. */
import type { Viewer } from '../core/beside/beside'
import { type ReviewTour, tourSpec } from '../core/beside/review-records'
import type { Blueprint } from '../core/blueprint/blueprint'
import { dayOfCourse } from '../core/calendar/today'
import type { Made } from '../core/formats/formats'
import { REPORT_CHOICES, type ReportChoices, type ReportDoc } from '../core/review/report'
import type { Review } from '../core/review/review'
import { tourOf } from '../core/review/tour'
import type { Task } from '../workers/task'
import { composeReport, type ReportWanted, reportPdf, WORK_OF_NODE } from '../workers/tasks-of-node'
import { listBeside } from './beside'
import type { Database } from './db/client'
import { reviewOfCourse } from './review-of-course'
import { runTask } from './run-task'

/** A report that takes longer is given up (Cairn default). */
const GIVE_UP_MS = 60_000

export type Runner = <I, O>(task: Task<I, O>, input: I) => Promise<O>
/** In threads. */
export const inThreads: Runner = (task, input) => runTask(task, input, { timeout: GIVE_UP_MS })
/** On the spot. */
export const onTheSpot: Runner = async (task, input) => {
  const work = await WORK_OF_NODE[task.name as keyof typeof WORK_OF_NODE]()
  return (work as unknown as (input: unknown, told: () => void) => Promise<never>)(input, () => undefined)
}

type Wanted = {
  readonly courseId: string
  readonly viewer: Viewer
  readonly plan: Blueprint
  /** A round by id or title; null: the newest. */
  readonly round: string | null
  readonly choices?: ReportChoices
  /** The report, or the tour of its strengths. */
  readonly of?: 'report' | 'tour'
}

/** What formats of a review are made of. */
export function reviewMade(
  db: Database,
  { courseId, viewer, plan, round, choices, of }: Wanted,
  run: Runner,
): Pick<Made, 'review' | 'report' | 'pdf'> {
  const review = () => reviewOfCourse(db, courseId, viewer, plan, round)
  return {
    review,
    report: async () => {
      const found = await review()
      if (found && of === 'tour') return tourOf(found, plan, await stopsOfViewer(db, courseId, viewer, found), choices ?? REPORT_CHOICES)
      return found && composedReport(found, plan, choices, run)
    },
    pdf: (doc) => run(reportPdf, doc),
  }
}

const composedReport = (review: Review, plan: Blueprint, choices: ReportChoices | undefined, run: Runner): Promise<ReportDoc | null> =>
  run(composeReport, { review, plan, on: dayOfCourse(plan, Date.now()), choices: choices ?? REPORT_CHOICES } satisfies ReportWanted)

/** One's own order of the strengths of the last round; none where one has put none together. */
async function stopsOfViewer(db: Database, courseId: string, viewer: Viewer, review: Review): Promise<ReviewTour['stops']> {
  const { records } = await listBeside(db, tourSpec.name, courseId, viewer)
  const roundId = review.rounds.at(-1)?.id
  return (records as unknown as readonly ReviewTour[]).find((t) => t.roundId === roundId)?.stops ?? []
}
