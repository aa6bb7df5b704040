import { expect } from 'chai'
import type { Page } from 'playwright-core'
import { DEMO_PASSWORD } from '../../src/server/demo-people'
import { expectAccessible, press, reads, Stage, saved } from '../support/browser'

const line = (page: Page, number: string) => page.getByRole('textbox', { name: `Objective ${number}`, exact: true })
const write = async (page: Page, number: string, text: string) => {
  await line(page, number).fill(text)
  await line(page, number).blur()
}
/** The service worker has taken the page and its files into keeping. */
const shellIsKept = (page: Page) =>
  page.evaluate(async () => {
    await navigator.serviceWorker.ready
    while (!(await caches.match('/courses/small-streams'))) await new Promise((r) => requestAnimationFrame(r))
  })
/** What of the queue is kept in the browser. */
const keptChanges = (page: Page) =>
  page.evaluate(
    () =>
      new Promise<number>((resolve, reject) => {
        const opening = indexedDB.open('cairn')
        opening.onerror = () => reject(opening.error)
        opening.onsuccess = () => {
          const count = opening.result.transaction('waiting').objectStore('waiting').count()
          count.onsuccess = () => {
            opening.result.close()
            resolve(count.result)
          }
        }
      }),
  )
/** Ends the session behind the browser's back, as its time running out does. */
const endSessions = (page: Page) =>
  page.request.post(`${new URL(page.url()).origin}/api/auth/revoke-sessions`, { data: {}, headers: { origin: new URL(page.url()).origin } })

describe('away and back', () => {
  const stage = Stage.forThisFile()
  const editor = async (who: RegExp, options: { readonly shell?: boolean } = {}) => {
    const person = await stage.signedIn(who, options)
    await stage.open(person.page, 'outcomes')
    return person
  }

  afterEach(async () => {
    await stage.server.kill()
    await stage.server.start()
  })

  it('goes on without a server, over a reload, and sends all in order when it is back', async () => {
    const { page, context } = await editor(/Ines/, { shell: true })
    // The first visit is enough: the worker keeps what is open when it comes.
    await shellIsKept(page)
    await stage.server.kill()
    await write(page, '1a', 'Explain where the water comes from, first')
    await write(page, '1b', 'Estimate the catchment, second')
    await page.getByText('No connection, 2 waiting').waitFor()
    await page.reload()
    await reads(line(page, '1a'), 'Explain where the water comes from, first')
    await page.getByText('No connection, 2 waiting').waitFor()
    await write(page, '1a', 'Explain where the water comes from, third')
    await page.getByText('No connection, 3 waiting').waitFor()
    expect(await keptChanges(page)).to.equal(3)
    // A new line that is left in the middle of a word, without a server: it is kept as the page goes.
    await page.getByRole('textbox', { name: 'New objective in module 1' }).click()
    await page.keyboard.type('Sketch the catch')
    await page.reload()
    await reads(line(page, '1d'), 'Sketch the catch')
    await page.getByText('No connection, 4 waiting').waitFor()
    expect(await keptChanges(page)).to.equal(4)
    // Another workspace, whose files were never asked for, opens as well.
    await page.getByRole('link', { name: /^Calendar/ }).click()
    await page.getByRole('heading', { level: 1, name: 'Autumn 2027' }).waitFor()
    await page.getByRole('link', { name: 'Outcomes', exact: true }).click()
    await reads(line(page, '1a'), 'Explain where the water comes from, third')
    await stage.server.start()
    await saved(page)
    expect(await keptChanges(page)).to.equal(0)
    await page.reload()
    await reads(line(page, '1a'), 'Explain where the water comes from, third')
    await reads(line(page, '1b'), 'Estimate the catchment, second')
    await context.close()
  })

  it('shows conflicts when it is back, side by side, keeps them over a reload, and takes a third value put together by hand', async () => {
    const [tove, ines] = await Promise.all([editor(/Tove/), editor(/Ines/)])
    await tove.context.setOffline(true)
    await write(tove.page, '2a', 'Select a reach as the expert says')
    await write(tove.page, '2b', 'Assess hazards as the expert says')
    await write(tove.page, '2c', 'Plan a visit as the expert says')
    await tove.page.getByText('No connection, 3 waiting').waitFor()
    await write(ines.page, '2a', 'Select a reach as the designer says')
    await write(ines.page, '2b', 'Assess hazards as the designer says')
    await saved(ines.page)
    await tove.context.setOffline(false)
    const log: string[] = []
    tove.page.on('response', (r) => log.push(`T ${r.request().method()} ${r.status()} ${r.url().slice(22, 90)}`))
    ines.page.on('response', (r) => log.push(`I ${r.request().method()} ${r.status()} ${r.url().slice(22, 90)}`))
    await tove.page
      .getByRole('heading', { name: /Conflicts: 2 values/ })
      .waitFor({ timeout: 12000 })
      .catch(async () => {
        for (const p of [tove.page, ines.page])
          console.log(
            'STATE',
            JSON.stringify(
              await p.evaluate(() => [
                navigator.onLine,
                [...document.querySelectorAll('[role=status], h2, [role=alert], [role=log] *')]
                  .map((e) => e.textContent?.slice(0, 90))
                  .filter(Boolean)
                  .slice(0, 6),
                ['2a', '2b', '2c'].map((n) => (document.querySelector(`[aria-label="Objective ${n}"]`) as HTMLTextAreaElement)?.value),
              ]),
            ),
          )
        console.log(log.join(' ; ').slice(0, 3000))
        throw new Error('no conflicts')
      })
    await saved(tove.page)
    // What was in no conflict went through.
    await reads(line(ines.page, '2c'), 'Plan a visit as the expert says')
    await expectAccessible(tove.page, 'conflicts')
    await stage.open(tove.page, 'outcomes')
    await tove.page.getByRole('heading', { name: /Conflicts: 2 values/ }).waitFor()
    const first = tove.page.getByRole('listitem', { name: /2a: statement/ })
    await reads(first.locator('.sides > div').nth(0), /Yours.*as the expert says/)
    await reads(first.locator('.sides > div').nth(1), /Theirs \(Ines Okafor\).*as the designer says/)
    expect(await first.locator('mark').allTextContents()).to.deep.equal(['expert', 'designer'])
    await first.getByRole('button', { name: 'By hand' }).click()
    const hand = first.getByRole('textbox')
    await reads(hand, 'Select a reach as the expert says')
    await hand.fill('   ')
    await first.getByRole('button', { name: 'Use this' }).click()
    await first.getByText('This cannot be empty.').waitFor()
    await hand.fill('Select a reach as both say')
    await first.getByRole('button', { name: 'Use this' }).click()
    await reads(line(ines.page, '2a'), 'Select a reach as both say')
    await tove.page.getByRole('button', { name: 'Keep theirs' }).click()
    await reads(line(tove.page, '2b'), 'Assess hazards as the designer says')
    await tove.page.getByRole('heading', { name: /Conflicts/ }).waitFor({ state: 'detached' })
    await Promise.all([tove.context.close(), ines.context.close()])
  })

  it('settles many conflicts at once, either way, as one step', async () => {
    const [tove, ines] = await Promise.all([editor(/Tove/), editor(/Ines/)])
    const both = async (round: string) => {
      await tove.context.setOffline(true)
      for (const n of ['3a', '3b', '3c']) await write(tove.page, n, `Measure ${n} as the expert says ${round}`)
      await tove.page.getByText('3 waiting').waitFor()
      for (const n of ['3a', '3b', '3c']) await write(ines.page, n, `Measure ${n} as the designer says ${round}`)
      await saved(ines.page)
      await tove.context.setOffline(false)
      await tove.page.getByRole('heading', { name: /Conflicts: 3 values/ }).waitFor()
    }
    await both('once')
    await tove.page.getByRole('button', { name: 'Keep all of theirs' }).click()
    for (const n of ['3a', '3b', '3c']) await reads(line(tove.page, n), `Measure ${n} as the designer says once`)
    await both('twice')
    await tove.page.getByRole('button', { name: 'Use all of mine' }).click()
    for (const n of ['3a', '3b', '3c']) await reads(line(ines.page, n), `Measure ${n} as the expert says twice`)
    await tove.page.getByRole('button', { name: 'Undo' }).click()
    for (const n of ['3a', '3b', '3c']) await reads(line(ines.page, n), `Measure ${n} as the designer says twice`)
    await Promise.all([tove.context.close(), ines.context.close()])
  })

  it('keeps what was written into a module that somebody removed meanwhile, until it is back', async () => {
    const [tove, ines] = await Promise.all([editor(/Tove/), editor(/Ines/)])
    const before = await line(tove.page, '6a').inputValue()
    await tove.context.setOffline(true)
    await write(tove.page, '6a', 'Sort the catch by family')
    await tove.page.getByRole('textbox', { name: 'New objective in module 6' }).fill('Draw a key to six families')
    await press(tove.page, 'Enter')
    await tove.page.getByText('2 waiting').waitFor()
    await stage.open(ines.page, 'map?at=module:m6&panel=details')
    await ines.page.getByRole('button', { name: 'Remove', exact: true }).click()
    await saved(ines.page)
    await tove.context.setOffline(false)
    await tove.page.getByRole('heading', { name: /Conflicts: 2 values/ }).waitFor()
    // Modules are not this person's to write: nothing of hers goes by being tried.
    const items = tove.page.locator('.conflicts li')
    await reads(items.nth(0), new RegExp(`^Objective “${before.slice(0, 20)}.*Sort the catch by family.*A designer can bring it back`))
    await reads(items.nth(1), /^New objective.*Draw a key to six families.*module “[^”m].*” was removed.*A designer can bring it back/)
    await tove.page.getByRole('button', { name: 'Use all of mine' }).click()
    await tove.page.getByText('What was removed can be brought back by a designer. Yours waits here.').waitFor()
    await expectAccessible(tove.page, 'conflicts about what was removed')
    await ines.page.getByRole('button', { name: 'Undo' }).click()
    await saved(ines.page)
    await items.nth(1).getByText('A designer can bring it back').waitFor({ state: 'detached' })
    await tove.page.getByRole('button', { name: 'Use all of mine' }).click()
    await tove.page.locator('.conflicts').waitFor({ state: 'detached' })
    await stage.open(ines.page, 'outcomes')
    await reads(line(ines.page, '6a'), 'Sort the catch by family')
    await reads(ines.page.getByRole('textbox', { name: /^Objective 6/ }).last(), 'Draw a key to six families')
    await Promise.all([tove.context.close(), ines.context.close()])
  })

  it('shows a removal that met a change as one choice, and makes it with all that came since', async () => {
    const [tove, ines] = await Promise.all([editor(/Tove/), editor(/Ines/)])
    await stage.open(ines.page, 'map?at=module:m7&panel=details')
    await ines.context.setOffline(true)
    await ines.page.getByRole('button', { name: 'Remove', exact: true }).click()
    await ines.page.getByText('1 waiting').waitFor()
    await write(tove.page, '7a', 'Organise the data of a season')
    await tove.page.getByRole('textbox', { name: 'New objective in module 7' }).fill('Name three sources of error')
    await press(tove.page, 'Enter')
    await saved(tove.page)
    await ines.context.setOffline(false)
    await ines.page.getByRole('heading', { name: /Conflicts: one value/ }).waitFor()
    const item = ines.page.locator('.conflicts li')
    await reads(
      item,
      /removed, with \d+ records in it.*Theirs \(Tove Rasmussen\).*7a Organise the data of a season; 7\w Name three sources of error/,
    )
    await item.getByRole('button', { name: 'Use mine' }).click()
    await saved(ines.page)
    await reads(line(tove.page, '7a'), /^(?!Organise)/)
    await Promise.all([tove.context.close(), ines.context.close()])
  })

  it('keeps the queue when the session ended, asks for the same account, and lets no other send it', async () => {
    const { page, context } = await editor(/Tove/)
    expect((await endSessions(page)).status()).to.equal(200)
    await write(page, '4a', 'Written without knowing of the end')
    await page.getByText('Signed out, 1 waiting').waitFor()
    await page.getByRole('link', { name: 'Sign in' }).click()
    await page.getByText('1 change of tove@larkfield.example waits in this browser').waitFor()
    await expectAccessible(page, 'sign in with a change that waits')
    expect(await page.getByLabel('Mail address').inputValue()).to.equal('tove@larkfield.example')
    // Somebody else signs in first.
    await page.getByRole('button', { name: /Ines/ }).click()
    await page.getByText('1 change of tove@larkfield.example waits in this browser').waitFor()
    expect(await line(page, '4a').inputValue()).to.not.contain('Written without')
    await expectAccessible(page, 'changes of another account')
    expect(await keptChanges(page)).to.equal(1)
    const account = page.getByRole('button', { name: /account of Ines/ })
    await account.click()
    await page.getByRole('menuitem', { name: 'Sign out' }).click()
    await page.getByLabel('Mail address').fill('tove@larkfield.example')
    await page.getByLabel('Password').fill(DEMO_PASSWORD)
    await page.getByRole('button', { name: 'Sign in', exact: true }).click()
    await page.getByRole('heading', { name: 'My courses' }).waitFor()
    await stage.open(page, 'outcomes')
    await reads(line(page, '4a'), 'Written without knowing of the end')
    await saved(page)
    expect(await keptChanges(page)).to.equal(0)
    await context.close()
  })

  it('says so in an open window when another account signed in meanwhile, and sends nothing in its name', async () => {
    const { page, context } = await editor(/Tove/)
    const other = await context.newPage()
    await other.goto(`${stage.server.origin}/sign-in?as=somebody`)
    await other.getByRole('button', { name: /Ines/ }).click()
    await other.getByRole('heading', { name: 'My courses' }).waitFor()
    await write(page, '4b', 'Written as Tove')
    await page.getByText('Another account is signed in, 1 waiting').waitFor()
    await page.getByRole('link', { name: 'Sign in as tove@larkfield.example' }).click()
    await page.getByRole('button', { name: /Tove/ }).click()
    await reads(line(page, '4b'), 'Written as Tove')
    await saved(page)
    await page.goto(`${stage.server.origin}/courses/small-streams/history`)
    await reads(page.locator('.history-entry').first(), /you.*4b/)
    await context.close()
  })

  it('sends what an earlier version kept, and offers as text what cannot be sent', async () => {
    const { page, context } = await editor(/Ines/)
    await page.goto(`${stage.server.origin}/account`)
    await page.getByRole('heading', { name: 'My account' }).waitFor()
    // As the version before kept it: a queue a tab, without an account, records without the fields that came later.
    await page.evaluate(async () => {
      await new Promise<void>((resolve) => {
        const gone = indexedDB.deleteDatabase('cairn')
        gone.onsuccess = () => resolve()
        gone.onblocked = () => resolve()
      })
      const stored = await (await fetch('/api/courses/small-streams')).json()
      const was = stored.records.objective.find((o: { id: string }) => o.id === 'o5a').statement
      await new Promise<void>((resolve, reject) => {
        const opening = indexedDB.open('cairn', 1)
        opening.onupgradeneeded = () => opening.result.createObjectStore('queues')
        opening.onerror = () => reject(opening.error)
        opening.onsuccess = () => {
          const tx = opening.result.transaction('queues', 'readwrite')
          tx.objectStore('queues').put(
            {
              courseId: 'small-streams',
              tab: 'gone',
              formatVersion: 1,
              changes: [
                ['from-before', 'statement', was, 'Kept by the version before'],
                ['of-no-use', 'colour', 'red', 'a field that is no more'],
              ].map(([id, field, from, to]) => ({
                id,
                code: 'edit-text',
                params: { what: field },
                onConflict: 'refuse',
                operations: [{ op: 'update', kind: 'objective', id: 'o5a', from: { [field]: from }, to: { [field]: to } }],
              })),
            },
            'small-streams gone',
          )
          tx.oncomplete = () => {
            opening.result.close()
            resolve()
          }
        }
      })
    })
    await stage.open(page, 'outcomes')
    await reads(line(page, '5a'), 'Kept by the version before')
    await saved(page)
    await page.getByRole('heading', { name: 'Could not be sent: 1 change, kept here as text' }).waitFor()
    await reads(page.locator('.conflicts pre'), /a field that is no more/)
    await expectAccessible(page, 'changes that cannot be sent')
    await page.reload()
    await reads(page.locator('.conflicts pre'), /a field that is no more/)
    await page.getByRole('button', { name: 'Let go' }).click()
    await page.getByRole('heading', { name: /Could not be sent/ }).waitFor({ state: 'detached' })
    await context.close()
  })

  it('says so when a workspace cannot be fetched, keeps all else, and fetches it when asked again', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await page.route(/_astro\/calendar\./, (route) => route.abort())
    await stage.open(page, 'outcomes')
    await page.getByRole('link', { name: /^Calendar/ }).click()
    await page.getByText('This part of Cairn could not be fetched. What you did is kept.').waitFor()
    await page.getByRole('button', { name: 'Undo' }).waitFor()
    await page.unroute(/_astro\/calendar\./)
    await page.getByRole('button', { name: 'Try again' }).click()
    await page.getByRole('heading', { name: 'Autumn 2027', level: 1 }).waitFor()
    // One that breaks while it is drawn takes nothing else away either.
    await page.route(/_astro\/history\./, async (route) => {
      const answer = await route.fetch()
      const body = (await answer.text()).replace('History', '"+null.broken+"')
      await route.fulfill({ response: answer, body })
    })
    await page.getByRole('link', { name: 'History' }).click()
    await page.getByText('Something here could not be shown. What you did is kept.').waitFor()
    await page.getByRole('link', { name: 'Outcomes' }).click()
    await page.getByRole('textbox', { name: 'Objective 1a', exact: true }).waitFor()
    await context.close()
  })

  it('shows two windows of one browser the same, through one stream, whichever of them is closed', async () => {
    const { page, context } = await editor(/Ines/)
    const streams = new Set<Page>()
    const follow = (p: Page) => p.on('request', (r) => r.url().includes('/events') && streams.add(p))
    follow(page)
    const second = await context.newPage()
    follow(second)
    await stage.open(second, 'outcomes')
    await write(second, '6a', 'Written in the second window')
    await reads(line(page, '6a'), 'Written in the second window')
    await saved(second)
    expect(streams.size).to.equal(0)
    // While there is no server, each sees what the other wrote all the same.
    await stage.server.kill()
    await write(second, '6a', 'Written in the second window, alone')
    await reads(line(page, '6a'), 'Written in the second window, alone')
    for (const p of [page, second]) await p.getByText('No connection, 1 waiting').waitFor()
    await page.close()
    await stage.server.start()
    await saved(second)
    await second.waitForRequest(/\/events/, { timeout: 15_000 }).catch(() => undefined)
    await write(second, '6b', 'The second window sends by itself')
    await saved(second)
    const reader = await editor(/Marek/)
    await reads(line(reader.page, '6a'), 'Written in the second window, alone')
    await reads(line(reader.page, '6b'), 'The second window sends by itself')
    await Promise.all([context.close(), reader.context.close()])
  })
})
