/** Files of the open course: where they are fetched, and sending one. */
import { useCallback } from 'react'
import type { FileAddress } from '../../core/blueprint/rich-text'
import type { Result } from '../../core/result'
import { type CourseStore, newId, useCourseStore } from '../store/course-store'
import { drawnAnew } from './draw-anew'
import { fileAddress, sendBytes } from './send-bytes'

export function useFileAddress(): FileAddress {
  const { courseId } = useCourseStore()
  return useCallback((id: string) => fileAddress(courseId, id), [courseId])
}

/** Draws a picture anew and sends it. Gives its id, or one sentence why not. */
export async function sendPicture({ courseId, state }: CourseStore, file: File): Promise<Result<string, string>> {
  const drawn = await drawnAnew(file)
  if (!drawn.ok) return drawn
  return sendBytes(courseId, state.viewer?.id ?? '', newId(), file.name, drawn.value)
}
