/** Commands and records by name: found by typing, gone to with Enter, and the focus goes along. */
import { expect } from 'chai'
import type { Page } from 'playwright-core'
import { expectAccessible, press, Stage } from '../support/browser'

describe('the palette', () => {
  const stage = Stage.forThisFile()
  const field = (page: Page) => page.getByRole('combobox', { name: /^Command, number or name/ })
  const find = async (page: Page, words: string) => {
    await press(page, 'Control+k')
    await field(page).fill(words)
    await page.getByRole('option').first().waitFor()
  }
  /** Waits until the focus is within what belongs to a record. */
  const focused = (page: Page, record: string) =>
    page.waitForFunction((key) => {
      const shown = document.querySelector(`[data-record="${key}"]`) ?? document.querySelector(`[data-row="${key.split(' ')[1]}"]`)
      return shown?.contains(document.activeElement)
    }, record)

  it('goes to what is typed, from every workspace, and the keys go on from there', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await stage.open(page, 'outcomes')
    await page.getByRole('textbox', { name: 'Objective 2a', exact: true }).click()
    await find(page, '3.10')
    await press(page, 'Enter')
    await page.waitForURL(/\/map\?at=activity:a3-10/)
    await focused(page, 'activity a3-10')
    await press(page, 'ArrowDown')
    await focused(page, 'activity a3-11')
    await find(page, '4b')
    await press(page, 'Enter')
    await page.waitForURL(/\/outcomes\?at=objective:o4b/)
    await focused(page, 'objective o4b')
    // A digit is a workspace; what no row shows leaves the focus in the work.
    await find(page, '5')
    await press(page, 'Enter')
    await page.waitForURL(/\/calendar/)
    await page.waitForFunction(() => document.activeElement?.id === 'work')
    await context.close()
  })
  it('is there for the mouse, shows its list, says when there is nothing, and Esc gives the focus back', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await stage.open(page, 'map')
    const button = page.getByRole('button', { name: 'Find or do' })
    await button.click()
    await field(page).fill('cal')
    const option = page.getByRole('option', { name: /^Go to Calendar/ })
    await option.waitFor()
    const [inSight, highest] = await option.evaluate((e) => {
      const box = e.getBoundingClientRect()
      return [e.contains(document.elementFromPoint(box.x + box.width / 2, box.y + box.height / 2)), box.bottom < innerHeight]
    })
    expect([inSight, highest]).to.deep.equal([true, true])
    await expectAccessible(page, 'palette')
    // Every heading of a group stands once.
    for (const words of ['s', 'a', '3', 'the']) {
      await field(page).fill(words)
      const groups = await page.locator('.MuiAutocomplete-groupLabel').allTextContents()
      expect(new Set(groups).size, words).to.equal(groups.length)
    }
    await field(page).fill('zzz')
    await page.getByText('Nothing of that name').waitFor()
    await press(page, 'Escape')
    await field(page).waitFor({ state: 'detached' })
    expect(await button.evaluate((e) => e === document.activeElement)).to.equal(true)
    await button.click()
    await field(page).fill('calendar')
    await page.getByRole('option', { name: /^Go to Calendar/ }).click()
    await page.waitForURL(/\/calendar/)
    expect(stage.errors).to.deep.equal([])
    await context.close()
  })
  it('leads an old link to what is gone to its history', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await stage.open(page, 'map?at=activity:gone&panel=details')
    await page.getByText('This activity is not in the plan.').waitFor()
    await page.getByRole('link', { name: 'What was changed here' }).waitFor()
    await stage.open(page, 'map?at=part:try&panel=details')
    await page.getByText('27 activities').waitFor()
    await context.close()
  })
})
