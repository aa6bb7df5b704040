/** The preview of what was brought: everything in it is answered and corrected by keys, and what was in the source can be found again. */
import { expect } from 'chai'
import type { Page } from 'playwright-core'
import { expectAccessible, press, reads, Stage, saved } from '../support/browser'

const PLAN = [
  'Unit\tWeek\tTask\tWhat kind\tTime\tShelf\tDue\tPts',
  'Unit 1: Ground\t1\tSoils of three valleys\treading\t40\tB-seven\t\t',
  '\t1\tString, frame\tlab\t1.5 h\tB-eight\tSun wk 1\t10',
  'Unit 2: Coursing\t2\tHands and photos\tvideo\thalf an hour\tB-nine\tWed\t20',
  'ask Ines for the licence\t\t\t\t\t\t\t',
].join('\n')

describe('the preview of what was brought', () => {
  const stage = Stage.forThisFile()
  const foot = (page: Page) => page.locator('.bring-foot')
  const box = (page: Page) => page.getByLabel(/^Paste a syllabus/)
  const opened = async (title: string, text: string) => {
    const { context, page } = await stage.signedIn(/Ines/)
    await stage.home(page)
    await page.getByRole('button', { name: 'New course' }).click()
    await page.getByLabel('Title').fill(title)
    await page.getByRole('radio', { name: /^From what I have/ }).check()
    await page.getByRole('button', { name: 'Make the course' }).click()
    await box(page).fill(text)
    await page
      .getByLabel(/^Title of module 1|^Title of Unit 1/i)
      .first()
      .waitFor()
    return { context, page }
  }

  it('asks what a column holds, and remembers the answer for the next file with that header', async () => {
    const { context, page } = await opened(
      'Walls',
      PLAN.replaceAll(/B-\w+/g, (b) => b.length.toString()),
    )
    const question = page.getByLabel(/^What it holds: What “Shelf” holds/)
    await question.waitFor()
    await expectAccessible(page, 'preview with a question')
    await question.selectOption({ label: 'notes' })
    await page.getByText('Shelf: 7').first().waitFor()
    expect(await question.count()).to.equal(0)
    await page.getByRole('button', { name: 'Start over' }).click()
    await box(page).fill('Task\tTime\tShelf\nRead it\t30 min\t12\nTry it\t40 min\t13')
    await page.getByText('Shelf: 12').waitFor()
    expect(await page.getByLabel(/^What it holds/).count()).to.equal(0)
    await context.close()
  })

  it('walks through the guesses by a key; each is right, or is set', async () => {
    const { context, page } = await opened('Guesses', PLAN)
    const count = page.getByRole('button', { name: /^\d+ guess(es)?$/ })
    await reads(count, '1 guess')
    await page.getByLabel('Title of Hands and photos').focus()
    await press(page, 'F8')
    await page.locator('[data-guess]:focus').waitFor()
    expect(await page.locator(':focus').getAttribute('aria-label')).to.match(
      /^1 guess in Soils of three valleys. minutes: “Time” does not say/,
    )
    await press(page, 'Enter')
    await count.waitFor({ state: 'detached' })
    await context.close()
  })

  it('marks guesses about modules and walks to them from the text box', async () => {
    const { context, page } = await opened('Dated', 'Module 1 (Jan 13–26): Need\nTask: a (20 min)\nModule 2 (Jan 27–Feb 9): Plan')
    const count = page.getByRole('button', { name: /^\d+ guess(es)?$/ })
    await reads(count, '2 guesses')
    await box(page).focus()
    await press(page, 'F8')
    await page.locator('[data-guess]:focus').waitFor()
    expect(await page.locator(':focus').getAttribute('aria-label')).to.match(/^1 guess in Need. weeks: counted from 13 January/)
    await press(page, 'Enter')
    await reads(count, '1 guess')
    await page.getByLabel('Weeks of Module 2').fill('3–4')
    await press(page, 'Enter')
    await count.waitFor({ state: 'detached' })
    await context.close()
  })

  it('shows where everything went, and lights on one side what is looked at on the other', async () => {
    const { context, page } = await opened('Where', PLAN)
    await page.getByRole('button', { name: 'Where did this go?' }).press('Enter')
    const lines = page.getByRole('region', { name: 'What became of it' })
    await lines
      .getByRole('button', { name: /^Unit Week|^Unit/ })
      .first()
      .waitFor()
    await expectAccessible(page, 'where it went')
    await page.getByLabel('Minutes of Hands and photos').focus()
    await lines.locator('.lit', { hasText: 'half an hour' }).waitFor()
    await page.getByRole('button', { name: 'Left', exact: true }).click()
    await lines.getByRole('button', { name: /ask Ines for the licence/ }).waitFor()
    expect(await lines.getByRole('listitem').count()).to.equal(1)
    await page.getByRole('button', { name: 'Read', exact: true }).click()
    await lines.getByRole('button', { name: /String, frame/ }).focus()
    await page.locator('.preview-row.lit', { has: page.getByLabel('Title of String, frame') }).waitFor()
    await context.close()
  })

  it('parts, joins and moves rows by keys, and stores what it shows', async () => {
    const { context, page } = await opened('Parts', PLAN)
    const title = page.getByLabel('Title of Hands and photos')
    await title.focus()
    await press(page, 'Home')
    for (let i = 0; i < 'Hands and '.length; i++) await press(page, 'ArrowRight')
    await press(page, 'Control+Enter')
    await page.getByLabel('Title of photos').waitFor()
    await reads(page.getByLabel('Title of Hands and', { exact: true }), 'Hands and')
    const menu = async (of: string, entry: RegExp) => {
      await page.getByRole('button', { name: `More about ${of}` }).press('Enter')
      await page.getByRole('menuitem', { name: entry }).press('Enter')
    }
    await menu('photos', /^Join it to the one before/)
    await page.getByLabel('Title of Hands and photos').waitFor()
    await menu('Hands and photos', /^Part it: “Hands” and “photos”/)
    await menu('photos', /^Move to .* 1 Ground/)
    await page.getByLabel('Due date of Soils of three valleys').fill('Fri wk 1')
    await press(page, 'Enter')
    await reads(foot(page), /2 modules, 4 activities/)
    await page.getByRole('button', { name: 'Add to the course' }).press('Enter')
    await page.waitForURL(/\/map/)
    await page.getByRole('button', { name: 'Modules' }).click()
    await page.locator('tr', { hasText: 'Soils of three valleys' }).getByText(/^Fri /).waitFor()
    await page.locator('tr', { hasText: 'String, frame' }).getByText(/^Sun /).waitFor()
    await page.locator('tr', { hasText: 'Hands' }).getByText(/^Wed /).waitFor()
    await saved(page)
    await context.close()
  })

  it('shows row by row what the course has already, and lets each be chosen', async () => {
    const { context, page } = await opened('Twice', PLAN)
    await page.getByRole('button', { name: 'Add to the course' }).click()
    await page.waitForURL(/\/map/)
    await saved(page)
    await page.goto(page.url().replace(/\/map.*/, '/bring'))
    await box(page).fill(
      PLAN.replace('\t40\t', '\t55\t').replace('1.5 h\tB-eight\tSun wk 1\t10', '1.5 h\tB-eight\tSun wk 1\t10').replace('\t20\n', '\t25\n'),
    )
    await page.getByText('minutes 55, the course has 40').waitFor()
    await page.getByText('points 25, the course has 20').waitFor()
    await page.getByLabel('What becomes of Soils of three valleys').selectOption({ label: 'take these values' })
    await page.getByLabel('What becomes of Hands and photos').selectOption({ label: 'add it beside that one' })
    await expectAccessible(page, 'preview beside a course')
    await page.getByRole('button', { name: 'Add to the course' }).click()
    await page.waitForURL(/\/map/)
    await page.getByRole('button', { name: 'Modules' }).click()
    await reads(page.locator('tr', { hasText: 'Soils of three valleys' }).locator('td').nth(6), '55')
    await page.locator('tr', { hasText: 'Hands and photos' }).nth(1).waitFor()
    expect(await page.locator('tr', { hasText: 'String, frame' }).count()).to.equal(1)
    await saved(page)
    await context.close()
  })

  it('draws of ten thousand rows those in sight', async () => {
    const rows = Array.from({ length: 10_000 }, (_, i) => `Module 1,Task ${i},${10 + (i % 50)}`)
    const { context, page } = await opened('Long', PLAN)
    await page.getByRole('button', { name: 'Start over' }).click()
    const buffer = Buffer.from(['Module,Activity,Minutes', ...rows].join('\n'))
    await page.locator('input[type=file]').setInputFiles({ name: 'long.csv', mimeType: 'text/csv', buffer })
    await reads(foot(page), /1 module, 10,000 activities/)
    expect(await page.locator('.preview-row').count()).to.be.lessThan(80)
    await page.getByRole('region', { name: 'What was understood' }).evaluate((e) => e.scrollTo(0, e.scrollHeight))
    await page.getByLabel('Title of Task 9999').waitFor()
    await page.getByLabel('Minutes of Task 9999').fill('7')
    await press(page, 'Enter')
    await reads(page.getByLabel('Minutes of Task 9999'), '7')
    await context.close()
  })
})
