/**
 * Focus that never falls to the page. When the part that has it goes away or is switched off, it goes to what stands in its
 * place now: the same control of the next in the list, else the first control there, else the work as a whole.
 */
import { inSight, TABBABLE, toWorkItself } from './regions'

/** Where an element stood: its ancestors from the nearest outwards, each with the place it had among its siblings. */
type Place = { readonly element: HTMLElement; readonly sameAs: string; readonly way: readonly Step[] }
type Step = { readonly parent: Element; readonly at: number }

/** What a control is called: to find the like of it. */
function signature(element: Element): string {
  const words = element.matches('a,button,[role=button],[role=tab]') ? element.textContent?.trim().slice(0, 80) : ''
  return `${element.tagName} ${element.getAttribute('role') ?? ''} ${element.getAttribute('aria-label') ?? words ?? ''}`
}

function placeOf(element: HTMLElement): Place {
  const way: Step[] = []
  for (let child: Element = element, parent = element.parentElement; parent; child = parent, parent = parent.parentElement)
    way.push({ parent, at: [...parent.children].indexOf(child) })
  return { element, sameAs: signature(element), way }
}

const usable = (scope: Element): HTMLElement[] =>
  [...(scope.matches(TABBABLE) ? [scope as HTMLElement] : []), ...scope.querySelectorAll<HTMLElement>(TABBABLE)].filter(inSight)

/** Gives the focus to a control; false where it does not take it: what is seen only under the mouse, what a dialog keeps off. */
function takes(control: HTMLElement): boolean {
  control.focus()
  return document.activeElement === control
}

/** Gives the focus to the control that stands where one was lost; false where there is none beside it any more. */
function instead({ way, sameAs, element }: Place): boolean {
  for (const { parent, at } of way) {
    if (!parent.isConnected || parent === document.body) continue
    const there = parent.children[Math.min(at, parent.children.length - 1)]
    // Beside it: what follows, then what came before.
    const near = [there, ...[...parent.children].slice(at + 1), ...[...parent.children].slice(0, at).reverse()]
    for (const scope of near) {
      const controls = scope ? usable(scope).filter((c) => c !== element) : []
      const like = controls.find((c) => signature(c) === sameAs)
      if ((like && takes(like)) || controls.some(takes)) return true
    }
    if (parent.matches('[data-region]')) return false
  }
  return false
}

/** Until then whoever took a part away has put the focus where it belongs, or has not (Cairn default). */
const SETTLED_MS = 40
/** A page that goes on changing is not waited for longer than this (Cairn default). */
const LONGEST_MS = 120

const lost = ({ element }: Place): boolean => !element.isConnected || (element as HTMLButtonElement).disabled === true || !inSight(element)

/** Keeps the focus in the page, until the function that comes back is called. */
export function keepFocus(): () => void {
  let last: Place | null = null
  let timer: ReturnType<typeof setTimeout> | undefined
  /** When the loss that is waited for was seen. */
  let since: number | null = null
  const mend = () => {
    since = null
    // Another window has the keys: when this one is come back to.
    if (!document.hasFocus()) return window.addEventListener('focus', mend, { once: true })
    if (!last) return
    // What was switched off has the focus still where nothing has been drawn since.
    const off = document.activeElement === last.element && (last.element as HTMLButtonElement).disabled === true
    if (!off && (document.activeElement !== document.body || !lost(last))) return
    const place = last
    last = null
    // What is on its way there, a row that was asked for, takes the focus from it.
    if (!instead(place)) toWorkItself()
  }
  const gained = (e: FocusEvent) => {
    last = e.target instanceof HTMLElement && e.target !== document.body ? placeOf(e.target) : null
  }
  // Who clicks beside everything means it: then nothing is kept.
  const left = (e: FocusEvent) => {
    const of = last
    if (e.relatedTarget === null) queueMicrotask(() => of && last === of && !lost(of) && document.hasFocus() && (last = null))
  }
  // What is switched off keeps the focus until the page is drawn: it counts as lost at once.
  const observer = new MutationObserver(() => {
    if (!last || (document.activeElement !== document.body && (last.element as HTMLButtonElement).disabled !== true)) return
    since ??= performance.now()
    clearTimeout(timer)
    timer = setTimeout(mend, Math.max(0, Math.min(SETTLED_MS, since + LONGEST_MS - performance.now())))
  })
  observer.observe(document.body, { childList: true, subtree: true, attributes: true, attributeFilter: ['disabled', 'hidden'] })
  document.addEventListener('focusin', gained)
  document.addEventListener('focusout', left)
  return () => {
    observer.disconnect()
    clearTimeout(timer)
    window.removeEventListener('focus', mend)
    document.removeEventListener('focusin', gained)
    document.removeEventListener('focusout', left)
  }
}
