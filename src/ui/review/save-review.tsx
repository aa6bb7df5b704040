/** A round as a file, for whoever takes it along. */
import { MenuButton } from '../parts/menu-button'
import { courseAddress } from '../store/api'
import { useCourseStore } from '../store/course-store'

const FILES = [
  { format: 'review-csv', label: 'Ratings as CSV' },
  { format: 'review-json', label: 'The review as a file (JSON)' },
] as const

export function SaveReview({ roundId }: { readonly roundId: string }) {
  const { courseId } = useCourseStore()
  const to = (format: string) => courseAddress(courseId, `/export.${format}?round=${encodeURIComponent(roundId)}`)
  return (
    <MenuButton className="btn" entries={() => FILES.map(({ format, label }) => ({ key: format, label, href: to(format), file: true }))}>
      Save as
    </MenuButton>
  )
}
