/**
 * Windows that are used again for the same person. Opening a course in a fresh one costs three to four times the processor time:
 * nothing of the program is kept in it yet. What is lent anew is like new: no storage but the session's cookie, online, at its size.
 */
import type { BrowserContext, Page } from 'playwright-core'

export type Person = { readonly context: BrowserContext; readonly page: Page }

export const SIZE = { width: 1280, height: 800 }

export class LentWindows {
  private readonly free = new Map<string, Person[]>()

  /** One that this person used before. */
  again(who: string): Person | undefined {
    return this.free.get(who)?.pop()
  }

  /** Lends a window: to close its context gives it back, unless what was done to it cannot be taken back. */
  lend(who: string, person: Person, origin: string): Person {
    const { context, page } = person
    let spoiled = false
    const spoils = <T extends object>(thing: T, name: keyof T) => {
      const really = (thing[name] as (...args: unknown[]) => unknown).bind(thing)
      Object.assign(thing, {
        [name]: (...args: unknown[]) => {
          spoiled = true
          return really(...args)
        },
      })
    }
    spoils(page, 'addInitScript')
    spoils(page.clock, 'install')
    spoils(context, 'newPage')
    const close = context.close.bind(context)
    context.close = async () => {
      if (spoiled || !(await tidied(person, origin))) return close()
      this.free.set(who, [...(this.free.get(who) ?? []), person])
    }
    return person
  }
}

/** Takes back what a test did to a window. Returns whether that was possible. */
async function tidied({ context, page }: Person, origin: string): Promise<boolean> {
  try {
    await context.setOffline(false)
    await Promise.all([context.unrouteAll({ behavior: 'ignoreErrors' }), page.unrouteAll({ behavior: 'ignoreErrors' })])
    for (const event of ['request', 'response', 'requestfailed', 'dialog', 'download'] as const) page.removeAllListeners(event)
    // Something of the server that runs nothing: what the page before it still says is said by now.
    await page.goto(`${origin}/mark.svg`)
    await page.evaluate(async () => {
      sessionStorage.clear()
      localStorage.clear()
      for (const { name } of await indexedDB.databases()) if (name) indexedDB.deleteDatabase(name)
    })
    await page.setViewportSize(SIZE)
    await page.emulateMedia({ colorScheme: null, media: null, forcedColors: null })
    return context.pages().length === 1
  } catch {
    return false
  }
}
