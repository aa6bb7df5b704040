import { expect } from 'chai'
import type { BrowserContext, Page } from 'playwright-core'
import { press, reads, Stage } from '../support/browser'
import { KillableBrowser } from '../support/killed'

/**
 * What is written down of what is being typed, and on the disk: asked by a transaction that writes as strictly, since one that only
 * reads sees what another has not brought to the disk yet.
 */
const drafts = (page: Page) =>
  page.evaluate(
    () =>
      new Promise<readonly string[]>((done, failed) => {
        const opening = indexedDB.open('cairn')
        opening.onerror = () => failed(opening.error)
        opening.onsuccess = () => {
          const tx = opening.result.transaction('drafts', 'readwrite', { durability: 'strict' })
          const asked = tx.objectStore('drafts').getAll()
          tx.oncomplete = () => {
            opening.result.close()
            const here = location.pathname.split('/')[2]
            done(asked.result.filter((d: { courseId: string }) => d.courseId === here).map((d: { text: string }) => d.text))
          }
        }
      }),
  )
const waitForDrafts = async (page: Page, holds: (texts: readonly string[]) => boolean) => {
  while (!holds(await drafts(page))) await page.evaluate(() => new Promise(requestAnimationFrame))
}
const writtenDown = (page: Page, text: string) => waitForDrafts(page, (all) => all.includes(text))

describe('what is being typed when a browser is killed', () => {
  const stage = Stage.forThisFile()
  const browser = new KillableBrowser()
  afterEach(() => browser.kill())
  after(() => browser.clear())

  const opened = async (context: BrowserContext, view: string, course?: string): Promise<Page> => {
    await context.addCookies(await (await stage.signedIn(/Ines/)).context.cookies())
    const page = await context.newPage()
    await page.addInitScript('globalThis.__name ??= (f) => f')
    await stage.open(page, view, course)
    return page
  }
  /** The page's process dies; nothing of it can be asked any more. */
  const crash = async (context: BrowserContext, page: Page) => {
    const died = page.waitForEvent('crash')
    void (await context.newCDPSession(page)).send('Page.crash').catch(() => undefined)
    await died
  }
  const line = (page: Page, number: string) => page.getByRole('textbox', { name: `Objective ${number}`, exact: true })

  /** Places where people type, and how. */
  const PLACES: readonly (readonly [view: string, type: (page: Page, text: string) => Promise<void>])[] = [
    [
      'outcomes',
      async (page, text) => {
        await line(page, '1a').click()
        await press(page, 'Control+a')
        await page.keyboard.type(text)
      },
    ],
    [
      'map',
      async (page, text) => {
        await page.locator('[data-row="a1-3"] [data-field="title"]').click()
        await press(page, 'F2', 'Control+a')
        await page.keyboard.type(text)
      },
    ],
    [
      'brief',
      async (page, text) => {
        await page.getByLabel('Subtitle').fill('')
        await page.getByLabel('Subtitle').pressSequentially(text)
      },
    ],
  ]
  /** Waits until the plan at the server holds a text. */
  const isStored = async (page: Page, text: string) => {
    const plan = async () => (await page.request.get(`${stage.server.origin}/api/courses/small-streams`)).text()
    while (!(await plan()).includes(text)) await page.evaluate(() => new Promise(requestAnimationFrame))
  }

  it('is in the plan when it is opened again, twenty times of twenty', async () => {
    const texts: string[] = []
    for (let n = 0; n <= 20; n++) {
      const [view, type] = PLACES[n % PLACES.length] ?? PLACES[0] ?? []
      const page = await opened(await browser.start(), view ?? '')
      const before = texts.at(-1)
      if (before) await isStored(page, before)
      const text = `Measure the flow at weir ${n} in mid-wor`
      await type?.(page, text)
      await writtenDown(page, text)
      await browser.kill()
      texts.push(text)
    }
    expect(texts).to.have.lengthOf(21)
  })

  it('is kept as text where it was no field yet, until it is let go', async () => {
    const page = await opened(await browser.start(), 'outcomes')
    await page.getByRole('textbox', { name: 'New objective in module 1' }).pressSequentially('Draw a reach from above')
    await writtenDown(page, 'Draw a reach from above')
    await browser.kill()
    const again = await opened(await browser.start(), 'outcomes')
    await again.getByRole('heading', { name: 'Being typed when a window was closed: 1 text, kept here' }).waitFor()
    await again.getByText('Draw a reach from above').waitFor()
    await again.reload()
    await again.getByText('Draw a reach from above').waitFor()
    await again.getByRole('button', { name: 'Let go' }).press('Enter')
    await again.getByText('Draw a reach from above').waitFor({ state: 'detached' })
    await again.reload()
    await again.getByRole('button', { name: /^Findings \d+/ }).waitFor()
    expect(await again.getByText('Draw a reach from above').count()).to.equal(0)
  })

  it('is where it belongs, and told by nothing, after a reload or where the page was left', async () => {
    const page = await opened(await browser.start(), 'outcomes')
    await page.getByRole('textbox', { name: 'New objective in module 1' }).pressSequentially('Pace out a reach')
    await writtenDown(page, 'Pace out a reach')
    await page.reload()
    await isStored(page, 'Pace out a reach')
    await waitForDrafts(page, (all) => all.length === 0)
    await line(page, '1a').click()
    await press(page, 'Control+a')
    await page.keyboard.type('Weigh two maps')
    await writtenDown(page, 'Weigh two maps')
    await stage.open(page, 'brief')
    await isStored(page, 'Weigh two maps')
    await waitForDrafts(page, (all) => all.length === 0)
    expect(await page.getByText('Being typed when a window was closed').count()).to.equal(0)
    expect(await page.evaluate(() => Object.keys(localStorage).filter((k) => k.startsWith('cairn-draft')))).to.deep.equal([])
  })

  it('is shown where the course was removed meanwhile', async () => {
    const context = await browser.start()
    const page = await opened(context, 'outcomes', 'museum-labels')
    await page.getByRole('textbox', { name: 'New objective in module 1' }).pressSequentially('Hang a label at the eye')
    await writtenDown(page, 'Hang a label at the eye')
    await crash(context, page)
    const { origin } = stage.server
    const asked = (await stage.signedIn(/Ines/)).context.request
    const removed = await asked.put(`${origin}/api/courses/museum-labels/state`, {
      data: { state: 'removed', confirm: 'Writing Museum Labels' },
      headers: { origin },
    })
    expect(removed.ok(), await removed.text()).to.equal(true)
    const again = await context.newPage()
    await again.goto(`${origin}/courses/museum-labels/outcomes`)
    await again.getByText('This course was removed.').waitFor()
    await again.getByText('Hang a label at the eye').waitFor()
  })

  it('is taken over by another window that is open', async () => {
    const context = await browser.start()
    const stays = await opened(context, 'outcomes')
    const goes = await opened(context, 'outcomes')
    await line(goes, '1a').click()
    await press(goes, 'Control+a')
    await goes.keyboard.type('Compare two weirs in mid-wor')
    await writtenDown(goes, 'Compare two weirs in mid-wor')
    await crash(context, goes)
    await reads(stays.getByRole('log'), /What was being typed in “Objective 1a”/)
    await stays.waitForFunction(() => [...document.querySelectorAll('textarea')].some((e) => e.value === 'Compare two weirs in mid-wor'))
  })

  it('is no draft any more when it was committed or taken back', async () => {
    const page = await opened(await browser.start(), 'outcomes')
    await line(page, '1a').click()
    await press(page, 'Control+a')
    await page.keyboard.type('Never to be kept')
    await writtenDown(page, 'Never to be kept')
    await press(page, 'Escape')
    await waitForDrafts(page, (all) => all.length === 0)
  })
})
