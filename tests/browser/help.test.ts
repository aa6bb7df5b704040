/** Help as somebody meets it who is here for the first time, and who looks for it. */
import { expect } from 'chai'
import { WORKSPACES } from '../../src/core/workspaces'
import { expectAccessible, press, Stage } from '../support/browser'

describe('help', () => {
  const stage = Stage.forThisFile()

  it('names the first steps of a workspace at the first visit, until they are put away, for good and in every browser', async () => {
    const { context, page } = await stage.signedIn(/Marek/, { first: true })
    await stage.open(page, 'map')
    const steps = page.getByRole('region', { name: 'First steps in Map' })
    await steps.waitFor()
    expect(await steps.getByRole('listitem').count()).to.equal(3)
    await expectAccessible(page, 'first steps')
    const told = page.waitForResponse(/update-user/)
    await steps.getByRole('button', { name: 'Got it' }).focus()
    await press(page, 'Enter')
    await steps.waitFor({ state: 'detached' })
    // The work goes on where work is done.
    await page.waitForFunction(() => document.activeElement?.closest('[role=grid]'))
    expect((await told).status()).to.equal(200)
    await stage.open(page, 'calendar')
    await page.getByRole('region', { name: 'First steps in Calendar' }).waitFor()
    await context.clearCookies()
    // Another browser of the same account.
    const second = await stage.window()
    const { origin } = stage.server
    await second.context.request.post(`${origin}/api/auth/sign-in/email`, {
      data: { email: 'marek@larkfield.example', password: 'small-streams-214' },
      headers: { origin },
    })
    await stage.open(second.page, 'map')
    expect(await second.page.getByRole('region', { name: /^First steps/ }).count()).to.equal(0)
    const refused = await second.context.request.post(`${origin}/api/auth/update-user`, { data: { seen: 'attic' }, headers: { origin } })
    expect(refused.status()).to.equal(400)
    await Promise.all([context.close(), second.context.close()])
  })

  it('lists the keys of the open view first, and leads to a page with pictures that stand', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await stage.open(page, 'calendar')
    await page.locator('#work').focus()
    await page.keyboard.press('?')
    const keys = page.getByRole('dialog', { name: 'Keys' })
    await keys.waitFor()
    expect(await keys.getByRole('rowheader').first().textContent()).to.equal('Due dates in the weeks')
    await keys.getByRole('button', { name: 'The help page' }).click()
    await page.getByRole('heading', { name: 'Help', level: 1 }).waitFor()
    await expectAccessible(page, 'help')
    const pictures = page.locator('.help img')
    expect(await pictures.count()).to.equal(WORKSPACES.length)
    await pictures.first().evaluate((e: HTMLImageElement) => e.decode())
    for (const section of await page.locator('.help section').all()) expect(await section.getByRole('listitem').count()).to.equal(10)
    await context.close()
  })
})
