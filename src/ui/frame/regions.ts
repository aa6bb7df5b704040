/**
 * The parts of the window that F6 goes round: strip, work, bars at what is chosen, panel. Each is come back to where it was left.
 * A part says so by `data-region`.
 */

/** What Tab stops at. */
export const TABBABLE =
  'a[href],button:not(:disabled),input:not(:disabled),select:not(:disabled),textarea:not(:disabled),[contenteditable=true],[tabindex="0"]'
/** Where work is done, before the choices above it. */
const WORK = '[role=grid] [tabindex="0"],[data-row][tabindex="0"],[data-lines] textarea'

const left = new WeakMap<Element, HTMLElement>()
const regionOf = (target: EventTarget | null) => (target instanceof Element ? target.closest('[data-region]') : null)
export const inSight = (element: HTMLElement): boolean => element.offsetParent !== null && element.tabIndex >= 0

/** Remembers where each part was left, until the function that comes back is called. */
export function followRegions(): () => void {
  const focused = (e: FocusEvent) => {
    const region = regionOf(e.target)
    if (region) left.set(region, e.target as HTMLElement)
  }
  document.addEventListener('focusin', focused)
  return () => document.removeEventListener('focusin', focused)
}

/** Goes to where a part was left; else to where its work is done, its first control, or the part itself. */
function enter(region: HTMLElement): void {
  const before = left.get(region)
  const all = (selector: string) => [...region.querySelectorAll<HTMLElement>(selector)].filter((e) => regionOf(e) === region)
  const to = before?.isConnected && inSight(before) ? before : (all(WORK).find(inSight) ?? all(TABBABLE).find(inSight) ?? region)
  to.focus()
}

/** Goes one part on, or back. */
export function toRegion(step: 1 | -1): void {
  const regions = [...document.querySelectorAll<HTMLElement>('[data-region]')]
  const at = regions.indexOf(regionOf(document.activeElement) as HTMLElement)
  const next = regions[(Math.max(at, step > 0 ? -1 : 0) + step + regions.length) % regions.length]
  if (next) enter(next)
}

/** Where the focus goes in a view that nothing of was asked for: the table it has, which keys go about in, else the work as a whole. */
export function toWorkItself(): void {
  const work = document.getElementById('work')
  const begins = work?.querySelector<HTMLElement>('[role=grid] [tabindex="0"],[data-row][tabindex="0"]') ?? work
  begins?.focus({ preventScroll: true })
}

/** Back to the work, to where one was in it. */
export function toWork(): void {
  const work = document.getElementById('work')
  if (work) enter(work)
}
