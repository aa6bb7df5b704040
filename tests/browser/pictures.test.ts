/** Pictures of a course, and two offerings of one: by keys, and read back from the page that learners see. */
import { expect } from 'chai'
import { unzipSync } from 'fflate'
import { expectAccessible, press, reads, Stage, saved } from '../support/browser'
import { png } from '../support/pictures'

describe('pictures', () => {
  const stage = Stage.forThisFile()
  const weir = { name: 'weir.png', mimeType: 'image/png', buffer: png(48, 4) }

  it('stand on the cover and in texts, on the public page too, and come along in an archive', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await stage.open(page, 'brief')
    await page.getByRole('button', { name: /cover picture…/i }).press('Enter')
    const dialog = page.getByRole('dialog')
    await dialog.getByLabel('Picture file').setInputFiles({ ...weir, buffer: Buffer.from('<svg/>') })
    await reads(dialog.getByRole('alert'), 'Only PNG and JPEG pictures are kept.')
    await dialog.getByLabel('Picture file').setInputFiles(weir)
    await page.waitForFunction(() => (document.querySelector('[role=dialog] img') as HTMLImageElement | null)?.naturalWidth === 48)
    await dialog.getByLabel('What it shows, in words').fill('A weir in autumn')
    await expectAccessible(page, 'a picture')
    await dialog.getByRole('button', { name: 'Use it' }).press('Enter')
    await page.locator('.cover').getByRole('img', { name: 'A weir in autumn' }).waitFor()
    // Into the text, from its tools.
    await page.getByRole('toolbar', { name: 'Format of Description' }).getByRole('button', { name: 'Picture' }).click()
    await dialog.getByLabel('Picture file').setInputFiles({ ...weir, buffer: png(40, 3) })
    await dialog.locator('img').waitFor()
    await dialog.getByRole('checkbox', { name: /^It decorates/ }).press('Space')
    await dialog.getByRole('button', { name: 'Use it' }).press('Enter')
    await page.locator('.rich img').waitFor()
    await page.getByRole('textbox', { name: 'Title', exact: true }).focus()
    await saved(page)
    const archive = await page.request.get(`${stage.server.origin}/api/courses/small-streams/export.zip`)
    const parts = unzipSync(new Uint8Array(await archive.body()))
    expect(Object.keys(parts).filter((n) => n.startsWith('files/')).length).to.be.at.least(2)
    await stage.open(page, 'syllabus')
    await page.getByRole('button', { name: /^Publish/ }).click()
    await page.getByRole('button', { name: 'Publish', exact: true }).last().click()
    const address = (await page.getByRole('link', { name: /^\/p\// }).getAttribute('href')) ?? ''
    const reader = await stage.window()
    await reader.page.goto(stage.server.origin + address)
    const shown = await reader.page
      .locator('article img')
      .evaluateAll((all) => Promise.all((all as HTMLImageElement[]).map((i) => i.decode().then(() => [i.alt, i.naturalWidth]))))
    expect(shown).to.deep.equal([
      ['A weir in autumn', 48],
      ['', 40],
    ])
    await expectAccessible(reader.page, 'the public page with pictures')
    // The archive is a course again, with its pictures.
    await stage.home(page)
    await page
      .getByLabel('Cairn file')
      .setInputFiles({ name: 'streams.cairn.zip', mimeType: 'application/zip', buffer: await archive.body() })
    await page.waitForURL(/\/courses\/(?!small)\w+\/brief/)
    const cover = page.getByRole('img', { name: 'A weir in autumn' })
    await cover.waitFor()
    expect(await cover.evaluate((i: HTMLImageElement) => i.decode().then(() => i.naturalWidth))).to.equal(48)
    expect(stage.errors.filter((e) => !/422|415/.test(e))).to.deep.equal([])
    await reader.context.close()
    await context.close()
  })

  it('are no matter of a course of two offerings: each has its dates in every view, and is removed with its breaks alone', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await stage.open(page, 'calendar?show=agenda')
    const forms = page.getByRole('complementary', { name: 'Days of the offering' })
    const before = await page
      .getByText(/^Autumn 2027: /)
      .first()
      .textContent()
    await forms.getByRole('button', { name: 'Another…' }).press('Enter')
    await page.getByRole('dialog').getByLabel('Term').fill('Spring 2031')
    await press(page, 'Tab', 'Control+a')
    await page.keyboard.type('06012031')
    await page.getByRole('checkbox', { name: /^With the 3 breaks and closed days/ }).press('Space')
    await expectAccessible(page, 'another offering')
    await page.getByRole('button', { name: 'Make it' }).press('Enter')
    await reads(page.getByText(/^Spring 2031: /).first(), /^Spring 2031: 6 Jan 2031/)
    await page.getByRole('heading', { name: /^Offering \d of \d/ }).waitFor()
    const offering = new URL(page.url()).searchParams.get('offering') ?? ''
    expect(offering).to.not.equal('')
    // The chosen one is in the address, and goes along.
    await page.getByRole('link', { name: 'Syllabus' }).click()
    await page.getByText(/Spring 2031, 6 Jan 2031/).waitFor()
    await page.getByRole('link', { name: 'Map' }).first().click()
    await page.locator('[role=grid]').waitFor()
    expect(new URL(page.url()).searchParams.get('offering')).to.equal(offering)
    const ics = async (of: string) => (await page.request.get(`${stage.server.origin}/api/courses/small-streams/export.ics${of}`)).text()
    expect(await ics(`?offering=${offering}`)).to.match(/DTSTART[^\n]*:2031/)
    expect(await ics('')).to.not.match(/DTSTART[^\n]*:2031/)
    await stage.open(page, `calendar?show=agenda&offering=${offering}`)
    await forms.getByRole('button', { name: 'Remove Spring 2031' }).press('Enter')
    await page.getByText('Its 3 breaks and closed days go with it.').waitFor()
    await page.getByRole('button', { name: 'Remove it' }).press('Enter')
    await reads(page.getByText(/^Autumn 2027: /).first(), before ?? '')
    await press(page, 'Control+z')
    await saved(page)
    await context.close()
  })
})
