/** What a cell of an activity or a module holds, fetched when something is first opened. */
import { laterFrom } from '../parts/later'

export const OpenedActivity = laterFrom(
  () => import('./opened-cell'),
  (m) => m.OpenedActivity,
)
export const OpenedModule = laterFrom(
  () => import('./opened-cell'),
  (m) => m.OpenedModule,
)
