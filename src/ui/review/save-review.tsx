/** A round as a file, for whoever takes it along. */
import type { ReportChoices } from '../../core/review/report'
import { MenuButton } from '../parts/menu-button'
import { courseAddress } from '../store/api'
import { useCourseStore } from '../store/course-store'

type Of = 'report' | 'tour'
const FILES = [
  { format: 'review-pdf', label: (of: Of) => `The ${of} as PDF`, of: ['report', 'tour'] },
  { format: 'review-docx', label: (of: Of) => `The ${of} as DOCX`, of: ['report', 'tour'] },
  { format: 'review-html', label: (of: Of) => `The ${of} as HTML`, of: ['report', 'tour'] },
  { format: 'review-csv', label: () => 'Ratings as CSV', of: ['report'] },
  { format: 'review-json', label: () => 'The review as a file (JSON)', of: ['report'] },
] as const

export function SaveReview({ roundId, of, choices }: { readonly roundId: string; readonly of: Of; readonly choices: ReportChoices }) {
  const { courseId } = useCourseStore()
  const to = (format: string) => courseAddress(courseId, `/export.${format}?${new URLSearchParams({ round: roundId, of, ...choices })}`)
  const files = FILES.filter((f) => (f.of as readonly Of[]).includes(of))
  return (
    <MenuButton
      className="btn"
      entries={() => files.map(({ format, label }) => ({ key: format, label: label(of), href: to(format), file: true }))}
    >
      Save as
    </MenuButton>
  )
}
