/** The built application in real Chromium: one server and one browser for a test file, with small words for what people do. */
import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { expect } from 'chai'
import { type Browser, type BrowserContext, chromium, type Locator, type Page } from 'playwright-core'
import { WORKSPACES } from '../../src/core/workspaces'
import { DEMO_PASSWORD, DEMO_PEOPLE } from '../../src/server/demo-people'
import { watchFocus } from './focus-watch'
import { LentWindows, type Person, SIZE } from './lent-windows'
import { cairn, demoDatabase, releaseDatabase, startServer, type TestDatabase, type TestServer } from './server'

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')
export const FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
]

/** How long a condition is waited for: a busy machine takes its time, and one that is met is met at once. */
const PATIENCE_MS = 45_000

type Cookies = Awaited<ReturnType<BrowserContext['cookies']>>

export type { Person }

export class Stage {
  private database!: TestDatabase
  private browser!: Browser
  /** What each demo person is known by, once signed in; asked for again where it has ended. */
  private readonly sessions = new Map<string, Cookies>()
  private readonly windows = new LentWindows()
  server!: TestServer
  /** Errors of all pages since the stage was set. */
  readonly errors: string[] = []
  /** What left the focus on the page itself, since the stage was set. */
  readonly losses: string[] = []

  /** Sets the stage before the tests of a file, with the demo data or what a release left, and clears it after them. */
  static forThisFile(release?: string): Stage {
    const stage = new Stage()
    before(async () => {
      stage.database = await (release ? releaseDatabase(release) : demoDatabase())
      if (release) await cairn(['migrate'], { DATABASE_URL: stage.database.url })
      stage.server = await startServer(stage.database.url)
      stage.browser = await chromium.launch({ executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium', args: FLAGS })
    })
    after(async () => {
      await stage.browser?.close()
      await stage.server?.stop()
      await stage.database?.drop()
      expect(stage.losses, stage.losses.join('; ')).to.deep.equal([])
    })
    return stage
  }

  get databaseUrl(): string {
    return this.database.url
  }

  /** A window of nobody yet. */
  async window(options: { readonly javaScript?: boolean; readonly shell?: boolean } = {}): Promise<Person> {
    const context = await this.browser.newContext({
      viewport: SIZE,
      bypassCSP: true,
      locale: 'en-GB',
      // Nothing to wait for: what moves is at its end at once.
      reducedMotion: 'reduce',
      javaScriptEnabled: options.javaScript ?? true,
      // Keeping the frame of pages takes its time; only what is about it waits for it.
      serviceWorkers: options.shell ? 'allow' : 'block',
    })
    await context.grantPermissions(['clipboard-read', 'clipboard-write']).catch(() => undefined)
    context.setDefaultTimeout(PATIENCE_MS)
    const page = await context.newPage()
    // The runner of the tests marks functions with their names, also those that run in the page.
    await page.addInitScript('globalThis.__name ??= (f) => f')
    page.on('pageerror', (e) => this.errors.push(String(e)))
    if (options.javaScript !== false) await watchFocus(page, (loss) => this.losses.push(loss))
    return { context, page }
  }

  /** A window in which a demo person is signed in, who has been in every workspace before, or nowhere yet; no page is open. */
  async signedIn(who: RegExp, options: { readonly shell?: boolean; readonly first?: boolean } = {}): Promise<Person> {
    const email = DEMO_PEOPLE.find((p) => who.test(p.name))?.email ?? ''
    if (options.shell) return this.sign(email, await this.window(options), options.first ?? false)
    const person = this.windows.again(email) ?? this.windows.lend(email, await this.window(), this.server.origin)
    await person.context.clearCookies()
    return this.sign(email, person, options.first ?? false)
  }

  private async sign(email: string, person: Person, first: boolean): Promise<Person> {
    const seen = first ? '' : WORKSPACES.join()
    const { request } = person.context
    const { origin } = this.server
    const headers = { origin }
    // A window that was not used for a while may ask along a line that the server has just let go.
    const maxRetries = 3
    const known = this.sessions.get(email)
    if (known) await person.context.addCookies(known)
    if (known && (await request.post(`${origin}/api/auth/update-user`, { data: { seen }, headers, maxRetries })).ok()) return person
    // By the interface's own endpoint: the page that asks it is tried in the tests of accounts.
    const answer = await request.post(`${origin}/api/auth/sign-in/email`, { data: { email, password: DEMO_PASSWORD }, headers, maxRetries })
    if (!answer.ok()) throw new Error(`sign-in of ${email} answered ${answer.status()}`)
    await request.post(`${origin}/api/auth/update-user`, { data: { seen }, headers, maxRetries })
    this.sessions.set(email, await person.context.cookies())
    return person
  }

  /** Opens the list of courses. */
  async home(page: Page): Promise<void> {
    await page.goto(this.server.origin)
    await page.getByRole('heading', { name: 'My courses' }).waitFor()
  }

  /** Opens a view of a course and waits until it is drawn and analysed. */
  async open(page: Page, view: string, course = 'small-streams'): Promise<void> {
    await page.goto(`${this.server.origin}/courses/${course}/${view}`)
    await page.getByRole('heading', { level: 1 }).first().waitFor()
    await page.getByRole('button', { name: /^Findings \d+/ }).waitFor()
    // A font that comes late moves what the mouse is about to meet.
    await page.evaluate(() => document.fonts.ready)
  }
}

/** Nothing waits to be sent. */
export const saved = (page: Page): Promise<void> => page.locator('[role=status][data-waiting="0"]').waitFor()

/** Waits until a locator's text is what it should be; the failure tells what it was. */
export async function reads(locator: Locator, wanted: string | RegExp): Promise<void> {
  const matches = (text: string) => (typeof wanted === 'string' ? text === wanted : wanted.test(text))
  const textOf = async () =>
    (
      (await locator.evaluate((e) => ('value' in e && e.tagName !== 'BUTTON' && e.tagName !== 'LI' ? String(e.value) : e.textContent))) ??
      ''
    )
      .replace(/\s+/g, ' ')
      .trim()
  const until = Date.now() + PATIENCE_MS / 3
  let text = await textOf()
  while (!matches(text) && Date.now() < until) {
    await locator.page().evaluate(() => new Promise((done) => requestAnimationFrame(done)))
    text = await textOf()
  }
  expect(matches(text), `reads “${text}”, wanted ${wanted}`).to.equal(true)
}

/** Presses keys one after the other. */
export async function press(page: Page, ...keys: readonly string[]): Promise<void> {
  for (const key of keys) await page.keyboard.press(key)
}

/** Somebody who types on without a pause (a stop, and the same again) in the field that has the focus, until told to stop. */
export async function typesOn(page: Page): Promise<() => Promise<void>> {
  await page.evaluate(() => {
    let more = false
    const key = () => {
      more = !more
      document.execCommand(more ? 'insertText' : 'delete', false, '.')
    }
    const timer = setInterval(key, 150)
    Object.assign(window, {
      stopTyping: () => {
        clearInterval(timer)
        if (more) key()
      },
    })
  })
  return () => page.evaluate(() => (window as unknown as { stopTyping(): void }).stopTyping())
}

/** Pastes text where the focus is, as from a spreadsheet. */
export const paste = (page: Page, text: string): Promise<void> =>
  page.evaluate((t) => {
    const data = new DataTransfer()
    data.setData('text/plain', t)
    document.activeElement?.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }))
  }, text)

/** What Ctrl+C would put on the clipboard. */
export const copied = (page: Page): Promise<string> =>
  page.evaluate(() => {
    const data = new DataTransfer()
    document.activeElement?.dispatchEvent(new ClipboardEvent('copy', { clipboardData: data, bubbles: true, cancelable: true }))
    return data.getData('text/plain')
  })

const SCHEMES = ['light', 'dark'] as const
let turn = 0

/**
 * Fails with the list of what axe found. In light and dark by turns, from call to call: to look at a page costs more than most of what
 * is done to it, and what is wrong in one is nearly always wrong in the other. Views as they open are looked at in both.
 */
export const expectAccessible = (page: Page, where: string): Promise<void> => accessibleIn(SCHEMES[(turn++ % 2) as 0 | 1], page, where)

/** Fails with the list of what axe found in light or in dark. */
export async function expectAccessibleInBoth(page: Page, where: string): Promise<void> {
  for (const scheme of SCHEMES) await accessibleIn(scheme, page, where)
}

async function accessibleIn(colorScheme: (typeof SCHEMES)[number], page: Page, where: string): Promise<void> {
  // Colours in between are nobody's.
  await page.emulateMedia({ colorScheme })
  await page.waitForFunction((scheme) => {
    const { shown } = document.documentElement.dataset
    return shown === undefined || shown === scheme
  }, colorScheme)
  await expectNoViolation(page, `${where}, ${colorScheme}`)
  await page.emulateMedia({ colorScheme: null })
}

async function expectNoViolation(page: Page, where: string): Promise<void> {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(AXE)
  const found = await page.evaluate(async () => {
    type Axe = { run(options: object): Promise<{ violations: { id: string; nodes: { html: string }[] }[]; passes: unknown[] }> }
    const result = await (window as unknown as { axe: Axe }).axe.run({ resultTypes: ['violations'] })
    return { violations: result.violations.map((v) => `${v.id}: ${v.nodes[0]?.html.slice(0, 160)}`), passes: result.passes.length }
  })
  expect(found.violations, where).to.deep.equal([])
  expect(found.passes).to.be.greaterThan(10)
}

/** Types a day or a time of day into a field with parts: `typeMoment(card, 'First day', '13 09 2027')`. */
export async function typeMoment(scope: Page | Locator, label: string, typed: string): Promise<void> {
  const field = scope.getByRole('group', { name: label, exact: true }).first()
  await field.getByRole('spinbutton').first().click()
  const page = 'keyboard' in scope ? scope : scope.page()
  await page.keyboard.type(typed.replace(/\D/g, ''))
}
