/** Files of the open course: where they are fetched, and sending one. */
import { useCallback } from 'react'
import type { FileAddress } from '../../core/blueprint/rich-text'
import type { Result } from '../../core/result'
import { courseAddress } from '../store/api'
import { type CourseStore, newId, useCourseStore } from '../store/course-store'
import { drawnAnew } from './draw-anew'
import { fileAddress, sendBytes } from './send-bytes'

export function useFileAddress(): FileAddress {
  const { courseId } = useCourseStore()
  return useCallback((id: string) => fileAddress(courseId, id), [courseId])
}

/** Draws a picture anew and sends it; `seatId`: as evidence of a seat. Gives its id, or one sentence why not. */
export async function sendPicture({ courseId, state }: CourseStore, file: File, seatId?: string): Promise<Result<string, string>> {
  const drawn = await drawnAnew(file)
  if (!drawn.ok) return drawn
  const id = newId()
  // Whoever came by a link sends to the seat anyway.
  const isMembers = seatId !== undefined && state.viewer?.seatId === undefined
  const address = isMembers ? courseAddress(courseId, `/seats/${encodeURIComponent(seatId)}/files/${id}`) : fileAddress(courseId, id)
  return sendBytes(address, state.viewer?.id ?? '', file.name, drawn.value)
}
