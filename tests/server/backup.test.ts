import { chmodSync, existsSync, mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect } from 'chai'
import pg from 'pg'
import { applyEffective } from '../../src/core/blueprint/apply'
import { blueprintOf, EMPTY_BLUEPRINT, type Records } from '../../src/core/blueprint/blueprint'
import { KIND_NAMES, type KindName } from '../../src/core/blueprint/kinds'
import { changesAfter, loggedChanges } from '../../src/server/change-log'
import { openDatabase } from '../../src/server/db/client'
import { loadCourse } from '../../src/server/repository'
import { expectNothingLost, gather } from '../faults/storm'
import { closeClients } from '../support/clients'
import { cairn, cloneDatabase, demoDatabase, emptyDatabase, releaseDatabase, startServer, type TestDatabase } from '../support/server'

async function rowsOf(url: string): Promise<Record<string, number>> {
  const client = new pg.Client({ connectionString: url })
  await client.connect()
  const { rows } = await client.query<{ name: string }>("select tablename as name from pg_tables where schemaname = 'public' order by 1")
  const found: Record<string, number> = {}
  for (const { name } of rows) {
    const { rows: counted } = await client.query(`select count(*)::int as n from "${name}"`)
    found[name] = counted[0].n
  }
  await client.end()
  return found
}

describe('backup, restore and migration', () => {
  const folder = mkdtempSync(join(tmpdir(), 'cairn-backup-'))
  // The cluster's own user passes through.
  chmodSync(folder, 0o711)
  const databases: TestDatabase[] = []
  const keep = async (making: Promise<TestDatabase>) => {
    const made = await making
    databases.push(made)
    return made
  }
  afterEach(closeClients)
  after(async () => {
    for (const d of databases) await d.drop()
    rmSync(folder, { recursive: true, force: true })
  })

  it('a backup taken while people work is whole: restored, it is a state of the course that the log makes', async () => {
    const source = await keep(demoDatabase())
    const target = await keep(emptyDatabase())
    const server = await startServer(source.url)
    const file = join(folder, 'busy.backup')
    const storm = await gather(server, source.url, 4)
    let taken: Promise<Awaited<ReturnType<typeof cairn>>> | null = null
    let finished = false
    await storm.run(() => {
      if (!taken && storm.acknowledged() > 30) {
        taken = cairn(['backup', file], { DATABASE_URL: source.url })
        void taken.then(() => {
          finished = true
        })
      }
      return finished
    })
    await server.stop()
    expect(await taken).to.include({ code: 0, stderr: '' })
    const restored = await cairn(['restore', file], { DATABASE_URL: target.url })
    expect(restored.stderr).to.equal('')
    expect(restored.stdout).to.match(/restored: 4 courses/)
    await expectNothingLost(target.url, [])
    const rows = await rowsOf(target.url)
    expect(rows.session, 'no session is in a backup').to.equal(0)
    expect(rows.change_log).to.be.greaterThan(30)
    // And it works on.
    const again = await startServer(target.url)
    expect((await fetch(`${again.origin}/sign-in`)).status).to.equal(200)
    await again.stop()
  })

  it('a backup refuses to overwrite, a restore refuses a database with anything in it, and leaves nothing half', async () => {
    const source = await keep(cloneDatabase())
    const target = await keep(emptyDatabase())
    const file = join(folder, 'plain.backup')
    expect((await cairn(['backup', file], { DATABASE_URL: source.url })).code).to.equal(0)
    const size = statSync(file).size
    expect(await cairn(['backup', file], { DATABASE_URL: source.url })).to.deep.include({ code: 2 })
    expect(statSync(file).size).to.equal(size)
    const full = await cairn(['restore', file], { DATABASE_URL: source.url })
    expect([full.code, full.stderr.trim()]).to.deep.equal([
      2,
      'this database is not empty: a backup is restored into an empty one, so that nothing is overwritten',
    ])
    expect((await cairn(['restore', 'README.md'], { DATABASE_URL: target.url })).stderr).to.match(/^nothing was restored: /)
    expect((await cairn(['restore', join(folder, 'none')], { DATABASE_URL: target.url })).stderr).to.match(/is not there/)
    expect(await rowsOf(target.url)).to.deep.equal({})
    const wrong = new URL(source.url)
    wrong.password = 'wrong'
    const failed = await cairn(['backup', join(folder, 'failed.backup')], { DATABASE_URL: wrong.href }).catch(() => null)
    expect(failed?.code).to.not.equal(0)
    for (const passphrase of ['', 'heron under the weir']) {
      const nowhere = await cairn(['backup', join(folder, 'none', 'a.backup')], {
        DATABASE_URL: source.url,
        CAIRN_BACKUP_PASSPHRASE: passphrase,
      })
      expect([nowhere.code, nowhere.stderr.trim().split('\n')]).to.satisfy(
        ([code, said]: [number, string[]]) => code === 2 && said.length === 1 && /could not be made: ENOENT/.test(said[0] ?? ''),
        nowhere.stderr,
      )
    }
    expect(existsSync(join(folder, 'failed.backup'))).to.equal(false)
    expect(existsSync(join(folder, 'failed.backup.making'))).to.equal(false)
  })

  it('a backup is for its owner alone, and sealed for who has the passphrase; one bit changed, and nothing is restored', async () => {
    const source = await keep(demoDatabase())
    const target = await keep(emptyDatabase())
    const [open, file] = [join(folder, 'open.backup'), join(folder, 'sealed.backup')]
    expect((await cairn(['backup', open], { DATABASE_URL: source.url })).code).to.equal(0)
    const sealed = await cairn(['backup', file], { DATABASE_URL: source.url, CAIRN_BACKUP_PASSPHRASE: 'heron under the weir' })
    expect([sealed.code, sealed.stderr]).to.deep.equal([0, ''])
    for (const path of [open, file]) expect(statSync(path).mode & 0o777).to.equal(0o600)
    // PostgreSQL's own mark begins the one, ours the other.
    expect([readFileSync(open).subarray(0, 5).toString(), readFileSync(file).subarray(0, 10).toString()]).to.deep.equal([
      'PGDMP',
      'CAIRNSEAL1',
    ])
    const restored = async (from: string, passphrase = '') => {
      const { code, stderr, stdout } = await cairn(['restore', from], { DATABASE_URL: target.url, CAIRN_BACKUP_PASSPHRASE: passphrase })
      return code === 0 ? stdout.trim() : stderr.trim()
    }
    expect(await restored(file)).to.match(/is sealed: set CAIRN_BACKUP_PASSPHRASE/)
    expect(await restored(file, 'heron under the bridge')).to.match(
      /^nothing was restored: the passphrase of .* is another, or it was changed$/,
    )
    const bytes = readFileSync(file)
    for (const at of [12, Math.floor(bytes.length / 2), bytes.length - 1]) {
      const changed = join(folder, `changed-${at}.backup`)
      const copy = Buffer.from(bytes)
      copy[at] = (copy[at] as number) ^ 1
      writeFileSync(changed, copy)
      expect(await restored(changed, 'heron under the weir'), `byte ${at}`).to.match(/or it was changed$/)
    }
    writeFileSync(join(folder, 'short.backup'), bytes.subarray(0, 20))
    expect(await restored(join(folder, 'short.backup'), 'heron under the weir')).to.match(/^nothing was restored/)
    expect(await rowsOf(target.url)).to.deep.equal({})
    expect(await restored(file, 'heron under the weir')).to.match(/restored: 4 courses/)
  })

  it('goes from one machine to an empty cluster on another with the two commands alone', async () => {
    const source = await keep(demoDatabase())
    const file = join(folder, 'moved.backup')
    expect((await cairn(['backup', file], { DATABASE_URL: source.url })).code).to.equal(0)
    const data = join(folder, 'other-machine')
    // No cluster is there, and no address of a database is given: it is made, filled and stopped again.
    const none = { DATABASE_URL: '', CAIRN_DATA: data }
    const restored = await cairn(['restore', file], none)
    expect([restored.code, restored.stderr]).to.deep.equal([0, ''])
    expect(restored.stdout).to.match(/restored: 4 courses/)
    const back = join(folder, 'back.backup')
    expect((await cairn(['backup', back], none)).code).to.equal(0)
    expect(existsSync(join(data, 'postgres', 'postmaster.pid')), 'still running').to.equal(false)
    expect(statSync(back).size).to.be.greaterThan(50_000)
  })

  const RELEASES = [
    { release: '0.1', rows: [70, 30, 4, 3], wrote: ['activity', 'a1-1', 'title', 'Written in the first release'], revisions: [1, 2, 3, 4] },
    {
      release: '0.2',
      rows: [78, 36, 7, 3],
      wrote: ['objective', 'o1b', 'statement', 'Describe what Tove wrote meanwhile'],
      revisions: [1, 2, 3, 4, 5],
    },
  ] as const
  for (const {
    release,
    rows,
    wrote: [kind, id, field, text],
    revisions,
  } of RELEASES)
    it(`brings the database of release ${release} up to date: every record, the log, and what it makes`, async () => {
      const old = await keep(releaseDatabase(release))
      const before = await rowsOf(old.url)
      expect([before.activity, before.objective, before.change_log, before.user]).to.deep.equal(rows)
      expect((await cairn(['migrate'], { DATABASE_URL: old.url })).code).to.equal(0)
      const after = await rowsOf(old.url)
      for (const [table, rows] of Object.entries(before)) expect(after[table], table).to.equal(rows)
      expect(Object.keys(after)).to.include.members(['rubric', 'framework', 'invitation', 'outbox'])
      const opened = openDatabase(old.url)
      const loaded = await loadCourse(opened.db, 'small-streams')
      if (!loaded) throw new Error('no course')
      expect(loaded.records[kind].find((r) => r.id === id)?.[field]).to.equal(text)
      const log = await loggedChanges(opened.db, 'small-streams', changesAfter(0))
      await opened.pool.end()
      expect(log.map((c) => c.revision)).to.deep.equal(revisions)
      // The log of then, read today, makes what is stored today.
      const plain = (of: (kind: KindName) => readonly { readonly id: string }[]) =>
        Object.fromEntries(KIND_NAMES.map((k) => [k, [...of(k)].sort((a, b) => (a.id < b.id ? -1 : 1))]))
      const made = log.reduce((b, c) => applyEffective(b, c.operations), EMPTY_BLUEPRINT)
      const stored = blueprintOf(loaded.records as unknown as Records)
      expect(plain((k) => [...made[k].values()])).to.deep.equal(plain((k) => [...stored[k].values()]))
      // Twice does nothing more, and people get in with their passwords of then.
      expect((await cairn(['migrate'], { DATABASE_URL: old.url })).code).to.equal(0)
      const server = await startServer(old.url)
      const signedIn = await fetch(`${server.origin}/api/auth/sign-in/email`, {
        method: 'POST',
        headers: { origin: server.origin, 'content-type': 'application/json' },
        body: JSON.stringify({ email: 'ines@larkfield.example', password: 'small-streams-214' }),
      })
      expect(signedIn.status).to.equal(200)
      // Pages published then are still there, as they were.
      const client = new pg.Client({ connectionString: old.url })
      await client.connect()
      const { rows: pages } = await client.query<{ slug: string }>('select slug from publication').catch(() => ({ rows: [] }))
      await client.end()
      expect(pages).to.have.length(release === '0.1' ? 0 : 1)
      for (const { slug } of pages) {
        const page = await fetch(`${server.origin}/p/${slug}`)
        expect([page.status, await page.text()].join(' ')).to.match(/^200 [\s\S]*Measuring Small Streams[\s\S]*Autumn 2027/)
      }
      await server.stop()
    })

  it('takes along what a course of then estimates times with, under the words of now', async () => {
    const old = await keep(releaseDatabase('0.2'))
    const client = new pg.Client({ connectionString: old.url })
    await client.connect()
    await client.query(
      "insert into assumption (course_id, id, name, value) select id, v.name || '--assumption', v.name, v.value from course_head, " +
        "(values ('study', 18000), ('report-250', 6000), ('argued-250', 0), ('reply', 1200)) as v(name, value) where id = 'small-streams'",
    )
    await client.query("update activity set pace = 'study', difficulty = 'dense' where course_id = 'small-streams' and id = 'a1-1'")
    const moved = await cairn(['migrate'], { DATABASE_URL: old.url })
    expect(moved.code, moved.stderr).to.equal(0)
    const now = await client.query("select id, value from assumption where course_id = 'small-streams' order by id")
    const read = await client.query("select pace, difficulty from activity where course_id = 'small-streams' and id = 'a1-1'")
    await client.end()
    // 60 minutes for 250 words are 250 words an hour.
    expect(now.rows).to.deep.equal([
      { id: 'argued-words--assumption', value: 10_000_000 },
      { id: 'learn--assumption', value: 18_000 },
      { id: 'reply--assumption', value: 1200 },
      { id: 'report-words--assumption', value: 25_000 },
    ])
    expect(read.rows).to.deep.equal([{ pace: 'learn', difficulty: 'hard' }])
  })
})
