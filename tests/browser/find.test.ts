import { expect } from 'chai'
import { expectAccessible, press, reads, Stage, saved } from '../support/browser'

describe('finding in the course', () => {
  const stage = Stage.forThisFile()

  it('looks through every text, leads to a place, and replaces all as one step', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await stage.open(page, 'outcomes')
    await press(page, 'Control+f')
    const dialog = page.getByRole('dialog', { name: 'Find in the course' })
    await dialog.getByLabel('Find', { exact: true }).waitFor()
    await page.keyboard.type('hydrograph')
    const found = dialog.getByRole('list', { name: 'Found' }).getByRole('listitem')
    await found.first().waitFor()
    await expectAccessible(page, 'find in the course')
    const places = await found.count()
    expect(places).to.be.above(1)
    await dialog.getByText(new RegExp(`^${places} places\\.`)).waitFor()
    await dialog.getByLabel('Replace with').fill('flow curve')
    await dialog.getByRole('button', { name: `Replace all ${places}` }).press('Enter')
    await dialog.getByText('It stands nowhere in this course.').waitFor()
    await press(page, 'Escape')
    await reads(page.getByRole('textbox', { name: 'Objective 1c' }), 'Interpret a storm flow curve of the Aldbeck')
    await saved(page)
    await press(page, 'Control+z')
    await reads(page.getByRole('textbox', { name: 'Objective 1c' }), 'Interpret a storm hydrograph of the Aldbeck')
    // From what is found to where it stands.
    await press(page, 'Control+f')
    await page.keyboard.type('Annotated hydrograph')
    await found.first().waitFor()
    await press(page, 'Enter', 'Enter')
    await page.waitForFunction(() => document.activeElement?.closest('[data-row="a1-8"]') !== null)
    await context.close()
    expect(stage.errors).to.deep.equal([])
  })

  it('finds for those who read, and lets them change nothing', async () => {
    const { context, page } = await stage.signedIn(/Marek/)
    await stage.open(page, 'outcomes')
    await press(page, 'Control+f')
    const dialog = page.getByRole('dialog', { name: 'Find in the course' })
    await dialog.getByLabel('Find', { exact: true }).fill('stream')
    await dialog.getByText(/places, 0 of them may be replaced/).waitFor()
    expect(await dialog.getByRole('button', { name: /^Replace/ }).isEnabled()).to.equal(false)
    await context.close()
  })
})
