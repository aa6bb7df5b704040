/** Watches in the browser that no key and no click on a control leaves the focus on the page itself. */
import type { Page } from 'playwright-core'

/** What the page says when it happens, before the action that did it. */
const LOST = 'focus fell to the page after'

/** Runs in the page, before all else. */
function watch(lost: string): void {
  /**
   * After an action the page has this long to put the focus where the work goes on, and as long again for what somebody else's
   * change took away in just that moment.
   */
  const SETTLED_MS = 500
  let timer: ReturnType<typeof setTimeout> | undefined
  let actedOn: Element | null = null
  let mended = false
  const onThePage = () => document.hasFocus() && (document.activeElement === null || document.activeElement === document.body)
  const name = (e: Element) => `${e.tagName.toLowerCase()} “${(e.getAttribute('aria-label') ?? e.textContent ?? '').trim().slice(0, 40)}”`
  const acted = (event: Event) => {
    const target = event.target instanceof Element ? event.target : null
    const control = target?.closest(
      'a,button,input,select,textarea,[contenteditable=true],[role=button],[role=gridcell],[role=option],[role=menuitem]',
    )
    clearTimeout(timer)
    // A click beside everything, and a key that nothing had, take the focus from nobody.
    if (!control || !event.isTrusted) return
    const what = `${event instanceof KeyboardEvent ? event.key : 'a click'} on ${name(control)}`
    actedOn = control
    timer = setTimeout(() => {
      if (!onThePage()) return
      // Where it has been somewhere meanwhile, this action's loss was mended: a later one is another's.
      mended = false
      timer = setTimeout(() => onThePage() && !mended && console.warn(`${lost} ${what}`), SETTLED_MS)
    }, SETTLED_MS)
  }
  // A test that fills a field and leaves it by script has gone on: what it leaves the focus on is its own doing.
  const wroteElsewhere = (event: Event) => event.target !== actedOn && clearTimeout(timer)
  window.addEventListener('focusin', () => {
    mended = true
  })
  window.addEventListener('keydown', acted, true)
  window.addEventListener('click', acted, true)
  window.addEventListener('input', wroteElsewhere, true)
}

/** Begins to watch a page; `told` is given each loss. */
export async function watchFocus(page: Page, told: (loss: string) => void): Promise<void> {
  page.on('console', (message) => {
    if (message.text().startsWith(LOST)) told(`${message.text()} (${new URL(page.url()).pathname})`)
  })
  // The runner of the tests marks functions with their names.
  await page.addInitScript(`{ const __name = (f) => f; (${watch.toString()})(${JSON.stringify(LOST)}) }`)
}
