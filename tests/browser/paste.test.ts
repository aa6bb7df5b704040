/** Rows pasted from spreadsheets as people keep them, and rows begun by hand. */
import { expect } from 'chai'
import type { Page } from 'playwright-core'
import { expectAccessible, paste, press, reads, Stage, saved } from '../support/browser'

const TITLE = 1
const PART = 2
const MINUTES = 6
const CATEGORY = 8

describe('rows that are pasted or begun', () => {
  const stage = Stage.forThisFile()
  const cell = (page: Page, row: string, column: number) => page.locator(`[data-row="${row}"] [data-column="${column}"]`)
  const rowOf = (page: Page, title: string) => page.locator('tr', { hasText: title })
  const notices = (page: Page) => page.getByRole('log', { name: 'Notices' })
  const onMap = async () => {
    const person = await stage.signedIn(/Ines/)
    await stage.open(person.page, 'map')
    return person
  }

  it('go by the names of their columns; what has no column is said, and the columns can be chosen otherwise', async () => {
    const { context, page } = await onMap()
    await cell(page, 'new m1', TITLE).click()
    await paste(page, 'Duration (min)\tOwner\tTask\n20\tEli\tWalk the bank\n\tNoor\tDraw the reach')
    await reads(rowOf(page, 'Walk the bank').locator(`[data-column="${MINUTES}"]`), '20')
    await reads(notices(page), /^3 cells filled in 2 rows\. By their names: Min, Activity\. Left out: Owner\./)
    // By keys: F6 leads to the notice.
    await page.getByRole('button', { name: 'Other columns…' }).focus()
    await press(page, 'Enter')
    const dialog = page.getByRole('dialog', { name: 'Where the pasted columns go' })
    await dialog.waitFor()
    await expectAccessible(page, 'the columns of what was pasted')
    await dialog.getByLabel('Owner goes to').selectOption({ label: 'Activity' })
    await reads(dialog.getByLabel('Task goes to'), '')
    await dialog.getByRole('button', { name: 'Paste 2 rows so' }).click()
    await rowOf(page, 'Walk the bank').waitFor({ state: 'detached' })
    await reads(rowOf(page, 'Eli').locator(`[data-column="${MINUTES}"]`), '20')
    expect(await rowOf(page, 'Noor').count()).to.equal(1)
    // What stands there already is not counted: of these two only one changes.
    await rowOf(page, 'Eli').locator(`[data-column="${MINUTES}"]`).click()
    await paste(page, '20\n35')
    await reads(notices(page), /^1 cell filled\./)
    await press(page, 'Control+z')
    // One step takes all of it back.
    await press(page, 'Control+z')
    await rowOf(page, 'Noor').waitFor({ state: 'detached' })
    await context.close()
  })

  it('offer to make what they name and is not there, all of it as one step', async () => {
    const { context, page } = await onMap()
    await cell(page, 'new m2', TITLE).click()
    await paste(
      page,
      'Activity\tPart\tCategory\tObjectives\nSee the weir\tWarm up\tWalks\tName the parts of a weir\nSee the mill\tTry\tWalks\t2a',
    )
    await reads(notices(page), /Left as they were: There is no part “Warm up”.*There is no category “Walks”/)
    await page.getByRole('button', { name: 'Make 1 part, 1 grade category and 1 objective' }).click()
    await reads(rowOf(page, 'See the weir').locator(`[data-column="${PART}"]`), 'Warm up')
    await reads(rowOf(page, 'See the mill').locator(`[data-column="${CATEGORY}"]`), 'Walks')
    await rowOf(page, 'See the weir').getByRole('button', { name: 'objective 2e I' }).waitFor()
    await saved(page)
    await press(page, 'Control+z')
    await reads(rowOf(page, 'See the mill').locator(`[data-column="${CATEGORY}"]`), '–')
    await context.close()
  })

  it('make a category that is typed into a cell, when that is chosen', async () => {
    const { context, page } = await onMap()
    await cell(page, 'a1-3', CATEGORY).click()
    await page.keyboard.type('Field walks')
    await page.getByRole('option', { name: 'Make “Field walks”' }).waitFor()
    await press(page, 'ArrowDown', 'Enter')
    await reads(cell(page, 'a1-3', CATEGORY), 'Field walks')
    // Without the choice it is refused with its reason, and stays where it can be corrected.
    await cell(page, 'a1-4', CATEGORY).click()
    await page.keyboard.type('Fyeld walks')
    await press(page, 'Enter')
    await page.getByRole('alert').filter({ hasText: 'There is no category “Fyeld walks”.' }).waitFor()
    await press(page, 'Escape')
    await context.close()
  })

  it('are made by their first cell, and Tab goes on in them; Enter is ready for the next', async () => {
    const { context, page } = await onMap()
    await cell(page, 'new m1', TITLE).click()
    await page.keyboard.type('Map the weeds')
    await press(page, 'Tab')
    const row = rowOf(page, 'Map the weeds')
    await reads(row.locator('[data-column][tabindex="0"]'), /./)
    for (const value of ['Try', 'lab']) {
      await page.keyboard.type(value)
      await press(page, 'Tab')
    }
    await reads(row.locator(`[data-column="${PART}"]`), 'Try')
    await reads(row, /lab practise/)
    expect(await rowOf(page, 'Untitled').count(), 'no empty rows').to.equal(0)
    await cell(page, 'new m1', TITLE).click()
    for (const title of ['First of two', 'Second of two']) {
      await page.keyboard.type(title)
      await press(page, 'Enter')
      await rowOf(page, title).waitFor()
    }
    await context.close()
  })
})
