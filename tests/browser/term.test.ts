import { readFileSync } from 'node:fs'
import { expect } from 'chai'
import type { Page } from 'playwright-core'
import { expectAccessible, press, reads, Stage, saved, typeMoment } from '../support/browser'

describe('assessment, calendar and syllabus', () => {
  const stage = Stage.forThisFile()
  const type = async (page: Page, label: string, text: string) => {
    const field = page.getByLabel(label, { exact: true })
    await field.fill(text)
    await field.press('Enter')
  }

  it('shows effective percents and sums, live, and a fix from the finding ends it', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await stage.open(page, 'assessment')
    await page.getByText('95.00 % of the grade').waitFor()
    await type(page, 'Share of Field labs, in percent', '35')
    await page.getByText('100.00 % of the grade').waitFor()
    await page.getByText('The category shares sum to').waitFor({ state: 'detached' })
    await press(page, 'Control+z')
    await page.getByText('The category shares sum to 95 %').waitFor()
    await page.getByRole('button', { name: 'Scale all to 100 %' }).click()
    await page.getByText('100.00 % of the grade').waitFor()
    await press(page, 'Control+z')
    // Field labs: 30 % over three labs of 40 points each; with 80 points the first counts half of 30 %.
    const first = page.locator('tr.item', { hasText: 'Lab 1' }).first()
    await reads(first, /10\.00 %$/)
    await type(page, 'Points of 3.10', '80')
    await reads(first, /15\.00 %$/)
    await type(page, 'Points of 3.10', 'many')
    await page.getByRole('alert').waitFor()
    await press(page, 'Escape')
    await context.close()
  })

  it('shows what each outcome counts beside what was intended, and how it adds up', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await stage.open(page, 'assessment')
    const part = page.getByRole('region', { name: 'Grade by outcome' })
    await part.getByText('11.7 of 10.0').waitFor()
    // The bars are one stop for Tab; arrows lead from one to the next, and each says what it stands for.
    await part.getByRole('button', { name: /^CO1: / }).focus()
    await press(page, 'ArrowDown')
    expect(await page.evaluate(() => document.activeElement?.getAttribute('aria-label'))).to.match(
      /^CO2: 11\.7 % of the grade, 10\.0 % intended/,
    )
    await press(page, 'Enter')
    const sum = page.getByRole('table', { name: 'What CO2 counts' })
    await sum.getByRole('button', { name: 'activity 2.8' }).first().waitFor()
    await reads(sum.locator('tfoot'), 'Sum11.67 %')
    // The same as a table.
    await part.getByRole('button', { name: 'As a table' }).click()
    await part.getByRole('row', { name: 'CO2 11.7 10.0' }).waitFor()
    await part.getByRole('button', { name: 'As a table' }).click()
    await expectAccessible(page, 'grade by outcome')
    const before = await part.getByText('of the grade lies where intended').textContent()
    // Twice the points for the report draw the grade to CO6, away from what was intended.
    await type(page, 'Points of 8.5', '400')
    await page.waitForFunction((text) => !document.body.textContent?.includes(text ?? ''), before)
    await context.close()
  })

  it('adds, orders and removes categories from the keyboard alone', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await stage.open(page, 'assessment')
    await page.getByLabel('New category').focus()
    await page.keyboard.type('Oral exam')
    await press(page, 'Enter')
    const title = page.getByLabel('Title of category Oral exam')
    await title.waitFor()
    await page.getByRole('button', { name: 'Move Oral exam', exact: true }).focus()
    await press(page, 'Space')
    const said = (text: RegExp) => page.getByText(text).waitFor({ state: 'attached' })
    await said(/^Oral exam .*place 6 of 6\.$/)
    await press(page, 'ArrowUp')
    await said(/^Oral exam over place 5 of 6\.$/)
    await press(page, 'Space')
    await reads(page.getByLabel(/^Title of category/).nth(4), 'Oral exam')
    await page.getByRole('button', { name: 'Remove Oral exam' }).focus()
    await press(page, 'Space')
    await title.waitFor({ state: 'detached' })
    await press(page, 'Control+z')
    await title.waitFor()
    await context.close()
  })

  it('resolves every date anew when the term moves, and counts weeks around a break', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await stage.open(page, 'calendar?show=agenda')
    const due = (text: string) => page.locator('.due-item', { hasText: text })
    await reads(due('1.8 Annotated hydrograph'), /^Sun 12 Sep/)
    await typeMoment(page, 'First day', '13 09 2027')
    await press(page, 'Enter')
    await reads(due('1.8 Annotated hydrograph'), /^Sun 19 Sep/)
    await page.getByText('13 Sep 2027 to 12 Dec 2027').waitFor()
    await press(page, 'Control+z')
    await reads(due('1.8 Annotated hydrograph'), /^Sun 12 Sep/)
    // 4.8 is due on a closed day already; a second break in its week moves it and all that follow by a week.
    await reads(due('7.8 Peer reviews'), /^Thu 25 Nov/)
    await page.getByRole('button', { name: 'Add a break…' }).click()
    const asked = page.getByRole('dialog', { name: 'A break' })
    await asked.waitFor()
    await expectAccessible(page, 'a break is asked for')
    await typeMoment(asked, 'Last day', '01 09 2027')
    await asked.getByRole('button', { name: 'Add it' }).click()
    await asked.getByText('The last day lies before the first.').waitFor()
    // Nothing moved yet: it is not made.
    await reads(due('7.8 Peer reviews'), /^Thu 25 Nov/)
    await typeMoment(asked, 'Last day', '19 09 2027')
    await asked.getByRole('button', { name: 'Add it' }).click()
    await asked.waitFor({ state: 'detached' })
    await reads(due('7.8 Peer reviews'), /^Thu 2 Dec/)
    await reads(due('1.8 Annotated hydrograph'), /^Sun 12 Sep/)
    const rule = page.getByRole('group', { name: 'Break', exact: true })
    await typeMoment(rule, 'Last day', '01 09 2027')
    await press(page, 'Enter')
    await rule.getByRole('alert').waitFor()
    await press(page, 'Escape')
    await rule.getByRole('button', { name: 'Remove Break' }).click()
    await reads(due('7.8 Peer reviews'), /^Thu 25 Nov/)
    await context.close()
  })

  it('leaves breaks and later modules where they are, and offers to move them along', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await stage.open(page, 'calendar?show=agenda')
    const due = (text: string) => page.locator('.due-item', { hasText: text })
    const first = () => page.getByRole('group', { name: 'Autumn break', exact: true }).getByRole('group', { name: 'First day' })
    await typeMoment(page, 'First day', '13 09 2027')
    await press(page, 'Enter')
    await reads(
      page.getByRole('log', { name: 'Notices' }),
      /^The term begins 7 days later\. 3 breaks and closed days stay where they are\./,
    )
    await page.getByRole('button', { name: 'Move them 7 days later too' }).click()
    await reads(first(), /^25 Oct 2027/)
    await press(page, 'Control+z')
    await press(page, 'Control+z')
    await reads(first(), /^18 Oct 2027/)
    await stage.open(page, 'map?panel=details&at=module:m1')
    const weeks = page.getByLabel('Weeks, such as 5 or 5–6')
    await weeks.fill('1-2')
    await press(page, 'Enter')
    await page.getByRole('button', { name: 'Move them 1 week later too' }).click()
    await page.getByText(/Where to stand, and when to stay at home · week 3/).waitFor()
    await press(page, 'Control+z')
    await page.getByText(/Where to stand, and when to stay at home · week 2/).waitFor()
    await press(page, 'Control+z')
    await stage.open(page, 'calendar?show=agenda')
    await reads(due('1.8 Annotated hydrograph'), /^Sun 12 Sep/)
    await context.close()
  })

  it('finds what is due on a new closed day, and the fix moves it', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await stage.open(page, 'calendar?show=agenda&panel=findings')
    await page.getByRole('button', { name: 'Add a closed day…' }).click()
    const asked = page.getByRole('dialog', { name: 'A closed day' })
    await typeMoment(asked, 'Day', '12 09 2027')
    await asked.getByRole('button', { name: 'Add it' }).click()
    // One day is one date.
    const rule = page.getByRole('group', { name: 'Closed', exact: true })
    await rule.getByRole('group', { name: 'Day', exact: true }).waitFor()
    expect(await rule.getByRole('group', { name: 'Last day' }).count()).to.equal(0)
    const card = page.locator('.panel .finding', { hasText: '1.8 Annotated hydrograph is due Sun 12 Sep, a closed day' })
    await card.waitFor()
    await card
      .getByRole('button')
      .filter({ hasNotText: /Keep|1\.8/ })
      .first()
      .click()
    await card.waitFor({ state: 'detached' })
    await page.getByRole('button', { name: 'Undo' }).click()
    await card.waitFor()
    await context.close()
  })

  it('publishes a frozen page that reads without JavaScript and ends when withdrawn', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await stage.open(page, 'syllabus')
    await page.getByRole('button', { name: 'Add a text' }).click()
    const heading = page.getByRole('textbox', { name: 'Heading', exact: true }).last()
    await heading.fill('Working together')
    await heading.press('Enter')
    const editor = page.getByRole('textbox', { name: 'Text of Working together' })
    await editor.click()
    await page.keyboard.type('Visits are made in <pairs>.')
    // One sitting at a text is one change: it is taken when the text is left.
    await heading.focus()
    await page.locator('.paper').getByText('Visits are made in <pairs>.').waitFor()
    await saved(page)
    await page.getByRole('button', { name: 'Publish' }).click()
    // What does not fit together yet is said before others read it.
    const sure = page.getByRole('dialog', { name: 'Publish it as it is?' })
    await sure.getByText(/^\d+ findings say that something does not fit together yet/).waitFor()
    await expectAccessible(page, 'publish with findings')
    await sure.getByRole('button', { name: 'Publish', exact: true }).click()
    const address = stage.server.origin + (await page.getByRole('link', { name: /^\/p\// }).getAttribute('href'))
    const { context: plain, page: reader } = await stage.window({ javaScript: false })
    await reader.goto(address)
    expect(await reader.getByRole('heading', { level: 1 }).textContent()).to.equal('Measuring Small Streams')
    expect(await reader.getByRole('table').count()).to.equal(2)
    await reader.getByText('Visits are made in <pairs>.').waitFor()
    // Later edits do not reach the frozen page.
    await heading.fill('Alone')
    await heading.press('Enter')
    await saved(page)
    await reader.reload()
    await reader.getByRole('heading', { name: 'Working together' }).waitFor()
    await page.getByRole('button', { name: 'Withdraw' }).click()
    await page.getByRole('button', { name: 'Publish', exact: true }).waitFor()
    expect((await reader.goto(address))?.status()).to.equal(410)
    await plain.close()
    await context.close()
  })

  it('is seen in the offering that is chosen: dates, findings and files follow it, and its address leads back to it', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await stage.open(page, 'calendar')
    const answer = await page.evaluate(async () => {
      const own = await (await fetch('/api/courses/small-streams')).json()
      const record = {
        ...own.records.offering[0],
        id: 'spring-2028',
        term: 'Spring 2028',
        firstDay: '2028-01-10',
        lastDay: null,
        order: `${own.records.offering[0].order}V`,
      }
      const body = {
        id: 'add-spring',
        code: 'set-field',
        params: { what: 'x' },
        onConflict: 'refuse',
        operations: [{ op: 'create', kind: 'offering', record }],
      }
      const headers = { 'content-type': 'application/json' }
      return (await fetch('/api/courses/small-streams/changes', { method: 'POST', headers, body: JSON.stringify(body) })).text()
    })
    expect(answer).to.contain('"revision":')
    await page.getByRole('button', { name: 'Autumn 2027' }).click()
    await page.getByRole('menuitem', { name: 'Spring 2028' }).press('Enter')
    await page.getByText(/Spring 2028: .*10 Jan/).waitFor()
    expect(new URL(page.url()).searchParams.get('offering')).to.equal('spring-2028')
    await expectAccessible(page, 'a chosen offering')
    // In every workspace, also by a link that does not name it, and after a reload.
    await page.getByRole('link', { name: 'Map', exact: true }).click()
    const firstDue = page.locator('[data-record="activity a1-2"] [data-field="due"]')
    await reads(firstDue, 'Thu 13 Jan')
    await page.waitForFunction(() => new URL(location.href).searchParams.get('offering') === 'spring-2028')
    await page.reload()
    await reads(firstDue, 'Thu 13 Jan')
    // What is typed as a date is understood in it: Wednesday of week 1.
    await page.locator('[data-record="activity a1-3"] [data-field="due"]').click()
    await page.keyboard.type('12 Jan')
    await press(page, 'Enter')
    await reads(page.locator('[data-record="activity a1-3"] [data-field="due"]'), 'Wed 12 Jan')
    await saved(page)
    const address = page.url()
    await page.getByRole('button', { name: 'In and out' }).click()
    const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('menuitem', { name: /calendar/i }).click()])
    const text = readFileSync(await download.path(), 'utf8')
    expect(text).to.contain('20280113').and.not.contain('20270909')
    // Back in the first one the same rule gives its own day.
    await page.goto(address)
    await page.getByRole('button', { name: 'Spring 2028' }).click()
    await page.getByRole('menuitem', { name: 'Autumn 2027' }).click()
    await reads(page.locator('[data-record="activity a1-3"] [data-field="due"]'), 'Wed 8 Sep')
    expect(new URL(page.url()).searchParams.has('offering')).to.equal(false)
    await context.close()
    expect(stage.errors).to.deep.equal([])
  })
})
