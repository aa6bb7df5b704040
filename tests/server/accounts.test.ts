/** What whoever runs Cairn does with accounts, by the command line. */
import { expect } from 'chai'
import type { AccountLine } from '../../src/server/accounts'
import { changesAfter, loggedChanges } from '../../src/server/change-log'
import { openDatabase } from '../../src/server/db/client'
import { membersOf } from '../../src/server/membership'
import { cookieOf, giveRoles, makePeople, PASSWORD } from '../support/clients'
import { cairn, demoDatabase, startServer, type TestDatabase, type TestServer } from '../support/server'

const COURSE = 'small-streams'

describe('accounts', () => {
  let database: TestDatabase
  let server: TestServer
  before(async () => {
    database = await demoDatabase()
    server = await startServer(database.url)
    await makePeople(server.origin, ['ada@example.org', 'ben@example.org'])
    await giveRoles(database.url, COURSE, ['ada@example.org'])
  })
  after(async () => {
    await server.stop()
    await database.drop()
  })

  /** What a command says, and its status. */
  const accounts = async (...args: string[]) => {
    const { code, stdout, stderr } = await cairn(['accounts', ...args], { DATABASE_URL: database.url })
    return code === 0 ? stdout.trim() : `${code}: ${stderr.trim().split('\n').at(-1)}`
  }
  const listed = async (): Promise<AccountLine[]> => JSON.parse(await accounts('list', '--json'))
  const lineOf = async (email: string) => (await listed()).find((a) => a.email === email)
  const asked = async (cookie: string) => (await fetch(`${server.origin}/api/courses`, { headers: { cookie } })).status
  const signIn = (email: string, password = PASSWORD) =>
    fetch(`${server.origin}/api/auth/sign-in/email`, {
      method: 'POST',
      headers: { origin: server.origin, 'content-type': 'application/json' },
      body: JSON.stringify({ email, password }),
    })

  it('are listed with their courses and sessions', async () => {
    const { courses, designs, sessions, locked, name } = (await lineOf('ada@example.org')) as AccountLine
    expect({ courses, designs, sessions, locked, name }).to.deep.equal({ courses: 1, designs: 1, sessions: 1, locked: false, name: 'ada' })
    expect(await accounts('list')).to.match(/ada@example\.org {2}ada: 1 course, designer of 1, 1 session$/m)
  })
  it('that are locked are signed out at once, get in no more, and are told so by the right password alone', async () => {
    const cookie = await cookieOf(server.origin, 'ada@example.org')
    expect(await asked(cookie)).to.equal(200)
    expect(await accounts('lock', 'ada@example.org')).to.equal('ada@example.org is locked, and signed out')
    expect((await lineOf('ada@example.org'))?.locked).to.equal(true)
    while ((await asked(cookie)) !== 401) await new Promise((again) => setTimeout(again, 20))
    const right = await signIn('ada@example.org')
    expect([right.status, ((await right.json()) as { message: string }).message]).to.deep.equal([
      403,
      'This account is locked. Ask whoever runs Cairn here.',
    ])
    expect((await signIn('ada@example.org', 'not her password')).status).to.equal(401)
    expect(await accounts('unlock', 'ada@example.org')).to.equal('ada@example.org may sign in again')
    expect((await signIn('ada@example.org')).status).to.equal(200)
  })
  it('are signed out everywhere', async () => {
    const cookies = [await cookieOf(server.origin, 'ben@example.org'), await cookieOf(server.origin, 'ben@example.org')]
    expect(await accounts('sign-out', 'ben@example.org')).to.equal('3 sessions of ben@example.org ended')
    for (const cookie of cookies) while ((await asked(cookie)) !== 401) await new Promise((again) => setTimeout(again, 20))
    expect(await accounts('sign-out', 'ben@example.org')).to.equal('0 sessions of ben@example.org ended')
  })
  it('are deleted when their courses are somebody’s; what they wrote stays, by a former member', async () => {
    const cookie = await cookieOf(server.origin, 'ben@example.org')
    const made = await fetch(`${server.origin}/api/courses`, {
      method: 'POST',
      headers: { cookie, origin: server.origin, 'content-type': 'application/json' },
      body: JSON.stringify({
        ...{ title: 'Reading a gauge', code: '', weeks: 4, creditSystem: 'none', credits: null, delivery: 'blended', term: 'Autumn' },
        ...{ firstDay: '2027-09-06', timeZone: 'UTC' },
      }),
    })
    expect(made.status).to.equal(201)
    const { id } = (await made.json()) as { id: string }
    expect(await accounts('delete', 'ben@example.org')).to.equal(
      '2: nobody else is a designer of Reading a gauge: name who is to have it (--to ADDRESS), or remove it first',
    )
    expect(await accounts('delete', 'ben@example.org', '--to', 'nobody@example.org')).to.equal(
      '2: there is no account of nobody@example.org',
    )
    expect(await accounts('delete', 'ben@example.org', '--to', 'ben@example.org')).to.match(/^2: courses are handed over to somebody else/)
    expect(await asked(cookie)).to.equal(200)
    expect(await accounts('delete', 'ben@example.org', '--to', 'ada@example.org')).to.equal(
      'ben@example.org is deleted; 1 course handed over to ada@example.org',
    )
    while ((await asked(cookie)) !== 401) await new Promise((again) => setTimeout(again, 20))
    expect(await lineOf('ben@example.org')).to.equal(undefined)
    const opened = openDatabase(database.url)
    try {
      expect((await membersOf(opened.db, id)).map((m) => [m.email, m.role])).to.deep.equal([['ada@example.org', 'designer']])
      expect((await loggedChanges(opened.db, id, changesAfter(0))).map((c) => c.author)).to.deep.equal(['a former member'])
    } finally {
      await opened.pool.end()
    }
    // Whoever designs with others leaves nothing behind to hand over.
    expect(await accounts('delete', 'tove@larkfield.example')).to.equal('tove@larkfield.example is deleted')
  })
  it('that are not there are told, and so is what the command takes', async () => {
    expect(await accounts('lock', 'nobody@example.org')).to.equal('2: there is no account of nobody@example.org')
    for (const args of [['lock'], ['burn', 'ada@example.org'], ['list', 'ada@example.org'], ['constructor', 'x']])
      expect(await accounts(...args), args.join(' ')).to.match(/^2: cairn accounts list/)
  })
})
