/** Shows the tips of the page (tip.ts), one at a time. The part that draws them is fetched with the first. */
import { useEffect, useState } from 'react'
import { laterFrom } from './later'

const Shown = laterFrom(
  () => import('./shown-tip'),
  (m) => m.ShownTip,
)

/** The pointer rests this long on something before its tip is shown (Cairn default). */
const REST_MS = 350

type Tip = { readonly at: HTMLElement; readonly text: string }
const tipAt = (target: EventTarget | null): Tip | null => {
  const at = target instanceof Element ? target.closest<HTMLElement>('[data-tip]') : null
  const text = at?.dataset['tip']
  return at && text ? { at, text } : null
}

export function Tips() {
  const [shown, setShown] = useState<Tip | null>(null)
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined
    const later = (tip: Tip | null) => {
      clearTimeout(timer)
      if (tip) timer = setTimeout(() => setShown(tip), REST_MS)
      else setShown(null)
    }
    const over = (e: Event) => later(tipAt(e.target))
    // Focus that came by keys: a click says already what somebody wants.
    const focused = (e: Event) => later(e.target instanceof Element && e.target.matches(':focus-visible') ? tipAt(e.target) : null)
    const gone = () => later(null)
    const key = (e: KeyboardEvent) => e.key === 'Escape' && later(null)
    document.addEventListener('pointerover', over)
    document.addEventListener('focusin', focused)
    for (const name of ['pointerdown', 'focusout', 'scroll'] as const) document.addEventListener(name, gone, true)
    document.addEventListener('keydown', key)
    return () => {
      clearTimeout(timer)
      document.removeEventListener('pointerover', over)
      document.removeEventListener('focusin', focused)
      for (const name of ['pointerdown', 'focusout', 'scroll'] as const) document.removeEventListener(name, gone, true)
      document.removeEventListener('keydown', key)
    }
  }, [])
  return shown?.at.isConnected ? <Shown at={shown.at} text={shown.text} /> : null
}
