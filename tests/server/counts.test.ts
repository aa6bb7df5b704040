/** The counts of the list come also while several people keep looking at it. */
import { expect } from 'chai'
import pg from 'pg'
import { giveRoles, makePeople, until } from '../support/clients'
import { demoDatabase, startServer, type TestDatabase, type TestServer } from '../support/server'

describe('the counts of the list of courses', () => {
  let database: TestDatabase
  let server: TestServer
  before(async () => {
    database = await demoDatabase()
    server = await startServer(database.url)
  })
  after(async () => {
    await server.stop()
    await database.drop()
  })

  it('come while two people ask again and again, more often than a burst of changes settles', async () => {
    const emails = ['ada@example.org', 'ben@example.org']
    const cookies = [...(await makePeople(server.origin, emails)).values()]
    await giveRoles(database.url, 'small-streams', emails)
    const client = new pg.Client({ connectionString: database.url })
    await client.connect()
    await client.query('delete from analysis_cache')
    await client.end()
    const counted = new Set<string>()
    const asking = setInterval(() => {
      for (const cookie of cookies)
        void fetch(`${server.origin}/api/courses`, { headers: { cookie } })
          .then((r) => r.json() as Promise<{ fix: number | null }[]>)
          .then(([course]) => course?.fix != null && counted.add(cookie))
    }, 300)
    try {
      await until(
        () => counted.size === 2,
        () => `${counted.size} of 2 have counts`,
        30_000,
      )
    } finally {
      clearInterval(asking)
    }
    expect(counted.size).to.equal(2)
  })
})
