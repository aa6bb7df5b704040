import type { CourseStore } from './course-store'

/** Where the course leaves as a file: what has dates, of the offering that is chosen. */
export const exportAddress = ({ courseId, state: { offering } }: CourseStore, format: string): string =>
  `/api/courses/${encodeURIComponent(courseId)}/export.${format}${offering === null ? '' : `?offering=${encodeURIComponent(offering)}`}`
