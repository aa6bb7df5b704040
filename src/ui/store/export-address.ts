import { courseAddress } from './api'
import type { CourseStore } from './course-store'

/** Where the course leaves as a file: the snapshot that is open, and what has dates of the offering that is chosen. */
export function exportAddress({ courseId, snapshotId, state: { offering } }: CourseStore, format: string): string {
  const asked = new URLSearchParams({ ...(snapshotId ? { snapshot: snapshotId } : {}), ...(offering === null ? {} : { offering }) })
  return courseAddress(courseId, `/export.${format}${asked.size > 0 ? `?${asked}` : ''}`)
}
