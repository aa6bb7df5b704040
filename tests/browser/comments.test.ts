/** Comments: two people talk about the course in place, with and without a line. */
import { expect } from 'chai'
import type { Page } from 'playwright-core'
import { expectAccessible, press, reads, Stage, saved } from '../support/browser'

describe('comments', () => {
  const stage = Stage.forThisFile()
  const panel = (page: Page) => page.getByRole('complementary', { name: 'Comments' })
  const thread = (page: Page, words: string) => panel(page).getByRole('region', { name: new RegExp(words) })

  it('are written at a record by keys, are at the other person’s at once, answered, called done and opened again', async () => {
    const [ines, nadia] = [await stage.signedIn(/Ines/), await stage.signedIn(/Nadia/)]
    await stage.open(ines.page, 'map')
    await stage.open(nadia.page, 'map?panel=comments&at=activity:a1-3')
    const count = ines.page.getByRole('button', { name: /^Comments/ })
    await reads(count, /Comments \d+ new/)
    const before = Number(/\d+/.exec((await count.textContent()) ?? '')?.[0])

    await panel(nadia.page)
      .getByLabel(/^Comment on 1\.3/)
      .focus()
    await nadia.page.keyboard.type('Is this @Ine')
    await panel(nadia.page).getByRole('button', { name: '@Ines Okafor' }).press('Enter')
    await nadia.page.keyboard.type('? See https://levels.larkfield.example/a.')
    const sent = Date.now()
    await press(nadia.page, 'Control+Enter')
    await reads(count, `Comments ${before + 1} new`)
    expect(Date.now() - sent).to.be.below(5000)
    const link = thread(nadia.page, 'Is this').getByRole('link')
    expect(await link.getAttribute('href')).to.equal('https://levels.larkfield.example/a')

    await ines.page.locator('[data-record="activity a1-3"] [data-field="minutes"]').click()
    await press(ines.page, 'Control+Alt+m')
    await thread(ines.page, 'Is this').getByText('new', { exact: true }).waitFor()
    await expectAccessible(ines.page, 'comments of a record')
    await reads(count, 'Comments')
    await thread(ines.page, 'Is this').getByRole('button', { name: 'Answer' }).press('Enter')
    await thread(ines.page, 'Is this').getByLabel('Answer', { exact: true }).fill('It is.')
    await press(ines.page, 'Control+Enter')
    await thread(nadia.page, 'Is this').getByText('It is.').waitFor()
    await thread(nadia.page, 'Is this').getByRole('button', { name: 'Done' }).click()
    await panel(ines.page).getByText('Nothing is said here.').waitFor()
    await panel(ines.page).getByLabel('Which comments').selectOption({ label: 'Done' })
    await thread(ines.page, 'Is this').getByRole('button', { name: 'Open again' }).click()
    await thread(nadia.page, 'Is this').waitFor()
    await ines.context.close()
    await nadia.context.close()
  })

  it('wait without a line, also over a reload, and are sent when it is back', async () => {
    const { context, page } = await stage.signedIn(/Tove/, { shell: true })
    await stage.open(page, 'map?panel=comments')
    await panel(page).getByLabel('Comment on the course').waitFor()
    await context.setOffline(true)
    await panel(page).getByLabel('Comment on the course').fill('Written on the train')
    await press(page, 'Control+Enter')
    await thread(page, 'Written on the train').getByText('waits to be sent').waitFor()
    await context.setOffline(false)
    await page.reload()
    await thread(page, 'Written on the train').waitFor()
    await thread(page, 'Written on the train').getByText('waits to be sent').waitFor({ state: 'detached' })
    await page.reload()
    const mine = thread(page, 'Written on the train')
    await mine.getByRole('button', { name: 'Remove' }).press('Enter')
    await press(page, 'Escape')
    await mine.getByRole('button', { name: 'Remove' }).press('Enter')
    await page.getByRole('button', { name: 'Remove it' }).press('Enter')
    await mine.waitFor({ state: 'detached' })
    await context.close()
  })

  it('stay when what they are about is removed, and say so; those about the course have filters', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await stage.open(page, 'map?panel=comments&at=activity:a4-8')
    await thread(page, 'This is due on a day').waitFor()
    await page.locator('[data-record="activity a4-8"] [data-field="minutes"]').click()
    await press(page, 'Control+Delete')
    await panel(page).getByLabel('Comments of').selectOption({ label: 'Whole course' })
    await thread(page, 'This is due on a day').getByText('which is not in the plan any more').waitFor()
    await press(page, 'Control+z')
    await thread(page, 'This is due on a day').getByRole('button', { name: /Lab 2/ }).waitFor()
    await panel(page).getByLabel('Which comments').selectOption({ label: 'That name me' })
    await panel(page).getByLabel('Which comments').selectOption({ label: 'Done' })
    await thread(page, 'The council calls them becks').getByText('Done: Marek Havel').waitFor()
    await expectAccessible(page, 'comments of the course')
    await saved(page)
    expect(stage.errors).to.deep.equal([])
    await context.close()
  })

  it('are all that a commenter may write', async () => {
    const { context, page } = await stage.signedIn(/Nadia/)
    await stage.open(page, 'map?panel=comments')
    await page.getByText('comments only').waitFor()
    await page.locator('[data-record="activity a1-3"] [data-field="minutes"]').click()
    await page.keyboard.type('99')
    await press(page, 'Enter')
    expect(await page.locator('[data-record="activity a1-3"] [data-field="minutes"]').textContent()).not.to.include('99')
    await panel(page)
      .getByLabel(/^Comment on/)
      .waitFor()
    await context.close()
  })

  /** The part that shows what was kept is there, and has drawn whatever it has to show. */
  const showsKept = async (page: Page) => {
    await page.waitForFunction(() => performance.getEntriesByType('resource').some((e) => e.name.includes('unsent-list')))
    await page.evaluate(async () => {
      for (let i = 0; i < 5; i++) await new Promise((done) => requestAnimationFrame(done))
    })
  }

  it('that are being typed, or wait, when the role is withdrawn are kept as text, for their writer alone', async () => {
    const [ines, tove] = await Promise.all([stage.signedIn(/Ines/), stage.signedIn(/Tove/)])
    const api = `${stage.server.origin}/api/courses/small-streams/people`
    const { members } = (await (await ines.page.request.get(api)).json()) as { members: { id: string; name: string }[] }
    const id = members.find((m) => m.name === 'Tove Rasmussen')?.id
    await stage.open(tove.page, 'map?panel=comments')
    const field = panel(tove.page).getByLabel('Comment on the course')
    await field.waitFor()
    await tove.context.setOffline(true)
    await field.fill('Sent too late')
    await press(tove.page, 'Control+Enter')
    await thread(tove.page, 'Sent too late').getByText('waits to be sent').waitFor()
    await field.fill('Half a thou')
    const gone = await ines.page.request.delete(`${api}/${id}`, { headers: { origin: stage.server.origin } })
    expect(gone.status()).to.equal(204)
    await tove.context.setOffline(false)
    for (const again of [false, true]) {
      if (again) await tove.page.reload()
      await tove.page.getByText('There is no such course, or you have no role in it.').waitFor()
      await tove.page.getByRole('heading', { name: 'Not sent: 2 comments, kept here as text' }).waitFor()
      expect(await tove.page.locator('.conflicts pre').allTextContents()).to.deep.equal(['Sent too late', 'Half a thou'])
    }
    await expectAccessible(tove.page, 'comments of who has no role any more')
    // Who signs in after her in this browser reads none of it.
    await tove.page.evaluate(() => localStorage.setItem('cairn-account', 'somebody else'))
    await tove.page.reload()
    await tove.page.getByText('There is no such course, or you have no role in it.').waitFor()
    await showsKept(tove.page)
    expect(await tove.page.locator('.conflicts').count()).to.equal(0)
    await tove.page.evaluate((mine) => localStorage.setItem('cairn-account', mine), id ?? '')
    await tove.page.reload()
    await tove.page.getByRole('button', { name: 'Let go' }).click()
    await tove.page.getByRole('heading', { name: /Not sent/ }).waitFor({ state: 'detached' })
    await tove.page.reload()
    await tove.page.getByText('There is no such course, or you have no role in it.').waitFor()
    await showsKept(tove.page)
    expect(await tove.page.getByRole('heading', { name: /Not sent/ }).count()).to.equal(0)
    await Promise.all([ines.context.close(), tove.context.close()])
  })
})
