/** Which objectives are pointed at and which are chosen: followed by single lines, so that no list is drawn anew. */
import { create } from 'zustand'

type Picked = {
  /** The objective pointed at, in the list or on a ladder. */
  readonly lit: string | null
  readonly chosen: ReadonlySet<string>
  /** Where a range begins. */
  readonly from: string | null
}
const NOTHING: Picked = { lit: null, chosen: new Set(), from: null }

export const usePicked = create<Picked>(() => NOTHING)

export const lightObjective = (id: string | null): void => usePicked.setState({ lit: id })
export const clearChosen = (): void => usePicked.setState({ chosen: NOTHING.chosen, from: null })

/** Takes an objective into the chosen ones, or out of them. */
export function toggleChosen(id: string): void {
  const chosen = new Set(usePicked.getState().chosen)
  if (!chosen.delete(id)) chosen.add(id)
  usePicked.setState({ chosen, from: id })
}

/** Chooses all from where the range began to this one, in the order given. */
export function chooseTo(id: string, order: readonly string[]): void {
  const { from } = usePicked.getState()
  const [a, b] = [order.indexOf(from ?? id), order.indexOf(id)]
  if (a < 0 || b < 0) return usePicked.setState({ chosen: new Set([id]), from: id })
  usePicked.setState({ chosen: new Set(order.slice(Math.min(a, b), Math.max(a, b) + 1)), from: from ?? id })
}
