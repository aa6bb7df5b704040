/** From nothing to a published syllabus by keys alone, as somebody would who has read the README. */
import { expect } from 'chai'
import type { Page } from 'playwright-core'
import { press, Stage, saved } from '../support/browser'

/** What the control that has the focus is called. */
const focused = (page: Page): Promise<string> =>
  page.evaluate(() => {
    const at = document.activeElement as HTMLInputElement | null
    return at?.getAttribute('aria-label') ?? at?.labels?.[0]?.textContent ?? at?.textContent?.trim() ?? ''
  })

/** Goes on with a key until a control that is called so has the focus; fails after so many presses. */
async function goTo(page: Page, name: RegExp, key = 'Tab', most = 60): Promise<void> {
  const met: string[] = []
  for (let n = 0; n < most; n++) {
    const at = await focused(page)
    if (name.test(at)) return
    met.push(at.slice(0, 30))
    await page.keyboard.press(key)
  }
  throw new Error(`${name} was not reached by ${key}: ${met.join(' | ')}`)
}

/** Waits until the control that has the focus is called so. */
async function until(page: Page, name: RegExp): Promise<void> {
  const reached = page.waitForFunction(
    (source) => {
      const at = document.activeElement as HTMLInputElement | null
      return new RegExp(source).test(at?.getAttribute('aria-label') ?? at?.labels?.[0]?.textContent ?? at?.textContent?.trim() ?? '')
    },
    name.source,
    { timeout: 15_000 },
  )
  await reached.catch(async () => {
    throw new Error(`${name} has not the focus; “${await focused(page)}” has it`)
  })
}

/** Goes to a workspace by its place in the strip. */
async function workspace(page: Page, place: number, path: RegExp): Promise<void> {
  await press(page, `Control+Alt+${place}`)
  await page.waitForURL(path)
  await page.getByRole('heading', { level: 1 }).first().waitFor()
}

describe('a course by keys alone', () => {
  const stage = Stage.forThisFile()

  it('is carried from nothing to a published syllabus, and the focus never falls to the page', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await stage.home(page)
    const { keyboard } = page

    await goTo(page, /^New course$/)
    await press(page, 'Enter')
    await until(page, /^Title/)
    await keyboard.type('Reading Old Maps')
    await goTo(page, /^Make the course$/)
    await press(page, 'Enter')
    await page.waitForURL(/outcomes/)

    // Outcomes, then modules, then what each module leads to.
    await until(page, /^New outcome$/)
    await keyboard.type('Date a map from its signs')
    await press(page, 'Enter')
    await keyboard.type('Compare two surveys of one place')
    await press(page, 'Enter')
    await goTo(page, /^New module$/)
    await keyboard.type('Signs and scales')
    await press(page, 'Enter')
    await keyboard.type('Surveys compared')
    await press(page, 'Enter')
    for (const [module, statement, outcome] of [
      [1, 'List the signs that give away the age of a map', '1'],
      [2, 'Compare the course of a road in two surveys', '2'],
    ] as const) {
      await goTo(page, new RegExp(`^New objective in module ${module}$`), 'Shift+Tab')
      await keyboard.type(statement)
      await press(page, 'Tab')
      await until(page, /^Thinking level/)
      await press(page, 'Tab')
      await until(page, /^Outcomes of/)
      await keyboard.type(outcome)
      await press(page, 'Enter')
      await page.getByRole('button', { name: `Outcomes of ${module}a: CO${outcome}. Change` }).waitFor()
      await goTo(page, /^New module$/)
    }

    // Activities in the table: the empty row of each module.
    await workspace(page, 3, /map/)
    const cell = (row: string, field: string) => page.locator(`tr:has-text("${row}") [data-field="${field}"]`)
    const rowOf = () => page.evaluate(() => document.activeElement?.closest('tr')?.dataset['row'] ?? '')
    for (const [title, kind, links, minutes, due, points] of [
      ['Sheet of signs', 'reading', '1a I', '45', '', ''],
      ['Date three maps', 'assignment', '1a PA', '90', 'Sun wk 1', '40'],
      ['Two roads', 'assignment', '2a PA', '120', 'Sun wk 2', '60'],
    ] as const) {
      // The empty rows, from the top: the second module's comes after the rows of the first.
      await press(page, 'Control+Home')
      const wanted = title === 'Two roads' ? 2 : 1
      let met = 0
      for (let n = 0; n < 20 && met < wanted; n++) {
        await press(page, 'ArrowDown')
        if ((await rowOf()).startsWith('new ')) met++
      }
      await press(page, 'Home', 'ArrowRight')
      await keyboard.type(title)
      await press(page, 'Tab')
      await press(page, 'ArrowRight')
      await keyboard.type(kind)
      await press(page, 'Tab', 'ArrowRight')
      for (const text of [links, minutes, due]) {
        if (text === '') {
          await press(page, 'ArrowRight')
          continue
        }
        await keyboard.type(text)
        await press(page, 'Tab')
      }
      await press(page, 'ArrowRight')
      if (points !== '') {
        await keyboard.type(points)
        await press(page, 'Enter')
        await cell(title, 'points').getByText(points).waitFor()
      }
      await cell(title, 'minutes').getByText(minutes).waitFor()
    }

    // Each module its week.
    for (const [title, week] of [
      ['Signs and scales', '1'],
      ['Surveys compared', '2'],
    ] as const) {
      await press(page, 'Control+k')
      await page.getByRole('combobox').waitFor()
      await keyboard.type(title)
      await page
        .getByRole('option', { name: new RegExp(title) })
        .first()
        .waitFor()
      await press(page, 'Enter', 'Control+Alt+d')
      await goTo(page, /^Weeks/)
      await keyboard.type(week)
      await press(page, 'Enter', 'Escape')
    }

    // The grade: a category that holds all of it.
    await workspace(page, 4, /assessment/)
    await goTo(page, /^New category$/)
    await keyboard.type('Pieces')
    await press(page, 'Enter')
    for (const number of ['1.2', '2.1']) {
      await goTo(page, new RegExp(`^Category of ${number}$`))
      await keyboard.type('P')
    }
    await goTo(page, /^Share of Pieces/)
    await press(page, 'Control+a')
    await keyboard.type('100')
    await press(page, 'Enter')
    await page.getByRole('button', { name: /^CO1: 40.0 %/ }).waitFor()
    await saved(page)

    await workspace(page, 6, /syllabus/)
    await goTo(page, /^Publish$/)
    await press(page, 'Enter')
    await page.getByText('Version 1,').waitFor()
    await goTo(page, /^\/p\//, 'Shift+Tab')
    const address = await page.evaluate(() => (document.activeElement as HTMLAnchorElement).href)
    const answer = await page.request.get(address)
    expect(await answer.text())
      .to.include('Reading Old Maps')
      .and.include('Date three maps')
    expect(stage.losses, stage.losses.join('; ')).to.deep.equal([])
    expect(stage.errors).to.deep.equal([])
    await context.close()
  })
})
