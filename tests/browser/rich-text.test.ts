import { expect } from 'chai'
import type { Page } from 'playwright-core'
import { expectAccessible, press, reads, Stage, saved } from '../support/browser'

describe('rich text', () => {
  const stage = Stage.forThisFile()
  const text = (page: Page) => page.getByRole('textbox', { name: 'Description' })
  /** Holds the editor back until it is let go. */
  const holdEditor = async (page: Page): Promise<() => void> => {
    let go = () => {}
    const gone = new Promise<void>((done) => {
      go = done
    })
    await page.route('**/rich-editor.*.js', async (route) => {
      await gone
      await route.continue()
    })
    return go
  }
  const there = (page: Page) => page.locator('.tiptap').waitFor()

  it('is read without the editor, which is fetched when somebody comes to write', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    const asked: string[] = []
    page.on('request', (r) => void (/rich-editor/.test(r.url()) && asked.push(r.url())))
    await stage.open(page, 'brief')
    await reads(text(page), /^Most of the water in a landscape/)
    expect(asked).to.deep.equal([])
    await expectAccessible(page, 'rich text, read')
    await text(page).focus()
    await there(page)
    await expectAccessible(page, 'rich text, written')
    await context.close()
  })

  it('loses no key while the editor is on its way, and goes on where they ended', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    const go = await holdEditor(page)
    await stage.open(page, 'brief')
    await text(page).focus()
    await page.keyboard.type(' In all weathers.x')
    await page.keyboard.press('Backspace')
    await reads(text(page), /In all weathers\.$/)
    go()
    await there(page)
    await page.keyboard.type(' With boots.')
    await reads(text(page), /can act on\. In all weathers\. With boots\.$/)
    await saved(page)
    await page.reload()
    await reads(text(page), /can act on\. In all weathers\. With boots\.$/)
    await press(page, 'Control+z')
    await context.close()
  })

  it('writes where one clicks, and with the format that one asks for first', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await stage.open(page, 'brief')
    const box = await text(page).boundingBox()
    if (!box) throw new Error('no text to click at')
    await page.mouse.click(box.x + 2, box.y + 14)
    await there(page)
    await page.keyboard.type('Oh! ')
    await reads(text(page), /^Oh! Most of the water/)
    await saved(page)
    await page.reload()
    // By keys: the tools are one stop, and arrows lead from one to the next.
    await page.getByLabel('Institution').focus()
    await press(page, 'Tab', 'ArrowRight', 'ArrowLeft', 'Enter')
    await there(page)
    await page.keyboard.type(' Bring boots')
    await reads(text(page).locator('strong'), 'Bring boots')
    await saved(page)
    await context.close()
  })

  it('makes tables by keys: cells by Tab, rows at the end, a header, and they are there for readers; what keeps some out is told', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await stage.open(page, 'map?at=module:m6&panel=details&show=sheet&module=m6')
    await page.getByRole('button', { name: /^Closing of module 6/ }).press('Enter')
    const closing = page.getByRole('textbox', { name: /^Closing/ }).first()
    await closing.waitFor()
    await page.waitForFunction(() => document.activeElement?.closest('.tiptap') !== null)
    await page.keyboard.type('Numbers')
    await press(page, 'Enter')
    await page
      .getByRole('toolbar', { name: /^Format of Closing/ })
      .getByRole('button', { name: 'Table' })
      .first()
      .press('Enter')
    for (const word of ['Family', 'Count', 'Mayflies', '12', 'Midges', '40', 'Worms', '3']) {
      await page.keyboard.type(word)
      if (word !== '3') await press(page, 'Tab')
    }
    const table = closing.locator('table')
    expect(await table.getByRole('row').count()).to.equal(4)
    expect(await table.getByRole('columnheader').allTextContents()).to.deep.equal(['Family', 'Count'])
    // A table whose header is taken away is found, and mended from the list of findings.
    const more = page.getByRole('button', { name: 'Rows and columns' }).first()
    await more.press('Enter')
    await page.getByRole('menuitem', { name: 'First row is a header, or not' }).click()
    await table.getByRole('columnheader').first().waitFor({ state: 'detached' })
    await press(page, 'Escape')
    await saved(page)
    await page.getByRole('button', { name: /^Findings \d+/ }).click()
    await page.getByText('In closing of module 6 a table has no header cells: “Family | Count”.').first().waitFor()
    await page.reload()
    await page.getByRole('table').getByText('Mayflies').first().waitFor()
    await expectAccessible(page, 'a sheet with a table')
    await context.close()
  })

  it('tells under the words, while one writes, what keeps some readers out, and mends it by keys', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await stage.open(page, 'brief')
    await text(page).focus()
    await there(page)
    // A text of its own: those before left words in bold at its end.
    await press(page, 'Control+a', 'Delete')
    await page.keyboard.type('We meet at the weir.')
    await press(page, 'Enter', 'Control+b')
    await page.keyboard.type('What you bring')
    await page.keyboard.press('Control+b')
    await page.keyboard.press('Enter')
    await page.keyboard.type('Boots, and a pencil.')
    const found = page.getByRole('list', { name: 'Found in Description' })
    await found.getByText('In this text a line in bold stands for a heading: “What you bring”.').waitFor()
    await reads(page.locator('.tiptap .text-problem'), 'What you bring')
    await expectAccessible(page, 'a text in which something was found')
    await found.getByRole('button', { name: 'Make it a heading' }).press('Enter')
    await found.waitFor({ state: 'detached' })
    await reads(page.locator('.tiptap h2'), 'What you bring')
    // One goes on writing where one was: the caret is in the text.
    expect(await page.evaluate(() => document.activeElement?.classList.contains('tiptap'))).to.equal(true)
    await saved(page)
    await page.reload()
    await reads(text(page).locator('h2, h3'), 'What you bring')
    await context.close()
  })

  it('stores what was typed where the editor cannot be fetched', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await page.route('**/rich-editor.*.js', (route) => route.abort())
    await stage.open(page, 'brief')
    await text(page).focus()
    await page.getByRole('alert').filter({ hasText: 'The editor could not be fetched' }).waitFor()
    await page.keyboard.type('Meet at the weir.')
    await page.keyboard.press('Tab')
    await saved(page)
    await page.unroute('**/rich-editor.*.js')
    await page.reload()
    await reads(text(page), /Meet at the weir\.$/)
    await context.close()
  })

  it('is text to a reader, with links that lead out', async () => {
    const { context, page } = await stage.signedIn(/Tove/)
    await stage.open(page, 'brief')
    await page.getByRole('group', { name: 'Description' }).waitFor()
    expect(await text(page).count()).to.equal(0)
    await context.close()
  })
})
