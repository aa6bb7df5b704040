/** Ten thousand comments in a course: opening their list, and how soon a new one stands at somebody else's. */
import pg from 'pg'
import { type Browser, chromium, type Page } from 'playwright-core'
import { keyUntil } from './browser'
import { judged, median, ms, type Section } from './measure'

const COURSE = 'small-streams'
const COMMENTS = 10_000

/** Threads of three comments each, about the activities of the course, by its people. */
async function fill(databaseUrl: string): Promise<void> {
  const client = new pg.Client({ connectionString: databaseUrl })
  await client.connect()
  await client.query(
    `insert into comment (course_id, id, about_kind, about_id, about_name, words, reply_to, author_id, at, revision)
     select $1, 'b' || n, 'activity', 'a' || (1 + n / 3 % 8) || '-' || (1 + n / 24 % 6), 'An activity',
       'What was said the ' || n || 'th time about the depth of the water at each vertical.',
       case when n % 3 = 0 then null else 'b' || (n - n % 3) end,
       (select user_id from membership where course_id = $1 order by user_id offset n % 4 limit 1),
       now() - (10000 - n) * interval '1 minute', n + 100
     from generate_series(0, $2 - 1) n`,
    [COURSE, COMMENTS],
  )
  await client.query("update beside_head set revision = $2 where course_id = $1 and kind = 'comment'", [COURSE, COMMENTS + 100])
  await client.end()
}

async function window(browser: Browser, origin: string, who: RegExp): Promise<Page> {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 }, bypassCSP: true, locale: 'en-GB' })).newPage()
  // The name that the compiler gives functions is not in the page.
  await page.addInitScript('globalThis.__name ??= (f) => f')
  await page.goto(`${origin}/sign-in`)
  await page.getByRole('button', { name: who }).click()
  await page.getByRole('heading', { name: 'My courses' }).waitFor()
  return page
}

/** From the key to the first threads, in a window that has been there long enough to count what is new. */
async function opening(page: Page, origin: string): Promise<number> {
  await page.goto(`${origin}/courses/${COURSE}/map?at=activity:a1-1`)
  await page.getByRole('button', { name: /^Comments \d+ new/ }).waitFor()
  return keyUntil(page, 'Alt+m', '.thread')
}

export async function benchComments(origin: string, databaseUrl: string, chromiumPath: string): Promise<Section> {
  await fill(databaseUrl)
  const browser = await chromium.launch({ executablePath: chromiumPath, args: ['--no-sandbox', '--disable-gpu'] })
  const [marek, ines] = [await window(browser, origin, /Marek/), await window(browser, origin, /Ines/)]
  const opened: number[] = []
  // Each opening reads them: the mark is set back in between by somebody who was away.
  for (let n = 0; n < 3; n++) {
    opened.push(await opening(marek, origin))
    const client = new pg.Client({ connectionString: databaseUrl })
    await client.connect()
    await client.query('delete from comments_seen where course_id = $1', [COURSE])
    await client.end()
  }
  await ines.goto(`${origin}/courses/${COURSE}/brief?panel=comments`)
  const field = ines.getByLabel('Comment on the course')
  await field.waitFor()
  await marek.getByLabel('Comments of').selectOption({ label: 'Whole course' })
  const heard: number[] = []
  for (let n = 0; n < 5; n++) {
    const words = `New ${n}`
    await field.fill(words)
    const there = marek.getByText(words, { exact: true }).waitFor()
    const at = performance.now()
    await ines.keyboard.press('Control+Enter')
    await there
    heard.push(performance.now() - at)
  }
  await browser.close()
  return {
    title: 'Ten thousand comments',
    how: 'In the demo course, in threads of three. Opening is from the key until the first threads stand; a new one is from the key until it stands in the other window.',
    lines: [judged('List open, median', median(opened), 300, ms), judged('New one at the other person, median', median(heard), 1000, ms)],
  }
}
