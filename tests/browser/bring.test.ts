import { readFileSync } from 'node:fs'
import { expect } from 'chai'
import { strToU8, zipSync } from 'fflate'
import type { Page } from 'playwright-core'
import { expectAccessible, press, reads, Stage, saved } from '../support/browser'

describe('bringing what people have', () => {
  const stage = Stage.forThisFile()

  const newCourse = async (page: Page, title: string) => {
    await stage.home(page)
    await page.getByRole('button', { name: 'New course' }).click()
    await page.getByLabel('Title').fill(title)
    await page.getByRole('radio', { name: /^From what I have/ }).check()
    await page.getByRole('button', { name: 'Make the course' }).click()
    await page.getByLabel(/^Paste a syllabus/).waitFor()
  }
  const foot = (page: Page) => page.locator('.bring-foot')

  it('takes a newcomer from the sample syllabus to a filled map, three contradictions, hours and a picture, with no row typed twice', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await newCourse(page, 'Keeping Bees on Rooftops')
    await page.getByRole('button', { name: 'Try it with a sample syllabus' }).click()
    const problems = page.getByRole('region', { name: 'Where the pieces disagree' }).getByRole('listitem')
    await problems.first().waitFor()
    expect((await problems.allTextContents()).map((t) => t.replace(/ pasted text.*/, ''))).to.deep.equal([
      'The schedule names 4 quizzes, the grade table 5.',
      'Points of the grade table sum to 260, stated 250.',
      'One name in two spellings: Mini quiz 1 / mini-quiz 1, and 3 more like it.',
    ])
    await reads(
      foot(page),
      /^4 outcomes, 4 modules, 10 objectives, 17 activities, 2 texts of the syllabus · 3 things to look at · 1 line not understood/,
    )
    await expectAccessible(page, 'bring')
    await page.getByRole('button', { name: 'Add to the course' }).click()
    // The picture of the whole, holes named, ready to be printed on one page.
    await page
      .getByRole('img', { name: /picture/i })
      .or(page.locator('svg.picture'))
      .first()
      .waitFor()
    await page.getByText('2c not assessed yet').waitFor()
    await page.emulateMedia({ media: 'print' })
    const size = await page.locator('svg.picture').evaluate((e) => e.getBoundingClientRect().width / e.getBoundingClientRect().height)
    expect(size).to.be.greaterThan(1)
    await page.emulateMedia({ media: 'screen' })
    await page.getByRole('button', { name: 'Modules' }).click()
    await page.locator('tr', { hasText: 'Inspection log 1' }).waitFor()
    await page.getByRole('link', { name: 'Calendar' }).click()
    await page.getByText(/\d h/).first().waitFor()
    await saved(page)
    // One step takes all of it back.
    await press(page, 'Control+z')
    await page.getByRole('link', { name: 'Map' }).click()
    await page.getByText('Modules divide the course in time and topic').waitFor()
    await context.close()
  })

  it('lets everything be corrected before it is stored, and puts a line that was not understood where it belongs', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await newCourse(page, 'Looms')
    await page
      .getByLabel(/^Paste a syllabus/)
      .fill(
        'Module 1: Warp\nObjectives\n- Warp a frame loom\nActivities\n- Tour of a loom (3O min)\n- Tie on (45 min)\n\nMatthias says hello.',
      )
    await page.getByText('“3O min” read as 30').waitFor()
    await page.getByLabel('Minutes of Tour of a loom').fill('1h30')
    await press(page, 'Enter')
    await page.getByLabel('Kind of Tie on').selectOption('practice')
    await page.getByLabel('Title of module 1').fill('Warp and weft')
    await press(page, 'Enter')
    await page.getByRole('button', { name: 'Take out objective 1a' }).click()
    await page.getByLabel('What “Warp a frame loom” is').selectOption({ label: 'objective of 1' })
    await page.getByLabel('Objectives of Tie on').fill('1a')
    await press(page, 'Enter')
    await page.getByLabel('What “Matthias says hello.” is').selectOption({ label: 'an outcome' })
    await reads(foot(page), /^1 outcome, 1 module, 1 objective, 2 activities/)
    await page.getByRole('button', { name: 'Add to the course' }).press('Enter')
    await page.getByRole('button', { name: 'Modules' }).click()
    await reads(page.locator('tr', { hasText: 'Tour of a loom' }).locator('td').nth(6), '90')
    await reads(page.locator('tr', { hasText: 'Tie on' }).locator('td').nth(5), '1a P')
    await page.getByRole('row', { name: /Warp and weft/ }).waitFor()
    await context.close()
  })

  it('keeps what was pasted and corrected over a reload, and asks before a new reading takes its place', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await newCourse(page, 'Felt')
    const box = page.getByLabel(/^Paste a syllabus/)
    await box.fill('Module 1: Wool\nActivities\n- Card wool (30 min)')
    await page.getByLabel('Minutes of Card wool').fill('45')
    await press(page, 'Enter')
    await reads(page.getByLabel('Minutes of Card wool'), '45')
    await page.reload()
    await reads(box, /Card wool/)
    await reads(page.getByLabel('Minutes of Card wool'), '45')
    await box.fill('Module 1: Wool\nActivities\n- Card wool (30 min)\n- Felt a ball (60 min)')
    const take = page.getByRole('button', { name: 'Take the new reading' })
    await take.waitFor()
    await reads(page.getByLabel('Minutes of Card wool'), '45')
    await take.click()
    await reads(page.getByLabel('Minutes of Felt a ball'), '60')
    await reads(page.getByLabel('Minutes of Card wool'), '30')
    await page.getByRole('button', { name: 'Start over' }).click()
    await reads(box, '')
    await page.reload()
    await page.getByRole('button', { name: 'Try it with a sample syllabus' }).waitFor()
    await context.close()
  })

  it('says what is too much to be read, and adds the rest when told to', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await newCourse(page, 'A long cell')
    await page.getByLabel(/^Paste a syllabus/).fill(`Module\tActivity\tMinutes\n1\tSketch a weir\t30\n1\tRead ${'on '.repeat(8000)}\t40\n`)
    await page.getByText('1 cell of more than 20,000 characters: what goes beyond is left out.').waitFor()
    const add = page.getByRole('button', { name: 'Add to the course' })
    expect(await add.isDisabled()).to.equal(true)
    const word = page.getByRole('checkbox', { name: 'Add it without what is left out' })
    await word.focus()
    await press(page, 'Space')
    await expectAccessible(page, 'bring, with something left out')
    // Another reading is another question.
    await page.getByLabel(/^Paste a syllabus/).fill(`Module\tActivity\tMinutes\n1\tSketch a ford\t30\n1\tRead ${'on '.repeat(8000)}\t40\n`)
    await page.getByText('Sketch a ford').first().waitFor()
    await page.waitForFunction(() => !(document.querySelector('.bring-foot input[type=checkbox]') as HTMLInputElement).checked)
    await word.check()
    await add.press('Enter')
    await page.waitForURL(/\/map/)
    await saved(page)
    await context.close()
  })

  it('takes a file that is dropped', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await newCourse(page, 'Dropped')
    await page.getByRole('region', { name: 'What you have' }).evaluate((zone, text) => {
      const data = new DataTransfer()
      data.items.add(new File([text], 'looms.csv', { type: 'text/csv' }))
      for (const type of ['dragover', 'drop'])
        zone.dispatchEvent(new DragEvent(type, { dataTransfer: data, bubbles: true, cancelable: true }))
    }, 'Module,Activity,Type,Minutes\nLooms,Warp it,practice,40\nLooms,Weave it,lab,90\n')
    await page.getByText('looms.csv').waitFor()
    await reads(foot(page), /^1 module, 2 activities/)
    await context.close()
  })

  it('reads files of several formats together, and answers what it cannot read with a sentence', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await newCourse(page, 'Cut flowers')
    const folder = 'tests/fixtures/intake'
    const bomb = zipSync({ 'xl/workbook.xml': strToU8('<workbook/>'), 'xl/worksheets/sheet1.xml': new Uint8Array(90_000_000) })
    await page.getByLabel('Files', { exact: true }).setInputFiles([
      { name: 'long-sheet.xlsx', mimeType: '', buffer: readFileSync(`${folder}/long-sheet.xlsx`) },
      { name: 'plan.docx', mimeType: '', buffer: readFileSync(`${folder}/plan.docx`) },
      { name: 'bomb.xlsx', mimeType: '', buffer: Buffer.from(bomb) },
      { name: 'scan.pdf', mimeType: '', buffer: Buffer.from('%PDF-1.7 x') },
    ])
    await page.getByText('This file is not read: unpacked it would be larger than 80 MB.').waitFor()
    await page.getByText('PDF files are not read. Copy the text out of it and paste that.').waitFor()
    await reads(foot(page), /^6 outcomes, 3 modules/)
    await page.getByRole('button', { name: 'Leave out plan.docx' }).click()
    await reads(foot(page), /^3 outcomes, 3 modules, 5 objectives, 8 activities/)
    await page.getByRole('button', { name: 'Add to the course' }).click()
    await page.getByText('Added 3 outcomes').waitFor()
    // The same file again adds nothing.
    await page.getByRole('button', { name: 'In and out' }).click()
    await page.getByRole('menuitem', { name: /^Bring in/ }).click()
    await page
      .getByLabel('Files', { exact: true })
      .setInputFiles([{ name: 'long-sheet.xlsx', mimeType: '', buffer: readFileSync(`${folder}/long-sheet.xlsx`) }])
    await page.getByRole('button', { name: 'Add to the course' }).click()
    await page.getByText('The course has all of this already').waitFor()
    await context.close()
  })

  it('makes a skeleton, counted beforehand', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await newCourse(page, 'From nothing')
    await page.getByRole('button', { name: 'A skeleton' }).click()
    await page.getByLabel('Modules').fill('500')
    await press(page, 'Enter')
    await reads(page.getByRole('alert'), 'A whole number from 1 to 60.')
    await page.getByLabel('Modules').fill('5')
    await press(page, 'Enter')
    await page.getByRole('button', { name: 'Remove Reading' }).click()
    await reads(foot(page), /^5 modules in 5 weeks, 15 activities · 10 graded pieces · 13 h · 300 points/)
    await expectAccessible(page, 'skeleton')
    await page.getByRole('button', { name: 'Make it' }).click()
    await page.getByText('Made 5 modules with 15 activities').waitFor()
    await page.locator('tr', { hasText: 'Practice set 5' }).waitFor()
    await context.close()
  })

  it('is not offered to those who cannot add', async () => {
    const { context, page } = await stage.signedIn(/Marek/)
    await stage.open(page, 'outcomes')
    await page.getByRole('button', { name: 'In and out' }).click()
    await page.getByRole('menuitem', { name: 'Save the course as a file' }).waitFor()
    expect(await page.getByRole('menuitem', { name: /^Bring in/ }).count()).to.equal(0)
    await page.goto(`${stage.server.origin}/courses/small-streams/bring`)
    await page.getByText('Only designers add to this course.').waitFor()
    await context.close()
    expect(stage.errors).to.deep.equal([])
  })
})
