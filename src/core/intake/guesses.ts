/** What was concluded rather than read. */
import type { Draft, DraftActivity } from './draft'
import type { Item } from './items'
import { valueAt } from './paths'
import type { IntakeGuess } from './understanding'

/** What an item concluded rather than read. */
export function guessesOfItem(draft: Draft, activity: DraftActivity, item: Item): void {
  if (item.amountGuess !== null && activity.points === item.amount?.value) draft.guess(activity, 'points', item.amountGuess)
  if (item.when && !item.dueSaid && activity.when === item.when)
    draft.guess(activity, 'due', `“${item.when.read}” stands beside it; it is read as when it is due`)
}

/** Guesses with their places and values, in the order of the tree; those whose value another source states are none any more. */
export function guessesOf(draft: Draft, tree: object, pathOf: (thing: object) => string | undefined): IntakeGuess[] {
  const guesses = [...draft.guesses].flatMap(([thing, fields]) => {
    const path = pathOf(thing)
    return path === undefined
      ? []
      : [...fields].map(([field, why]) => ({
          path: `${path}.${field}`,
          value: (valueAt(tree, `${path}.${field}`) ?? null) as IntakeGuess['value'],
          why,
        }))
  })
  return guesses.toSorted((a, b) => a.path.localeCompare(b.path, 'en', { numeric: true }))
}
