/** Typing in the big course, and the JavaScript that each page brings. In real Chromium, frames not held back by a display. */
import { existsSync, statSync } from 'node:fs'
import { chromium, type Page } from 'playwright-core'
import { countRenders, restCounting, takeRenders } from '../support/renders'
import { judged, median, ms, quantile, type Section } from './measure'

/** 400 keys a minute. */
const PAUSE_MS = 150
const KEYS = 'the depth of the water at each vertical '

/**
 * Long lists grow and what is new is counted in the moments to spare: waits until that is done and nothing was added to the page for
 * a second. The first look at all statements, in the worker, is over then too; what is typed earlier shares the machine with it.
 */
async function standsWhole(page: Page): Promise<void> {
  if (await page.locator('#work').count()) await page.locator('[data-counted]').waitFor({ state: 'attached' })
  await page.evaluate(
    () =>
      new Promise<void>((done) => {
        let timer = setTimeout(done, 1000)
        const watch = new MutationObserver(() => {
          clearTimeout(timer)
          timer = setTimeout(done, 1000)
        })
        watch.observe(document.body, { childList: true, subtree: true })
      }),
  )
}

/** So many keys more are typed to count what they draw: counting takes its time, and is left out of theirs. */
const COUNTED = 10

/** So many keys are typed first: the browser makes machine code of what they run (as in `timed`). */
const WARM = 8

/**
 * From the key to the frame that shows it: the browser's own clock at the key event, then the task after the next frame. `first`: the
 * longest of the keys before that, with which the page gets warm. And the places that are drawn by further keys.
 */
export async function keyToPaint(page: Page, keys = KEYS): Promise<{ times: number[]; first: number; places: number[] }> {
  await standsWhole(page)
  await page.evaluate(() => {
    const times: number[] = []
    Object.assign(window, { __keys: times })
    window.addEventListener(
      'keydown',
      (event) => {
        const channel = new MessageChannel()
        channel.port1.onmessage = () => times.push(performance.now() - event.timeStamp)
        requestAnimationFrame(() => channel.port2.postMessage(null))
      },
      true,
    )
  })
  // A brisk typist's pause. The analysis answers from its worker within it: what it draws counts with the key.
  const type = async (key: string) => {
    await page.keyboard.type(key)
    await page.evaluate((pause) => new Promise((done) => setTimeout(done, pause)), PAUSE_MS)
  }
  await restCounting(page, true)
  for (const key of keys.slice(0, WARM)) await type(key)
  for (const key of keys) await type(key)
  const all = await page.evaluate(() => [...(window as unknown as { __keys: number[] }).__keys])
  const [first, times] = [Math.max(...all.slice(0, WARM)), all.slice(WARM)]
  await restCounting(page, false)
  const places: number[] = []
  for (const key of keys.slice(0, COUNTED)) {
    await takeRenders(page)
    await type(key)
    places.push((await takeRenders(page)).places.length)
  }
  return { times, first, places }
}

/** The course of 2,000 activities: opening, typing, a commit until the sums show it, and until the findings do. */
async function benchHuge(page: Page, origin: string, courseId: string): Promise<Section> {
  // When the analysis last answered: heard beside the application, which is as it is built.
  await page.addInitScript(() => {
    const Own = window.Worker
    window.Worker = class extends Own {
      constructor(url: string | URL, options?: WorkerOptions) {
        super(url, options)
        if (options?.type !== 'module') return
        this.addEventListener('message', () => Object.assign(window, { __analysed: performance.now() }))
      }
    }
  })
  const opened: number[] = []
  for (let n = 0; n < 3; n++) {
    await page.goto(`${origin}/courses/${courseId}/map`)
    await page.locator('[data-row="a1-3"] [data-column="1"]').waitFor()
    opened.push(await page.evaluate(() => performance.now()))
    // What is drawn when there is time is drawn, so that a key is counted for what it draws itself.
    await page.locator('[data-counted]').waitFor({ state: 'attached' })
    await page.waitForFunction(() => document.querySelectorAll('[data-record^="objective "]').length % 300 === 0)
  }
  await page.getByRole('button', { name: /^Findings \d+/ }).waitFor()
  await page.locator('[data-row="a1-3"] [data-column="1"]').click()
  await page.keyboard.press('F2')
  await page.keyboard.press('End')
  const cell = await keyToPaint(page)
  await page.keyboard.press('Escape')
  const minutes = page.locator('[data-record="activity a1-3"] [data-field="minutes"]')
  const sums: number[] = []
  const findings: number[] = []
  for (let n = 0; n < 12; n++) {
    await minutes.click()
    await page.keyboard.type(String(40 + n))
    // From Enter until the bar of sums is written anew, and until the analysis has answered for it.
    await page.evaluate(() => {
      const seen = { sums: 0, findings: 0 }
      Object.assign(window, { __seen: seen })
      window.addEventListener(
        'keydown',
        (event) => {
          const at = event.timeStamp
          const watch = new MutationObserver(() => {
            seen.sums ||= performance.now() - at
          })
          for (const head of document.querySelectorAll('tr.head'))
            watch.observe(head, { subtree: true, childList: true, characterData: true })
          const analysed = setInterval(() => {
            const last = (window as unknown as { __analysed: number }).__analysed
            if (last <= at) return
            clearInterval(analysed)
            seen.findings = last - at
          }, 5)
        },
        { capture: true, once: true },
      )
    })
    await page.keyboard.press('Enter')
    await page.waitForFunction(() => {
      const { sums, findings } = (window as unknown as { __seen: { sums: number; findings: number } }).__seen
      return sums > 0 && findings > 0
    })
    const seen = await page.evaluate(() => (window as unknown as { __seen: { sums: number; findings: number } }).__seen)
    sums.push(seen.sums)
    findings.push(seen.findings)
  }
  return {
    title: 'A course of two thousand activities',
    how: 'The demo course told for 29 catchments: 2,030 activities, 870 objectives. Opening is until the first rows stand in the table. A commit is a number of minutes and Enter, until the sum of the module is written anew and until the analysis, off the main thread, has answered for it.',
    lines: [
      judged('Opening', median(opened), 2000, ms),
      judged('Key to paint in a cell, p95', quantile(cell.times, 0.95), 16, ms),
      judged('Cells drawn a key, median', median(cell.places), 1, String),
      judged('Commit to sums, median', median(sums), 50, ms),
      judged('Commit to findings, median', median(findings), 200, ms),
    ],
  }
}

/** From a key until what it asks for stands in the page and is painted, in milliseconds. */
export async function keyUntil(page: Page, key: string, selector: string): Promise<number> {
  await page.evaluate((wanted) => {
    Object.assign(window, { __until: undefined })
    const pressed = (event: KeyboardEvent) => {
      if (['Control', 'Alt'].includes(event.key)) return
      window.removeEventListener('keydown', pressed, true)
      const look = () => {
        if (!document.querySelector(wanted)) return void requestAnimationFrame(look)
        const channel = new MessageChannel()
        channel.port1.onmessage = () => Object.assign(window, { __until: performance.now() - event.timeStamp })
        requestAnimationFrame(() => channel.port2.postMessage(null))
      }
      requestAnimationFrame(look)
    }
    window.addEventListener('keydown', pressed, true)
  }, selector)
  await page.keyboard.down('Control')
  // A hand takes a moment from the first key of the two to the second.
  await page.evaluate((pause) => new Promise((done) => setTimeout(done, pause)), PAUSE_MS)
  await page.keyboard.press(key)
  await page.keyboard.up('Control')
  await page.waitForFunction(() => (window as unknown as { __until?: number }).__until !== undefined)
  return page.evaluate(() => (window as unknown as { __until: number }).__until)
}

/** Going from one workspace to the next by keys, each fetched before, and asking for the palette. */
async function benchWays(page: Page): Promise<Section> {
  const VIEWS = [
    ['1', '.standing'],
    ['2', '[data-lines]'],
    ['3', '[role=grid]'],
    ['4', '.chart'],
  ] as const
  const changes: number[] = []
  const palettes: number[] = []
  for (let round = 0; round < 4; round++)
    for (const [key, selector] of VIEWS) {
      const took = await keyUntil(page, `Alt+${key}`, `#work :is(${selector})`)
      // The first round fetches.
      if (round > 0) changes.push(took)
      const opened = await keyUntil(page, 'k', '[role=dialog] [role=combobox]')
      if (round > 0) palettes.push(opened)
      await page.keyboard.press('Escape')
      await page.locator('[role=dialog]').waitFor({ state: 'detached' })
    }
  return {
    title: 'Ways in the big course',
    how: 'In the course of 700 activities by keys, from the key until it is painted: from workspace to workspace (brief, outcomes, map, assessment), and to the palette, each fetched before.',
    lines: [judged('Change of view, median', median(changes), 150, ms), judged('Palette open, median', median(palettes), 100, ms)],
  }
}

export async function benchBrowser(origin: string, chromiumPath: string, courseId: string, hugeId: string): Promise<Section[]> {
  const browser = await chromium.launch({
    executablePath: chromiumPath,
    args: ['--no-sandbox', '--disable-gpu', '--disable-gpu-vsync', '--disable-frame-rate-limit'],
  })
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, bypassCSP: true, locale: 'en-GB' })
  const page = await context.newPage()
  await countRenders(page)
  await page.goto(`${origin}/sign-in`)
  await page.getByRole('button', { name: /Ines/ }).click()
  await page.getByRole('heading', { name: 'My courses' }).waitFor()

  const opened: number[] = []
  const go = async (view: string, ready: string) => {
    await page.goto(`${origin}/courses/${courseId}/${view}`)
    await page.locator(ready).first().waitFor()
    await page.getByRole('button', { name: /^Findings \d+/ }).waitFor()
    opened.push(await page.evaluate(() => performance.now()))
  }
  await go('map', '[data-row="a1-3"] [data-column="1"]')
  await page.locator('[data-row="a1-3"] [data-column="1"]').click()
  await page.keyboard.press('F2')
  await page.keyboard.press('End')
  const cell = await keyToPaint(page)
  await page.keyboard.press('Escape')
  await go('outcomes', '[aria-label="Objective 1b"]')
  await page.locator('[aria-label="Objective 1b"]').click()
  await page.keyboard.press('End')
  const line = await keyToPaint(page)
  await page.goto(`${origin}/courses/museum-labels/review?show=rate`)
  await page.getByRole('button', { name: 'Begin with the set that ships' }).click()
  await page.getByRole('button', { name: /^P-1 / }).focus()
  const rating = await keyToPaint(page, '12'.repeat(KEYS.length / 2))
  await go('map', '[data-row="a1-3"] [data-column="1"]')
  const ways = await benchWays(page)
  const huge = await benchHuge(page, origin, hugeId)
  await page.goto('about:blank')
  await page.setContent('<textarea aria-label="plain"></textarea>')
  await page.locator('textarea').click()
  const plain = await keyToPaint(page)
  const typing: Section = {
    title: 'Typing in the big course',
    how: 'A title in the working table and an objective in the outline of the course of 700 activities, and ratings of a point of the set that ships, 40 keys each, findings on. From the key event to the task after the next frame, in software rendering; a page with one plain field tells what the machine itself takes at that moment. Places whose components ran are counted by React’s own marks at ten keys more, with what the analysis draws afterwards.',
    lines: [
      judged('Key to paint in a cell, p95', quantile(cell.times, 0.95), 16, ms),
      { what: 'Key to paint in a cell, median', value: ms(median(cell.times)) },
      judged('Cells drawn a key, median', median(cell.places), 1, String),
      judged('Key to paint in an objective, p95', quantile(line.times, 0.95), 16, ms),
      { what: 'Key to paint in an objective, median', value: ms(median(line.times)) },
      judged('Lines drawn a key, median', median(line.places), 1, String),
      { what: 'Lines drawn at the key that draws most (one that brings or ends a finding)', value: String(Math.max(...line.places)) },
      judged('Key to paint of a rating, p95', quantile(rating.times, 0.95), 16, ms),
      { what: 'Key to paint of a rating, median', value: ms(median(rating.times)) },
      { what: 'Key to paint in a page with one plain field, p95', value: ms(quantile(plain.times, 0.95)) },
      { what: 'Key to paint in a page with one plain field, median', value: ms(median(plain.times)) },
      { what: 'Opening the course until its findings are counted', value: ms(median(opened)) },
    ],
  }

  const views = {
    'Sign-in': '/sign-in',
    'My courses': '/',
    ...Object.fromEntries(
      ['brief', 'outcomes', 'map', 'assessment', 'calendar', 'syllabus', 'review'].map((v) => [
        `Course, ${v}`,
        `/courses/small-streams/${v}`,
      ]),
    ),
  }
  const lines = []
  for (const [name, path] of Object.entries(views)) {
    const fresh = await browser.newContext(name === 'Sign-in' ? {} : { storageState: await context.storageState() })
    const at = await fresh.newPage()
    const files = new Set<string>()
    at.on('request', (r) => {
      const { pathname } = new URL(r.url())
      if (pathname.endsWith('.js')) files.add(pathname)
    })
    await at.goto(origin + path, { waitUntil: 'networkidle' }).catch(() => undefined)
    await at.getByRole('heading').first().waitFor()
    const bytes = [...files].reduce((sum, file) => {
      const path = `dist/client${file}`
      return sum + statSync(existsSync(`${path}.gz`) ? `${path}.gz` : path).size
    }, 0)
    lines.push(judged(name, bytes / 1000, 350, (n) => `${n.toFixed(0)} kB`))
    await fresh.close()
  }
  await browser.close()
  return [
    typing,
    ways,
    huge,
    {
      title: 'JavaScript of each page',
      how: 'gzip, everything that the page asks for on its first visit to the demo course, workers included. The other workspaces are fetched when they are pointed at, the editor of rich text when somebody comes to write, the tagger when a statement is doubtful, and the count of new comments (15 kB) when somebody has been there for 2.5 s: none of it is counted.',
      lines,
    },
  ]
}
