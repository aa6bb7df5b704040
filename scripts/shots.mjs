// Pictures of the main views for docs/screenshots, from the running demo (npm run demo in another terminal).
import { mkdirSync } from 'node:fs'
import { chromium } from 'playwright-core'
import { ensureChromium } from './lib/machine.mjs'
import { main, say, stop } from './lib/say.mjs'

const base = process.env.CAIRN_URL ?? 'http://127.0.0.1:4321'
const VIEWS = {
  outcomes: 'outcomes?panel=findings',
  map: 'map',
  comments: 'map?panel=comments&at=activity:a4-8',
  picture: 'map?show=picture',
  sheet: 'map?show=sheet&module=m1',
  matrix: 'map?show=matrix',
  chains: 'map?show=chains',
  assessment: 'assessment',
  rubric: 'assessment?at=rubric:lab2',
  calendar: 'calendar',
  hours: 'calendar?show=hours',
  syllabus: 'syllabus',
  brief: 'brief',
  review: 'review?show=compare',
}

/** Puts the first steps away: the pictures show the work. */
const knowsAll = (page) =>
  page.request.post(`${base}/api/auth/update-user`, {
    data: { seen: 'brief,outcomes,map,assessment,calendar,syllabus,review' },
    headers: { origin: base },
  })

/** Views in which a chart is fetched after the rest. */
const CHARTS = new Set(['picture', 'assessment', 'hours'])

main(async () => {
  await fetch(`${base}/sign-in`).catch(() => stop(`Nothing answers at ${base}. Start Cairn first: npm run demo`))
  mkdirSync('docs/screenshots', { recursive: true })
  const browser = await chromium.launch({ executablePath: ensureChromium(), args: ['--no-sandbox', '--disable-gpu'] })
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 }, locale: 'en-GB' })).newPage()
  const shoot = async (name) => {
    await page.evaluate(() => document.fonts.ready)
    await page.screenshot({ path: `docs/screenshots/${name}.png` })
    say(`docs/screenshots/${name}.png`)
  }
  await page.goto(`${base}/sign-in`)
  await page.getByRole('button', { name: /Ines Okafor/ }).click()
  await page.getByRole('link', { name: 'Measuring Small Streams' }).waitFor()
  await knowsAll(page)
  await shoot('home')
  for (const [name, address] of Object.entries(VIEWS)) {
    await page.goto(`${base}/courses/small-streams/${address}`)
    await page.getByRole('heading', { level: 1 }).first().waitFor()
    await page.getByRole('button', { name: /^Findings \d+/ }).waitFor()
    await page.locator('#work').waitFor()
    if (name === 'syllabus' || name === 'brief') await page.locator('.rich').first().waitFor()
    if (name === 'comments') await page.getByText('It should move').waitFor()
    if (name === 'review') await page.getByText('Tove is right').waitFor()
    if (name === 'chains') await page.locator('.chain-node').first().waitFor()
    if (name === 'matrix') await page.getByRole('grid').waitFor()
    if (CHARTS.has(name)) await page.locator('.chart svg, svg.picture').first().waitFor()
    await shoot(name)
  }
  // A day's work, as the log tells it.
  await page.goto(`${base}/courses/small-streams/outcomes`)
  await page.getByRole('textbox', { name: 'Objective 4a', exact: true }).focus()
  await page.keyboard.press('Alt+ArrowDown')
  await page.getByRole('combobox', { name: 'Thinking level of 2a' }).selectOption('evaluate')
  await page.locator('[role=status][data-waiting="0"]').waitFor()
  await page.getByRole('link', { name: 'History' }).click()
  await page
    .getByText(/^moved 4a/)
    .first()
    .waitFor()
  await shoot('history')
  await page
    .getByRole('button', { name: /^Take back/ })
    .first()
    .click()
  await page
    .getByRole('button', { name: /^Take back/ })
    .nth(1)
    .click()
  await page.locator('[role=status][data-waiting="0"]').waitFor()
  // Two people: one comes back to what the other changed meanwhile, and sees where she is.
  const ines = { context: page.context(), line: page.getByRole('textbox', { name: 'Objective 2a', exact: true }) }
  const other = await (await browser.newContext({ viewport: { width: 1280, height: 800 }, locale: 'en-GB' })).newPage()
  await other.goto(`${base}/sign-in`)
  await other.getByRole('button', { name: /Tove Rasmussen/ }).click()
  await other.getByRole('heading', { name: 'My courses' }).waitFor()
  await knowsAll(other)
  for (const p of [page, other]) {
    await p.goto(`${base}/courses/small-streams/outcomes`)
    await p.getByRole('button', { name: /^Findings \d+/ }).waitFor()
  }
  const theirs = other.getByRole('textbox', { name: 'Objective 2a', exact: true })
  await ines.context.setOffline(true)
  await ines.line.fill('Select a measuring reach by three stated criteria')
  await ines.line.blur()
  await page.getByText('1 waiting').waitFor()
  await theirs.fill('Select a measuring reach by criteria of your own')
  await theirs.blur()
  await other.locator('[role=status][data-waiting="0"]').waitFor()
  await ines.context.setOffline(false)
  await page.getByRole('heading', { name: /^Conflicts/ }).waitFor()
  await other.getByRole('textbox', { name: 'Objective 2c', exact: true }).click()
  // The mark stands where she is now, not where she was.
  await page.waitForFunction(() => {
    const mark = document.querySelector('.presence-marks span')?.getBoundingClientRect()
    const line = document.querySelector('[aria-label="Objective 2c"]')?.getBoundingClientRect()
    return mark && line && Math.abs(mark.top - line.top) < 4
  })
  await page.getByRole('button', { name: 'Close', exact: true }).click()
  await shoot('together')
  await page.getByRole('button', { name: 'Keep theirs' }).click()
  await other.getByRole('button', { name: 'Undo' }).click()
  await other.locator('[role=status][data-waiting="0"]').waitFor()
  await other.context().close()
  // The course that hangs on a framework.
  await page.goto(`${base}/courses/solar-arrays/outcomes?show=frameworks`)
  await page
    .getByRole('table', { name: 'Framework items' })
    .or(page.getByRole('grid', { name: 'Framework items' }))
    .waitFor()
  await page.getByRole('button', { name: /^Findings \d+/ }).waitFor()
  await shoot('framework')
  // What is brought in, before it is stored.
  await page.goto(`${base}/courses/museum-labels/bring`)
  await page.getByRole('button', { name: 'Try it with a sample syllabus' }).click()
  await page.getByRole('region', { name: 'Where the pieces disagree' }).waitFor()
  await shoot('bring')
  await browser.close()
})
