/** How many keys the frequent ways take, each gone by keys alone in the demo course, from where one is to where the work goes on. */
import { chromium, type Page } from 'playwright-core'
import { WORKSPACES } from '../../src/core/workspaces'
import type { Section } from './measure'

type Hands = {
  /** Presses keys, each counted. */
  readonly press: (...keys: readonly string[]) => Promise<void>
  /** Types words, counted apart. */
  readonly type: (text: string) => Promise<void>
  readonly page: Page
}
type Way = {
  readonly what: string
  /** The view it begins in, and the element that has the focus there. */
  readonly from: readonly [view: string, element: string]
  readonly go: (hands: Hands) => Promise<void>
  /** What the page shows, or has the focus in, when it is done. */
  readonly done: string | ((page: Page) => Promise<unknown>)
}

const title = (row: string) => `[data-row="${row}"] [data-column="1"]`
const WAYS: readonly Way[] = [
  {
    what: 'From a row to its details',
    from: ['map', title('a1-3')],
    go: ({ press }) => press('Control+Alt+d'),
    done: '.panel :focus, .panel:focus-within',
  },
  {
    what: 'From the details back to the row',
    from: ['map?panel=details&at=activity:a1-3', '#panel-body'],
    go: ({ press }) => press('Escape'),
    done: '[role=grid] :focus',
  },
  {
    what: 'An activity with part, kind, objective and minutes',
    from: ['map', title('new m1')],
    go: async ({ press, type }) => {
      for (const text of ['Walk', 'Try', 'lab']) {
        await type(text)
        await press('Tab')
      }
      // The purpose is proposed by the kind.
      await press('ArrowRight')
      for (const text of ['1a', '30']) {
        await type(text)
        await press('Tab')
      }
    },
    done: 'tr:has-text("Walk"):has-text("30")',
  },
  {
    what: 'A row moved down',
    from: ['map', title('a1-3')],
    go: ({ press }) => press('Alt+ArrowDown'),
    done: 'tr:has-text("1.4"):has-text("hillslope")',
  },
  {
    what: 'One value in four rows',
    from: ['map', '[data-row="a3-1"] [data-column="6"]'],
    go: ({ press }) => press('Shift+ArrowDown', 'Shift+ArrowDown', 'Shift+ArrowDown', 'Control+d'),
    done: '[role=log] :text("3 cells filled")',
  },
  {
    what: 'An objective, with its level and two outcomes',
    from: ['outcomes', '[aria-label="New objective in module 1"]'],
    go: async ({ press, type, page }) => {
      await type('Sketch a catchment')
      await press('Tab')
      await page.waitForFunction(() => document.activeElement?.getAttribute('aria-label')?.startsWith('Thinking level'))
      await press('Tab')
      await page.waitForFunction(() => document.activeElement?.tagName === 'INPUT')
      await type('1 3')
      await press('Enter')
    },
    done: '[data-record^="objective"]:has-text("Sketch a catchment"):has-text("CO3"), .line:has(textarea):has-text("CO3")',
  },
  {
    what: 'The proposed wording of an objective',
    from: ['outcomes', '[aria-label="Objective 5c"]'],
    go: ({ press }) => press('Alt+Enter'),
    done: (page) =>
      page.waitForFunction(() => {
        const line = document.querySelector<HTMLTextAreaElement>('[data-record="objective o5c"] textarea')
        return line !== null && !line.value.startsWith('Understand')
      }),
  },
  {
    what: 'A due date a day later',
    from: ['calendar', '[data-marker="a4-8"]'],
    go: ({ press }) => press('Space', 'ArrowRight', 'Enter'),
    done: '[data-marker="a4-8"]:focus',
  },
  {
    what: 'To any record',
    from: ['brief', '#work'],
    go: async ({ press, type, page }) => {
      await press('Control+k')
      await page.getByRole('combobox').waitFor()
      await type('3.10')
      await page.getByRole('option').first().waitFor()
      await press('Enter')
    },
    done: '[data-row="a3-10"]',
  },
  {
    what: 'A word replaced in the whole course',
    from: ['outcomes', '#work'],
    go: async ({ press, type, page }) => {
      await press('Control+f')
      await page.getByLabel('Find', { exact: true }).waitFor()
      await type('hydrograph')
      const focused = () => page.evaluate(() => (document.activeElement as HTMLInputElement | null)?.labels?.[0]?.textContent ?? '')
      while (!(await focused()).startsWith('Replace with')) await press('Tab')
      await type('flow curve')
      await page
        .getByRole('button', { name: /^Replace (all|it)/ })
        .first()
        .waitFor()
      while (!(await page.evaluate(() => /^Replace (all|it)/.test(document.activeElement?.textContent ?? '')))) await press('Tab')
      await press('Enter')
    },
    done: ':text("It stands nowhere in this course.")',
  },
]

export async function benchKeys(origin: string, chromiumPath: string): Promise<Section> {
  const browser = await chromium.launch({ executablePath: chromiumPath, args: ['--no-sandbox', '--disable-gpu'] })
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, bypassCSP: true, locale: 'en-GB' })
  const page = await context.newPage()
  await page.goto(`${origin}/sign-in`)
  await page.getByRole('button', { name: /Ines/ }).click()
  await page.getByRole('heading', { name: 'My courses' }).waitFor()
  await context.request.post(`${origin}/api/auth/update-user`, { data: { seen: WORKSPACES.join() }, headers: { origin } })
  const lines = []
  for (const { what, from, go, done } of WAYS) {
    let keys = 0
    let words = 0
    const press = async (...all: readonly string[]) => {
      for (const key of all) {
        await page.keyboard.press(key)
        await page.evaluate(() => new Promise((drawn) => requestAnimationFrame(() => setTimeout(drawn))))
        keys++
      }
    }
    const type = async (text: string) => {
      await page.keyboard.type(text)
      words += text.length
    }
    await page.goto(`${origin}/courses/small-streams/${from[0]}`)
    await page.getByRole('button', { name: /^Findings \d+/ }).waitFor()
    const start = page.locator(from[1]).first()
    // A cell is where the table is only when it was gone to.
    if (from[1].includes('data-column')) await start.click()
    else await start.focus()
    await go({ press, type, page })
    const reached = typeof done === 'string' ? page.locator(done).first().waitFor({ state: 'attached', timeout: 5000 }) : done(page)
    await reached.catch((error) => {
      throw new Error(`${what}: ${error}`)
    })
    lines.push({ what, value: `${keys}${words > 0 ? ` and ${words} characters` : ''}` })
  }
  await browser.close()
  return {
    title: 'Keys of ten frequent ways',
    how: 'Presses of keys, and beside them the characters that are typed, in the demo course. A key with Ctrl, Alt or Shift counts as one. Before the one interface kit the way from a row to its details took 62 presses of Tab.',
    lines,
  }
}
