/** What holds in every view alike: accessible in light and in dark, nothing wider than a narrow window, all of it on paper. */
import { expect } from 'chai'
import type { Page } from 'playwright-core'
import { expectAccessibleInBoth, type Person, Stage } from '../support/browser'

const VIEWS = [
  'brief',
  'outcomes',
  'outcomes?show=spread',
  'outcomes?show=support',
  'outcomes?show=frameworks',
  'map',
  'map?show=picture',
  'map?show=spread',
  'map?show=sheet&module=m3',
  'map?show=sheet&module=m1&as=read',
  'map?show=matrix',
  'map?show=chains',
  'map?show=chains&as=table',
  'map?show=pattern',
  'assessment',
  'assessment?show=rubrics',
  'assessment?show=try',
  'assessment?show=marking',
  'calendar',
  'calendar?show=agenda',
  'calendar?show=hours',
  'syllabus',
  'bring',
  'bring?show=skeleton',
  'history',
  'snapshots',
  'bring?show=course',
  'review?show=rate',
  'review?show=compare',
  'review?show=actions',
  'review?show=report',
  'review?show=sets',
  'review?show=colours',
  'help',
]
const PANELS = ['map?panel=details&at=activity:a4-8', 'map?panel=findings', 'map?panel=comments', 'outcomes?panel=details&at=objective:o5c']

/** What of the page is wider than the window, but for what scrolls in a frame of its own. */
const tooWide = (page: Page) =>
  page.evaluate(() => {
    const width = document.documentElement.clientWidth
    if (document.documentElement.scrollWidth <= width) return []
    const inFrame = (e: Element) => {
      for (let p = e.parentElement; p; p = p.parentElement) if (/auto|scroll|hidden/.test(getComputedStyle(p).overflowX)) return true
      return false
    }
    return [...document.querySelectorAll('body *')]
      .filter((e) => e.getBoundingClientRect().right > width + 1 && !inFrame(e))
      .slice(0, 4)
      .map((e) => `${e.tagName} ${e.className} ${(e.textContent ?? '').slice(0, 30)}`)
  })

/** What of the frame is on paper, and what is cut there. */
const cutOnPaper = (page: Page) =>
  page.evaluate(() => {
    const shown = (e: Element) => e.getClientRects().length > 0
    const frame = [...document.querySelectorAll('.top, .strip, .panel, .notice')].filter(shown).map((e) => `shows ${e.className}`)
    // What scrolls on the screen is cut on paper, unless it is as high as what it holds.
    const scrolled = [...document.querySelectorAll('#work, #work *')]
      .filter((e) => shown(e) && /auto|scroll|hidden/.test(getComputedStyle(e).overflowY) && e.scrollHeight > e.clientHeight + 4)
      .filter((e) => e.clientHeight > 40)
      .map((e) => `cuts ${e.tagName} ${e.className}`)
    // A sentence in a column as wide as a word is not read.
    const squeezed = [...document.querySelectorAll('#work *')]
      .filter((e) => shown(e) && e.children.length === 0 && (e.textContent ?? '').trim().length > 24)
      .filter((e) => e.getBoundingClientRect().width < 70 && e.getBoundingClientRect().height > 120)
      .map((e) => `squeezes ${e.tagName} ${(e.textContent ?? '').slice(0, 30)}`)
    return [...frame, ...scrolled, ...squeezed]
  })

describe('every view is accessible in light and dark, fits narrow windows and paper:', () => {
  const stage = Stage.forThisFile()
  let person: Person
  before(async () => {
    person = await stage.signedIn(/Ines/)
  })
  const holds = async (page: Page, where: string, inFrame: boolean) => {
    await expectAccessibleInBoth(page, where)
    for (const width of [640, 390]) {
      await page.setViewportSize({ width, height: 800 })
      expect(await tooWide(page), `${where} at ${width} pixels`).to.deep.equal([])
    }
    await page.setViewportSize({ width: 1280, height: 800 })
    if (!inFrame) return
    // As wide as a sheet of A4, between usual margins.
    await page.setViewportSize({ width: 720, height: 1000 })
    await page.emulateMedia({ media: 'print' })
    expect(await cutOnPaper(page), `${where} on paper`).to.deep.equal([])
    await page.emulateMedia({ media: 'screen' })
    await page.setViewportSize({ width: 1280, height: 800 })
  }

  for (const view of [...VIEWS, ...PANELS])
    it(view, async () => {
      const { page } = person
      await stage.open(page, view)
      await page.locator('#work [aria-busy=true]').first().waitFor({ state: 'detached' })
      await holds(page, view, true)
    })
  it('the list of courses, and the account', async () => {
    const { page } = person
    await stage.home(page)
    await holds(page, 'home', false)
    await page.goto(`${stage.server.origin}/account`)
    await page.getByRole('heading', { name: 'Colours' }).waitFor()
    await holds(page, 'account', false)
    expect(stage.errors).to.deep.equal([])
  })
})
