/** Files of the open course: where they are fetched, and sending one. */
import { useCallback } from 'react'
import type { FileAddress } from '../../core/blueprint/rich-text'
import { err, ok, type Result } from '../../core/result'
import { courseAddress } from '../store/api'
import { type CourseStore, newId, useCourseStore } from '../store/course-store'
import { drawnAnew } from './draw-anew'

const addressOf = (courseId: string, id: string) => courseAddress(courseId, `/files/${encodeURIComponent(id)}`)

export function useFileAddress(): FileAddress {
  const { courseId } = useCourseStore()
  return useCallback((id: string) => addressOf(courseId, id), [courseId])
}

/** Draws a picture anew and sends it. Gives its id, or one sentence why not. */
export async function sendPicture({ courseId, state }: CourseStore, file: File): Promise<Result<string, string>> {
  const drawn = await drawnAnew(file)
  if (!drawn.ok) return drawn
  return sendBytes(courseId, state.viewer?.id ?? '', newId(), file.name, drawn.value)
}

/** Sends a picture as it is, under an id. */
export async function sendBytes(courseId: string, account: string, id: string, name: string, body: Blob): Promise<Result<string, string>> {
  try {
    const response = await fetch(`${addressOf(courseId, id)}?name=${encodeURIComponent(name)}`, {
      method: 'PUT',
      body,
      ...(account ? { headers: { 'x-cairn-account': account } } : {}),
    })
    if (response.ok) return ok(id)
    const said = (await response.json().catch(() => ({}))) as { title?: string }
    return err(said.title ?? 'The server did not take this picture.')
  } catch {
    return err('The server was not reached. A picture needs the line: try again when it is back.')
  }
}
