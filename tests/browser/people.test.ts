import { expect } from 'chai'
import type { Page } from 'playwright-core'
import { DEMO_PASSWORD } from '../../src/server/demo-people'
import { expectAccessible, reads, Stage, saved } from '../support/browser'

describe('roles in a course', () => {
  const stage = Stage.forThisFile()
  const people = async (page: Page) => {
    await page.getByRole('button', { name: /account of/ }).click()
    await page.getByRole('menuitem', { name: 'People and roles' }).click()
    const dialog = page.getByRole('dialog', { name: 'People' })
    await dialog.getByRole('rowheader', { name: 'Ines Okafor' }).waitFor()
    return dialog
  }
  const linkTo = async (page: Page, address: string) => {
    await page.goto(`${stage.server.origin}/outbox`)
    const mail = page.locator('article', { hasText: address }).first()
    return (await mail.getByRole('link').getAttribute('href')) ?? ''
  }

  it('are given by invitation to a mail address, and taken up by who opens the link with that address', async () => {
    const ines = await stage.signedIn(/Ines/)
    await stage.open(ines.page, 'outcomes')
    const dialog = await people(ines.page)
    await expectAccessible(ines.page, 'people')
    const invite = dialog.getByRole('textbox', { name: /Invite by mail/ })
    await invite.fill('nobody')
    await dialog.getByRole('button', { name: 'Invite', exact: true }).click()
    await dialog.getByText('nobody is no mail address.').waitFor()
    await invite.fill('lena@quarrybrook.example; Tove@larkfield.example')
    await dialog.locator('.invite select').selectOption('reviewer')
    await dialog.getByRole('button', { name: 'Invite', exact: true }).click()
    await dialog.getByText('1 invitation sent. tove@larkfield.example: has a role already.').waitFor()
    await dialog.getByRole('row', { name: /invited lena@quarrybrook.example reviewer/ }).waitFor()

    const lena = await stage.window()
    const link = await linkTo(lena.page, 'lena@quarrybrook.example')
    await expectAccessible(lena.page, 'outbox')
    await lena.page.goto(link)
    // Before there is an account it is said who invites to what, and the address is filled in.
    await lena.page.getByText('Ines Okafor invites you to plan Measuring Small Streams as reviewer.').waitFor()
    expect(await lena.page.getByLabel('Mail address').inputValue()).to.equal('lena@quarrybrook.example')
    await lena.page.getByLabel('Name').fill('Lena Quast')
    await lena.page.getByLabel('Password').fill('password123')
    await lena.page.getByRole('button', { name: 'Make the account' }).click()
    await lena.page.getByText('one of the first that would be tried').waitFor()
    await lena.page.getByLabel('Password').fill('heron under the weir')
    await lena.page.getByRole('button', { name: 'Make the account' }).click()
    await lena.page.getByRole('heading', { name: 'Ines Okafor invites you' }).waitFor()
    await expectAccessible(lena.page, 'invitation')
    await lena.page.getByRole('button', { name: 'Take part' }).click()
    await lena.page.getByText('comments only').waitFor()
    // The dialog that is open on the other side follows by itself.
    await dialog.getByRole('rowheader', { name: 'Lena Quast' }).waitFor()
    // The link is used up.
    await lena.page.goto(link)
    await lena.page.getByRole('heading', { name: 'This invitation has ended' }).waitFor()
    await Promise.all([ines.context.close(), lena.context.close()])
  })

  it('are not given to another address, nor by a link that was withdrawn', async () => {
    const [ines, marek] = await Promise.all([stage.signedIn(/Ines/), stage.signedIn(/Marek/)])
    await stage.open(ines.page, 'outcomes', 'museum-labels')
    const dialog = await people(ines.page)
    await dialog.getByRole('textbox', { name: /Invite by mail/ }).fill('omar@quarrybrook.example')
    await dialog.getByRole('button', { name: 'Invite', exact: true }).click()
    await dialog.getByText('1 invitation sent.').waitFor()
    const link = await linkTo(marek.page, 'omar@quarrybrook.example')
    await marek.page.goto(link)
    await marek.page.getByRole('heading', { name: 'Sent to another address' }).waitFor()
    const forced = await marek.page.request.post(link.replace('/invitation/', '/api/invitations/'), {
      form: { answer: 'accept' },
      headers: { origin: stage.server.origin, accept: 'application/json' },
    })
    expect(forced.status()).to.equal(403)
    await dialog.getByRole('button', { name: 'Withdraw the invitation of omar@quarrybrook.example' }).click()
    await dialog.getByText('The invitation of omar@quarrybrook.example is withdrawn.').waitFor()
    await marek.page.goto(link)
    await marek.page.getByRole('heading', { name: 'This invitation has ended' }).waitFor()
    await Promise.all([ines.context.close(), marek.context.close()])
  })

  it('go by hand to who wants no mails: the inviter is given the link, and no mail is written', async () => {
    const [ines, guest] = await Promise.all([stage.signedIn(/Ines/), stage.window()])
    const email = 'nadia@quarrybrook.example'
    const made = await guest.context.request.post(`${stage.server.origin}/api/auth/sign-up/email`, {
      data: { email, name: 'Nadia Brook', password: 'three slow herons' },
      headers: { origin: stage.server.origin },
    })
    expect(made.status()).to.equal(200)
    await guest.page.goto(`${stage.server.origin}/account`)
    const wanted = guest.page.getByRole('checkbox', { name: 'Invitations to courses' })
    const told = guest.page.waitForResponse(/update-user/)
    await wanted.uncheck()
    expect((await told).status()).to.equal(200)
    await guest.page.reload()
    expect(await wanted.isChecked()).to.equal(false)
    await stage.open(ines.page, 'outcomes', 'museum-labels')
    const dialog = await people(ines.page)
    await dialog.getByRole('textbox', { name: /Invite by mail/ }).fill(email)
    await dialog.getByRole('button', { name: 'Invite', exact: true }).click()
    const said = dialog.getByText(/nadia@quarrybrook\.example wants no mails: hand on this link/)
    const link = /http\S+/.exec((await said.textContent()) ?? '')?.[0] ?? ''
    await guest.page.goto(`${stage.server.origin}/outbox`)
    expect(await guest.page.getByText(email).count()).to.equal(0)
    await guest.page.goto(link)
    await guest.page
      .getByRole('button', { name: /^Accept|^Take/ })
      .first()
      .waitFor()
    await Promise.all([ines.context.close(), guest.context.close()])
  })

  it('change under the hands: what one may do follows at once', async () => {
    const [ines, tove] = await Promise.all([stage.signedIn(/Ines/), stage.signedIn(/Tove/)])
    await Promise.all([stage.open(ines.page, 'outcomes'), stage.open(tove.page, 'assessment')])
    const share = tove.page.getByLabel('Share of Report, in percent')
    expect(await share.isEnabled()).to.equal(false)
    const dialog = await people(ines.page)
    await dialog.getByRole('combobox', { name: 'Role of Tove Rasmussen' }).selectOption('designer')
    await tove.page.getByText('Your role in this course is now designer.').waitFor()
    await share.fill('29')
    await share.press('Enter')
    await saved(tove.page)
    await dialog.getByRole('combobox', { name: 'Role of Tove Rasmussen' }).selectOption('reviewer')
    await tove.page.getByText('comments only').waitFor()
    // The field that had the focus is off: the focus goes to what stands beside it.
    await tove.page.waitForFunction(() => {
      const at = document.activeElement
      return at !== null && at !== document.body && !at.matches(':disabled')
    })
    expect(await share.isEnabled()).to.equal(false)
    // Withdrawn while something waits: it is kept as text.
    await dialog.getByRole('combobox', { name: 'Role of Tove Rasmussen' }).selectOption('expert')
    await tove.page.getByText('content only').waitFor()
    await stage.open(tove.page, 'outcomes')
    await tove.context.setOffline(true)
    await tove.page.getByRole('textbox', { name: 'Objective 1a', exact: true }).fill('Explain what came too late')
    await tove.page.getByRole('textbox', { name: 'Objective 1a', exact: true }).blur()
    await tove.page.getByText('1 waiting').waitFor()
    await dialog.getByRole('button', { name: 'Withdraw the role of Tove Rasmussen' }).click()
    await dialog.getByRole('button', { name: 'Yes: Withdraw the role of Tove Rasmussen' }).click()
    await dialog.getByText('Tove Rasmussen has no role any more.').waitFor()
    await tove.context.setOffline(false)
    await tove.page.getByText('There is no such course, or you have no role in it.').waitFor()
    await reads(tove.page.locator('.conflicts pre'), /Explain what came too late/)
    await expectAccessible(tove.page, 'a role withdrawn')
    await Promise.all([ines.context.close(), tove.context.close()])
  })

  it('hand over leaves a designer, and the last one cannot leave', async () => {
    const [ines, marek] = await Promise.all([stage.signedIn(/Ines/), stage.signedIn(/Marek/)])
    await stage.open(ines.page, 'outcomes', 'solar-arrays')
    const dialog = await people(ines.page)
    await dialog.getByText('You are the only designer').waitFor()
    await dialog.getByRole('combobox', { name: 'Role of Ines Okafor' }).selectOption('expert')
    await dialog.getByText('A course has at least one designer. Hand it over first.').waitFor()
    await dialog.getByLabel('Hand the course over to').selectOption({ label: 'Marek Havel' })
    await dialog.getByLabel('and become').selectOption('expert')
    await dialog.getByRole('button', { name: 'Hand the course over', exact: true }).click()
    await dialog.getByRole('button', { name: 'Yes: Hand the course over' }).click()
    await dialog.getByText('Marek Havel is designer now.').waitFor()
    // From now on no word about giving roles.
    await dialog.getByRole('textbox', { name: /Invite by mail/ }).waitFor({ state: 'detached' })
    // What did not reach the server is said, and leads nowhere.
    await ines.context.setOffline(true)
    await dialog.getByRole('button', { name: 'Leave this course' }).click()
    await dialog.getByRole('button', { name: 'Yes: Leave this course' }).click()
    await dialog.getByText('The server was not reached. Try again.').waitFor()
    await ines.context.setOffline(false)
    await dialog.getByRole('button', { name: 'Leave this course' }).click()
    await dialog.getByRole('button', { name: 'Yes: Leave this course' }).click()
    await ines.page.getByRole('heading', { name: 'My courses' }).waitFor()
    await ines.page.getByRole('link', { name: 'Measuring Small Streams' }).waitFor()
    expect(await ines.page.getByRole('link', { name: /Solar/ }).count()).to.equal(0)
    await stage.open(marek.page, 'outcomes', 'solar-arrays')
    await marek.page.getByRole('button', { name: /account of/ }).click()
    await marek.page.getByRole('menuitem', { name: 'People and roles' }).click()
    const his = marek.page.getByRole('dialog', { name: 'People' })
    await his.getByText('You are the only designer').waitFor()
    await Promise.all([ines.context.close(), marek.context.close()])
  })

  it('go with an account whose password can be changed, and which can be signed out everywhere', async () => {
    const [here, there] = await Promise.all([stage.signedIn(/Marek/), stage.signedIn(/Marek/)])
    await here.page.goto(`${stage.server.origin}/account`)
    await here.page.getByRole('heading', { name: 'My account' }).waitFor()
    await expectAccessible(here.page, 'account')
    const current = here.page.getByLabel('Present password')
    const wanted = here.page.getByLabel('New password')
    const change = here.page.getByRole('button', { name: 'Change the password' })
    await current.fill(DEMO_PASSWORD)
    await wanted.fill('marek.havel.1')
    await change.click()
    await here.page.getByText('That password is your own name or address.').waitFor()
    await wanted.fill('qwertyuiop1')
    await change.click()
    await here.page.getByText('one of the first that would be tried').waitFor()
    const before = (await here.context.cookies()).find((c) => c.name.includes('session_token'))?.value
    await wanted.fill('kingfisher over gravel')
    await change.click()
    await here.page.getByText('Your password is changed.').waitFor()
    const after = (await here.context.cookies()).find((c) => c.name.includes('session_token'))
    expect(after?.value, 'a new session').to.not.equal(before)
    expect([after?.httpOnly, after?.sameSite]).to.deep.equal([true, 'Lax'])
    // The other browser's session ended with the old password.
    await there.page.goto(`${stage.server.origin}/account`)
    await there.page.getByRole('heading', { name: 'Sign in' }).waitFor()
    await there.page.getByLabel('Mail address').fill('marek@larkfield.example')
    await there.page.getByLabel('Password').fill('kingfisher over gravel')
    await there.page.getByRole('button', { name: 'Sign in', exact: true }).click()
    await there.page.getByRole('heading', { name: 'My account' }).waitFor()
    await there.page.getByText('Here and in 1 other browser.').waitFor()
    await there.page.getByRole('button', { name: 'Sign out everywhere', exact: true }).click()
    await there.page.getByRole('heading', { name: 'Sign in' }).waitFor()
    await here.page.goto(`${stage.server.origin}/account`)
    await here.page.getByRole('heading', { name: 'Sign in' }).waitFor()
    expect(stage.errors).to.deep.equal([])
    await Promise.all([here.context.close(), there.context.close()])
  })
})
