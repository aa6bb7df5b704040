/** Watches in the browser that no key and no click on a control leaves the focus on the page itself. */
import type { Page } from 'playwright-core'

/** What the page says when it happens, before the action that did it. */
const LOST = 'focus fell to the page after'

/** Runs in the page, before all else. */
function watch(lost: string): void {
  /** After an action the page has this long to put the focus where the work goes on. */
  const SETTLED_MS = 500
  let timer: ReturnType<typeof setTimeout> | undefined
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
    timer = setTimeout(() => {
      const { activeElement } = document
      if (document.hasFocus() && (activeElement === null || activeElement === document.body)) console.warn(`${lost} ${what}`)
    }, SETTLED_MS)
  }
  window.addEventListener('keydown', acted, true)
  window.addEventListener('click', acted, true)
}

/** Begins to watch a page; `told` is given each loss. */
export async function watchFocus(page: Page, told: (loss: string) => void): Promise<void> {
  page.on('console', (message) => {
    if (message.text().startsWith(LOST)) told(`${message.text()} (${new URL(page.url()).pathname})`)
  })
  // The runner of the tests marks functions with their names.
  await page.addInitScript(`{ const __name = (f) => f; (${watch.toString()})(${JSON.stringify(LOST)}) }`)
}
