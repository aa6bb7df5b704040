/** The design sheet in big courses: letters in a matrix of 60 by 300, cells with many columns beside them, the drawing of chains. */
import { writeFileSync } from 'node:fs'
import { chromium, type Page } from 'playwright-core'
import { matrixOf } from '../../src/core/design/matrix'
import { readNative } from '../../src/core/formats/native'
import { work as layOut } from '../../src/workers/tasks/lay-out-chains'
import { countRenders, restCounting } from '../support/renders'
import { cairn } from '../support/server'
import { keyToPaint } from './browser'
import { judged, median, ms, quantile, type Section, timed } from './measure'

const OBJECTIVES = 60
const ACTIVITIES = 300
const MODULES = 12

/** A course of 60 objectives and 300 activities, each serving two. */
function matrixCourse(): string {
  const n = (count: number) => Array.from({ length: count }, (_, i) => i)
  const moduleOf = (i: number, all: number) => `m${Math.floor((i * MODULES) / all)}`
  return JSON.stringify({
    format: 'cairn-blueprint',
    formatVersion: 6,
    course: {
      title: 'Sixty by three hundred',
      delivery: 'online-async',
      creditSystem: 'semester',
      credits: 3,
      weeks: MODULES,
      language: 'en-GB',
    },
    modules: n(MODULES).map((i) => ({ id: `m${i}`, title: `Reach ${i + 1}`, planning: 'planned', firstWeek: i + 1, lastWeek: i + 1 })),
    objectives: n(OBJECTIVES).map((i) => ({
      id: `o${i}`,
      moduleId: moduleOf(i, OBJECTIVES),
      statement: `Measure the depth at vertical ${i}`,
      origin: 'own',
    })),
    activities: n(ACTIVITIES).map((i) => ({
      id: `a${i}`,
      moduleId: moduleOf(i, ACTIVITIES),
      title: `Run ${i}`,
      kind: 'practice',
      minutes: 20,
    })),
    alignments: n(ACTIVITIES).flatMap((i) => [
      { activityId: `a${i}`, objectiveId: `o${i % OBJECTIVES}`, stages: ['practises'] },
      { activityId: `a${i}`, objectiveId: `o${(i * 7 + 3) % OBJECTIVES}`, stages: ['introduces'] },
    ]),
  })
}

/** The longest stretch for which the page's own thread was taken while something was done, in milliseconds. */
async function longest(page: Page, run: () => Promise<void>): Promise<number> {
  await page.evaluate(() => {
    const long: number[] = []
    Object.assign(window, { __long: long })
    new PerformanceObserver((list) => long.push(...list.getEntries().map((e) => e.duration))).observe({ type: 'longtask' })
  })
  await run()
  return page.evaluate(() => Math.max(0, ...(window as unknown as { __long: number[] }).__long))
}

export async function benchDesign(
  origin: string,
  databaseUrl: string,
  chromiumPath: string,
  file: string,
  hugeId: string,
): Promise<Section> {
  writeFileSync(file, matrixCourse())
  const { stdout, stderr } = await cairn(['import', file, '--owner', 'ines@larkfield.example'], { DATABASE_URL: databaseUrl })
  const id = /imported as (\S+),/.exec(stdout)?.[1]
  if (!id) throw new Error(stderr)
  const browser = await chromium.launch({
    executablePath: chromiumPath,
    args: ['--no-sandbox', '--disable-gpu', '--disable-gpu-vsync', '--disable-frame-rate-limit'],
  })
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 }, bypassCSP: true, locale: 'en-GB' })).newPage()
  await countRenders(page)
  await page.goto(`${origin}/sign-in`)
  await page.getByRole('button', { name: /Ines/ }).click()
  await page.getByRole('heading', { name: 'My courses' }).waitFor()
  await page.goto(`${origin}/courses/${id}/map?show=matrix`)
  const grid = page.getByRole('grid')
  await grid.waitFor()
  await page.getByRole('button', { name: /^Findings \d+/ }).waitFor()
  await grid.focus()
  // One letter after the other, each on and off: from the key until the sums stand.
  const letters = await keyToPaint(page, 'ppaaii'.repeat(8))
  if (process.env.ZZ) console.log(letters.times.map((t) => t.toFixed(0)).join(' '))
  const cells = await page.locator('.mx-cell').count()
  await restCounting(page, true)
  const scrolled = await longest(page, async () => {
    for (let i = 0; i < 30; i++) await page.mouse.wheel(220, 120)
    await page.locator('.mx-cell').first().waitFor()
  })
  await restCounting(page, false)
  // The big course, with the columns of teaching shown.
  await page.goto(
    `${origin}/courses/${hugeId}/map?columns=number*.title*.instructions.materials.interactions.timing.setting.grouping.buildsOn.minutes`,
  )
  await page.locator('[data-row="a1-3"] [data-field="title"]').waitFor()
  await page.getByRole('button', { name: /^Findings \d+/ }).waitFor()
  await page.locator('[data-row="a1-3"] [data-field="title"]').click()
  await page.keyboard.press('F2')
  await page.keyboard.press('End')
  const typed = await keyToPaint(page)
  if (process.env.ZZ) console.log(typed.times.map((t) => t.toFixed(0)).join(' '))
  await browser.close()
  const read = readNative(matrixCourse())
  if (!read.ok) throw new Error('the course of the matrix cannot be read')
  const computed = await timed(20, () => matrixOf({ ...read.value }, 'objectives'))
  const shape = {
    columns: 20,
    nodes: Array.from({ length: 142 }, (_, i) => ({ id: `n${i}`, column: Math.floor(i / 8) })),
    links: Array.from({ length: 141 }, (_, i) => ({ from: `n${i}`, to: `n${Math.min(141, i + 1 + (i % 9))}` })),
  }
  const drawn = await timed(3, () => layOut(shape, () => undefined))
  return {
    title: 'The design sheet in big courses',
    how: `A matrix of ${OBJECTIVES} objectives by ${ACTIVITIES} activities, and the course of 2,030 activities with ten columns of the design sheet. A letter is counted from its key until cell and sums are painted; boxes in the page: ${cells} of ${OBJECTIVES * ACTIVITIES}.`,
    lines: [
      judged('Letter to totals in the matrix, median', median(letters.times), 50, ms),
      judged('Letter to totals in the matrix, p95', quantile(letters.times, 0.95), 50, ms),
      { what: 'Letter to totals while the page gets warm, longest', value: ms(letters.first) },
      judged('Scrolling the matrix: longest task of the page', scrolled, 50, ms),
      { what: 'The matrix worked out anew', value: ms(median(computed)) },
      judged('Key to paint in a cell beside ten columns, p95', quantile(typed.times, 0.95), 16, ms),
      judged('Cells drawn a key, median', median(typed.places), 1, String),
      { what: '142 linked activities laid out, in a worker', value: ms(median(drawn)) },
    ],
  }
}
