import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { expect } from 'chai'
import { type Browser, type BrowserContext, chromium, type Page } from 'playwright-core'
import { cloneDatabase, startServer, type TestDatabase, type TestServer } from '../support/server'

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')
const FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
]
const VIEWS = ['brief', 'outcomes', 'map', 'assessment', 'calendar', 'syllabus'] as const

describe('a course in the browser', function () {
  this.timeout(60_000)
  let database: TestDatabase
  let server: TestServer
  let browser: Browser
  const errors: string[] = []
  before(async () => {
    database = await cloneDatabase()
    server = await startServer(database.url)
    browser = await chromium.launch({ executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium', args: FLAGS })
  })
  after(async () => {
    await browser?.close()
    await server?.stop()
    await database?.drop()
  })

  async function signedIn(who: RegExp): Promise<{ context: BrowserContext; page: Page }> {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, bypassCSP: true, locale: 'en-GB' })
    const page = await context.newPage()
    page.on('pageerror', (e) => errors.push(String(e)))
    await page.goto(`${server.origin}/sign-in`)
    await page.getByRole('button', { name: who }).click()
    await page.getByRole('heading', { name: 'My courses' }).waitFor()
    return { context, page }
  }
  const open = async (page: Page, view: string) => {
    await page.goto(`${server.origin}/courses/small-streams/${view}`)
    await page.getByRole('heading', { level: 1 }).first().waitFor()
  }
  const saved = (page: Page) => page.locator('[role=status][data-waiting="0"]').waitFor()

  it('has no accessibility violations on any view, nor errors', async () => {
    const { context, page } = await signedIn(/Ines/)
    const check = async (view: string) => {
      await page.evaluate(AXE)
      const found = await page.evaluate(async () => {
        const axe = (
          window as unknown as { axe: { run(): Promise<{ violations: { id: string; nodes: { html: string }[] }[]; passes: unknown[] }> } }
        ).axe
        const result = await axe.run()
        return { violations: result.violations.map((v) => `${v.id}: ${v.nodes[0]?.html.slice(0, 160)}`), passes: result.passes.length }
      })
      expect(found.violations, view).to.deep.equal([])
      expect(found.passes).to.be.greaterThan(10)
    }
    await check('home')
    for (const view of VIEWS) {
      await open(page, `${view}?panel=findings`)
      await page.locator('.panel .finding').first().waitFor()
      await check(view)
    }
    expect(errors).to.deep.equal([])
    await context.close()
  })

  it('adds objectives by keyboard, takes a better wording with Alt+Enter, and undoes both', async () => {
    const { context, page } = await signedIn(/Ines/)
    await open(page, 'outcomes')
    const fresh = page.getByRole('textbox', { name: 'New objective in module 1' })
    await fresh.focus()
    await page.keyboard.type('Understand why the water rises')
    await page.keyboard.press('Enter')
    const added = page.getByRole('textbox', { name: 'Objective 1d' })
    await added.waitFor()
    await page.getByText('names a state of mind').first().waitFor()
    await added.focus()
    await page.keyboard.press('Alt+Enter')
    await page.waitForFunction(
      () => (document.querySelector('[aria-label="Objective 1d"]') as HTMLTextAreaElement).value === 'Explain why the water rises',
    )
    await page.keyboard.press('Alt+Enter')
    await page.waitForFunction(
      () => (document.querySelector('[aria-label="Objective 1d"]') as HTMLTextAreaElement).value === 'Summarise why the water rises',
    )
    await page.getByRole('button', { name: /Outcomes of 1d/ }).click()
    await page.getByRole('textbox', { name: 'Outcomes of 1d' }).fill('1 5')
    await page.keyboard.press('Enter')
    await page.getByRole('button', { name: 'Outcomes of 1d: CO1 CO5. Change' }).waitFor()
    await saved(page)
    for (let i = 0; i < 4; i++) await page.getByRole('button', { name: 'Undo' }).click()
    await added.waitFor({ state: 'detached' })
    await context.close()
  })

  it('edits, pastes and moves in the working table from the keyboard', async () => {
    const { context, page } = await signedIn(/Ines/)
    await open(page, 'map?at=activity:a1-3')
    const cell = (row: string, column: number) => page.locator(`[data-row="${row}"] [data-column="${column}"]`)
    await cell('a1-3', 6).click()
    await page.keyboard.type('1h30')
    await page.keyboard.press('Enter')
    expect(await cell('a1-3', 6).textContent()).to.equal('90')
    await cell('new m1', 1).click()
    await page.evaluate(() => {
      const data = new DataTransfer()
      data.setData('text/plain', 'Pasted one\tTry\tquiz\nPasted two\tShow\texam')
      document.activeElement?.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }))
    })
    await page.getByText('Pasted two').waitFor()
    expect(await page.locator('tr', { hasText: 'Pasted one' }).textContent()).to.include('practise')
    await saved(page)
    await page.getByRole('button', { name: 'Undo' }).click()
    await page.getByText('Pasted two').waitFor({ state: 'detached' })
    await cell('a1-3', 1).click()
    await page.keyboard.press('Alt+ArrowDown')
    await page.waitForFunction(() => document.querySelector('[data-row="a1-3"] [data-column="0"]')?.textContent?.includes('1.4'))
    await context.close()
  })

  it('shows the sums, and a fix from the finding ends it', async () => {
    const { context, page } = await signedIn(/Ines/)
    await open(page, 'assessment')
    await page.getByRole('button', { name: 'Scale all to 100 %' }).click()
    await page.getByText('100.00 % of the grade').waitFor()
    await page.getByText('The category shares sum to').waitFor({ state: 'detached' })
    await page.keyboard.press('Control+z')
    await page.getByText('The category shares sum to 95 %').waitFor()
    await context.close()
  })

  it('shows two windows each other’s edits, and keeps both values in a conflict', async () => {
    const [a, b] = [await signedIn(/Ines/), await signedIn(/Tove/)]
    await open(a.page, 'outcomes')
    await open(b.page, 'outcomes')
    const line = (page: Page) => page.getByRole('textbox', { name: 'Objective 2a' })
    await line(a.page).fill('Select a reach by three stated criteria')
    await line(a.page).blur()
    await b.page.waitForFunction(
      () => (document.querySelector('[aria-label="Objective 2a"]') as HTMLTextAreaElement).value.includes('three stated'),
      null,
      { timeout: 3000 },
    )
    await b.context.setOffline(true)
    await line(b.page).fill('Select a reach as the expert says')
    await line(b.page).blur()
    await b.page.getByText(/1 waiting/).waitFor()
    await line(a.page).fill('Select a reach as the designer says')
    await line(a.page).blur()
    await saved(a.page)
    await b.context.setOffline(false)
    await b.page.getByRole('heading', { name: /Conflicts/ }).waitFor()
    const row = b.page.locator('.conflicts tbody tr')
    expect(await row.textContent())
      .to.include('as the expert says')
      .and.include('as the designer says')
    await row.getByRole('button', { name: 'Use mine' }).click()
    await a.page.waitForFunction(() =>
      (document.querySelector('[aria-label="Objective 2a"]') as HTMLTextAreaElement).value.includes('expert'),
    )
    await a.context.close()
    await b.context.close()
  })

  it('publishes a page that reads without JavaScript', async () => {
    const { context, page } = await signedIn(/Ines/)
    await open(page, 'syllabus')
    await page.getByRole('button', { name: 'Publish' }).click()
    const address = await page.getByRole('link', { name: /^\/p\// }).getAttribute('href')
    const plain = await browser.newContext({ javaScriptEnabled: false })
    const publicPage = await plain.newPage()
    await publicPage.goto(server.origin + address)
    expect(await publicPage.getByRole('heading', { level: 1 }).textContent()).to.equal('Measuring Small Streams')
    expect(await publicPage.getByRole('table').count()).to.equal(2)
    await plain.close()
    await context.close()
  })

  it('lets a reviewer read and not write', async () => {
    const { context, page } = await signedIn(/Marek/)
    await open(page, 'outcomes')
    expect(await page.getByRole('textbox', { name: 'Objective 1a' }).getAttribute('readonly')).to.equal('')
    expect(await page.getByRole('textbox', { name: 'New outcome' }).count()).to.equal(0)
    await context.close()
  })

  it('makes a new course that begins empty and says what to do', async () => {
    const { context, page } = await signedIn(/Ines/)
    await page.getByRole('button', { name: 'New course' }).click()
    await page.getByLabel('Title').fill('Baking Bread')
    await page.getByRole('button', { name: 'Make the course' }).click()
    await page.getByRole('textbox', { name: 'New outcome' }).waitFor()
    await page.getByRole('textbox', { name: 'New outcome' }).fill('Bake a loaf')
    await page.keyboard.press('Enter')
    await page.getByRole('textbox', { name: 'Outcome CO1' }).waitFor()
    await context.close()
  })
})
