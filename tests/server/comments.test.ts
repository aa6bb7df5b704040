/** Comments at the server: what came since a revision, what was removed, who is told. */
import { expect } from 'chai'
import { eq } from 'drizzle-orm'
import type { Comment } from '../../src/core/beside/comment'
import { threadsOf } from '../../src/core/beside/threads'
import { idSource } from '../../src/core/blueprint/ids'
import { listBeside, putBeside, removeBeside } from '../../src/server/beside'
import { createCourse } from '../../src/server/courses'
import { openDatabase } from '../../src/server/db/client'
import { membership, outbox, user } from '../../src/server/db/schema'
import { DEMO_PASSWORD } from '../../src/server/demo-people'
import { Refusal } from '../../src/server/problem'
import { aBlueprint, aModule, anActivity } from '../support/course'
import { rng } from '../support/rng'
import { cloneDatabase, demoDatabase, startServer, type TestDatabase } from '../support/server'

const COURSE = 'small-streams'
const ABOUT = { aboutKind: 'activity', aboutId: 'a1-3', aboutName: '1.3', field: null, quote: null, resolvedBy: null, replyTo: null }

describe('comments at the server', () => {
  let database: TestDatabase
  let opened: ReturnType<typeof openDatabase>
  const ines = { id: 'ines', role: 'designer' } as const
  const nadia = { id: 'nadia', role: 'commenter' } as const
  before(async () => {
    database = await cloneDatabase()
    opened = openDatabase(database.url)
    await opened.db.insert(user).values(
      [
        ['ines', 'Ines Okafor'],
        ['tove', 'Tove Rasmussen'],
        ['nadia', 'Nadia Brandt'],
      ].map(([id, name]) => ({ id: id as string, name: name as string, email: `${id}@larkfield.example` })),
    )
    const blueprint = aBlueprint({ module: [aModule('m1')], activity: [anActivity('a1-3', 'm1')] })
    await createCourse(opened.db, { blueprint, ownerId: 'ines', code: 'create-course', newId: idSource(rng(5)), id: COURSE })
    await opened.db.insert(membership).values([
      { courseId: COURSE, userId: 'tove', role: 'expert' },
      { courseId: COURSE, userId: 'nadia', role: 'commenter' },
    ])
  })
  after(async () => {
    await opened.pool.end()
    await database.drop()
  })
  const put = (by: typeof ines | typeof nadia, id: string, more: object, base: number | null = null) =>
    putBeside(opened.db, 'comment', COURSE, by, id, { ...ABOUT, words: 'Too long?', ...more }, base, 'https://cairn.example')
  const list = (since?: number) => listBeside(opened.db, 'comment', COURSE, ines, since)
  const refusal = async (work: Promise<unknown>) =>
    work.then(
      () => 'none',
      (e: unknown) => (e instanceof Refusal ? e.code : String(e)),
    )

  it('are told from a revision on, with those that were removed', async () => {
    const { revision, removed } = await list()
    expect(removed).to.equal(undefined)
    await put(nadia, 'n1', {})
    await put(nadia, 'n2', { words: 'Or too short?' })
    const since = await list(revision)
    expect(since.records.map((r) => r.id)).to.deep.equal(['n1', 'n2'])
    expect([since.revision, since.removed]).to.deep.equal([revision + 2, []])
    await removeBeside(opened.db, 'comment', COURSE, nadia, 'n1')
    const after = await list(since.revision)
    expect([after.records, after.removed, after.revision]).to.deep.equal([[], ['n1'], revision + 3])
    // Removed twice is fine, and nothing new.
    await removeBeside(opened.db, 'comment', COURSE, nadia, 'n1')
    expect((await list(after.revision)).removed).to.deep.equal([])
    // Written again under its id, it is there again.
    await put(nadia, 'n1', {})
    expect((await list(since.revision)).records.map((r) => r.id)).to.deep.equal(['n1'])
    expect((await list(since.revision)).removed).to.deep.equal([])
  })

  it('are held by their limits and their policy', async () => {
    expect(await refusal(put(nadia, 'long', { words: 'x'.repeat(4001) }))).to.equal('invalid-value')
    expect((await put(nadia, 'longest', { words: 'x'.repeat(4000) })).id).to.equal('longest')
    expect(await refusal(put(nadia, 'empty', { words: '' }))).to.equal('invalid-value')
    expect(await refusal(put(nadia, 'emoji', { words: 'half \ud83d' }))).to.equal('invalid-value')
    const { revision } = await put(nadia, 'mine', {})
    expect(await refusal(put(ines, 'mine', { words: 'Not mine.' }, revision))).to.equal('may-not')
    expect(await refusal(put(nadia, 'mine', { words: 'From an old window.' }, revision - 1))).to.equal('changed')
  })

  it('that two write about at once, one calling it done and one answering, keep both; the same done twice is once', async () => {
    for (let n = 0; n < 6; n++) {
      const id = `both${n}`
      const { revision } = await put(nadia, id, { words: 'Is this due too early?' })
      const done = () => put(ines, id, { words: 'Is this due too early?', resolvedBy: 'ines' }, revision)
      const [first, second, answered] = await Promise.all([
        refusal(done()),
        refusal(done()),
        refusal(put(nadia, `answer${n}`, { words: 'On a closed day.', replyTo: id })),
      ])
      // The second finds it changed, and what it wanted is so already.
      expect([[first, second].sort(), answered]).to.deep.equal([['changed', 'none'], 'none'])
      const { records } = await list()
      expect(records.find((r) => r.id === id)?.['resolvedBy']).to.equal('ines')
      const [thread] = threadsOf((records as unknown as Comment[]).filter((r) => [id, `answer${n}`].includes(r.id)))
      expect(thread?.answers.map((a) => a.words)).to.deep.equal(['On a closed day.'])
      // Whichever was later says whether it is done.
      const [resolved, answer] = [id, `answer${n}`].map((key) => records.find((r) => r.id === key)?.revision ?? 0)
      expect(thread?.state).to.equal((resolved ?? 0) > (answer ?? 0) ? 'resolved' : 'open')
    }
  })

  it('tell those who are named, once, and by mail who wants it', async () => {
    const mails = async (to: string) =>
      (
        await opened.db
          .select()
          .from(outbox)
          .where(eq(outbox.recipient, `${to}@larkfield.example`))
      ).length
    const before = [await mails('ines'), await mails('tove')]
    await opened.db.update(user).set({ mailsOff: 'mentions' }).where(eq(user.email, 'tove@larkfield.example'))
    const { revision } = await put(nadia, 'named', { words: '@Ines Okafor and @Tove Rasmussen, and me: @Nadia Brandt' })
    const told = (await listBeside(opened.db, 'mention', COURSE, ines)).records.filter((m) => m['commentId'] === 'named')
    expect(told.map((m) => m['personId']).sort()).to.deep.equal(['ines', 'tove'])
    expect([await mails('ines'), await mails('tove')]).to.deep.equal([(before[0] ?? 0) + 1, before[1]])
    const sent = await opened.db.select().from(outbox).where(eq(outbox.recipient, 'ines@larkfield.example'))
    expect(sent.at(-1)?.body).to.include('https://cairn.example/courses/small-streams/brief?panel=comments&at=activity:a1-3')
    await put(nadia, 'named', { words: '@Ines Okafor and @Tove Rasmussen, again' }, revision)
    expect(await mails('ines')).to.equal((before[0] ?? 0) + 1)
  })

  it('keep what somebody has read to themselves', async () => {
    const mark = (by: typeof ines | typeof nadia, id: string, upTo: number, base: number | null) =>
      putBeside(opened.db, 'commentsSeen', COURSE, by, id, { upTo }, base)
    const { revision } = await mark(ines, ines.id, 3, null)
    await mark(ines, ines.id, 4, revision)
    expect(await refusal(mark(nadia, ines.id, 9, revision + 1))).to.equal('may-not')
    expect((await listBeside(opened.db, 'commentsSeen', COURSE, nadia)).records).to.deep.equal([])
    expect((await listBeside(opened.db, 'commentsSeen', COURSE, ines)).records.map((r) => r['upTo'])).to.deep.equal([4])
  })
})

describe('comments over two servers', () => {
  it('are heard of at the other within a second', async () => {
    const database = await demoDatabase()
    const first = await startServer(database.url)
    const second = await startServer(database.url)
    try {
      const cookieAt = async (origin: string, who: string) => {
        const answer = await fetch(`${origin}/api/auth/sign-in/email`, {
          method: 'POST',
          headers: { origin, 'content-type': 'application/json' },
          body: JSON.stringify({ email: `${who}@larkfield.example`, password: DEMO_PASSWORD }),
        })
        const cookies = answer.headers.getSetCookie().map((c) => c.split(';')[0])
        return cookies.join('; ')
      }
      const [ines, nadia] = [await cookieAt(first.origin, 'ines'), await cookieAt(second.origin, 'nadia')]
      const stream = await fetch(`${first.origin}/api/courses/${COURSE}/events`, { headers: { cookie: ines } })
      const reader = stream.body?.pipeThrough(new TextDecoderStream()).getReader()
      const heard = (async () => {
        for (let text = ''; ; ) {
          text += (await reader?.read())?.value ?? ''
          if (/event: beside\ndata: comment \d+/.test(text)) return performance.now()
        }
      })()
      const written = performance.now()
      const answer = await fetch(`${second.origin}/api/courses/${COURSE}/beside/comment/two-servers`, {
        method: 'PUT',
        headers: { origin: second.origin, cookie: nadia, 'content-type': 'application/json' },
        body: JSON.stringify({ values: { id: 'two-servers', ...ABOUT, words: 'Is it there?' }, base: null }),
      })
      expect(answer.status).to.equal(200)
      expect((await heard) - written).to.be.below(1000)
      await reader?.cancel()
      const list = await fetch(`${first.origin}/api/courses/${COURSE}/beside/comment`, { headers: { cookie: ines } })
      expect(((await list.json()) as { records: { words: string }[] }).records.map((r) => r.words)).to.include('Is it there?')
    } finally {
      await first.stop()
      await second.stop()
      await database.drop()
    }
  })
})
