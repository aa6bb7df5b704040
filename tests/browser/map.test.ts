import { expect } from 'chai'
import type { Page } from 'playwright-core'
import { copied, expectAccessible, paste, press, reads, Stage, saved } from '../support/browser'
import { countRenders, holdable, holdStill, takeRenders } from '../support/renders'

const NUMBER = 0
const TITLE = 1
const KIND = 3
const PURPOSE = 4
const OBJECTIVES = 5
const MINUTES = 6
const DUE = 7
const CATEGORY = 8
const POINTS = 9

describe('the working table', () => {
  const stage = Stage.forThisFile()
  const cell = (page: Page, row: string, column: number) => page.locator(`[data-row="${row}"] [data-column="${column}"]`)
  const onMap = async () => {
    const person = await stage.signedIn(/Ines/)
    await stage.open(person.page, 'map')
    return person
  }
  const type = async (page: Page, row: string, column: number, text: string) => {
    await cell(page, row, column).click()
    await page.keyboard.type(text)
    await press(page, 'Enter')
  }

  it('holds the whole sheet of an activity in its details, over a reload', async () => {
    const { context, page } = await onMap()
    await cell(page, 'a1-4', TITLE).click()
    await page
      .getByRole('button', { name: /^Details/ })
      .first()
      .click()
    // The second section has what learners use later, the first how they work.
    await page.getByRole('button', { name: 'Use outside the course' }).waitFor()
    await page.keyboard.press('Alt+2')
    await press(page, 'Tab')
    await page.keyboard.type('In the first week of a survey')
    await press(page, 'Tab')
    await page.keyboard.press('Alt+1')
    await page.getByRole('checkbox', { name: 'learners', exact: true }).check()
    await saved(page)
    await page.reload()
    await reads(page.getByLabel('How learners will use it later'), 'In the first week of a survey')
    expect(await page.getByRole('checkbox', { name: 'learners', exact: true }).isChecked()).to.equal(true)
    await expectAccessible(page, 'details of an activity')
    await context.close()
  })

  it('lets an expert write the texts of a module and nothing else of it', async () => {
    const { context, page } = await stage.signedIn(/Tove/)
    await stage.open(page, 'map')
    await page.getByText('Why small streams matter').first().click()
    await page
      .getByRole('button', { name: /^Details/ })
      .first()
      .click()
    await page.getByRole('button', { name: 'Overview and closing' }).waitFor()
    await page.keyboard.press('Alt+1')
    await page.getByLabel('What is new').fill('Streams that answer within an hour')
    await press(page, 'Tab')
    await saved(page)
    await page.reload()
    await reads(page.getByLabel('What is new'), 'Streams that answer within an hour')
    await page.keyboard.press('Alt+6')
    expect(await page.getByLabel('Picture in words').isDisabled()).to.equal(true)
    await context.close()
  })

  it('takes minutes, due rules, categories and points as people write them', async () => {
    const { context, page } = await onMap()
    await type(page, 'a1-3', MINUTES, '1h30')
    await reads(cell(page, 'a1-3', MINUTES), '90')
    await type(page, 'a1-3', DUE, 'wk 1 Thu 18:00')
    await reads(cell(page, 'a1-3', DUE), 'Thu 9 Sep')
    await type(page, 'a1-3', POINTS, '12,5')
    await reads(cell(page, 'a1-3', POINTS), '12.5')
    await type(page, 'a1-3', CATEGORY, 'disc')
    await reads(cell(page, 'a1-3', CATEGORY), 'Discussions')
    await saved(page)
    await page.reload()
    await reads(cell(page, 'a1-3', MINUTES), '90')
    await reads(cell(page, 'a1-3', POINTS), '12.5')
    await context.close()
  })

  it('says what it cannot store, and goes back at Escape', async () => {
    const { context, page } = await onMap()
    for (const [column, wrong] of [
      [MINUTES, 'soon'],
      [DUE, 'whenever'],
      [OBJECTIVES, '9z'],
      [POINTS, '-3'],
    ] as const) {
      const before = (await cell(page, 'a2-3', column).textContent())?.trim() ?? ''
      await cell(page, 'a2-3', column).click()
      await press(page, 'F2', 'Control+a')
      await page.keyboard.type(wrong)
      await press(page, 'Enter')
      await cell(page, 'a2-3', column).getByRole('alert').waitFor()
      await press(page, 'Escape')
      await reads(cell(page, 'a2-3', column), before)
    }
    expect(await page.getByRole('button', { name: 'Undo' }).isDisabled()).to.equal(true)
    await context.close()
  })

  it('links objectives with stages, and shows the proposed purpose muted until it is accepted', async () => {
    const { context, page } = await onMap()
    await cell(page, 'new m1', TITLE).click()
    await page.keyboard.type('Field sketch')
    await press(page, 'Enter')
    const row = page.locator('tr', { hasText: 'Field sketch' })
    await row.waitFor()
    // Enter leaves one in the empty row, ready for the next title.
    await page.keyboard.type('Field notes')
    await press(page, 'Enter')
    await page.locator('tr', { hasText: 'Field notes' }).waitFor()
    await row.locator(`[data-column="${KIND}"]`).click()
    await page.keyboard.type('quiz')
    await press(page, 'Enter')
    await row.locator('.est', { hasText: 'practise' }).waitFor()
    await row.locator(`[data-column="${PURPOSE}"]`).click()
    await press(page, 'Space')
    await page.keyboard.type('practise')
    await press(page, 'Enter')
    await row.locator('.est').waitFor({ state: 'detached' })
    await reads(row.locator(`[data-column="${PURPOSE}"]`), 'practise')
    await row.locator(`[data-column="${OBJECTIVES}"]`).click()
    await page.keyboard.type('1a I, 1c P A')
    await page.getByText('1c PA: Interpret a storm hydrograph').waitFor()
    await press(page, 'Enter')
    await reads(row.locator(`[data-column="${OBJECTIVES}"]`), /1a I.*1c PA/)
    await row.getByRole('button', { name: 'objective 1c PA' }).click()
    await page.getByRole('textbox', { name: 'Objective 1c', exact: true }).waitFor()
    await context.close()
  })

  it('works on ranges: sums, copy, fill down, paste, clear, remove, and one undo for each', async () => {
    const { context, page } = await onMap()
    await cell(page, 'a3-1', MINUTES).click()
    const rows = ['a3-1', 'a3-2', 'a3-3']
    const values = async () => Promise.all(rows.map((r) => cell(page, r, MINUTES).textContent()))
    const before = await values()
    await press(page, 'Shift+ArrowDown', 'Shift+ArrowDown')
    const sum = before.reduce((total, t) => total + Number(t), 0)
    await page
      .getByText(new RegExp(`${sum} min`))
      .first()
      .waitFor()
    expect(await copied(page)).to.equal(before.join('\n'))
    await press(page, 'Control+d')
    await reads(cell(page, 'a3-3', MINUTES), before[0] ?? '')
    await press(page, 'Control+z')
    await reads(cell(page, 'a3-3', MINUTES), before[2] ?? '')
    await cell(page, 'a3-1', MINUTES).click()
    await paste(page, '11\n22\n33')
    await reads(cell(page, 'a3-3', MINUTES), '33')
    expect(await values()).to.deep.equal(['11', '22', '33'])
    await press(page, 'Control+z')
    await reads(cell(page, 'a3-1', MINUTES), before[0] ?? '')
    await press(page, 'Shift+ArrowDown', 'Delete')
    await reads(cell(page, 'a3-2', MINUTES), '–')
    await press(page, 'Control+z')
    await press(page, 'Control+Delete')
    await cell(page, 'a3-2', TITLE).waitFor({ state: 'detached' })
    await press(page, 'Control+z')
    await reads(cell(page, 'a3-2', MINUTES), before[1] ?? '')
    await context.close()
  })

  it('makes rows of what is pasted from a spreadsheet', async () => {
    const { context, page } = await onMap()
    await cell(page, 'new m1', TITLE).click()
    await paste(page, 'Pasted one\tTry\tquiz\t\t1a\t45 min\r\n"Pasted, ""two"""\tShow\texam\t\t\t1.5 h\r\n')
    const two = page.locator('tr', { hasText: 'Pasted, "two"' })
    await two.waitFor()
    await reads(two.locator(`[data-column="${MINUTES}"]`), '90')
    await reads(page.locator('tr', { hasText: 'Pasted one' }), /quiz practise \(proposed\)1a P 45/)
    await saved(page)
    await page.getByRole('button', { name: 'Undo' }).click()
    await two.waitFor({ state: 'detached' })
    await context.close()
  })

  it('moves rows with the keyboard and with the mouse; numbers follow', async () => {
    const { context, page } = await onMap()
    await cell(page, 'a1-3', TITLE).click()
    await press(page, 'Alt+ArrowDown')
    await reads(cell(page, 'a1-3', NUMBER), /1\.4$/)
    await press(page, 'Alt+ArrowUp')
    await reads(cell(page, 'a1-3', NUMBER), /1\.3$/)

    const from = await cell(page, 'a1-3', NUMBER).getByRole('button', { name: 'Drag row' }).boundingBox()
    const to = await cell(page, 'a1-5', TITLE).boundingBox()
    if (!from || !to) throw new Error('the rows are not in sight')
    await page.mouse.move(from.x + 5, from.y + 5)
    await page.mouse.down()
    await page.mouse.move(from.x + 20, from.y + 30, { steps: 4 })
    await page.mouse.move(to.x + 20, to.y + to.height - 3, { steps: 8 })
    await page.locator('[data-row="a1-5"].drop-after').waitFor()
    await page.mouse.up()
    await reads(cell(page, 'a1-3', NUMBER), /1\.5$/)
    await reads(cell(page, 'a1-5', NUMBER), /1\.4$/)
    await press(page, 'Control+z')
    await reads(cell(page, 'a1-3', NUMBER), /1\.3$/)
    await context.close()
  })

  it('marks a range with the mouse and extends it with Shift', async () => {
    const { context, page } = await onMap()
    const [a, b] = [await cell(page, 'a1-3', MINUTES).boundingBox(), await cell(page, 'a1-5', MINUTES).boundingBox()]
    if (!a || !b) throw new Error('the rows are not in sight')
    await page.mouse.move(a.x + 9, a.y + 9)
    await page.mouse.down()
    await page.mouse.move(b.x + 9, b.y + 9, { steps: 6 })
    await page.mouse.up()
    await page.locator('td.range').nth(2).waitFor()
    expect(await page.locator('td.range').count()).to.equal(3)
    await cell(page, 'a1-4', DUE).click({ modifiers: ['Shift'] })
    await page.waitForFunction(() => document.querySelectorAll('td.range').length === 4)
    await context.close()
  })

  it('adds and renames modules, sets their weeks in Details, and moves one', async () => {
    const { context, page } = await onMap()
    await page.locator('[data-row="add-module"] [data-column="1"]').scrollIntoViewIfNeeded()
    await cell(page, 'add-module', TITLE).click()
    await page.keyboard.type('Reporting back')
    await press(page, 'Enter')
    const head = page.locator('tr.head', { hasText: 'Reporting back' })
    await head.waitFor()
    await head.locator('td').dblclick()
    await press(page, 'Control+a')
    await page.keyboard.type('Telling the town')
    await press(page, 'Enter')
    await page.locator('tr.head', { hasText: 'Telling the town' }).getByRole('button', { name: 'Weeks…' }).click()
    const weeks = page.getByLabel('Weeks, such as 5 or 5–6')
    await weeks.fill('12')
    await weeks.press('Enter')
    await page.locator('tr.head', { hasText: /Telling the town.*week 12/ }).waitFor()
    await expectAccessible(page, 'details of a module')
    await page
      .getByRole('button', { name: /earlier|up/i })
      .first()
      .click()
    await page.locator('tr.head', { hasText: /8\s*Telling the town/ }).waitFor()
    await context.close()
  })

  it('draws one cell at a key', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await countRenders(page)
    await holdable(page)
    await stage.open(page, 'map')
    await cell(page, 'a1-4', TITLE).click()
    await press(page, 'F2')
    // What is new has been counted: it is not drawn in the middle of what is counted here.
    await page.locator('[data-counted]').waitFor({ state: 'attached' })
    await holdStill(page)
    await page.keyboard.type('x')
    await page.clock.runFor(1000)
    await takeRenders(page)
    await page.keyboard.type('y')
    await page.clock.runFor(1000)
    // The parts of its editor, and nothing outside it.
    expect(await takeRenders(page))
      .to.include({ commits: 1 })
      .and.deep.include({ places: ['a1-4/1'] })
    await press(page, 'Escape')
    expect(stage.errors).to.deep.equal([])
    await context.close()
  })
})
