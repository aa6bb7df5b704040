/**
 * Counts what React draws, in the built application as it is shipped: React tells each commit to a hook that is in the page
 * before it, and marks in every fiber whether its function ran.
 */
import type { Page } from 'playwright-core'

type Fiber = {
  readonly tag: number
  readonly flags: number
  readonly alternate: Fiber | null
  readonly child: Fiber | null
  readonly sibling: Fiber | null
  readonly return: Fiber | null
  readonly stateNode: unknown
}
type Counter = { commits: number; components: number; places: string[]; rests?: boolean }
/**
 * Numbers of the last question and of the last one answered; and whether what comes late has had its say in the findings as well: the
 * table of words, and the review that is watched from every workspace (`reviewed`: its findings are the next to come).
 */
type Questions = { asked: number; answered: number; tagged: boolean; reviewed: boolean; watched: boolean }

/** To be called before the page is opened. */
export async function countRenders(page: Page): Promise<void> {
  // The loader of the tests names inner functions through a helper that the page does not have.
  await page.addInitScript('globalThis.__name = (f) => f')
  await page.addInitScript(() => {
    const PERFORMED_WORK = 1
    const HOST = 5
    const seen: Counter = { commits: 0, components: 0, places: [] }
    const placeOf = (fiber: Fiber): string => {
      let down: Fiber | null = fiber
      while (down && down.tag !== HOST) down = down.child
      let up: Fiber | null = down ?? fiber
      while (up && up.tag !== HOST) up = up.return
      const element = up?.stateNode as Element | undefined
      const cell = element?.closest('[data-column]')
      const row = element?.closest('[data-row]')
      if (cell && row) return `${row.getAttribute('data-row')}/${cell.getAttribute('data-column')}`
      if (row) return `${row.getAttribute('data-row')}/row`
      const record = element?.closest('[data-record]')
      return record ? (record.getAttribute('data-record') ?? '') : (element?.tagName.toLowerCase() ?? '?')
    }
    const walk = (fiber: Fiber | null, before: Fiber | null): void => {
      for (let at = fiber; at; at = at.sibling) {
        const old = before === null ? null : at.alternate
        if (old !== null && at === old) continue
        // 0 function, 11 forwardRef, 14 and 15 memo.
        if ([0, 11, 14, 15].includes(at.tag) && (at.flags & PERFORMED_WORK) !== 0 && old !== at) {
          seen.components++
          seen.places.push(placeOf(at))
        }
        if (at.child && at.child !== old?.child) walk(at.child, old?.child ?? null)
      }
    }
    const hook = {
      supportsFiber: true,
      renderers: new Map(),
      inject: () => 1,
      checkDCE: () => undefined,
      onCommitFiberUnmount: () => undefined,
      onPostCommitFiberRoot: () => undefined,
      onCommitFiberRoot: (_: number, root: { current: Fiber }) => {
        if (seen.rests) return
        seen.commits++
        if (root.current.child && root.current.alternate) walk(root.current.child, root.current.alternate.child)
      },
    }
    Object.assign(window, { __REACT_DEVTOOLS_GLOBAL_HOOK__: hook, __renders: seen })
  })
}

/** Has the counting rest, which takes its own time at each commit, or go on. */
export const restCounting = (page: Page, rests: boolean): Promise<void> =>
  page.evaluate((on) => {
    const seen = (window as unknown as { __renders?: Counter }).__renders
    if (seen) seen.rests = on
  }, rests)

/** What was drawn since the last call: commits, components, and the cells or records they stand in. */
export const takeRenders = (page: Page): Promise<Counter> =>
  page.evaluate(() => {
    const seen = (window as unknown as { __renders: Counter }).__renders
    const taken = { commits: seen.commits, components: seen.components, places: [...new Set(seen.places)] }
    Object.assign(seen, { commits: 0, components: 0, places: [] })
    return taken
  })

/**
 * To be called before the page is opened. Lets its clock be held, and counts what the analysis is asked and answers, so that what
 * a key draws is told from what a pause draws, however slow the machine.
 */
export async function holdable(page: Page): Promise<void> {
  await page.clock.install()
  await followQuestions(page)
}

/** To be called before the page is opened. Counts what the analysis is asked and answers. */
export async function followQuestions(page: Page): Promise<void> {
  await page.addInitScript(() => {
    const questions: Questions = { asked: 0, answered: 0, tagged: false, reviewed: false, watched: false }
    Object.assign(window, { __questions: questions })
    const Own = window.Worker
    window.Worker = class extends Own {
      constructor(url: string | URL, options?: WorkerOptions) {
        super(url, options)
        this.addEventListener('message', ({ data }: MessageEvent<{ sequence?: number; reviewed?: object }>) => {
          if (data.reviewed) questions.reviewed = true
          if (data.sequence === undefined) return
          if (data.sequence === questions.answered) questions[questions.reviewed && !questions.watched ? 'watched' : 'tagged'] = true
          questions.answered = data.sequence
        })
      }
      override postMessage(message: { sequence?: number }): void {
        if (message.sequence !== undefined) questions.asked = message.sequence
        super.postMessage(message)
      }
    }
  })
}

/** Waits until the table of words, which comes late, has had its say in what was found and in what is marked on the page. */
export const tagged = (page: Page): Promise<unknown> =>
  page.waitForFunction(
    () =>
      (window as unknown as { __questions: Questions }).__questions.tagged &&
      (document.querySelector('.mirror') === null || document.documentElement.dataset['words'] === 'here'),
    undefined,
    { polling: 20 },
  )

/** Waits until what the newest review adds to the findings of a course with an action overdue stands; it comes late, and once. */
export const watched = (page: Page): Promise<unknown> =>
  page.waitForFunction(() => (window as unknown as { __questions: Questions }).__questions.watched, undefined, { polling: 20 })

/** Holds the page's clock when nothing is left to draw: no timer is due, no question of the analysis open. */
export async function holdStill(page: Page): Promise<void> {
  await tagged(page)
  await page.clock.pauseAt((await page.evaluate(() => Date.now())) + 5000)
  await answered(page)
  await takeRenders(page)
}

/** What one key draws: by itself, and by what the analysis then answers; on the held clock no pause in typing comes between. */
export async function drawnByKey(page: Page, key: string): Promise<Counter> {
  await takeRenders(page)
  const asked = await page.evaluate(() => (window as unknown as { __questions: Questions }).__questions.asked)
  await page.keyboard.type(key)
  await page.clock.runFor(100)
  await page.waitForFunction((before) => (window as unknown as { __questions: Questions }).__questions.asked > before, asked, {
    polling: 20,
  })
  await answered(page)
  return takeRenders(page)
}

/** Waits until the analysis has answered all it was asked. */
const answered = (page: Page): Promise<unknown> =>
  page.waitForFunction(
    () => {
      const { asked, answered } = (window as unknown as { __questions: Questions }).__questions
      return asked === answered
    },
    undefined,
    { polling: 20 },
  )
