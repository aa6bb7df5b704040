/** The colours of the pages that learners get: set, judged, mended, and on the page as they stand in the table. */
import { expect } from 'chai'
import { expectAccessible, press, reads, Stage, saved } from '../support/browser'

describe('the colours of learners’ pages', () => {
  const stage = Stage.forThisFile()

  it('are set by keys, judged, mended in one step; the published page has those of the table and no others', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await stage.open(page, 'review?show=colours')
    const set = async (label: string, to: string) => {
      await page.getByLabel(label, { exact: true }).focus()
      await page.keyboard.type(to)
      await press(page, 'Enter')
    }
    await set('Colour of the paper', 'red')
    await page.getByText('A colour such as #20282b.').waitFor()
    await press(page, 'Escape')
    await set('Colour of the paper', 'fdf6e3')
    await set('Accent', '#C9C2B5')
    await set('Colour of quiet text', '#8a8a8a')
    const pairs = page.getByRole('table', { name: 'Pairs of colours' })
    await reads(pairs.getByRole('row', { name: /^Accent on paper/ }), /Too low/)
    await reads(pairs.getByRole('row', { name: /^Quiet on paper/ }), /3\.\d\d4\.5Too low/)
    // The fix of the finding mends all of them, and one step takes it back.
    await page.getByRole('button', { name: /^Findings \d+/ }).click()
    await page.getByText(/^The colours of the pages stand out too little/).waitFor()
    await page.getByRole('button', { name: /^Take the nearest that/ }).click()
    await pairs.getByText('Too low').first().waitFor({ state: 'detached' })
    await press(page, 'Control+z')
    await pairs.getByText('Too low').first().waitFor()
    await pairs
      .getByRole('row', { name: /^Quiet on paper/ })
      .getByRole('button', { name: /^Take #/ })
      .press('Enter')
    await page.getByRole('button', { name: /^Take the nearest that/ }).click()
    await pairs.getByText('Too low').first().waitFor({ state: 'detached' })
    await expectAccessible(page, 'colours and texts')
    const table = await pairs.locator('.sample').evaluateAll((all) =>
      all.map((e) => {
        const { color, backgroundColor, borderTopColor } = getComputedStyle(e)
        return e.textContent?.trim() ? `${color} on ${backgroundColor}` : `${borderTopColor} on ${backgroundColor}`
      }),
    )
    await saved(page)
    await page.getByRole('link', { name: /^Syllabus/ }).click()
    await page.getByRole('button', { name: /^Publish/ }).click()
    await page.getByRole('dialog').getByRole('button', { name: 'Publish' }).click()
    const address = await page.getByRole('link', { name: /^\/p\// }).getAttribute('href')
    // By night as by day.
    await page.emulateMedia({ colorScheme: 'dark' })
    await page.goto(`${stage.server.origin}${address}`)
    await page.getByRole('heading', { level: 1 }).waitFor()
    const seen = await page.evaluate(() => {
      const found = new Set<string>()
      for (const element of document.querySelectorAll<HTMLElement>('main *')) {
        const hasText = [...element.childNodes].some((n) => n.nodeType === Node.TEXT_NODE && n.textContent?.trim())
        if (!hasText) continue
        let behind: HTMLElement | null = element
        while (behind && getComputedStyle(behind).backgroundColor === 'rgba(0, 0, 0, 0)') behind = behind.parentElement
        found.add(`${getComputedStyle(element).color} on ${behind ? getComputedStyle(behind).backgroundColor : 'nothing'}`)
      }
      return [...found]
    })
    expect(seen.filter((pair) => !table.includes(pair))).to.deep.equal([])
    // Text, quiet text, and the heads of tables on the accent.
    expect(seen.length).to.be.at.least(3)
    await expectAccessible(page, 'published page in its own colours')
    await context.close()
  })
})
