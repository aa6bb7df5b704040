import { expect } from 'chai'
import { expectAccessible, press, reads, Stage, saved } from '../support/browser'

describe('the history', () => {
  const stage = Stage.forThisFile()

  it('tells who changed what in words, is filtered, and leads back to any of it as a new change', async () => {
    const ines = await stage.signedIn(/Ines/)
    const tove = await stage.signedIn(/Tove/)
    await stage.open(tove.page, 'outcomes')
    const line = (page: typeof ines.page, n: string) => page.getByRole('textbox', { name: `Objective ${n}`, exact: true })
    const before = await line(tove.page, '5a').inputValue()
    await line(tove.page, '5a').fill('Explain three readings')
    await press(tove.page, 'Enter')
    await saved(tove.page)
    await stage.open(ines.page, 'outcomes')
    await line(ines.page, '4a').focus()
    await press(ines.page, 'Alt+ArrowDown')
    await saved(ines.page)
    await ines.page.getByRole('link', { name: 'History' }).click()
    await ines.page.getByRole('heading', { name: 'History' }).waitFor()
    await ines.page.getByText(/^moved 4a .* before 4c/).waitFor()
    await ines.page.getByText(/^5a: statement “.*” to “Explain three readings”/).waitFor()
    await expectAccessible(ines.page, 'history')
    await ines.page.getByRole('combobox', { name: 'Person' }).selectOption({ label: 'Tove Rasmussen' })
    await ines.page.getByText(/^moved 4a/).waitFor({ state: 'detached' })
    await ines.page.getByRole('searchbox', { name: 'Find words in the history' }).fill('nowhere')
    await ines.page.getByText('Nothing in the history is like that.').waitFor()
    await ines.page.getByRole('searchbox', { name: 'Find words in the history' }).fill('readings')
    await ines.page.getByRole('button', { name: /^As it was before: 5a/ }).focus()
    await press(ines.page, 'Enter')
    await ines.page.getByText(/^Restored: 5a/).waitFor()
    await saved(ines.page)
    await reads(line(tove.page, '5a'), before)
    await ines.page.getByRole('searchbox', { name: 'Find words in the history' }).fill('')
    await ines.page.getByRole('combobox', { name: 'Person' }).selectOption('')
    await ines.page
      .getByRole('button', { name: /^Back to here/ })
      .last()
      .click()
    const asked = ines.page.getByRole('dialog', { name: /^Back to / })
    await asked.getByText(/What goes back is the work of: .*(you|Tove Rasmussen) \(\d+ changes?\)/).waitFor()
    await expectAccessible(ines.page, 'going back is asked for')
    await asked.getByRole('button', { name: 'Not now' }).click()
    await ines.page
      .getByRole('button', { name: /^Back to here/ })
      .last()
      .click()
    await asked.getByRole('button', { name: /^Set back \d+ records?$/ }).click()
    await saved(ines.page)
    await ines.page.getByRole('button', { name: /newer changes?: show$/ }).click()
    await ines.page
      .getByText(/^Restored /)
      .first()
      .waitFor()
    await ines.context.close()
    await tove.context.close()
  })

  it('draws what was written in one sitting together, with one way back', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await page.clock.install()
    await stage.open(page, 'outcomes')
    const field = page.getByRole('textbox', { name: 'Objective 6a', exact: true })
    const before = await field.inputValue()
    await field.fill('Count')
    for (const words of [' the mayflies', ' in three samples']) {
      await press(page, 'End')
      await page.clock.runFor(1500)
      await page.keyboard.type(words)
    }
    await press(page, 'Enter')
    await saved(page)
    await page.getByRole('link', { name: 'History' }).click()
    const sitting = page.getByRole('region', { name: /^Revision/ }).filter({ hasText: 'Wording of 6a' })
    await reads(sitting.locator('li'), /^6a: statement “.*” to “Count the mayflies in three samples”/)
    await sitting.getByText('· 3 changes as one').waitFor()
    await sitting.getByRole('button', { name: /^Take back/ }).click()
    await saved(page)
    await page.getByRole('link', { name: 'Outcomes' }).click()
    await reads(field, before)
    await context.close()
  })

  it('follows one object, also one that was removed, and keeps what is looked for in the address', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await stage.open(page, 'map')
    await page.locator('[data-record="activity a1-2"]').first().click()
    await page.getByRole('button', { name: 'Details' }).click()
    const title = ((await page.locator('.panel section b').first().textContent()) ?? '').replace(/^\S+ /, '')
    await page.getByRole('link', { name: 'What was changed here' }).click()
    await page.getByText(/^added 1\.2 /).waitFor()
    await reads(page.getByRole('combobox', { name: 'Object' }), `1.2 ${title}`)
    await page.goBack()
    await page.locator('[data-row="a1-2"] [data-column="1"]').click()
    await press(page, 'Control+Delete')
    await page.locator('[data-row="a1-2"]').waitFor({ state: 'detached' })
    await saved(page)
    await page.getByRole('link', { name: 'History' }).click()
    const object = page.getByRole('combobox', { name: 'Object' })
    await object.fill(title)
    await page.getByRole('option', { name: `${title} activity, removed` }).waitFor()
    await expectAccessible(page, 'objects of the history')
    await press(page, 'ArrowDown')
    await press(page, 'Enter')
    await page.getByText(`removed 1.2 ${title}`).first().waitFor()
    await page.reload()
    await page.getByText(`removed 1.2 ${title}`).first().waitFor()
    await page
      .getByRole('button', { name: /^Take back: / })
      .first()
      .click()
    await saved(page)
    await reads(object, `1.2 ${title}`)
    await page.getByRole('button', { name: 'Show all' }).click()
    await page.waitForURL(/history$/)
    await context.close()
  })

  it('looks back as far as it must, by person and by day', async () => {
    const tove = await stage.signedIn(/Tove/)
    const ines = await stage.signedIn(/Ines/)
    await stage.open(tove.page, 'outcomes')
    await tove.page.getByRole('textbox', { name: 'Objective 7a', exact: true }).fill('Draw a section')
    await press(tove.page, 'Enter')
    await saved(tove.page)
    // More changes of somebody else than a page of the log holds, each at another record than the one before.
    const { origin } = stage.server
    const course = await (await ines.context.request.get(`${origin}/api/courses/small-streams`)).json()
    const [a, b] = course.records.objective as { id: string; statement: string }[]
    for (let n = 0; n < 210; n++) {
      const record = (n % 2 ? a : b) as { id: string; statement: string }
      const statement = `Count ${n}`
      const answer = await ines.context.request.post(`${origin}/api/courses/small-streams/changes`, {
        headers: { origin },
        data: {
          id: `many-${n}`,
          code: `edit-text`,
          params: { what: 'a line' },
          onConflict: 'refuse',
          operations: [{ op: 'update', kind: 'objective', id: record.id, from: { statement: record.statement }, to: { statement } }],
        },
      })
      expect(answer.status()).to.equal(200)
      record.statement = statement
    }
    await stage.open(ines.page, 'history')
    await ines.page.getByText(/to “Count 209”/).waitFor()
    await ines.page.getByRole('combobox', { name: 'Person' }).selectOption({ label: 'Tove Rasmussen' })
    await ines.page.getByText(/to “Draw a section”/).waitFor()
    const today = new Date().toLocaleDateString('en-CA')
    await ines.page.getByRole('combobox', { name: 'Day' }).selectOption(today)
    await ines.page.getByText(/to “Draw a section”/).waitFor()
    await stage.open(ines.page, 'history?day=2020-02-02')
    await ines.page.getByText('Nothing in the history is like that.').waitFor()
    await tove.context.close()
    await ines.context.close()
  })

  it('lets a subject expert set back what they may write, and not the whole plan', async () => {
    const { context, page } = await stage.signedIn(/Tove/)
    await stage.open(page, 'outcomes')
    const field = page.getByRole('textbox', { name: 'Objective 8a', exact: true })
    const before = await field.inputValue()
    await field.fill('Present a finding')
    await press(page, 'Enter')
    await saved(page)
    await page.getByRole('link', { name: 'History' }).click()
    const entry = page.getByRole('region', { name: /^Revision/ }).filter({ hasText: 'to “Present a finding”' })
    await entry.getByRole('button', { name: /^Take back/ }).click()
    await saved(page)
    expect(await page.getByRole('button', { name: /^Back to/ }).count()).to.equal(0)
    await page.getByRole('link', { name: 'Outcomes' }).click()
    await reads(field, before)
    await context.close()
  })

  it('is read by those who only read, without a way to change', async () => {
    const { context, page } = await stage.signedIn(/Marek/)
    await stage.open(page, 'outcomes')
    await page.getByRole('link', { name: 'History' }).click()
    await page.getByText(/^moved 4a/).waitFor()
    if ((await page.getByRole('button', { name: /^(Take back|Back to)/ }).count()) > 0) throw new Error('a reader can restore')
    await context.close()
  })
})
