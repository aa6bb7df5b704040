/** Invitations end with the right of their sender to invite. */
import { expect } from 'chai'
import { createCourse } from '../../src/server/courses'
import { openDatabase } from '../../src/server/db/client'
import { invitation, membership, user } from '../../src/server/db/schema'
import { serverId } from '../../src/server/ids'
import { changeRole, handOver, invitationsOf, invite, withdrawRole } from '../../src/server/membership'
import { start } from '../support/random-edits'
import { cloneDatabase, type TestDatabase } from '../support/server'

describe('invitations of a designer', () => {
  let database: TestDatabase
  let opened: ReturnType<typeof openDatabase>
  let course = ''
  before(async () => {
    database = await cloneDatabase()
    opened = openDatabase(database.url)
    for (const id of ['ines', 'tove']) await opened.db.insert(user).values({ id, name: id, email: `${id}@example.org` })
  })
  after(async () => {
    await opened.pool.end()
    await database.drop()
  })
  beforeEach(async () => {
    course = await createCourse(opened.db, { blueprint: start, ownerId: 'ines', code: 'create-course', newId: serverId })
    await opened.db.insert(membership).values({ courseId: course, userId: 'tove', role: 'designer' })
    for (const id of ['ines', 'tove'])
      await invite(opened.db, {
        courseId: course,
        by: { id, name: id },
        emails: [`of-${id}@example.org`],
        role: 'reviewer',
        origin: 'http://x',
      })
  })
  const open = async () => (await invitationsOf(opened.db, course)).map((i) => i.email)

  it('stay while the sender is one', async () => expect(await open()).to.deep.equal(['of-ines@example.org', 'of-tove@example.org']))
  it('end when the role is another', async () => {
    await changeRole(opened.db, course, 'ines', 'tove', 'expert')
    expect(await open()).to.deep.equal(['of-ines@example.org'])
  })
  it('end when the role is withdrawn, or left', async () => {
    await withdrawRole(opened.db, course, 'tove', 'tove')
    expect(await open()).to.deep.equal(['of-ines@example.org'])
  })
  it('end when the course is handed over', async () => {
    await handOver(opened.db, course, 'ines', 'tove', 'commenter')
    expect(await open()).to.deep.equal(['of-tove@example.org'])
  })
  it('are stored without the secret of their link', async () => {
    const rows = await opened.db.select().from(invitation)
    for (const { tokenHash } of rows) expect(tokenHash).to.match(/^[\w-]{43}$/)
  })
})
