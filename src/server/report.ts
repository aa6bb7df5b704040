/** The report of a round of review, and how it is set. */
import type { Viewer } from '../core/beside/beside'
import { type ReviewTour, tourSpec } from '../core/beside/review-records'
import type { Blueprint } from '../core/blueprint/blueprint'
import { dayOfCourse } from '../core/calendar/today'
import type { Made } from '../core/formats/formats'
import { REPORT_CHOICES, type ReportChoices, type ReportDoc } from '../core/review/report'
import type { Review } from '../core/review/review'
import { tourOf } from '../core/review/tour'
import { listBeside } from './beside'
import type { Database } from './db/client'
import { reviewOfCourse } from './review-of-course'

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
export function reviewMade(db: Database, { courseId, viewer, plan, round, choices, of }: Wanted): Pick<Made, 'review' | 'report' | 'pdf'> {
  const review = () => reviewOfCourse(db, courseId, viewer, plan, round)
  return {
    review,
    report: async () => {
      const found = await review()
      if (found && of === 'tour') return tourOf(found, plan, await stopsOfViewer(db, courseId, viewer, found), choices ?? REPORT_CHOICES)
      return found && composedReport(found, plan, choices ?? REPORT_CHOICES)
    },
    pdf: async (doc) => (await import('./report-pdf')).setReport(doc),
  }
}

/** The report of the last round of a review, with all its figures; null where there is none. */
async function composedReport(review: Review, plan: Blueprint, choices: ReportChoices): Promise<ReportDoc | null> {
  const [{ loadMeanings }, { reviewFigures }, { reportOf }] = await Promise.all([
    import('../core/findings/load-tagger'),
    import('../core/review/review-figures'),
    import('../core/review/report'),
  ])
  await loadMeanings()
  const figures = reviewFigures(review, { plan, on: dayOfCourse(plan, Date.now()) }).figures.rounds.at(-1)
  return figures ? reportOf(review, figures, plan, choices) : null
}

/** One's own order of the strengths of the last round; none where one has put none together. */
async function stopsOfViewer(db: Database, courseId: string, viewer: Viewer, review: Review): Promise<ReviewTour['stops']> {
  const { records } = await listBeside(db, tourSpec.name, courseId, viewer)
  const roundId = review.rounds.at(-1)?.id
  return (records as unknown as readonly ReviewTour[]).find((t) => t.roundId === roundId)?.stops ?? []
}
