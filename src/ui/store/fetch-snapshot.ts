/** A snapshot of a course as the server sends it, for the course opened as it was. */
import type { Snapshot } from '../../core/beside/snapshot'
import type { Records } from '../../core/blueprint/blueprint'
import { ask, courseAddress } from './api'
import type { SyncState, Viewer } from './sync-state'

type Found = { readonly viewer: Viewer; readonly snapshot: Snapshot; readonly records: Records }

/** The snapshot and who looks at it; else how the course is then. Whoever is not signed in is sent to where one signs in. */
export async function fetchSnapshot(courseId: string, id: string): Promise<Found | SyncState['status']> {
  const answer = await ask<Found>(courseAddress(courseId, `/snapshots/${encodeURIComponent(id)}`))
  if (answer.ok) return answer.value
  const { status } = answer.problem
  if (status === 401) window.location.assign(`/sign-in?to=${encodeURIComponent(window.location.pathname)}`)
  return status === 401 ? 'loading' : status === 404 ? 'missing' : status === 410 ? 'removed' : 'failed'
}
