import { readFileSync } from 'node:fs'
import { expect } from 'chai'
import { XMLParser, XMLValidator } from 'fast-xml-parser'
import type { Page } from 'playwright-core'
import { expectAccessible, press, reads, Stage } from '../support/browser'

describe('the course picture', () => {
  const stage = Stage.forThisFile()
  const onPicture = async () => {
    const person = await stage.signedIn(/Ines/)
    await stage.open(person.page, 'map')
    await person.page.getByRole('button', { name: 'Picture', exact: true }).click()
    await person.page.locator('svg.picture .mark').first().waitFor()
    return person
  }
  const stone = (page: Page, key: string) => page.locator(`[data-mark="${key}"]`)

  it('shows every activity in its lanes, what is not assessed, hours and shares, and is accessible', async () => {
    const { context, page } = await onPicture()
    expect(await page.locator('svg.picture .mark').count()).to.be.greaterThan(60)
    await page.getByText('3e not assessed yet').first().waitFor()
    await page.getByText('target 9–12').waitFor()
    expect(await stone(page, 'co2 a2-8').getAttribute('aria-label')).to.match(
      /^2\.8 Visit plan, demonstrate, \d+ min, 10 % of the grade, assesses CO2, through Hazards with what is done about each; Steps that another person can repeat; Equipment for one hour$/,
    )
    await expectAccessible(page, 'picture')
    await page.reload()
    await page.locator('svg.picture .mark').first().waitFor()
    await context.close()
  })

  it('goes from stone to stone by keys and to the row at Enter; a click does the same', async () => {
    const { context, page } = await onPicture()
    await stone(page, 'co1 a1-3').focus()
    await press(page, 'ArrowRight')
    expect(await page.evaluate(() => document.activeElement?.getAttribute('data-mark'))).to.equal('co1 a1-4')
    await reads(page.locator('.picture-key'), /1\.4 Video: One storm/)
    await press(page, 'Enter')
    await page.locator('[data-row="a1-4"] td.active, [data-row="a1-4"] [tabindex="0"]').first().waitFor()
    await page.goBack()
    await stone(page, 'co2 a2-8').hover()
    expect(
      Number(
        await stone(page, 'co6 a8-1')
          .getAttribute('opacity')
          .catch(() => '0.2'),
      ),
    ).to.be.lessThan(1)
    await stone(page, 'co2 a2-8').click()
    await page.locator('[data-row="a2-8"]').waitFor()
    await context.close()
  })

  it('follows the plan: linking an objective fills the hole', async () => {
    const { context, page } = await onPicture()
    await page.getByText('4a not assessed yet').first().waitFor()
    await page.getByRole('button', { name: 'Modules', exact: true }).click()
    // By the title: the middle of a cell of links is a link.
    await page.locator('[data-row="a4-8"] [data-column="1"]').click()
    await press(page, 'ArrowRight', 'ArrowRight', 'ArrowRight', 'ArrowRight', 'F2', 'End')
    await page.keyboard.type(', 4a A')
    await press(page, 'Enter')
    await page.getByRole('button', { name: 'Picture', exact: true }).click()
    await page.locator('svg.picture .mark').first().waitFor()
    expect(await page.getByText('4a not assessed yet').count()).to.equal(0)
    await context.close()
  })

  it('reads as a table, and sizes by the grade', async () => {
    const { context, page } = await onPicture()
    const width = (key: string) => stone(page, key).locator('.ring').getAttribute('width').then(Number)
    const byMinutes = await width('co1 a1-3')
    await page.getByLabel('Size of the stones').selectOption('grade')
    expect(await width('co1 a1-3')).to.be.lessThan(byMinutes)
    await page.getByRole('button', { name: 'As a table' }).click()
    const row = page.getByRole('row', { name: /CO2/ })
    await reads(row, /2\.8/)
    await expectAccessible(page, 'coverage table')
    await row.getByRole('button', { name: 'activity 2.8' }).first().click()
    await page.locator('[data-row="a2-8"]').waitFor()
    await context.close()
  })

  it('is saved as SVG that stands alone, and as PNG', async () => {
    const { context, page } = await onPicture()
    const saved = async (entry: string) => {
      await page.getByRole('button', { name: 'Save the picture' }).click()
      const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('menuitem', { name: entry }).click()])
      return { name: download.suggestedFilename(), bytes: readFileSync(await download.path()) }
    }
    const svg = await saved('Save as SVG')
    expect(svg.name).to.equal('HYD 214 picture.svg')
    const text = svg.bytes.toString('utf8')
    expect(XMLValidator.validate(text)).to.equal(true)
    expect(text).to.not.include('var(--')
    // The letters come with it.
    expect(text).to.match(/@font-face\{[^}]*src:url\(data:font\/woff2;base64,/)
    const root = new XMLParser({ ignoreAttributes: false }).parse(text)
    expect(Number(root.svg['@_width'])).to.be.greaterThan(800)
    const png = await saved('Save as PNG')
    expect([...png.bytes.subarray(0, 8)]).to.deep.equal([137, 80, 78, 71, 13, 10, 26, 10])
    // Width and height stand at bytes 16 and 20 of a PNG.
    expect(png.bytes.readUInt32BE(16)).to.equal(2 * Math.round(Number(root.svg['@_width'])))
    expect(stage.errors).to.deep.equal([])
    await context.close()
  })

  it('says in an empty course what it needs', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await stage.home(page)
    await page.getByRole('button', { name: 'New course' }).click()
    await page.getByLabel('Title').fill('Empty')
    await page.getByRole('button', { name: 'Make the course' }).click()
    await page.getByRole('textbox', { name: 'New outcome' }).waitFor()
    await page.getByRole('link', { name: 'Map' }).click()
    await page.getByRole('button', { name: 'Picture', exact: true }).click()
    await page.getByText('The picture needs outcomes for its lanes').waitFor()
    await context.close()
  })
})
