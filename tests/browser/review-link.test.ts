/** A review by people without an account: from the set that ships to a published report, with two who came by a link. */
import { readFileSync } from 'node:fs'
import { expect } from 'chai'
import type { Page } from 'playwright-core'
import { expectAccessible, press, reads, Stage } from '../support/browser'

const COURSE = 'museum-labels'

describe('a review by link', () => {
  const stage = Stage.forThisFile()
  const at = (page: Page, show: string) => page.goto(`${stage.server.origin}/courses/${COURSE}/review?show=${show}`)
  const row = (page: Page, code: string) => page.getByRole('button', { name: new RegExp(`^${code} `) })
  const isSent = (page: Page, rated: RegExp) => reads(page.getByRole('status').filter({ hasText: 'rated' }), rated)
  /** Somebody's own browser, without an account. */
  const outsider = () => stage.window()
  const links: string[] = []

  it('is given by keys: a link each, of the whole round or of some areas', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await at(page, 'rate')
    await page.getByRole('button', { name: 'Begin with the set that ships' }).press('Enter')
    await row(page, 'P-1').waitFor()
    await page.getByRole('button', { name: 'Open a round…' }).press('Enter')
    const dialog = page.getByRole('dialog', { name: 'Open a round' })
    await dialog.getByLabel('Title').fill('From outside')
    await dialog.getByLabel('Who rates').selectOption('From outside')
    await dialog.getByLabel('Goes on from').selectOption('no other round')
    for (const name of [/^Tove/, /^Nadia/, /^Marek/]) await dialog.getByLabel(name).uncheck()
    await dialog.getByRole('button', { name: 'Open it' }).press('Enter')
    await dialog.waitFor({ state: 'detached' })
    await page.getByRole('button', { name: 'This round' }).press('Enter')
    await page.getByRole('menuitem', { name: 'Seats…' }).press('Enter')
    const seats = page.getByRole('dialog', { name: 'Seats of From outside' })
    for (const name of ['Sunniva Roe', 'Bo Lind']) {
      if (name === 'Bo Lind')
        for (const box of await seats.getByRole('group', { name: 'Areas that it rates' }).getByRole('checkbox').all())
          if (await box.isChecked()) await box.uncheck()
      if (name === 'Bo Lind') await seats.getByLabel('The promise, 3').check()
      await seats.getByLabel('Name that is shown').fill(name)
      await press(page, 'Enter')
      const link = seats.getByLabel(`The link of ${name}`)
      links.push(await link.inputValue())
      await reads(seats.getByRole('row', { name: new RegExp(`^${name}`) }), /never/)
    }
    await reads(seats.getByRole('row', { name: /^Bo Lind/ }), /3 points/)
    await expectAccessible(page, 'seats')
    await context.close()
  })

  it('opens without an account, is rated by keys, kept without a line, and leads through the whole plan and back', async () => {
    const { context, page } = await outsider()
    await page.goto(links[0] as string)
    await page.waitForURL(/\/seat\/[^/]+\/review/)
    await row(page, 'P-1').focus()
    await press(page, '1')
    await press(page, 's')
    await press(page, 'w')
    await page.keyboard.type('Said on the first page.')
    await row(page, 'P-1').focus()
    await isSent(page, /^1 of 59 rated$/)
    await expectAccessible(page, 'a seat by link')
    // Nothing of the course that is not the plan.
    for (const name of ['History', 'Comments', 'In and out', 'Undo'])
      expect(await page.getByRole('button', { name }).count(), name).to.equal(0)
    await context.setOffline(true)
    await press(page, 'ArrowDown')
    await press(page, '3')
    await isSent(page, /1 not sent yet/)
    await context.setOffline(false)
    await isSent(page, /^2 of 59 rated$/)
    await page.reload()
    await reads(row(page, 'P-2'), /Not in place/)
    await page.getByRole('link', { name: 'Map', exact: true }).press('Enter')
    await page.getByText('This is the plan that you rate').waitFor()
    expect(await page.getByText('Type a title').count()).to.equal(0)
    await page.getByRole('link', { name: 'Back to the rating' }).press('Enter')
    await row(page, 'P-1').waitFor()
    await context.close()
  })

  it('is worked on paper: the sheet goes out and comes back by code', async () => {
    const { context, page } = await outsider()
    await page.goto(links[1] as string)
    await row(page, 'P-3').waitFor()
    await isSent(page, /^0 of 3 rated$/)
    await page.getByRole('button', { name: 'On paper' }).press('Enter')
    const saved = page.waitForEvent('download')
    await page.getByRole('menuitem', { name: 'Rating sheet as CSV' }).press('Enter')
    const sheet = readFileSync(await (await saved).path(), 'utf8')
    expect(sheet).to.match(/^\uFEFFcode,statement,rating,seen,where,change\r\nP-1,/)
    await page.getByRole('button', { name: 'On paper' }).press('Enter')
    await page.getByRole('menuitem', { name: 'Bring in a filled sheet…' }).press('Enter')
    const dialog = page.getByRole('dialog', { name: 'Bring in a filled sheet' })
    await dialog.getByRole('textbox').fill('code\trating\tseen\nP-1\tpartly\tHalf of it\nP-2\tin place\t\nX-9\tpartly\t\n')
    await dialog.getByText(/“X-9” is no code/).waitFor()
    await expectAccessible(page, 'a sheet')
    await dialog.getByRole('button', { name: 'Take them in' }).press('Enter')
    await isSent(page, /^2 of 3 rated$/)
    await row(page, 'P-1').click()
    await reads(page.getByLabel('Seen'), 'Half of it')
    for (const who of [page]) {
      await who.getByRole('button', { name: 'Hand in…' }).press('Enter')
      await who.getByLabel('About the whole, if you like').fill('Worth taking.')
      await who.getByRole('button', { name: 'Hand in', exact: true }).press('Enter')
      await isSent(who, /handed in$/)
    }
    await context.close()
  })

  it('comes to a report that is published and withdrawn, and to a tour', async () => {
    const first = await outsider()
    await first.page.goto(links[0] as string)
    await first.page.getByRole('button', { name: 'Hand in…' }).press('Enter')
    await first.page.getByRole('button', { name: 'Hand in', exact: true }).press('Enter')
    await isSent(first.page, /handed in$/)
    // It has handed in: on another device its link opens no more.
    const elsewhere = await outsider()
    await elsewhere.page.goto(links[0] as string)
    await elsewhere.page.getByRole('heading', { name: 'This link has ended, or never was' }).waitFor()
    await elsewhere.context.close()
    const { context, page } = await stage.signedIn(/Ines/)
    await at(page, 'compare')
    await page.getByLabel('Round').selectOption({ label: 'From outside, open' })
    await page.getByRole('button', { name: 'This round' }).press('Enter')
    await page.getByRole('menuitem', { name: 'Open comparison…' }).press('Enter')
    await page.getByRole('button', { name: 'Open it' }).press('Enter')
    await reads(
      page.getByRole('table', { name: /^Ratings by seat/ }).getByRole('row', { name: /^P-1/ }),
      /In place.*Partly|Partly.*In place/s,
    )
    await page.getByRole('button', { name: 'Report', exact: true }).press('Enter')
    await page.getByText('Said on the first page.').waitFor()
    await page.getByText('Worth taking.').waitFor()
    await expectAccessible(page, 'report')
    await page.getByRole('button', { name: 'Publish…' }).press('Enter')
    await page.getByRole('button', { name: 'Publish', exact: true }).press('Enter')
    const address = (await page.getByRole('link', { name: 'As published' }).getAttribute('href')) as string
    await first.page.goto(stage.server.origin + address)
    await first.page.getByText('Said on the first page.').waitFor()
    await expectAccessible(first.page, 'a published report')
    await page.getByRole('button', { name: 'Withdraw…' }).press('Enter')
    await page.getByRole('button', { name: 'Withdraw', exact: true }).press('Enter')
    await page.getByText('Withdrawn. The address now says so.').waitFor()
    expect((await first.page.goto(stage.server.origin + address))?.status()).to.equal(410)
    await page.getByRole('button', { name: 'Tour of strengths' }).press('Enter')
    await page.getByLabel('Minutes for P-1').fill('5')
    await press(page, 'Enter')
    await page.getByText(/^1 stop, 5 minutes/).waitFor()
    await expectAccessible(page, 'tour')
    await page.reload()
    await page.getByText(/^1 stop, 5 minutes/).waitFor()
    await first.context.close()
    await context.close()
  })
})

describe('what is to be done', () => {
  const stage = Stage.forThisFile()
  it('stands in the details of its record and as a line in its workspace, and is done there', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await page.goto(`${stage.server.origin}/courses/small-streams/assessment?at=rubric:report&panel=details`)
    const here = page.getByRole('region', { name: 'To be done here' })
    await here.getByText('Show the rubric of the report with the outline').waitFor()
    await page.getByRole('note').filter({ hasText: 'of the review here' }).waitFor()
    await here.getByRole('combobox').selectOption('done')
    await page.getByRole('button', { name: 'It is done' }).press('Enter')
    await here.waitFor({ state: 'detached' })
    await page.getByRole('note').filter({ hasText: 'of the review here' }).waitFor({ state: 'detached' })
    await context.close()
  })
  it('is made of what a comment says, and comes along into a copy', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await page.goto(`${stage.server.origin}/courses/small-streams/map?panel=comments`)
    await page.getByRole('button', { name: 'Make it an action' }).first().press('Enter')
    await page.getByText(/^An action was made of it/).waitFor()
    await page.goto(`${stage.server.origin}/courses/small-streams/review?show=actions&which=open`)
    await reads(page.getByRole('status').filter({ hasText: 'open' }), /^3 actions open, 1 overdue$/)
    const made = await page.request.post(`${stage.server.origin}/api/courses/small-streams/copy`, {
      data: { title: 'A copy', firstDay: '2028-09-04', actions: true },
      headers: { origin: stage.server.origin },
    })
    const { id } = (await made.json()) as { id: string }
    await page.goto(`${stage.server.origin}/courses/${id}/review?show=actions`)
    await reads(page.getByRole('status').filter({ hasText: 'open' }), /^3 actions open/)
    await page.getByLabel(/^What: Captions for the film/).waitFor()
    await page.getByRole('button', { name: /^3\.3/ }).first().waitFor()
    await context.close()
  })
})
