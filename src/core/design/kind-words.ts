/** What an activity is called a kind of. */
import type { Blueprint } from '../blueprint/blueprint'
import type { Activity } from '../blueprint/kinds'

/** Its own kind's title, else the kind; null while it is open. */
export const kindWords = (plan: Blueprint, activity: Pick<Activity, 'kind' | 'ownKindId'>): string | null =>
  plan.ownKind.get(activity.ownKindId ?? '')?.title ?? activity.kind
