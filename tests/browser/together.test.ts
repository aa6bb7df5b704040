import { expect } from 'chai'
import type { Page } from 'playwright-core'
import { expectAccessible, press, reads, Stage, saved, typesOn } from '../support/browser'

describe('two people in one course', () => {
  const stage = Stage.forThisFile()
  const line = (page: Page, number: string) => page.getByRole('textbox', { name: `Objective ${number}`, exact: true })
  const both = async (view: string, options: { readonly shell?: boolean } = {}) => {
    const [ines, tove] = await Promise.all([stage.signedIn(/Ines/, options), stage.signedIn(/Tove/, options)])
    await Promise.all([stage.open(ines.page, view), stage.open(tove.page, view)])
    const close = () => Promise.all([ines.context.close(), tove.context.close()])
    return { ines: ines.page, tove: tove.page, away: tove.context, close }
  }

  it('see each other’s edits within a second, and edits of different fields both stand', async () => {
    const { ines, tove, close } = await both('outcomes')
    await line(ines, '2a').fill('Select a reach by three stated criteria')
    await line(ines, '2a').blur()
    const posted = Date.now()
    await tove.waitForFunction(
      () => (document.querySelector('[aria-label="Objective 2a"]') as HTMLTextAreaElement).value.includes('three stated'),
      null,
      { timeout: 1000 },
    )
    expect(Date.now() - posted).to.be.below(1000)
    await Promise.all([
      ines.getByLabel('Thinking level of 2b').selectOption('apply'),
      line(tove, '2b').fill('Judge the hazards of a visit'),
    ])
    await line(tove, '2b').blur()
    for (const page of [ines, tove]) {
      await reads(line(page, '2b'), 'Judge the hazards of a visit')
      await page.locator('[data-record="objective o2b"] .level', { hasText: 'apply *' }).waitFor()
    }
    await close()
  })

  it('keep both values when one was away', async () => {
    const { ines, tove, away, close } = await both('outcomes')
    await away.setOffline(true)
    await line(tove, '3a').fill('Measure as the expert says')
    await line(tove, '3a').blur()
    await tove.getByText(/1 waiting/).waitFor()
    await line(ines, '3a').fill('Measure as the designer says')
    await line(ines, '3a').blur()
    await saved(ines)
    await away.setOffline(false)
    await tove.getByRole('heading', { name: /Conflicts/ }).waitFor()
    await expectAccessible(tove, 'conflicts')
    const row = tove.locator('.conflicts li')
    expect(await row.textContent())
      .to.include('as the expert says')
      .and.include('as the designer says')
    await row.getByRole('button', { name: 'Use mine' }).click()
    await reads(line(ines, '3a'), 'Measure as the expert says')
    await close()
  })

  it('do not overwrite unseen what the other wrote while one was typing', async () => {
    const { ines, tove, close } = await both('outcomes')
    await line(tove, '4a').click()
    await press(tove, 'Control+End')
    await tove.keyboard.type(', slowly')
    const stop = await typesOn(tove)
    await line(ines, '4a').fill('Describe a reach')
    await line(ines, '4a').blur()
    await saved(ines)
    await stop()
    await tove.getByText('Somebody changed the same thing').waitFor()
    await line(tove, '4a').blur()
    const row = tove.locator('.conflicts li')
    await reads(row, /, slowly.*Describe a reach|Describe a reach.*, slowly/)
    await row.getByRole('button', { name: /theirs/i }).click()
    await reads(line(tove, '4a'), 'Describe a reach')
    await reads(line(ines, '4a'), 'Describe a reach')
    await close()
  })

  it('keep what was typed into a line that the other removed', async () => {
    const { ines, tove, close } = await both('outcomes')
    const text = await line(ines, '5b').inputValue()
    await line(tove, '5b').click()
    await press(tove, 'Control+End')
    await tove.keyboard.type(' and colour')
    const stop = await typesOn(tove)
    await line(ines, '5b').fill('')
    await line(ines, '5b').blur()
    await saved(ines)
    await tove.getByRole('heading', { name: /Conflicts/ }).waitFor()
    await stop()
    await tove.locator('.conflicts li').getByRole('button', { name: 'Bring it back' }).click()
    await reads(line(ines, '5b'), new RegExp(`^${text} and colour\\.?$`))
    await close()
  })

  it('keep what was typed into a cell, or a text of the syllabus, that the other removed', async () => {
    const { ines, tove, close } = await both('map')
    const title = (page: Page) => page.locator('[data-row="a1-3"] [data-column="1"]')
    await title(tove).click()
    await tove.keyboard.type('Rain in the hills')
    await title(ines).click()
    await press(ines, 'Control+Delete')
    const back = tove.locator('.conflicts li').getByRole('button', { name: 'Bring it back with mine' })
    await back.waitFor()
    // The cursor stands in the row that took the place.
    await tove.waitForFunction(() => document.activeElement?.closest('[data-row="a1-4"]'))
    await back.click()
    await reads(title(ines), 'Rain in the hills')
    // So does a row that is only begun.
    await tove.locator('[data-row="new m8"] [data-column="1"]').click()
    await tove.keyboard.type('Thank the hosts')
    await stage.open(ines, 'map?at=module:m8&panel=details')
    await ines.getByRole('button', { name: 'Remove', exact: true }).click()
    await reads(tove.locator('.conflicts li'), /^New activity.*Thank the hosts.*module “.*” was removed/)
    await ines.getByRole('button', { name: 'Undo' }).click()
    await tove.locator('.conflicts li').getByRole('button', { name: 'Use mine' }).click()
    await ines.locator('[data-field="title"]', { hasText: 'Thank the hosts' }).waitFor()
    await Promise.all([stage.open(ines, 'syllabus'), stage.open(tove, 'syllabus')])
    const text = (page: Page) => page.getByRole('textbox', { name: 'Text of Late work and questions' })
    await text(tove).click()
    await tove.locator('.ProseMirror').waitFor()
    await press(tove, 'Control+End')
    await tove.keyboard.type(' Write in time.')
    await ines.getByRole('button', { name: 'Remove Late work and questions' }).click()
    await back.click()
    await reads(text(ines), /two working days\. Write in time\.$/)
    await close()
  })

  it('see who is here, in which view and cell, and go there', async () => {
    // With the service worker: who leaves must be heard past it.
    const { ines, tove, close } = await both('outcomes', { shell: true })
    await line(tove, '2b').click()
    const here = ines.getByRole('button', { name: /here now: Tove Rasmussen/ })
    await here.waitFor()
    const mark = ines.locator('.presence-marks span')
    await mark.waitFor()
    const tops = () =>
      ines.evaluate(() =>
        ['.presence-marks span', '[aria-label="Objective 2b"]'].map((s) => document.querySelector(s)?.getBoundingClientRect().top ?? -99),
      )
    const [marked, cell] = await tops()
    expect(Math.abs((marked ?? 0) - (cell ?? 99))).to.be.below(4)
    await expectAccessible(ines, 'somebody else is here')
    // What opens above moves the line, and the mark with it.
    await ines.getByRole('button', { name: 'From parts… an objective of module 1' }).click()
    await ines.waitForFunction((before) => {
      const [mark, line] = ['.presence-marks span', '[aria-label="Objective 2b"]'].map(
        (s) => document.querySelector(s)?.getBoundingClientRect().top ?? -99,
      ) as [number, number]
      return line > before + 10 && Math.abs(mark - line) < 4
    }, cell ?? 0)
    await tove.goto(`${stage.server.origin}/courses/small-streams/map`)
    await tove.getByRole('gridcell').first().waitFor()
    await tove.locator('[data-record="activity a3-2"] [data-field="title"]').click()
    await here.click()
    const entry = ines.getByRole('menuitem', { name: /Tove Rasmussen, expert Map, 3\.2/ })
    await entry.click()
    await ines.waitForURL(/\/map\?at=activity:a3-2/)
    await ines.locator('.presence-marks span').waitFor()
    // Who leaves is gone at once.
    await tove.goto(stage.server.origin)
    await here.waitFor({ state: 'detached' })
    // The list of courses says who is in them.
    await tove.getByRole('row', { name: /Measuring Small Streams Ines Okafor is in it now/ }).waitFor()
    await close()
  })

  it('move the same records to other places at the same moment, and no record is lost', async () => {
    const { ines, tove, close } = await both('map')
    const titles = async (page: Page) => (await page.locator('[data-record^="activity "]').count()) > 0
    for (const page of [ines, tove]) expect(await titles(page)).to.equal(true)
    const count = async () => {
      const { records } = (await (await ines.request.get(`${stage.server.origin}/api/courses/small-streams`)).json()) as {
        records: { activity: { id: string; order: string; moduleId: string }[] }
      }
      return records.activity
    }
    const before = await count()
    const move = async (page: Page, record: string, key: string, times: number) => {
      await page.locator(`[data-record="activity ${record}"] [data-field="title"]`).click()
      for (let n = 0; n < times; n++) await press(page, key)
    }
    await Promise.all([move(ines, 'a3-2', 'Alt+ArrowDown', 3), move(tove, 'a3-3', 'Alt+ArrowUp', 3)])
    await Promise.all([move(ines, 'a3-1', 'Alt+ArrowDown', 2), move(tove, 'a3-1', 'Alt+ArrowDown', 1)])
    await Promise.all([saved(ines), saved(tove)])
    const after = await count()
    expect(after.map((a) => a.id).sort()).to.deep.equal(before.map((a) => a.id).sort())
    // Both see the same order.
    const order = (page: Page) =>
      page.locator('[data-record^="activity a3-"]').evaluateAll((rows) => rows.map((r) => r.getAttribute('data-record')))
    await ines.waitForFunction(
      (wanted) =>
        JSON.stringify([...document.querySelectorAll('[data-record^="activity a3-"]')].map((r) => r.getAttribute('data-record'))) ===
        wanted,
      JSON.stringify(await order(tove)),
    )
    await close()
  })

  it('undo only their own steps', async () => {
    const { ines, tove, close } = await both('assessment')
    await ines.getByLabel('Share of Report, in percent').fill('31')
    await ines.getByLabel('Share of Report, in percent').press('Enter')
    await reads(tove.getByLabel('Share of Report, in percent'), '31 %')
    expect(await tove.getByRole('button', { name: 'Undo' }).isDisabled()).to.equal(true)
    await ines.getByRole('button', { name: 'Undo' }).click()
    await tove.waitForFunction(
      () => ![...document.querySelectorAll('input')].some((i) => i.value === '31 %' && i.closest('tr')?.textContent?.includes('Report')),
    )
    await close()
  })

  it('find their course again when the server was away', async () => {
    const { ines, tove, close } = await both('outcomes')
    await stage.server.kill()
    await line(ines, '7a').fill('Written while nobody answered')
    await line(ines, '7a').blur()
    await ines.getByText(/1 waiting/).waitFor()
    await stage.server.start()
    await saved(ines)
    await reads(line(tove, '7a'), 'Written while nobody answered')
    expect(stage.errors).to.deep.equal([])
    await close()
  })
})
