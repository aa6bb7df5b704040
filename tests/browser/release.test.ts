/** A browser in which the release before this one was open: what it kept is taken up. */
import { readFileSync } from 'node:fs'
import { expect } from 'chai'
import type { Page } from 'playwright-core'
import { reads, Stage, saved } from '../support/browser'

type KeptStore = {
  readonly keyPath: string | string[] | null
  readonly autoIncrement: boolean
  readonly indexes: readonly { readonly name: string; readonly keyPath: string | string[]; readonly unique: boolean }[]
  readonly keys: readonly IDBValidKey[]
  readonly rows: readonly unknown[]
}
type KeptThen = { readonly version: number; readonly stores: Record<string, KeptStore>; readonly localStorage: Record<string, string> }
const THEN = JSON.parse(readFileSync('tests/fixtures/releases/0.2-browser.json', 'utf8')) as KeptThen

/** Puts into a browser what the release kept, before any page of Cairn ran in it. */
const putBack = (page: Page, then: KeptThen) =>
  page.evaluate(async (text) => {
    const { version, stores, localStorage: texts } = JSON.parse(text) as KeptThen
    for (const [key, value] of Object.entries(texts)) localStorage.setItem(key, value)
    const opening = indexedDB.open('cairn', version)
    opening.onupgradeneeded = () => {
      for (const [name, { keyPath, autoIncrement, indexes }] of Object.entries(stores)) {
        const store = opening.result.createObjectStore(name, { keyPath, autoIncrement })
        for (const index of indexes) store.createIndex(index.name, index.keyPath, { unique: index.unique })
      }
    }
    await new Promise((resolve) => {
      opening.onsuccess = resolve
    })
    const tx = opening.result.transaction(Object.keys(stores), 'readwrite')
    for (const [name, { keyPath, keys, rows }] of Object.entries(stores))
      rows.forEach((row, i) => void (keyPath ? tx.objectStore(name).put(row) : tx.objectStore(name).put(row, keys[i])))
    await new Promise((resolve) => {
      tx.oncomplete = resolve
    })
    opening.result.close()
  }, JSON.stringify(then))

describe('a browser of the release before', () => {
  const stage = Stage.forThisFile('0.2')
  const line = (page: Page, number: string) => page.getByRole('textbox', { name: `Objective ${number}`, exact: true })

  it('sends what waited in it, and keeps nothing of it twice', async () => {
    const { page } = await stage.window()
    await page.goto(`${stage.server.origin}/mark.svg`)
    await putBack(page, THEN)
    const { origin } = stage.server
    const signedIn = await page.context().request.post(`${origin}/api/auth/sign-in/email`, {
      data: { email: 'ines@larkfield.example', password: 'small-streams-214' },
      headers: { origin },
    })
    expect(signedIn.status()).to.equal(200)
    await stage.open(page, 'outcomes')
    await saved(page)
    await reads(line(page, '1a'), 'Explain where the water in a small stream comes from on a dry day and after rain in autumn')
    await reads(line(page, '1b'), 'Describe what Tove wrote meanwhile')
    await reads(line(page, '1c'), 'Interpret a storm hydrograph of the Aldbeck twice')
    const changes = await (await page.context().request.get(`${origin}/api/courses/small-streams/changes?since=5`)).json()
    expect(changes.map((c: { changeId: string }) => c.changeId)).to.deep.equal(['Vc8pEM7A8bf6', 'd2qwSrQsdwit'])
    await page.reload()
    await reads(line(page, '1c'), 'Interpret a storm hydrograph of the Aldbeck twice')
    expect(stage.errors).to.deep.equal([])
  })
})
