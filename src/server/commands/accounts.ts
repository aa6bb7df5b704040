/** Accounts on the command line: `accounts list|lock|unlock|sign-out|delete`. */
import { countOf } from '../../core/numbers'
import type { Result } from '../../core/result'
import type { Database } from '../db/client'
import { asJson, type CommandCall, defineCommand, fail, JSON_OPTION, print } from './command'

type Work = (db: Database, email: string, values: CommandCall['values']) => Promise<Result<string, string>>

/** What is done to one account, by name; each answers with the line that is printed. */
const WORKS: Readonly<Record<string, Work>> = {
  lock: async (db, email) =>
    said(await (await import('../accounts')).setLocked(db, email, true), () => `${email} is locked, and signed out`),
  unlock: async (db, email) => said(await (await import('../accounts')).setLocked(db, email, false), () => `${email} may sign in again`),
  'sign-out': async (db, email) =>
    said(await (await import('../accounts')).signOutEverywhere(db, email), (n) => `${countOf(n, 'session')} of ${email} ended`),
  delete: async (db, email, values) =>
    said(
      await (await import('../accounts')).deleteAccount(db, email, (values['to'] as string | undefined) ?? null),
      ({ handedOver }) =>
        `${email} is deleted${handedOver > 0 ? `; ${countOf(handedOver, 'course')} handed over to ${String(values['to'])}` : ''}`,
    ),
}
const said = <T>(result: Result<T, string>, line: (value: T) => string): Result<string, string> =>
  result.ok ? { ok: true, value: line(result.value) } : result

async function list(db: Database, json: boolean): Promise<number> {
  const { accountLines } = await import('../accounts')
  const all = await accountLines(db)
  if (json) print(asJson(all))
  else
    for (const a of all)
      print(
        `${a.id}  ${a.createdAt.slice(0, 10)}  ${a.email}  ${a.name}: ${countOf(a.courses, 'course')}, designer of ${a.designs}, ${countOf(a.sessions, 'session')}${a.locked ? ', locked' : ''}\n`,
      )
  return 0
}

export const accounts = defineCommand({
  name: 'accounts',
  usage: 'list [--json] | lock | unlock | sign-out | delete ADDRESS',
  does: [
    'who has an account (with the database); locks one, ends its sessions, or deletes it',
    '--to: who has the courses of a deleted account that have no other designer',
  ],
  operands: [1, 2],
  options: { ...JSON_OPTION, to: { type: 'string' } },
  database: 'needed',
  run: async ({ operands: [what = '', email], values, database }) => {
    if (what === 'list' && email === undefined) return list(await database(), values['json'] === true)
    const work = Object.hasOwn(WORKS, what) ? WORKS[what] : undefined
    if (!work || email === undefined) {
      fail(`cairn accounts list [--json] | ${Object.keys(WORKS).join(' | ')} ADDRESS`)
      return 2
    }
    const result = await work(await database(), email, values)
    if (result.ok) print(`${result.value}\n`)
    else fail(result.error)
    return result.ok ? 0 : 2
  },
})
