import { expect } from 'chai'
import { expectAccessible, press, reads, Stage } from '../support/browser'

describe('the list of findings', () => {
  const stage = Stage.forThisFile()

  it('shows many of one rule in one module as one, fixes them together, and takes that back in one step', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await stage.open(page, 'outcomes', 'museum-labels')
    const line = page.getByRole('textbox', { name: /New objective|Add an objective/ }).first()
    await line.click()
    for (const topic of ['light', 'height', 'type', 'glass']) {
      await page.keyboard.type(`Understand ${topic}`)
      await press(page, 'Enter')
    }
    await page.getByRole('button', { name: /^Findings \d+/ }).click()
    const card = page.locator('.finding', { hasText: 'Unobservable verb: 4 in module 1' })
    await card.waitFor()
    await card.getByRole('listitem').nth(3).waitFor()
    expect(await card.getByRole('listitem').count()).to.equal(4)
    await card.getByText('One by one').click()
    await card.getByRole('button', { name: /^Keep/ }).nth(3).waitFor()
    expect(await card.getByRole('button', { name: /^Keep/ }).count()).to.equal(4)
    await expectAccessible(page, 'grouped findings')
    await card.getByRole('button', { name: 'Take the first fix of all 4' }).click()
    await card.waitFor({ state: 'detached' })
    await page.getByText('Fixed 4 at once').waitFor()
    await page.getByRole('button', { name: 'Undo' }).click()
    await card.waitFor()
    await context.close()
  })

  it('follows the profile of the course and what the course sets for a rule', async () => {
    const { context, page } = await stage.signedIn(/Ines/)
    await stage.open(page, 'brief?panel=findings')
    const shares = page.locator('.panel .finding', { hasText: 'of the grade assesses CO6' })
    await shares.waitFor()
    await page.getByLabel('Judge it as').selectOption('self-paced')
    await shares.waitFor({ state: 'detached' })
    const rules = page.getByRole('region', { name: 'Rules' })
    await rules.getByRole('button', { name: /^Every rule/ }).focus()
    await press(page, 'Enter')
    await rules.getByLabel('Weight of Share differs').selectOption('fix')
    await shares.waitFor()
    await reads(shares.locator('.weight').first(), 'Fix')
    await rules.getByText('Every rule, 1 set for this course').waitFor()
    await page.getByLabel('Weight', { exact: true }).selectOption('idea')
    await shares.waitFor({ state: 'detached' })
    await context.close()
    expect(stage.errors).to.deep.equal([])
  })
})
