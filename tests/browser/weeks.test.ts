import { expect } from 'chai'
import { expectAccessible, press, reads, Stage, saved } from '../support/browser'

describe('the calendar of weeks, and hours', () => {
  const stage = Stage.forThisFile()

  it('moves a due date with the keys, and tells beforehand what would come of it', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await stage.open(page, 'calendar')
    const marker = page.getByRole('button', { name: /^4\.8 Lab 2/ })
    const status = page.locator('.term-view .preview')
    await reads(marker.locator('xpath=ancestor::tr').locator('th'), /^6 11 Oct/)
    await marker.focus()
    await press(page, 'Space', 'ArrowRight')
    await reads(
      status,
      /^4\.8 Lab 2: Reading the bed: Mon 11 Oct → Tue 12 Oct \(week 6, 2nd of the module\)\..*Gone: 4\.8 Lab 2: Reading the bed is due Mon 11 Oct, a closed day/,
    )
    // Down is a week later: the break gives no date, which is said and refused.
    await press(page, 'ArrowDown')
    await reads(status, /Tue 19 Oct is not possible\. That day lies in no counted week/)
    await press(page, 'Escape')
    await reads(status, '')
    await press(page, 'Space', 'ArrowRight', 'ArrowRight', 'ArrowRight', 'Enter')
    await page.getByText('4.8 is due Thu 14 Oct.').waitFor()
    expect(await marker.locator('xpath=ancestor::td').getAttribute('data-tip')).to.equal('Thu 14 Oct')
    expect(await marker.evaluate((e) => e === document.activeElement)).to.equal(true)
    await saved(page)
    await press(page, 'Control+z')
    await page.waitForFunction(() => document.querySelector('[data-marker="a4-8"]')?.closest('td')?.dataset.tip?.startsWith('Mon 11 Oct'))
    await context.close()
  })

  it('moves it with the mouse, weighs the weeks anew while it is dragged, and goes from marker to marker with the arrows', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await stage.open(page, 'calendar')
    const marker = page.locator('[data-marker="a3-10"]')
    const hours = page.locator('.term-grid tbody tr').nth(2).locator('.hours-cell')
    const before = await hours.textContent()
    const from = await marker.boundingBox()
    const to = await page.locator('td[data-tip="Fri 24 Sep"]').boundingBox()
    if (!from || !to) throw new Error('nothing to drag')
    await page.mouse.move(from.x + 10, from.y + 8)
    await page.mouse.down()
    await page.mouse.move(from.x + 20, from.y + 20, { steps: 4 })
    await page.mouse.move(to.x + 20, to.y + 16, { steps: 8 })
    await reads(page.locator('.term-view .preview'), /3\.10 Lab 1.*→ Fri 24 Sep/)
    // The lab's 460 minutes now lie before Friday of week 3 and no longer in week 4.
    await page.waitForFunction(
      (text) => document.querySelectorAll('.term-grid tbody tr')[2]?.querySelector('.hours-cell')?.textContent !== text,
      before,
    )
    await page.mouse.up()
    await page.getByText('3.10 is due Fri 24 Sep.').waitFor()
    // What has no day in the term is named above the weeks, in sight.
    const lost = await page.getByRole('button', { name: '8.7 Check your units (Wed wk 2)' }).boundingBox()
    expect(lost?.y).to.be.lessThan(400)
    await page.locator('[data-marker="a1-2"]').focus()
    await press(page, 'ArrowRight')
    await page.waitForFunction(() => (document.activeElement as HTMLElement | null)?.dataset['marker'] === 'a1-6')
    await press(page, 'ArrowDown')
    await page.waitForFunction(() =>
      (document.activeElement as HTMLElement | null)?.closest('tr')?.querySelector('th')?.textContent?.startsWith('2'),
    )
    await press(page, 'Enter')
    await page.getByRole('complementary', { name: 'Details' }).waitFor()
    await expectAccessible(page, 'calendar of weeks')
    await context.close()
  })

  it('sets hours against credits, and estimates anew when an assumption changes', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await stage.open(page, 'calendar?show=hours')
    const credits = page.getByRole('region', { name: 'Hours against credits' })
    await reads(credits.getByRole('heading'), '129 h planned of 135 h')
    await credits.getByLabel('Credits are').selectOption('ects')
    await reads(credits.getByRole('heading'), '129 h planned of 75–90 h')
    await page.goto(`${stage.server.origin}/courses/small-streams/map?at=activity:a1-3&panel=details`)
    await page.getByLabel('Minutes, set by hand').fill('')
    await press(page, 'Enter')
    await page.getByRole('button', { name: '17 pages, as the title says' }).click()
    await page.getByText('Estimated 32 min').waitFor()
    await saved(page)
    await stage.open(page, 'calendar?show=hours')
    const assumptions = page.getByRole('region', { name: 'What times are estimated with' })
    await assumptions.getByLabel('A page of a textbook').fill('900')
    await press(page, 'Enter')
    await reads(page.getByRole('region', { name: 'Hours by kind' }).getByRole('row', { name: /^reading/ }), /8 activities, 1 estimated/)
    await assumptions.getByLabel('A page of a textbook').fill('0')
    await press(page, 'Enter')
    await reads(page.getByRole('alert'), 'More than nothing.')
    await press(page, 'Escape')
    await expectAccessible(page, 'hours')
    await stage.open(page, 'map?at=activity:a1-3&panel=details')
    // 17 x 900 words at 238 a minute are 64 minutes.
    await page.getByText('Estimated 64 min: 17 pages of 900 words').waitFor()
    await context.close()
    expect(stage.errors).to.deep.equal([])
  })
})
