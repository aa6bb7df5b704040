/** The parts of the window by keys: round them with F6, from a row to its details and back. */
import { expect } from 'chai'
import type { Page } from 'playwright-core'
import { press, Stage } from '../support/browser'

describe('the parts of the window', () => {
  const stage = Stage.forThisFile()
  /** Where the focus is: the part, and what it is on. */
  const where = (page: Page) =>
    page.evaluate(() => {
      const at = document.activeElement
      const record = at?.closest('[data-record]')?.getAttribute('data-record')
      return [at?.closest('[data-region]')?.getAttribute('data-region') ?? 'page', record ?? at?.getAttribute('aria-label') ?? '']
    })

  it('are gone round with F6, each to where it was left, and back with Shift', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await stage.open(page, 'map?panel=findings')
    await page.locator('[data-record="activity a1-3"] [data-field="minutes"]').click()
    expect(await where(page)).to.deep.equal(['work', 'activity a1-3'])
    await press(page, 'F6')
    expect((await where(page))[0]).to.equal('panel')
    await press(page, 'F6')
    expect((await where(page))[0]).to.equal('strip')
    await press(page, 'F6')
    expect(await where(page)).to.deep.equal(['work', 'activity a1-3'])
    await press(page, 'Shift+F6', 'Shift+F6')
    expect((await where(page))[0]).to.equal('panel')
    await context.close()
  })
  it('are one key away: from a row to its details, and with Esc to the row again', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await stage.open(page, 'map')
    await page.locator('[data-record="activity a1-3"] [data-field="minutes"]').click()
    await press(page, 'Control+Alt+d')
    await page.getByRole('complementary', { name: 'Details' }).getByText('1.3').first().waitFor()
    expect((await where(page))[0]).to.equal('panel')
    await press(page, 'Escape')
    expect(await where(page)).to.deep.equal(['work', 'activity a1-3'])
    await press(page, 'Control+Alt+f')
    await page.getByRole('complementary', { name: 'Findings' }).waitFor()
    expect((await where(page))[0]).to.equal('panel')
    // The same key leads back.
    await press(page, 'Control+Alt+f')
    expect(await where(page)).to.deep.equal(['work', 'activity a1-3'])
    await context.close()
  })
  it('begin with where the work is done, where nobody was yet', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await stage.open(page, 'outcomes')
    await press(page, 'F6')
    expect((await where(page))[0]).to.equal('strip')
    await press(page, 'F6')
    expect(await where(page)).to.deep.equal(['work', 'outcome co1'])
    await context.close()
  })
  it('hold a table as one stop for Tab; what can be opened in a cell is reached inside it', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await stage.open(page, 'map')
    const cell = page.locator('[data-record="activity a1-8"] [data-field="objectives"]')
    const chips = cell.getByRole('button')
    expect(await chips.count()).to.be.greaterThan(1)
    await cell.click({ position: { x: 2, y: 2 } })
    const focused = () => page.evaluate(() => document.activeElement?.getAttribute('aria-label') ?? document.activeElement?.tagName)
    const names = await chips.evaluateAll((all) => all.map((e) => e.getAttribute('aria-label')))
    await press(page, 'Control+Enter')
    expect(await focused()).to.equal(names[0])
    await press(page, 'ArrowRight')
    expect(await focused()).to.equal(names[1])
    await press(page, 'ArrowLeft', 'Escape')
    expect(await focused()).to.equal('TD')
    await press(page, 'Tab')
    expect(await page.evaluate(() => document.activeElement?.closest('[role=grid]') ?? null)).to.equal(null)
    await press(page, 'Shift+Tab', 'Control+Enter', 'Enter')
    await page.waitForURL(/outcomes/)
    await page.locator('[data-record^="objective"] :focus').waitFor()
    await context.close()
  })
})
