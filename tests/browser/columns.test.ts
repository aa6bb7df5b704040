import { expect } from 'chai'
import type { Page } from 'playwright-core'
import { copied, expectAccessible, press, reads, Stage, saved } from '../support/browser'

describe('the columns of a table', () => {
  const stage = Stage.forThisFile()
  const onMap = async () => {
    const person = await stage.signedIn(/Ines/)
    await stage.open(person.page, 'map')
    return person
  }
  const field = (page: Page, record: string, id: string) => page.locator(`[data-record="activity ${record}"] [data-field="${id}"]`)
  const header = (page: Page, name: string) => page.getByRole('columnheader', { name, exact: true })
  const openColumn = async (page: Page, name: string) => {
    await header(page, name).getByRole('button').click()
    await page.getByRole('dialog', { name: `Column ${name}` }).waitFor()
  }
  const firstModule = (page: Page) =>
    page
      .locator('[data-record^="activity a1-"]')
      .evaluateAll((rows) => rows.map((r) => (r as HTMLElement).dataset.record?.replace('activity ', '')))
  const names = (page: Page) => page.getByRole('columnheader').allTextContents()

  it('sort and filter within the groups, and lead back to the plan', async () => {
    const { context, page } = await onMap()
    const planned = await firstModule(page)
    await openColumn(page, 'Min')
    await expectAccessible(page, 'what can be done with a column')
    await page.getByRole('button', { name: 'Falling' }).click()
    await press(page, 'Escape')
    await page.getByText(/75 rows by Min, falling in each group/).waitFor()
    expect(await header(page, 'Min').getAttribute('aria-sort')).to.equal('descending')
    // Start: 1.2 has 50 minutes, 1.1 has 10. Learn: 1.3 135, 1.5 40, 1.4 20.
    expect((await firstModule(page)).slice(0, 5)).to.deep.equal(['a1-2', 'a1-1', 'a1-3', 'a1-5', 'a1-4'])
    // Rows that are sorted are not moved.
    await field(page, 'a1-5', 'title').click()
    await press(page, 'Alt+ArrowUp')
    await page.getByText(/can be moved where they stand as planned/).waitFor()
    // A change of what they are sorted by is followed at once.
    await field(page, 'a1-4', 'minutes').click()
    await page.keyboard.type('200')
    await press(page, 'Enter')
    await page.waitForFunction(
      () => document.querySelectorAll('[data-record^="activity a1-"]')[2]?.getAttribute('data-record') === 'activity a1-4',
    )
    await press(page, 'Control+z')
    await openColumn(page, 'Kind')
    await page.keyboard.type('quiz')
    await press(page, 'Enter')
    await page.getByText(/only where Kind has “quiz”/).waitFor()
    expect(await firstModule(page)).to.deep.equal(['a1-7'])
    expect(await page.locator('tr.head').count()).to.be.above(1)
    await page.getByRole('button', { name: 'All rows as planned' }).waitFor()
    // Who goes to a row that is left out sees it, and all others.
    await press(page, 'Control+k')
    await page.getByRole('combobox', { name: /Command, number or name/ }).fill('1.3 Reading')
    await page.getByRole('option', { name: /^1.3 Reading/ }).waitFor()
    await press(page, 'Enter')
    await page.waitForFunction(() => document.activeElement?.closest('tr')?.dataset.record === 'activity a1-3')
    expect(await firstModule(page)).to.deep.equal(planned)
    await context.close()
    expect(stage.errors).to.deep.equal([])
  })

  it('are shown, moved, made wider and kept in sight by keys, also after a reload, and as they were at first', async () => {
    const { context, page } = await onMap()
    const before = await names(page)
    await field(page, 'a1-1', 'minutes').click()
    await press(page, 'Control+ArrowUp', 'ArrowUp')
    await page.waitForFunction(() => document.activeElement?.textContent === 'Min')
    await press(page, 'Enter')
    const dialog = page.getByRole('dialog', { name: 'Column Min' })
    await dialog.getByLabel('Width').fill('120')
    await dialog.getByRole('button', { name: 'To the left' }).press('Enter')
    await dialog.getByRole('checkbox', { name: 'Counts as' }).press(' ')
    await dialog.getByRole('checkbox', { name: 'Category' }).press(' ')
    await press(page, 'Escape')
    await page.waitForFunction(() => document.activeElement?.textContent === 'Min')
    const arranged = ['No.', 'Activity', 'Part', 'Kind', 'Purpose', 'Min', 'Objectives', 'Due', 'Points', 'Counts as']
    expect(await names(page)).to.deep.equal(arranged)
    expect((await header(page, 'Min').boundingBox())?.width).to.be.closeTo(120, 6)
    // To the last name and back; the columns that are hidden are in sight where they are chosen.
    await press(page, 'End')
    await page.waitForFunction(() => document.activeElement?.textContent === 'Counts as')
    await press(page, 'Enter')
    const last = page.getByRole('dialog', { name: 'Column Counts as' })
    await last.waitFor()
    const hidden = last.getByRole('checkbox', { name: 'Due at' })
    const bottomOf = async (part: typeof last) => {
      const box = await part.boundingBox()
      return (box?.y ?? 0) + (box?.height ?? 0)
    }
    expect(await bottomOf(hidden)).to.be.at.most(await bottomOf(last))
    expect(await last.locator('.column-choice').evaluate((e) => e.scrollHeight - e.clientHeight)).to.equal(0)
    await press(page, 'Escape')
    await page.waitForFunction(() => document.activeElement?.textContent === 'Counts as')
    await press(page, 'Home', ...Array.from({ length: 5 }, () => 'ArrowRight'))
    await page.waitForFunction(() => document.activeElement?.textContent === 'Min')
    // Down from a name, the keys go on in its column; the new order is that of the cells.
    await press(page, 'ArrowDown')
    await page.waitForFunction(() => (document.activeElement as HTMLElement).matches('tr.head td'))
    await field(page, 'a1-3', 'minutes').click()
    await press(page, 'Shift+ArrowRight')
    expect(await copied(page)).to.equal('135\t1a I')
    // What was hidden is edited as any other.
    await field(page, 'a1-3', 'countsAs').click()
    await page.keyboard.type('ind')
    await press(page, 'Enter')
    await reads(field(page, 'a1-3', 'countsAs'), 'independent')
    await saved(page)
    await page.reload()
    await reads(field(page, 'a1-3', 'countsAs'), 'independent')
    expect(await names(page)).to.deep.equal(arranged)
    await openColumn(page, 'Activity')
    await page.getByLabel(/Stays in sight/).press(' ')
    await press(page, 'Escape')
    await page.setViewportSize({ width: 760, height: 700 })
    await page.locator('.scroll-area').evaluate((e) => e.scrollTo({ left: 400 }))
    await page.waitForFunction(() => (document.querySelector('[data-header="0"]') as HTMLElement).getBoundingClientRect().left < 40)
    await reads(header(page, 'Activity'), 'Activity')
    await openColumn(page, 'Activity')
    await page.getByRole('button', { name: 'As they were at first' }).press('Enter')
    await press(page, 'Escape')
    expect(await names(page)).to.deep.equal(before)
    await context.close()
    expect(stage.errors).to.deep.equal([])
  })

  it('are made wider by their edge', async () => {
    const { context, page } = await onMap()
    const edge = header(page, 'Kind').locator('.column-edge')
    const box = await edge.boundingBox()
    const was = (await header(page, 'Kind').boundingBox())?.width ?? 0
    await page.mouse.move((box?.x ?? 0) + 3, (box?.y ?? 0) + 8)
    await page.mouse.down()
    await page.mouse.move((box?.x ?? 0) + 43, (box?.y ?? 0) + 8, { steps: 4 })
    await page.mouse.up()
    expect(((await header(page, 'Kind').boundingBox())?.width ?? 0) - was).to.be.closeTo(40, 8)
    await edge.dblclick()
    expect((await header(page, 'Kind').boundingBox())?.width).to.be.closeTo(was, 8)
    await context.close()
  })

  it('offer what somebody has just added, and tell two of the same name apart', async () => {
    const ines = await onMap()
    const beside = await stage.signedIn(/Ines/)
    await stage.open(beside.page, 'assessment')
    const addCategory = async (title: string) => {
      const name = beside.page.getByLabel('New category')
      await name.fill(title)
      await name.press('Enter')
      await saved(beside.page)
    }
    const choices = async () => {
      await field(ines.page, 'a1-2', 'category').click()
      await press(ines.page, 'Enter')
      await ines.page.getByRole('option').first().waitFor()
      return ines.page.getByRole('option').allTextContents()
    }
    expect(await choices()).to.not.include('Quizzes')
    // While the list is open, and once more under the same name.
    await addCategory('Quizzes')
    await ines.page.getByRole('option', { name: 'Quizzes' }).waitFor()
    await addCategory('Quizzes')
    await ines.page.waitForFunction(
      () => [...document.querySelectorAll('[role=option]')].filter((o) => o.textContent === 'Quizzes').length === 2,
    )
    await expectAccessible(ines.page, 'a list of choices in a cell')
    // The second of the two, with the keys from the end of the list.
    await press(ines.page, 'ArrowUp', 'Enter')
    await reads(field(ines.page, 'a1-2', 'category'), 'Quizzes')
    await saved(ines.page)
    // In the table of the grade, each category stands above its assessments: the second `Quizzes` has it, the first none.
    const order = (text: string) =>
      beside.page.waitForFunction((wanted) => {
        const rows = [...document.querySelectorAll('tr.group, tr.item')].map((r) =>
          r.matches('.group') ? (r.querySelector('input')?.value ?? '') : (r.querySelector('th')?.textContent ?? ''),
        )
        const at = rows.findIndex((t) => t.includes(wanted))
        return at < 0 ? null : rows.slice(rows.indexOf('Quizzes'), at + 1)
      }, text)
    const under = await (await order('1.2 Who is who')).jsonValue()
    expect(under?.slice(0, 2)).to.deep.equal(['Quizzes', 'Quizzes'])
    expect(under).to.have.length(3)
    // Filled down, it is the same of the two.
    await field(ines.page, 'a1-2', 'category').click()
    await press(ines.page, 'Shift+ArrowDown', 'Control+d')
    await reads(field(ines.page, 'a1-3', 'category'), 'Quizzes')
    await saved(ines.page)
    expect(await (await order('1.3 Reading')).jsonValue()).to.have.length(4)
    await ines.context.close()
    await beside.context.close()
    expect(stage.errors).to.deep.equal([])
  })
})
